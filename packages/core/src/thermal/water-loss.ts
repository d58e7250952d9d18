import {
  isSamePlace,
  ORDINARY_POT_KG,
  usualCook,
  weighedLoss,
  type CookingPlace,
  type CookStage,
  type Heat,
  type Lid,
  type PotFormula,
  type WhereCooked,
} from '../formula/index.js';
import { exactly, times, within, type Range } from '../range/index.js';
import { heatForLoss_W, LATENT_J_PER_KG } from '../water/index.js';
import { HOUR_S } from '../quantity/index.js';
import { PAN_DIAMETER_M, type PanModel } from './heat-balance.js';

/*
 * The one model of water loss: what a cooker, its lid and its heat do to a batch. Balance, plan,
 * forecast and the simulated boil all take it from here.
 */

/** How a batch is heated while it stands at one place. */
export interface Heating {
  /**
   * Heat, W, 5-95 %. On a flame all that reaches the pan, with what its walls lose; at a gentle
   * place what goes into vapour once it is hot.
   */
  readonly heat_W: Range;
  readonly pan: Pick<PanModel, 'diameter_m' | 'gentle'>;
}

/**
 * A pan whose evaporation was measured gives that heat within a fifth: the flame is not set alike
 * twice. Share of it; common practice.
 */
const MEASURED_HEAT_DOUBT = 0.2;
/** A burner of known power gives its heat within about this share. A guess. */
const BURNER_HEAT_DOUBT = 0.35;

/** What an ordinary pan holds when it goes on, kg; the table's losses are for that. */
const ORDINARY_PAN_KG = 4;
/**
 * What a household burner puts into an ordinary pan at a fast boil, W: 1 to 2.3 kW and a little
 * either way. Common practice.
 */
const UNKNOWN_BURNER_W: Range = { low: 950, mid: 1700, high: 2800 };
/** An outdoor burner of 5 to 20 kW, of which two fifths reach the kettle, W. Common practice. */
const UNKNOWN_OUTDOOR_W: Range = { low: 2500, mid: 4500, high: 8000 };
/** What simmering water gives to a bowl over it, W. A guess. */
const BOWL_W: Range = { low: 300, mid: 420, high: 700 };

/** Of the vapour of a fast boil, so much is left at a simmer. Common practice. */
const SIMMER_SHARE: Range = { low: 0.15, mid: 0.25, high: 0.4 };
/** The same on high, which is not yet a rolling boil. Common practice. */
const HIGH_SHARE: Range = { low: 0.4, mid: 0.6, high: 0.85 };
/** Of the vapour of an open pan so much gets past its lid. Common practice. */
const PAST_LID: Readonly<Record<Lid, Range>> = {
  on: { low: 0.03, mid: 0.08, high: 0.2 },
  ajar: { low: 0.4, mid: 0.6, high: 0.8 },
  off: exactly(1),
};

/** What each heat leaves of a fast boil's vapour; a low burner has its own figures. */
const SHARE_OF_FAST: Readonly<Record<Heat, Range>> = {
  low: SIMMER_SHARE,
  simmer: SIMMER_SHARE,
  high: HIGH_SHARE,
  fast: exactly(1),
};

/** Water lost at a place that no flame drives, kg an hour, 5-95 %. */
type GentleLoss = Readonly<Record<Lid, Range>>;

/** What an open pan loses times what its lid lets past. */
const underLids = (open: Range): GentleLoss => ({
  on: product(open, PAST_LID.on),
  ajar: product(open, PAST_LID.ajar),
  off: open,
});

/** Two independent factors together: their doubts add in quadrature, by their logarithms. */
function product(one: Range, other: Range): Range {
  const mid = one.mid * other.mid;
  const spread = (end: 'low' | 'high'): number =>
    Math.hypot(Math.log(one[end] / one.mid), Math.log(other[end] / other.mid));
  return { low: mid * Math.exp(-spread('low')), mid, high: mid * Math.exp(spread('high')) };
}

/** An open slow cooker loses no more than its heater gives. Common practice and a guess. */
const AJAR_CROCK: Range = { low: 0.06, mid: 0.09, high: 0.12 };
const SLOW_COOKER: Readonly<Record<'low' | 'high', GentleLoss>> = {
  low: {
    on: { low: 0.01, mid: 0.02, high: 0.03 },
    ajar: AJAR_CROCK,
    off: { low: 0.08, mid: 0.12, high: 0.16 },
  },
  high: {
    on: { low: 0.03, mid: 0.05, high: 0.08 },
    ajar: AJAR_CROCK,
    off: { low: 0.15, mid: 0.22, high: 0.3 },
  },
};
/** A wide pan in the oven, and an open pan on a low burner, kg an hour. Common practice. */
const OVEN = {
  low: underLids({ low: 0.25, mid: 0.35, high: 0.45 }),
  high: underLids({ low: 0.35, mid: 0.5, high: 0.65 }),
};
const LOW_BURNER = underLids({ low: 0.3, mid: 0.4, high: 0.5 });

/** Heat that warms the contents until they are hot, W, net of what the walls lose. Common practice. */
const WARM_UP_W = { crockLow: 90, crockHigh: 180, oven: 350, lowBurner: 500 } as const;
/** Contents of a slow cooker never quite boil: they stay so far under it, K. Common practice. */
const CROCK_BELOW_BOIL_K = { low: 7, high: 3 } as const;

/** A place whose loss is known beforehand, whatever burns under it. */
interface GentlePlace {
  readonly loss: GentleLoss;
  readonly warmUp_W: number;
  readonly holdsBelow_K: number;
  /** A wider vessel is taken for more; a slow cooker has one size. */
  readonly grows: boolean;
}

const isStrong = (heat: Heat): boolean => heat === 'high' || heat === 'fast';

/** Places with a loss of their own; the others are heated by a flame. */
const GENTLE: Readonly<Partial<Record<WhereCooked, (heat: Heat) => GentlePlace | undefined>>> = {
  'slow-cooker': (heat) =>
    isStrong(heat)
      ? {
          loss: SLOW_COOKER.high,
          warmUp_W: WARM_UP_W.crockHigh,
          holdsBelow_K: CROCK_BELOW_BOIL_K.high,
          grows: false,
        }
      : {
          loss: SLOW_COOKER.low,
          warmUp_W: WARM_UP_W.crockLow,
          holdsBelow_K: CROCK_BELOW_BOIL_K.low,
          grows: false,
        },
  oven: (heat) => ({
    loss: isStrong(heat) ? OVEN.high : OVEN.low,
    warmUp_W: WARM_UP_W.oven,
    holdsBelow_K: 0,
    grows: true,
  }),
  burner: (heat) =>
    heat === 'low'
      ? { loss: LOW_BURNER, warmUp_W: WARM_UP_W.lowBurner, holdsBelow_K: 0, grows: true }
      : undefined,
};

/** Diameter of the open surface, m. Common practice. */
const SURFACE_M: Readonly<Record<WhereCooked, number>> = {
  burner: PAN_DIAMETER_M,
  oven: 0.35,
  'slow-cooker': 0.25,
  'outdoor-burner': 0.5,
  'double-boiler': 0.18,
};

/** What of a formula its heat follows from. */
export type HeatSources = Pick<PotFormula, 'pan' | 'learned'>;

/** Heat and loss grow with the surface of what is taken for so much: with mass to the 2/3. */
const surfaceShare = (mass_kg: number): number => (mass_kg / ORDINARY_PAN_KG) ** (2 / 3);

/**
 * Heat into the pan on the kitchen's burner, W, 5-95 %: what past boils tell, else the pan's own
 * measured evaporation, else the power of its burner, else that of a household burner.
 *
 * @param mass_kg in the pan
 */
export function kitchenHeat_W({ pan, learned }: HeatSources, mass_kg: number): Range {
  if (learned?.heat_W !== undefined)
    return times(learned.heat_W, Math.max(mass_kg / ORDINARY_POT_KG, 1));
  if (pan?.evaporation_kgPerH !== undefined)
    return within(heatForLoss_W(pan.evaporation_kgPerH), MEASURED_HEAT_DOUBT);
  if (pan?.heat_W !== undefined) return within(pan.heat_W, BURNER_HEAT_DOUBT);
  // The walls of a small pan are taken for those of a large one: only the vapour grows.
  return plus(times(vapourOf_W(UNKNOWN_BURNER_W), surfaceShare(mass_kg)), WALLS_W);
}

/** Heat of a flame at its fullest under a batch, W. */
const FLAMES: Readonly<
  Partial<Record<WhereCooked, (sources: HeatSources, mass_kg: number) => Range>>
> = {
  burner: kitchenHeat_W,
  'outdoor-burner': () => UNKNOWN_OUTDOOR_W,
  'double-boiler': () => BOWL_W,
};

/** What the walls of a pan at its boil lose, W. */
const WALLS_W = heatForLoss_W(0);
/** A flame that hardly keeps a pan at the boil still drives off this much, as a share of that. */
const LEAST_VAPOUR_SHARE = 0.25;

const plus = ({ low, mid, high }: Range, watts: number): Range => ({
  low: low + watts,
  mid: mid + watts,
  high: high + watts,
});

/** A loss as the heat that goes into its vapour, W. */
const vapourHeat_W = ({ low, mid, high }: Range): Range =>
  times({ low, mid, high }, LATENT_J_PER_KG / HOUR_S);

/** Heat that goes into vapour on a flame: what is over when the walls have lost theirs, W. */
const vapourOf_W = (full_W: Range): Range => {
  const over = (watts: number): number => Math.max(watts - WALLS_W, WALLS_W * LEAST_VAPOUR_SHARE);
  return { low: over(full_W.low), mid: over(full_W.mid), high: over(full_W.high) };
};

/**
 * A batch on a flame: at a fast boil, or brought to the boil and then turned down to a simmer or put
 * under a lid.
 */
function onFlame(full_W: Range, { lid, heat, where }: CookingPlace): Heating {
  const diameter_m = SURFACE_M[where];
  const isFast = where === 'double-boiler' || (heat === 'fast' && lid === 'off');
  if (isFast) return { heat_W: full_W, pan: { diameter_m } };
  const full = vapourOf_W(full_W);
  const open = product(full, SHARE_OF_FAST[heat]);
  return {
    heat_W: product(open, PAST_LID[lid]),
    pan: { diameter_m, gentle: { warmUp_W: full.mid + WALLS_W / 2, holdsBelow_K: 0 } },
  };
}

/** A batch at a place whose loss is known beforehand. */
function atGentlePlace(
  { loss, warmUp_W, holdsBelow_K }: GentlePlace,
  { where, lid }: CookingPlace,
  larger: number,
): Heating {
  return {
    heat_W: vapourHeat_W(times(loss[lid], larger)),
    pan: {
      diameter_m: SURFACE_M[where],
      gentle: { warmUp_W: warmUp_W * larger, holdsBelow_K },
    },
  };
}

/** What a stage of a cook is heated by. */
export type HeatedStage = CookingPlace & Pick<CookStage, 'loss_kgPerH'>;

/**
 * How much more a batch loses at a place than a pan of ordinary size does: a wider vessel is taken for
 * it, where there is one.
 */
export const growthAt = ({ where, heat }: CookingPlace, mass_kg: number): number =>
  GENTLE[where]?.(heat)?.grows === true ? surfaceShare(mass_kg) : 1;

/** Water lost in a stage as it was weighed, kg an hour: in its formula, else in past cooks. */
function weighedLossOf(
  { learned }: HeatSources,
  stage: HeatedStage,
  mass_kg: number,
): Range | undefined {
  if (stage.loss_kgPerH !== undefined) return weighedLoss(stage.loss_kgPerH);
  const told = learned?.losses?.find((each) => isSamePlace(each, stage))?.loss_kgPerH;
  return told && times(told, growthAt(stage, mass_kg));
}

/** How a batch is heated in a stage. @param mass_kg in the pan when the cook begins */
export function heatingOf(sources: HeatSources, stage: HeatedStage, mass_kg: number): Heating {
  const { where, heat } = stage;
  const gentle = GENTLE[where]?.(heat);
  const usual = gentle
    ? atGentlePlace(gentle, stage, growthAt(stage, mass_kg))
    : onFlame((FLAMES[where] ?? kitchenHeat_W)(sources, mass_kg), stage);
  const weighed = weighedLossOf(sources, stage, mass_kg);
  if (!weighed) return usual;
  const weighed_W = vapourHeat_W(weighed);
  return { ...usual, heat_W: usual.pan.gentle ? weighed_W : plus(weighed_W, WALLS_W) };
}

/**
 * Water that hot contents lose where nothing was weighed, kg an hour, in a pan of ordinary size.
 *
 * @param sources what is known of the pan and its burner
 */
export function usualLoss_kgPerH({ pan }: Pick<HeatSources, 'pan'>, place: CookingPlace): Range {
  const { heat_W, pan: heated } = heatingOf({ ...(pan && { pan }) }, place, ORDINARY_PAN_KG);
  const lost = heated.gentle ? heat_W : vapourOf_W(heat_W);
  return times(lost, HOUR_S / LATENT_J_PER_KG);
}

/** How a batch cooks: as its formula says, else as is usual for its kind. */
export const cookOf = ({
  kind,
  finish,
  stages,
}: Pick<PotFormula, 'kind' | 'finish' | 'stages'>): readonly CookStage[] =>
  stages.length > 0 ? stages : [usualCook(kind, finish.type)];

import { AIR_SHARE, FILL_C, FILM_KG, FOAM_SHARE, JAR_DOUBT } from '../balance/index.js';
import {
  ORDINARY_POT_KG,
  type FormulaDocument,
  type Kitchen,
  type PotFormula,
  type PanAndBurner,
} from '../formula/index.js';
import { AT_THE_END_MS, volumeFilled_ml } from '../made-batch/index.js';
import {
  forecast,
  modelledPot,
  type ForecastInput,
  type ModelledPot,
  type Observation,
} from '../forecast/index.js';
import type { Boil } from '../boil-log/index.js';
import { exactly, times, Z90 } from '../range/index.js';
import { syrupDensity_kgPerM3 } from '../syrup/index.js';
import { boilingPointAt, saturationTemperature_C } from '../water/index.js';
import { cameOf, foretoldYield_ml } from './hindsight.js';
import type { Estimate } from './lesson.js';
import { placeLosses, type PlaceLossEvidence } from './place-losses.js';
import { HOUR_MS } from '../quantity/index.js';

/**
 * What one finished boil says of the kitchen it was made in; what it says nothing of is left out.
 */
export interface BoilEvidence {
  /** When it ended, milliseconds since 1970. */
  readonly at: number;
  /** What it was on, where the log says so. */
  readonly panAndBurner?: PanAndBurner;
  /** Of a boil of fruit and sugar: how much too high the thermometer reads, K; the day's weather is in it. */
  readonly offset_K?: Estimate;
  /**
   * Natural logarithm of the heat into the usual pan, W, as for a pot of up to
   * `ORDINARY_POT_KG`.
   */
  readonly logHeat_W?: Estimate;
  /** What came to the jars beside what is computed for the reading it was stopped at. */
  readonly yield?: YieldEvidence;
  /**
   * How far over boiling water the set is that is liked here, K: where it was stopped, and how that
   * set was once opened.
   */
  readonly rise_K?: Estimate;
  /** Of a long cook: the water lost where it was weighed. */
  readonly losses?: readonly PlaceLossEvidence[];
}

/** Natural logarithms, so that a thermometer's error is a plain sum. */
export interface YieldEvidence {
  /** Of what came as a share of what is computed, were the thermometer right. */
  readonly logShare: number;
  /** What is computed grows by this for each kelvin the thermometer reads too high. */
  readonly perK: number;
}

/**
 * Little is believed beforehand: any household heat, any thermometer, 5-95 %. Wider still, the fit
 * gets lost between them.
 */
const ANY_HEAT_W = { low: 700, mid: 1550, high: 3500 };
const ANY_OFFSET_K = { low: -3, mid: 0, high: 3 };
/** Fewer readings than this say nothing of a curve. A guess. */
const FEWEST_READINGS = 8;
/**
 * A fit that leaves more than this, in standard deviations of the instruments, is of another pot
 * than the formula's. A guess.
 */
const MOST_MISFIT = 2;
/**
 * Water that boiled this far from what this kitchen's height says boiled elsewhere, K: a bad
 * thermometer and foul weather. A guess.
 */
const ELSEWHERE_K = 3;
/**
 * A step on the scale from runny to stiff is worth about this rise, K; and how surely one spoonful
 * tells. A guess.
 */
const A_STEP_K = 0.7;
const SPOONFUL_SD_K = 0.5;

/**
 * A pan of fruit and sugar boiled to its finish: a butter in a slow cooker and a curd over water
 * say nothing of the ring.
 */
const isSugarBoil = ({ kind, finish }: PotFormula): boolean =>
  kind !== 'curd' && finish.type !== 'consistency';

/**
 * Kilograms in the jars as filled; undefined before they are counted.
 * @param solids soluble solids, per cent
 */
function massInJars_kg(boil: Boil, formula: PotFormula, solids: number): number | undefined {
  // Weighed jars need no volume.
  if (boil.jarred.length > 0 && boil.jarred.every(({ net_g }) => net_g !== undefined))
    return boil.jarred.reduce(
      (sum, { full, part, net_g = 0 }) => sum + ((full + part) * net_g) / 1000,
      0,
    );
  const volume_ml = volumeFilled_ml(boil, formula);
  return (
    volume_ml &&
    (volume_ml / 1e6) * syrupDensity_kgPerM3(solids / 100, FILL_C) * (1 - AIR_SHARE.mid)
  );
}

/**
 * A boil of sugar that goes on for longer was forgotten, or is of several days, ms: nothing is learned
 * from it, and the fit, whose time grows with the span, is spared. A choice of ours.
 */
const LONGEST_BOIL_MS = 12 * HOUR_MS;

/**
 * What a boil that is done says of its kitchen, by the forecast's own model fitted to the whole of
 * its log with nothing believed of heat or thermometer beforehand; the jars that were filled count
 * as one more weighing.
 *
 * @param written the formula as it was put on the heat
 * @param kitchen as it is; what was learned in it is left aside
 * @returns undefined where nothing can be learned: it is not done, simulated instruments boiled it,
 * it boiled at another place, or neither its readings nor its weights fit the formula
 */
export function evidenceOf(
  written: FormulaDocument,
  boil: Boil,
  kitchen: Kitchen,
): BoilEvidence | undefined {
  const { endedAt: at, simulated, boilingPoint_C } = boil;
  if (at === undefined || simulated !== undefined) return undefined;
  const { learned: _learned, offset_K: _offset, boilingPoint_C: _measured, ...plain } = kitchen;
  const { boilingPoint_C: water } = boilingPointAt(plain);
  if (boilingPoint_C !== undefined && Math.abs(boilingPoint_C - water.mid) > ELSEWHERE_K)
    return undefined;
  const pot = modelledPot(boil, written, plain, at);
  if (!pot) return undefined;
  const losses = placeLosses(boil, pot, filledAtEnd(boil, pot, at));
  const fitted = fittedTo({ boil, written, kitchen: plain, pot, at });
  if (losses.length === 0 && !fitted) return undefined;
  return { at, ...fitted, ...(losses.length > 0 && { losses }) };
}

/** What was in the pan at the end as the jars tell it; undefined before they are counted. */
function filledAtEnd(boil: Boil, { whole, clock }: ModelledPot, at: number) {
  const filled_kg = massInJars_kg(boil, whole.formula, whole.outcome.solids);
  return filled_kg === undefined
    ? undefined
    : { time_s: clock.seconds(at), mass_kg: filled_kg, sd_kg: (filled_kg * JAR_DOUBT) / Z90 };
}

/** A boil that is done, with what it is looked at by. */
interface DoneBoil {
  readonly boil: Boil;
  readonly written: FormulaDocument;
  /** With nothing learned. */
  readonly kitchen: Kitchen;
  readonly pot: ModelledPot;
  /** When it ended, milliseconds since 1970. */
  readonly at: number;
}

/** What a boil of fruit and sugar says; undefined of another, or where it does not fit its formula. */
function fittedTo({
  boil,
  written,
  kitchen,
  pot,
  at,
}: DoneBoil): Omit<BoilEvidence, 'at' | 'losses'> | undefined {
  const { startedAt = at, readings, score } = boil;
  const { whole, clock } = pot;
  if (!isSugarBoil(whole.formula) || readings.length < FEWEST_READINGS) return undefined;
  if (at - startedAt > LONGEST_BOIL_MS) return undefined;
  const { pressure_kPa } = boilingPointAt(kitchen);
  const fit = (observations: readonly Observation[], net_W = ANY_HEAT_W) =>
    forecast({
      ...pot.input,
      net_W,
      offset_K: ANY_OFFSET_K,
      startWasRead: true,
      observations,
    } satisfies ForecastInput);
  const first = fit(pot.input.observations);
  const weighed = boil.weighings.some((each) => each.at <= at && at - each.at <= AT_THE_END_MS);
  const observations = [...pot.input.observations];
  const filled_kg = massInJars_kg(boil, whole.formula, first.now.solidsPercent);
  if (filled_kg !== undefined && !weighed) {
    observations.push({
      time_s: Math.max(clock.seconds(at), 0),
      mass_kg: filled_kg * (1 + FOAM_SHARE.mid) + FILM_KG.mid,
      sd_kg: (filled_kg * JAR_DOUBT) / Z90,
    });
  }
  // Once more around what was found, so that the middle of what was believed pulls at nothing.
  const fitted = fit(observations, times(ANY_HEAT_W, first.net_W.mid / ANY_HEAT_W.mid));
  if (fitted.misfit > MOST_MISFIT) return undefined;
  const sdOf = (low: number, high: number): number => (high - low) / (2 * Z90);
  const { net_W, offset_K } = fitted;
  const larger = Math.max(whole.contents.mass / ORDINARY_POT_KG, 1);
  const offset = { mid: offset_K.mid, sd: sdOf(offset_K.low, offset_K.high) };
  const last = readings.findLast((each) => each.at <= at && at - each.at <= AT_THE_END_MS);
  const stopped_K = last && last.temperature_C - offset.mid - saturationTemperature_C(pressure_kPa);
  return {
    ...(Object.keys(boil.panAndBurner).length > 0 && { panAndBurner: boil.panAndBurner }),
    offset_K: offset,
    logHeat_W: {
      mid: Math.log(net_W.mid / larger),
      sd: sdOf(Math.log(net_W.low), Math.log(net_W.high)),
    },
    ...yieldOf(boil, written, kitchen),
    ...(score &&
      stopped_K !== undefined &&
      whole.formula.finish.type === 'gel-temperature' && {
        rise_K: { mid: stopped_K - score.set * A_STEP_K, sd: Math.hypot(SPOONFUL_SD_K, offset.sd) },
      }),
  };
}

/** What came beside what is computed, for a thermometer that is right and for one a kelvin high. */
function yieldOf(
  boil: Boil,
  written: FormulaDocument,
  kitchen: Kitchen,
): { yield?: YieldEvidence } {
  const came = cameOf(boil, written, kitchen).yield_ml;
  const [right, high] = [0, 1].map((mid) =>
    foretoldYield_ml(boil, written, { ...kitchen, offset_K: exactly(mid) }),
  );
  return came && right && high
    ? { yield: { logShare: Math.log(came / right), perK: Math.log(high / right) } }
    : {};
}

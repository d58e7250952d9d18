import type { Range } from '../range/index.js';
import { preparePot, type PreparedPot } from '../balance/index.js';
import { isProduce } from '../produce/index.js';
import {
  lineFromText,
  readFormula,
  softens,
  STAGES,
  usualStage,
  withoutPlace,
  type FormulaDocument,
  type Kitchen,
  type PotFormula,
  type PotLine,
} from '../formula/index.js';
import { boilingPointAt, LATENT_J_PER_KG, saturationTemperature_C } from '../water/index.js';
import type { Boil } from './boil.js';
import { forecast, type Forecast } from './forecast.js';
import type { Added, HeatChange, Target } from './forecast-model.js';
import { startOf } from './formula-boil.js';
import type { Look } from './looks.js';

/** A boil that is being watched: where the model says it is, and how long it will be. */
export interface Watched {
  readonly forecast: Forecast;
  /** Where the thermometer will go, against time in milliseconds since 1970. */
  readonly path: readonly { readonly at: number; readonly reading_C: number }[];
  /** Kilograms in the pot at the finish, for the scale. */
  readonly finishMass_kg: number;
  /** What the refractometer shows at the finish, per cent. */
  readonly finishSolidsPercent: number;
}

/** Before a first reading the pot is taken to have gone on as warm as the kitchen, C. */
const KITCHEN_C = 20;
/** Heat capacity of a pot of fruit and sugar, J/(kg K): sugar technology, 4187 (1 - 0.6 s) at a third of solids. From memory. */
const HEAT_CAPACITY = 3350;
/** A pan whose evaporation was measured gives that heat within a fifth: the flame is not set alike twice. Common practice. */
const MEASURED_HEAT = 0.2;
/** A burner of known power gives its heat within about this share. A guess. */
const BURNER_HEAT = 0.35;
/** What a household burner puts into a pan, W: 1 to 2.3 kW and a little either way. Common practice. */
const BURNER_W: Range = { low: 950, mid: 1550, high: 2500 };
/** A pot larger than this stands on a larger flame, kg. Common practice. */
const ORDINARY_POT_KG = 6;
/** What is left in doubt of the thermometer: boiled in water that day, or only trusted with the weather unknown, K. */
const CHECKED_K = 0.25;
const TRUSTED_K = 0.8;
/** Soluble solids of a pot weighed or measured by the cup, share, 5-95 %. */
const START_DOUBT = 0.06;

/** Lines of sweetener that wait for soft skins or for the full boil. */
export function laterSugar({ kind, method, lines }: PotFormula): readonly PotLine[] {
  const softening = lines.some(({ ingredient, form }) => isProduce(ingredient) && softens(form));
  return lines.filter(
    ({ ingredient, goesIn }) =>
      ingredient.category === 'sweetener' &&
      STAGES.indexOf(goesIn ?? usualStage(kind, method, ingredient, softening)) > 0,
  );
}

/** What the finish is watched for; undefined where a boil has no far end to forecast (a timed minute, a curd). */
function targetOf({ formula, outcome }: PreparedPot, boil: Boil): Target | undefined {
  const { finish } = formula;
  switch (finish.type) {
    case 'gel-temperature':
      return boil.gelTemperature_C === undefined ? undefined : { type: 'temperature', reading_C: boil.gelTemperature_C };
    case 'soluble-solids':
      return { type: 'solids', percent: finish.percent.mid };
    case 'weight':
      return { type: 'mass', mass_kg: finish.mass_kg.mid };
    case 'consistency':
      return { type: 'solids', percent: outcome.solids };
    case 'hard-boil':
    case 'curd':
      return undefined;
  }
} // prettier-ignore

/** What an addition in the log brings; what cannot be understood brings nothing here. */
function additionOf(text: string, written: FormulaDocument, kitchen: Kitchen): { water: number; soluble: number } {
  const { formula } = readFormula({ ...withoutPlace(written), lines: [lineFromText(text, written.decimal)] }, kitchen);
  const contents = preparePot(formula)?.contents;
  return contents ? { water: contents.mass - contents.soluble - contents.insoluble, soluble: contents.soluble } : { water: 0, soluble: 0 };
} // prettier-ignore

/**
 * Time left of a boil from everything in its log: readings, weights, refractometer, additions, and what was done to the flame.
 *
 * @param written the formula as it was put on the heat; what the log adds is taken from the log, at its time
 * @param kitchen as it is, with the place the boil was lit in
 * @param now milliseconds since 1970
 * @returns undefined before the heat, after the end, and for a boil that ends by the clock or by the egg
 */
export function watchBoil(
  boil: Boil,
  written: FormulaDocument,
  kitchen: Kitchen,
  now: number,
): Watched | undefined {
  const { startedAt } = boil;
  if (startedAt === undefined || boil.phase === 'done') return undefined;
  const { formula } = readFormula(withoutPlace(written), kitchen);
  const whole = preparePot(formula);
  const target = whole && targetOf(whole, boil);
  if (!whole || !target) return undefined;
  const first = boil.readings[0];
  // The model begins where something is known: how warm the pot was put on, and whether it simmered before, nobody wrote down.
  const from_ms = first?.at ?? startedAt;
  const seconds = (at: number): number => (at - from_ms) / 1000;

  const later = boil.sugarInAt === undefined || boil.sugarInAt < from_ms ? [] : laterSugar(formula);
  const atFirst = later.length === 0 ? whole : preparePot({ ...formula, lines: formula.lines.filter((line) => !later.includes(line)) }); // prettier-ignore
  if (!atFirst) return undefined;
  const added: Added[] = [];
  if (boil.sugarInAt !== undefined && later.length > 0) {
    const soluble = whole.contents.soluble - atFirst.contents.soluble;
    const insoluble = whole.contents.insoluble - atFirst.contents.insoluble;
    added.push({ time_s: seconds(boil.sugarInAt), soluble_kg: soluble, water_kg: whole.contents.mass - atFirst.contents.mass - soluble - insoluble }); // prettier-ignore
  }
  for (const { event, at, undone } of boil.log) {
    if (undone || event.type !== 'addition') continue;
    const { water, soluble } = additionOf(event.body.text, written, kitchen);
    added.push({ time_s: Math.max(seconds(at), 0), water_kg: water, soluble_kg: soluble });
  }

  const looks: Look[] = [
    ...boil.readings.map(({ at, temperature_C }) => ({ time_s: seconds(at), temperature_C })),
    ...boil.weighings.map(({ at, value }) => ({ time_s: seconds(at), mass_kg: value })),
    ...boil.brix.map(({ at, value }) => ({ time_s: seconds(at), solidsPercent: value })),
  ];
  const { pressure_kPa, boilingPoint_C, from } = boilingPointAt(formula.place);
  const offset = from === 'measured' ? (boil.boilingPoint_C ?? boilingPoint_C.mid) - saturationTemperature_C(pressure_kPa) : 0; // prettier-ignore
  const doubt = from === 'measured' ? CHECKED_K : TRUSTED_K;
  const net_W = heatOf(formula, whole.contents.mass);
  const start = startOf(atFirst, first ? first.temperature_C - offset : KITCHEN_C);
  // Time on the heat that was not needed to warm it went into steam.
  const warming_s = (atFirst.contents.mass * HEAT_CAPACITY * (start.temperature_C - KITCHEN_C)) / net_W.mid;
  const steamed_kg = Math.min(
    (Math.max((from_ms - startedAt) / 1000 - warming_s, 0) * net_W.mid) / LATENT_J_PER_KG,
    start.water * 0.6,
  );
  start.water -= steamed_kg;
  const made = forecast({
    start,
    startDoubt: Math.hypot(START_DOUBT, steamed_kg / (start.water + start.soluble)),
    pressure_kPa,
    pH: whole.outcome.pH,
    net_W,
    offset_K: { low: offset - doubt, mid: offset, high: offset + doubt },
    looks,
    heatChanges: heatChanges(boil, seconds),
    added: added.sort((a, b) => a.time_s - b.time_s),
    target,
    now_s: Math.max(seconds(now), 0),
  });
  return {
    forecast: made,
    path: made.path.map(({ time_s, reading_C }) => ({ at: from_ms + time_s * 1000, reading_C })),
    finishMass_kg: whole.outcome.finished,
    finishSolidsPercent: whole.outcome.solids,
  };
}

/** Heat into the pot: the usual pan's own, as its evaporation tells, else that of a household burner. */
function heatOf({ pan }: PotFormula, mass_kg: number): Range {
  const watts = LATENT_J_PER_KG / 3600;
  const rate = pan?.evaporation_kgPerH;
  if (rate !== undefined) return { low: rate * watts * (1 - MEASURED_HEAT), mid: rate * watts, high: rate * watts * (1 + MEASURED_HEAT) }; // prettier-ignore
  if (pan?.heat_W !== undefined)
    return { low: pan.heat_W * (1 - BURNER_HEAT), mid: pan.heat_W, high: pan.heat_W * (1 + BURNER_HEAT) };
  const larger = Math.max(mass_kg / ORDINARY_POT_KG, 1);
  return { low: BURNER_W.low * larger, mid: BURNER_W.mid * larger, high: BURNER_W.high * larger };
}

/** Off the heat and on again as the clock has it, and every turn of the flame by an amount that is fitted. */
function heatChanges({ heat, flameTurned }: Boil, seconds: (at: number) => number): HeatChange[] {
  const changes: HeatChange[] = flameTurned.map((at) => ({ time_s: Math.max(seconds(at), 0) }));
  heat.forEach(({ from, to }, i) => {
    if (i > 0 && seconds(from) > 0) changes.push({ time_s: seconds(from), share: 1 });
    if (to !== undefined && seconds(to) > 0) changes.push({ time_s: seconds(to), share: 0 });
  });
  return changes;
}

import { panOf, panOfStage, type PreparedPot } from '../balance/index.js';
import { MINUTE_S } from '../quantity/index.js';
import { boilingPointAt, gelTemperature_C } from '../water/index.js';
import {
  boilingCurve,
  PAN_DIAMETER_M,
  shortOfBoil_K,
  type PanModel,
  type PotState,
  simulateBoil,
  type SimulateOptions,
  type Simulation,
  waterBefore_kg,
} from '../thermal/index.js';

/**
 * The finish of a formula as something a boil can be watched for; a timed one counts from the first
 * full boil.
 */
function finishWatch(
  { formula, outcome, contents, rule }: PreparedPot,
  pan: PanModel,
): (state: Readonly<PotState>, time_s: number) => boolean {
  const { finish, place } = formula;
  const { pressure_kPa } = boilingPointAt(place);
  switch (finish.type) {
    case 'gel-temperature': {
      const gel_C = gelTemperature_C({ pressure_kPa }, finish.rise_K);
      return ({ temperature_C }) => temperature_C >= gel_C;
    }
    case 'curd':
      return ({ temperature_C }) => temperature_C >= finish.temperature_C;
    case 'hard-boil': {
      let boiledFrom_s: number | undefined;
      return (state, time_s) => {
        if (shortOfBoil_K(state, pan) <= 0) boiledFrom_s ??= time_s;
        const timed_s = (rule.timedMinutes ?? 1) * MINUTE_S;
        return boiledFrom_s !== undefined && time_s - boiledFrom_s >= timed_s;
      };
    }
    case 'soluble-solids':
    case 'consistency':
    case 'weight': {
      const liquid = outcome.finished - contents.insoluble;
      return ({ water, soluble }) => water + soluble <= liquid;
    }
  }
}

/** A pan of softened fruit whose sugar has just gone in, C. Common practice. */
const SUGAR_IN_C = 60;

/** How a simulated boil of a formula begins. */
export interface BoilStart {
  /** How warm the pan is; that of softened fruit with cold sugar unless given. */
  readonly temperature_C?: number;
  /**
   * The water of a softening before the sugar is gone already, as the balance takes it; otherwise
   * everything of the formula is in.
   */
  readonly softened?: boolean;
}

/**
 * The pan when the sugar goes in: what softening the fruit boils off is gone, and so is what a
 * longer boil than any with sugar would have to. The water left is what the balance boils off.
 */
function whenSugarGoesIn(pot: PreparedPot, temperature_C: number): PotState {
  const { outcome, middle, rule, contents } = pot;
  const start = panOf(contents, temperature_C);
  if (rule.timedMinutes !== undefined) return start;
  const finishWater = Math.max(outcome.finished - contents.soluble - contents.insoluble, 0);
  const pan = panOfStage(rule.cook, rule.cook.stages.length - 1);
  const seconds = outcome.sugared_min * MINUTE_S;
  const before = waterBefore_kg({ ...start, water: finishWater }, middle.heat, pan, seconds);
  start.water = Math.min(start.water, before);
  return start;
}

/**
 * A boil of a formula to its finish, or to what `until` says; see {@link simulateBoil}.
 *
 * @returns the readings, and the pan at the end
 */
export function simulateFormula(
  pot: PreparedPot,
  options: SimulateOptions,
  { temperature_C = SUGAR_IN_C, softened = false }: BoilStart = {},
): Simulation {
  const { pressure_kPa } = boilingPointAt(pot.formula.place);
  const pan: PanModel = {
    curve: boilingCurve(pressure_kPa),
    diameter_m: PAN_DIAMETER_M,
    pH: pot.outcome.pH,
  };
  const start = softened ? whenSugarGoesIn(pot, temperature_C) : panOf(pot.contents, temperature_C);
  return simulateBoil(start, pan, { until: finishWatch(pot, pan), ...options });
}

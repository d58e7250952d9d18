import type { PreparedPot } from '../balance/index.js';
import { boilingPointAt, gelTemperature_C } from '../water/index.js';
import {
  boilingCurve,
  PAN_DIAMETER_M,
  solidsOf,
  type PanModel,
  type PotState,
  simulateBoil,
  type SimulateOptions,
  type Simulation,
} from '../thermal/index.js';

/**
 * What is in the pot of a formula when it goes on the heat.
 * @param temperature_C of the pot then
 */
export function startOf({ contents }: PreparedPot, temperature_C: number): PotState {
  const { mass, soluble, insoluble, hexose } = contents;
  return {
    water: Math.max(mass - soluble - insoluble, 0.01),
    soluble,
    insoluble,
    invertShare: soluble > 0 ? hexose / soluble : 0,
    temperature_C,
  };
}

/**
 * The finish of a formula as something a boil can be watched for; a timed one counts from the first
 * full boil.
 */
export function finishWatch(
  { formula, outcome, contents, rule }: PreparedPot,
  kettle: PanModel,
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
        if (state.temperature_C >= kettle.curve.at(solidsOf(state), state.invertShare) - 0.05)
          boiledFrom_s ??= time_s;
        return boiledFrom_s !== undefined && time_s - boiledFrom_s >= (rule.timedMinutes ?? 1) * 60;
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

/** A pot whose fruit has softened and whose sugar has just gone in, C. Common practice. */
const START_C = 60;

/**
 * A boil of a formula from the sugar to its finish, or to what `until` says; see {@link
 * simulateBoil}.
 *
 * @param from_C how warm the pot is at first
 */
export function simulateFormula(
  pot: PreparedPot,
  options: SimulateOptions,
  from_C = START_C,
): Simulation {
  const { pressure_kPa } = boilingPointAt(pot.formula.place);
  const kettle: PanModel = {
    curve: boilingCurve(pressure_kPa),
    diameter_m: PAN_DIAMETER_M,
    pH: pot.outcome.pH,
  };
  return simulateBoil(startOf(pot, from_C), kettle, {
    until: finishWatch(pot, kettle),
    ...options,
  });
}

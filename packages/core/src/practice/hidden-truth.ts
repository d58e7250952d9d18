import { contentsAt, linePoint, middleOf, type Contents } from '../balance/index.js';
import { readFormula, type PotFormula } from '../formula/index.js';
import { isProduce } from '../produce/index.js';
import { seeded } from '../random/index.js';
import { Z90, type Range } from '../range/index.js';
import { standardPressure_kPa } from '../water/index.js';
import { everythingIn } from './scenario-reader.js';
import type { PracticeScenario } from './scenario.js';

/** What a cook cannot know of a pan: drawn from the seed, and otherwise from none of the forecast's own priors. */
export interface HiddenTruth {
  /** Factor on the heat of the burner. */
  readonly burner: number;
  /** Share of its heat that the burner loses or gains in its first hour. */
  readonly burnerDrift: number;
  /** The thermometer reads so much too high, K. */
  readonly thermometer_K: number;
  /** Of today's weather. */
  readonly pressure_kPa: number;
  /** Which curve of sucrose holds; see `waterActivity`. */
  readonly curve: number;
  /** Factor on the rate of inversion. */
  readonly inversion: number;
  /** Factor on the vapour of the open surface: draughts. */
  readonly surface: number;
  /** Factor on how firm a spoonful looks on the plate: how cold it is, how thick it was poured. */
  readonly plate: number;
  /** Everything that may go into the pan as it really is, in the order of `everythingIn`. */
  readonly contents: readonly Contents[];
  /** A number from 0 to 1 for each happening: when it strikes. */
  readonly strikes: readonly number[];
}

/** Standard deviations of what is hidden; of factors, of their logarithm. Guesses, wider than the forecast's where it has one. */
const SD = {
  burner: 0.2,
  burnerDrift: 0.1,
  thermometer_K: 0.3,
  pressure_kPa: 0.8,
  curve: 0.4,
  inversion: 0.5,
  surface: 0.3,
  plate: 0.2,
  mass: 0.015,
  acid: 0.08,
  pectin: 0.15,
} as const;
/** Nothing is further out than so many of them: a pan that never boils teaches nothing. */
const MOST_DEVIATIONS = 1.6;
/** A thermometer that errs by about so much errs by a fifth more or less. A choice of ours. */
const ERROR_SPREAD = 0.2;

const standardDeviation = ({ low, high }: Range): number => (high - low) / (2 * Z90);

const known = new WeakMap<PracticeScenario, PotFormula>();

/** The scenario's formula with all that may go in, understood; read once a scenario. */
export function potFormulaOf(scenario: PracticeScenario): PotFormula {
  const found = known.get(scenario);
  if (found) return found;
  const { altitude_m } = scenario;
  const { formula } = readFormula(everythingIn(scenario), { altitude_m });
  known.set(scenario, formula);
  return formula;
}

/** What the seed hides. The same seed hides the same. */
export function hiddenTruth(scenario: PracticeScenario, seed: number): HiddenTruth {
  const random = seeded(seed);
  const normal = (): number =>
    Math.min(Math.max(random.normal(), -MOST_DEVIATIONS), MOST_DEVIATIONS);
  const factor = (sd: number): number => Math.exp(normal() * sd);
  const { thermometerError_K, fruit = {}, happenings = [] } = scenario;
  const usual_K = normal() * SD.thermometer_K;
  const side = random.uniform() < 0.5 ? -1 : 1;
  return {
    burner: factor(SD.burner),
    burnerDrift: normal() * SD.burnerDrift,
    thermometer_K:
      thermometerError_K === undefined ? usual_K : side * thermometerError_K * factor(ERROR_SPREAD),
    pressure_kPa: standardPressure_kPa(scenario.altitude_m) + normal() * SD.pressure_kPa,
    curve: 0.5 + normal() * SD.curve,
    inversion: factor(SD.inversion),
    surface: factor(SD.surface),
    plate: factor(SD.plate),
    contents: potFormulaOf(scenario).lines.map((line) => {
      const point = linePoint(line);
      const middle = middleOf(point);
      const ofFruit = isProduce(line.ingredient) ? fruit : {};
      return contentsAt(point, {
        ...middle,
        mass: middle.mass * (1 + normal() * SD.mass),
        soluble: Math.min(
          Math.max(middle.soluble + normal() * standardDeviation(point.inputs.soluble), 0),
          1,
        ),
        ripeness: middle.ripeness * (ofFruit.acid ?? 1) * factor(SD.acid),
        pectin: middle.pectin * (ofFruit.pectin ?? 1) * factor(SD.pectin),
      });
    }),
    strikes: happenings.map(() => random.uniform()),
  };
}

import type { Balance, Influence } from '../balance/index.js';
import type { PotFormula, PotLine } from '../formula/index.js';

/** What would be measured better. */
export type MeasurementCode =
  | `weigh-${number}`
  | `brix-${number}`
  | `pH-${number}`
  | 'boil-water'
  | 'weigh-pot'
  | 'measure-jar'
  | 'pectin-test';

/** What to measure better, and what that would gain. */
export interface Measurement {
  readonly code: MeasurementCode;
  /** "Weigh the damsons". */
  readonly text: string;
  /** By how much the range of the yield, the set or the pH would shrink, 0 to 1. */
  readonly narrows: number;
  readonly of: 'yield' | 'set' | 'pH';
}

/** A measurement with what it leaves of each doubt, as a share: 1 for those it does not touch. */
interface Candidate extends Omit<Measurement, 'narrows'> {
  readonly leaves: (influence: Influence) => number;
}

/** Doubt left after weighing on a kitchen scale, share. Common practice. */
const WEIGHED = 0.01;
/** What else a measurement leaves of the doubt it is of, share. Guesses. */
const LEFT = {
  refractometer: 0.25,
  pHMeter: 0.3,
  boiledWater: 0.55,
  stoppedByWeight: 0.2,
  measuredJar: 0.3,
  alcoholTest: 0.6,
} as const;
/** Gains below this are not worth the trouble. A choice of ours. */
const WORTHWHILE = 0.06;

const WIDTH_OF: Readonly<Record<Measurement['of'], (influence: Influence) => number>> = {
  yield: ({ yieldShare }) => yieldShare,
  set: ({ firmness }) => firmness,
  pH: ({ pH }) => pH,
};

/** What leaves a share of the doubts of some inputs, of one line or of the whole pan. */
const leaves =
  (share: number, inputs: readonly Influence['input'][], line?: number) =>
  (influence: Influence): number =>
    influence.line === line && inputs.includes(influence.input) ? share : 1;

function weighing({ index, amount, mass_kg, label, ingredient, form }: PotLine): Candidate[] {
  const doubt = (mass_kg.high - mass_kg.low) / 2 / mass_kg.mid;
  const weighed = amount.unit.kind === 'mass';
  const prepared = ingredient.wastePercent && ingredient.usualForm !== 'whole';
  const candidate = (text: string): Candidate => ({
    code: `weigh-${index}`,
    text,
    of: 'yield',
    leaves: leaves(Math.min(WEIGHED / doubt, 1), ['mass'], index),
  });
  if (!weighed && doubt > WEIGHED)
    return [candidate(`Weigh the ${label}${prepared ? ' after preparing' : ''}`)];
  return weighed && form === 'as-bought' ? [candidate(`Weigh the ${label} after preparing`)] : [];
}

const measuringOf = (line: PotLine): Candidate[] => [
  ...weighing(line),
  {
    code: `brix-${line.index}`,
    text: `Read the ${line.label} with a refractometer`,
    of: 'yield',
    leaves: leaves(LEFT.refractometer, ['soluble'], line.index),
  },
  {
    code: `pH-${line.index}`,
    text: `Measure the pH of the ${line.label}`,
    of: 'pH',
    leaves: leaves(LEFT.pHMeter, ['ripeness'], line.index),
  },
];

const boilWater: Candidate = {
  code: 'boil-water',
  text: 'Boil water and read it on this thermometer today',
  of: 'yield',
  leaves: leaves(LEFT.boiledWater, ['finish']),
};
const stopByWeight: Candidate = {
  code: 'weigh-pot',
  text: 'Stop by the weight of the pan',
  of: 'yield',
  leaves: leaves(LEFT.stoppedByWeight, ['finish', 'curve', 'inversion']),
};
const measureJar: Candidate = {
  code: 'measure-jar',
  text: 'Measure one of your jars with water',
  of: 'yield',
  leaves: leaves(LEFT.measuredJar, ['jar']),
};
const testPectin: Candidate = {
  code: 'pectin-test',
  text: 'Test the juice for pectin with alcohol',
  of: 'set',
  leaves: ({ input }) => (input === 'pectin' || input === 'pectinModel' ? LEFT.alcoholTest : 1),
};

/** The boiling point here is only known from the altitude. */
const isPlaceUnmeasured = ({ place }: PotFormula): boolean =>
  place.boilingPoint_C === undefined && place.pressure_kPa === undefined;

function candidatesFor(formula: PotFormula): Candidate[] {
  const { type } = formula.finish;
  return [
    ...formula.lines.flatMap(measuringOf),
    ...(type === 'gel-temperature' && isPlaceUnmeasured(formula) ? [boilWater] : []),
    ...(type === 'weight' ? [] : [stopByWeight]),
    measureJar,
    testPectin,
  ];
}

/** By how much a range shrinks when the doubts are left as the candidate says, 0 to 1. */
function narrowing(influences: readonly Influence[], { of, leaves: left }: Candidate): number {
  const width = WIDTH_OF[of];
  const all = influences.reduce((sum, influence) => sum + width(influence) ** 2, 0);
  if (!(all > 0)) return 0;
  const rest = influences.reduce(
    (sum, influence) => sum + (width(influence) * left(influence)) ** 2,
    0,
  );
  return 1 - Math.sqrt(rest / all);
}

/**
 * Which measurement gains most, from how each input widens the ranges by itself: a scale, boiling
 * water on the thermometer, a refractometer or a measured jar.
 *
 * @returns the worthwhile ones, the greatest gain first
 */
export const worthMeasuring = (formula: PotFormula, { influences }: Balance): Measurement[] =>
  candidatesFor(formula)
    .map((candidate) => {
      const { code, text, of } = candidate;
      return { code, text, of, narrows: narrowing(influences, candidate) };
    })
    .filter(({ narrows }) => narrows >= WORTHWHILE)
    .sort((a, b) => b.narrows - a.narrows);

import { Z90, type Range } from '../range/index.js';
import {
  addInto,
  contentsAt,
  evaluate,
  nothing,
  preparePot,
  type LineInput,
  type Outcome,
  type PotInput,
} from '../balance/index.js';
import type { PotFormula } from '../formula/index.js';
import { jarsToHaveHot } from '../jars/index.js';
import { firmnessWord, type FirmnessWord } from '../pectin/index.js';
import { seeded } from '../random/index.js';

/** The balance by drawing every input together, rather than one at a time. */
export interface Sampled {
  readonly samples: number;
  readonly solubleSolidsPercent: Range;
  readonly finishMass_kg: Range;
  readonly pH: Range;
  readonly firmness: Range;
  /** All jars together. */
  readonly jars: Range;
  /** Share of the draws that set as each word says. */
  readonly setShares: Readonly<Record<FirmnessWord, number>>;
  /** Hot jars that are enough in 95 of 100 draws, one of them a spare; see `jarsToHaveHot`. */
  readonly readyJars: number;
}

export interface SampleOptions {
  readonly seed: number;
  readonly samples?: number;
  /** Called now and then with the share done; returning false stops and gives null. */
  readonly onProgress?: (share: number) => boolean;
}

/**
 * A draw from a range that may lean: each side is half a normal whose 5 or 95 % point is the
 * range's end.
 */
const draw = ({ low, mid, high }: Range, z: number): number =>
  mid + (z > 0 ? high - mid : mid - low) * (z / Z90);

const summary = (values: Float64Array, mid: number): Range => {
  values.sort();
  const at = (p: number): number => {
    const x = (values.length - 1) * p;
    const i = Math.floor(x);
    return (values[i] ?? 0) + ((values[i + 1] ?? values[i] ?? 0) - (values[i] ?? 0)) * (x - i);
  };
  return { low: Math.min(at(0.05), mid), mid, high: Math.max(at(0.95), mid) };
};

/**
 * Draws every uncertain input of a pot at once and puts each draw through the whole balance:
 * masses, acid, set, finish, losses and jars. The same seed gives the same answer.
 *
 * @returns null when there is nothing in the pot, or when `onProgress` stopped it
 */
export function sampleBalance(
  formula: PotFormula,
  { seed, samples = 2000, onProgress }: SampleOptions,
): Sampled | null {
  const pot = preparePot(formula);
  if (!pot) return null;
  const random = seeded(seed);
  const { points, sameIngredient, inputs, rules } = pot;
  const potKeys = Object.keys(inputs) as PotInput[];
  const lineKeys = [
    'mass',
    'soluble',
    'insoluble',
    'ripeness',
    'acidity',
    'pectin',
  ] as const satisfies LineInput[];
  const solids = new Float64Array(samples);
  const mass = new Float64Array(samples);
  const pH = new Float64Array(samples);
  const firmness = new Float64Array(samples);
  const jars = new Float64Array(samples);
  const shares = { none: 0, soft: 0, good: 0, firm: 0, stiff: 0 };
  const drawn = { ...pot.middle };
  const line: Record<LineInput, number> = {
    mass: 0,
    soluble: 0,
    insoluble: 0,
    ripeness: 1,
    acidity: 1,
    pectin: 1,
  };
  for (let k = 0; k < samples; k++) {
    const contents = nothing();
    for (const places of sameIngredient) {
      // One draw an ingredient, in however many lines it is.
      const drawnBy = lineKeys.map((key) => [key, random.normal()] as const);
      for (const i of places) {
        const point = points[i];
        if (!point) continue;
        for (const [key, z] of drawnBy) line[key] = Math.max(draw(point.inputs[key], z), 0);
        if (line.soluble + line.insoluble > 1) line.insoluble = Math.max(1 - line.soluble, 0);
        addInto(contents, contentsAt(point, line));
      }
    }
    // A curve between two is as likely here as there; the rest are drawn as they lean.
    for (const key of potKeys)
      drawn[key] = key === 'curve' ? random.uniform() : draw(inputs[key], random.normal());
    drawn.film = Math.max(drawn.film, 0);
    drawn.foam = Math.max(drawn.foam, 0);
    drawn.heat = Math.max(drawn.heat, inputs.heat.low / 2);
    const outcome: Outcome = evaluate(contents, drawn, rules);
    solids[k] = outcome.solids;
    mass[k] = outcome.finished;
    pH[k] = outcome.pH;
    firmness[k] = outcome.firmness;
    jars[k] = outcome.counts.reduce((sum, count) => sum + count, 0);
    const f = outcome.firmness;
    shares[firmnessWord(f)] += 1 / samples;
    if (k % 250 === 249 && onProgress?.((k + 1) / samples) === false) return null;
  }
  const middle = pot.outcome;
  const count = summary(
    jars,
    middle.counts.reduce((sum, n) => sum + n, 0),
  );
  return {
    samples,
    solubleSolidsPercent: summary(solids, middle.solids),
    finishMass_kg: summary(mass, middle.finished),
    pH: summary(pH, middle.pH),
    firmness: summary(firmness, middle.firmness),
    jars: count,
    setShares: shares,
    readyJars: jarsToHaveHot([count]),
  };
}

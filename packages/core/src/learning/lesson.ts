import { around, Z90, type Range } from '../range/index.js';

/** What one boil says of a number, as a normal: its middle and its standard deviation. */
export interface Estimate {
  readonly mid: number;
  readonly sd: number;
}

/** What is known of one number of a kitchen. */
export interface Lesson {
  /** From the boils and what was believed before them, 5-95 %. */
  readonly value: Range;
  /** What is believed without them, 5-95 %. */
  readonly without: Range;
  /** How many boils it is from. */
  readonly boils: number;
}

const spread = (mid: number, sd: number): Range => around(mid, Z90 * sd);

/**
 * A number from what was believed and what the boils say, each by its certainty: one odd boil does
 * not rule, and many of them do.
 *
 * @param before what was believed, as a normal
 * @param between how far one boil lies from the kitchen's own number beyond its own doubt, standard
 * deviation
 * @param next the same for the next boil, where it counts: it is one more boil; 0 for a number that
 * does not wander
 */
export function lessonFrom(
  before: Estimate,
  said: readonly Estimate[],
  between: number,
  next = 0,
): Lesson {
  let trust = 1 / before.sd ** 2;
  let sum = before.mid * trust;
  for (const { mid, sd } of said) {
    const weight = 1 / (sd ** 2 + between ** 2);
    trust += weight;
    sum += mid * weight;
  }
  return {
    value:
      said.length === 0
        ? spread(before.mid, before.sd)
        : spread(sum / trust, Math.sqrt(1 / trust + next ** 2)),
    without: spread(before.mid, before.sd),
    boils: said.length,
  };
}

/** The lesson of a number that was learned by its logarithm. */
export const byFactor = ({ value, without, boils }: Lesson): Lesson => {
  const back = ({ low, mid, high }: Range): Range => ({
    low: Math.exp(low),
    mid: Math.exp(mid),
    high: Math.exp(high),
  });
  return { value: back(value), without: back(without), boils };
};

import type { PotLine } from '../formula/index.js';
import { isProduce } from '../produce/index.js';

/** What lines weigh together, kg. */
export const massOf_kg = (lines: readonly PotLine[]): number =>
  lines.reduce((sum, { mass_kg }) => sum + mass_kg.mid, 0);

/** Produce and juice: what a spread is of. */
export const isFruitLike = ({ ingredient }: PotLine): boolean =>
  isProduce(ingredient) || ingredient.category === 'juice';

/** Apples, which fall apart in the pan in whatever form they went in. */
export const APPLES: ReadonlySet<string> = new Set([
  'apple',
  'tart-apple',
  'crab-apple',
  'applesauce',
]);

import type { Range } from '../range/index.js';
import type { JarSize } from './sizes.js';

/** Jars of one size to fill; `available` bounds how many there are. */
export interface JarChoice {
  readonly jar: JarSize;
  readonly headspace_mm: number;
  readonly available?: number;
}

/**
 * Puts a volume into jars in the order given: each size takes what it can before the next begins,
 * and the last takes the rest even beyond what is available, so that a shortage shows.
 *
 * @returns fractional jars per choice
 */
export function fillInOrder(
  volume_ml: number,
  choices: readonly { readonly fill_ml: number; readonly available?: number }[],
): number[] {
  let left = Math.max(volume_ml, 0);
  return choices.map(({ fill_ml, available }, i) => {
    const last = i === choices.length - 1;
    const count = last ? left / fill_ml : Math.min(left / fill_ml, available ?? Infinity);
    left -= count * fill_ml;
    return Math.max(count, 0);
  });
}

/**
 * Clean hot jars to have at hand: the high end of the range rounded up, and one spare. Common
 * practice.
 */
export function jarsToHaveHot(counts: readonly Range[]): number {
  const high = counts.reduce((sum, count) => sum + count.high, 0);
  return high < 0.05 ? 0 : Math.ceil(high) + 1;
}

const QUARTERS = ['', '¼', '½', '¾'] as const;
/** From so many on a part of a jar is within the doubt of the count. */
const NO_PARTS_FROM = 20;

/** A count of jars in words: "about 9", "7¼", "under 1", "none". */
export function jarWords(count: number): string {
  if (count < 0.1) return 'none';
  if (count < 0.9) return 'under 1';
  if (count >= NO_PARTS_FROM) return `about ${Math.round(count)}`;
  const quarters = Math.round(count * 4);
  const [whole, part] = [Math.floor(quarters / 4), quarters % 4];
  const isWhole = Math.abs(count - Math.round(count)) < 0.1;
  if (isWhole) return `${Math.round(count)}`;
  return part === 0 ? `about ${whole}` : `${whole}${QUARTERS[part] ?? ''}`;
}

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

/** A count of jars in words: "8 and a bit", "nearly 9", "7½", "none". */
export function jarWords(count: number): string {
  if (count < 0.1) return 'none';
  const whole = Math.floor(count + 1e-9);
  const part = count - whole;
  if (part < 0.1) return `${whole}`;
  if (part >= 0.9) return `${whole + 1}`;
  if (whole === 0 && part < 0.4) return 'a bit';
  if (whole === 0) return part < 0.65 ? 'half of one' : 'nearly 1';
  if (part < 0.4) return `${whole} and a bit`;
  if (part < 0.65) return `${whole}½`;
  return `nearly ${whole + 1}`;
}

import { findJar, fillVolume_ml, JAR_SIZES, type JarSize } from './sizes.js';
import type { SizeCount } from './loads.js';

/** A jar with its own measure, where its maker took one. */
const jarOf = (size: string, measured_ml: number | undefined): JarSize | undefined => {
  const jar = findJar(size);
  return jar && (measured_ml === undefined ? jar : { ...jar, measured_ml });
};

/** Jars of one size in the kitchen. */
export interface JarStock {
  readonly size: string;
  /** Undefined where they were not counted: any number. */
  readonly count: number | undefined;
  readonly measured_ml?: number;
}

/**
 * Jars instead, where a size runs out: the ones nearest in size that are in stock, until the volume
 * is put up.
 *
 * @param volume_ml what is still to be filled
 * @returns whole jars, and what they leave over; nothing where no other jar is in stock
 */
export function jarsInstead(
  volume_ml: number,
  size: string,
  stock: readonly JarStock[],
  headspace_mm: number,
): { readonly jars: readonly SizeCount[]; readonly left_ml: number } {
  const wanted = findJar(size)?.volumeToQuarterInch_ml ?? 0;
  const others = stock
    .filter((each) => each.size !== size && (each.count === undefined || each.count > 0))
    .flatMap(({ size: id, count, measured_ml }) => {
      const jar = jarOf(id, measured_ml);
      return jar
        ? [{ id, count: count ?? Infinity, fill_ml: fillVolume_ml(jar, headspace_mm) }]
        : [];
    })
    .sort((a, b) => Math.abs(a.fill_ml - wanted) - Math.abs(b.fill_ml - wanted));
  let left_ml = volume_ml;
  const jars: SizeCount[] = [];
  for (const { id, count, fill_ml } of others) {
    const taken = Math.min(Math.floor(left_ml / fill_ml + 1e-9), count);
    if (taken === 0) continue;
    jars.push({ size: id, count: taken });
    left_ml -= taken * fill_ml;
  }
  return { jars, left_ml };
}

/** A size of which there are fewer jars than may be filled. */
export interface JarShortage {
  readonly size: string;
  readonly have: number;
  /** As many as may come out, or were filled already. */
  readonly wanted: number;
  /** Other jars in the kitchen for the rest. */
  readonly instead: readonly SizeCount[];
}

/**
 * Where there are fewer jars of a size than may come out, and what else is in the kitchen.
 *
 * @param planned jars that may come out, at most, fractional
 * @param filled full jars that were filled already, by size
 */
export function jarShortages(
  planned: readonly { readonly size: string; readonly most: number }[],
  filled: readonly { readonly size: string; readonly full: number }[],
  stock: readonly JarStock[],
  headspace_mm: number,
): JarShortage[] {
  return planned.flatMap(({ size, most }) => {
    const have = stock.find((each) => each.size === size)?.count;
    const jar = findJar(size);
    const full = filled.find((each) => each.size === size)?.full ?? 0;
    const wanted = Math.max(Math.ceil(most), full);
    if (have === undefined || jar === undefined || wanted <= have) return [];
    const over_ml = (most - have) * fillVolume_ml(jar, headspace_mm);
    return [{ size, have, wanted, instead: jarsInstead(over_ml, size, stock, headspace_mm).jars }];
  });
}

/** So near to its headspace a jar counts as full, as a share of what it holds. Common practice. */
const NEARLY = 0.04;

/**
 * The largest jar that a remainder fills to its headspace, so that it can be processed as a full
 * one.
 *
 * @param part how full the part jar is, 0 to 1
 */
export function smallerJarFor(
  size: string,
  part: number,
  headspace_mm: number,
): JarSize | undefined {
  const jar = findJar(size);
  if (!jar) return undefined;
  const left_ml = part * fillVolume_ml(jar, headspace_mm);
  return JAR_SIZES.filter(({ id }) => id !== size).findLast((other) => {
    const fill = fillVolume_ml(other, headspace_mm);
    return fill <= left_ml * (1 + NEARLY) && fill >= left_ml * 0.7;
  });
}

/** What these jars hold, ml. */
export function filledVolume_ml(
  jars: readonly { readonly size: string; readonly full: number; readonly part: number }[],
  headspace_mm: number,
  stock: readonly JarStock[] = [],
): number {
  return jars.reduce((sum, { size, full, part }) => {
    const jar = jarOf(size, stock.find((each) => each.size === size)?.measured_ml);
    return sum + (full + part) * (jar ? fillVolume_ml(jar, headspace_mm) : 0);
  }, 0);
}

import type { Balance } from '../balance/index.js';
import type { PotFormula } from '../formula/index.js';
import { times, type Range } from '../range/index.js';
import type { WatchedBoil } from './watch-boil.js';

/** Jars of one size to have ready. */
export interface JarsAhead {
  readonly size: string;
  /** Fractions of a jar count. */
  readonly count: Range;
}

/**
 * How many jars a cook of hours will fill, as far as its log tells so far: one by the clock by what
 * will be left, any other by its finish, and never by more than is in the pan now.
 *
 * @returns undefined where it fills jars of several sizes, or none
 */
export function jarsAhead(
  { jars, finish }: Pick<Balance, 'jars' | 'finish'>,
  { stages }: Pick<PotFormula, 'stages'>,
  { forecast: { now, atEnd_kg } }: WatchedBoil,
): JarsAhead | undefined {
  const filled = jars.filter(({ count }) => count.high > 0);
  const [jar] = filled;
  if (!jar || filled.length > 1 || finish.mass_kg.mid <= 0) return undefined;
  const { size, count } = jar;
  const jarsPerKg = count.mid / finish.mass_kg.mid;
  if (stages.at(-1)?.end.type === 'time' && atEnd_kg)
    return { size, count: times(atEnd_kg, jarsPerKg) };
  const most = now.mass_kg * jarsPerKg;
  const { low, mid, high } = count;
  return {
    size,
    count: { low: Math.min(low, most), mid: Math.min(mid, most), high: Math.min(high, most) },
  };
}

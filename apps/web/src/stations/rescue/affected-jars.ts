import {
  filledVolume_ml,
  QUARTER_INCH_MM,
  type JarsUntilNow,
  type Kitchen,
} from '@idle-kettle/core';
import type { LotView } from '@idle-kettle/contract';

/** The jars somebody wants to rescue. */
export interface AffectedJars {
  readonly size: string;
  /** As typed: parts of a jar count, "3.5". */
  readonly count: string;
  readonly untilNow: JarsUntilNow;
}

/** More jars than a household has of one batch. */
const MOST_JARS = 500;

/** How many; undefined where it is no number of jars. */
export function countOf({ count }: AffectedJars): number | undefined {
  const number = Number(count.trim().replace(',', '.'));
  return count.trim() !== '' && number > 0 && number <= MOST_JARS ? number : undefined;
}

/** What the jars hold, ml, as their owner measured them. */
export const spreadIn_ml = (
  { size }: AffectedJars,
  count: number,
  measured: Kitchen['jars'] = [],
): number =>
  filledVolume_ml(
    [{ size, full: count, part: 0 }],
    QUARTER_INCH_MM,
    measured.map((jar) => ({ size: jar.size, count: undefined, measured_ml: jar.volume_ml })),
  );

const UNTIL_NOW: Readonly<Record<string, JarsUntilNow>> = {
  opened: 'opened',
  fridge: 'refrigerated',
  freezer: 'refrigerated',
};
const untilNowOf = ({ keptIn }: Pick<LotView, 'keptIn'>): JarsUntilNow =>
  UNTIL_NOW[keptIn ?? ''] ?? 'sealed';

/** No further jar is opened for less than this share of it. A choice of ours. */
const NOT_WORTH_A_JAR = 0.05;

/**
 * Jars of a shelf that are opened to cook so much again: whole ones first, then begun ones.
 *
 * @param wanted how many jars' worth
 */
export function jarsToOpen<Lot extends Pick<LotView, 'size' | 'count' | 'keptIn' | 'partFill'>>(
  lots: readonly Lot[],
  { size, untilNow }: AffectedJars,
  wanted: number,
): readonly { readonly lot: Lot; readonly count: number }[] {
  const fitting = lots
    .filter((lot) => lot.count > 0 && lot.size === size && untilNowOf(lot) === untilNow)
    .toSorted((a, b) => (b.partFill ?? 1) - (a.partFill ?? 1));
  let left = wanted;
  return fitting.flatMap((lot) => {
    const fill = lot.partFill ?? 1;
    const count = Math.min(lot.count, Math.ceil(left / fill - NOT_WORTH_A_JAR));
    if (count <= 0) return [];
    left -= count * fill;
    return [{ lot, count }];
  });
}

/**
 * What is most likely meant: all jars of the batch that are left, as they are kept.
 *
 * @param jarsIn sizes the batch was to be filled in, for when nothing is on the shelf
 */
export function likelyJars(
  lots: readonly Pick<LotView, 'size' | 'count' | 'keptIn' | 'partFill'>[],
  jarsIn: readonly string[],
): AffectedJars {
  const left = lots.filter(({ count }) => count > 0);
  const most = left.toSorted((a, b) => b.count - a.count)[0];
  if (!most) return { size: jarsIn[0] ?? '340-g', count: '', untilNow: 'sealed' };
  const same = left.filter(({ size, keptIn }) => size === most.size && keptIn === most.keptIn);
  return {
    size: most.size,
    count: String(same.reduce((sum, { count, partFill }) => sum + count * (partFill ?? 1), 0)),
    untilNow: untilNowOf(most),
  };
}

import { BEST, daysOf, type Best } from './storage.js';
import type { KeepingVerdict } from './verdict.js';

/**
 * Where jars are kept instead of where their batch would have them: a jar that was opened is in the
 * fridge too.
 */
export const KEPT_IN = ['fridge', 'freezer', 'opened'] as const;
export type KeptIn = (typeof KEPT_IN)[number];

/** How long at their best, from the day they were made or the day they were put where they are. */
export interface Span {
  readonly from: 'made' | 'moved';
  readonly best: Best;
}

/** How jars keep, in one line. */
export interface Kept {
  readonly verdict: KeepingVerdict;
  /** What decides. */
  readonly reason: string;
  /** The one that ends first counts; none where they are not kept. */
  readonly spans: readonly Span[];
}

const WORDS: Readonly<Record<KeptIn, string>> = {
  fridge: 'refrigerated',
  freezer: 'frozen',
  opened: 'opened: refrigerate, use first',
};

/**
 * Jars where their batch would have them.
 * @param best how long at their best; no days where they are not kept
 */
export const keptAsMade = (verdict: KeepingVerdict, reason: string, best: Best): Kept => ({
  verdict,
  reason,
  spans: daysOf(best) === 0 ? [] : [{ from: 'made', best }],
});

/** A part jar seals badly and holds air: it is eaten first. */
export const PART_JAR = keptAsMade(
  'fridge',
  'a part jar is refrigerated and used first',
  BEST.fullSugar,
);

/**
 * How jars keep that were moved into the cold, or opened. What is not to be kept stays so wherever
 * it stands; the cold never makes shelf jars of anything, and only frost gives a jar more time than
 * it had.
 *
 * @param made how they would keep where their batch would have them
 */
export function keptIn(made: Kept, place: KeptIn | null): Kept {
  if (place === null || made.verdict === 'stop') return made;
  return place === 'freezer'
    ? {
        verdict: 'freezer',
        reason: WORDS.freezer,
        spans: [{ from: 'moved', best: BEST.freezer }],
      }
    : {
        verdict: 'fridge',
        reason: WORDS[place],
        spans: [...made.spans, { from: 'moved', best: BEST.opened }],
      };
}

/**
 * Jars among which so many have not sealed: none of them is a shelf jar until those are seen to.
 */
export const withOpenLids = (kept: Kept, open: number): Kept =>
  open === 0 || kept.verdict !== 'shelf'
    ? kept
    : keptAsMade(
        'fridge',
        `${open === 1 ? 'one of them has' : `${open} of them have`} not sealed: see to it at the Jar station`,
        BEST.fullSugar,
      );

/**
 * Whether jars that are kept in one way can be kept in another from now on: nothing comes back to
 * the shelf from the cold, and what was opened stays opened unless it is frozen.
 *
 * @param from where they are; null for where their batch would have them
 */
export function canGo(from: KeptIn | null, to: KeptIn | null): boolean {
  if (from === null || from === to) return true;
  return from === 'opened' ? to === 'freezer' : to !== null;
}

/**
 * The last day jars are at their best, as 2027-09-12; null where they are not kept.
 *
 * @param made the day they were made
 * @param moved the day they were put where they are; null where they never moved
 * @param addTo a day so much later, by the calendar
 */
export function lastDay(
  { spans }: Kept,
  made: string,
  moved: string | null,
  addTo: (day: string, best: Best) => string,
): string | null {
  const ends = spans.map(({ from, best }) =>
    addTo((from === 'moved' ? moved : null) ?? made, best),
  );
  return ends.sort()[0] ?? null;
}

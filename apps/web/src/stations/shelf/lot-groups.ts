import { ingredientById } from '@idle-kettle/core';
import type { LotView } from '@idle-kettle/contract';
import { KIND_WORDS } from '../../batch/words.js';

/** What jars are put together by, with what it is called. */
export const GROUPINGS = {
  none: 'no groups',
  fruit: 'by fruit',
  kind: 'by kind',
  year: 'by year',
  place: 'by place',
} as const;
export type Grouping = keyof typeof GROUPINGS;

/** Jars that are put together, and how many there are of them. */
export interface LotGroup {
  readonly name: string;
  readonly lots: readonly LotView[];
  /** Jars, part jars counted as one. */
  readonly jars: number;
}

/** What a lot is: "jam", "marmalade". */
export const kindWords = ({ kind }: Pick<LotView, 'kind'>): string =>
  kind === null ? 'kind not known yet' : (KIND_WORDS[kind as keyof typeof KIND_WORDS] ?? kind);

const nameOf: Readonly<Record<Grouping, (lot: LotView) => string>> = {
  none: () => '',
  fruit: ({ fruit }) => ingredientById(fruit ?? '')?.name[1] ?? 'other fruit',
  kind: kindWords,
  year: ({ madeOn }) => madeOn.slice(0, 4),
  place: ({ place, keptIn }) => keptIn ?? (place === '' ? 'no place' : place),
};

/** Lots in groups, each with its total: the largest first, years from the latest on. */
export function grouped(lots: readonly LotView[], by: Grouping): readonly LotGroup[] {
  const groups = new Map<string, LotView[]>();
  for (const lot of lots) {
    const name = nameOf[by](lot);
    groups.set(name, [...(groups.get(name) ?? []), lot]);
  }
  return [...groups]
    .map(([name, of]) => ({
      name,
      lots: of,
      jars: of.reduce((sum, { count }) => sum + count, 0),
    }))
    .toSorted((a, b) => (by === 'year' ? b.name.localeCompare(a.name) : b.jars - a.jars));
}

/** Whether a lot stands on the cold shelf: opened, refrigerated, frozen, or not for the shelf. */
export const isCold = ({ keptIn, keeping, partFill }: LotView): boolean =>
  keptIn !== null || partFill !== null || keeping.verdict !== 'shelf';

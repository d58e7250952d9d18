import { monthAfter, monthsUntilSeason } from '@idle-kettle/core';
import * as dates from '../../ui/dates.js';
import { fruitColour } from '../../ui/fruit-colour.js';

/** How the library is laid out. */
export const ARRANGEMENTS = {
  season: 'by season, soonest first',
  colour: 'by colour of the fruit',
  name: 'by name',
} as const;
export type Arrangement = keyof typeof ARRANGEMENTS;

/** What of a formula decides where it stands. */
export interface Arranged {
  readonly title: string;
  readonly fruit: string | undefined;
  readonly favourite: boolean;
}

export interface FormulaGroup<T> {
  /** Empty where all stand in one. */
  readonly name: string;
  readonly formulas: readonly T[];
}

/** The time of year that groups go by. */
export interface Season {
  /** 1 to 12 */
  readonly month: number;
  readonly southern: boolean;
}

const monthsUntil = ({ fruit }: Arranged, { month, southern }: Season): number =>
  fruit === undefined ? 0 : monthsUntilSeason(fruit, month, southern);

/** Reds begin here and go over 0, degrees of hue. A choice of ours, like those below. */
const RED_FROM = 325;
/** Where a colour begins, degrees of hue, with its name; before the first it is red again. */
const HUES: readonly (readonly [from: number, name: string])[] = [
  [18, 'Orange and yellow'],
  [55, 'Green'],
  [170, 'Blue and purple'],
  [RED_FROM, 'Red'],
];

/** Hue of a colour as "#5b2a55", degrees, 0 to 360. */
function hueOf(colour: string): number {
  const [r = 0, g = 0, b = 0] = [1, 3, 5].map((at) => parseInt(colour.slice(at, at + 2), 16));
  const most = Math.max(r, g, b);
  const span = most - Math.min(r, g, b);
  if (span === 0) return 0;
  if (most === r) return (60 * ((g - b) / span) + 360) % 360;
  return most === g ? 60 * ((b - r) / span) + 120 : 60 * ((r - g) / span) + 240;
}
const fruitHue = (fruit: string | undefined): number => hueOf(fruitColour(fruit, 'day'));
const hueName = (hue: number): string => HUES.findLast(([from]) => hue >= from)?.[1] ?? 'Red';

const byTitle = (a: Arranged, b: Arranged): number => a.title.localeCompare(b.title);
const byFavourite = (a: Arranged, b: Arranged): number => Number(b.favourite) - Number(a.favourite);

/** What a formula's group is called, and what groups and formulas are sorted by. */
const WAYS: Readonly<
  Record<
    Arrangement,
    {
      readonly name: (of: Arranged, season: Season) => string;
      readonly rank: (of: Arranged, season: Season) => number;
    }
  >
> = {
  season: {
    name: (formula, season) => {
      const later = monthsUntil(formula, season);
      return later === 0
        ? 'In season now'
        : `From ${dates.monthName(monthAfter(season.month, later))}`;
    },
    rank: monthsUntil,
  },
  colour: {
    name: ({ fruit }) => hueName(fruitHue(fruit)),
    // Reds on both sides of 0 stand together, first.
    rank: ({ fruit }) => (fruitHue(fruit) + 360 - RED_FROM) % 360,
  },
  name: { name: () => '', rank: () => 0 },
};

/** The formulas in groups, in the order they are read. */
export function grouped<T extends Arranged>(
  formulas: readonly T[],
  arrangement: Arrangement,
  season: Season,
): FormulaGroup<T>[] {
  const { name, rank } = WAYS[arrangement];
  const groups = new Map<string, T[]>();
  const inOrder = formulas.toSorted(
    (a, b) => rank(a, season) - rank(b, season) || byFavourite(a, b) || byTitle(a, b),
  );
  for (const formula of inOrder) {
    const of = name(formula, season);
    groups.set(of, [...(groups.get(of) ?? []), formula]);
  }
  return [...groups].map(([of, its]) => ({ name: of, formulas: its.toSorted(byFavourite) }));
}

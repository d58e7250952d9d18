import type { Sourced } from '../range/index.js';

/** How an ingredient was prepared before it was measured. */
export const FORMS = [
  'whole', 'hulled', 'pitted', 'peeled-cored', 'chopped', 'sliced', 'crushed', 'puree', 'juice', 'zest', 'peel', 'grated',
  'dried', 'frozen', 'stored', 'drained', 'as-bought',
] as const; // prettier-ignore
export type Form = (typeof FORMS)[number];

export type Category = 'fruit' | 'juice' | 'sweetener' | 'acid' | 'pectin' | 'water' | 'extra';

/** One thing that goes into the pot, per 100 g of its usual prepared form. */
export interface Ingredient {
  readonly id: string;
  readonly name: readonly [one: string, many: string];
  readonly synonyms: readonly string[];
  readonly category: Category;
  readonly usualForm: Form;
  /** Dissolved matter (sugars, acids, soluble fibre), per cent by mass. */
  readonly solubleSolidsPercent: Sourced;
  /** Matter that does not dissolve (fibre, seeds, fat), per cent by mass. */
  readonly insolubleSolidsPercent: Sourced;
  /** Share of the soluble solids that raises the boiling point like glucose and fructose do, 0 to 1; the rest acts as sucrose. */
  readonly invertShare: number;
  /** Grams in a US cup of 236.6 ml by form, heaped no further than level. */
  readonly gramsPerCup: Readonly<Partial<Record<Form, number>>>;
  /** Grams in a US cup pressed down, where it differs (brown sugar). */
  readonly gramsPerPackedCup?: number;
  /** Prepared grams that one piece gives. */
  readonly gramsEach?: Sourced;
  readonly gramsPerBox?: Sourced;
  readonly gramsPerPouch?: Sourced;
  /** Part of the bought weight lost in preparing it, per cent. */
  readonly wastePercent?: Sourced;
  /** Poured rather than heaped: a cup is sure, and "oz" may have been meant as fluid ounces. */
  readonly liquid: boolean;
}

/** Makes sourced ranges: `from('a table')(12, 10, 14)` is 12 between 10 and 14. */
export const from =
  (source: string) =>
  (mid: number, low: number, high: number): Sourced => ({ low, mid, high, source });

/** Composition of common fruits as food-composition tables give it (USDA SR Legacy and its like), from memory. */
export const fromTables = from('food-composition tables, from memory');

/** What kitchens weigh and measure; common practice, no source. */
export const fromPractice = from('common practice, no source');

/** Refuse and household-measure columns of USDA SR Legacy, from memory. */
export const fromRefuse = from('USDA SR Legacy refuse and household measures, from memory');

/** A range 5-95 % wide by a share of its middle, keeping the source. */
export const about = (
  make: (mid: number, low: number, high: number) => Sourced,
  mid: number,
  share: number,
): Sourced => make(mid, mid * (1 - share), mid * (1 + share));

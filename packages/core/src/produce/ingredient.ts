import type { Sourced } from '../range/index.js';

/** How an ingredient was prepared before it was measured. */
export const FORMS = [
  'whole',
  'hulled',
  'pitted',
  'peeled-cored',
  'chopped',
  'sliced',
  'crushed',
  'puree',
  'juice',
  'zest',
  'peel',
  'grated',
  'dried',
  'frozen',
  'stored',
  'drained',
  'as-bought',
] as const;
export type Form = (typeof FORMS)[number];

export type Category =
  'fruit' | 'vegetable' | 'juice' | 'sweetener' | 'acid' | 'pectin' | 'water' | 'extra';

/** How ripe the fruit is; it moves pectin and acid. */
export const RIPENESS = ['under-ripe', 'mixed', 'ripe', 'over-ripe'] as const;
export type Ripeness = (typeof RIPENESS)[number];

/**
 * What an ingredient may do to the keeping of a spread.
 *
 * - `acid`: its published pH stays clear of 4.6
 * - `borderline`: acid, but its published range reaches up to about 4.6
 * - `low-acid`: may reach 4.6 or more, or no published range is known: the default for everything
 * not on the acid list
 * - `neutral`: pure sugars, water, pectin, salt: dissolves and leaves the acid to the others
 * - `seasoning`: used by the spoon; beyond `seasoningShare` of the pot it counts as low-acid
 * - `refused`: not for the shelf at home in a spread at any share
 */
export type AcidClass = 'acid' | 'borderline' | 'low-acid' | 'neutral' | 'seasoning' | 'refused';

/** Acids that are reckoned with; shares are of the titratable acid, in equivalents. */
export interface AcidShares {
  readonly citric: number;
  readonly malic: number;
  readonly tartaric: number;
  readonly acetic: number;
}

export interface Acidity {
  /** Titratable acidity as citric acid, per cent by mass. */
  readonly titratablePercent: Sourced;
  readonly pH: Sourced;
  readonly shares: AcidShares;
}

/** What must be said where this ingredient is handled. */
export type Caution =
  | 'hot-pepper'
  | 'wild'
  | 'flowers'
  | 'egg'
  | 'milk'
  | 'nuts'
  | 'sulphites'
  | 'honey'
  | 'alcohol'
  | 'garlic'
  | 'leaves'
  | 'elderberry'
  | 'stones';

/** Added pectin per 100 g of the product, and how it sets. */
export interface PectinProduct {
  readonly type: 'high-methoxyl' | 'low-methoxyl';
  /** Per cent by mass at 150 grade. */
  readonly percent: Sourced;
}

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
  /** Sugars, per cent by mass; part of the soluble solids. */
  readonly sugarsPercent: Sourced;
  /**
   * Share of the soluble solids that raises the boiling point like glucose and fructose do, 0 to 1;
   * the rest acts as sucrose.
   */
  readonly invertShare: number;
  readonly acidity?: Acidity;
  /** Natural pectin that takes part in a gel, per cent by mass, ripe. */
  readonly pectinPercent?: Sourced;
  /** The same of its strained juice, where it is not a share of the fruit's. */
  readonly juicePectinPercent?: Sourced;
  /** Oxalic acid, per cent by mass: it takes calcium from a gel. */
  readonly oxalatePercent?: number;
  readonly pectinProduct?: PectinProduct;
  /** Protein of egg and milk, per cent by mass: it takes up acid. */
  readonly proteinPercent?: number;
  /** Alkali that takes up acid (hard water, baking soda), equivalents a kg. */
  readonly alkali_eqPerKg?: Sourced;
  /** Milligrams of calcium in 100 g. */
  readonly calcium_mg: number;
  readonly acidClass: AcidClass;
  /** Largest share of the pot at which a seasoning stays one, 0 to 1. */
  readonly seasoningShare?: number;
  /** Fat, per cent by mass, where it matters. */
  readonly fatPercent?: number;
  readonly cautions: readonly Caution[];
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

/** Water, per cent by mass: what the solids leave. */
export const waterPercent = (ingredient: Ingredient): number =>
  Math.max(100 - ingredient.solubleSolidsPercent.mid - ingredient.insolubleSolidsPercent.mid, 0);

/** Makes sourced ranges: `from('a table')(12, 10, 14)` is 12 between 10 and 14. */
export const from =
  (source: string) =>
  (mid: number, low: number, high: number): Sourced => ({ low, mid, high, source });

/**
 * Composition of common fruits as food-composition tables give it (USDA SR Legacy and its like),
 * from memory.
 */
export const fromTables = from('food-composition tables, from memory');

/** What kitchens weigh and measure; common practice, no source. */
export const fromPractice = from('common practice, no source');

/** Refuse and household-measure columns of USDA SR Legacy, from memory. */
export const fromRefuse = from('USDA SR Legacy refuse and household measures, from memory');

/**
 * Published pH ranges: FDA, approximate pH of foods; where it is silent, fruit-processing
 * handbooks. From memory.
 */
export const fromPhList = from(
  'FDA, approximate pH of foods, and fruit-processing handbooks, from memory',
);

/** Typical pectin and acid of fruit in pectin and fruit-processing handbooks, from memory. */
export const fromHandbooks = from(
  'pectin and fruit-processing handbooks, typical values, from memory',
);

/** A range 5-95 % wide by a share of its middle, keeping the source. */
export const about = (
  make: (mid: number, low: number, high: number) => Sourced,
  mid: number,
  share: number,
): Sourced => make(mid, mid * (1 - share), mid * (1 + share));

/**
 * Acid mixtures of common produce, shares of the titratable acid. Fruit-processing handbooks, from
 * memory.
 */
export const ACIDS = {
  citric: { citric: 0.95, malic: 0.05, tartaric: 0, acetic: 0 },
  malic: { citric: 0.05, malic: 0.95, tartaric: 0, acetic: 0 },
  mostlyCitric: { citric: 0.8, malic: 0.2, tartaric: 0, acetic: 0 },
  mostlyMalic: { citric: 0.2, malic: 0.8, tartaric: 0, acetic: 0 },
  both: { citric: 0.5, malic: 0.5, tartaric: 0, acetic: 0 },
  grape: { citric: 0.05, malic: 0.4, tartaric: 0.55, acetic: 0 },
  tartaric: { citric: 0, malic: 0, tartaric: 1, acetic: 0 },
  pureCitric: { citric: 1, malic: 0, tartaric: 0, acetic: 0 },
  acetic: { citric: 0, malic: 0, tartaric: 0, acetic: 1 },
} as const satisfies Record<string, AcidShares>;

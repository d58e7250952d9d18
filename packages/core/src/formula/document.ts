import type { Decimal } from '../quantity/index.js';
import type { Form } from '../produce/index.js';

/** The kinds of preserve. */
export const KINDS = [
  'jam',
  'jelly',
  'marmalade',
  'conserve',
  'fruit-butter',
  'jellied-sauce',
  'savoury-jelly',
  'curd',
  'syrup',
] as const;
export type Kind = (typeof KINDS)[number];

/** The ways to a set. */
export const METHODS = [
  'long-boil',
  'powdered-pectin',
  'liquid-pectin',
  'calcium-pectin',
  'jam-sugar',
  'no-gel',
  'egg',
] as const;
export type Method = (typeof METHODS)[number];

const GELLED = [
  'long-boil',
  'powdered-pectin',
  'liquid-pectin',
  'calcium-pectin',
  'jam-sugar',
] as const satisfies Method[];

/** Which ways to a set go with which kind. */
export const METHODS_OF_KIND: Readonly<Record<Kind, readonly Method[]>> = {
  jam: GELLED,
  jelly: GELLED,
  marmalade: GELLED,
  conserve: GELLED,
  'jellied-sauce': GELLED,
  'savoury-jelly': GELLED,
  'fruit-butter': ['no-gel', 'calcium-pectin'],
  syrup: ['no-gel', 'calcium-pectin'],
  curd: ['egg'],
};

export const FINISHES = [
  'gel-temperature',
  'soluble-solids',
  'hard-boil',
  'weight',
  'consistency',
  'curd',
] as const;
export type FinishType = (typeof FINISHES)[number];

/** The finishes a method is usually cooked to; another is computed with a warning. Common practice. */
export const USUAL_FINISHES: Readonly<Record<Method, readonly FinishType[]>> = {
  'long-boil': ['gel-temperature', 'soluble-solids', 'weight'],
  'powdered-pectin': ['hard-boil'],
  'liquid-pectin': ['hard-boil'],
  'calcium-pectin': ['hard-boil'],
  'jam-sugar': ['hard-boil'],
  'no-gel': ['consistency', 'soluble-solids', 'weight'],
  egg: ['curd'],
};

export interface CustomComposition {
  solubleSolidsPercent: number;
  insolubleSolidsPercent?: number;
  densityKgPerM3?: number;
}

export interface FormulaLine {
  /** An ingredient id; what a person typed is kept here too, until it is understood. */
  ingredient?: string;
  /** An ingredient of one's own, in place of `ingredient`. */
  name?: string;
  composition?: CustomComposition;
  form?: Form;
  /** As written: "2 1/2 cups". */
  amount: string | { value: number; unit: string };
  overrides?: { solubleSolidsPercent?: number };
}

export interface DocumentFinish {
  type: FinishType;
  /** Above boiling water, such as "8 F"; for `gel-temperature`. */
  rise?: string;
  /** Soluble solids; for `soluble-solids` and `consistency`. */
  percent?: number;
  /** For `hard-boil`. */
  minutes?: number;
  /** Of the finished pot, such as "1.7 kg"; for `weight`. */
  mass?: string;
}

export interface DocumentJar {
  size: string;
  headspace?: string;
  count?: number;
}

/** The open formula document. */
export interface FormulaDocument {
  format: 'idle-kettle/formula';
  version: 1;
  title: string;
  kind: Kind;
  method: Method;
  decimal?: Decimal;
  lines: FormulaLine[];
  finish: DocumentFinish;
  place?: { altitude?: string; pressure?: string; boilingPoint?: string };
  jars: DocumentJar[];
  notes?: string;
}

/** A formula with nothing in the pot yet. */
export const emptyFormula = (title: string, jarSize = 'half-pint'): FormulaDocument => ({
  format: 'idle-kettle/formula',
  version: 1,
  title,
  kind: 'jam',
  method: 'long-boil',
  lines: [],
  finish: { type: 'gel-temperature' },
  jars: [{ size: jarSize }],
});

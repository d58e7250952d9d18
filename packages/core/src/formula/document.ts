import type { Form, Ripeness } from '../produce/index.js';
import type { Decimal, Measures } from '../quantity/index.js';

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

/**
 * The finishes a method is usually cooked to; another is computed with a warning. Common practice.
 */
export const USUAL_FINISHES: Readonly<Record<Method, readonly FinishType[]>> = {
  'long-boil': ['gel-temperature', 'soluble-solids', 'weight'],
  'powdered-pectin': ['hard-boil'],
  'liquid-pectin': ['hard-boil'],
  'calcium-pectin': ['hard-boil'],
  'jam-sugar': ['hard-boil'],
  'no-gel': ['consistency', 'soluble-solids', 'weight'],
  egg: ['curd'],
};

/** When something goes into the pot, in the order of the boil. */
export const STAGES = [
  'start',
  'skins-soft',
  'before-sugar',
  'full-boil',
  'after-sugar',
  'near-end',
  'off-heat',
] as const;
export type Stage = (typeof STAGES)[number];

/** Main acid of an ingredient of one's own. */
export const MAIN_ACIDS = ['citric', 'malic', 'tartaric', 'acetic'] as const;
export type MainAcid = (typeof MAIN_ACIDS)[number];

export interface CustomComposition {
  solubleSolidsPercent: number;
  insolubleSolidsPercent?: number;
  pH?: number;
  titratableAcidityPercent?: number;
  acid?: MainAcid;
  pectinPercent?: number;
  densityKgPerM3?: number;
}

/**
 * Measured values that beat the table for set and yield; for keeping they can only make the verdict
 * worse.
 */
export interface Overrides {
  solubleSolidsPercent?: number;
  pH?: number;
  titratableAcidityPercent?: number;
  pectinPercent?: number;
}

export interface FormulaLine {
  /** An ingredient id; what a person typed is kept here too, until it is understood. */
  ingredient?: string;
  /** An ingredient of one's own, in place of `ingredient`. */
  name?: string;
  composition?: CustomComposition;
  form?: Form;
  ripeness?: Ripeness;
  /** Of the fruit, in the maker's words; it changes nothing that is computed. */
  variety?: string;
  /** The words of the recipe that this ingredient was picked for, where the table does not know them. */
  writtenAs?: string;
  /** When it goes in, where that is not the usual time of the method. */
  goesIn?: Stage;
  /** As written: "2 1/2 cups". */
  amount: string | { value: number; unit: string };
  /** A second amount given for the same line ("3 lb, about 6 cups"), audited against the first. */
  alsoStated?: string;
  overrides?: Overrides;
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
  /** For `curd`: "170 F" unless given. */
  temperature?: string;
}

export interface DocumentJar {
  size: string;
  headspace?: string;
  count?: number;
}

/** How the filled jars are treated. */
export const PROCESSINGS = ['boiling-water', 'steam', 'hot-fill', 'none'] as const;
export type Processing = (typeof PROCESSINGS)[number];

/**
 * A tested formula, attested by the maker. Set by a person, dropped by import, void after any edit.
 */
export interface TestedSource {
  publisher: string;
  year: number;
  unchanged: boolean;
  /** Fingerprint of the formula when it was attested; see `fingerprint`. */
  of?: string;
}

/** An equilibrium pH measured in this very batch; void after any edit. Dates as "2026-11-23". */
export interface MeasuredPH {
  value: number;
  meterCalibratedOn: string;
  measuredOn: string;
  /** Fingerprint of the formula as it was made when the pH was taken; see `fingerprint`. */
  of?: string;
}

/** The open formula document. */
export interface FormulaDocument {
  format: 'idle-kettle/formula';
  version: 1;
  title: string;
  kind: Kind;
  method: Method;
  decimal?: Decimal;
  /** Whose cups, spoons and pints the amounts are in; US ones unless said. */
  measures?: Measures;
  lines: FormulaLine[];
  finish: DocumentFinish;
  place?: { altitude?: string; pressure?: string; boilingPoint?: string };
  jars: DocumentJar[];
  processing?: Processing;
  preSterilised?: boolean;
  /** Minutes the maker asks for; less than the table's is refused. */
  processMinutes?: number;
  testedSource?: TestedSource;
  measuredPH?: MeasuredPH;
  /** What the recipe claims, such as "6 half-pint"; audited. */
  statedYield?: string;
  notes?: string;
  steps?: string[];
  /** Lines of the recipe that a person said are no food; named in the verdict. */
  leftOut?: string[];
}

/**
 * The document as it is made in a kitchen: there the kitchen's own place holds, not the one it was
 * written for.
 */
export function withoutPlace<D extends FormulaDocument>(document: D): D {
  const made = { ...document };
  delete made.place;
  return made;
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

/**
 * What a tested formula consists of, as one short text: kind, method, lines, finish, jars and
 * processing. Any edit of them changes it, so an attestation that carries it is void after the
 * edit. Title and notes are free.
 */
export function fingerprint(document: FormulaDocument): string {
  const {
    kind,
    method,
    lines,
    finish,
    jars,
    processing = 'boiling-water',
    preSterilised = false,
  } = document;
  const told = JSON.stringify([
    kind,
    method,
    lines.map(({ ingredient, name, form, ripeness, amount, composition, overrides }) => [
      ingredient,
      name,
      form,
      ripeness,
      amount,
      composition,
      overrides,
    ]),
    finish,
    jars.map(({ size, headspace }) => [size, headspace]),
    processing,
    preSterilised,
  ]);
  // FNV-1a over both halves of the text: an honest slip is caught, it is no seal against forgery.
  let low = 0x811c9dc5;
  let high = 0x01000193;
  for (let i = 0; i < told.length; i++) {
    low = Math.imul(low ^ told.charCodeAt(i), 0x01000193) >>> 0;
    high = Math.imul(high ^ (told.charCodeAt(i) + i), 0x85ebca6b) >>> 0;
  }
  return low.toString(16).padStart(8, '0') + high.toString(16).padStart(8, '0');
}

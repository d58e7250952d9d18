import type { Form, JuiceMethod, Ripeness } from '../produce/index.js';
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
export const ADD_WHEN = [
  'start',
  'skins-soft',
  'before-sugar',
  'full-boil',
  'after-sugar',
  'near-end',
  'off-heat',
] as const;
export type AddWhen = (typeof ADD_WHEN)[number];

/** What a batch stands on or in while it cooks. */
export const WHERE_COOKED = [
  'burner',
  'oven',
  'slow-cooker',
  'outdoor-burner',
  'double-boiler',
] as const;
export type WhereCooked = (typeof WHERE_COOKED)[number];
export const LIDS = ['on', 'ajar', 'off'] as const;
export type Lid = (typeof LIDS)[number];
/** From "hardly moves" to a full rolling boil. */
export const HEATS = ['low', 'simmer', 'high', 'fast'] as const;
export type Heat = (typeof HEATS)[number];
/** What is done to the contents before a stage. */
export const STAGE_WORK = ['blend', 'sieve', 'mill'] as const;
export type StageWork = (typeof STAGE_WORK)[number];

/** One stage of a cook: where it stands, how its lid lies, how hot, and how long or until what. */
export interface DocumentStage {
  where?: WhereCooked;
  lid?: Lid;
  heat?: Heat;
  /** Done before it goes on. */
  work?: StageWork;
  /** "10 h", "8-10 hours", "overnight". */
  time?: string;
  /** "2.1 kg", "7 pints", "down by a third", "soft", or "done": where the formula finishes. */
  until?: string;
  /** Water lost there, as weighed in this kitchen, "150 g/h". */
  loss?: string;
}

/** How the sugar goes in once the skins are soft: all of it, a part at a time, or warmed before. */
export const SUGAR_IN = ['at-once', 'by-degrees', 'warmed'] as const;
export type SugarIn = (typeof SUGAR_IN)[number];

/** What a fruit gives instead of going in itself. */
export const GIVES = ['juice'] as const;
export type Gives = (typeof GIVES)[number];

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

/** A spread that was made earlier and is cooked again: what went into it, and what came of that. */
export interface MadeOf {
  /** What the lines came to: "1.4 kg". */
  mass: string;
  lines: FormulaLine[];
  /** Id of the batch it was. */
  batch?: string;
}

export interface FormulaLine {
  /** An ingredient id; what a person typed is saved here too, until it is understood. */
  ingredient?: string;
  /** An ingredient of one's own, in place of `ingredient`. */
  name?: string;
  composition?: CustomComposition;
  /** What an ingredient of one's own was made of; storage goes by that. */
  madeOf?: MadeOf;
  form?: Form;
  ripeness?: Ripeness;
  /** Of the fruit, in the maker's words; it changes nothing that is computed. */
  variety?: string;
  /** The words of the recipe that this ingredient was picked for, where the table does not know them. */
  writtenAs?: string;
  /** When it goes in, where that is not the usual time of the method. */
  goesIn?: AddWhen;
  /** Only what it gives goes into the pot: its juice, simmered and strained. */
  gives?: Gives;
  /** The stage at whose start it goes in, 1 and up; with the first unless said. */
  stage?: number;
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
  /** For `curd`: "170 F" unless given; for `gel-temperature`: where to stop, in place of a rise. */
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

/** Who may have tested a formula; of the last nobody is a laboratory. */
export const SOURCE_KINDS = [
  'food-authority',
  'extension-service',
  'pectin-or-jar-maker',
  'other',
] as const;
export type SourceKind = (typeof SOURCE_KINDS)[number];

/** How a tested formula has its jars processed. */
export const SOURCE_METHODS = ['boiling-water', 'steam'] as const;
export type SourceMethod = (typeof SOURCE_METHODS)[number];

/**
 * A tested formula, attested by the maker, with its own jar, minutes and method. Set by a person,
 * dropped by import, void after any edit. The short form, a publisher and a year, stays readable and
 * grants nothing.
 */
export interface TestedSource {
  kind?: SourceKind;
  title?: string;
  year: number;
  /** Page or address. */
  page?: string;
  /** A jar size of the table. */
  jar?: string;
  minutes?: number;
  method?: SourceMethod;
  unchanged: boolean;
  /** Fingerprint of the pot when it was attested; see `fingerprint`. */
  of?: string;
  /** Of the short form. */
  publisher?: string;
}

/**
 * A measured pH that a document tells of. It can only refuse: what counts is measured in the batch and
 * logged there. Dates as "2026-11-23".
 */
export interface MeasuredPH {
  value: number;
  meterCalibratedOn: string;
  measuredOn: string;
  /** Of older documents; nothing follows from it. */
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
  /** How the juice of lines that give theirs is won; dripped unless said. */
  juiceBy?: JuiceMethod;
  /** How the sugar goes in; all at once unless said. */
  sugarIn?: SugarIn;
  /** What is in the pan before the sugar, as it was measured, "18 cups": ratios of it wait for it. */
  mixture?: string;
  finish: DocumentFinish;
  /** How it cooks, stage by stage; the last one ends at the finish unless it has a time. */
  stages?: DocumentStage[];
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

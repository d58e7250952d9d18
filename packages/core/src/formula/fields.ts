import { JAR_SIZES } from '../jars/index.js';
import { FORMS, JUICE_METHODS, RIPENESS } from '../produce/index.js';
import { MEASURES } from '../quantity/index.js';
import {
  SOURCE_KINDS,
  SOURCE_METHODS,
  FINISHES,
  GIVES,
  KINDS,
  MAIN_ACIDS,
  METHODS,
  PROCESSINGS,
  ADD_WHEN,
  WHERE_COOKED,
  HEATS,
  LIDS,
  STAGE_WORK,
  SUGAR_IN,
  type CustomComposition,
  type DocumentFinish,
  type DocumentJar,
  type DocumentStage,
  type FormulaDocument,
  type FormulaLine,
  type MadeOf,
  type MeasuredPH,
  type Overrides,
  type TestedSource,
} from './document.js';

/** What a field of the formula document may hold. Lengths in characters, both ends allowed. */
export type Field = {
  /** What it is, for the printed schema. */
  readonly description?: string;
  /** The document is not whole without it. */
  readonly required?: true;
  /**
   * The wire takes what is beyond the limits or the choices, so that what is typed bit by bit is
   * kept; it is a problem of the document then.
   */
  readonly lenient?: true;
} & (
  | {
      readonly type: 'text';
      readonly least?: number;
      readonly most: number;
      readonly write: string;
    }
  | {
      readonly type: 'number';
      readonly least: number;
      readonly most: number;
      /** The least value itself is too little. */
      readonly above?: true;
      readonly whole?: true;
      readonly write: string;
    }
  | { readonly type: 'choice'; readonly of: readonly string[] }
  | { readonly type: 'yes-no'; readonly write: string }
  | { readonly type: 'day' }
  | { readonly type: 'constant'; readonly value: string | number; readonly write: string }
  /** A number and a unit, as text or as `{ value, unit }`. */
  | { readonly type: 'amount'; readonly most: number; readonly write: string }
  | { readonly type: 'object'; readonly of: Part; readonly write: string }
  | { readonly type: 'list'; readonly of: Part; readonly most: number; readonly write: string }
  | {
      readonly type: 'texts';
      /** Most texts, and most characters of one. */
      readonly most: number;
      readonly mostEach: number;
      readonly write: string;
    }
);

/** The objects a document is made of, by the type each has here. */
interface Parts {
  readonly document: FormulaDocument;
  readonly line: FormulaLine;
  readonly composition: CustomComposition;
  readonly madeOf: MadeOf;
  readonly overrides: Overrides;
  readonly finish: DocumentFinish;
  readonly stage: DocumentStage;
  readonly place: NonNullable<FormulaDocument['place']>;
  readonly jar: DocumentJar;
  readonly testedSource: TestedSource;
  readonly measuredPH: MeasuredPH;
}
export type Part = keyof Parts;
export type FieldsOf<P extends Part> = Readonly<Record<keyof Parts[P], Field>>;

const percent = {
  type: 'number',
  least: 0,
  most: 100,
  write: 'write a per cent from 0 to 100',
} as const satisfies Field;
/** Nothing in a kitchen is sharper, and nothing in a spread is further from it. */
const pH = {
  type: 'number',
  least: 1.5,
  most: 9,
  write: 'write a pH from 1.5 to 9',
} as const satisfies Field;
/** One measured value with its unit. */
const MEASURE_LENGTH = 20;
const AMOUNT_LENGTH = 80;
const fingerprint = {
  type: 'text',
  most: 32,
  write: 'write the fingerprint as text',
} as const satisfies Field;

/**
 * Every field of the formula document with its limits: the one description of it. The JSON Schema
 * is printed from it, the wire class takes its rules from it, and the reader its limits; a field of
 * the types that is missing here does not compile.
 */
export const FORMULA_FIELDS = {
  document: {
    format: {
      type: 'constant',
      value: 'idle-kettle/formula',
      write: 'write "idle-kettle/formula"',
    },
    version: { type: 'constant', value: 1, write: 'only version 1 is known' },
    title: {
      type: 'text',
      least: 1,
      most: 120,
      description: 'what the jar is called',
      write: 'write a title',
    },
    kind: { type: 'choice', of: KINDS, required: true },
    method: { type: 'choice', of: METHODS, required: true },
    decimal: { type: 'choice', of: ['.', ','] },
    measures: { type: 'choice', of: MEASURES },
    lines: {
      type: 'list',
      of: 'line',
      most: 200,
      required: true,
      write: 'write a list of lines',
    },
    juiceBy: {
      type: 'choice',
      of: JUICE_METHODS,
      description: 'how the juice of lines that give theirs is won; drip unless said',
    },
    sugarIn: {
      type: 'choice',
      of: SUGAR_IN,
      description: 'how the sugar goes in once the skins are soft; at once unless said',
    },
    mixture: {
      type: 'text',
      most: MEASURE_LENGTH * 2,
      description: 'what is in the pan before the sugar, as measured: "18 cups"',
      write: 'write how much it measures, such as "18 cups" or "4.2 l"',
    },
    finish: {
      type: 'object',
      of: 'finish',
      required: true,
      write: 'write how it is finished, such as { "type": "gel-temperature" }',
    },
    stages: {
      type: 'list',
      of: 'stage',
      most: 12,
      description: 'how it cooks, one after the other; the last ends at the finish or by its time',
      write:
        'write a list of stages, such as [{ "where": "slow-cooker", "lid": "on", "time": "10 h" }]',
    },
    place: { type: 'object', of: 'place', write: 'write { "altitude": "310 m" }' },
    jars: {
      type: 'list',
      of: 'jar',
      most: 20,
      write: 'write a list of sizes, such as [{ "size": "half-pint" }]',
    },
    processing: { type: 'choice', of: PROCESSINGS },
    preSterilised: { type: 'yes-no', write: 'write true or false' },
    processMinutes: {
      type: 'number',
      least: 0,
      most: 240,
      description: 'minutes the maker asks for; less than the table is refused',
      write: 'write minutes, from 0 to 240',
    },
    testedSource: {
      type: 'object',
      of: 'testedSource',
      description: 'set by a person, dropped by import, void after any edit',
      write:
        'write { "kind", "title", "year", "page", "jar", "minutes", "method", "unchanged": true }',
    },
    measuredPH: {
      type: 'object',
      of: 'measuredPH',
      write: 'write { "value", "meterCalibratedOn", "measuredOn" }',
    },
    statedYield: {
      type: 'text',
      most: 60,
      description: '"6 half-pint"; audited',
      write: 'write a yield such as "6 half-pint"',
    },
    notes: {
      type: 'text',
      most: 10_000,
      description: 'free text',
      write: 'write notes as text',
    },
    steps: {
      type: 'texts',
      most: 200,
      mostEach: 1000,
      description: 'one step',
      write: 'write each step as text',
    },
    leftOut: {
      type: 'texts',
      most: 50,
      mostEach: 200,
      description: 'a line of the recipe that a person said is no food',
      write: 'write each line as text',
    },
  },
  line: {
    ingredient: {
      type: 'text',
      most: 120,
      description: 'an id such as "blackcurrant", or its name',
      write: 'write the ingredient as text',
    },
    name: {
      type: 'text',
      most: 80,
      description: 'an ingredient of your own',
      write: 'write the name as text',
    },
    composition: { type: 'object', of: 'composition', write: 'write its composition' },
    madeOf: {
      type: 'object',
      of: 'madeOf',
      description: 'of a spread that is cooked again: what went into it',
      write: 'write what it was made of: { "mass", "lines" }',
    },
    form: { type: 'choice', of: FORMS },
    ripeness: { type: 'choice', of: RIPENESS },
    variety: {
      type: 'text',
      most: 60,
      description: 'of the fruit, in your words',
      write: 'write the variety as text',
    },
    writtenAs: {
      type: 'text',
      most: 120,
      description:
        'the words an unknown ingredient was picked for; such a line is not for the shelf',
      write: 'write the words as text',
    },
    goesIn: {
      type: 'choice',
      of: ADD_WHEN,
      description: 'when it goes in, where that is not the usual time',
    },
    gives: {
      type: 'choice',
      of: GIVES,
      description: 'only its juice goes into the pan, simmered with the water and strained',
    },
    stage: {
      type: 'number',
      whole: true,
      least: 1,
      most: 12,
      description: 'the stage at whose start it goes in; the first unless said',
      write: 'write the number of a stage, 1 for the first',
    },
    amount: {
      type: 'amount',
      most: AMOUNT_LENGTH,
      required: true,
      description: 'a number and a unit: "2 1/2 cups", "1.2 kg", "about 11 medium"',
      write: 'write the amount as text with its unit, such as "1.2 kg"',
    },
    alsoStated: {
      type: 'text',
      most: AMOUNT_LENGTH,
      description: 'a second amount for the same line; audited',
      write: 'write a second amount as text, such as "6 cups"',
    },
    overrides: {
      type: 'object',
      of: 'overrides',
      write: 'write measured values, such as { "pH": 3.4 }',
    },
  },
  madeOf: {
    mass: {
      type: 'text',
      most: MEASURE_LENGTH,
      required: true,
      description: 'what the lines came to, "1.4 kg"',
      write: 'write a mass such as "1.4 kg"',
    },
    lines: {
      type: 'list',
      of: 'line',
      most: 60,
      required: true,
      write: 'write a list of { "ingredient", "amount" }',
    },
    batch: {
      type: 'text',
      most: 36,
      description: 'the id of the batch it was',
      write: 'write the id of a batch',
    },
  },
  composition: {
    solubleSolidsPercent: { ...percent, required: true },
    insolubleSolidsPercent: percent,
    pH,
    titratableAcidityPercent: percent,
    acid: { type: 'choice', of: MAIN_ACIDS },
    pectinPercent: percent,
    densityKgPerM3: {
      type: 'number',
      least: 50,
      most: 2500,
      lenient: true,
      write: 'write kilograms per cubic metre from 50 to 2500',
    },
  },
  overrides: {
    solubleSolidsPercent: percent,
    pH,
    titratableAcidityPercent: percent,
    pectinPercent: percent,
  },
  finish: {
    type: { type: 'choice', of: FINISHES, required: true },
    rise: {
      type: 'text',
      most: MEASURE_LENGTH,
      description: 'above boiling water, "8 F"; for gel-temperature',
      write: 'write a rise such as "8 F"',
    },
    percent: {
      type: 'number',
      least: 10,
      most: 85,
      lenient: true,
      write: 'write a per cent from 10 to 85',
    },
    minutes: {
      type: 'number',
      least: 0,
      above: true,
      most: 30,
      lenient: true,
      write: 'write the minutes of hard boil, up to 30',
    },
    mass: {
      type: 'text',
      most: MEASURE_LENGTH,
      description: '"1.7 kg"; for weight',
      write: 'write a weight such as "1.7 kg"',
    },
    temperature: {
      type: 'text',
      most: MEASURE_LENGTH,
      description: '"170 F" for curd; for gel-temperature where to stop, in place of a rise',
      write: 'write a temperature such as "170 F"',
    },
  },
  stage: {
    where: { type: 'choice', of: WHERE_COOKED },
    lid: { type: 'choice', of: LIDS },
    heat: { type: 'choice', of: HEATS },
    work: { type: 'choice', of: STAGE_WORK, description: 'done before it goes on' },
    time: {
      type: 'text',
      most: MEASURE_LENGTH * 2,
      description: '"10 h", "8-10 hours", "overnight"',
      write: 'write a length of time such as "10 h"',
    },
    until: {
      type: 'text',
      most: AMOUNT_LENGTH,
      description: '"2.1 kg", "7 pints", "down by a third", "soft", "done"',
      write: 'write "done", a weight, a volume, "down by a third" or "soft"',
    },
    loss: {
      type: 'text',
      most: MEASURE_LENGTH,
      description: 'water lost there, as weighed in this kitchen, "150 g/h"',
      write: 'write grams an hour, such as "150 g/h"',
    },
  },
  place: {
    altitude: {
      type: 'text',
      most: MEASURE_LENGTH,
      description:
        'height above the sea, "310 m" or "3870 ft"; the process band comes from it alone',
      write: 'write a height such as "310 m"',
    },
    pressure: {
      type: 'text',
      most: MEASURE_LENGTH,
      description: 'station pressure, "842 hPa"',
      write: 'write a pressure such as "842 hPa"',
    },
    boilingPoint: {
      type: 'text',
      most: MEASURE_LENGTH,
      description: 'boiling water on the thermometer in use, "201.5 F"',
      write: 'write a temperature such as "201.5 F"',
    },
  },
  jar: {
    size: {
      type: 'choice',
      of: JAR_SIZES.map(({ id }) => id),
      required: true,
      lenient: true,
    },
    headspace: {
      type: 'text',
      most: MEASURE_LENGTH,
      description: '"1/4 in" or "6 mm"',
      write: 'write a headspace such as "1/4 in"',
    },
    count: {
      type: 'number',
      whole: true,
      least: 0,
      most: 10_000,
      write: 'write how many jars of this size there are, a whole number up to 10,000',
    },
  },
  testedSource: {
    kind: {
      type: 'choice',
      of: SOURCE_KINDS,
      description: 'who tested it; "other" never grants',
    },
    title: { type: 'text', least: 1, most: 120, write: 'write the title it was published under' },
    year: {
      type: 'number',
      whole: true,
      least: 1900,
      most: 2099,
      required: true,
      write: 'write the year it was published',
    },
    page: { type: 'text', least: 1, most: 200, write: 'write its page or address' },
    jar: { type: 'text', least: 1, most: 20, write: 'write its jar size, such as "half-pint"' },
    minutes: { type: 'number', least: 1, most: 240, write: 'write its minutes, 1 to 240' },
    method: { type: 'choice', of: SOURCE_METHODS },
    publisher: {
      type: 'text',
      least: 1,
      most: 120,
      description: 'of the short form, which grants nothing',
      write: 'write who published it',
    },
    unchanged: {
      type: 'yes-no',
      required: true,
      write: 'write true when it is made unchanged',
    },
    of: { ...fingerprint, description: 'fingerprint of the pan when it was attested' },
  },
  measuredPH: {
    value: { ...pH, required: true },
    meterCalibratedOn: { type: 'day', required: true },
    measuredOn: { type: 'day', required: true },
    of: { ...fingerprint, description: 'fingerprint of the formula when it was measured' },
  },
} as const satisfies { readonly [P in Part]: FieldsOf<P> };

/** The limits of a number field, both allowed unless the field says otherwise. */
export interface Limits {
  readonly least: number;
  readonly most: number;
}

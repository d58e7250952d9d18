import { parseAmount, type Decimal, type WritingHabit } from '../quantity/index.js';
import { findJar, type JarSize } from '../jars/index.js';
import {
  PROCESSINGS,
  SOURCE_KINDS,
  SOURCE_METHODS,
  type MeasuredPH,
  type Processing,
  type SourceMethod,
  type TestedSource,
} from './document.js';
import { FORMULA_FIELDS } from './fields.js';
import { isObject, quoted, type Json, type Reader } from './reader.js';

/** A tested formula with everything it must say. */
export interface Attestation {
  readonly title: string;
  readonly year: number;
  readonly page: string;
  readonly jar: JarSize;
  readonly minutes: number;
  readonly method: SourceMethod;
  /** Fingerprint of the pot when it was attested. */
  readonly of: string | undefined;
}

/** What the document says of itself, to be audited or to be believed only within its rules. */
export interface Claims {
  readonly processing: Processing;
  readonly preSterilised: boolean;
  /** Minutes the maker asks for. */
  readonly processMinutes: number | undefined;
  /** A whole attestation, of this very pot. */
  readonly testedSource: Attestation | undefined;
  /** Why an attestation in the document does not count. */
  readonly testedSourceVoid: string | undefined;
  /** It can only make the verdict worse. */
  readonly measuredPH: MeasuredPH | undefined;
  readonly statedYield: { readonly count: number; readonly jar: JarSize } | undefined;
}

/**
 * Earliest year of tested formulas that are still current: the US guide was rewritten in 1988 and
 * 1994. Common practice.
 */
const EARLIEST_TESTED = 1988;
const DAY = /^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/;

export function readClaims(reader: Reader, doc: Json): Claims {
  const processing: Processing =
    doc.processing === undefined
      ? 'boiling-water'
      : reader.oneOf('processing', doc.processing, PROCESSINGS, 'none');
  if (doc.preSterilised !== undefined && typeof doc.preSterilised !== 'boolean')
    reader.problem(
      'preSterilised',
      `${quoted(doc.preSterilised)}: ${FORMULA_FIELDS.document.preSterilised.write}`,
    );
  const processMinutes = reader.optionalNumber(
    'processMinutes',
    doc.processMinutes,
    FORMULA_FIELDS.document.processMinutes,
  );
  return {
    processing,
    preSterilised: doc.preSterilised === true,
    processMinutes,
    ...readTestedSource(reader, doc),
    measuredPH: readMeasuredPH(reader, doc.measuredPH),
    statedYield: readStatedYield(reader, doc.statedYield),
  };
}

function readTestedSource(
  reader: Reader,
  doc: Json,
): Pick<Claims, 'testedSource' | 'testedSourceVoid'> {
  const value = doc.testedSource;
  const no = (why: string | undefined): Pick<Claims, 'testedSource' | 'testedSourceVoid'> => ({
    testedSource: undefined,
    testedSourceVoid: why,
  });
  if (value === undefined || value === null) return no(undefined);
  if (!isObject(value)) {
    reader.problem(
      'testedSource',
      `${quoted(value)}: ${FORMULA_FIELDS.document.testedSource.write}`,
    );
    return no(undefined);
  }
  const why = whyNoSource(value);
  if (why !== undefined) return no(why);
  const { title, year, page, jar, minutes, method, of } = value as unknown as TestedSource;
  const size = jar === undefined ? undefined : findJar(jar);
  if (!size) return no('it does not say in which jar it was tested');
  return {
    testedSource: {
      title: cut(title, FORMULA_FIELDS.testedSource.title.most),
      year,
      page: cut(page, FORMULA_FIELDS.testedSource.page.most),
      jar: size,
      minutes: minutes ?? 0,
      method: method ?? 'boiling-water',
      of,
    },
    testedSourceVoid: undefined,
  };
}

const cut = (text: string | undefined, most: number): string => (text ?? '').trim().slice(0, most);
const isWritten = (value: unknown): boolean =>
  typeof value === 'string' && value.trim().length >= 3;

/** What an attestation must say, each with what is wrong where it does not. */
const SOURCE_RULES: readonly (readonly [ok: (source: Json) => boolean, why: string])[] = [
  [
    ({ kind }) => SOURCE_KINDS.some((each) => each === kind),
    'it does not say who tested it: a food authority, an extension service, or the laboratory of a maker of pectin or jars',
  ],
  [
    ({ kind }) => kind !== 'other',
    'family, friends, a web log or a book without a laboratory are no tested source',
  ],
  [({ title }) => isWritten(title), 'it names no title'],
  [
    ({ year }) =>
      typeof year === 'number' &&
      Number.isInteger(year) &&
      year >= EARLIEST_TESTED &&
      year <= FORMULA_FIELDS.testedSource.year.most,
    `it names no year from ${EARLIEST_TESTED} on`,
  ],
  [
    ({ page }) => isWritten(page) || (typeof page === 'string' && /\d/.test(page)),
    'it names no page or address',
  ],
  [
    ({ jar }) => typeof jar === 'string' && findJar(jar) !== undefined,
    'it does not say in which jar it was tested',
  ],
  [
    ({ minutes }) =>
      typeof minutes === 'number' &&
      minutes >= 1 &&
      minutes <= FORMULA_FIELDS.testedSource.minutes.most,
    'it does not say for how many minutes it is processed',
  ],
  [
    ({ method }) => SOURCE_METHODS.some((each) => each === method),
    'it does not say whether it is processed in boiling water or steam',
  ],
  [({ unchanged }) => unchanged === true, 'it is not attested as made unchanged'],
];

/** Why an attestation is not whole, or undefined. */
const whyNoSource = (source: Json): string | undefined =>
  SOURCE_RULES.find(([ok]) => !ok(source))?.[1];

/** The claims of a pot that is computed: an attestation of another one is void. */
export function claimsOf(claims: Claims, fingerprintOfPot: () => string): Claims {
  const { testedSource } = claims;
  if (testedSource?.of === undefined || testedSource.of === fingerprintOfPot()) return claims;
  return {
    ...claims,
    testedSource: undefined,
    testedSourceVoid: 'the formula was edited after it was attested',
  };
}

function readMeasuredPH(reader: Reader, value: unknown): MeasuredPH | undefined {
  if (value === undefined || value === null) return undefined;
  if (!isObject(value)) {
    reader.problem('measuredPH', `${quoted(value)}: ${FORMULA_FIELDS.document.measuredPH.write}`);
    return undefined;
  }
  const pH = reader.number('measuredPH.value', value.value, FORMULA_FIELDS.measuredPH.value);
  const days = (['meterCalibratedOn', 'measuredOn'] as const).map((key) => {
    const day = value[key];
    if (typeof day === 'string' && DAY.test(day)) return day;
    reader.problem(`measuredPH.${key}`, `${quoted(day)}: write the day, such as "2026-11-23"`);
    return undefined;
  });
  const [meterCalibratedOn, measuredOn] = days;
  return pH !== undefined && meterCalibratedOn !== undefined && measuredOn !== undefined
    ? { value: pH, meterCalibratedOn, measuredOn }
    : undefined;
}

/** "6 half-pint", "about 5 454-g jars", "4 x 340-g". */
function readStatedYield(
  reader: Reader,
  value: unknown,
): { readonly count: number; readonly jar: JarSize } | undefined {
  if (value === undefined) return undefined;
  const wrong = (): undefined => {
    reader.problem(
      'statedYield',
      `${quoted(value)}: write a count and a jar size, such as "6 half-pint"`,
    );
    return undefined;
  };
  const read = typeof value === 'string' ? readJarCount(value, reader) : undefined;
  return read ?? wrong();
}

/** A jar size as people name it: "half-pints", "454 g jars", "8 oz". */
function jarCalled(text: string): JarSize | undefined {
  const said = text
    .toLowerCase()
    .replace(/\bjars?\b/g, '')
    .trim()
    .replace(/\s+/g, '-')
    .replace(/^(\d+)([a-z])/, '$1-$2');
  return (
    findJar(said) ??
    findJar(said.replace(/s$/, '')) ??
    findJar(said.replace('litre', 'l').replace('ounce', 'oz'))
  );
}

/**
 * Reads "12 half-pint" or "about 6 x 340 g".
 * @returns undefined where it is not a count and a jar size
 */
export function readJarCount(
  text: string,
  habit: Decimal | WritingHabit = '.',
): { readonly count: number; readonly jar: JarSize } | undefined {
  const [, number = '', rest = ''] =
    /^(?:about\s+)?(\S+(?:\s+\d+\/\d+)?)\s+(?:x\s+)?(.+)$/i.exec(text.trim()) ?? [];
  const amount = parseAmount(number, habit);
  const jar = jarCalled(rest);
  return amount.ok && jar && amount.amount.value <= 2000
    ? { count: amount.amount.value, jar }
    : undefined;
}

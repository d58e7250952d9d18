import { parseAmount, type Decimal, type WritingHabit } from '../quantity/index.js';
import { findJar, type JarSize } from '../jars/index.js';
import {
  fingerprint,
  PROCESSINGS,
  type FormulaDocument,
  type MeasuredPH,
  type Processing,
} from './document.js';
import { FORMULA_FIELDS } from './fields.js';
import { isObject, quoted, type Json, type Reader } from './reader.js';

/** What the document says of itself, to be audited or to be believed only within its rules. */
export interface Claims {
  readonly processing: Processing;
  readonly preSterilised: boolean;
  /** Minutes the maker asks for. */
  readonly processMinutes: number | undefined;
  readonly testedSource: { readonly publisher: string; readonly year: number } | undefined;
  /** Why an attestation in the document does not count. */
  readonly testedSourceVoid: string | undefined;
  readonly measuredPH: MeasuredPH | undefined;
  /** The measured pH is of another formula than this one. It can still make the verdict worse. */
  readonly measuredPHVoid: string | undefined;
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
    measuredPHVoid: isOfAnother(doc, doc.measuredPH)
      ? 'the formula was edited after it was taken'
      : undefined,
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
  const { publisher, year, unchanged } = value;
  if (typeof publisher !== 'string' || publisher.trim().length < 3)
    return no('it names no publisher');
  if (
    typeof year !== 'number' ||
    !Number.isInteger(year) ||
    year < EARLIEST_TESTED ||
    year > FORMULA_FIELDS.testedSource.year.most
  )
    return no(`it names no year from ${EARLIEST_TESTED} on`);
  if (unchanged !== true) return no('it is not attested as made unchanged');
  if (isOfAnother(doc, value)) return no('the formula was edited after it was attested');
  return {
    testedSource: {
      publisher: publisher.trim().slice(0, FORMULA_FIELDS.testedSource.publisher.most),
      year,
    },
    testedSourceVoid: undefined,
  };
}

/** Whether a claim carries the fingerprint of another formula than the one it stands in. */
function isOfAnother(doc: Json, claim: unknown): boolean {
  if (!isObject(claim) || claim.of === undefined) return false;
  try {
    return claim.of !== fingerprint(doc as unknown as FormulaDocument);
  } catch {
    return true; // a document too broken to have one
  }
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

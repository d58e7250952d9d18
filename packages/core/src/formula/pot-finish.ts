import { within, type Range } from '../range/index.js';
import { celsius, parseMeasure } from '../quantity/index.js';
import { checkPlace, GEL_RISE_C, type Place } from '../water/index.js';
import {
  findJar,
  HALF_INCH_MM,
  JAR_SIZES,
  QUARTER_INCH_MM,
  type JarChoice,
  type JarSize,
} from '../jars/index.js';
import { FINISHES, USUAL_FINISHES, type FinishType, type Kind, type Method } from './document.js';
import { MOST_IN_A_LINE_KG } from './pot-line.js';
import type { MeasuredJar } from './kitchen.js';
import { isObject, quoted, type Reader } from './reader.js';

export type Finish =
  | { readonly type: 'gel-temperature'; readonly rise_K: number }
  | { readonly type: 'soluble-solids'; readonly percent: Range }
  | { readonly type: 'hard-boil'; readonly minutes: number }
  | { readonly type: 'weight'; readonly mass_kg: Range }
  | { readonly type: 'consistency'; readonly percent: Range | undefined }
  | { readonly type: 'curd'; readonly temperature_C: number };

/** A size to fill, as the document names it. */
export type PotJar = JarChoice & { readonly size: string };

/** How the pot is finished; what cannot be read becomes the gel temperature. */
export function readFinish(reader: Reader, value: unknown, kind: Kind, method: Method): Finish {
  const gel: Finish = { type: 'gel-temperature', rise_K: GEL_RISE_C };
  if (!isObject(value)) {
    reader.problem(
      'finish',
      `${quoted(value)}: write how it is finished, such as { "type": "gel-temperature" }`,
    );
    return gel;
  }
  const type: FinishType = reader.oneOf('finish.type', value.type, FINISHES, 'gel-temperature');
  if (!USUAL_FINISHES[method].includes(type)) {
    reader.warnings.push({
      code: 'unusual-finish',
      text: `${method} is usually finished by ${USUAL_FINISHES[method].join(' or ')}, not by ${type}; computed as written`,
    });
  }
  switch (type) {
    case 'gel-temperature': {
      if (value.rise === undefined) return gel;
      const rise =
        typeof value.rise === 'string'
          ? parseMeasure('rise', value.rise, reader.decimal)
          : { ok: false as const, message: `${quoted(value.rise)}: write a rise such as "8 F"` };
      if (rise.ok && rise.value >= RISE_LIMITS_K.least && rise.value <= RISE_LIMITS_K.most)
        return { type, rise_K: rise.value };
      reader.problem(
        'finish.rise',
        rise.ok ? `${quoted(value.rise)}: write a rise from 1 to 27 F (0.5 to 15 C)` : rise.message,
      );
      return gel;
    }
    case 'soluble-solids': {
      const percent = reader.percent('finish.percent', value.percent, 10, 85);
      return {
        type,
        percent:
          percent === undefined
            ? within(65, 0.015)
            : { low: percent - 1, mid: percent, high: percent + 1 },
      };
    }
    case 'hard-boil': {
      const minutes = value.minutes ?? 1;
      if (typeof minutes === 'number' && minutes > 0 && minutes <= 30) return { type, minutes };
      reader.problem(
        'finish.minutes',
        `${quoted(minutes)}: write the minutes of hard boil, up to 30`,
      );
      return { type, minutes: 1 };
    }
    case 'weight': {
      const amount = reader.amount('finish.mass', value.mass);
      if (
        amount &&
        amount.unit.kind === 'mass' &&
        amount.value * amount.unit.si <= MOST_IN_A_LINE_KG * 2
      )
        return { type, mass_kg: within(amount.value * amount.unit.si, 0.01) };
      if (amount)
        reader.problem(
          'finish.mass',
          `${quoted(value.mass)}: write the weight of the finished pot, such as "1.7 kg"`,
        );
      return gel;
    }
    case 'consistency': {
      if (value.percent === undefined) return { type, percent: undefined };
      const percent = reader.percent('finish.percent', value.percent, 10, 80);
      return {
        type,
        percent:
          percent === undefined ? undefined : { low: percent - 3, mid: percent, high: percent + 3 },
      };
    }
    case 'curd': {
      if (kind !== 'curd') {
        reader.problem(
          'finish.type',
          `"curd" is the finish of a curd; for a ${kind} write one of ${USUAL_FINISHES[method].join(', ')}`,
        );
        return gel;
      }
      if (value.temperature === undefined) return { type, temperature_C: CURD_C };
      const read =
        typeof value.temperature === 'string'
          ? parseMeasure('temperature', value.temperature, reader.decimal)
          : {
              ok: false as const,
              message: `${quoted(value.temperature)}: write a temperature such as "170 F"`,
            };
      if (read.ok && read.value >= 60 && read.value <= 95)
        return { type, temperature_C: read.value };
      reader.problem(
        'finish.temperature',
        read.ok
          ? `${quoted(value.temperature)}: a curd sets from about 74 to 82 C; write one from 140 to 203 F (60 to 95 C)`
          : read.message,
      );
      return { type, temperature_C: CURD_C };
    }
  }
}

/**
 * A rise over boiling water a finish may ask for, K: from hardly thicker than water to hard candy.
 * Common practice.
 */
export const RISE_LIMITS_K = { least: 0.5, most: 15 } as const;

/** Where a curd is taken off: 170 F. Common practice; eggs are cooked by then. */
export const CURD_C = celsius(170);

/** Where the kettle stands: the document's own place, or the fallback. */
export function readPlace(reader: Reader, value: unknown, fallback: Place): Place {
  if (value === undefined) return fallback;
  if (!isObject(value)) {
    reader.problem('place', `${quoted(value)}: write { "altitude": "310 m" }`);
    return fallback;
  }
  const place: { -readonly [K in keyof Place]: Place[K] } = {};
  for (const [key, measure, field] of [
    ['altitude', 'length', 'altitude_m'],
    ['pressure', 'pressure', 'pressure_kPa'],
    ['boilingPoint', 'temperature', 'boilingPoint_C'],
  ] as const) {
    const text = value[key];
    if (text === undefined) continue;
    const reading =
      typeof text === 'string'
        ? parseMeasure(measure, text, reader.decimal)
        : { ok: false as const, message: `${quoted(text)}: write it with its unit, in quotes` };
    const wrong = reading.ok ? checkPlace({ [field]: reading.value })[0]?.message : reading.message;
    if (wrong !== undefined) reader.problem(`place.${key}`, wrong);
    else if (reading.ok) place[field] = reading.value;
  }
  return place;
}

/** The jars to fill, in order; half-pints when none can be read. */
export function readJars(
  reader: Reader,
  value: unknown,
  kind: Kind,
  measured: readonly MeasuredJar[] = [],
): readonly PotJar[] {
  const usual = usualHeadspace_mm(kind);
  const own = (jar: JarSize): JarSize => {
    const volume = measured.find(({ size }) => size === jar.id)?.volume_ml;
    return volume === undefined ? jar : { ...jar, measured_ml: volume };
  };
  const fallback = [
    { size: 'half-pint', jar: own(findJar('half-pint') ?? JAR_SIZES[0]!), headspace_mm: usual },
  ];
  if (value === undefined) return fallback;
  if (!Array.isArray(value) || value.length > 20) {
    reader.problem(
      'jars',
      `${quoted(value)}: write a list of sizes, such as [{ "size": "half-pint" }]`,
    );
    return fallback;
  }
  const jars = value.map((entry: unknown, i) => {
    const { size, headspace, count } = isObject(entry) ? entry : {};
    const id = reader.oneOf(
      `jars[${i}].size`,
      size,
      JAR_SIZES.map((jar) => jar.id),
      'half-pint',
    );
    const found = findJar(id);
    const jar = found ? own(found) : fallback[0]!.jar;
    return {
      size: id,
      jar,
      headspace_mm: readHeadspace(reader, `jars[${i}].headspace`, headspace, usual),
      ...readAvailable(reader, `jars[${i}].count`, count),
    };
  });
  return jars.length === 0 ? fallback : jars;
}

/**
 * Headspace by kind: 1/2 in for curds and syrups, else 1/4 in. National Center for Home Food
 * Preservation, from memory.
 */
export const usualHeadspace_mm = (kind: Kind): number =>
  kind === 'curd' || kind === 'syrup' ? HALF_INCH_MM : QUARTER_INCH_MM;

function readHeadspace(reader: Reader, path: string, value: unknown, usual: number): number {
  if (value === undefined) return usual;
  const inches =
    typeof value === 'string'
      ? /^\s*(?:(\d+)\/(\d+)|([\d.]+))\s*(?:in|inch|")\s*$/.exec(value)
      : null;
  const millimetres = typeof value === 'string' ? /^\s*([\d.]+)\s*mm\s*$/.exec(value) : null;
  const mm = inches
    ? (inches[3] === undefined ? Number(inches[1]) / Number(inches[2]) : Number(inches[3])) * 25.4
    : Number(millimetres?.[1] ?? NaN);
  if (mm >= 3 && mm <= 40) return mm;
  reader.problem(
    path,
    `${quoted(value)}: write a headspace such as "1/4 in" or "6 mm", 3 to 40 mm`,
  );
  return usual;
}

function readAvailable(reader: Reader, path: string, value: unknown): { available?: number } {
  if (value === undefined) return {};
  if (typeof value === 'number' && Number.isInteger(value) && value >= 0 && value <= 10_000)
    return { available: value };
  reader.problem(
    path,
    `${quoted(value)}: write how many jars of this size there are, a whole number`,
  );
  return {};
}

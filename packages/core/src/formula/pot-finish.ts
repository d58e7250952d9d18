import { around, within, type Range } from '../range/index.js';
import { celsius, fahrenheit, parseMeasure } from '../quantity/index.js';
import { boilingPointAt, checkPlace, GEL_RISE_C, type Place } from '../water/index.js';
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
import { FORMULA_FIELDS, type Limits } from './fields.js';
import { isObject, quoted, type Json, type Reader } from './reader.js';

export type Finish =
  | {
      readonly type: 'gel-temperature';
      readonly rise_K: number;
      /** As the maker wants it, on the thermometer here, C. */
      readonly wanted_C?: number;
    }
  | { readonly type: 'soluble-solids'; readonly percent: Range }
  | { readonly type: 'hard-boil'; readonly minutes: number }
  | { readonly type: 'weight'; readonly mass_kg: Range }
  | { readonly type: 'consistency'; readonly percent: Range | undefined }
  | { readonly type: 'curd'; readonly temperature_C: number };

/** A size to fill, as the document names it. */
export type PotJar = JarChoice & { readonly size: string };

/**
 * A rise over boiling water a finish may ask for, K: from hardly thicker than water to hard candy.
 * Common practice.
 */
export const RISE_LIMITS_K: Limits = { least: 0.5, most: 15 };
/** Where a curd is taken off: 170 F. Common practice; eggs are cooked by then. */
const CURD_C = celsius(170);
/** Temperatures a curd may be cooked to, C: it sets from about 74 to 82. Common practice. */
const CURD_LIMITS_C: Limits = { least: 60, most: 95 };
/** Solids where a finish by solids does not say how many, per cent. */
const USUAL_SOLIDS_PERCENT = 65;
/** Doubt of stopping at solids, by refractometer and by the eye, per cent of solids. A guess. */
const SOLIDS_DOUBT = 1;
const CONSISTENCY_DOUBT = 3;
/** Doubt of stopping by the scale, share of the weight. Common practice. */
const WEIGHT_DOUBT = 0.01;

const inLimits = (value: number, { least, most }: Limits): boolean =>
  value >= least && value <= most;

const USUAL_GEL = { type: 'gel-temperature', rise_K: GEL_RISE_C } as const satisfies Finish;

/** How each finish is read; what cannot be read becomes the gel temperature, or the usual value. */
const FINISH_READERS: {
  readonly [T in FinishType]: (reader: Reader, value: Json, kind: Kind, method: Method) => Finish;
} = {
  'gel-temperature': (reader, { rise, temperature }) => {
    if (temperature !== undefined) {
      const wanted_C = reader.measure(
        'finish.temperature',
        temperature,
        'temperature',
        FORMULA_FIELDS.finish.temperature.write,
      );
      return wanted_C === undefined ? USUAL_GEL : { ...USUAL_GEL, wanted_C };
    }
    if (rise === undefined) return USUAL_GEL;
    const rise_K = reader.measure('finish.rise', rise, 'rise', FORMULA_FIELDS.finish.rise.write);
    if (rise_K === undefined) return USUAL_GEL;
    if (inLimits(rise_K, RISE_LIMITS_K)) return { type: 'gel-temperature', rise_K };
    reader.problem(
      'finish.rise',
      `${quoted(rise)}: write a rise from 1 to 27 F (${RISE_LIMITS_K.least} to ${RISE_LIMITS_K.most} C)`,
    );
    return USUAL_GEL;
  },
  'soluble-solids': (reader, value) => {
    const percent = reader.number('finish.percent', value.percent, FORMULA_FIELDS.finish.percent);
    return {
      type: 'soluble-solids',
      percent: around(percent ?? USUAL_SOLIDS_PERCENT, SOLIDS_DOUBT),
    };
  },
  'hard-boil': (reader, value) => ({
    type: 'hard-boil',
    minutes:
      reader.optionalNumber('finish.minutes', value.minutes, FORMULA_FIELDS.finish.minutes) ?? 1,
  }),
  weight: (reader, { mass }) => {
    const amount = reader.amount('finish.mass', mass);
    if (!amount) return USUAL_GEL;
    const mass_kg = amount.value * amount.unit.si;
    if (amount.unit.kind === 'mass' && mass_kg <= MOST_IN_A_LINE_KG * 2)
      return { type: 'weight', mass_kg: within(mass_kg, WEIGHT_DOUBT) };
    reader.problem(
      'finish.mass',
      `${quoted(mass)}: write the weight of the finished pan, such as "1.7 kg"`,
    );
    return USUAL_GEL;
  },
  consistency: (reader, value) => {
    const percent = reader.optionalNumber(
      'finish.percent',
      value.percent,
      FORMULA_FIELDS.finish.percent,
    );
    return {
      type: 'consistency',
      percent: percent === undefined ? undefined : around(percent, CONSISTENCY_DOUBT),
    };
  },
  curd: (reader, { temperature }, kind, method) => {
    if (kind !== 'curd') {
      reader.problem(
        'finish.type',
        `"curd" is the finish of a curd; for a ${kind} write one of ${USUAL_FINISHES[method].join(', ')}`,
      );
      return USUAL_GEL;
    }
    const usual: Finish = { type: 'curd', temperature_C: CURD_C };
    if (temperature === undefined) return usual;
    const temperature_C = reader.measure(
      'finish.temperature',
      temperature,
      'temperature',
      FORMULA_FIELDS.finish.temperature.write,
    );
    if (temperature_C === undefined) return usual;
    if (inLimits(temperature_C, CURD_LIMITS_C)) return { type: 'curd', temperature_C };
    reader.problem(
      'finish.temperature',
      `${quoted(temperature)}: a curd sets from about 74 to 82 C; write one from 140 to 203 F (60 to 95 C)`,
    );
    return usual;
  },
};

/** How the pan is finished; what cannot be read becomes the gel temperature. */
export function readFinish(reader: Reader, value: unknown, kind: Kind, method: Method): Finish {
  if (!isObject(value)) {
    reader.problem('finish', `${quoted(value)}: ${FORMULA_FIELDS.document.finish.write}`);
    return USUAL_GEL;
  }
  const type: FinishType = reader.oneOf('finish.type', value.type, FINISHES, 'gel-temperature');
  const usual = USUAL_FINISHES[method];
  if (!usual.includes(type))
    reader.warnings.push({
      code: 'unusual-finish',
      text: `${method} is usually finished by ${usual.join(' or ')}, not by ${type}; computed as written`,
    });
  return FINISH_READERS[type](reader, value, kind, method);
}

/** A wanted temperature this far from the setting point here is worth a word, K. Common practice. */
const OFF_THE_POINT_K = 1;

/**
 * A finish typed as a temperature, kept as it is wanted: over boiling water here, and held against the
 * setting point of this place.
 */
export function finishAt(reader: Reader, finish: Finish, place: Place): Finish {
  if (finish.type !== 'gel-temperature' || finish.wanted_C === undefined) return finish;
  const { wanted_C } = finish;
  const water_C = boilingPointAt(place).boilingPoint_C.mid;
  const rise_K = wanted_C - water_C;
  const usual_C = water_C + GEL_RISE_C;
  const both = (celsius_C: number): string =>
    `${celsius_C.toFixed(1)} °C (${fahrenheit(celsius_C).toFixed(0)} °F)`;
  if (!inLimits(rise_K, RISE_LIMITS_K)) {
    reader.problem(
      'finish.temperature',
      `${both(wanted_C)} is ${rise_K < 0 ? 'under' : 'far over'} boiling water here, ${both(water_C)}; the setting point here is ${both(usual_C)}`,
    );
    return USUAL_GEL;
  }
  const off_K = wanted_C - usual_C;
  if (Math.abs(off_K) > OFF_THE_POINT_K)
    reader.warnings.push({
      code: 'stop-off-the-point',
      text: `${both(wanted_C)} is ${Math.abs(off_K).toFixed(1)} K ${off_K > 0 ? 'over' : 'under'} the setting point here, ${both(usual_C)}: it comes out ${off_K > 0 ? 'stiffer, and fewer jars' : 'softer, and more jars'}; kept as you want it`,
    });
  return { ...finish, rise_K };
}

/** Where it is cooked: the document's own place, or the fallback. */
export function readPlace(reader: Reader, value: unknown, fallback: Place): Place {
  if (value === undefined) return fallback;
  if (!isObject(value)) {
    reader.problem('place', `${quoted(value)}: ${FORMULA_FIELDS.document.place.write}`);
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
  if (!Array.isArray(value) || value.length > FORMULA_FIELDS.document.jars.most) {
    reader.problem('jars', `${quoted(value)}: ${FORMULA_FIELDS.document.jars.write}`);
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
const usualHeadspace_mm = (kind: Kind): number =>
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
  const available = reader.optionalNumber(path, value, FORMULA_FIELDS.jar.count);
  return available === undefined ? {} : { available };
}

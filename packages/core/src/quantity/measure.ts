import type { Decimal } from './number.js';

export type MeasureReading =
  { readonly ok: true; readonly value: number } | { readonly ok: false; readonly message: string };

interface MeasureKind {
  readonly what: string;
  readonly example: string;
  readonly toSi: Readonly<Record<string, (value: number) => number>>;
}

/** The international foot, m. NIST Handbook 44, appendix C. */
export const FOOT_M = 0.3048;
/** An inch, mm. Same source. */
export const INCH_MM = 25.4;

/** Degrees Celsius of a temperature in Fahrenheit, and back. */
export const celsius = (fahrenheit_F: number): number => ((fahrenheit_F - 32) * 5) / 9;
export const fahrenheit = (celsius_C: number): number => (celsius_C * 9) / 5 + 32;

const KINDS = {
  /** Altitude in metres. */
  length: {
    what: 'a height',
    example: '"1180 m" or "3870 ft"',
    toSi: {
      m: (v) => v,
      metre: (v) => v,
      metres: (v) => v,
      meter: (v) => v,
      meters: (v) => v,
      masl: (v) => v,
      km: (v) => v * 1000,
      ft: (v) => v * FOOT_M,
      foot: (v) => v * FOOT_M,
      feet: (v) => v * FOOT_M,
      "'": (v) => v * FOOT_M,
    },
  },
  /** Temperature in degrees Celsius. */
  temperature: {
    what: 'a temperature',
    example: '"96.2 C" or "205.2 F"',
    toSi: { c: (v) => v, f: celsius },
  },
  /** Temperature difference in kelvin. */
  rise: {
    what: 'a rise in temperature',
    example: '"8 F" or "4.5 C"',
    toSi: { c: (v) => v, k: (v) => v, f: (v) => (v * 5) / 9 },
  },
  /** Pressure in kilopascals. */
  pressure: {
    what: 'a pressure',
    example: '"880 hPa" or "26 inHg"',
    toSi: {
      kpa: (v) => v,
      hpa: (v) => v / 10,
      mbar: (v) => v / 10,
      bar: (v) => v * 100,
      mmhg: (v) => v * 0.133322387415,
      inhg: (v) => v * 3.386389,
      psi: (v) => v * 6.894757293,
    },
  },
} as const satisfies Record<string, MeasureKind>;

export type MeasureName = keyof typeof KINDS;

/**
 * Reads one measured value with its unit.
 *
 * @param name what is measured; the result is in metres, degrees Celsius, kelvin or kilopascals
 * @param defaultUnit used when only a number is written, such as `m` in a field labelled metres
 * @returns the value, or a message with an example of what would be right
 */
export function parseMeasure(
  name: MeasureName,
  text: string,
  decimal: Decimal = '.',
  defaultUnit?: string,
): MeasureReading {
  const kind: MeasureKind = KINDS[name];
  const match = /^([-−+]?)\s*([\d.,\s]*\d)\s*°?\s*([a-z']*)\.?$/i.exec(
    text.trim().replace(/[\u00a0\u202f]/g, ' '),
  );
  const bad = {
    ok: false as const,
    message: `"${text.trim()}" is not ${kind.what}; write ${kind.example}`,
  };
  if (!match) return bad;
  const [, sign, digits = '', unit = ''] = match;
  const thousands = decimal === '.' ? ',' : '.';
  const grouped = new RegExp(`^\\d{1,3}([\\${thousands}\\s]\\d{3})+(\\${decimal}\\d+)?$`);
  const number = Number(
    (grouped.test(digits)
      ? digits.replaceAll(thousands, '').replace(/\s/g, '').replace(decimal, '.')
      : digits.replace(',', '.')
    ).trim(),
  );
  const convert = kind.toSi[(unit === '' ? (defaultUnit ?? '') : unit).toLowerCase()];
  if (!Number.isFinite(number)) return bad;
  if (!convert)
    return unit === ''
      ? { ok: false, message: `"${text.trim()}" has no unit; write ${kind.example}` }
      : bad;
  return { ok: true, value: convert(sign === '' || sign === '+' ? number : -number) };
}

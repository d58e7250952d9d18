import type { Warning } from './warning.js';
import {
  nearest,
  parseAmount,
  parseMeasure,
  type Amount,
  type Decimal,
  type Measures,
  type MeasureName,
  cutText,
} from '../quantity/index.js';
import type { Limits } from './fields.js';

/** What is wrong, and where in the document: `lines[2].amount`. */
export interface Problem {
  readonly path: string;
  readonly message: string;
}

export type Json = Readonly<Record<string, unknown>>;
export const isObject = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** `value` as it should be quoted in a message. */
export const quoted = (value: unknown): string =>
  cutText(value === undefined ? 'missing' : JSON.stringify(value), 80);

/** A field that holds a number. */
export type NumberField = Limits & {
  readonly above?: true;
  readonly whole?: true;
  readonly write: string;
};

const isWithin = (value: number, { least, most, above, whole }: NumberField): boolean =>
  (above ? value > least : value >= least) && value <= most && (!whole || Number.isInteger(value));

/** Collects problems and warnings while a document is read. */
export class Reader {
  readonly problems: Problem[] = [];
  readonly warnings: Warning[] = [];
  decimal: Decimal = '.';
  measures: Measures = 'us';

  problem(path: string, message: string): void {
    this.problems.push({ path, message });
  }

  oneOf<T extends string>(path: string, value: unknown, allowed: readonly T[], fallback: T): T {
    if (typeof value === 'string' && (allowed as readonly string[]).includes(value))
      return value as T;
    const guess = typeof value === 'string' ? nearest(value, allowed)[0] : undefined;
    this.problem(
      path,
      `${quoted(value)}: ${guess === undefined ? `write one of ${allowed.join(', ')}` : `did you mean "${guess}"?`}`,
    );
    return fallback;
  }

  /** A number within the limits of its field; see `FORMULA_FIELDS`. */
  number(path: string, value: unknown, field: NumberField): number | undefined {
    if (typeof value === 'number' && isWithin(value, field)) return value;
    this.problem(path, `${quoted(value)}: ${field.write}`);
    return undefined;
  }

  /** The same for a field that may be missing. */
  optionalNumber(path: string, value: unknown, field: NumberField): number | undefined {
    return value === undefined ? undefined : this.number(path, value, field);
  }

  /** One measured value with its unit, as text. @param example what would be right */
  measure(path: string, value: unknown, name: MeasureName, example: string): number | undefined {
    const reading =
      typeof value === 'string'
        ? parseMeasure(name, value, this.decimal)
        : { ok: false as const, message: `${quoted(value)}: ${example}` };
    if (reading.ok) return reading.value;
    this.problem(path, reading.message);
    return undefined;
  }

  amount(path: string, value: unknown): Amount | undefined {
    if (isObject(value)) {
      const { value: number, unit } = value;
      if (typeof number !== 'number' || !Number.isFinite(number) || number <= 0) {
        this.problem(`${path}.value`, `${quoted(number)}: write a number above zero`);
        return undefined;
      }
      return this.amount(path, `${number.toFixed(6)} ${typeof unit === 'string' ? unit : ''}`);
    }
    if (typeof value !== 'string') {
      this.problem(
        path,
        `${quoted(value)}: write a number and a unit, such as "1.2 kg" or "2 1/2 cups"`,
      );
      return undefined;
    }
    const reading = parseAmount(value, this);
    if (reading.ok) return reading.amount;
    this.problem(path, reading.message);
    return undefined;
  }
}

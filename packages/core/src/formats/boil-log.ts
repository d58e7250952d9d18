import { VALUE_LIMITS, type PotValues, type ValueName } from '../boil-log/index.js';
import { celsius, unitById, MINUTE_MS, DAY_MS } from '../quantity/index.js';

/** What a column of a logged boil holds. */
export const LOG_COLUMNS = ['time', 'temperature', 'weight', 'brix', 'ignored'] as const;
export type LogColumn = (typeof LOG_COLUMNS)[number];

export interface LogOptions {
  readonly columns: readonly LogColumn[];
  readonly temperature: 'C' | 'F';
  readonly weight: 'kg' | 'g' | 'lb';
  /**
   * When a time that only counts from the start began, and the day of a time without one;
   * milliseconds since 1970.
   */
  readonly begins: number;
}

/** One row understood. Values that were empty are left out. */
export interface LoggedObservation extends PotValues {
  /** Milliseconds since 1970. */
  readonly at: number;
}

export interface ReadLog {
  readonly observations: readonly LoggedObservation[];
  /**
   * Rows that were not understood, by their line in the file (the heading is line 1), with what is
   * wrong.
   */
  readonly problems: readonly { readonly line: number; readonly message: string }[];
}

const SAYS: readonly (readonly [LogColumn, RegExp])[] = [
  ['time', /\b(time|date|clock|when|elapsed|sec(onds?)?|min(utes?)?|stamp|timestamp)\b/i],
  ['temperature', /temp|°|\bdeg|celsius|fahrenheit|\bprobe|^[cf]$/i],
  ['weight', /weight|mass|\bkg\b|\bgrams?\b|\blbs?\b|scale/i],
  ['brix', /brix|solids|refract|°bx/i],
];

/** The unit a heading names, else kilograms. */
function weightUnitOf(heading: string): LogOptions['weight'] {
  if (/\blbs?\b|pound/i.test(heading)) return 'lb';
  return /\bg\b|gram/i.test(heading) ? 'g' : 'kg';
}

/**
 * The columns by their headings, each once; the first that resembles a time is the time. What is
 * not known is ignored.
 */
export function guessLogColumns(heading: readonly string[]): LogOptions {
  const taken = new Set<LogColumn>();
  const columns = heading.map((name): LogColumn => {
    // Brix before temperature: its unit is written with a degree sign too.
    const found = [...SAYS]
      .reverse()
      .find(([column, says]) => !taken.has(column) && says.test(name.replaceAll('_', ' ')))?.[0];
    if (found === undefined) return 'ignored';
    taken.add(found);
    return found;
  });
  const says = (column: LogColumn): string => heading[columns.indexOf(column)] ?? '';
  return {
    columns,
    temperature: /°?\s*\bF\b|fahrenheit/i.test(says('temperature').replaceAll('_', ' '))
      ? 'F'
      : 'C',
    weight: weightUnitOf(says('weight').replaceAll('_', ' ')),
    begins: NaN,
  };
}

/**
 * The rows of a logged boil. Times may be dates with a clock, a clock alone ("18:04:30", on the day
 * it begins, past midnight when they fall), or count from the start in seconds (or minutes, where
 * the heading says so). A decimal comma is understood.
 *
 * @param rows the table as text, with its heading first
 * @returns never throws; what a row says is read or named
 */
export function readBoilLog(rows: readonly (readonly string[])[], options: LogOptions): ReadLog {
  const { columns, temperature, weight, begins } = options;
  const [heading = [], ...body] = rows;
  const at = (column: LogColumn): number => columns.indexOf(column);
  const observations: LoggedObservation[] = [];
  const problems: { line: number; message: string }[] = [];
  if (at('time') < 0)
    return {
      observations,
      problems: [{ line: 1, message: 'no column is the time; say which one is' }],
    };
  const factor = /\bmin/i.test((heading[at('time')] ?? '').replaceAll('_', ' ')) ? MINUTE_MS : 1000;
  let midnight = 0;
  let before = -Infinity;
  body.forEach((row, i) => {
    const line = i + 2;
    if (row.every((cell) => cell.trim() === '')) return;
    const say = (message: string): void => void problems.push({ line, message });
    const text = (row[at('time')] ?? '').trim();
    let time = readTime(text, begins, factor);
    if (time === undefined)
      return say(
        `"${text}" is not a time; write 2026-09-12T18:04:30, 18:04:30, or seconds from the start`,
      );
    if (/^\d{1,2}:\d\d/.test(text)) {
      // The clock went past midnight.
      if (time + midnight < before - DAY_MS / 2) midnight += DAY_MS;
      time += midnight;
    }
    before = time;
    const number = (
      column: LogColumn,
      name: ValueName,
      toSi: (value: number) => number,
    ): number | undefined => {
      const cell =
        at(column) < 0
          ? ''
          : (row[at(column)] ?? '').trim().replace(/\s*(°?\s*[CF]|kg|g|lbs?|%|°?bx)$/i, '');
      if (cell === '') return undefined;
      const value = toSi(Number(cell.replace(',', '.')));
      const [least, most] = VALUE_LIMITS[name];
      if (value >= least && value <= most) return value;
      say(
        Number.isFinite(value)
          ? `${cell} is no ${column} an instrument shows`
          : `"${cell}" is not a number; write one, such as 98.4`,
      );
      return undefined;
    };
    const temperature_C = number('temperature', 'temperature_C', (value) =>
      temperature === 'F' ? celsius(value) : value,
    );
    const mass_kg = number('weight', 'mass_kg', (value) => value * unitById(weight).si);
    const percent = number('brix', 'percent', (value) => value);
    if (temperature_C === undefined && mass_kg === undefined && percent === undefined) return;
    observations.push({
      at: time,
      ...(temperature_C !== undefined && { temperature_C }),
      ...(mass_kg !== undefined && { mass_kg }),
      ...(percent !== undefined && { percent }),
    });
  });
  return { observations: observations.sort((a, b) => a.at - b.at), problems };
}

function readTime(text: string, begins: number, factor: number): number | undefined {
  const clock = /^(\d{1,2}):(\d\d)(?::(\d\d)(?:[.,]\d+)?)?$/.exec(text);
  if (clock) {
    const [, hours, minutes, seconds = '0'] = clock;
    if (Number(hours) > 23 || Number(minutes) > 59 || Number(seconds) > 59) return undefined;
    const day = new Date(begins);
    day.setHours(Number(hours), Number(minutes), Number(seconds), 0);
    return Number.isNaN(day.getTime()) ? undefined : day.getTime();
  }
  if (/^[\d.,]+$/.test(text)) {
    const counted = Number(text.replace(',', '.'));
    // Seconds or milliseconds since 1970 are written by loggers too.
    if (counted > 1e12) return counted;
    if (counted > 1e9) return counted * 1000;
    return Number.isFinite(counted) && Number.isFinite(begins)
      ? begins + counted * factor
      : undefined;
  }
  if (!/^\d{4}-\d\d-\d\d/.test(text)) return undefined;
  const date = Date.parse(text.replace(' ', 'T'));
  return Number.isNaN(date) ? undefined : date;
}

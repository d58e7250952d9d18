import { USUAL_DATE_STYLE, type DateStyle, type TemperatureUnit } from '@idle-kettle/contract';
import type { Measures, UnitSystem } from '@idle-kettle/core';

/** How people of a country usually write amounts. */
export interface Habit {
  readonly units: UnitSystem;
  readonly temperatureUnit: TemperatureUnit;
  readonly measures: Measures;
  readonly dates: DateStyle;
  /** South of the equator. */
  readonly southern: boolean;
}

/** Countries that weigh in pounds and read Fahrenheit. Common practice, from memory, as all below. */
const US_HABIT: ReadonlySet<string> = new Set(['US', 'LR', 'MM', 'PR', 'GU', 'VI']);
const SOUTH: ReadonlySet<string> = new Set([
  'AU',
  'NZ',
  'ZA',
  'AR',
  'CL',
  'UY',
  'PY',
  'BR',
  'BO',
  'PE',
  'NA',
  'BW',
  'ZW',
  'ZM',
  'MZ',
  'MG',
  'LS',
]);
/** Countries that write the month before the day, and those that begin with the year. */
const DATES_OF: Readonly<Record<string, DateStyle>> = {
  US: 'month-first',
  PR: 'month-first',
  GU: 'month-first',
  VI: 'month-first',
  SE: 'year-first',
  LT: 'year-first',
  HU: 'year-first',
  CN: 'year-first',
  JP: 'year-first',
  KR: 'year-first',
};
const MEASURES_OF: Readonly<Record<string, Measures>> = { GB: 'uk', IE: 'uk', AU: 'australian' };

/** @param languages as the browser lists them, the first preferred: "en-GB" */
export function habitOf(languages: readonly string[]): Habit {
  const country =
    languages
      .map((each) => /-([A-Z]{2})\b/i.exec(each)?.[1]?.toUpperCase())
      .find((each) => each !== undefined) ?? '';
  const isUs = US_HABIT.has(country);
  return {
    units: isUs ? 'us' : 'metric',
    temperatureUnit: isUs ? 'F' : 'C',
    measures: MEASURES_OF[country] ?? 'us',
    dates: DATES_OF[country] ?? USUAL_DATE_STYLE,
    southern: SOUTH.has(country),
  };
}

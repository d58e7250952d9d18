import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';
import {
  DATE_PATTERNS,
  DATE_STYLES,
  USUAL_DATE_STYLE,
  type DatePart,
  type DateStyle,
} from '@idle-kettle/contract';
import { browserStore } from '../data/browser-store.js';

/*
 * Days and times of day as this household writes them. What is sent or saved is written by
 * `data/iso-day.ts`, always alike.
 */

/** The style in use; kept in the browser, so that the first screen is right before the kitchen is read. */
const style = browserStore<DateStyle>({
  key: 'kettle.dates',
  parse: (json) => DATE_STYLES.find((each) => each === json),
  otherwise: () => USUAL_DATE_STYLE,
});
export const setDateStyle = (next: DateStyle = USUAL_DATE_STYLE): void => {
  if (style.get() !== next) style.set(next);
};

/** A moment, or a day as "2026-11-23". */
export type When = Date | number | string;

const inLetters = (when: When, letters: string): string =>
  format(typeof when === 'string' ? parseISO(when) : when, letters);
const written =
  (part: DatePart) =>
  (when: When, as: DateStyle = style.get()): string =>
    inLetters(when, DATE_PATTERNS[as][part]);

/** "18:40", "6:40 pm" */
export const time = written('time');
/** "23 Nov 2026", "Nov 23, 2026", "2026-11-23" */
export const day = written('day');
/** "23 Nov", "Nov 23" */
export const dayAndMonth = written('dayAndMonth');
/** "23 Nov, 18:40" */
export const dayAndTime = written('dayAndTime');
/** "23 Nov 18:40:12" */
export const dayAndSeconds = written('dayAndSeconds');
/** "23 Nov 2026, 18:40" */
export const dayYearAndTime = written('dayYearAndTime');
/** "Mon 18:40" */
export const weekdayAndTime = written('weekdayAndTime');
/** "Mon 23 Nov, 18:40" */
export const weekdayDayAndTime = written('weekdayDayAndTime');
/** "Monday 23 November" */
export const longDay = written('longDay');
/** "Monday 23 November 2026" */
export const longDayAndYear = written('longDayAndYear');

/** "Monday" */
export const weekday = (when: When): string => inLetters(when, 'EEEE');
/** "Nov 2026" */
export const month = (when: When): string => inLetters(when, 'MMM yyyy');
/** @param number 1 is January */
const monthIn =
  (letters: string) =>
  (number: number): string =>
    inLetters(new Date(2026, number - 1, 15), letters);
/** "November" of 11 */
export const monthName = monthIn('MMMM');
/** "Nov" of 11 */
export const shortMonthName = monthIn('MMM');
/** "N" of 11 */
export const monthLetter = monthIn('MMMMM');

/** The value of a field for day and time. */
export const fieldValue = (when: When): string => inLetters(when, "yyyy-MM-dd'T'HH:mm");

/** The styles to choose from, each as it writes a moment. */
export const dateStyleOptions = (when: When): readonly (readonly [DateStyle, string])[] =>
  DATE_STYLES.map((each) => [each, dayYearAndTime(when, each)]);

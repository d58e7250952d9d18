import { isSameDay } from 'date-fns';
import * as dates from '../../ui/dates.js';

/** A time of a plan, with its day unless it is today's. */
export const clockOf = (at: number, now: number): string =>
  isSameDay(at, now) ? dates.time(at) : dates.weekdayAndTime(at);

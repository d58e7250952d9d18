import { format, isSameDay } from 'date-fns';

/** A time of a plan, with its day unless it is today's. */
export const clockOf = (at: number, now: number): string =>
  format(at, isSameDay(at, now) ? 'HH:mm' : 'EEE HH:mm');

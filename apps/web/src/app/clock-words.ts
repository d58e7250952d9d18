import { formatDuration } from 'date-fns/formatDuration';
import { intervalToDuration } from 'date-fns/intervalToDuration';
import { MINUTE_MS } from '@idle-kettle/core';

/** Clocks run apart by seconds a day: a difference within this is the one that was told, ms. */
const SAME_MS = 10 * MINUTE_MS;

export const isSameClock = (told_ms: number, now_ms: number): boolean =>
  told_ms !== 0 && Math.abs(told_ms - now_ms) < SAME_MS;

/**
 * How far the clock of this device is off.
 * @param difference_ms the server's clock less this device's
 */
export function clockWords(difference_ms: number): string {
  const length = intervalToDuration({ start: 0, end: Math.abs(difference_ms) });
  const { years = 0, months = 0, days = 0, hours = 0, minutes = 0 } = length;
  const words = formatDuration(
    days + months + years > 0 ? { years, months, days, hours } : { hours, minutes },
  );
  return `The clock of this device is ${words} ${difference_ms < 0 ? 'fast' : 'slow'}.`;
}

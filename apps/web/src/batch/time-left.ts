import type { Boil, WatchedBoil } from '@idle-kettle/core';
import { MINUTE_MS, CLIMBS_FAST_S, STALE_NEAR_END_MIN } from '@idle-kettle/core';

/** Times from here on are told in hours, to the half. */
const IN_HOURS_FROM_MIN = 120;
const HALF_HOUR_MIN = 30;

/** Of a forecast, what is left, and when that was worked out. */
export type TimeTold = Pick<WatchedBoil, 'now'> & {
  readonly forecast: Pick<WatchedBoil['forecast'], 'left_s' | 'isOutOfReach'>;
};

/**
 * "5 to 8 min", "about there", "50 min to 2.5 h", "3 to 5 h", "not at this heat": what is left by now,
 * since it was worked out a moment ago.
 * @param now by the batch's clock
 */
export function timeLeft(watched: TimeTold | undefined, now: number): string | undefined {
  if (!watched) return undefined;
  if (watched.forecast.isOutOfReach) return 'not at this heat';
  const since_s = Math.max(now - watched.now, 0) / 1000;
  const { low, high } = watched.forecast.left_s;
  const [least, most] = [Math.max(low - since_s, 0) / 60, Math.max(high - since_s, 0) / 60];
  if (most < 1) return 'about there';
  if (most < IN_HOURS_FROM_MIN) return `${Math.floor(least)} to ${Math.ceil(most)} min`;
  const to = `${Math.ceil(most / HALF_HOUR_MIN) / 2} h`;
  if (least < 60) return `${Math.floor(least)} min to ${to}`;
  return `${Math.floor(least / HALF_HOUR_MIN) / 2} to ${to}`;
}

/** Before the end draws near a reading older than this is stale, minutes. A choice of ours. */
const STALE_MIN = 15;

/**
 * Whether the forecast rests on a reading that is too old: near the end a pan climbs fast, and before
 * it much may have happened in a quarter of an hour.
 */
export function isStaleForecast(
  boil: Pick<Boil, 'readings'>,
  watched: WatchedBoil | undefined,
  now: number,
): boolean {
  const last = boil.readings.at(-1);
  if (!last || !watched) return false;
  const isNearEnd = watched.forecast.left_s.mid < CLIMBS_FAST_S;
  return now - last.at > (isNearEnd ? STALE_NEAR_END_MIN : STALE_MIN) * MINUTE_MS;
}

/** How old a reading is: "now", "3 min ago"; "last reading" once that is long ago. */
export function ageWords(at: number, now: number, isOver: boolean): string {
  const minutes = Math.max(Math.floor((now - at) / MINUTE_MS), 0);
  if (isOver || minutes > 90) return 'last reading';
  return minutes === 0 ? 'now' : `${minutes} min ago`;
}

import { HOUR_MS, type WatchedBoil } from '@idle-kettle/core';

/** What was or will be in the pan at a time since the start. */
export interface CookPoint {
  readonly hour: number;
  readonly mass_kg: number;
}

export interface CookCurve {
  readonly past: readonly CookPoint[];
  readonly ahead: readonly CookPoint[];
  /** Least and most that will be in the pan, from now to the end. */
  readonly least: readonly CookPoint[];
  readonly most: readonly CookPoint[];
  readonly weighed: readonly CookPoint[];
  /** The ends of the scales: whole hours, and a round weight over all that is drawn. */
  readonly hours: number;
  readonly most_kg: number;
}

/** The curve of a long cook: its doubt grows evenly from now to the likely end. */
export function cookCurve(watched: WatchedBoil, startedAt: number): CookCurve {
  const { now, path, weighed, forecast } = watched;
  const hourOf = (at: number): number => (at - startedAt) / HOUR_MS;
  const points = path.map(({ at, mass_kg }) => ({ hour: hourOf(at), mass_kg }));
  const nowHour = hourOf(now);
  const endHour = nowHour + Math.max(forecast.left_s.mid / 3600, 0);
  const here: CookPoint = { hour: nowHour, mass_kg: forecast.now.mass_kg };
  const past = [...points.filter(({ hour }) => hour < nowHour), here];
  const ahead = [here, ...points.filter(({ hour }) => hour > nowHour && hour <= endHour)];
  const { low = 0, mid = 0, high = 0 } = forecast.atEnd_kg ?? {};
  const shareOfWay = (hour: number): number =>
    endHour > nowHour ? (hour - nowHour) / (endHour - nowHour) : 0;
  const moved = (by_kg: number): readonly CookPoint[] =>
    ahead.map(({ hour, mass_kg }) => ({
      hour,
      mass_kg: Math.max(mass_kg + by_kg * shareOfWay(hour), 0),
    }));
  const measured = weighed.map(({ at, mass_kg }) => ({ hour: hourOf(at), mass_kg }));
  const heaviest = Math.max(...[...past, ...ahead, ...measured].map(({ mass_kg }) => mass_kg), 0.1);
  return {
    past,
    ahead,
    least: moved(low - mid),
    most: moved(high - mid),
    weighed: measured,
    hours: Math.max(Math.ceil(endHour), 1),
    most_kg: Math.ceil(heaviest * 2.1) / 2,
  };
}

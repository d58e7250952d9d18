import type { Boil, WatchedBoil } from '@idle-kettle/core';
import { ageWords, isStaleForecast, timeLeft } from './time-left.js';

const watched = (low: number, high: number): WatchedBoil =>
  ({
    now: 0,
    forecast: { left_s: { low: low * 60, mid: ((low + high) / 2) * 60, high: high * 60 } },
  }) as unknown as WatchedBoil;
const readAt = (minutes: number): Pick<Boil, 'readings'> =>
  ({ readings: [{ at: minutes * 60_000, temperature_C: 98 }] }) as unknown as Boil;

test.each([
  [5.4, 7.2, 0, '5 to 8 min'],
  [5.4, 7.2, 2, '3 to 6 min'],
  [0, 0.5, 0, 'about there'],
  [50, 150, 0, '50 min to 2.5 h'],
  [185, 290, 0, '3 to 5 h'],
])('%d to %d min, %d min later: %s', (low, high, later, words) =>
  expect(timeLeft(watched(low, high), later * 60_000)).toBe(words),
);

test('a forecast is stale after two minutes near the end, after a quarter of an hour before it', () => {
  expect(isStaleForecast(readAt(0), watched(2, 4), 1.5 * 60_000)).toBe(false);
  expect(isStaleForecast(readAt(0), watched(2, 4), 2.5 * 60_000)).toBe(true);
  expect(isStaleForecast(readAt(0), watched(20, 30), 14 * 60_000)).toBe(false);
  expect(isStaleForecast(readAt(0), watched(20, 30), 16 * 60_000)).toBe(true);
  expect(isStaleForecast({ readings: [] }, watched(2, 4), 60 * 60_000)).toBe(false);
});

test('the age of a reading is said in whole minutes', () => {
  expect(ageWords(0, 30_000, false)).toBe('now');
  expect(ageWords(0, 200_000, false)).toBe('3 min ago');
  expect(ageWords(0, 200_000, true)).toBe('last reading');
});

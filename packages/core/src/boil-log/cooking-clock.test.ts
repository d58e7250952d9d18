import { logFrom } from '../testing/log.js';
import { boilFrom } from './boil.js';
import { CookingClock } from './cooking-clock.js';

const START = Date.parse('2026-10-03T15:00:00.000Z');
const event = logFrom(START, 60_000);
const LIGHT = event('light', 0, { gelTemperature_C: 100.5, boilingPoint_C: 96.1 });
const minutes = (at: number): number => (at - START) / 60_000;
const clockOf = (...events: Parameters<typeof boilFrom>[0]): CookingClock =>
  new CookingClock(boilFrom([LIGHT, ...events]), START);
const NIGHT = [event('paused', 40, { kept: 'fridge' }), event('on-heat', 640, {})];

test('runs with the kitchen’s while nothing is put off', () => {
  const clock = clockOf();
  expect(clock.seconds(START + 90_000)).toBe(90);
  expect(clock.at(90)).toBe(START + 90_000);
});

test('stands still while the cook is put off, and goes on after', () => {
  const clock = clockOf(...NIGHT);
  expect(clock.seconds(START + 40 * 60_000)).toBe(40 * 60);
  expect(clock.seconds(START + 300 * 60_000)).toBe(40 * 60);
  expect(clock.seconds(START + 650 * 60_000)).toBe(50 * 60);
  // Where it stands still the later moment is meant: the pot is back on.
  expect([39, 40, 50].map((minute) => minutes(clock.at(minute * 60)))).toEqual([39, 640, 650]);
});

test('while it is still put off it shows when that began', () => {
  const clock = clockOf(NIGHT[0] as Parameters<typeof boilFrom>[0][number]);
  expect(clock.seconds(START + 9999 * 60_000)).toBe(40 * 60);
});

test('there and back again, whatever was put off how often', () => {
  const clock = clockOf(
    ...NIGHT,
    event('paused', 700, { kept: 'cool' }),
    event('on-heat', 760, {}),
  );
  for (const minute of [0, 12, 39, 41, 60, 99, 101, 500]) {
    expect(clock.seconds(clock.at(minute * 60))).toBeCloseTo(minute * 60, 6);
  }
});

test('a clock that begins after a pause has none of it behind it', () => {
  const after = new CookingClock(boilFrom([LIGHT, ...NIGHT]), START + 650 * 60_000);
  expect(after.seconds(START + 660 * 60_000)).toBe(600);
  expect(minutes(after.at(600))).toBe(660);
});

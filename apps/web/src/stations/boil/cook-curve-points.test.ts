import { HOUR_MS, type WatchedBoil } from '@idle-kettle/core';
import { cookCurve } from './cook-curve-points.js';

const START = Date.parse('2026-09-12T06:00:00Z');
/** 4 kg that lose 200 g an hour, looked at after four hours with five to go. */
const watched = {
  now: START + 4 * HOUR_MS,
  path: Array.from({ length: 21 }, (_, i) => ({
    at: START + i * 0.5 * HOUR_MS,
    reading_C: 98,
    mass_kg: 4 - 0.1 * i,
  })),
  weighed: [{ at: START + 2 * HOUR_MS, mass_kg: 3.6 }],
  forecast: {
    left_s: { low: 4 * 3600, mid: 5 * 3600, high: 6 * 3600 },
    now: { mass_kg: 3.2, solidsPercent: 20, temperature_C: 98 },
    atEnd_kg: { low: 2, mid: 2.2, high: 2.5 },
  },
} as unknown as WatchedBoil;

test('a cook is drawn from its start over what was measured to its likely end', () => {
  const { past, ahead, weighed, hours, most_kg } = cookCurve(watched, START);
  expect(past[0]).toEqual({ hour: 0, mass_kg: 4 });
  expect(past.at(-1)).toEqual({ hour: 4, mass_kg: 3.2 });
  expect(ahead[0]).toEqual(past.at(-1));
  expect(ahead.at(-1)).toEqual({ hour: 9, mass_kg: expect.closeTo(2.2, 9) });
  expect(weighed).toEqual([{ hour: 2, mass_kg: 3.6 }]);
  expect([hours, most_kg]).toEqual([9, 4.5]);
});

test('its doubt is nothing now, and at the end that of the forecast', () => {
  const { least, most } = cookCurve(watched, START);
  expect(least[0]?.mass_kg).toBe(most[0]?.mass_kg);
  expect(least.at(-1)?.mass_kg).toBeCloseTo(2, 9);
  expect(most.at(-1)?.mass_kg).toBeCloseTo(2.5, 9);
});

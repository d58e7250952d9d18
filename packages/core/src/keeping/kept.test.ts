import {
  canGo,
  KEPT_IN,
  keptAsMade,
  keptIn,
  lastDay,
  PART_JAR,
  withOpenLids,
  type KeptIn,
} from './kept.js';
import type { Best } from './storage.js';

const SHELF = keptAsMade('shelf', 'acid and sweet enough', { months: 12 });
const FRIDGE = keptAsMade('fridge', 'not processed', { days: 28 });
const STOP = keptAsMade('stop', 'garlic under oil', { days: 0 });
/** So much later, by the calendar of the computer. */
const addTo = (day: string, best: Best): string => {
  const at = new Date(`${day}T00:00:00Z`);
  if ('months' in best) at.setUTCMonth(at.getUTCMonth() + best.months);
  else at.setUTCDate(at.getUTCDate() + best.days);
  return at.toISOString().slice(0, 10);
};
const until = (made: typeof SHELF, place: KeptIn | null, moved: string | null): string | null =>
  lastDay(keptIn(made, place), '2026-09-12', moved, addTo);

test('jars that were not moved keep as they were made', () => {
  expect(keptIn(SHELF, null)).toBe(SHELF);
  expect(until(SHELF, null, null)).toBe('2027-09-12');
});

test.each([
  // Put there in November: four weeks of it, never past the year they had.
  ['opened', SHELF, '2026-11-20', 'fridge', '2026-12-18'],
  ['opened', SHELF, '2027-09-01', 'fridge', '2027-09-12'],
  ['fridge', SHELF, '2026-11-20', 'fridge', '2026-12-18'],
  // Fridge jars have their four weeks from the day they were made, opened or not.
  ['opened', FRIDGE, '2026-10-01', 'fridge', '2026-10-10'],
  // Only frost adds.
  ['freezer', FRIDGE, '2026-10-01', 'freezer', '2027-10-01'],
] as const)('in %s: %#', (place, made, moved, verdict, day) => {
  expect(keptIn(made, place).verdict).toBe(verdict);
  expect(until(made, place, moved)).toBe(day);
});

test('a part jar has its four weeks', () => {
  expect(lastDay(PART_JAR, '2026-09-12', null, addTo)).toBe('2026-10-10');
});

test('nothing is kept that is not to be kept, and nothing gets to the shelf by being moved', () => {
  for (const place of KEPT_IN) {
    expect(keptIn(STOP, place)).toBe(STOP);
    expect(until(STOP, place, '2026-11-20')).toBeNull();
    expect(keptIn(SHELF, place).verdict).not.toBe('shelf');
    expect(canGo(place, null)).toBe(false);
  }
});

test('what was opened stays opened or is frozen; shelf jars go anywhere', () => {
  for (const place of [null, ...KEPT_IN]) expect(canGo(null, place)).toBe(true);
  expect(KEPT_IN.filter((place) => canGo('opened', place))).toEqual(['freezer', 'opened']);
  expect(KEPT_IN.filter((place) => canGo('fridge', place))).toEqual([
    'fridge',
    'freezer',
    'opened',
  ]);
  expect(KEPT_IN.filter((place) => canGo('freezer', place))).toEqual([
    'fridge',
    'freezer',
    'opened',
  ]);
});

test('open lids take shelf jars off the shelf, and make nothing kinder', () => {
  expect(withOpenLids(SHELF, 0)).toBe(SHELF);
  expect(withOpenLids(SHELF, 1)).toMatchObject({
    verdict: 'fridge',
    reason: expect.stringMatching(/^one of them has not sealed/) as string,
  });
  expect(withOpenLids(SHELF, 3).reason).toMatch(/^3 of them have not sealed/);
  for (const kept of [FRIDGE, STOP]) expect(withOpenLids(kept, 2)).toBe(kept);
});

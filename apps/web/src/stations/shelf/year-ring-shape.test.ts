import { angleOf, angleOfDays, arcPath, CENTRE, pointAt, seasonsOf } from './year-ring-shape.js';

test('the year begins at the top and goes round clockwise', () => {
  expect(angleOf(new Date(2026, 0, 1))).toBe(0);
  expect(angleOf(new Date(2026, 6, 2, 12))).toBeCloseTo(Math.PI, 2);
  const [x, y] = pointAt(Math.PI / 2, 100);
  expect(x).toBeCloseTo(CENTRE + 100, 6);
  expect(y).toBeCloseTo(CENTRE, 6);
});

test('jars that last longer than a year go once round, and no further', () => {
  expect(angleOfDays(91.25)).toBeCloseTo(Math.PI / 2, 6);
  expect(angleOfDays(4000)).toBeLessThan(2 * Math.PI);
  expect(angleOfDays(4000)).toBeGreaterThan(6);
});

test('an arc of more than half the year is the large one', () => {
  expect(arcPath(0, Math.PI / 2, 100)).toBe(`M320.0 220.0A100 100 0 0 1 420.0 320.0`);
  expect(arcPath(0, 4, 100)).toContain(' 0 1 1 ');
});

// Months from January as 0, the temperate north; common practice, as in core's table.
test.each([
  ['damson', false, [[7, 3]]],
  ['bitter-orange', false, [[11, 3]]],
  ['damson', true, [[1, 3]]],
  ['passion-fruit', false, []],
  [null, false, []],
] as const)('the season of %s, south of the equator %s', (fruit, southern, expected) =>
  expect(seasonsOf(fruit, southern)).toEqual(expected),
);

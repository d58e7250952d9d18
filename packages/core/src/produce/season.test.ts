import { ingredientById } from './find.js';
import { inSeason, monthsUntilSeason } from './season.js';

// Common practice, the temperate north; the south has the same fruit half a year later.
test.each([
  ['strawberry', 6, true],
  ['strawberry', 12, false],
  ['bitter-orange', 1, true],
  ['bitter-orange', 8, false],
  ['quince', 10, true],
  ['passion-fruit', 3, true],
] as const)('%s in month %i: %s', (id, month, expected) => {
  expect(ingredientById(id)).toBeDefined();
  expect(inSeason(id, month)).toBe(expected);
  expect(inSeason(id, ((month + 5) % 12) + 1, true)).toBe(expected);
});

test.each([
  ['rhubarb', 10, false, 6],
  ['rhubarb', 10, true, 0],
  ['bitter-orange', 11, false, 1],
  ['damson', 9, false, 0],
  ['passion-fruit', 3, false, 0],
] as const)('%s in month %i, south %s: in %i months', (id, month, southern, expected) =>
  expect(monthsUntilSeason(id, month, southern)).toBe(expected),
);

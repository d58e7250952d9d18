import { ingredientById } from './find.js';
import { inSeason } from './season.js';

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

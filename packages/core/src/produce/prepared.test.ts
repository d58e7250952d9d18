import { ingredientById } from './find.js';
import { wasteFrom, withWeighings } from './prepared.js';
import type { Ingredient } from './ingredient.js';

const quince = ingredientById('quince') as Ingredient;
const weighed = (loss: number, times = 1) =>
  Array.from({ length: times }, () => ({
    ingredient: 'quince',
    bought_kg: 2,
    prepared_kg: 2 * (1 - loss),
  }));

test('without weighings the table stands; of other fruit they say nothing', () => {
  expect(wasteFrom(quince, [])).toBe(quince.wastePercent);
  expect(withWeighings(quince, [{ ingredient: 'pear', bought_kg: 1, prepared_kg: 0.5 }])).toBe(
    quince,
  );
});

test('weighings move the estimate towards them, the more the surer', () => {
  const table = quince.wastePercent?.mid ?? 0;
  const once = wasteFrom(quince, weighed(0.25))?.mid ?? 0;
  const often = wasteFrom(quince, weighed(0.25, 8));
  expect(once).toBeLessThan(table);
  expect(once).toBeGreaterThan(25);
  expect(Math.abs((often?.mid ?? 0) - 25)).toBeLessThan(Math.abs(once - 25));
  expect((often?.high ?? 0) - (often?.low ?? 0)).toBeLessThan(15);
});

test('more prepared than bought is a slip and is not learned from', () => {
  expect(wasteFrom(quince, [{ ingredient: 'quince', bought_kg: 1, prepared_kg: 1.2 }])).toBe(
    quince.wastePercent,
  );
});

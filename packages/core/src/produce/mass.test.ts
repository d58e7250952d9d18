import { parseAmount } from '../quantity/index.js';
import { ingredientById } from './find.js';
import { massOf } from './mass.js';
import type { Form } from './ingredient.js';

function grams(text: string, id: string, form?: Form): { low: number; mid: number; high: number } {
  const amount = parseAmount(text);
  const ingredient = ingredientById(id);
  if (!amount.ok || !ingredient) throw new Error(`${text} ${id}`);
  const mass = massOf(amount.amount, ingredient, form ?? ingredient.usualForm);
  if (!mass.ok) throw new Error(mass.message);
  return {
    low: mass.mass_kg.low * 1000,
    mid: mass.mass_kg.mid * 1000,
    high: mass.mass_kg.high * 1000,
  };
}

// Household measures printed in USDA SR Legacy (from memory), within 3 %: what a cup, spoon or
// piece weighs.
test.each<[string, string, Form | undefined, number]>([
  ['1 cup', 'white-sugar', undefined, 200],
  ['1 tsp', 'white-sugar', undefined, 4.2],
  ['1 cup packed', 'brown-sugar', undefined, 220],
  ['1 cup', 'honey', undefined, 339],
  ['1 tbsp', 'honey', undefined, 21],
  ['1 cup', 'maple-syrup', undefined, 315],
  ['1 cup', 'apple-juice', undefined, 248],
  ['1 cup', 'lemon-juice-fresh', undefined, 244],
  ['1 cup', 'blackberry', 'whole', 144],
  ['1 cup', 'raspberry', 'whole', 123],
  ['1 cup', 'blueberry', 'whole', 148],
  ['1 cup', 'strawberry', 'whole', 144],
  ['1 cup', 'strawberry', 'sliced', 166],
  ['1 cup', 'cranberry', 'whole', 100],
  ['1 cup', 'blackcurrant', 'whole', 112],
  ['1 cup', 'gooseberry', 'whole', 150],
  ['1 cup', 'rhubarb', 'chopped', 122],
  ['1 cup', 'apricot', 'sliced', 165],
  ['1 cup', 'plum', 'sliced', 165],
  ['1 cup', 'butter', undefined, 227],
  ['1 cup', 'water', undefined, 236.6],
  ['1 cup', 'salt', undefined, 292],
])('%s of %s (%s) weighs %f g', (text, id, form, expected) =>
  expect(Math.abs(grams(text, id, form).mid / expected - 1)).toBeLessThan(0.03),
);

test('the surer the measuring, the narrower the range: scale, jug, cup, guess', () => {
  const spread = (text: string, id: string, form?: Form): number => {
    const { low, mid, high } = grams(text, id, form);
    return (high - low) / mid;
  };
  const [scale, jug, cup, pieces, guess] = [
    spread('500 g', 'plum'),
    spread('2 cups', 'apple-juice'),
    spread('2 cups', 'plum'),
    spread('8', 'plum'),
    spread('about 8', 'plum'),
  ];
  expect(scale).toBeLessThan(jug);
  expect(jug).toBeLessThan(cup);
  expect(cup).toBeLessThan(pieces);
  expect(pieces).toBeLessThan(guess);
});

test('as bought loses peel, core and stone, and is less sure for it', () => {
  const bought = grams('1 kg', 'quince', 'as-bought');
  expect(bought.mid).toBeCloseTo(640, 6);
  expect(bought.high - bought.low).toBeGreaterThan(
    grams('640 g', 'quince').high - grams('640 g', 'quince').low,
  );
});

test('boxes and pouches are those of pectin', () => {
  expect(grams('1 box', 'pectin-powder').mid).toBe(49);
  expect(grams('2 pouches', 'pectin-liquid').mid).toBe(172);
});

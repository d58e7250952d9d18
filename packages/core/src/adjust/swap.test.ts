import { balance } from '../balance/index.js';
import { readFormula } from '../formula/index.js';
import { assessKeeping } from '../keeping/index.js';
import { documentOf, pot } from '../testing/formula.js';
import { effectOfChange } from './effect.js';
import { ingredientById } from '../produce/index.js';
import { insteadOfSugar, swapped } from './swap.js';

const RASPBERRY = documentOf([
  ['4 cups', 'raspberry', 'crushed'],
  ['900 g', 'white-sugar'],
  ['3 each', 'plum'],
]);
const HERE = { kitchen: { altitude_m: 300 } };
const must = <T>(value: T | undefined): T => {
  if (value === undefined) throw new Error('nothing came of it');
  return value;
};

test('one berry for another keeps the measure and the form', () => {
  const next = must(swapped(RASPBERRY, 0, 'blackcurrant'));
  expect(next.lines[0]).toEqual({ ingredient: 'blackcurrant', amount: '4 cups', form: 'crushed' });
  expect(effectOfChange(RASPBERRY, next, HERE)).toMatch(/set .* → |firmness/);
});

test('pieces are swapped by weight', () => {
  const next = must(swapped(RASPBERRY, 2, 'quince'));
  expect(next.lines[2]).toMatchObject({
    ingredient: 'quince',
    amount: expect.stringMatching(/^\d+ g$/) as string,
  });
  const mass = (document: typeof RASPBERRY): number => balance(pot(document))?.massIn_kg.mid ?? NaN;
  expect(mass(next)).toBeCloseTo(mass(RASPBERRY), 2);
});

test('a swap to low-acid fruit shows in the keeping; an attestation and what was measured do not pass on', () => {
  const attested = {
    ...documentOf([
      ['2 kg', 'plum'],
      ['1.8 kg', 'white-sugar'],
    ]),
    testedSource: { publisher: 'an extension service', year: 2015, unchanged: true },
  };
  const measured = {
    ...attested,
    lines: attested.lines.map((line, i) => (i === 0 ? { ...line, overrides: { pH: 3 } } : line)),
  };
  const next = must(swapped(measured, 0, 'cantaloupe'));
  expect(next).not.toHaveProperty('testedSource');
  expect(next.lines[0]).not.toHaveProperty('overrides');
  expect(effectOfChange(measured, next, HERE)).toMatch(/^storage shelf → refrigerate/);
  expect(assessKeeping(readFormula(next, HERE.kitchen).formula).verdict).toBe('fridge');
});

test('hot peppers for sweet keep the weight of peppers', () => {
  const peppers = documentOf([
    ['500 g', 'sweet-pepper'],
    ['1 kg', 'white-sugar'],
    ['300 ml', 'cider-vinegar'],
  ]);
  expect(must(swapped(peppers, 0, 'hot-pepper')).lines[0]).toMatchObject({ amount: '500 g' });
});

test('what is not there is not swapped', () => {
  expect(swapped(RASPBERRY, 9, 'plum')).toBeUndefined();
  expect(swapped(RASPBERRY, 0, 'moonberry')).toBeUndefined();
  expect(effectOfChange(RASPBERRY, documentOf([]), HERE)).toBeUndefined();
});

test('honey in place of sugar: a fifth more, the rest is water; what has no solids does not stand in', () => {
  // Honey has 17 to 18 % of water (USDA FoodData Central 169640, from memory).
  const honey = must(insteadOfSugar(must(ingredientById('honey'))));
  expect(honey.mass_kg).toBeGreaterThan(1.18);
  expect(honey.mass_kg).toBeLessThan(1.25);
  expect(honey.mass_kg - honey.water_kg).toBeGreaterThan(0.99);
  expect(honey.mass_kg - honey.water_kg).toBeLessThan(1.02);
  const sugar = must(insteadOfSugar(must(ingredientById('white-sugar'))));
  expect(sugar.mass_kg).toBeCloseTo(1, 2);
  expect(insteadOfSugar(must(ingredientById('stevia')))).toBeUndefined();
});

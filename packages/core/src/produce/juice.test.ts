import { parseAmount } from '../quantity/index.js';
import { ingredientById } from './find.js';
import type { Ingredient } from './ingredient.js';
import { massOf } from './mass.js';
import {
  fruitForJuice,
  juiceOf,
  juiceVolume_ml,
  settlesOvernight,
  waterForJuice,
} from './juice.js';

const POUND_KG = 0.45359237;
const CUP_ML = 236.588;
const fruit = (id: string): Ingredient => ingredientById(id) as Ingredient;

// USDA Complete Guide, Guide 7, and National Center for Home Food Preservation, from memory.
test.each([
  ['apple', 3, 3, 4],
  ['slip-skin-grape', 3.5, 1, 5],
  ['crab-apple', 3, 3, 4],
  ['sour-cherry', 3, 0.5, 3.5],
  ['plum', 5, 1.5, 5.5],
  ['redcurrant', 5, 1, 6.5],
  ['quince', 3.5, 7, 4],
  ['blackberry', 3, 0.75, 4],
])('%s: %s lb with %s cups of water give about %s cups', (id, pounds, water, cups) => {
  const mass = pounds * POUND_KG;
  const { juice_kg } = juiceOf(
    [{ ingredient: fruit(id), mass_kg: { low: mass, mid: mass, high: mass } }],
    (water * CUP_ML) / 1000,
  );
  const inCups = (kg: number): number => juiceVolume_ml(fruit(id), kg, 0.7) / CUP_ML;
  expect(Math.abs(inCups(juice_kg.mid) / cups - 1)).toBeLessThan(0.14);
  expect(inCups(juice_kg.low)).toBeLessThan(cups);
  expect(inCups(juice_kg.high)).toBeGreaterThan(cups * 0.97);
});

test('5 cups of grape juice want about 3 1/2 lb and a cup of water', () => {
  const juice_kg = (5 * CUP_ML * 1.06) / 1000;
  const { fruit_kg, water_kg } = fruitForJuice(fruit('slip-skin-grape'), juice_kg);
  expect(Math.abs(fruit_kg.mid / POUND_KG - 3.5)).toBeLessThan(0.4);
  expect((water_kg * 1000) / CUP_ML).toBeCloseTo(1, 0);
});

test('pressed fruit gives more, and there and back is the same', () => {
  const apple = fruit('apple');
  const one = { low: 1, mid: 1, high: 1 };
  const dripped = juiceOf([{ ingredient: apple, mass_kg: one }], waterForJuice(apple));
  const pressed = juiceOf([{ ingredient: apple, mass_kg: one }], waterForJuice(apple), 'press');
  expect(pressed.juice_kg.mid).toBeGreaterThan(dripped.juice_kg.mid * 1.2);
  expect(fruitForJuice(apple, dripped.juice_kg.mid).fruit_kg.mid).toBeCloseTo(1, 9);
});

// Common practice: fresh water on the pulp wins back much of what it holds.
test('dripped twice the same water wins more of the sugar, and little less juice', () => {
  const quince = fruit('quince');
  const fruits = [{ ingredient: quince, mass_kg: { low: 1, mid: 1, high: 1 } }];
  const once = juiceOf(fruits, 1.04);
  const twice = juiceOf(fruits, 1.04, 'drip-twice');
  expect(twice.dissolvedShare).toBeGreaterThan(once.dissolvedShare + 0.1);
  expect(twice.dissolvedShare).toBeLessThan(1);
  expect(twice.juice_kg.mid / once.juice_kg.mid).toBeGreaterThan(0.7);
  expect(twice.juice_kg.mid).toBeLessThan(once.juice_kg.mid);
});

test('grape juice is poured off its crystals: a little of it stays behind', () => {
  const grape = fruit('slip-skin-grape');
  const damson = fruit('damson');
  expect([settlesOvernight(grape), settlesOvernight(damson)]).toEqual([true, false]);
});

// Weights of trade, from memory: apples 42-48 lb a bushel, pears and peaches 48-50, plums 50-56, grapes 44-48.
test.each([
  ['apple', 42, 48],
  ['pear', 48, 50],
  ['plum', 50, 56],
  ['grape', 44, 48],
])('a bushel of %s weighs %s to %s lb as bought', (id, least, most) => {
  const bushel = parseAmount('1 bushel');
  const mass = bushel.ok && massOf(bushel.amount, fruit(id), fruit(id).usualForm);
  if (!mass || !mass.ok) throw new Error('no bushel');
  const waste = 1 - (fruit(id).wastePercent?.mid ?? 0) / 100;
  expect(mass.mass_kg.mid / waste / POUND_KG).toBeGreaterThan(least - 0.01);
  expect(mass.mass_kg.mid / waste / POUND_KG).toBeLessThan(most + 0.01);
});

import { documentOf, type Lines } from '../testing/formula.js';
import type { FormulaDocument } from './document.js';
import { readRatio } from './ratio.js';
import { readFormula, type Reading } from './read.js';

const read = (lines: Lines, rest: Partial<FormulaDocument> = {}): Reading =>
  readFormula(documentOf(lines, rest), { altitude_m: 300 });
const grams = ({ formula }: Reading, index: number): number | undefined => {
  const found = formula.lines.find((line) => line.index === index);
  return found && found.mass_kg.mid * 1000;
};

// Common practice, no source: how cooks and recipes write it.
test.each<[string, string, number]>([
  ['450 g per 600 ml of juice', '1.2 l', 900],
  ['3/4 cup to each cup of juice', '4 cups', 3 * 200],
  ['3/4 cup for every cup', '4 cups', 3 * 200],
  ['for each cup of juice, 3/4 cup', '4 cups', 3 * 200],
  ['1 lb to the pint', '2 pints', 2 * 453.6],
  ['1 cup per cup of the mixture', '4 cups', 4 * 200],
])('sugar %s of %s of juice', (sugar, juice, expected) => {
  const reading = read([
    [juice, 'redcurrant', 'juice'],
    [sugar, 'white-sugar'],
  ]);
  expect(reading.problems).toEqual([]);
  expect((grams(reading, 1) ?? 0) / expected).toBeCloseTo(1, 2);
});

test.each<[string, number]>([
  ['equal weight', 1],
  ['equal weight to the fruit', 1],
  ['its own weight', 1],
  ['the same weight of the fruit', 1],
  ['half the fruit’s weight', 0.5],
  ['three quarters of the weight of the fruit', 0.75],
  ['60 % of the fruit weight', 0.6],
  ['twice the weight of the fruit', 2],
])('sugar: %s', (sugar, share) => {
  const reading = read([
    ['1.2 kg', 'damson'],
    ['300 g', 'quince'],
    [sugar, 'white-sugar'],
  ]);
  expect(reading.problems).toEqual([]);
  expect((grams(reading, 2) ?? 0) / 1500).toBeCloseTo(share, 2);
});

test('a spoon to so many cups, of one line', () => {
  const reading = read([
    ['8 cups', 'applesauce'],
    ['1 tsp to 4 cups', 'ground-spice'],
    ['1/2 tsp per cup of applesauce', 'salt'],
  ]);
  const two = read([
    ['8 cups', 'applesauce'],
    ['2 tsp', 'ground-spice'],
    ['4 tsp', 'salt'],
  ]);
  expect(grams(reading, 1)).toBeCloseTo(grams(two, 1) ?? NaN, 6);
  expect(grams(reading, 2)).toBeCloseTo(grams(two, 2) ?? NaN, 6);
});

test('water to cover follows the fruit, with a wide range', () => {
  const reading = read([
    ['2 kg', 'quince'],
    ['to cover', 'water'],
    ['1 kg', 'white-sugar'],
  ]);
  const water = reading.formula.lines[1]?.mass_kg;
  expect(water?.mid).toBeCloseTo(1.6, 1);
  expect((water?.high ?? 0) / (water?.low ?? 1)).toBeGreaterThan(1.8);
});

test('it follows when anything changes', () => {
  const sugar = (fruit: string): number | undefined =>
    grams(
      read([
        [fruit, 'damson'],
        ['equal weight', 'white-sugar'],
      ]),
      1,
    );
  expect(sugar('3 kg')).toBeCloseTo(3 * (sugar('1 kg') ?? NaN), 6);
});

describe('what cannot be worked out is no amount: it gives no verdict', () => {
  test.each<[Lines, string, RegExp]>([
    [
      [
        ['2 kg', 'apple'],
        ['to taste', 'white-sugar'],
      ],
      'lines[1].amount',
      /log how much/,
    ],
    [[['equal weight', 'white-sugar']], 'lines[0].amount', /none with an amount/],
    [
      [
        ['2 kg', 'apple'],
        ['a good deal', 'white-sugar'],
      ],
      'lines[1].amount',
      /a good deal/,
    ],
  ])('%j', (lines, path, message) => {
    const { problems, formula } = read(lines);
    expect(problems[0]?.path).toBe(path);
    expect(problems[0]?.message).toMatch(message);
    expect(formula.lines.every(({ ingredient }) => ingredient.id !== 'white-sugar')).toBe(true);
  });

  test('acid to taste counts nothing', () => {
    const { formula } = read([
      ['2 kg', 'pear'],
      ['to taste', 'lemon-juice-bottled'],
    ]);
    expect(formula.lines).toHaveLength(1);
  });
});

test('a marmalade waits for its mixture, which sets the sugar', () => {
  const lines: Lines = [
    ['1 kg', 'bitter-orange'],
    ['2 l', 'water'],
    ['cup for cup of the mixture', 'white-sugar'],
  ];
  const waiting = read(lines, { kind: 'marmalade' });
  expect(waiting.problems.map(({ message }) => message).join()).toMatch(/measure the mixture/);
  const measured = read(lines, { kind: 'marmalade', mixture: '9 cups' });
  expect(measured.problems).toEqual([]);
  expect(grams(measured, 2)).toBeCloseTo(9 * 200, 0);
  expect(read(lines, { kind: 'marmalade', mixture: 'much' }).problems[0]?.path).toBe('mixture');
});

test('what is no ratio is none', () => {
  for (const text of ['2 cups', 'about 11 medium', 'sugar', 'a pinch', '1 box', ''])
    expect(readRatio(text)).toBeUndefined();
});

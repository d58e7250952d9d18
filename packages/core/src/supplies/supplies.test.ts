import { readFormula } from '../formula/index.js';
import { documentOf } from '../testing/formula.js';
import { costOf, LID_SUPPLY, needsOf, shoppingList, stockLeft, sumOfNeeds } from './index.js';

const { formula } = readFormula(
  documentOf([
    ['2 kg', 'damson'],
    ['300 ml', 'water'],
    ['1.5 kg', 'white-sugar'],
    ['300 g', 'white-sugar'],
  ]),
);
const needs = needsOf(formula.lines, 8.3);
const amounts = needs.map(({ of, amount }) => [of, Number(amount.toFixed(3))]);

test('each ingredient once, no water, a lid for the part jar too', () =>
  expect(amounts).toEqual([
    ['damson', 2],
    ['white-sugar', 1.8],
    [LID_SUPPLY, 9],
  ]));

test('what is poured is bought by volume', () => {
  const { formula: jelly } = readFormula(
    documentOf(
      [
        ['1 l', 'apple-juice'],
        ['700 g', 'white-sugar'],
      ],
      { kind: 'jelly' },
    ),
  );
  const [juice, sugar] = needsOf(jelly.lines, 0);
  // 1 l weighs what its density says, and comes back as a litre; 11 to 13 °Brix weigh 1.04 to 1.06.
  expect((juice?.amount ?? 0) / (juice?.kgPerLitre ?? 0)).toBeCloseTo(1, 2);
  expect(juice?.kgPerLitre).toBeGreaterThan(1.03);
  expect(juice?.kgPerLitre).toBeLessThan(1.07);
  expect(sugar?.kgPerLitre).toBeUndefined();
});

test('needs of several batches add up', () => {
  const [, sugar] = sumOfNeeds([needs, needs]);
  expect(sugar).toMatchObject({ of: 'white-sugar', amount: 3.6 });
});

test('what is left is what was counted less what was used; never less than nothing', () => {
  const supplies = [
    { of: 'white-sugar', stock: 5 },
    { of: LID_SUPPLY, stock: 6 },
    { of: 'damson', price: 3, per: 1 },
  ];
  const used = new Map([
    ['white-sugar', 1.8],
    [LID_SUPPLY, 9],
  ]);
  expect([...stockLeft(supplies, ({ of }) => used.get(of) ?? 0)]).toEqual([
    ['white-sugar', 3.2],
    [LID_SUPPLY, 0],
  ]);
});

test('to be bought is what is short; what was never counted in full; fruit first', () => {
  const list = shoppingList(
    needs,
    new Map([
      ['white-sugar', 1],
      [LID_SUPPLY, 20],
    ]),
  );
  expect(list.map(({ of, have, buy }) => [of, have, Number(buy.toFixed(2))])).toEqual([
    ['damson', undefined, 2],
    ['white-sugar', 1, 0.8],
    [LID_SUPPLY, 20, 0],
  ]);
});

test('a jar costs its share of what has a price, and it is said what has none', () => {
  // 1.8 kg at 1.20 a kilogram and 9 lids at 4.80 a dozen: 2.16 + 3.60, over 8 jars.
  const cost = costOf(needs, 8, [
    { of: 'white-sugar', price: 2.4, per: 2 },
    { of: LID_SUPPLY, price: 4.8, per: 12 },
  ]);
  expect(cost?.total).toBeCloseTo(5.76, 6);
  expect(cost?.perJar).toBeCloseTo(0.72, 6);
  expect(cost?.unpriced).toEqual(['damsons']);
});

test('without prices, or without jars, nothing is said of the cost', () => {
  expect(costOf(needs, 8, [])).toBeUndefined();
  expect(costOf(needs, 0, [{ of: LID_SUPPLY, price: 4, per: 12 }])).toBeUndefined();
});

test('of one thing under two names, what is there is not taken twice', () => {
  const own = (name: string) => ({
    of: 'other-fruit',
    name,
    amount: 1,
    kgPerLitre: undefined,
    category: 'fruit' as const,
  });
  const list = shoppingList([own('medlars'), own('sloes')], new Map([['other-fruit', 1.25]]));
  expect(list.map(({ name, have, buy }) => [name, have, buy])).toEqual([
    ['medlars', 1.25, 0],
    ['sloes', 0.25, 0.75],
  ]);
});

test('what has no price: lids, counted by the piece, come last', () =>
  expect(costOf(needs, 8, [{ of: 'white-sugar', price: 2.4, per: 2 }])?.unpriced).toEqual([
    'damsons',
    'lids',
  ]));

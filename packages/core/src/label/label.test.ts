import { balance } from '../balance/index.js';
import { readFormula } from '../formula/index.js';
import { documentOf } from '../testing/formula.js';
import { cellAt, LABEL_SHEETS, sheetName, sheetsFor } from './sheets.js';
import { labelContent, lotCode, type LabelledJars } from './label.js';

const ID = '5b0f3c0a-6d0e-4c5b-9a53-2f4f0f0a1b2d';
const jars = (change: Partial<LabelledJars> = {}): LabelledJars => ({
  batchId: ID,
  size: '340-g',
  partFill: null,
  madeOn: '2026-09-12',
  keptIn: null,
  verdict: 'shelf',
  bestBefore: '2027-09-12',
  ...change,
});
const of = (lines: readonly [string, string][], change: Partial<LabelledJars> = {}) => {
  const { formula } = readFormula(
    { ...documentOf(lines), jars: [{ size: '340-g' }] },
    { altitude_m: 300 },
  );
  return labelContent(formula, balance(formula), jars(change));
};
const JAM: [string, string][] = [
  ['1.2 kg', 'damson'],
  ['300 ml', 'water'],
  ['1 kg', 'white-sugar'],
  ['200 g', 'damson'],
];

test('ingredients in order of weight, the same one once, no water; fruit and sugar for 100 g', () => {
  const label = of(JAM);
  expect(label?.ingredients.map(({ name }) => name)).toEqual(['damsons', 'white sugar']);
  // 1.2 kg of solids at 60 to 66 %, and the skins: 1.85 to 2.03 kg of jam from 1.4 kg of fruit.
  expect(label?.fruitPer100_g).toBeGreaterThanOrEqual(69);
  expect(label?.fruitPer100_g).toBeLessThanOrEqual(76);
  expect(label?.sugarPer100_g).toBeGreaterThanOrEqual(60);
  expect(label?.sugarPer100_g).toBeLessThanOrEqual(68);
});

test('a vegetable counts as fruit, as it does for the standards', () => {
  const label = of([
    ['600 g', 'sweet-pepper'],
    ['400 ml', 'cider-vinegar'],
    ['1 kg', 'white-sugar'],
  ]);
  expect(label?.fruitPer100_g).toBeGreaterThan(25);
});

test('a 340 g jar holds about 340 g of jam, and a part jar its part', () => {
  const full = of(JAM)?.net_g ?? 0;
  expect(full).toBeGreaterThan(325);
  expect(full).toBeLessThan(360);
  expect(full % 5).toBe(0);
  expect(of(JAM, { partFill: 0.5 })?.net_g).toBeCloseTo(full / 2, -1);
  // One that was weighed says what it holds.
  expect(of(JAM, { net_g: 352 })?.net_g).toBe(350);
  expect(of(JAM, { net_g: 352, partFill: 0.5 })?.net_g).toBe(175);
});

test('allergens stand out, and honey is not for infants', () => {
  const curd = of(
    [
      ['200 ml', 'lemon-juice'],
      ['300 g', 'white-sugar'],
      ['4', 'whole-egg'],
      ['120 g', 'butter'],
    ],
    { verdict: 'fridge' },
  );
  expect(
    curd?.ingredients
      .filter(({ allergen }) => allergen)
      .map(({ name }) => name)
      .sort(),
  ).toEqual(['butter', 'eggs']);
  expect(
    of([
      ['1 kg', 'damson'],
      ['400 g', 'honey'],
    ])?.warnings,
  ).toEqual(['Honey: not for children under one year.']);
});

test.each([
  ['shelf', 'Keep cool, dark and dry.'],
  ['fridge', 'Keep in the fridge.'],
  ['freezer', 'Keep frozen; thaw in the fridge.'],
] as const)('%s jars say so: %s', (verdict, words) =>
  expect(of(JAM, { verdict })?.storage).toBe(words),
);

test('what is not to be kept gets no label', () => {
  expect(of(JAM, { verdict: 'stop' })).toBeUndefined();
  expect(of(JAM, { bestBefore: null })).toBeUndefined();
});

test('a name with a comma does not read as two', () =>
  expect(
    of([
      ['1 kg', 'apricot'],
      ['800 g', 'white-sugar'],
      ['60 ml', 'lemon-juice-bottled'],
    ])?.ingredients[2],
  ).toEqual({ name: 'bottled lemon juice', allergen: true }));

test('a lot is the day and the batch', () => expect(lotCode('2026-09-12', ID)).toBe('260912-5B0'));

describe.each(LABEL_SHEETS.map((sheet) => [sheet.id, sheet] as const))('%s', (_, sheet) => {
  test('every label lies on the page, none on another', () => {
    const each = sheet.columns * sheet.rows;
    const cells = Array.from({ length: each }, (__, i) => cellAt(sheet, i));
    for (const { page, x, y } of cells) {
      expect(page).toBe(0);
      expect(x).toBeGreaterThanOrEqual(-1e-9);
      expect(y).toBeGreaterThanOrEqual(-1e-9);
      expect(x + sheet.cell.width).toBeLessThanOrEqual(sheet.page.width + 1e-9);
      expect(y + sheet.cell.height).toBeLessThanOrEqual(sheet.page.height + 1e-9);
    }
    for (const [i, one] of cells.entries())
      for (const other of cells.slice(i + 1))
        expect(
          Math.abs(one.x - other.x) >= sheet.cell.width - 1e-9 ||
            Math.abs(one.y - other.y) >= sheet.cell.height - 1e-9,
        ).toBe(true);
    expect(cellAt(sheet, each).page).toBe(1);
  });
});

test('allergens are named each once, whatever they are in', () => {
  const label = of([
    ['200 ml', 'lemon-juice-bottled'],
    ['200 g', 'caster-sugar'],
    ['3 each', 'egg'],
    ['1 each', 'egg-yolk'],
    ['100 g', 'butter'],
  ]);
  expect([...(label?.allergens ?? [])].sort()).toEqual(['egg', 'milk', 'sulphites']);
});

test('a household meets its own paper first, and every sheet once', () => {
  expect(sheetsFor('us').map(({ paper }) => paper)[0]).toBe('letter');
  expect(sheetsFor('metric').map(({ paper }) => paper)[0]).toBe('a4');
  for (const units of ['us', 'metric'] as const)
    expect(new Set(sheetsFor(units))).toEqual(new Set(LABEL_SHEETS));
});

test('a roll is named in the measure of the household', () => {
  const roll = LABEL_SHEETS.find(({ id }) => id === 'roll-62x29');
  if (!roll) throw new Error('no such roll');
  expect(sheetName(roll, 'metric')).toBe('roll, 62 × 29 mm');
  expect(sheetName(roll, 'us')).toBe('roll, 2.4 × 1.1 in');
});

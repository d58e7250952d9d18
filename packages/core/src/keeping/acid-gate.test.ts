import fc from 'fast-check';
import { readFormula, type PotFormula } from '../formula/index.js';
import { worstPH } from './acid-gate.js';

type Line = readonly [amount: string, ingredient: string, form?: string];

const pot = (lines: readonly Line[]): PotFormula => {
  const { formula, problems } = readFormula({
    format: 'idle-kettle/formula',
    version: 1,
    title: 'Pan',
    kind: 'jam',
    method: 'long-boil',
    finish: { type: 'gel-temperature' },
    jars: [{ size: 'half-pint' }],
    place: { altitude: '120 m' },
    lines: lines.map(([amount, ingredient, form]) => ({
      amount,
      ingredient,
      ...(form !== undefined && { form }),
    })),
  });
  if (problems.length > 0) throw new Error(problems[0]?.message);
  return formula;
};
const worst = (...lines: Line[]): number => worstPH(pot(lines));

describe('only known acid counts', () => {
  const PEARS: Line[] = [
    ['1 kg', 'pear'],
    ['900 g', 'white-sugar'],
  ];
  test.each<[string, Line]>([
    ['a box of powdered pectin', ['3 boxes', 'pectin-powder']],
    ['liquid pectin', ['2 pouches', 'pectin-liquid']],
    ['jam sugar', ['1 kg', 'jam-sugar-three-to-one']],
    ['fresh lemon juice', ['200 ml', 'lemon-juice-fresh']],
    ['sliced lemons', ['3', 'lemon']],
    ['lemon zest', ['20 g', 'lemon-zest']],
  ])('%s never lowers the worst pH of pears', (_, line) =>
    expect(worst(...PEARS, line)).toBeGreaterThanOrEqual(worst(...PEARS) - 1e-9),
  );

  test.each<[string, Line]>([
    ['bottled lemon juice', ['60 ml', 'lemon-juice-bottled']],
    ['bottled lime juice', ['60 ml', 'lime-juice-bottled']],
    ['weighed citric acid', ['5 g', 'citric-acid']],
    ['vinegar', ['100 ml', 'cider-vinegar']],
  ])('%s lowers it', (_, line) =>
    expect(worst(...PEARS, line)).toBeLessThan(worst(...PEARS) - 0.1),
  );

  test('among citrus of the acid list lemons count by their row', () => {
    const oranges: Line[] = [
      ['1 kg', 'orange'],
      ['1.5 l', 'water'],
      ['1.8 kg', 'white-sugar'],
    ];
    expect(worst(...oranges, ['3', 'lemon'])).toBeLessThan(worst(...oranges) - 0.1);
  });
});

describe('the doubt of one ingredient is one doubt', () => {
  test.each(['pear', 'apricot', 'cherry', 'blackberry', 'mandarin'])(
    '%s in any number of lines',
    (id) => {
      const rest: Line[] = [
        ['900 g', 'white-sugar'],
        ['30 ml', 'lemon-juice-bottled'],
      ];
      const whole = worst(['1200 g', id], ...rest);
      expect(worst(['600 g', id], ['600 g', id], ...rest)).toBeCloseTo(whole, 6);
      expect(worst(...rest, ['100 g', id], ['500 g', id], ['600 g', id])).toBeCloseTo(whole, 6);
      expect(worst(['1.2 kg', id], ...rest)).toBeCloseTo(whole, 6);
    },
  );

  test('scaling a pan changes nothing', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('pear', 'apricot', 'strawberry', 'plum', 'mandarin'),
        fc.integer({ min: 2, max: 9 }),
        (id, times) => {
          const at = (factor: number): number =>
            worst(
              [`${1000 * factor} g`, id],
              [`${200 * factor} g`, 'water'],
              [`${900 * factor} g`, 'white-sugar'],
              [`${30 * factor} g`, 'lemon-juice-bottled'],
            );
          expect(at(times)).toBeCloseTo(at(1), 6);
        },
      ),
      { seed: 14 },
    );
  });
});

test('water counts at its hardest', () => {
  expect(
    worst(['400 g', 'blueberry'], ['2 l', 'water'], ['1.5 kg', 'white-sugar']),
  ).toBeGreaterThan(4.4);
});

test('what passes with little water can fail with much', () => {
  const kumquats = (water: string): number =>
    worst(['1 kg', 'kumquat'], [water, 'water'], ['1 kg', 'white-sugar']);
  expect(kumquats('400 ml')).toBeLessThanOrEqual(4.4);
  expect(kumquats('700 ml')).toBeGreaterThan(4.4);
});

// FDA, approximate pH of foods, from memory.
test.each([
  ['strawberry', 3.9],
  ['raspberry', 4.0],
  ['peach', 4.1],
  ['nectarine', 4.2],
  ['plum', 4.0],
])('%s alone with sugar is never above its published upper end', (id, highest) =>
  expect(worst(['1 kg', id], ['900 g', 'white-sugar'])).toBeLessThanOrEqual(highest + 1e-9),
);

test('but what a maker measured can still be above it', () => {
  const { formula } = readFormula({
    format: 'idle-kettle/formula',
    version: 1,
    title: 'Pan',
    kind: 'jam',
    method: 'long-boil',
    finish: { type: 'gel-temperature' },
    jars: [],
    lines: [
      { amount: '1 kg', ingredient: 'peach', overrides: { pH: 5, titratableAcidityPercent: 0.2 } },
      { amount: '900 g', ingredient: 'white-sugar' },
    ],
  });
  expect(worstPH(formula)).toBeGreaterThan(4.4);
});

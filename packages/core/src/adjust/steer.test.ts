import { preparePot } from '../balance/index.js';
import { BUTTER, CALCIUM, CURD, documentOf, pot, POWDER, type Lines } from '../testing/formula.js';
import type { FormulaDocument } from '../formula/index.js';
import { steer, steeredValue, STEERED, type Steered } from './steer.js';

const HERE = { kitchen: { altitude_m: 300 } };
const DAMSON = documentOf([
  ['2.4 kg', 'damson'],
  ['300 ml', 'water'],
  ['2.2 kg', 'white-sugar'],
  ['2 tbsp', 'lemon-juice-bottled'],
]);

const at = (document: FormulaDocument | undefined, what: Steered): number => {
  const prepared = document && preparePot(pot(document));
  return (prepared && steeredValue(prepared, what)) ?? NaN;
};

test.each<[string, FormulaDocument, Steered, number, number]>([
  ['a damson jam sharper', DAMSON, 'sharpness', 3.0, 0.03],
  ['a damson jam less sweet', DAMSON, 'sweetness', 0.7, 0.02],
  ['a damson jam softer, stopped sooner', DAMSON, 'firmness', 0.9, 0.05],
  [
    'a powdered-pectin jam softer, with less of it',
    documentOf(
      [
        ['5 cups', 'strawberry', 'crushed'],
        ['1 box', 'pectin-powder'],
        ['3 tbsp', 'lemon-juice-bottled'],
        ['7 cups', 'white-sugar'],
      ],
      POWDER,
    ),
    'firmness',
    0.9,
    0.12,
  ],
  [
    'a calcium-pectin jam firmer',
    documentOf(
      [
        ['4 cups', 'peach', 'crushed'],
        ['1/4 cup', 'lemon-juice-bottled'],
        ['1 cup', 'white-sugar'],
        ['2 tsp', 'pectin-calcium'],
        ['2 tsp', 'calcium-water'],
      ],
      CALCIUM,
    ),
    'firmness',
    1.2,
    0.15,
  ],
  [
    'a butter thicker',
    documentOf(
      [
        ['2 kg', 'quince', 'puree'],
        ['500 g', 'white-sugar'],
      ],
      BUTTER,
    ),
    'firmness',
    1.5,
    0.1,
  ],
])('%s', (_, document, what, to, within) => {
  expect(Math.abs(at(steer(document, what, to, HERE), what) - to)).toBeLessThan(within);
});

test('it moves one thing, and the attestation falls', () => {
  const attested = {
    ...DAMSON,
    testedSource: { publisher: 'an extension service', year: 2015, unchanged: true },
  };
  const sharper = steer(attested, 'sharpness', 3.0, HERE);
  expect(sharper?.lines.slice(0, 3)).toEqual(DAMSON.lines.slice(0, 3));
  expect(sharper?.lines[3]?.amount).toMatch(/ml$/);
  expect(sharper).not.toHaveProperty('testedSource');
  expect(steer(DAMSON, 'sharpness', 3.05, { ...HERE, units: 'us' })?.lines[3]?.amount).toMatch(
    /tbsp|cup|tsp/,
  );
  expect(steer(DAMSON, 'sharpness', 4.2, HERE)?.lines).toHaveLength(3);
});

test('what cannot be reached is gone towards, and what has no lever is left', () => {
  const flat: Lines = [
    ['2 kg', 'cantaloupe'],
    ['1.4 kg', 'white-sugar'],
  ];
  expect(
    at(steer(documentOf(flat), 'sharpness', STEERED.sharpness.least, HERE), 'sharpness'),
  ).toBeLessThan(at(documentOf(flat), 'sharpness') - 1);
  expect(steer(documentOf([['2 kg', 'plum']]), 'sweetness', 1, HERE)).toBeUndefined();
  expect(
    steer(
      documentOf(
        [
          ['100 ml', 'lemon-juice-bottled'],
          ['3 each', 'egg'],
        ],
        CURD,
      ),
      'firmness',
      1,
      HERE,
    ),
  ).toBeUndefined();
  expect(steer(documentOf([['lots', 'plum']]), 'sharpness', 3, HERE)).toBeUndefined();
});

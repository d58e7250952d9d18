import { documentOf, LIQUID, pot, type Lines } from '../testing/formula.js';
import { keep } from '../testing/keeping.js';
import { worstPH } from './acid-gate.js';
import { acidMissing_ml } from './distance.js';

const APRICOT: Lines = [
  ['1.6 kg', 'apricot'],
  ['1.2 kg', 'white-sugar'],
];

test('what is said to be missing is enough, and much less is not', () => {
  const limit = 4.2;
  const ml = acidMissing_ml(pot(documentOf(APRICOT)), limit) ?? NaN;
  const withLemon = (amount_ml: number) =>
    worstPH(pot(documentOf([...APRICOT, [`${amount_ml} ml`, 'lemon-juice-bottled']])));
  expect(withLemon(ml)).toBeLessThanOrEqual(limit);
  expect(withLemon(ml - 15)).toBeGreaterThan(limit);
  expect(keep(['', APRICOT]).reasons[0]?.text).toContain(`about ${ml} ml more bottled lemon juice`);
});

test('no amount a spread could bear brings a melon there, and that is said', () => {
  const melon: Lines = [
    ['2 kg', 'cantaloupe'],
    ['1.4 kg', 'white-sugar'],
  ];
  expect(acidMissing_ml(pot(documentOf(melon)), 4.2)).toBeUndefined();
  expect(keep(['', melon]).reasons[0]?.text).toMatch(/near pH 6\.\d: no amount of lemon juice/);
});

test('a savoury jelly takes vinegar', () => {
  const jelly: Lines = [
    ['1 l', 'pear', 'juice'],
    ['1 kg', 'white-sugar'],
    ['2 pouches', 'pectin-liquid'],
  ];
  expect(keep(['', jelly, { kind: 'savoury-jelly', ...LIQUID }]).reasons[0]?.text).toMatch(
    /about \d+ ml more vinegar of 5 % acid/,
  );
});

test('what it would be without a little of something is said', () => {
  const chips: Lines = [
    ['1 kg', 'raspberry'],
    ['900 g', 'white-sugar'],
    ['100 g', 'baking-chips'],
  ];
  expect(keep(['', chips]).reasons[0]?.text).toMatch(/Without .*chips: shelf, 10 minutes$/);
  expect(
    keep([
      '',
      [
        ['1 kg', 'banana'],
        ['500 g', 'white-sugar'],
      ],
    ]).reasons[0]?.text,
  ).not.toContain('Without');
  expect(
    keep(
      [
        '',
        [
          ['1 kg', 'damson'],
          ['900 g', 'white-sugar'],
        ],
      ],
      { notUnderstood: ['moonfruit'] },
    ).reasons[0]?.text,
  ).toMatch(/moonfruit.* Without it: shelf, 10 minutes$/);
});

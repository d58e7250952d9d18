import fc from 'fast-check';
import { balance } from '../balance/index.js';
import {
  BUTTER,
  CALCIUM,
  documentOf,
  LIQUID,
  pot,
  POWDER,
  type Lines,
} from '../testing/formula.js';
import type { FormulaDocument } from '../formula/index.js';
import { ALCOHOL_TEST_RESULTS, PECTIN_BY_ALCOHOL_TEST } from './alcohol-test.js';
import {
  firmnessWord,
  highMethoxylFirmness,
  highMethoxylLimit,
  lowMethoxylFirmness,
  pectinLeft,
} from './firmness.js';
import { report } from '../testing/report.js';

const set = (
  lines: Lines,
  rest: Partial<FormulaDocument> = {},
): { firmness: number; word: string } => {
  const made = balance(pot(documentOf(lines, rest)));
  return { firmness: made?.set.firmness.mid ?? NaN, word: made?.set.verdict ?? '' };
};

// The grade's definition: a gram of 150-grade pectin sets 150 g of sugar at 65 % and its best pH to
// standard firmness (IFT 5-54, from memory). 65 % sugar with 65/150 % pectin is therefore 1.
test('150 grade is 150 grade', () =>
  expect(highMethoxylFirmness({ solidsPercent: 65, pH: 3.1, pectinPercent: 65 / 150 })).toBeCloseTo(
    1,
    6,
  ));

/**
 * Formulas in the order common practice puts them, from what never sets to what sets firm.
 * Neighbours may tie; a pot is never firmer than one three places on.
 */
const ORDER: readonly [what: string, lines: Lines, rest: Partial<FormulaDocument>][] = [
  [
    'melon with sugar',
    [
      ['1 kg', 'cantaloupe'],
      ['800 g', 'white-sugar'],
    ],
    {},
  ],
  [
    'ripe figs with sugar',
    [
      ['1 kg', 'fig'],
      ['700 g', 'white-sugar'],
    ],
    {},
  ],
  [
    'sweet cherries with sugar',
    [
      ['1 kg', 'cherry'],
      ['800 g', 'white-sugar'],
    ],
    {},
  ],
  [
    'powdered pectin with a quarter of its sugar',
    [
      ['5 cups', 'strawberry', 'crushed'],
      ['1 box', 'pectin-powder'],
      ['1 1/2 cups', 'white-sugar'],
    ],
    POWDER,
  ],
  [
    'pears with sugar',
    [
      ['1 kg', 'pear'],
      ['800 g', 'white-sugar'],
    ],
    {},
  ],
  [
    'strawberries with sugar',
    [
      ['1 kg', 'strawberry'],
      ['900 g', 'white-sugar'],
    ],
    {},
  ],
  [
    'strawberries with sugar and lemon',
    [
      ['1 kg', 'strawberry'],
      ['800 g', 'white-sugar'],
      ['45 ml', 'lemon-juice-bottled'],
    ],
    {},
  ],
  [
    'raspberries, equal weights',
    [
      ['1 kg', 'raspberry'],
      ['1 kg', 'white-sugar'],
    ],
    {},
  ],
  [
    'blackberries with three quarters of sugar',
    [
      ['1 kg', 'blackberry'],
      ['750 g', 'white-sugar'],
      ['30 ml', 'lemon-juice-bottled'],
    ],
    {},
  ],
  [
    'plums, equal weights',
    [
      ['1 kg', 'plum'],
      ['1 kg', 'white-sugar'],
    ],
    {},
  ],
  [
    'strawberry jam with its box of pectin',
    [
      ['5 1/2 cups', 'strawberry', 'crushed'],
      ['1 box', 'pectin-powder'],
      ['8 cups', 'white-sugar'],
    ],
    POWDER,
  ],
  [
    'quince jelly',
    [
      ['1 l', 'quince', 'juice'],
      ['750 g', 'white-sugar'],
    ],
    { kind: 'jelly' },
  ],
  [
    'crab apple jelly',
    [
      ['1 l', 'crab-apple', 'juice'],
      ['750 g', 'white-sugar'],
    ],
    { kind: 'jelly' },
  ],
];

test('thirteen pans in their order', () => {
  const found = ORDER.map(([what, lines, rest]) => ({ what, ...set(lines, rest) }));
  report(
    `set by the model:\n${found.map(({ what, firmness, word }) => `  ${firmness.toFixed(2)} ${word.padEnd(5)} ${what}`).join('\n')}`,
  );
  found.forEach(({ what, firmness }, i) => {
    for (const later of found.slice(i + 3))
      expect([what, later.what, firmness <= later.firmness + 1e-9]).toEqual([
        what,
        later.what,
        true,
      ]);
  });
  expect(found.slice(0, 4).map(({ word }) => word)).toEqual(['none', 'none', 'none', 'none']);
  for (const { what, word } of found.slice(9))
    expect([what, ['good', 'firm'].includes(word)]).toEqual([what, true]);
});

// Common practice: the amounts makers of calcium pectin use set well; without its calcium hardly;
// in jam's sugar badly.
test('calcium pectin: with its measure good, without calcium weaker, half the pectin softer', () => {
  const make = (pectin: string, water: string): number =>
    set(
      [
        ['4 cups', 'peach', 'crushed'],
        ['1/4 cup', 'lemon-juice-bottled'],
        ['1 cup', 'white-sugar'],
        [pectin, 'pectin-calcium'],
        [water, 'calcium-water'],
      ],
      CALCIUM,
    ).firmness;
  const usual = make('2 tsp', '2 tsp');
  expect(firmnessWord(usual)).toBe('good');
  expect(make('2 tsp', '1 pinch')).toBeLessThan(usual);
  expect(make('1 tsp', '2 tsp')).toBeLessThan(usual * 0.7);
});

test('what limits a set is named', () => {
  expect(highMethoxylLimit({ solidsPercent: 65, pH: 3.7, pectinPercent: 0.6 })).toBe(
    'too-little-acid',
  );
  expect(highMethoxylLimit({ solidsPercent: 65, pH: 2.3, pectinPercent: 0.6 })).toBe(
    'too-much-acid',
  );
  expect(highMethoxylLimit({ solidsPercent: 54, pH: 3.1, pectinPercent: 0.6 })).toBe('solids');
  expect(highMethoxylLimit({ solidsPercent: 65, pH: 3.1, pectinPercent: 0.2 })).toBe('pectin');
  expect(highMethoxylLimit({ solidsPercent: 65, pH: 3.1, pectinPercent: 0.5 })).toBeUndefined();
});

test('a butter firms as it is cooked down', () => {
  const butter = (percent: number): number =>
    set([['3 kg', 'applesauce']], { ...BUTTER, finish: { type: 'consistency', percent } }).firmness;
  expect(butter(16)).toBeLessThan(butter(22));
  expect(butter(22)).toBeLessThan(butter(30));
  expect(firmnessWord(butter(28))).toBe('good');
});

test('liquid pectin last, one pouch to 7 cups of sugar: good', () =>
  expect(
    set(
      [
        ['4 cups', 'blueberry', 'crushed'],
        ['2 tbsp', 'lemon-juice-bottled'],
        ['7 cups', 'white-sugar'],
        ['1 pouch', 'pectin-liquid'],
      ],
      LIQUID,
    ).word,
  ).toBe('good'));

test('properties: more pectin never softens, nothing is negative, boiling only weakens', () => {
  const state = fc.record({
    solidsPercent: fc.double({ min: 1, max: 90, noNaN: true }),
    pH: fc.double({ min: 1, max: 9, noNaN: true }),
    pectinPercent: fc.double({ min: 0, max: 3, noNaN: true }),
  });
  fc.assert(
    fc.property(
      state,
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.double({ min: 0, max: 100, noNaN: true }),
      (s, more, calcium) => {
        const richer = { ...s, pectinPercent: s.pectinPercent + more };
        expect(highMethoxylFirmness(s)).toBeGreaterThanOrEqual(0);
        expect(highMethoxylFirmness(richer)).toBeGreaterThanOrEqual(highMethoxylFirmness(s));
        expect(lowMethoxylFirmness(richer, calcium)).toBeGreaterThanOrEqual(
          lowMethoxylFirmness(s, calcium),
        );
        expect(pectinLeft(more * 60 + 1, s.pH)).toBeLessThanOrEqual(pectinLeft(more * 60, s.pH));
      },
    ),
  );
});

// Common practice: the alcohol test tells plenty from some from little.
test('the alcohol test moves the set the way it says', () => {
  const firmness = ALCOHOL_TEST_RESULTS.map((result) => {
    const document = documentOf([
      ['2 kg', 'plum'],
      ['1.8 kg', 'white-sugar'],
    ]);
    const lines = document.lines.map((line, i) =>
      i === 0 ? { ...line, overrides: { pectinPercent: PECTIN_BY_ALCOHOL_TEST[result] } } : line,
    );
    return balance(pot({ ...document, lines }))?.set.firmness.mid ?? NaN;
  });
  const [lump = NaN, flecks = NaN, nothing = NaN] = firmness;
  expect(lump).toBeGreaterThan(flecks * 1.3);
  expect(flecks).toBeGreaterThan(nothing * 1.3);
});

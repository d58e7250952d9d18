import { BUTTER, documentOf, pot, POWDER, type Lines } from '../testing/formula.js';
import { keep } from '../testing/keeping.js';
import type { FormulaDocument } from '../formula/index.js';
import { publishedPatternOf } from './published-patterns.js';

const patternOf = (lines: Lines, rest: Partial<FormulaDocument> = {}) =>
  publishedPatternOf(pot(documentOf(lines, rest)));
type Pot = readonly [name: string, lines: Lines, rest?: Partial<FormulaDocument>];
const JELLY = { kind: 'jelly' } as const;

// USDA Complete Guide to Home Canning, Guide 7, and the National Center for Home Food
// Preservation, from memory.
const MADE: readonly Pot[] = [
  [
    'berry jam, 9 cups',
    [
      ['9 cups', 'blackberry', 'crushed'],
      ['6 cups', 'white-sugar'],
    ],
  ],
  [
    'berry jam, 4 cups',
    [
      ['4 cups', 'boysenberry', 'crushed'],
      ['4 cups', 'white-sugar'],
    ],
  ],
  [
    'berry jam, 4 cups',
    [
      ['1 kg', 'loganberries'],
      ['900 g', 'white-sugar'],
    ],
  ],
  [
    'berry jam, 9 cups',
    [
      ['9 cups', 'gooseberry', 'crushed'],
      ['6 cups', 'white-sugar'],
      ['3 tbsp', 'lemon-juice-bottled'],
    ],
  ],
  [
    'apricot jam',
    [
      ['4 1/2 cups', 'apricot', 'crushed'],
      ['4 cups', 'white-sugar'],
      ['2 tbsp', 'lemon-juice-bottled'],
    ],
  ],
  [
    'apricot jam',
    [
      ['4 cups', 'apricot', 'crushed'],
      ['4 cups', 'white-sugar'],
      ['5 tbsp', 'lemon-juice-bottled'],
    ],
  ],
  [
    'blackberry jelly',
    [
      ['8 cups', 'blackberry', 'juice'],
      ['6 cups', 'white-sugar'],
    ],
    JELLY,
  ],
  [
    'apple jelly',
    [
      ['4 cups', 'apple-juice'],
      ['3 cups', 'white-sugar'],
      ['2 tbsp', 'lemon-juice-bottled'],
    ],
    JELLY,
  ],
  [
    'grape jelly',
    [
      ['5 cups', 'grape', 'juice'],
      ['7 cups', 'white-sugar'],
      ['1 box', 'pectin-powder'],
    ],
    { ...POWDER, ...JELLY },
  ],
  [
    'apple butter',
    [
      ['3 kg', 'apple'],
      ['500 ml', 'apple-cider'],
      ['400 g', 'brown-sugar'],
      ['2 tsp', 'ground-spice'],
    ],
    BUTTER,
  ],
];
test.each(MADE.map((row) => [row[0], row] as const))('%s', (_, [name, lines, rest]) => {
  expect(patternOf(lines, rest)).toContain(name);
  expect(keep(rest ? ['', lines, rest] : ['', lines]).verdict).toBe('shelf');
});

const NONE: readonly Pot[] = [
  [
    'between the two proportions',
    [
      ['1 kg', 'blackberry'],
      ['700 g', 'white-sugar'],
    ],
  ],
  [
    'less sugar than either',
    [
      ['1 kg', 'blackberry'],
      ['400 g', 'white-sugar'],
    ],
  ],
  [
    'a berry that is not named',
    [
      ['4 cups', 'elderberry', 'crushed'],
      ['4 cups', 'white-sugar'],
    ],
  ],
  [
    'something else in it',
    [
      ['4 cups', 'blackberry', 'crushed'],
      ['4 cups', 'white-sugar'],
      ['1 cup', 'water'],
    ],
  ],
  [
    'honey for sugar',
    [
      ['4 cups', 'blackberry', 'crushed'],
      ['4 cups', 'honey'],
    ],
  ],
  [
    'a purée',
    [
      ['4 cups', 'blackberry', 'puree'],
      ['4 cups', 'white-sugar'],
    ],
  ],
  [
    'apricots without lemon',
    [
      ['4 cups', 'apricot', 'crushed'],
      ['4 cups', 'white-sugar'],
    ],
  ],
  [
    'apricots with fresh lemon',
    [
      ['4 cups', 'apricot', 'crushed'],
      ['4 cups', 'white-sugar'],
      ['2 tbsp', 'lemon-juice-fresh'],
    ],
  ],
  [
    'a pear butter',
    [
      ['3 kg', 'pear'],
      ['400 g', 'white-sugar'],
    ],
    BUTTER,
  ],
];
test.each(NONE.map((row) => [row[0], row] as const))('no pattern: %s', (_, [, lines, rest]) =>
  expect(patternOf(lines, rest)).toBeUndefined(),
);

test('over-ripe fruit, fruit measured by the maker, and a meter above the limit are none', () => {
  const berries = (more: object): FormulaDocument => ({
    ...documentOf([['', 'white-sugar']]),
    lines: [
      { ingredient: 'blackberry', form: 'crushed', amount: '4 cups', ...more },
      { ingredient: 'white-sugar', amount: '4 cups' },
    ],
  });
  expect(publishedPatternOf(pot(berries({})))).toBeDefined();
  expect(publishedPatternOf(pot(berries({ ripeness: 'over-ripe' })))).toBeUndefined();
  expect(publishedPatternOf(pot(berries({ overrides: { pH: 4.4 } })))).toBeUndefined();
  const measured = { value: 4.3, meterCalibratedOn: '2026-11-23', measuredOn: '2026-11-23' };
  expect(
    keep([
      '',
      [
        ['4 cups', 'blackberry', 'crushed'],
        ['4 cups', 'white-sugar'],
      ],
      { measuredPH: measured },
    ]).verdict,
  ).toBe('fridge');
});

import { BUTTER, CALCIUM, CURD, type Lines } from '../testing/formula.js';
import { keep } from '../testing/keeping.js';
import type { FormulaDocument } from '../formula/index.js';
import { bestWords } from './storage.js';

const NOT_PROCESSED = { processing: 'none' } as const;
const POTS: readonly (readonly [string, string, Lines, Partial<FormulaDocument>?])[] = [
  [
    'full-sugar jam, not processed',
    '4 weeks',
    [
      ['1 kg', 'damson'],
      ['1 kg', 'white-sugar'],
    ],
    NOT_PROCESSED,
  ],
  [
    'low-sugar spread, not processed',
    '3 weeks',
    [
      ['1 kg', 'strawberry', 'crushed'],
      ['300 g', 'white-sugar'],
      ['3 tsp', 'pectin-calcium'],
    ],
    { ...CALCIUM, ...NOT_PROCESSED },
  ],
  [
    'unsweetened butter',
    '2 weeks',
    [['3 kg', 'apple', 'puree']],
    { ...BUTTER, ...NOT_PROCESSED, finish: { type: 'consistency', percent: 22 } },
  ],
  [
    'passion fruit curd',
    '4 weeks',
    [
      ['200 g', 'passion-fruit', 'puree'],
      ['200 g', 'caster-sugar'],
      ['3 each', 'egg'],
      ['100 g', 'butter'],
    ],
    CURD,
  ],
  [
    'onion and bacon jam',
    '4 days',
    [
      ['1 kg', 'onion'],
      ['200 g', 'meat'],
      ['300 g', 'brown-sugar'],
    ],
  ],
  [
    'quince with cream',
    '4 days',
    [
      ['1 kg', 'quince'],
      ['200 ml', 'milk'],
      ['900 g', 'white-sugar'],
    ],
  ],
  [
    'full-sugar jam',
    '12 months',
    [
      ['1 kg', 'damson'],
      ['1 kg', 'white-sugar'],
    ],
  ],
  [
    'low-sugar spread',
    '6 months',
    [
      ['1 kg', 'strawberry', 'crushed'],
      ['300 g', 'white-sugar'],
      ['3 tsp', 'pectin-calcium'],
    ],
    CALCIUM,
  ],
  [
    'spread with sucralose',
    '6 months',
    [
      ['1 kg', 'strawberry', 'crushed'],
      ['2 tbsp', 'lemon-juice-bottled'],
      ['1/4 cup', 'sucralose'],
      ['3 tsp', 'pectin-calcium'],
    ],
    CALCIUM,
  ],
];
// National Center for Home Food Preservation and common practice, from memory.
test.each(POTS.map((row) => [row[0], row[1], row] as const))(
  '%s: %s',
  (_, words, [, , lines, rest]) => {
    const { storage } = keep(rest ? ['', lines, rest] : ['', lines]);
    expect(bestWords(storage.best)).toBe(words);
    expect(storage.text).toContain(words);
    expect(storage.source.length).toBeGreaterThan(5);
  },
);

test('an unsweetened spread never gets the short process', () => {
  const spread: Lines = [
    ['1 kg', 'strawberry', 'crushed'],
    ['3 tsp', 'pectin-calcium'],
  ];
  const kept = keep(['', spread, { ...CALCIUM, preSterilised: true }, { altitude_m: 0 }]);
  expect(kept).toMatchObject({ verdict: 'shelf', process: { minutes: 10, preSterilise: false } });
});

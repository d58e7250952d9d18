import fc from 'fast-check';
import { balance } from '../balance/index.js';
import { BUTTER, documentOf, pot, type Lines } from '../testing/formula.js';
import { keep, SUGAR } from '../testing/keeping.js';
import type { FormulaDocument } from '../formula/index.js';
import { worstPH } from './acid-gate.js';
import { assessKeeping } from './assess.js';

const codes = (...args: Parameters<typeof keep>) => keep(...args).reasons.map(({ code }) => code);

// docs/safety.md: vegetables, garlic, herbs, mushrooms under oil are never kept.
test.each([
  'carrot',
  'mushroom',
  'garlic',
  'sweet-pepper',
  'fresh-herb',
  'dried-herb',
  'courgette',
  'horseradish',
  'ginger',
  'bean',
])('%s under oil: stop', (id) => {
  const kept = keep([
    '',
    [
      ['500 g', id],
      ['300 ml', 'cooking-oil'],
      ['100 ml', 'distilled-vinegar'],
    ],
  ]);
  expect(kept.verdict).toBe('stop');
  expect(kept.reasons[0]?.code).toBe('under-oil');
});

describe('fat', () => {
  // 0.7 g a kilogram of what goes in; about 1/2 tsp a usual batch.
  test.each([
    ['butter', 2.4, 'shelf'],
    ['butter', 2.8, 'fridge'],
    ['margarine', 2.8, 'fridge'],
    ['cooking-oil', 2.8, 'fridge'],
  ])('%s: %f g in 3.6 kg: %s', (id, grams, verdict) =>
    expect(
      keep([
        '',
        [
          ['2 kg', 'strawberry'],
          ['1.6 kg', 'white-sugar'],
          [`${grams} g`, id],
        ],
      ]).verdict,
    ).toBe(verdict),
  );
  test('half a teaspoon is too much for a small pan', () =>
    expect(
      codes([
        '',
        [
          ['200 g', 'strawberry'],
          ['160 g', 'white-sugar'],
          ['1/2 tsp', 'butter'],
        ],
      ]),
    ).toContain('fat'));
});

describe('the row follows what is in the jar', () => {
  const minutes = (lines: Lines, rest: Partial<FormulaDocument> = {}) =>
    keep(['', lines, rest, { altitude_m: 0 }]).process?.minutes ?? null;
  const solids = (percent: number) => ({ finish: { type: 'soluble-solids', percent } }) as const;
  const POTS: readonly (readonly [string, number | null, Lines, Partial<FormulaDocument>?])[] = [
    [
      'apple purée called jam, 14 %',
      15,
      [
        ['3 kg', 'apple', 'puree'],
        ['2 tbsp', 'lemon-juice-bottled'],
      ],
      solids(14),
    ],
    [
      'stewed apples called jam, 15 %',
      15,
      [
        ['3 kg', 'apple', 'chopped'],
        ['2 tbsp', 'lemon-juice-bottled'],
      ],
      solids(15),
    ],
    [
      'an apple butter at 35 %',
      10,
      [
        ['3 kg', 'apple', 'puree'],
        ['300 g', 'white-sugar'],
      ],
      { ...BUTTER, finish: { type: 'consistency', percent: 35 } },
    ],
    [
      'a thin plum butter',
      15,
      [['3 kg', 'plum', 'puree']],
      { ...BUTTER, finish: { type: 'consistency', percent: 15 } },
    ],
    [
      'cranberry jam',
      15,
      [
        ['1 kg', 'cranberry'],
        ['900 g', 'white-sugar'],
        ['300 ml', 'water'],
      ],
    ],
    [
      'cranberry and orange conserve',
      15,
      [
        ['700 g', 'cranberry'],
        ['300 g', 'orange'],
        ['900 g', 'white-sugar'],
      ],
      { kind: 'conserve' },
    ],
    ['strawberry jam', 10, [['1 kg', 'strawberry'], SUGAR]],
    [
      'plums in a light syrup called jam',
      null,
      [
        ['2 kg', 'plum', 'sliced'],
        ['1 l', 'water'],
        ['400 g', 'white-sugar'],
      ],
      solids(25),
    ],
    [
      'sour cherries in syrup',
      null,
      [
        ['2 kg', 'sour-cherry', 'pitted'],
        ['400 g', 'white-sugar'],
      ],
      { kind: 'syrup', method: 'no-gel', ...solids(30) },
    ],
    [
      'blackcurrant syrup of juice',
      10,
      [['1.2 l', 'blackcurrant', 'juice'], SUGAR],
      { kind: 'syrup', method: 'no-gel', ...solids(58) },
    ],
  ];
  test.each(POTS.map((row) => [row[0], row[1], row] as const))(
    '%s: %s min',
    (_, wanted, [, , lines, rest]) => expect(minutes(lines, rest)).toBe(wanted),
  );
  test('in pints and quarts too: a thin butter has no row for a quart', () => {
    const thin = {
      ...BUTTER,
      finish: { type: 'consistency', percent: 15 },
      jars: [{ size: 'quart' }],
    } satisfies Partial<FormulaDocument>;
    expect(keep(['', [['3 kg', 'apple', 'puree']], thin]).verdict).toBe('fridge');
  });
});

describe('above the tables', () => {
  // Our choice: no row above 10,000 ft (3,048 m).
  test.each([
    [3048, 'shelf', 20],
    [3049, 'fridge', null],
    [8849, 'fridge', null],
  ])('%i m: %s', (altitude_m, verdict, minutes) => {
    const kept = keep(['', [['1 kg', 'damson'], SUGAR], {}, { altitude_m }]);
    expect(kept.verdict).toBe(verdict);
    expect(kept.process?.minutes ?? null).toBe(minutes);
  });
  test('it says so, and does not ask for the altitude again', () => {
    const said = codes(['', [['1 kg', 'damson'], SUGAR], {}, { altitude_m: 4000 }]);
    expect(said).toContain('too-high');
    expect(said).not.toContain('altitude-needed');
  });
});

describe('two amounts of a line', () => {
  const lemony = (amount: string, alsoStated: string): FormulaDocument => ({
    ...documentOf([['1 kg', 'apricot'], SUGAR]),
    lines: [
      { ingredient: 'apricot', amount: '1 kg' },
      { ingredient: 'white-sugar', amount: '900 g' },
      { ingredient: 'lemon-juice-bottled', amount, alsoStated },
    ],
  });
  const verdictOf = (document: FormulaDocument) => assessKeeping(pot(document)).verdict;
  test('that disagree by over a quarter: the worse one, whichever was written first', () => {
    expect(verdictOf(lemony('120 ml', '8 tbsp'))).toBe('shelf');
    expect(verdictOf(lemony('120 ml', '1 tbsp'))).toBe('fridge');
    expect(verdictOf(lemony('1 tbsp', '120 ml'))).toBe('fridge');
    expect(assessKeeping(pot(lemony('120 ml', '1 tbsp'))).reasons.at(-1)?.code).toBe('two-amounts');
  });
  test('too much of a fat in the second amount is seen', () =>
    expect(
      verdictOf({
        ...documentOf([
          ['2 kg', 'strawberry'],
          ['1.6 kg', 'white-sugar'],
        ]),
        lines: [
          { ingredient: 'strawberry', amount: '2 kg' },
          { ingredient: 'white-sugar', amount: '1.6 kg' },
          { ingredient: 'butter', amount: '2 g', alsoStated: '2 tbsp' },
        ],
      }),
    ).toBe('fridge'));
});

test.each<readonly [string, Lines]>([
  ['peel, water and sugar', [['300 g', 'orange', 'peel'], ['1 l', 'water'], SUGAR]],
  ['lemon zest, water and sugar', [['100 g', 'lemon-zest'], ['1 l', 'water'], SUGAR]],
])('%s are no acid fruit', (_, lines) => expect(codes(['', lines])).toContain('no-acid'));

describe('doubt of the same thing is one doubt', () => {
  /** Pots of fruit, sugar and acid as a household writes them. */
  const amounts = fc.record({
    fruit: fc.constantFrom(
      'pear',
      'apricot',
      'cherry',
      'mandarin',
      'blackberry',
      'strawberry',
      'damson',
    ),
    fruit_g: fc.integer({ min: 300, max: 4000 }),
    sugar_g: fc.integer({ min: 200, max: 3000 }),
    lemon_g: fc.integer({ min: 1, max: 150 }),
    share: fc.double({ min: 0.1, max: 0.9, noNaN: true }),
  });
  const linesOf = (
    {
      fruit,
      fruit_g,
      sugar_g,
      lemon_g,
    }: { fruit: string; fruit_g: number; sugar_g: number; lemon_g: number },
    k = 1,
  ): [string, string][] => [
    [`${fruit_g * k} g`, fruit],
    [`${sugar_g * k} g`, 'white-sugar'],
    [`${lemon_g * k} g`, 'lemon-juice-bottled'],
  ];
  const ranges = (lines: Lines) => {
    const formula = pot(documentOf(lines));
    const made = balance(formula);
    if (!made) throw new Error('nothing in the pan');
    return {
      verdict: assessKeeping(formula, {}, made).verdict,
      numbers: [
        worstPH(formula),
        ...[
          made.massIn_kg,
          made.finish.solubleSolidsPercent,
          made.finish.mass_kg,
          made.pH,
          made.titratableAcidityPercent,
          made.set.firmness,
          made.waterToBoilOff_kg,
          ...made.jars.map(({ count }) => count),
        ].flatMap(({ low, mid, high }) => [low, mid, high]),
      ],
    };
  };
  const expectSame = (one: Lines, other: Lines): void => {
    const [a, b] = [ranges(one), ranges(other)];
    expect(b.verdict).toBe(a.verdict);
    a.numbers.forEach((number, i) =>
      expect(Math.abs((b.numbers[i] ?? NaN) - number)).toBeLessThan(1e-6 * (1 + Math.abs(number))),
    );
  };
  test('splitting, merging and reordering change no verdict and no range', () =>
    fc.assert(
      fc.property(amounts, (given) => {
        const whole = linesOf(given);
        const [[, fruit] = ['', ''], ...rest] = whole;
        const first_g = given.fruit_g * given.share;
        const split: Lines = [
          ...rest,
          [`${first_g} g`, fruit],
          [`${given.fruit_g - first_g} g`, fruit],
        ];
        expectSame(whole, split);
        expectSame(whole, [...whole].reverse());
      }),
      { numRuns: 150 },
    ));
  test('scaling changes neither verdict nor the highest pH', () =>
    fc.assert(
      fc.property(amounts, fc.double({ min: 0.3, max: 8, noNaN: true }), (given, k) => {
        const [one, other] = [ranges(linesOf(given)), ranges(linesOf(given, k))];
        expect(other.verdict).toBe(one.verdict);
        expect(other.numbers[0]).toBeCloseTo(one.numbers[0] ?? NaN, 6);
      }),
      { numRuns: 100 },
    ));
  test('grams, kilograms, ounces and pounds are the same', () => {
    for (const fruit of ['pear', 'apricot', 'blackberry'])
      for (const amount of ['1 kg', '35.27396195 oz', '2.204622622 lb'])
        expectSame(
          [
            ['1000 g', fruit],
            ['800 g', 'white-sugar'],
          ],
          [
            [amount, fruit],
            ['0.8 kg', 'white-sugar'],
          ],
        );
  });
});

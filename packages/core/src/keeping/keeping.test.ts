import fc from 'fast-check';
import {
  FIGS,
  fingerprintOf,
  keep,
  LEMON_CURD,
  MEASURED,
  SUGAR,
  TESTED,
  TODAY,
  type Case,
} from '../testing/keeping.js';
import {
  BUTTER,
  CALCIUM,
  CURD,
  documentOf,
  LIQUID,
  pot,
  POWDER,
  type Lines,
} from '../testing/formula.js';
import type { FormulaDocument } from '../formula/index.js';
import { edited } from '../adjust/index.js';
import { INGREDIENTS } from '../produce/index.js';
import { assessKeeping } from './assess.js';
import { KEEPING_VERDICTS, type KeepingVerdict } from './verdict.js';

const without = (lines: Lines, id: string): Lines =>
  lines.filter(([, ingredient]) => ingredient !== id);
const swapped = (lines: Lines, id: string, by: readonly [string, string]): Lines => [
  ...without(lines, id),
  by,
];

/**
 * Formulas that must never get a shelf verdict, rule by rule, and every way round it that was
 * thought of.
 */
const DANGEROUS: readonly Case[] = [
  // Rule 1: curds.
  [
    'lemon curd with fresh juice',
    swapped(LEMON_CURD, 'lemon-juice-bottled', ['1 cup', 'lemon-juice-fresh']),
    CURD,
  ],
  [
    'lemon curd with half the juice',
    swapped(LEMON_CURD, 'lemon-juice-bottled', ['1/2 cup', 'lemon-juice-bottled']),
    CURD,
  ],
  ['lemon curd with more egg', swapped(LEMON_CURD, 'egg', ['6 each', 'egg']), CURD],
  ['lemon curd with more butter', swapped(LEMON_CURD, 'butter', ['1 cup', 'butter']), CURD],
  [
    'lemon curd with less sugar',
    swapped(LEMON_CURD, 'caster-sugar', ['1 1/2 cups', 'caster-sugar']),
    CURD,
  ],
  ['lemon curd with passion fruit in it', [...LEMON_CURD, ['60 g', 'passion-fruit']], CURD],
  ['lemon curd in pints', LEMON_CURD, { ...CURD, jars: [{ size: 'pint' }] }],
  ['lemon curd in steam', LEMON_CURD, { ...CURD, processing: 'steam' }],
  [
    'lemon curd taken off at 160 F',
    LEMON_CURD,
    { ...CURD, finish: { type: 'curd', temperature: '160 F' } },
  ],
  [
    'passion fruit curd',
    [
      ['200 g', 'passion-fruit'],
      ['230 g', 'caster-sugar'],
      ['3 each', 'egg'],
      ['120 g', 'butter'],
    ],
    CURD,
  ],
  [
    'orange curd attested as tested',
    [
      ['200 ml', 'orange-juice'],
      ['230 g', 'caster-sugar'],
      ['3 each', 'egg'],
      ['120 g', 'butter'],
    ],
    { ...CURD, testedSource: TESTED },
  ],
  ['lemon curd not processed', LEMON_CURD, { ...CURD, processing: 'none' }],
  ['lemon curd, no altitude', LEMON_CURD, CURD, {}],
  // Rule 2.
  [
    'pumpkin butter',
    [
      ['2 kg', 'pumpkin', 'puree'],
      ['600 g', 'white-sugar'],
      ['120 ml', 'lemon-juice-bottled'],
    ],
    BUTTER,
  ],
  [
    'pumpkin butter attested as tested',
    [
      ['2 kg', 'pumpkin', 'puree'],
      ['600 g', 'white-sugar'],
    ],
    { ...BUTTER, testedSource: TESTED },
  ],
  [
    'pumpkin butter with a measured pH',
    [
      ['2 kg', 'pumpkin', 'puree'],
      ['600 g', 'white-sugar'],
      ['300 ml', 'lemon-juice-bottled'],
    ],
    { ...BUTTER, measuredPH: MEASURED },
  ],
  ['butternut in quince jam', [['1 kg', 'quince'], ['100 g', 'pumpkin'], SUGAR]],
  ['raspberry jam with chocolate', [['1 kg', 'raspberry'], ['100 g', 'baking-chips'], SUGAR]],
  ['raspberry jam with cream', [['1 kg', 'raspberry'], ['60 ml', 'milk'], SUGAR]],
  ['plum jam with butter beyond a trace', [['1 kg', 'plum'], SUGAR, ['2 tbsp', 'butter']]],
  ['plum jam with oil', [['1 kg', 'plum'], SUGAR, ['30 ml', 'cooking-oil']]],
  [
    'plum jam with a spoon of flavouring oil',
    [['1 kg', 'plum'], SUGAR, ['1 tbsp', 'essential-oil']],
  ],
  [
    'blackcurrant jam thickened with corn starch',
    [['1 kg', 'blackcurrant'], SUGAR, ['30 g', 'cornstarch']],
  ],
  [
    'apple butter thickened with flour',
    [
      ['2 kg', 'applesauce'],
      ['500 g', 'white-sugar'],
      ['20 g', 'flour'],
    ],
    BUTTER,
  ],
  ['redcurrant jam with egg', [['1 kg', 'redcurrant'], SUGAR, ['1 each', 'egg']]],
  [
    'onion and bacon jam',
    [
      ['1 kg', 'onion'],
      ['200 g', 'meat'],
      ['300 ml', 'cider-vinegar'],
      ['400 g', 'brown-sugar'],
    ],
  ],
  ['rhubarb jam with baking soda', [['1 kg', 'rhubarb'], SUGAR, ['1 tsp', 'baking-soda']]],
  [
    'banana butter',
    [
      ['1.5 kg', 'banana', 'puree'],
      ['400 g', 'white-sugar'],
      ['120 ml', 'lemon-juice-bottled'],
    ],
    BUTTER,
  ],
  [
    'fig butter with a measured pH',
    [
      ['2 kg', 'fig', 'puree'],
      ['400 g', 'white-sugar'],
      ['200 ml', 'lemon-juice-bottled'],
    ],
    { ...BUTTER, measuredPH: MEASURED },
  ],
  [
    'sweet potato butter',
    [
      ['1.5 kg', 'sweet-potato', 'puree'],
      ['400 g', 'white-sugar'],
    ],
    BUTTER,
  ],
  // Rule 3: produce that may reach 4.6.
  ...(
    [
      'cantaloupe',
      'watermelon',
      'banana',
      'papaya',
      'mango',
      'fig',
      'date',
      'lychee',
      'persimmon',
      'cactus-fruit',
      'coconut',
      'asian-pear',
      'white-peach',
      'elderberry',
      'tomato',
      'sweet-pepper',
      'hot-pepper',
      'onion',
      'garlic',
      'carrot',
      'beetroot',
      'courgette',
      'sweetcorn',
      'sweet-potato',
      'rose-hip',
    ] as const
  ).map((id): Case => [
    `${id} jam with half its weight in lemon juice`,
    [
      ['1 kg', id],
      ['800 g', 'white-sugar'],
      ['500 ml', 'lemon-juice-bottled'],
    ],
  ]),
  [
    'flower jelly',
    [
      ['1 l', 'flower-infusion'],
      ['60 ml', 'lemon-juice-bottled'],
      ['1 box', 'pectin-powder'],
      ['800 g', 'white-sugar'],
    ],
    { kind: 'jelly', ...POWDER },
  ],
  [
    'herb jelly with vinegar',
    [
      ['500 ml', 'herb-infusion'],
      ['250 ml', 'cider-vinegar'],
      ['1.2 kg', 'white-sugar'],
      ['1 pouch', 'pectin-liquid'],
    ],
    { kind: 'savoury-jelly', ...LIQUID },
  ],
  [
    'apple jelly with herbs by the handful',
    [
      ['1 l', 'apple-juice'],
      ['120 ml', 'wine-vinegar'],
      ['60 g', 'fresh-herb'],
      ['900 g', 'white-sugar'],
    ],
    { kind: 'savoury-jelly' },
  ],
  [
    'pepper jelly with a splash of vinegar',
    [
      ['700 g', 'sweet-pepper'],
      ['50 ml', 'cider-vinegar'],
      ['1.2 kg', 'white-sugar'],
      ['1 pouch', 'pectin-liquid'],
    ],
    { kind: 'savoury-jelly', ...LIQUID },
  ],
  [
    'pepper jelly with plenty of vinegar, untested',
    [
      ['200 g', 'sweet-pepper'],
      ['60 g', 'hot-pepper'],
      ['400 ml', 'cider-vinegar'],
      ['1.3 kg', 'white-sugar'],
      ['2 pouches', 'pectin-liquid'],
    ],
    { kind: 'savoury-jelly', ...LIQUID },
  ],
  [
    'a little elderberry in apple jelly',
    [
      ['1 l', 'apple-juice'],
      ['50 ml', 'elderberry', 'juice'],
      ['800 g', 'white-sugar'],
    ],
    { kind: 'jelly' },
  ],
  ['strawberry and banana', [['1 kg', 'strawberry'], ['150 g', 'banana'], SUGAR]],
  ['plum jam with a clove of garlic', [['1 kg', 'plum'], ['1 each', 'garlic'], SUGAR]],
  [
    'pear jam with ginger by the cup',
    [['1 kg', 'pear'], ['1 cup', 'ginger'], SUGAR, ['120 ml', 'lemon-juice-bottled']],
  ],
  [
    'nut spread with a little plum',
    [
      ['300 g', 'plum'],
      ['200 g', 'nuts'],
      ['300 g', 'white-sugar'],
    ],
  ],
  // Rule 3: ways round it.
  [
    'figs, pH overridden to 3.5',
    FIGS,
    {
      lines: FIGS.map(([amount, ingredient]) => ({
        amount,
        ingredient,
        overrides: { pH: 3.5, titratableAcidityPercent: 2 },
      })),
    },
  ],
  [
    'an own ingredient said to be sour',
    [SUGAR],
    {
      lines: [
        {
          name: 'my fruit',
          composition: { solubleSolidsPercent: 12, pH: 3, titratableAcidityPercent: 2 },
          amount: '1 kg',
        },
        { ingredient: 'white-sugar', amount: '900 g' },
      ],
    },
  ],
  [
    'an own ingredient in plum jam',
    [SUGAR],
    {
      lines: [
        { ingredient: 'plum', amount: '1 kg' },
        { name: 'secret', composition: { solubleSolidsPercent: 50, pH: 3 }, amount: '20 g' },
        { ingredient: 'white-sugar', amount: '900 g' },
      ],
    },
  ],
  ['figs attested, but not as unchanged', FIGS, { testedSource: { ...TESTED, unchanged: false } }],
  [
    'figs attested in the short form',
    FIGS,
    { testedSource: { publisher: 'State extension service', year: 2015, unchanged: true } },
  ],
  ['figs by a family recipe', FIGS, { testedSource: { ...TESTED, kind: 'other' } }],
  ['figs attested without a title', FIGS, { testedSource: { ...TESTED, title: '' } }],
  ['figs attested without a page', FIGS, { testedSource: { ...TESTED, page: '' } }],
  ['figs tested in a smaller jar', FIGS, { testedSource: { ...TESTED, jar: '4-oz' } }],
  ['figs tested in boiling water, in steam', FIGS, { testedSource: TESTED, processing: 'steam' }],
  ['figs of a year still to come', FIGS, { testedSource: { ...TESTED, year: 2027 } }],
  ['figs with a pH that the document tells of', FIGS, { measuredPH: MEASURED }],
  ['figs attested without a year', FIGS, { testedSource: { ...TESTED, year: 0 } }],
  ['figs from an old book', FIGS, { testedSource: { ...TESTED, year: 1931 } }],
  [
    'figs attested, then edited',
    FIGS,
    {
      testedSource: {
        ...TESTED,
        of: fingerprintOf(documentOf([...FIGS.slice(0, 2), ['150 ml', 'lemon-juice-bottled']])),
      },
    },
  ],
  ['figs attested, then processed shorter', FIGS, { testedSource: TESTED, processMinutes: 5 }],
  ['figs measured at 4.3', FIGS, { measuredPH: { ...MEASURED, value: 4.3 } }],
  ['figs measured at a pH no spread has', FIGS, { measuredPH: { ...MEASURED, value: 1.6 } }],
  // Rule 4.
  ['pears and sugar', [['1 kg', 'pear'], SUGAR]],
  ['apricots and sugar', [['1 kg', 'apricot'], SUGAR]],
  [
    'apricots with a spoon of lemon',
    [['1 kg', 'apricot'], SUGAR, ['1 tbsp', 'lemon-juice-bottled']],
  ],
  [
    'ripe blackberries and sugar in no published proportion',
    [
      ['1 kg', 'blackberry'],
      ['500 g', 'white-sugar'],
    ],
  ],
  ['sweet cherries and sugar', [['1 kg', 'cherry'], SUGAR]],
  ['mandarins and sugar', [['1 kg', 'mandarin'], SUGAR]],
  [
    'pears said to be pH 3.4',
    [SUGAR],
    {
      lines: [
        { ingredient: 'pear', amount: '1 kg', overrides: { pH: 3.4 } },
        { ingredient: 'white-sugar', amount: '900 g' },
      ],
    },
  ],
  [
    'pears said to be very sour',
    [SUGAR],
    {
      lines: [
        { ingredient: 'pear', amount: '1 kg', overrides: { titratableAcidityPercent: 3 } },
        { ingredient: 'white-sugar', amount: '900 g' },
      ],
    },
  ],
  [
    'peaches measured at pH 4.5',
    [['1 kg', 'peach'], SUGAR],
    { measuredPH: { ...MEASURED, value: 4.5 } },
  ],
  [
    'peaches said to be pH 5',
    [SUGAR],
    {
      lines: [
        {
          ingredient: 'peach',
          amount: '1 kg',
          overrides: { pH: 5, titratableAcidityPercent: 0.1 },
        },
        { ingredient: 'white-sugar', amount: '900 g' },
      ],
    },
  ],
  ['pears with wine for acid', [['1 kg', 'pear'], SUGAR, ['60 ml', 'wine']]],
  [
    'syrup of sugar and water',
    [
      ['1 kg', 'white-sugar'],
      ['500 ml', 'water'],
    ],
    { kind: 'syrup', method: 'no-gel', finish: { type: 'soluble-solids', percent: 65 } },
  ],
  // Rules 6 and 7, and the altitude.
  ['damson jam, hot filled', [['1 kg', 'damson'], SUGAR], { processing: 'hot-fill' }],
  ['damson jam, not processed', [['1 kg', 'damson'], SUGAR], { processing: 'none' }],
  ['damson jam in quarts', [['1 kg', 'damson'], SUGAR], { jars: [{ size: 'quart' }] }],
  [
    'damson jam in half-pints and a litre jar',
    [['1 kg', 'damson'], SUGAR],
    { jars: [{ size: 'half-pint' }, { size: '1-l' }] },
  ],
  ['apple butter in litre jars', [['3 kg', 'applesauce']], { ...BUTTER, jars: [{ size: '1-l' }] }],
  ['damson jam, no altitude', [['1 kg', 'damson'], SUGAR], {}, {}],
  ['damson jam, only a boiling point', [['1 kg', 'damson'], SUGAR], {}, { boilingPoint_C: 99 }],
  ['damson jam, only a pressure', [['1 kg', 'damson'], SUGAR], {}, { pressure_kPa: 101 }],
  ['damson jam for 3 minutes', [['1 kg', 'damson'], SUGAR], { processMinutes: 3 }],
  [
    'damson jam for 10 minutes at 2,000 m',
    [['1 kg', 'damson'], SUGAR],
    { processMinutes: 10 },
    { altitude_m: 2000 },
  ],
  // Stop.
  [
    'garlic in oil',
    [
      ['200 g', 'garlic'],
      ['500 ml', 'cooking-oil'],
    ],
  ],
  [
    'rosemary in oil',
    [
      ['5 each', 'fresh-herb'],
      ['500 ml', 'cooking-oil'],
    ],
  ],
  [
    'peppers in oil with vinegar',
    [
      ['500 g', 'sweet-pepper'],
      ['300 ml', 'cooking-oil'],
      ['100 ml', 'cider-vinegar'],
    ],
  ],
];

test('the table of dangerous formulas has at least 60', () =>
  expect(DANGEROUS.length).toBeGreaterThanOrEqual(60));
test.each(DANGEROUS.map((row) => [row[0], row] as const))('never for the shelf: %s', (_, row) => {
  const { verdict, process, reasons } = keep(row);
  expect(verdict).not.toBe('shelf');
  expect(process).toBeNull();
  expect(reasons.length).toBeGreaterThan(0);
  for (const { text, source } of reasons) expect(text.length > 10 && source.length > 5).toBe(true);
});
test.each([
  ['garlic in oil'],
  ['rosemary in oil'],
  ['peppers in oil with vinegar'],
  ['damson jam for 3 minutes'],
])('%s: stop', (name) => {
  const row = DANGEROUS.find(([n]) => n === name);
  expect(row && keep(row).verdict).toBe('stop');
});

const jam = (id: string, more: Lines = [], rest: Partial<FormulaDocument> = {}): Case => [
  `${id} jam${more.length > 0 ? ` with ${more.map(([a, i]) => `${a} ${i}`).join(', ')}` : ''}`,
  [['1 kg', id], SUGAR, ...more],
  rest,
];

/** Ordinary formulas that keep. */
const SAFE: readonly Case[] = [
  ...[
    'apple',
    'tart-apple',
    'crab-apple',
    'bilberry',
    'blackcurrant',
    'blueberry',
    'sour-cherry',
    'cranberry',
    'damson',
    'gooseberry',
    'grape',
    'slip-skin-grape',
    'guava',
    'nectarine',
    'passion-fruit',
    'peach',
    'pineapple',
    'plum',
    'quince',
    'raspberry',
    'redcurrant',
    'rhubarb',
    'strawberry',
  ].map((id) => jam(id)),
  jam('blackberry', [['60 ml', 'lemon-juice-bottled']]),
  jam('cherry', [['60 ml', 'lemon-juice-bottled']]),
  jam('pear', [['45 ml', 'lemon-juice-bottled']]),
  jam('apricot', [['130 ml', 'lemon-juice-bottled']]),
  jam('mandarin', [['60 ml', 'lemon-juice-bottled']]),
  jam('quince', [
    ['1 tsp', 'vanilla'],
    ['1/2 tsp', 'ground-spice'],
  ]),
  jam('rhubarb', [['20 g', 'ginger']]),
  jam('plum', [['1/4 tsp', 'butter']]),
  jam('pear', [
    ['45 ml', 'lemon-juice-bottled'],
    ['30 ml', 'liqueur'],
  ]),
  jam('damson', [], { processing: 'steam' }),
  jam('damson', [], { preSterilised: true }),
  jam('damson', [], { jars: [{ size: '340-g' }] }),
  jam('damson', [], { jars: [{ size: 'pint' }] }),
  jam('damson', [], { processMinutes: 25 }),
  [
    'bitter orange marmalade',
    [
      ['1 kg', 'bitter-orange'],
      ['2 l', 'water'],
      ['1.8 kg', 'white-sugar'],
    ],
    { kind: 'marmalade' },
  ],
  [
    'kumquat marmalade',
    [
      ['1 kg', 'kumquat'],
      ['400 ml', 'water'],
      ['1 kg', 'white-sugar'],
    ],
    { kind: 'marmalade' },
  ],
  [
    'grapefruit and lemon marmalade',
    [
      ['1 kg', 'grapefruit'],
      ['2 each', 'lemon'],
      ['1 l', 'water'],
      ['1.4 kg', 'white-sugar'],
    ],
    { kind: 'marmalade' },
  ],
  [
    'orange marmalade',
    [
      ['1 kg', 'orange'],
      ['1 each', 'lemon'],
      ['1 l', 'water'],
      ['1.2 kg', 'white-sugar'],
    ],
    { kind: 'marmalade' },
  ],
  [
    'redcurrant jelly',
    [
      ['1 l', 'redcurrant', 'juice'],
      ['900 g', 'white-sugar'],
    ],
    { kind: 'jelly' },
  ],
  [
    'apple jelly',
    [
      ['1 l', 'apple-juice'],
      ['2 tbsp', 'lemon-juice-bottled'],
      ['750 g', 'white-sugar'],
    ],
    { kind: 'jelly' },
  ],
  [
    'grape jelly with powder',
    [
      ['5 cups', 'slip-skin-grape', 'juice'],
      ['1 box', 'pectin-powder'],
      ['7 cups', 'white-sugar'],
    ],
    { kind: 'jelly', ...POWDER },
  ],
  [
    'wine jelly',
    [
      ['3 cups', 'wine'],
      ['1/2 cup', 'lemon-juice-bottled'],
      ['4 cups', 'white-sugar'],
      ['1 pouch', 'pectin-liquid'],
    ],
    { kind: 'savoury-jelly', ...LIQUID },
  ],
  [
    'rosemary jelly of apple juice and wine vinegar',
    [
      ['1 l', 'apple-juice'],
      ['200 ml', 'wine-vinegar'],
      ['3 each', 'fresh-herb'],
      ['1.3 kg', 'white-sugar'],
      ['1 pouch', 'pectin-liquid'],
    ],
    { kind: 'savoury-jelly', ...LIQUID },
  ],
  [
    'plum conserve with raisins and nuts',
    [
      ['1.8 kg', 'plum'],
      ['180 g', 'raisin'],
      ['1.3 kg', 'white-sugar'],
      ['80 g', 'nuts'],
    ],
    { kind: 'conserve' },
  ],
  [
    'light raspberry jam',
    [
      ['6 cups', 'raspberry', 'crushed'],
      ['4 tsp', 'pectin-calcium'],
      ['4 tsp', 'calcium-water'],
      ['1 cup', 'honey'],
    ],
    CALCIUM,
  ],
  [
    'gooseberry with jam sugar',
    [
      ['1 kg', 'gooseberry'],
      ['1 kg', 'jam-sugar'],
    ],
    { method: 'jam-sugar', finish: { type: 'hard-boil', minutes: 4 } },
  ],
  [
    'apple butter',
    [
      ['3 kg', 'applesauce'],
      ['500 g', 'brown-sugar'],
      ['1 tsp', 'ground-spice'],
    ],
    BUTTER,
  ],
  [
    'apple butter in quarts',
    [
      ['5 kg', 'applesauce'],
      ['500 g', 'white-sugar'],
    ],
    { ...BUTTER, jars: [{ size: 'quart' }] },
  ],
  [
    'quince butter',
    [
      ['2 kg', 'quince', 'puree'],
      ['600 g', 'white-sugar'],
    ],
    BUTTER,
  ],
  [
    'jellied cranberry sauce',
    [
      ['1 kg', 'cranberry'],
      ['400 ml', 'water'],
      ['800 g', 'white-sugar'],
    ],
    { kind: 'jellied-sauce' },
  ],
  [
    'blackcurrant syrup',
    [
      ['1 l', 'blackcurrant', 'juice'],
      ['800 g', 'white-sugar'],
    ],
    { kind: 'syrup', method: 'no-gel', finish: { type: 'soluble-solids', percent: 60 } },
  ],
  ['published lemon curd', LEMON_CURD, CURD],
  [
    'published lime curd',
    swapped(LEMON_CURD, 'lemon-juice-bottled', ['1 cup', 'lime-juice-bottled']),
    CURD,
  ],
  ['figs, a tested formula unchanged', FIGS, { testedSource: TESTED }],
  [
    'figs, attested and untouched since',
    FIGS,
    { testedSource: { ...TESTED, of: fingerprintOf(documentOf(FIGS)) } },
  ],
];
test('the table of safe formulas has at least 40', () =>
  expect(SAFE.length).toBeGreaterThanOrEqual(40));
test.each(SAFE.map((row) => [row[0], row] as const))('for the shelf: %s', (_, row) => {
  const { verdict, process, reasons } = keep(row);
  expect([verdict, reasons.map(({ text }) => text)]).toEqual(['shelf', expect.anything()]);
  expect(process?.minutes).toBeGreaterThanOrEqual(5);
});

describe('properties', () => {
  const order = (verdict: KeepingVerdict): number => KEEPING_VERDICTS.indexOf(verdict);
  const fruit = fc.constantFrom(
    'damson',
    'quince',
    'blackcurrant',
    'pear',
    'redcurrant',
    'apricot',
    'strawberry',
    'apple',
    'orange',
  );
  const worse = fc.constantFrom(
    ...INGREDIENTS.filter(
      ({ acidClass }) => acidClass === 'low-acid' || acidClass === 'refused',
    ).map(({ id }) => id),
  );
  test('a worse ingredient never improves a verdict', () => {
    fc.assert(
      fc.property(
        fruit,
        worse,
        fc.integer({ min: 5, max: 1500 }),
        fc.integer({ min: 0, max: 200 }),
        (id, bad, grams, lemon) => {
          const lines: [string, string][] = [
            ['1 kg', id],
            ['900 g', 'white-sugar'],
          ];
          if (lemon > 0) lines.push([`${lemon} g`, 'lemon-juice-bottled']);
          const before = keep(['', lines]);
          const after = keep(['', [...lines, [`${grams} g`, bad]]]);
          expect(order(after.verdict)).toBeGreaterThanOrEqual(order(before.verdict));
          expect(after.verdict).not.toBe('shelf');
        },
      ),
    );
  });
  test('more bottled lemon never raises the worst pH; an override never lowers it', () => {
    fc.assert(
      fc.property(
        fruit,
        fc.integer({ min: 1, max: 200 }),
        fc.integer({ min: 1, max: 200 }),
        fc.double({ min: 2, max: 5, noNaN: true }),
        (id, lemon, more, pH) => {
          const at = (grams: number, overrides?: { pH: number }): number =>
            keep([
              '',
              [],
              {
                lines: [
                  { ingredient: id, amount: '1 kg', ...(overrides && { overrides }) },
                  { ingredient: 'white-sugar', amount: '800 g' },
                  { ingredient: 'lemon-juice-bottled', amount: `${grams} g` },
                ],
              },
            ]).worstPH;
          expect(at(lemon + more)).toBeLessThanOrEqual(at(lemon) + 0.02);
          expect(at(lemon, { pH })).toBeGreaterThanOrEqual(at(lemon) - 1e-6);
        },
      ),
      { numRuns: 60 },
    );
  });
});

test('any edit after the attestation voids it', () => {
  const document = documentOf(FIGS);
  const attested = { ...document, testedSource: { ...TESTED, of: fingerprintOf(document) } };
  const verdict = (doc: FormulaDocument): string => assessKeeping(pot(doc), { on: TODAY }).verdict;
  expect(verdict(attested)).toBe('shelf');
  expect(verdict({ ...attested, title: 'Figs for the aunt', notes: 'tasted good' })).toBe('shelf');
  expect(
    verdict({
      ...attested,
      lines: attested.lines.map((line, i) => (i === 2 ? { ...line, amount: '125 ml' } : line)),
    }),
  ).toBe('fridge');
  expect(verdict({ ...attested, finish: { type: 'soluble-solids', percent: 60 } })).toBe('fridge');
  expect(verdict({ ...attested, processing: 'hot-fill' })).toBe('fridge');
  expect(edited(attested, [{ op: 'set', line: 0, amount: '1.9 kg' }])).not.toHaveProperty(
    'testedSource',
  );
});

describe('a pH measured in the batch', () => {
  const peppers: Lines = [
    ['200 g', 'sweet-pepper'],
    ['400 ml', 'cider-vinegar'],
    ['1.2 kg', 'white-sugar'],
    ['1 pouch', 'pectin-liquid'],
  ];
  const JELLY = { kind: 'savoury-jelly', ...LIQUID } as const;
  test('lifts what may reach pH 4.6 over the line, and only to 4.2', () => {
    expect(keep(['', FIGS], { measuredPH: { value: 3.9 } }).verdict).toBe('shelf');
    expect(keep(['', peppers, JELLY], { measuredPH: { value: 3.6 } }).verdict).toBe('shelf');
    expect(keep(['', FIGS], { measuredPH: { value: 4.21 } }).verdict).toBe('fridge');
    expect(keep(['', FIGS], { measuredPH: { value: 3.9, void: 'late' } }).verdict).toBe('fridge');
  });
  test('never lifts what is refused, nor what is not understood', () => {
    const pumpkin: Lines = [['2 kg', 'pumpkin', 'puree'], SUGAR, ['300 ml', 'lemon-juice-bottled']];
    expect(keep(['', pumpkin, BUTTER], { measuredPH: { value: 3.9 } }).verdict).toBe('fridge');
    expect(
      keep(['', FIGS], { measuredPH: { value: 3.9 }, notUnderstood: ['moonfruit'] }).verdict,
    ).toBe('fridge');
  });
  test('makes acid fruit worse where it is high', () => {
    const peaches: Lines = [['1 kg', 'peach'], SUGAR];
    expect(keep(['', peaches]).verdict).toBe('shelf');
    expect(keep(['', peaches], { measuredPH: { value: 4.5 } }).verdict).toBe('fridge');
  });
  test('until it is read the row\u2019s minutes are offered, so that it can still count', () => {
    expect(keep(['', FIGS]).processMeanwhile).toMatchObject({ minutes: 10 });
    expect(keep(['', [['1 kg', 'damson'], SUGAR]]).processMeanwhile).toBeNull();
    const pumpkin: Lines = [['2 kg', 'pumpkin', 'puree'], SUGAR];
    expect(keep(['', pumpkin, BUTTER]).processMeanwhile).toBeNull();
  });
});

describe('a tested source', () => {
  test('asks for the longer of its minutes and ours', () => {
    const minutes = (own: number) =>
      keep(['', FIGS, { testedSource: { ...TESTED, minutes: own } }]).process?.minutes;
    expect(minutes(5)).toBe(10);
    expect(minutes(35)).toBe(35);
  });
  test('is named in the verdict', () =>
    expect(keep(['', FIGS, { testedSource: TESTED }]).reasons[0]?.text).toMatch(
      /^by Fig preserves of a state extension service, 2015, made unchanged/,
    ));
  test('falls with the order in which things go in, and with a kitchen that weighs otherwise', () => {
    const document = documentOf(FIGS);
    const testedSource = { ...TESTED, of: fingerprintOf(document) };
    const late = document.lines.map((line, i) =>
      i === 2 ? { ...line, goesIn: 'off-heat' as const } : line,
    );
    expect(assessKeeping(pot({ ...document, lines: late, testedSource })).verdict).toBe('fridge');
    const swapped = document.lines.toReversed();
    expect(assessKeeping(pot({ ...document, lines: swapped, testedSource })).verdict).toBe(
      'fridge',
    );
  });
});

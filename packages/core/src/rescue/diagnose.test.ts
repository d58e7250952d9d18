import type { FormulaDocument, Kitchen } from '../formula/index.js';
import { cookedBatch, withLine, type Cook } from '../testing/cooked-batch.js';
import { BUTTER, CURD, documentOf, POWDER } from '../testing/formula.js';
import { HOUR_MS } from '../quantity/index.js';
import { batchRecord, type StoredWhere } from './batch-record.js';
import type { CauseCode } from './cause-rule.js';
import { CAUSE_RULES } from './causes.js';
import { diagnose, type Diagnosis } from './diagnose.js';
import { SIGN_CODES, SIGNS, signsOf, type SignCode } from './signs.js';

const HERE: Kitchen = { altitude_m: 900, pan: { capacity_l: 9 } };
const WRITE = {
  temperature: (celsius: number) => `${celsius.toFixed(1)} °C`,
  difference: (kelvin: number) => `${kelvin.toFixed(1)} K`,
};

/** A jam that sets well: damson carries its own pectin and acid. */
const DAMSON = documentOf([
  ['1.5 kg', 'damson', 'pitted'],
  ['300 ml', 'water'],
  ['1.4 kg', 'white-sugar'],
]);
const CRUSHED = documentOf([
  ['1.2 kg', 'blackcurrant', 'crushed'],
  ['400 ml', 'water'],
  ['1.3 kg', 'white-sugar'],
]);
const POWDERED = documentOf(
  [
    ['1.2 kg', 'raspberry', 'crushed'],
    ['1 box', 'pectin-powder'],
    ['1.6 kg', 'white-sugar'],
  ],
  POWDER,
);
const APPLE_BUTTER = documentOf(
  [
    ['2.5 kg', 'apple', 'peeled-cored'],
    ['300 g', 'white-sugar'],
  ],
  BUTTER,
);
const LEMON_CURD = documentOf(
  [
    ['150 ml', 'lemon-juice-bottled'],
    ['250 g', 'white-sugar'],
    ['4 each', 'egg'],
    ['120 g', 'butter'],
  ],
  CURD,
);
const jelly = (juice: FormulaDocument['juiceBy']): FormulaDocument => ({
  ...documentOf(
    [
      ['2 kg', 'redcurrant'],
      ['300 ml', 'water'],
      ['1.2 kg', 'white-sugar'],
    ],
    { kind: 'jelly' },
  ),
  ...(juice && { juiceBy: juice }),
});

interface Faulty extends Omit<Cook, 'kitchen' | 'seed'> {
  readonly name: string;
  readonly sign: SignCode;
  /** What went wrong; undefined where the record cannot tell. */
  readonly fault: CauseCode | undefined;
  /** The record has less than it could. */
  readonly gaps?: boolean;
  readonly kitchen?: Kitchen;
  readonly stored?: StoredWhere;
}

// Simulated batches of our own invention, each with one thing gone wrong.
const FAULTY: readonly Faulty[] = [
  {
    name: 'stopped 2.4 K early',
    sign: 'too-loose',
    fault: 'stopped-early',
    document: DAMSON,
    past: -2.4,
  },
  {
    name: 'stopped early, by the scale alone',
    sign: 'too-loose',
    fault: 'stopped-early',
    document: DAMSON,
    past: -2.4,
    logged: ['scale'],
    gaps: true,
  },
  {
    name: 'a thermometer that reads 3 K too high',
    sign: 'too-loose',
    fault: 'thermometer-high',
    document: DAMSON,
    offset_K: 3,
    logged: ['thermometer', 'scale', 'jars'],
  },
  {
    name: 'mild fruit without lemon',
    sign: 'too-loose',
    fault: 'little-acid',
    document: withLine(POWDERED, 0, { ingredient: 'cherry', form: 'crushed' }),
  },
  {
    name: 'fruit poor in pectin',
    sign: 'too-loose',
    fault: 'little-pectin',
    document: documentOf([
      ['1.2 kg', 'strawberry', 'crushed'],
      ['1.1 kg', 'white-sugar'],
      ['3 tbsp', 'lemon-juice-bottled'],
    ]),
    logged: ['thermometer'],
    gaps: true,
  },
  {
    name: 'forty minutes of hard boil',
    sign: 'too-loose',
    fault: 'pectin-boiled-away',
    document: POWDERED,
    hold_min: 40,
    logged: [],
    gaps: true,
  },
  {
    name: 'sugar cut with powdered pectin',
    sign: 'too-loose',
    fault: 'few-solids',
    document: withLine(POWDERED, 2, { amount: '600 g' }),
    hold_min: 1,
  },
  {
    name: 'the pectin after the sugar',
    sign: 'too-loose',
    fault: 'pectin-out-of-order',
    document: POWDERED,
    hold_min: 1,
    more: [
      { type: 'addition', after_s: 120, body: { text: '1 box pectin', planned: true, line: 1 } },
    ],
  },
  {
    name: 'boiled 2.5 K too far',
    sign: 'too-stiff',
    fault: 'boiled-too-far',
    document: DAMSON,
    past: 2.5,
  },
  {
    name: 'boiled too far, by its jars alone',
    sign: 'too-stiff',
    fault: 'boiled-too-far',
    document: DAMSON,
    filled: 0.7,
    logged: ['jars'],
    gaps: true,
  },
  {
    name: 'a box of pectin in fruit that has its own',
    sign: 'too-stiff',
    fault: 'much-pectin',
    document: withLine(POWDERED, 0, { ingredient: 'redcurrant', form: 'crushed' }),
    hold_min: 1,
  },
  {
    name: 'filled at once',
    sign: 'floating-fruit',
    fault: 'filled-at-once',
    document: CRUSHED,
    rest_min: 0.5,
  },
  {
    name: 'fruit in halves',
    sign: 'floating-fruit',
    fault: 'large-pieces',
    document: DAMSON,
    logged: ['thermometer'],
    gaps: true,
  },
  {
    name: 'very sharp',
    sign: 'weeping',
    fault: 'much-acid',
    document: documentOf([
      ['1.2 kg', 'redcurrant', 'crushed'],
      ['1.2 kg', 'white-sugar'],
      ['500 ml', 'lemon-juice-bottled'],
    ]),
    logged: ['jars'],
    gaps: true,
  },
  {
    name: 'needles in grape jelly',
    sign: 'crystals',
    fault: 'grape-tartrate',
    document: documentOf(
      [
        ['1.4 l', 'grape', 'juice'],
        ['1.1 kg', 'white-sugar'],
        ['3 tbsp', 'lemon-juice-bottled'],
      ],
      { kind: 'jelly' },
    ),
  },
  {
    name: 'a bag that was squeezed',
    sign: 'cloudy',
    fault: 'juice-pressed',
    document: jelly('press'),
    rest_min: 2,
  },
  {
    name: 'half an hour without a stir',
    sign: 'scorched',
    fault: 'not-stirred',
    document: CRUSHED,
    stirEvery_min: 14,
  },
  {
    name: 'a pan that was too full',
    sign: 'boiled-over',
    fault: 'pan-too-full',
    document: CRUSHED,
    kitchen: { altitude_m: 900, pan: { capacity_l: 4.5 } },
    logged: [],
    gaps: true,
  },
  {
    name: 'a curd over a fierce boil',
    sign: 'curdled',
    fault: 'too-hot',
    document: LEMON_CURD,
    heat_W: 700,
    past: 8,
  },
  {
    name: 'a butter taken off too soon',
    sign: 'thin-butter',
    fault: 'stopped-early',
    document: APPLE_BUTTER,
    past: 0.25,
    logged: ['scale', 'jars'],
  },
  // By all the record has, these should be well: it cannot tell.
  {
    name: 'nothing was logged',
    sign: 'too-loose',
    fault: undefined,
    document: DAMSON,
    logged: [],
    gaps: true,
  },
  {
    name: 'a curd without a reading',
    sign: 'curdled',
    fault: undefined,
    document: LEMON_CURD,
    heat_W: 700,
    logged: [],
  },
  { name: 'stirred, and yet scorched', sign: 'scorched', fault: undefined, document: CRUSHED },
  { name: 'cooked to its finish', sign: 'too-loose', fault: undefined, document: CRUSHED },
];

const DAY_LATER_MS = 30 * HOUR_MS;

function diagnosisOf({ kitchen = HERE, stored, sign, ...cook }: Faulty, seed: number): Diagnosis {
  const { boil, endedAt } = cookedBatch({ ...cook, kitchen, seed });
  const record = batchRecord({
    document: cook.document,
    boil,
    kitchen,
    now: endedAt + DAY_LATER_MS,
    ...(stored && { stored }),
  });
  return diagnose(sign, record, WRITE);
}

describe('the fault of 24 simulated batches, eight of them with gaps in their record', () => {
  const found = FAULTY.map((faulty, i) => ({ faulty, diagnosis: diagnosisOf(faulty, 11 + i) }));

  test('there are 24, with 8 gaps, and 4 that cannot tell', () => {
    expect(FAULTY).toHaveLength(24);
    expect(FAULTY.filter(({ gaps }) => gaps).length).toBeGreaterThanOrEqual(8);
    expect(FAULTY.filter(({ fault }) => fault === undefined)).toHaveLength(4);
  });

  test.each(found)('$faulty.name', ({ faulty, diagnosis }) => {
    expect(diagnosis.causes[0]?.code).toBe(faulty.fault);
  });

  test('what is named has its figures; what cannot be told says what is missing', () => {
    for (const { faulty, diagnosis } of found) {
      for (const { because, strength } of diagnosis.causes) {
        expect(because).not.toMatch(/NaN|undefined|Infinity/);
        expect(strength).toBeGreaterThan(0);
        expect(strength).toBeLessThanOrEqual(1);
      }
      if (faulty.fault === undefined && faulty.logged?.length === 0)
        expect(diagnosis.lacks.length).toBeGreaterThan(0);
    }
  });

  test('other seeds, the same', () => {
    const right = FAULTY.flatMap((faulty, i) => [
      diagnosisOf(faulty, 400 + i).causes[0]?.code === faulty.fault,
      diagnosisOf(faulty, 800 + i).causes[0]?.code === faulty.fault,
    ]);
    expect(right.filter(Boolean).length / right.length).toBeGreaterThanOrEqual(20 / 24);
  });
});

test('without a record nothing is named', () => {
  for (const sign of SIGN_CODES) expect(diagnose(sign, undefined, WRITE).causes).toEqual([]);
});

test('each sign has its causes, and each cause its sign', () => {
  expect(SIGNS.map(({ code }) => code).sort()).toEqual([...SIGN_CODES].sort());
  for (const { code } of SIGNS)
    expect(CAUSE_RULES.some(({ signs }) => signs.includes(code))).toBe(true);
  expect(new Set(CAUSE_RULES.map(({ code }) => code)).size).toBe(CAUSE_RULES.length);
  expect(signsOf('curd').map(({ code }) => code)).toContain('curdled');
  expect(signsOf('jam').map(({ code }) => code)).not.toContain('curdled');
});

test('where the jars stood is asked, and counts', () => {
  const faded: Faulty = { name: '', sign: 'faded', fault: undefined, document: CRUSHED };
  expect(diagnosisOf(faded, 5).causes).toEqual([]);
  expect(diagnosisOf(faded, 5).lacks).toHaveLength(2);
  const inLight = diagnosisOf({ ...faded, stored: { warm: false, inLight: true } }, 5);
  expect(inLight.causes.map(({ code }) => code)).toEqual(['stored-in-light']);
  expect(inLight.lacks).toEqual([]);
});

import { balance } from '../balance/index.js';
import { documentOf, pot } from '../testing/formula.js';
import { sampleBalance } from './sample.js';
import { seeded } from '../random/index.js';
import { worthMeasuring } from './sensitivity.js';

const FORMULA = pot(
  documentOf([
    ['1.2 kg', 'quince'],
    ['500 g', 'pear'],
    ['1.4 kg', 'white-sugar'],
    ['200 ml', 'water'],
    ['3 tbsp', 'lemon-juice-bottled'],
  ]),
);

test('normal numbers are normal', () => {
  const { normal, uniform } = seeded(11);
  const values = Array.from({ length: 20_000 }, normal);
  const mean = values.reduce((a, b) => a + b, 0) / values.length;
  const sd = Math.sqrt(values.reduce((sum, v) => sum + (v - mean) ** 2, 0) / values.length);
  expect(Math.abs(mean)).toBeLessThan(0.03);
  expect(Math.abs(sd - 1)).toBeLessThan(0.02);
  // 5 % beyond 1.645 either way (any table of the normal distribution).
  expect(Math.abs(values.filter((v) => v > 1.645).length / values.length - 0.05)).toBeLessThan(
    0.005,
  );
  for (let i = 0; i < 1000; i++) expect(uniform()).toBeLessThan(1);
});

test('drawing everything together agrees with one input at a time, within a quarter of the width', () => {
  const sampled = sampleBalance(FORMULA, { seed: 5, samples: 3000 });
  const made = balance(FORMULA);
  if (!sampled || !made) throw new Error('pot');
  const jars = made.jars[0]?.count;
  for (const [a, b] of [
    [sampled.jars, jars],
    [sampled.solubleSolidsPercent, made.finish.solubleSolidsPercent],
    [sampled.pH, made.pH],
    [sampled.firmness, made.set.firmness],
    [sampled.finishMass_kg, made.finish.mass_kg],
  ] as const) {
    const width = (b?.high ?? 0) - (b?.low ?? 0);
    expect(Math.abs(a.low - (b?.low ?? NaN))).toBeLessThan(width * 0.25);
    expect(Math.abs(a.high - (b?.high ?? NaN))).toBeLessThan(width * 0.25);
    expect(a.mid).toBeCloseTo(b?.mid ?? NaN, 9);
  }
  expect(Object.values(sampled.setShares).reduce((x, y) => x + y, 0)).toBeCloseTo(1, 6);
});

test('the same seed the same answer; it tells how far it is and can be stopped', () => {
  const told: number[] = [];
  const one = sampleBalance(FORMULA, {
    seed: 5,
    samples: 500,
    onProgress: (share) => told.push(share) > 0,
  });
  expect(sampleBalance(FORMULA, { seed: 5, samples: 500 })).toEqual(one);
  expect(told).toEqual([0.5, 1]);
  expect(sampleBalance(FORMULA, { seed: 5, samples: 500, onProgress: () => false })).toBeNull();
});

describe('what matters most', () => {
  const matters = (
    lines: Parameters<typeof documentOf>[0],
    rest = {},
    place = { altitude_m: 300 },
  ) => {
    const formula = pot(documentOf(lines, rest), place);
    const made = balance(formula);
    return made ? worthMeasuring(formula, made) : [];
  };
  test('cups of whole berries in a timed boil: weigh them', () => {
    const found = matters(
      [
        ['6 cups', 'raspberry'],
        ['1 box', 'pectin-powder'],
        ['1.4 kg', 'white-sugar'],
      ],
      { method: 'powdered-pectin', finish: { type: 'hard-boil', minutes: 1 } },
    );
    expect(found.find(({ of }) => of === 'yield')).toMatchObject({
      code: 'weigh-0',
      text: 'Weigh the raspberries',
    });
  });
  test('a gel temperature by altitude alone: boil water; once that is done it is not asked again', () => {
    const lines = [
      ['1 kg', 'damson'],
      ['1 kg', 'white-sugar'],
    ] as const;
    expect(matters(lines).map(({ code }) => code)).toContain('boil-water');
    expect(
      matters(lines, {}, { altitude_m: 300, boilingPoint_C: 98.9 } as never).map(
        ({ code }) => code,
      ),
    ).not.toContain('boil-water');
  });
  test('what is promised is kept: weighing narrows the range by what was said', () => {
    const rest = { method: 'powdered-pectin', finish: { type: 'hard-boil', minutes: 1 } } as const;
    const width = (amount: string): number => {
      const count = balance(
        pot(
          documentOf(
            [
              [amount, 'raspberry'],
              ['1 box', 'pectin-powder'],
              ['1.4 kg', 'white-sugar'],
            ],
            rest,
          ),
        ),
      )?.jars[0]?.count;
      return (count?.high ?? NaN) - (count?.low ?? NaN);
    };
    const said = matters(
      [
        ['6 cups', 'raspberry'],
        ['1 box', 'pectin-powder'],
        ['1.4 kg', 'white-sugar'],
      ],
      rest,
    ).find(({ code }) => code === 'weigh-0');
    const gained = 1 - width(`${6 * 123} g`) / width('6 cups');
    expect(Math.abs(gained - (said?.narrows ?? NaN))).toBeLessThan(0.2);
  });
});

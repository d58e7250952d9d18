import { balance, type Balance } from './balance.js';
import { report } from '../testing/report.js';
import { documentOf, pot, POWDER, type Lines } from '../testing/formula.js';
import { YIELD_CASES } from '../testing/yield-cases.js';
import type { FormulaDocument } from '../formula/index.js';

/** A count within so much of the published bracket is right: whole jars were counted. */
const HALF_A_JAR = 0.5;

const outcomes = YIELD_CASES.map(({ name, kind, document, least, most }) => {
  const made = balance(pot(document));
  if (!made) throw new Error(name);
  const count = made.jars[0]?.count ?? { low: NaN, mid: NaN, high: NaN };
  const nearest = (slack: number): number =>
    Math.min(Math.max(count.mid, least - slack), most + slack);
  const isHalfPint = made.jars[0]?.size === 'half-pint';
  return {
    name,
    kind,
    least,
    most,
    count,
    error: count.mid / nearest(HALF_A_JAR) - 1,
    /** Against what was published itself, for a bias. */
    off: count.mid / nearest(0) - 1,
    width: (count.high - count.low) / count.mid,
    possible: !isHalfPint || (most >= made.yieldBracket.least && least <= made.yieldBracket.most),
    held: count.low <= most + HALF_A_JAR && count.high >= least - HALF_A_JAR,
  };
});
type Made = (typeof outcomes)[number];
const possible = outcomes.filter((outcome) => outcome.possible);
const share = (test: (outcome: Made) => boolean): number =>
  possible.filter(test).length / possible.length;
const median = (values: readonly number[]): number =>
  values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN;

const heldWords = (held: boolean): string => (held ? 'held  ' : 'missed');
const percent = (value: number): string => `${(value * 100).toFixed(0)} %`;

test('published yields: within 12 % on four in five, 20 % on 93 %, the range holds 85 %', () => {
  const lines = outcomes.map(
    ({ name, kind, least, most, count, off, held, possible: can }) =>
      `${can ? heldWords(held) : 'cannot'} ${percent(off).padStart(5)}  ${count.low.toFixed(1)}/${count.mid.toFixed(1)}/${count.high.toFixed(1)} against ${least}${most === least ? '' : `-${most}`}  ${kind}: ${name}`,
  );
  const within = (limit: number): number => share(({ error }) => Math.abs(error) <= limit);
  const held = share((outcome) => outcome.held);
  const kinds = [...new Set(possible.map(({ kind }) => kind))];
  const bias = kinds.map((kind) => {
    const some = possible.filter((each) => each.kind === kind);
    return {
      kind,
      count: some.length,
      mean: some.reduce((sum, { off }) => sum + off, 0) / some.length,
    };
  });
  report(
    [
      'yields, low/mid/high:',
      ...lines,
      `${possible.length} of ${outcomes.length} possible; within 12 %: ${percent(within(0.12))}, within 20 %: ${percent(within(0.2))}, range holds: ${percent(held)}, median width ${percent(median(possible.map(({ width }) => width)))}`,
      `bias: ${bias.map(({ kind, count, mean }) => `${kind} ${percent(mean)} (${count})`).join(', ')}`,
    ].join('\n'),
  );
  expect(possible.length).toBeGreaterThanOrEqual(60);
  expect(within(0.12)).toBeGreaterThanOrEqual(0.8);
  expect(within(0.2)).toBeGreaterThanOrEqual(0.93);
  expect(held).toBeGreaterThanOrEqual(0.85);
  for (const { kind, count, mean } of bias)
    if (count >= 4) expect([kind, Math.abs(mean) <= 0.05]).toEqual([kind, true]);
});

// Common practice: full-sugar spreads give 1.0 to 1.3 half-pints a cup of sugar in all.
test('full-sugar spreads give 1.0 to 1.35 half-pints a cup of sugar', () => {
  const full: [Balance, number][] = [
    [
      balance(
        pot(
          documentOf([
            ['4 cups', 'plum', 'crushed'],
            ['4 cups', 'white-sugar'],
          ]),
        ),
      )!,
      4,
    ],
    [
      balance(
        pot(
          documentOf(
            [
              ['5 cups', 'slip-skin-grape', 'juice'],
              ['1 box', 'pectin-powder'],
              ['7 cups', 'white-sugar'],
            ],
            POWDER,
          ),
        ),
      )!,
      7,
    ],
  ];
  for (const [made, cups] of full) {
    expect((made.jars[0]?.count.mid ?? 0) / cups).toBeGreaterThan(1);
    expect((made.jars[0]?.count.mid ?? 0) / cups).toBeLessThan(1.35);
  }
});

describe('what a recipe claims is audited', () => {
  const berries: Lines = [
    ['9 cups', 'blackberry', 'crushed'],
    ['6 cups', 'white-sugar'],
  ];
  const codes = (rest: Partial<FormulaDocument>, lines = berries): string[] =>
    balance(pot(documentOf(lines, rest)))?.warnings.map(({ code }) => code) ?? [];
  test.each([
    ['4 half-pints', 'stated-yield-impossible'],
    ['18 half-pint', 'stated-yield-impossible'],
    ['3 pints', 'stated-yield-unlikely'],
  ])('%s from 9 cups of berries and 6 of sugar: %s', (statedYield, code) => {
    expect(codes({ statedYield })).toContain(code);
  });
  test.each(['7 half-pint', '8 half-pints', '4 pints', 'about 6 x 340 g'])(
    '%s is believed',
    (statedYield) => {
      expect(codes({ statedYield }).filter((code) => code.startsWith('stated'))).toEqual([]);
    },
  );
  test('the arithmetic is told', () => {
    const warning = balance(
      pot(documentOf(berries, { statedYield: '4 half-pints' })),
    )?.warnings.find(({ code }) => code === 'stated-yield-impossible');
    expect(warning?.text).toMatch(
      /says 4 half-pints; the 1\.\d+ kg of sugar and fruit solids in it fill 5\.\d/,
    );
  });
  test('pounds and cups of the same fruit that disagree', () => {
    const line = (alsoStated: string): FormulaDocument => ({
      ...documentOf(berries),
      lines: [
        { ingredient: 'blackberry', form: 'crushed', amount: '3 lb', alsoStated },
        { ingredient: 'white-sugar', amount: '4 cups' },
      ],
    });
    const said = (document: FormulaDocument): string[] =>
      balance(pot(document))?.warnings.map(({ code }) => code) ?? [];
    expect(said(line('6 cups'))).not.toContain('stated-amounts-disagree');
    expect(said(line('4 cups'))).toContain('stated-amounts-disagree');
    expect(said(line('9 cups'))).toContain('stated-amounts-disagree');
  });
});

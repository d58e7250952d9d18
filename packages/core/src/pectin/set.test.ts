import { balance } from '../balance/index.js';
import { documentOf, pot } from '../testing/formula.js';
import { report } from '../testing/report.js';
import { FIRMNESS_WORDS } from './firmness.js';
import { CALIBRATION, HELD_OUT, type SetCase } from '../testing/set-cases.js';

/** Ranks of values, those alike sharing their mean. */
function ranks(values: readonly number[]): number[] {
  return values.map((value) => {
    const below = values.filter((other) => other < value).length;
    const alike = values.filter((other) => other === value).length;
    return below + (alike + 1) / 2;
  });
}

/** Spearman's rank correlation. */
function rankCorrelation(a: readonly number[], b: readonly number[]): number {
  const [x, y] = [ranks(a), ranks(b)];
  const mean = (x.length + 1) / 2;
  const sum = (of: readonly number[], by: readonly number[]): number =>
    of.reduce((total, each, i) => total + (each - mean) * ((by[i] ?? 0) - mean), 0);
  return sum(x, y) / Math.sqrt(sum(x, x) * sum(y, y));
}

const found = (cases: readonly SetCase[]) =>
  cases.map((each) => {
    const made = balance(pot(documentOf(each.lines, each.rest)));
    const { firmness, verdict } = made?.set ?? {
      firmness: { low: 0, mid: 0, high: 0 },
      verdict: 'none',
    };
    const off = Math.abs(
      FIRMNESS_WORDS.indexOf(each.word) - FIRMNESS_WORDS.findIndex((word) => word === verdict),
    );
    return {
      ...each,
      firmness,
      verdict,
      off,
      solids: made?.finish.solubleSolidsPercent.mid ?? 0,
      pH: made?.pH.mid ?? 0,
    };
  });

const told = (cases: ReturnType<typeof found>): string =>
  cases
    .map(
      ({ what, word, verdict, firmness, rank, solids, pH }) =>
        `  ${firmness.mid.toFixed(2)} ${verdict.padEnd(5)} (${word}, ${rank}) ${what}: ${solids.toFixed(0)} %, pH ${pH.toFixed(2)}`,
    )
    .join('\n');

describe.each([
  ['calibrated on', CALIBRATION, 54, 0.89, 53],
  ['held out', HELD_OUT, 14, 0.9, 13],
] as const)('%s', (name, cases, count, correlation, near) => {
  test(`${count} pans an expert would sign`, () => {
    const made = found(cases);
    const rank = rankCorrelation(
      made.map(({ firmness }) => firmness.mid),
      made.map((each) => each.rank),
    );
    const right = made.filter(({ off }) => off === 0).length;
    const neighbours = made.filter(({ off }) => off <= 1).length;
    report(
      `set, ${name} ${made.length}: rank correlation ${rank.toFixed(2)}, the word ${right}, it or its neighbour ${neighbours}\n${told(made)}`,
    );
    expect(made).toHaveLength(count);
    expect(rank).toBeGreaterThanOrEqual(correlation);
    expect(neighbours).toBeGreaterThanOrEqual(near);
  });
});

test('juice that a factory cleared has no pectin, and it is said so', () => {
  const jelly = (juice: string) =>
    balance(
      pot(
        documentOf(
          [
            ['1 l', juice],
            ['700 g', 'white-sugar'],
            ['2 tbsp', 'lemon-juice-bottled'],
          ],
          { kind: 'jelly' },
        ),
      ),
    )?.set;
  expect(jelly('apple-juice')?.verdict).toBe('good');
  expect(jelly('apple-juice-clear')).toMatchObject({
    verdict: 'none',
    reasons: [{ code: 'little-pectin' }],
  });
});

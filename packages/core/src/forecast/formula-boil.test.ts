import { preparePot, type PreparedPot } from '../balance/index.js';
import { BUTTER, CURD, documentOf, pot, POWDER, type Lines } from '../testing/formula.js';
import type { FormulaDocument } from '../formula/index.js';
import { boilingPointAt } from '../water/index.js';
import { simulateFormula } from './formula-boil.js';
import { times } from '../range/index.js';
import { massOfPot, solidsOf, type Simulation } from '../thermal/index.js';

const prepared = (lines: Lines, rest: Partial<FormulaDocument> = {}): PreparedPot => {
  const made = preparePot(pot(documentOf(lines, rest), { altitude_m: 1180 }));
  if (!made) throw new Error('nothing in the pan');
  return made;
};
const boil = (of: PreparedPot, watts = 1600): Simulation =>
  simulateFormula(of, { net_W: () => watts, seed: 7, readEvery_s: 30, most_s: 12 * 3600 });

const PLUM: Lines = [
  ['2 kg', 'plum'],
  ['1.8 kg', 'white-sugar'],
  ['300 ml', 'water'],
];
const water_C = boilingPointAt({ altitude_m: 1180 }).boilingPoint_C.mid;

test('a gel temperature: stops 8 F above water of that height, near the mass the balance says', () => {
  const of = prepared(PLUM);
  const { finished, state } = boil(of);
  expect(finished).toBe(true);
  expect(state.temperature_C - water_C).toBeGreaterThan(4.4);
  expect(state.temperature_C - water_C).toBeLessThan(4.7);
  const mass = state.water + state.soluble + state.insoluble;
  // The boil inverts its own share of the sugar; 3 % is what that moves.
  expect(Math.abs(mass / of.outcome.finished - 1)).toBeLessThan(0.03);
});

test('a weight and a share of solids are met within a step', () => {
  const byWeight = boil(prepared(PLUM, { finish: { type: 'weight', mass: '3.2 kg' } }));
  const { state } = byWeight;
  expect(state.water + state.soluble + state.insoluble).toBeCloseTo(3.2, 2);
  const bySolids = boil(prepared(PLUM, { finish: { type: 'soluble-solids', percent: 62 } }));
  expect(bySolids.state.soluble / (bySolids.state.soluble + bySolids.state.water)).toBeCloseTo(
    0.62,
    2,
  );
});

test('a timed boil counts its minute from the first full boil', () => {
  const {
    finished,
    end_s,
    boilFrom_s = NaN,
  } = boil(
    prepared(
      [
        ['5 cups', 'blackcurrant', 'crushed'],
        ['1 box', 'pectin-powder'],
        ['7 cups', 'white-sugar'],
      ],
      POWDER,
    ),
  );
  expect(finished).toBe(true);
  expect(end_s - boilFrom_s).toBeGreaterThanOrEqual(59);
  expect(end_s - boilFrom_s).toBeLessThanOrEqual(62);
});

test('a curd stops at its temperature, a butter at its consistency', () => {
  const curd = boil(
    prepared(
      [
        ['240 ml', 'lemon-juice-bottled'],
        ['500 g', 'caster-sugar'],
        ['4 each', 'egg'],
        ['170 g', 'butter'],
      ],
      CURD,
    ),
    700,
  );
  expect(curd.state.temperature_C).toBeGreaterThanOrEqual(76.6);
  expect(curd.state.temperature_C).toBeLessThan(78);
  const butter = boil(
    prepared(
      [
        ['3 kg', 'quince', 'puree'],
        ['600 g', 'white-sugar'],
      ],
      BUTTER,
    ),
    900,
  );
  expect(butter.finished).toBe(true);
  expect(butter.readings.at(-1)?.solidsPercent).toBeGreaterThan(35);
});

test('too little heat never gets there, and says so', () => {
  const { finished, end_s } = simulateFormula(prepared(PLUM), {
    net_W: () => 150,
    seed: 7,
    readEvery_s: 600,
    most_s: 3600,
  });
  expect(finished).toBe(false);
  expect(end_s).toBeGreaterThan(3500);
});

// Two computations of the same thing, the closed one of the balance and the one followed second by
// second, against each other; no outside source.
describe('balance and simulated pan agree within 1 %', () => {
  /** What a household burner gives, more of it under a larger batch, W. Common practice. */
  const burner_W = (mass_kg: number): number => 1550 * Math.max(mass_kg / 6, 1);
  const JAMS: Readonly<Record<string, FormulaDocument>> = {
    'plum jam': documentOf(PLUM),
    'currant jelly': documentOf(
      [
        ['1.3 l', 'redcurrant', 'juice'],
        ['1.05 kg', 'white-sugar'],
      ],
      { kind: 'jelly' },
    ),
    'pear jam': documentOf([
      ['2 kg', 'pear'],
      ['1.6 kg', 'white-sugar'],
      ['120 ml', 'lemon-juice-bottled'],
    ]),
  };

  test.each(
    Object.keys(JAMS).flatMap((name) => [0.5, 1, 2, 4, 8, 16, 30].map((kg) => [name, kg] as const)),
  )('%s, %f kg in the pan', (name, mass_kg) => {
    const formula = pot(JAMS[name] as FormulaDocument, { altitude_m: 1180 });
    const written = preparePot(formula)?.contents.mass ?? NaN;
    const watts = burner_W(mass_kg);
    const scaled = preparePot({
      ...formula,
      pan: { heat_W: watts },
      lines: formula.lines.map((line) => ({
        ...line,
        mass_kg: times(line.mass_kg, mass_kg / written),
      })),
    });
    if (!scaled) throw new Error('nothing in the pan');
    const { state, finished } = simulateFormula(
      scaled,
      { net_W: () => watts, seed: 1, readEvery_s: 60 },
      { softened: true },
    );
    expect(finished).toBe(true);
    expect(Math.abs(massOfPot(state) / scaled.outcome.finished - 1)).toBeLessThan(0.01);
    expect(Math.abs((solidsOf(state) * 100) / scaled.outcome.solids - 1)).toBeLessThan(0.01);
  });
});

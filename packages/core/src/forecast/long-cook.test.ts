import { preparePot, panOf, panOfStage } from '../balance/index.js';
import { boilFrom, type BatchEvent } from '../boil-log/index.js';
import type { DocumentStage, FormulaDocument } from '../formula/index.js';
import { seeded } from '../random/index.js';
import { Z90 } from '../range/index.js';
import { BUTTER, documentOf, pot, type Lines } from '../testing/formula.js';
import { logFrom } from '../testing/log.js';
import { report } from '../testing/report.js';
import { massOfPot, simulateBoil, solidsOf, volumeOf_ml } from '../thermal/index.js';
import { watchBoil } from './watch-boil.js';

const START = Date.parse('2026-09-12T06:00:00Z');
const HOUR_S = 3600;
const KITCHEN = { altitude_m: 600 };
const event = logFrom(START, 1000);
const light = (): BatchEvent => event('light', 0, { gelTemperature_C: 103, boilingPoint_C: 98 });

const PLACES: readonly DocumentStage[] = [
  { where: 'burner', lid: 'off', heat: 'low', until: 'done' },
  { where: 'oven', lid: 'off', heat: 'low', until: 'done' },
  { where: 'slow-cooker', lid: 'off', heat: 'high', until: 'done' },
  { where: 'slow-cooker', lid: 'ajar', heat: 'high', until: 'done' },
];
const FRUITS = ['apple', 'pear', 'plum', 'quince', 'apricot'] as const;

interface Butter {
  readonly document: FormulaDocument;
  readonly left_h: number;
  readonly low_h: number;
  readonly high_h: number;
}

/** A butter of a kitchen nobody measured, looked at with four hours to go; undefined if it is shorter. */
function butter(seed: number): Butter | undefined {
  const random = seeded(seed);
  const pick = <T>(of: readonly T[]): T => of[Math.floor(random.uniform() * of.length)] as T;
  const lines: Lines = [
    [`${(2 + random.uniform() * 3).toFixed(2)} kg`, pick(FRUITS), 'puree'],
    [`${(0.1 + random.uniform() * 0.6).toFixed(2)} kg`, 'white-sugar'],
  ];
  const document = documentOf(lines, { ...BUTTER, stages: [pick(PLACES)] });
  const prepared = preparePot(pot(document, KITCHEN));
  if (!prepared) return undefined;
  const { rule, contents, outcome } = prepared;
  const [heating] = rule.cook.heatings;
  if (!heating) return undefined;
  // The cooker of this kitchen is anywhere in the range of its kind, the fruit a little sweeter or less so.
  const { low, mid, high } = heating.heat_W;
  const heat_W = mid * Math.exp((random.normal() * Math.log(high / low)) / (2 * Z90));
  const start = panOf(contents);
  const soluble = start.soluble * Math.exp(random.normal() * 0.035);
  start.water -= soluble - start.soluble;
  start.soluble = soluble;
  const full_ml = volumeOf_ml(start);
  const depths: { time_s: number; left: number }[] = [];
  const truth = simulateBoil({ ...start }, panOfStage(rule.cook, 0), {
    net_W: () => heat_W,
    fluctuation: 0.05,
    seed: seed + 1000,
    readEvery_s: HOUR_S,
    step_s: 10,
    most_s: 60 * HOUR_S,
    until: (state, time_s) => {
      if (time_s % HOUR_S === 0)
        depths.push({
          time_s,
          left: (volumeOf_ml(state) / full_ml) * (1 + random.normal() * 0.03),
        });
      return solidsOf(state) * 100 >= outcome.solids;
    },
  });
  const at_s = truth.end_s - 4 * HOUR_S;
  if (!truth.finished || at_s < HOUR_S || massOfPot(truth.state) <= 0) return undefined;
  const events = depths
    .filter(({ time_s }) => time_s > 0 && time_s <= at_s)
    .map(({ time_s, left }) => event('depth', time_s, { left: Math.min(left, 1.2) }));
  const watched = watchBoil(boilFrom([light(), ...events]), document, KITCHEN, START + at_s * 1000);
  if (!watched) return undefined;
  const left = watched.forecast.left_s;
  return {
    document,
    left_h: left.mid / HOUR_S,
    low_h: left.low / HOUR_S,
    high_h: left.high / HOUR_S,
  };
}

// The seeds were written down before it was run.
test('butters with four hours to go, a depth an hour', () => {
  const found = Array.from({ length: 120 }, (_, i) => butter(7000 + i)).flatMap(
    (each) => each ?? [],
  );
  const errors = found.map(({ left_h }) => Math.abs(left_h / 4 - 1)).sort((a, b) => a - b);
  const median = errors[Math.floor(errors.length / 2)] ?? NaN;
  const held = found.filter(({ low_h, high_h }) => low_h <= 4 && high_h >= 4).length / found.length;
  const width = found.map(({ low_h, high_h }) => high_h - low_h).sort((a, b) => a - b)[
    Math.floor(found.length / 2)
  ];
  report(
    `butters with 4 h to go, ${found.length} of 120: median error ${(median * 100).toFixed(0)} %, range holds ${(held * 100).toFixed(0)} %, median width ${width?.toFixed(1)} h`,
  );
  expect(found.length).toBeGreaterThan(50);
  expect(median).toBeLessThan(0.15);
  expect(held).toBeGreaterThanOrEqual(0.85);
  expect(held).toBeLessThanOrEqual(0.96);
});

import { balance } from '../balance/index.js';
import { readFormula } from '../formula/index.js';
import { quantile } from '../testing/boils.js';
import { report } from '../testing/report.js';
import { byClock, byEye, byForecast, cookedBy } from '../testing/practice-players.js';
import {
  SCENARIOS,
  stoveResultOf,
  type Decider,
  type PracticeRun,
  type PracticeScenario,
} from './index.js';

/*
 * Cooks who know when it is done by the card's minutes, by a cold plate, and by the forecast, over 20
 * seeds of each pan. Burner, thermometer, inversion, draught and weather are drawn by the pan, and
 * not from what the forecast takes for likely.
 */

const SEEDS = Array.from({ length: 20 }, (_, i) => i + 1);
/** A timed boil is over by the clock, as it should be; elsewhere it matters when one stops. */
const timingMatters = ({ formula }: PracticeScenario): boolean =>
  formula.finish.type !== 'hard-boil';
/** Points of the score, 80 at most: where the jars go is no matter of when one stops. */
const stovePoints = (run: PracticeRun, jars: number): number =>
  Object.values(stoveResultOf(run, jars).points).reduce((sum, points) => sum + points, 0);
const TIMED = SCENARIOS.filter(timingMatters);
const scores = new Map<string, Record<'clock' | 'eye' | 'forecast', number>>();

test.each(TIMED.map((scenario) => [scenario.id, scenario] as const))(
  '%s: by the forecast beats by the clock',
  (id, scenario) => {
    // As many jars as the balance expects are all there are to get: a best run of each would double the time.
    const { formula } = readFormula(scenario.formula, { altitude_m: scenario.altitude_m });
    const expectedJars = (balance(formula)?.jars ?? []).reduce(
      (sum, { count }) => sum + count.mid,
      0,
    );
    const medianOf = (finish: () => Decider): number =>
      quantile(
        SEEDS.map((seed) => stovePoints(cookedBy(scenario, seed, finish()), expectedJars)),
        0.5,
      );
    const score = {
      clock: medianOf(() => byClock),
      eye: medianOf(byEye),
      forecast: medianOf(byForecast),
    };
    scores.set(id, score);
    expect(score.forecast).toBeGreaterThan(score.clock);
  },
);

test('in most of them it beats by eye as well', () => {
  const better = TIMED.filter(({ id }) => {
    const { forecast = 0, eye = 0 } = scores.get(id) ?? {};
    return forecast > eye;
  });
  for (const [id, { clock, eye, forecast }] of scores)
    report(
      `practice, ${id}: by the clock ${clock.toFixed(0)}, by eye ${eye.toFixed(0)}, by the forecast ${forecast.toFixed(0)} of 80`,
    );
  expect(scores.size).toBe(TIMED.length);
  expect(better.length).toBeGreaterThan(TIMED.length / 2);
});

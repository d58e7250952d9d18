import { balance } from '../balance/index.js';
import { boilFrom } from '../boil-log/index.js';
import { readFormula } from '../formula/index.js';
import {
  bestDeciders,
  bestRun,
  doDeed,
  drive,
  PracticeRun,
  readScenario,
  replay,
  resultOf,
  reviewRun,
  SCENARIOS,
  signsOfPan,
  type Deed,
  type Decider,
  type PracticeScenario,
} from './index.js';

const scenarioOf = (id: string): PracticeScenario => {
  const found = SCENARIOS.find((scenario) => scenario.id === id);
  if (!found) throw new Error(`there is no scenario ${id}`);
  return found;
};
const nothing: Decider = () => [];
const each = SCENARIOS.map((scenario) => [scenario.id, scenario] as const);

test('there are at least fourteen pans, of every level, each read without a problem', () => {
  expect(SCENARIOS.length).toBeGreaterThanOrEqual(14);
  expect(new Set(SCENARIOS.map(({ level }) => level)).size).toBe(4);
  expect(new Set(SCENARIOS.map(({ id }) => id)).size).toBe(SCENARIOS.length);
  for (const scenario of SCENARIOS)
    expect(readScenario(JSON.parse(JSON.stringify(scenario)))).toEqual({ ok: true, scenario });
});

describe.each(each)('%s', (_, scenario) => {
  const best = bestRun(scenario, 11);

  test('can be done well', () => {
    expect(best.result.score).toBeGreaterThan(85);
    expect(best.result.storedIn).toBe(best.result.allowed);
  });

  test('and badly: one who looks at nothing and puts in what is planned comes out far behind', () => {
    const run = drive(scenario, 11, {
      ...bestDeciders(),
      heat: (now) => (now.time_s === 0 ? [{ type: 'heat', level: 4 }] : []),
      stir: nothing,
      finish: (now) =>
        now.phase === 'stove' && now.time_s >= scenario.cardMinutes * 150
          ? [{ type: 'finish' }]
          : [],
      fill: (now) => (now.phase === 'rest' ? [{ type: 'fill' }] : []),
      storage: (now) => {
        if (now.phase === 'canner') return [{ type: 'lift' }];
        return [now.processMinutes > 0 ? { type: 'process' } : { type: 'store', keptIn: 'fridge' }];
      },
    });
    expect(resultOf(run, best.result.jars).score).toBeLessThan(best.result.score - 25);
  });

  test('comes to as many jars as the balance says', () => {
    // What is within reach, or comes in by a helper, is not in the balance.
    const { formula } = readFormula(scenario.formula, { altitude_m: scenario.altitude_m });
    const { jars } = balance(formula) ?? { jars: [] };
    const [low, high] = [
      jars.reduce((sum, { count }) => sum + count.low, 0),
      jars.reduce((sum, { count }) => sum + count.high, 0),
    ];
    // A pan that comes to its boil slowly loses more than a timed boil is reckoned with.
    expect(best.result.jars).toBeGreaterThan(0.9 * low);
    expect(best.result.jars).toBeLessThan(1.1 * high);
  });

  test('the same seed and deeds give the same run, however often it is looked at', () => {
    const again = replay(scenario, 11, best.run.actions);
    expect(again.log).toEqual(best.run.log);
    expect(resultOf(again)).toEqual(best.result);
    const other = new PracticeRun(scenario, 11);
    doDeed(other, { type: 'heat', level: 3 });
    const whole = new PracticeRun(scenario, 11);
    doDeed(whole, { type: 'heat', level: 3 });
    for (let i = 0; i < 90; i++) other.advance(6.7);
    whole.advance(90 * 6.7);
    expect(other.pan.pot).toEqual(whole.pan.pot);
    expect(signsOfPan(other.pan)).toEqual(signsOfPan(whole.pan));
  });
});

test('another seed is another pan', () => {
  const [one, other] = [1, 2].map((seed) => bestRun(scenarioOf('first-jam'), seed).run);
  expect(one?.truth.burner).not.toBe(other?.truth.burner);
  expect(one?.finishedAt_s).not.toBe(other?.finishedAt_s);
});

describe('what goes wrong is seen, and costs', () => {
  const withFinish = (
    scenario: PracticeScenario,
    change: Partial<ReturnType<typeof bestDeciders>>,
  ) => drive(scenario, 5, { ...bestDeciders(), ...change });

  test('a pan that is too small, at full heat with its sugar in, runs over, loses jars, and the foam said so before', () => {
    const scenario = scenarioOf('small-pan');
    const said: string[] = [];
    const careful = bestDeciders().heat;
    const run = withFinish(scenario, {
      heat: (now) => (now.isIn(2) ? [{ type: 'heat', level: 4 }] : careful(now)),
      look: (now) => {
        const foam = signsOfPan(now.pan).find(({ of }) => of === 'foam')?.code ?? '';
        if (said.at(-1) !== foam) said.push(foam);
        return [];
      },
    });
    expect(run.pan.spilled_kg).toBeGreaterThan(0.05);
    expect(said.indexOf('rim')).toBeGreaterThanOrEqual(0);
    expect(said.indexOf('rim')).toBeLessThan(said.indexOf('over'));
    expect(run.notices.map(({ code }) => code)).toContain('runs-over');
  });

  test('a base nobody stirs catches, and smells of caramel before it is burnt', () => {
    const said = new Set<string>();
    const run = withFinish(scenarioOf('first-jam'), {
      stir: nothing,
      look: (now) => {
        said.add(signsOfPan(now.pan).find(({ of }) => of === 'smell')?.code ?? '');
        return [];
      },
    });
    expect(run.pan.caught).toBeGreaterThan(0.12);
    expect([...said].slice(0, 2)).toEqual(['fruit', 'caramel']);
  });

  test('pectin after the sugar does not dissolve, before it does', () => {
    const scenario = scenarioOf('pectin-order');
    const [pectin, sugar] = [2, 3];
    const wrongOrder: Decider = (now) => {
      if (!now.isIn(sugar)) return [{ type: 'add', item: sugar }];
      return now.pan.isBoiling ? [{ type: 'add', item: pectin }] : [];
    };
    const [right, wrong] = [bestRun(scenario, 5).run, withFinish(scenario, { add: wrongOrder })];
    expect(right.pan.pectinUsed()).toBeGreaterThan(0.85);
    expect(wrong.pan.pectinUsed()).toBeLessThan(0.6);
    expect(wrong.pan.firmness()).toBeLessThan(0.75 * right.pan.firmness());
  });

  test('low sugar sets with calcium pectin and its calcium, and not with ordinary pectin', () => {
    const scenario = scenarioOf('half-sugar');
    const firmnessWith = (...within: readonly number[]): number =>
      drive(scenario, 5, bestDeciders(within)).pan.firmness();
    const [ordinary, calciumWater, calciumPectin] = [4, 5, 6];
    expect(firmnessWith(ordinary)).toBeLessThan(0.3);
    expect(firmnessWith(calciumPectin)).toBeLessThan(firmnessWith(calciumWater, calciumPectin));
    expect(firmnessWith(calciumWater, calciumPectin)).toBeGreaterThan(0.7);
  });

  test('a curd that gets too hot curdles; one that never got hot is thin and no spread', () => {
    const stopAt =
      (short_K: number): Decider =>
      (now) =>
        now.phase === 'stove' && now.pan.pot.temperature_C >= now.finishAt_C() + short_K
          ? [{ type: 'finish' }]
          : [];
    const scenario = scenarioOf('curd');
    const heat: Decider = (now) => (now.time_s === 0 ? [{ type: 'heat', level: 4 }] : []);
    expect(withFinish(scenario, { finish: stopAt(12), heat }).pan.curdled).toBeGreaterThan(0.3);
    const thin = withFinish(scenario, { finish: stopAt(-9) });
    expect(thin.pan.firmness()).toBeLessThan(0.75);
  });

  test('where the power goes, the pan cools, and comes back', () => {
    const { run } = bestRun(scenarioOf('power-cut'), 5);
    const [off, on] = run.notices;
    expect(off?.code).toBe('power-off');
    expect(on?.code).toBe('power-on');
    expect((on?.time_s ?? 0) - (off?.time_s ?? 0)).toBeCloseTo(14 * 60, -1);
  });
});

describe('the jars', () => {
  const storedAs = (id: string, storage: Decider) =>
    resultOf(drive(scenarioOf(id), 5, { ...bestDeciders(), storage }));
  const straightOn: Decider = (now) => {
    if (now.phase === 'jars') return [{ type: 'process' }];
    const timed_s = now.time_s - (now.timerFrom_s ?? now.time_s);
    if (now.phase !== 'canner') return [];
    const deeds: Deed[] = timed_s >= now.processMinutes * 60 ? [{ type: 'lift' }] : [];
    return now.cannerBoilsFrom_s === undefined ? [{ type: 'canner-up' }, ...deeds] : deeds;
  };

  test('a canner whose boil was lost and whose timer ran on makes no jars for the shelf', () => {
    const result = storedAs('canner', straightOn);
    expect(result.storedIn).toBe('shelf');
    expect(result.allowed).not.toBe('shelf');
    expect(result.points.storage).toBe(0);
    expect(bestRun(scenarioOf('canner'), 5).result.points.storage).toBe(20);
  });

  test('what a helper put in is in the verdict: there is no process for it', () => {
    const { run, result } = bestRun(scenarioOf('helper'), 5);
    expect(run.notices.map(({ code }) => code)).toContain('helper-added');
    expect(run.processMinutes).toBe(0);
    expect(result.storedIn).not.toBe('shelf');
    const boil = boilFrom(run.log);
    expect(
      boil.log.some(({ event }) => event.type === 'addition' && event.body.text.includes('chips')),
    ).toBe(true);
  });

  test('jars lifted early were not processed', () => {
    const early: Decider = (now) => {
      if (now.phase === 'jars') return [{ type: 'process' }];
      return now.phase === 'canner' && now.time_s - (now.timerFrom_s ?? 0) > 120
        ? [{ type: 'lift' }]
        : [];
    };
    expect(storedAs('first-jam', early).points.storage).toBe(0);
  });
});

describe('afterwards', () => {
  const scenario = scenarioOf('first-jam');
  const late = drive(scenario, 5, {
    ...bestDeciders(),
    finish: (now) => (now.phase === 'stove' && now.time_s > 45 * 60 ? [{ type: 'finish' }] : []),
  });
  const review = reviewRun(scenario, 5, late.actions, 'eye');

  test('it is played again from the seed: nothing of it has to be kept', () => {
    expect(review.result.score).toBe(resultOf(late, review.best.jars).score);
    expect(review.curve.length).toBeGreaterThan(20);
    expect(review.bestCurve.length).toBeGreaterThan(20);
    expect(review.bestCurve.length).toBeLessThan(review.curve.length);
  });

  test('every sign is told with what a maker takes from it, as it came', () => {
    const codes = review.signs.map(({ sign }) => sign.code);
    for (const code of ['shivers', 'rolling', 'grains', 'deep', 'glossy'])
      expect(codes).toContain(code);
    expect(codes.indexOf('rolling')).toBeLessThan(codes.indexOf('glossy'));
    const times = review.signs.map(({ time_s }) => time_s);
    expect(times).toEqual(times.toSorted((a, b) => a - b));
    expect(review.signs.find(({ sign }) => sign.code === 'glossy')?.sign.means).toMatch(/test now/);
  });

  test('the choice that cost most is named with its jars and minutes, and what to try', () => {
    const [dearest] = review.costs;
    expect(dearest?.aspect).toBe('finish');
    expect(dearest?.jars).toBeGreaterThan(0.3);
    expect(dearest?.minutes).toBeLessThan(-5);
    expect(dearest?.tryNext).toMatch(/earlier/);
  });

  test('jars filled at once cost their looks, and nothing else of what was done changes', () => {
    const hasty = drive(scenario, 1, {
      ...bestDeciders(),
      fill: (now) => (now.phase === 'rest' ? [{ type: 'fill' }] : []),
    });
    const { result, costs } = reviewRun(scenario, 1, hasty.actions, 'eye');
    expect(result.floats).toBe(true);
    expect(costs.map(({ aspect, points }) => [aspect, points])).toEqual([['fill', 5]]);
    expect(costs[0]?.tryNext).toMatch(/rest 5 to 10 minutes/);
  });

  test('the best run has nothing to mend, and earns no medal it did nothing for', () => {
    const { run } = bestRun(scenario, 1);
    const own = reviewRun(scenario, 1, run.actions, 'eye');
    expect(own.costs).toEqual([]);
    // It never looked: it stopped where it should all the same.
    expect(own.medals.map(({ code }) => code)).not.toContain('on-the-point');
    const looked = reviewRun(
      scenario,
      1,
      [...run.actions, { type: 'read' as const, time_s: (run.finishedAt_s ?? 0) - 60 }].toSorted(
        (a, b) => a.time_s - b.time_s,
      ),
      'eye',
    );
    expect(looked.medals.map(({ code }) => code)).toEqual(
      expect.arrayContaining(['on-the-point', 'every-jar', 'by-eye']),
    );
  });

  test('a medal for the thermometer is for one who checked it', () => {
    const lying = scenarioOf('lying-thermometer');
    const { run } = bestRun(lying, 5);
    const codes = (actions: typeof run.actions): readonly string[] =>
      reviewRun(lying, 5, actions, 'forecast').medals.map(({ code }) => code);
    expect(codes(run.actions)).not.toContain('checked-first');
    expect(codes([{ type: 'check', time_s: 0 }, ...run.actions])).toContain('checked-first');
  });
});

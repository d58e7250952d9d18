import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import {
  GEL_RISE_C,
  panLoss_kgPerH,
  saturationTemperature_C,
  standardPressure_kPa,
} from '../water/index.js';
import { syrupBoilingPoint_C } from '../syrup/index.js';
import { forecastBefore, quantile, trialBoil } from '../testing/boils.js';
import {
  BoilingCurve,
  boilingCurve,
  burnerHeat_W,
  massOfPot,
  rates,
  simulateBoil,
  solidsOf,
  type PanModel,
  type PotState,
} from '../thermal/index.js';
import { forecast } from './forecast.js';
import type { ForecastInput } from './forecast-model.js';
import { errorsAgainst, report } from '../testing/report.js';

interface Odex {
  readonly Solver: new (n: number) => {
    solve: (
      f: (t: number, y: number[]) => number[],
      from: number,
      y: number[],
      to: number,
    ) => { readonly y: number[] };
  };
}
const { Solver } = jest.requireActual<Odex>('odex');

const SEA = standardPressure_kPa(0);
const KETTLE: PanModel = { curve: boilingCurve(SEA), diameter_m: 0.3, pH: 3.1 };
/** 1 kg of tart berries, 1 kg of sugar and 400 ml of water, less what a 15 minute simmer takes. */
const BERRIES: PotState = {
  water: 0.875 + 0.4 - 0.2,
  soluble: 1.11,
  insoluble: 0.04,
  invertShare: 0.09,
  temperature_C: 85,
};

const grid = errorsAgainst('boiling curve on its grid against its solver, to 80 %', 'C');
const stepMass = errorsAgainst('steps of a second against odex over 15 min of boil, mass', 'kg');
const stepHeat = errorsAgainst('the same, temperature', 'C');

test('the boiling curve on its grid is the solver within 0.03 C up to 80 % solids', () => {
  for (const pressure of [70, 88, 101.325]) {
    const curve = BoilingCurve.solved(pressure);
    for (let s = 0.01; s <= 0.8; s += 0.013)
      for (const share of [0, 0.2, 0.4, 0.7, 1])
        expect(grid(curve.at(s, share) - syrupBoilingPoint_C(s, share, pressure))).toBeLessThan(
          0.03,
        );
  }
});

// The model's differential equations solved by odex (an extrapolation integrator after Hairer,
// Norsett and Wanner), from the boil on, where they are smooth.
test('Euler steps of a second follow odex within 0.02 C and 3 g over 15 minutes of boil', () => {
  const start: PotState = {
    ...BERRIES,
    temperature_C: KETTLE.curve.at(solidsOf(BERRIES), BERRIES.invertShare),
  };
  const net = 1500;
  const ours = simulateBoil(start, KETTLE, {
    net_W: () => net,
    seed: 1,
    readEvery_s: 60,
    most_s: 900,
  });
  const slope = (_t: number, [water = 0, invertShare = 0]: number[]): number[] => {
    const state = { ...start, water, invertShare };
    state.temperature_C = KETTLE.curve.at(solidsOf(state), invertShare);
    const rate = rates(state, net, KETTLE);
    return [rate.water, rate.invert];
  };
  let y = [start.water, start.invertShare];
  let from = 0;
  for (const { time_s, trueTemperature_C, trueMass_kg } of ours.readings.slice(1)) {
    ({ y } = new Solver(2).solve(slope, from, y, time_s));
    from = time_s;
    const [water = NaN, invertShare = NaN] = y;
    const state = { ...start, water, invertShare };
    expect(stepMass(massOfPot(state) - trueMass_kg)).toBeLessThan(0.003);
    expect(
      stepHeat(KETTLE.curve.at(solidsOf(state), invertShare) - trueTemperature_C),
    ).toBeLessThan(0.02);
  }
});

// Common practice, no source: 1 kg fruit + 1 kg sugar + 400 ml water: 15 min simmer, then about 10
// min rolling boil.
test.each([[1300], [1900]])(
  'tart berries at %i W reach the gel in 6 to 14 minutes of boil, at about 1.70 kg',
  (watts) => {
    const gel = saturationTemperature_C(SEA) + GEL_RISE_C;
    const {
      end_s,
      boilFrom_s = NaN,
      finished,
      state,
    } = simulateBoil(BERRIES, KETTLE, {
      net_W: () => watts,
      seed: 1,
      readEvery_s: 30,
      until: ({ temperature_C }) => temperature_C >= gel,
    });
    expect(finished).toBe(true);
    expect((end_s - boilFrom_s) / 60).toBeGreaterThan(6);
    expect((end_s - boilFrom_s) / 60).toBeLessThan(14);
    expect(Math.abs(massOfPot(state) - 1.7)).toBeLessThan(0.13);
  },
);

// Handbook steam arithmetic: 1 kW into boiling water is 1.6 kg/h before what the pan loses.
test('net 1.0 to 2.3 kW gives off 1.2 to 3.3 kg an hour', () => {
  for (const [watts, kg] of [
    [1000, 1.2],
    [1300, 1.7],
    [1600, 2.2],
    [1900, 2.65],
    [2300, 3.3],
  ] as const)
    expect(Math.abs(panLoss_kgPerH(watts) / kg - 1)).toBeLessThan(0.1);
  // Gas of 3.4 kW gives a pan as much as induction of 1.8 kW (appliance tests, from memory: 45 %
  // and 85 %).
  expect(burnerHeat_W('gas', 3.4) / burnerHeat_W('induction', 1.8)).toBeCloseTo(1, 2);
});

test('the same seed gives the same boil, another another', () => {
  const run = (seed: number): number[] =>
    simulateBoil(BERRIES, KETTLE, {
      net_W: () => 1500,
      seed,
      fluctuation: 0.05,
      readEvery_s: 60,
      most_s: 600,
    }).readings.map(({ temperature_C }) => temperature_C);
  expect(run(7)).toEqual(run(7));
  expect(run(7)).not.toEqual(run(8));
});

describe('forecast', () => {
  // 200 boils; kitchens and seeds 1 to 200 were fixed before any forecast was run, and none is
  // dropped. The truth has another curve of sucrose, weather, thermometer drift, amounts and
  // inversion than the model; see testing/boils.ts.
  const boils = Array.from({ length: 200 }, (_, i) => trialBoil(i + 1));

  test('with 5 minutes to go: median error under 1 min, nine in ten under 2.2, the range holds 85 to 97 %, at most 5 wide', () => {
    // Other moments take a minute more: FORECAST_AT=5,10,7,3,2 prints the table of
    // docs/accuracy.md.
    const rows = (process.env.FORECAST_AT ?? '5')
      .split(',')
      .map(Number)
      .map((minutes) => {
        const results = boils.map((boil) => forecastBefore(boil, minutes));
        const errors = results.map(({ error_min }) => Math.abs(error_min));
        return {
          minutes,
          median: quantile(errors, 0.5),
          ninety: quantile(errors, 0.9),
          held: results.filter(({ held }) => held).length / results.length,
          width: quantile(
            results.map(({ width_min }) => width_min),
            0.5,
          ),
        };
      });
    report(
      `forecast, 200 boils (seeds 1-200), absolute error in minutes:\n${rows.map((r) => `  ${r.minutes} to go: median ${r.median.toFixed(2)}, 90 % ${r.ninety.toFixed(2)}, range holds ${(r.held * 100).toFixed(1)} %, median width ${r.width.toFixed(2)}`).join('\n')}`,
    );
    expect(boils.every(({ truth }) => truth.finished)).toBe(true);
    const five = rows[0];
    expect(five?.median).toBeLessThan(1);
    expect(five?.ninety).toBeLessThan(2.2);
    expect(five?.held).toBeGreaterThanOrEqual(0.85);
    expect(five?.held).toBeLessThanOrEqual(0.97);
    expect(five?.width).toBeLessThanOrEqual(5);
  });

  test('weighing the pan as well says more', () => {
    const some = boils.slice(0, 40);
    const error = (mass: boolean): number =>
      quantile(
        some.map((boil) =>
          Math.abs(forecastBefore(boil, 10, { temperature: true, mass }).error_min),
        ),
        0.5,
      );
    expect(error(true)).toBeLessThan(error(false));
  });

  const input = (more: Partial<ForecastInput> = {}): ForecastInput => ({
    start: BERRIES,
    startDoubt: 0.05,
    pressure_kPa: SEA,
    pH: 3.1,
    pan: { diameter_m: 0.3 },
    net_W: { low: 1000, mid: 1550, high: 2400 },
    offset_K: { low: -0.2, mid: 0, high: 0.2 },
    observations: [],
    target: { type: 'temperature', reading_C: saturationTemperature_C(SEA) + GEL_RISE_C },
    now_s: 0,
    ...more,
  });
  const boil = (net_W: (t: number) => number, noise_K = 0.05) =>
    simulateBoil(BERRIES, KETTLE, {
      net_W,
      seed: 3,
      readEvery_s: 20,
      instruments: {
        noise_K,
        offset_K: 0,
        drift_KPerH: 0,
        scaleNoise_kg: 0.002,
        brixNoise_percent: 0.1,
      },
      until: ({ temperature_C }) => temperature_C >= saturationTemperature_C(SEA) + GEL_RISE_C,
    });

  test('with no reading it is the prior, wide; with readings it narrows onto the truth', () => {
    const truth = boil(() => 1400);
    const prior = forecast(input());
    expect(prior.left_s.low).toBeLessThan(truth.end_s);
    expect(prior.left_s.high).toBeGreaterThan(truth.end_s);
    const now_s = truth.end_s * 0.7;
    const later = forecast(
      input({ observations: truth.readings.filter(({ time_s }) => time_s <= now_s), now_s }),
    );
    expect(later.left_s.high - later.left_s.low).toBeLessThan(prior.left_s.high - prior.left_s.low);
    expect(Math.abs(later.left_s.mid - (truth.end_s - now_s))).toBeLessThan(90);
    expect(Math.abs(later.net_W.mid / 1400 - 1)).toBeLessThan(0.12);
  });

  // The same model's heat and offset fitted by the library ml-levenberg-marquardt to the same
  // readings.
  test('the fitted heat agrees with ml-levenberg-marquardt', () => {
    const truth = boil(() => 1400);
    const observations = truth.readings.map(({ time_s, temperature_C }) => ({
      time_s,
      temperature_C,
    }));
    const model = ([watts = 0, offset = 0]: number[]) => {
      const path = simulateBoil(BERRIES, KETTLE, {
        net_W: () => watts * 1000,
        seed: 1,
        readEvery_s: 20,
        step_s: 5,
        most_s: 1800,
      }).readings;
      return (t: number): number => (path[Math.round(t / 20)]?.trueTemperature_C ?? NaN) + offset;
    };
    const fitted = levenbergMarquardt(
      {
        x: observations.map(({ time_s }) => time_s),
        y: observations.map(({ temperature_C }) => temperature_C),
      },
      model,
      { initialValues: [1.5, 0], gradientDifference: 0.01, maxIterations: 40 },
    );
    const watts = (fitted.parameterValues[0] ?? NaN) * 1000;
    const ours = forecast(
      input({ observations, now_s: truth.end_s, offset_K: { low: -0.2, mid: 0, high: 0.2 } }),
    );
    expect(Math.abs(watts / 1400 - 1)).toBeLessThan(0.05);
    expect(ours.net_W.low).toBeLessThan(watts);
    expect(ours.net_W.high).toBeGreaterThan(watts);
  });

  test('a change of flame that is told is followed; off the heat nothing comes nearer', () => {
    const change = 240;
    const truth = boil((t) => (t < change ? 1900 : 1000));
    const now_s = truth.end_s - 240;
    const observations = truth.readings.filter(({ time_s }) => time_s <= now_s);
    const told = forecast(input({ observations, now_s, heatChanges: [{ time_s: change }] }));
    const untold = forecast(input({ observations, now_s }));
    expect(Math.abs(told.left_s.mid - 240)).toBeLessThan(100);
    expect(told.misfit).toBeLessThanOrEqual(untold.misfit + 0.05);
    const off = forecast(
      input({
        observations,
        now_s,
        heatChanges: [{ time_s: change }, { time_s: now_s, share: 0 }],
      }),
    );
    expect(off.left_s.mid).toBeGreaterThan(told.left_s.mid * 3);
  });

  test('juice poured in mid-boil sets it back', () => {
    const plain = forecast(input());
    const thinned = forecast(input({ added: [{ time_s: 120, water_kg: 0.2, soluble_kg: 0.02 }] }));
    expect(thinned.left_s.mid).toBeGreaterThan(plain.left_s.mid + 200);
  });

  test('one wild reading hardly moves it; nonsense is left out', () => {
    const truth = boil(() => 1400);
    const now_s = truth.end_s - 300;
    const observations = truth.readings
      .filter(({ time_s }) => time_s <= now_s)
      .map(({ time_s, temperature_C }) => ({ time_s, temperature_C }));
    const clean = forecast(input({ observations, now_s })).left_s.mid;
    const wild = forecast(
      input({
        observations: [
          ...observations,
          { time_s: now_s - 100, temperature_C: 90 },
          { time_s: now_s - 90, temperature_C: NaN },
        ],
        now_s,
      }),
    ).left_s.mid;
    expect(Math.abs(wild - clean)).toBeLessThan(60);
  });

  test('by weight and by refractometer, and done is done', () => {
    const byMass = forecast(input({ target: { type: 'mass', mass_kg: 1.75 } }));
    const bySolids = forecast(input({ target: { type: 'solids', percent: 64 } }));
    expect(byMass.left_s.mid).toBeGreaterThan(100);
    expect(bySolids.left_s.mid).toBeGreaterThan(100);
    expect(forecast(input({ target: { type: 'mass', mass_kg: 3 } })).left_s.mid).toBe(0);
  });

  test('2,000 readings in well under a blink', () => {
    const truth = simulateBoil(BERRIES, KETTLE, {
      net_W: () => 700,
      seed: 3,
      readEvery_s: 1,
      most_s: 2000,
    });
    const many = input({ observations: truth.readings, now_s: 2000 });
    forecast(many);
    const from = performance.now();
    for (let i = 0; i < 5; i++) forecast(many);
    // 20 ms compiled (see ./kettle bench); a busy machine is slower.
    expect((performance.now() - from) / 5).toBeLessThan(300);
  });
});

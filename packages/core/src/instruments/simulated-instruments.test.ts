import type { FormulaDocument } from '../formula/index.js';
import { STARTERS } from '../starters/index.js';
import { logFrom } from '../testing/log.js';
import { batchNow, boilFrom, type BatchEvent } from '../boil-log/index.js';
import { simulatedObservations, type SimulatedObservation } from './simulated-instruments.js';
import { watchBoil } from '../forecast/index.js';

const START = Date.parse('2026-10-03T15:00:00.000Z');
const KITCHEN = { altitude_m: 1180, boilingPoint_C: 96.1 };
const event = logFrom(START);
const QUIET = { noise_K: 0, offset_K: 0, lag_s: 0, dropouts: 0 };
const SEED = '7d1f3c0a-1111-4000-8000-00000000000a';
const begin = (errors: Partial<typeof QUIET> = {}, speed = 1): BatchEvent[] => [
  event(
    'simulated',
    0,
    { speed, realAt: new Date(START).toISOString(), ...QUIET, ...errors },
    SEED,
  ),
  event('light', 0, { gelTemperature_C: 100.5, boilingPoint_C: 96.1 }),
];
const starter = (title: string): FormulaDocument =>
  STARTERS.find((each) => each.title.startsWith(title)) as FormulaDocument;
const JELLY = starter('Redcurrant jelly');
const observations = (
  events: readonly BatchEvent[],
  minutes: number,
  document = JELLY,
): SimulatedObservation[] =>
  simulatedObservations(boilFrom(events), document, KITCHEN, START + minutes * 60_000);
const readings = (events: readonly BatchEvent[], minutes: number, document = JELLY): BatchEvent[] =>
  observations(events, minutes, document).map(({ at, temperature_C }) =>
    event('reading', (at - START) / 1000, { temperature_C, instrument: SEED }),
  );

test('the pan of the batch: cold at first, up to the boil, past the setting point, lighter all the time', () => {
  const seen = observations(begin(), 60);
  expect(seen[0]?.temperature_C).toBeLessThan(25);
  expect(seen.at(-1)?.temperature_C).toBeGreaterThan(100.5);
  expect(seen.at(-1)?.mass_kg).toBeLessThan((seen[0]?.mass_kg ?? 0) - 0.5);
  expect(seen.map(({ at }) => at)).toEqual(seen.map((_, i) => START + (i + 1) * 10_000));
});

test('the same log gives the same readings, and more time only adds to them', () => {
  const half = observations(begin({ noise_K: 0.3, dropouts: 0.2 }), 15);
  expect(observations(begin({ noise_K: 0.3, dropouts: 0.2 }), 30).slice(0, half.length)).toEqual(
    half,
  );
});

test('offset, lag and dropouts are the instrument’s, not the pan’s', () => {
  const plain = observations(begin(), 20);
  const at = (list: readonly SimulatedObservation[], minutes: number): number =>
    list.find((observation) => observation.at >= START + minutes * 60_000)?.temperature_C ?? NaN;
  expect(at(observations(begin({ offset_K: 1.4 }), 20), 5)).toBeCloseTo(at(plain, 5) + 1.4, 1);
  expect(at(observations(begin({ lag_s: 30 }), 20), 5)).toBeLessThan(at(plain, 5) - 1);
  const gone = observations(begin({ dropouts: 0.3 }), 60);
  expect(gone.length).toBeLessThan(60 * 6 * 0.9);
  expect(gone.length).toBeGreaterThan(60 * 6 * 0.5);
});

test('it answers to the cook: off the heat it falls, cold water sets it back, the flame down slows it, sugar in lifts it', () => {
  const log = begin();
  const at = (
    more: readonly BatchEvent[],
    minutes: number,
    document = JELLY,
  ): SimulatedObservation | undefined => observations([...log, ...more], minutes, document).at(-1);
  expect(at([event('off-heat', 1500, {})], 40)?.temperature_C).toBeLessThan(
    at([], 25)?.temperature_C ?? 0,
  );
  expect(at([event('addition', 1500, { text: '500 ml water' })], 26)?.mass_kg).toBeGreaterThan(
    (at([], 26)?.mass_kg ?? 0) + 0.4,
  );
  expect(at([event('heat', 900, { turned: 'down' })], 30)?.mass_kg).toBeGreaterThan(
    at([], 30)?.mass_kg ?? 0,
  );
  const damson = starter('Damson jam');
  expect(at([], 45, damson)?.temperature_C).toBeLessThan(97.5);
  expect(at([event('sugar-in', 2400, {})], 50, damson)?.solidsPercent).toBeGreaterThan(45);
});

test('put off for two days and taken up again it boils on from what it was', () => {
  // Not a whole number of steps.
  const two = 48 * 3600 + 0.317;
  const log = [
    ...begin(),
    event('paused', 1200.25, { kept: 'fridge' }),
    event('on-heat', 1200 + two, {}),
  ];
  const before = observations(log, 20).at(-1);
  const after = observations(log, 20 + two / 60 + 1);
  const back = after.find(({ at }) => at > START + (1200 + two) * 1000);
  expect(back?.temperature_C).toBeLessThan(40);
  expect(back?.mass_kg).toBeCloseTo(before?.mass_kg ?? 0, 1);
  // The forecast stands still meanwhile and goes on from there.
  const now = two + 1200 + 600;
  const events = [...log, ...readings(log, now / 60)];
  const watched = watchBoil(boilFrom(events), JELLY, KITCHEN, START + now * 1000);
  expect(watched?.forecast.now.mass_kg).toBeCloseTo(
    observations(log, now / 60).at(-1)?.mass_kg ?? 0,
    1,
  );
  const truth = observations(log, now / 60 + 120).find(
    ({ at, temperature_C }) => at > START + now * 1000 && temperature_C >= 100.5,
  );
  const left = ((truth?.at ?? 0) - START) / 1000 - now;
  expect(Math.abs((watched?.forecast.left_s.mid ?? NaN) - left) / 60).toBeLessThan(4);
});

test('a slow cooker loses little under its lid and more without: the forecast knows how its lid lies', () => {
  const butter = starter('Quince butter');
  const ends = (...vessels: BatchEvent[]) => {
    const log = [...begin(), ...vessels];
    const at = START + 3 * 3600_000;
    const some = readings(log, 180, butter).filter((_, i) => i % 60 === 0);
    return {
      left: watchBoil(boilFrom([...log, ...some]), butter, KITCHEN, at)?.forecast.left_s.mid ?? NaN,
      lost:
        (observations(log, 1, butter)[0]?.mass_kg ?? 0) -
        (observations(log, 600, butter).at(-1)?.mass_kg ?? 0),
    };
  };
  const [on, off] = [
    ends(event('vessel', 0, { vessel: 'slow-cooker-lid-on' })),
    ends(event('vessel', 0, { vessel: 'slow-cooker-lid-off' })),
  ];
  const opened = ends(
    event('vessel', 0, { vessel: 'slow-cooker-lid-on' }),
    event('vessel', 7200, { vessel: 'slow-cooker-lid-off' }),
  );
  expect(off.left).toBeLessThan(on.left);
  expect(opened.left).toBeLessThan(on.left);
  expect(off.lost).toBeGreaterThan(on.lost + 0.5);
  expect(opened.lost).toBeGreaterThan(on.lost + 0.3);
});

describe('the clock of the batch', () => {
  test('runs as the simulated instruments say from their event on', () => {
    const boil = boilFrom([
      event('simulated', 0, { speed: 60, realAt: new Date(START).toISOString(), ...QUIET }),
    ]);
    expect(batchNow(boil, START + 1000)).toBe(START + 60_000);
    const slower = boilFrom([
      event('simulated', 0, { speed: 60, realAt: new Date(START).toISOString(), ...QUIET }),
      event('simulated', 600, {
        speed: 1,
        realAt: new Date(START + 10_000).toISOString(),
        ...QUIET,
      }),
    ]);
    expect(batchNow(slower, START + 11_000)).toBe(START + 601_000);
  });
  test('is the kitchen’s own without them', () =>
    expect(batchNow(boilFrom([]), START)).toBe(START));
});

test.each([
  ['Sour cherry jam', 'hard-boil', 2],
  ['Passion fruit curd', 'curd', 3],
  ['Pear butter', 'consistency', 120],
])('%s: its time left is told too, and holds', (title, type, within) => {
  const document = starter(title);
  expect(document.finish.type).toBe(type);
  const log = [
    ...begin({ noise_K: type === 'hard-boil' ? 0 : 0.2 }),
    ...(type === 'hard-boil' ? [event('sugar-in', 1, {})] : []),
  ];
  const all = observations(log, 24 * 60, document);
  // It boils where the climb ends.
  const rolling =
    all.find(
      ({ temperature_C }, i) =>
        temperature_C > 95 && Math.abs((all[i + 1]?.temperature_C ?? 0) - temperature_C) < 0.3,
    )?.temperature_C ?? 0;
  const mass = watchBoil(boilFrom(log), document, KITCHEN, START)?.finishMass_kg ?? 0;
  const end = all.find(({ temperature_C, mass_kg }) => {
    if (type === 'consistency') return mass_kg <= mass;
    return temperature_C >= (type === 'curd' ? 77 : rolling);
  });
  const done = ((end?.at ?? NaN) - START) / 1000 + (type === 'hard-boil' ? 60 : 0);
  const now = done * 0.7;
  const weights = all
    .filter(({ at }) => at < START + now * 1000 && type === 'consistency')
    .filter((_, i) => i % 180 === 0)
    .map(({ at, mass_kg }) => event('weighed', (at - START) / 1000, { mass_kg }));
  const some = readings(log, now / 60, document).filter(
    (_, i) => type !== 'consistency' || i % 60 === 0,
  );
  const watched = watchBoil(
    boilFrom([...log, ...some, ...weights]),
    document,
    KITCHEN,
    START + now * 1000,
  );
  const left = watched?.forecast.left_s.mid ?? NaN;
  expect(Math.abs(left - (done - now)) / 60).toBeLessThan(within);
});

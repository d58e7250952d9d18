import { documentOf } from '../testing/formula.js';
import { logFrom } from '../testing/log.js';
import { boilFrom, type BatchEvent } from '../boil-log/index.js';
import { outcomeOf, forecastAccuracy, type BatchOutcome } from './outcome.js';

const START = Date.parse('2026-10-03T15:00:00.000Z');
const event = logFrom(START, 60_000);
const DAMSON = documentOf([
  ['2 kg', 'damson'],
  ['300 ml', 'water'],
  ['1.8 kg', 'white-sugar'],
]);
const LIGHT = event('light', 0, { gelTemperature_C: 100.5, boilingPoint_C: 96.1 });
const read = (minutes: number, temperature_C: number): BatchEvent =>
  event('reading', minutes, { temperature_C });
const outcome = (...events: BatchEvent[]): BatchOutcome =>
  outcomeOf(DAMSON, boilFrom([LIGHT, ...events]), { altitude_m: 1180 }, START + 2 * 24 * 3_600_000);

const MADE = [
  read(8, 70),
  read(15, 95.9),
  read(25, 99.1),
  event('off-heat', 30, {}),
  event('test', 31, { way: 'plate', verdict: 'holds a line' }),
  event('on-heat', 33, {}),
  read(36, 100.3),
  event('done', 37, {}),
  event('jarred', 50, { jars: [{ size: 'half-pint', full: 10, part: 0.5 }] }),
  event('processed', 75, { method: 'boiling-water', minutes: 15, altitude_m: 1180 }),
  event('seals', 75 + 800, { size: 'half-pint', failed: [4] }),
  event('note', 90, { text: 'Foamed a lot' }),
];

test('a butter is stopped by its thickness: no temperature was planned', () => {
  const butter = {
    ...DAMSON,
    kind: 'fruit-butter',
    method: 'no-gel',
    finish: { type: 'consistency' },
  } as const;
  const { stop } = outcomeOf(
    butter,
    boilFrom([LIGHT, read(30, 97), event('done', 40, {})]),
    { altitude_m: 1180 },
    START + 3_600_000,
  );
  expect(stop).toEqual({ planned_C: undefined, actual_C: 97 });
});

test('where it was stopped, how long it boiled, what it filled, what sealed', () => {
  const { stop, boil, yield_ml, seals, tests, notes } = outcome(...MADE);
  expect(stop).toEqual({ planned_C: 100.5, actual_C: 100.3 });
  // From 15 to 37 minutes, three of them off the heat; nobody said when the sugar went in.
  expect(boil.actual).toBeCloseTo(19, 6);
  expect(boil.planned).toBeUndefined();
  const sugared = outcome(...MADE, event('sugar-in', 20, {})).boil;
  expect(sugared.actual).toBeCloseTo(14, 6);
  expect(sugared.planned?.mid).toBeGreaterThan(3);
  // Ten and a half half-pints of 236.6 ml.
  expect(yield_ml.actual).toBeCloseTo(10.5 * 236.6, -1);
  expect(yield_ml.planned?.low).toBeLessThan(yield_ml.planned?.high ?? 0);
  expect((yield_ml.planned?.mid ?? 0) / 236.6).toBeGreaterThan(8);
  expect((yield_ml.planned?.mid ?? 0) / 236.6).toBeLessThan(13);
  expect(seals).toEqual({ jars: 10, sealed: 9, failed: 1 });
  expect(tests.map(({ verdict }) => verdict)).toEqual(['holds a line']);
  expect(notes.map(({ text }) => text)).toEqual(['Foamed a lot']);
});

test('what is not known yet is not made up', () => {
  expect(outcome()).toMatchObject({
    stop: { actual_C: undefined },
    boil: { actual: undefined },
    yield_ml: { actual: undefined },
    seals: { jars: 0 },
    score: undefined,
  });
});

test('the last score counts, and one that was taken back does not', () => {
  const good = event('scored', 9000, { set: 0, taste: 5 });
  const slip = event('scored', 9001, { set: -2, taste: 1 });
  expect(outcome(...MADE, good, slip).score).toEqual({ set: -2, taste: 1 });
  expect(outcome(...MADE, good, slip, event('undo', 9002, { eventId: slip.id })).score).toEqual({
    set: 0,
    taste: 5,
  });
});

test('an addition in the pan changes what comes out, not what was planned', () => {
  const more = outcome(...MADE, event('addition', 20, { text: '1 kg sugar' }));
  expect(more.yield_ml.planned).toEqual(outcome(...MADE).yield_ml.planned);
});

describe('the show', () => {
  const sheet = { headspace: 9, jar: 10, clarity: 6, colour: 8, set: 9, flavour: 8 };
  const entry = (minute: number, result: 'first' | 'commended' | 'entered', show: string) =>
    event('shown', minute, { show, class: 'Jams', on: '2026-11-07', result });

  test('the last sheet counts', () => {
    const better = { ...sheet, clarity: 8 };
    expect(outcome(...MADE).judged).toBeUndefined();
    expect(
      outcome(...MADE, event('judged', 5000, sheet), event('judged', 5001, better)).judged,
    ).toEqual(better);
  });

  test('entries stand by their result, and one that was taken back is gone', () => {
    const [fair, wrong, harvest] = [
      entry(6000, 'entered', 'Valley fair'),
      entry(6001, 'first', 'A slip'),
      entry(6002, 'commended', 'Harvest supper'),
    ];
    const { shows } = outcome(
      ...MADE,
      fair,
      wrong,
      harvest,
      event('undo', 6003, { eventId: wrong.id }),
    );
    expect(shows.map(({ show, result }) => `${show}: ${result}`)).toEqual([
      'Harvest supper: commended',
      'Valley fair: entered',
    ]);
  });
});

test('jars measured by their owner count as they were measured, planned and filled', () => {
  const counted = event('jarred', 50, { jars: [{ size: 'half-pint', full: 10, part: 0 }] });
  const kitchen = { altitude_m: 1180, jars: [{ size: 'half-pint', volume_ml: 250 }] };
  const [named, measured] = [{ altitude_m: 1180 }, kitchen].map(
    (place) => outcomeOf(DAMSON, boilFrom([LIGHT, counted]), place, START).yield_ml,
  );
  expect(measured?.actual).toBeCloseTo(2500, 6);
  // Larger jars are fewer: what was computed to come out is the same.
  expect(measured?.planned?.mid).toBeCloseTo(named?.planned?.mid ?? NaN, 0);
});

test('how right foretellings were: within their range, and by how much the middle one missed', () => {
  const of = (actual: number) => ({ planned: { low: 90, mid: 100, high: 112 }, actual });
  expect(forecastAccuracy([of(90), of(112), of(89), of(130)])).toEqual({
    count: 4,
    within: 2,
    missed: expect.closeTo(0.115, 9) as number,
  });
  expect(forecastAccuracy([of(104), of(60), of(100)]).missed).toBeCloseTo(0.04, 9);
  expect(forecastAccuracy([])).toEqual({ count: 0, within: 0, missed: 0 });
});

import { readFormula, type FormulaDocument } from '../formula/index.js';
import type { Range } from '../range/index.js';
import { STARTERS } from '../starters/index.js';
import { logFrom } from '../testing/log.js';
import { boilFrom, type BatchEvent } from '../boil-log/index.js';
import { adviceFor, type Advice } from './advice.js';
import { watchBoil } from './watch-boil.js';

const START = Date.parse('2026-10-03T15:00:00.000Z');
const event = logFrom(START);
const LIGHT = event('light', 0, { gelTemperature_C: 100.5, boilingPoint_C: 96.1 });
const read = (seconds: number, temperature_C: number): BatchEvent =>
  event('reading', seconds, { temperature_C });
const starter = (title: string): FormulaDocument =>
  STARTERS.find((each) => each.title.startsWith(title)) as FormulaDocument;
const next = (
  title: string,
  seconds: number,
  events: readonly BatchEvent[],
  fill?: number,
): Advice | undefined => nextOf(starter(title), seconds, events, fill);
const nextOf = (
  document: FormulaDocument,
  seconds: number,
  events: readonly BatchEvent[],
  fill?: number,
): Advice | undefined => {
  const { formula } = readFormula(document, { altitude_m: 1180 });
  return adviceFor({
    boil: boilFrom([LIGHT, ...events]),
    formula,
    watched: undefined,
    evidence: undefined,
    now: START + seconds * 1000,
    panFill: fill,
  });
};

test('as it comes to the boil the foam is watched; a pan too full will climb over, by how much', () => {
  const rising = [read(200, 88), read(260, 92)];
  expect(next('Redcurrant jelly', 265, rising)).toMatchObject({
    code: 'foam',
    why: expect.stringMatching(/three to four times/),
  });
  expect(next('Redcurrant jelly', 265, rising, 0.45)?.why).toMatch(/45 % full.*climb over/);
  expect(next('Redcurrant jelly', 265, rising, 0.3)?.why).not.toMatch(/climb over/);
  expect(
    next('Redcurrant jelly', 270, [
      ...rising,
      event('note', 266, { text: 'It comes to the boil: watch the foam' }),
    ])?.code,
  ).not.toBe('foam');
  // One that simmers along does not rise.
  expect(next('Redcurrant jelly', 235, [read(170, 93), read(230, 93.1)])?.code).toBe('watch');
});

test('once the timed boil runs, its end comes before the foam', () => {
  const log = [read(500, 88), read(560, 92), event('minute', 570, {}), read(600, 94)];
  expect(next('Sour cherry jam', 610, log)?.code).toBe('hold-boil');
  expect(next('Sour cherry jam', 640, log)?.code).toBe('off-now');
});

test('sugar that has just gone in foams up again', () =>
  expect(
    next('Damson jam', 1000, [read(940, 96), event('sugar-in', 945, {}), read(990, 96.4)])?.text,
  ).toMatch(/fully dissolved/));

test('while the pan boils like water its sugar is asked for, however many readings there are', () => {
  const many = Array.from({ length: 40 }, (_, i) => read(400 + i * 10, 96.2));
  expect(next('Damson jam', 800, many)?.code).toBe('sugar');
  expect(next('Damson jam', 800, [...many, read(795, 98.4)])?.code).not.toBe('sugar');
});

test('sugar is asked for as the formula has it: warmed beforehand, or a part at a time', () => {
  const damson = starter('Damson jam');
  const warmed: FormulaDocument = { ...damson, sugarIn: 'warmed' };
  const put = nextOf(warmed, 30, []);
  expect(put).toMatchObject({ code: 'warm-sugar', tick: 'note' });
  const isWarm = event('note', 35, { text: put?.text ?? '' });
  expect(nextOf(warmed, 60, [isWarm])?.code).not.toBe('warm-sugar');
  expect(nextOf(warmed, 800, [isWarm, read(795, 96.2)])?.text).toMatch(/the warm sugar goes in/);
  const byDegrees: FormulaDocument = { ...damson, sugarIn: 'by-degrees' };
  expect(nextOf(byDegrees, 800, [read(795, 96.2)])?.text).toMatch(/goes in by degrees/);
});

test('stirring is asked for by the stage, and a tap puts it off', () => {
  const minutes = (title: string, more: readonly BatchEvent[] = []): number =>
    Array.from({ length: 40 }, (_, i) => i).find(
      (minute) => next(title, minute * 60, more)?.code === 'stir',
    ) ?? NaN;
  expect(minutes('Redcurrant jelly')).toBe(4);
  expect(minutes('Damson jam')).toBe(6);
  expect(minutes('Pear butter')).toBe(15);
  expect(next('Redcurrant jelly', 300, [])?.tick).toBe('stirred');
  expect(minutes('Redcurrant jelly', [event('stirred', 239, {})])).toBeGreaterThan(4);
});

test('a curd is whisked, taken off at its finish, and at once when it is near curdling', () => {
  expect(next('Passion fruit curd', 600, [read(590, 70)])?.code).toBe('whisk');
  expect(next('Passion fruit curd', 600, [read(590, 76.9)])?.code).toBe('done');
  expect(next('Passion fruit curd', 600, [read(590, 80.5)])?.code).toBe('curdles');
});

test('a cook that is put off says how it is kept and taken up again', () => {
  expect(next('Pear butter', 9000, [event('paused', 8000, { kept: 'fridge' })])?.why).toMatch(
    /under 5 °C within six hours/,
  );
  expect(next('Pear butter', 9000, [event('paused', 8000, { kept: 'cool' })])?.why).toMatch(
    /some hours/,
  );
  expect(
    next('Pear butter', 9000, [event('paused', 8000, { kept: 'cool' }), event('on-heat', 8900, {})])
      ?.code,
  ).toBe('stir-slow');
});

// Common practice: powder before the sugar, sugar all at once, the pouch last, and only then the minute.
describe('what goes in is asked for in time, by the setting method', () => {
  const put = (seconds: number, line: number): BatchEvent =>
    event('addition', seconds, { text: 'as planned', planned: true, line });

  test('powdered pectin, sugar, minute', () => {
    const asked = (more: readonly BatchEvent[]): Advice | undefined =>
      next('Sour cherry jam', 100, more);
    expect(asked([])).toMatchObject({ code: 'pectin', tick: 'added', lines: [2] });
    expect(asked([put(50, 2)])).toMatchObject({ code: 'sugar', tick: 'sugar-in', lines: [3] });
    expect(asked([put(50, 2)])?.text).toMatch(/all the sugar at once/);
    expect(asked([put(50, 2), event('sugar-in', 60, {})])?.code).toBe('full-boil');
  });

  test('liquid pectin comes last', () => {
    const asked = (more: readonly BatchEvent[]): Advice | undefined =>
      next('Pear and ginger jam', 100, more);
    expect(asked([])).toMatchObject({ code: 'pectin', lines: [4] });
    expect(asked([])?.text).toMatch(/full rolling boil: stir in the liquid pectin/);
    expect(asked([put(50, 4)])?.code).toBe('full-boil');
  });

  test('calcium pectin goes in with the sweetener', () => {
    const advice = next('Light apricot jam', 100, []);
    expect(advice?.text).toMatch(/sweetener with its pectin/);
    expect(advice?.why).toMatch(/whisked into the sweetener/);
    expect(advice?.lines).toHaveLength(2);
  });

  test('what was left out is not asked for', () => {
    const left = event('omission', 50, { ingredient: 'pectin-powder', line: 2 });
    expect(next('Sour cherry jam', 100, [left])?.code).toBe('sugar');
  });
});

const READY = ['Put two plates in the cold', 'Jars hot, canner near temperature?'];

/**
 * What is said of a damson jam so many minutes after its last reading.
 * @param ready what has been made ready
 * @param left_s in place of the forecast of the time left
 */
function silentFor(
  minutes: number,
  last_C: number,
  { ready = READY, left_s }: { ready?: readonly string[]; left_s?: Range } = {},
): Advice | undefined {
  const document = starter('Damson jam');
  const kitchen = { altitude_m: 1180 };
  const start_C = last_C - 0.9;
  const readings = Array.from({ length: 10 }, (_, i) => read(600 + i * 60, start_C + i * 0.1));
  const notes = ready.map((text) => event('note', 700, { text }));
  const boil = boilFrom([LIGHT, event('sugar-in', 300, {}), ...readings, ...notes]);
  const now = START + (1140 + minutes * 60) * 1000;
  const watched = watchBoil(boil, document, kitchen, now);
  return adviceFor({
    boil,
    formula: readFormula(document, kitchen).formula,
    watched:
      watched && left_s ? { ...watched, forecast: { ...watched.forecast, left_s } } : watched,
    evidence: undefined,
    now,
  });
}

// Common practice: a plate wants some minutes in the cold before the first test.
test('plates and jars come before the first test while that is likely some minutes away', () => {
  const soonAtBest = { low: 100, mid: 420, high: 900 };
  const said = (ready: readonly string[], left_s: Range): string | undefined =>
    silentFor(1, 99.3, { ready, left_s })?.code;
  expect(said([], soonAtBest)).toBe('plates');
  expect(said(READY.slice(0, 1), soonAtBest)).toBe('jars-hot');
  expect(said(READY, soonAtBest)).toBe('test-soon');
  expect(said([], { ...soonAtBest, mid: 200 })).toBe('test-soon');
});

test('near the end a reading is asked for after two minutes without one, until it may be there', () => {
  expect(silentFor(0, 99.3)?.text).not.toBe('Take a reading now');
  expect(silentFor(3, 99.3)).toMatchObject({ code: 'watch', text: 'Take a reading now' });
  expect(silentFor(30, 99.3)?.code).toBe('test-soon');
  expect(silentFor(3, 100.6)?.code).toBe('test-soon');
});

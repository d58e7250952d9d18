import { formatTemperature, formatVolume } from '../quantity/index.js';
import type { BatchOutcome } from './outcome.js';
import { outcomeRows } from './outcome-rows.js';

const NOTHING: BatchOutcome = {
  stop: { planned_C: undefined, actual_C: undefined },
  boil: { planned: undefined, actual: undefined },
  yield_ml: { planned: undefined, actual: undefined },
  seals: { jars: 0, sealed: 0, failed: 0 },
  tests: [],
  notes: [],
  judged: undefined,
  shows: [],
  score: undefined,
};
const rows = (change: Partial<BatchOutcome>): Record<string, string> =>
  Object.fromEntries(
    outcomeRows(
      { ...NOTHING, ...change },
      {
        temperature: (value) => formatTemperature(value, 'C'),
        volume: (value) => formatVolume(value, 'metric'),
      },
    ).map(({ name, planned = '—', happened = '—', isOff }) => [
      name,
      `${planned} / ${happened}${isOff ? ' !' : ''}`,
    ]),
  );

test('what is not known yet is a dash, and nothing went wrong', () => {
  expect(rows({})).toEqual({
    'stopped at': '— / —',
    'at the boil': '— / —',
    'in jars': '— / —',
    sealed: '— / —',
  });
});

test.each([
  [100.5, 100.2, '100.5 °C / 100.2 °C'],
  [100.5, 101.1, '100.5 °C / 101.1 °C !'],
  [100.5, 99.8, '100.5 °C / 99.8 °C !'],
])('to be stopped at %s, stopped at %s', (planned_C, actual_C, words) =>
  expect(rows({ stop: { planned_C, actual_C } })['stopped at']).toBe(words),
);

test('inside its range is as planned, outside is not', () => {
  const planned = { low: 8.4, mid: 11, high: 14.2 };
  expect(rows({ boil: { planned, actual: 13.6 } })['at the boil']).toBe('8 to 14 min / 14 min');
  expect(rows({ boil: { planned, actual: 22 } })['at the boil']).toBe('8 to 14 min / 22 min !');
  expect(
    rows({ yield_ml: { planned: { low: 1900, mid: 2100, high: 2300 }, actual: 1700 } })['in jars'],
  ).toMatch(/ !$/);
});

test('lids: none pressed, all down, some not', () => {
  expect(rows({ seals: { jars: 7, sealed: 0, failed: 0 } }).sealed).toBe('all 7 / not pressed');
  expect(rows({ seals: { jars: 7, sealed: 7, failed: 0 } }).sealed).toBe('all 7 / 7');
  expect(rows({ seals: { jars: 7, sealed: 5, failed: 2 } }).sealed).toBe('all 7 / 5, 2 not !');
});

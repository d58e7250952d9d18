import { guessLogColumns, readBoilLog, type LogOptions } from './boil-log.js';

const BEGINS = new Date(2026, 8, 12, 18, 0, 0).getTime();
const table = (text: string): string[][] => text.split('\n').map((line) => line.split(';'));
const read = (text: string, change: Partial<LogOptions> = {}) => {
  const rows = table(text);
  return readBoilLog(rows, { ...guessLogColumns(rows[0] ?? []), begins: BEGINS, ...change });
};
const minutes = (at: number): number => (at - BEGINS) / 60_000;

test.each([
  ['time;temp °C', ['time', 'temperature'], 'C', 'kg'],
  ['timestamp;probe_temp_F;weight_g', ['time', 'temperature', 'weight'], 'F', 'g'],
  [
    'elapsed (min);Temperature;Mass lb;°Brix;battery',
    ['time', 'temperature', 'weight', 'brix', 'ignored'],
    'C',
    'lb',
  ],
  ['Datum;Wert', ['ignored', 'ignored'], 'C', 'kg'],
])('columns of "%s"', (heading, columns, temperature, weight) =>
  expect(guessLogColumns(heading.split(';'))).toMatchObject({ columns, temperature, weight }),
);

test('a clock, past midnight', () => {
  const { observations, problems } = read('time;temp\n23:58;97.1\n23:59:30;97.4\n00:01;97.9', {
    begins: new Date(2026, 8, 12, 23, 50).getTime(),
  });
  expect(problems).toEqual([]);
  expect(observations.map(({ at }) => (at - (observations[0]?.at ?? 0)) / 60_000)).toEqual([
    0, 1.5, 3,
  ]);
});
test('counted from the start, by seconds or by minutes', () => {
  expect(read('seconds;temp\n0;20\n90;35').observations.map(({ at }) => minutes(at))).toEqual([
    0, 1.5,
  ]);
  expect(read('minutes;temp\n0;20\n1,5;35').observations.map(({ at }) => minutes(at))).toEqual([
    0, 1.5,
  ]);
});
test('a date with its clock, and seconds since 1970', () => {
  expect(read('when;temp\n2026-09-12T16:04:30Z;97').observations[0]?.at).toBe(
    Date.parse('2026-09-12T16:04:30Z'),
  );
  expect(read('when;temp\n1789229070;97').observations[0]?.at).toBe(1_789_229_070_000);
});
test('units, decimal commas and units in the cells', () => {
  const { observations } = read(
    'time;temp F;weight g;brix\n18:00;212;3450;61,5 %\n18:01;213,8 °F;;',
  );
  expect(observations[0]).toMatchObject({ temperature_C: 100, percent: 61.5 });
  expect(observations[0]?.mass_kg).toBeCloseTo(3.45, 9);
  expect(observations[1]?.temperature_C).toBeCloseTo(101, 6);
  expect(observations[1]).not.toHaveProperty('mass_kg');
});
test('a value no instrument shows is named, not bent into range; the rest of its row is read', () => {
  const { observations, problems } = read('time;temp;kg\n18:00;5000;3.2\n18:01;97;900');
  expect(observations.map(({ at: _, ...values }) => values)).toEqual([
    { mass_kg: 3.2 },
    { temperature_C: 97 },
  ]);
  expect(problems.map(({ message }) => message)).toEqual([
    '5000 is no temperature an instrument shows',
    '900 is no weight an instrument shows',
  ]);
});
test('what is not understood is named by its line, and the rest is read', () => {
  const { observations, problems } = read('time;temp\nnoon;97\n18:01;hot\n18:02;97.4\n\n25:00;98');
  expect(observations).toHaveLength(1);
  expect(problems.map(({ line }) => line)).toEqual([2, 3, 6]);
  expect(problems[1]?.message).toMatch(/"hot" is not a number/);
  expect(read('a;b\n1;2').problems).toEqual([
    { line: 1, message: 'no column is the time; say which one is' },
  ]);
});

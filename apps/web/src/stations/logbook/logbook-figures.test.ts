import type { BatchSummary } from '@idle-kettle/contract';
import { bestBatches, jarsByYear, justRightSpan, setByStop } from './logbook-figures.js';

const batch = (change: Partial<BatchSummary>): BatchSummary => ({
  id: 'b',
  title: 'Damson jam',
  kind: 'jam',
  fruit: 'damson',
  phase: 'done',
  startedAt: null,
  endedAt: '2026-09-12T18:00:00.000Z',
  lastReading: null,
  gelTemperature_C: 100.4,
  jarsFilled: 6,
  onShelf: true,
  score: null,
  best: null,
  outcome: { yield_ml: null, boil_min: null },
  planned: null,
  sealsDueAt: null,
  createdAt: '2026-09-12T15:00:00.000Z',
  updatedAt: '2026-09-12T18:00:00.000Z',
  ...change,
});
const stopped = (temperature_C: number, set: number): BatchSummary =>
  batch({
    lastReading: { at: '2026-09-12T18:00:00.000Z', temperature_C },
    score: { set, taste: 4 },
  });

test('jars by year and fruit, years without any too, the most jars first', () =>
  expect(
    jarsByYear([
      batch({}),
      batch({ fruit: 'quince', jarsFilled: 4.5, endedAt: '2024-10-03T18:00:00.000Z' }),
      batch({ fruit: 'quince', jarsFilled: 3 }),
      batch({ fruit: null, jarsFilled: 2 }),
      batch({ jarsFilled: 0, endedAt: '2020-09-12T18:00:00.000Z' }),
    ]),
  ).toEqual({
    years: [2024, 2025, 2026],
    fruits: [
      { fruit: 'quince', jars: [4.5, 0, 3] },
      { fruit: 'damson', jars: [0, 0, 6] },
      { fruit: null, jars: [0, 0, 2] },
    ],
  }));

test('of many fruits the least are one', () => {
  const { fruits } = jarsByYear(
    Array.from({ length: 10 }, (_, i) => batch({ fruit: `fruit ${i}`, jarsFilled: 10 - i })),
  );
  expect(fruits).toHaveLength(8);
  expect(fruits.at(-1)).toEqual({ fruit: null, jars: [3 + 2 + 1] });
});

test('no jars, no years', () => expect(jarsByYear([])).toEqual({ years: [], fruits: [] }));

test('how it set against where it was stopped; what was not stopped by it is left out', () => {
  const points = setByStop([
    stopped(100.9, 0),
    stopped(98.9, -1),
    stopped(77, 0),
    batch({ score: { set: 0, taste: 5 } }),
    batch({ ...stopped(100, 0), phase: 'on-heat' }),
    batch({ ...stopped(100, 0), kind: 'fruit-butter' }),
  ]);
  expect(points.map(({ above_K, set }) => [Number(above_K.toFixed(1)), set])).toEqual([
    [0.5, 0],
    [-1.5, -1],
  ]);
});

test('where it set just right is said of three batches or more', () => {
  expect(justRightSpan(setByStop([stopped(100.9, 0), stopped(100.2, 0)]))).toBeUndefined();
  const span = justRightSpan(
    setByStop([stopped(100.9, 0), stopped(100.2, 0), stopped(100.4, 0), stopped(103, 2)]),
  );
  expect(span?.map((each) => Number(each.toFixed(1)))).toEqual([-0.2, 0.5]);
});

test('the best of each name: taste and set, and prizes', () =>
  expect(
    bestBatches([
      batch({ id: 'soft', score: { set: -1, taste: 5 } }),
      batch({ id: 'right', score: { set: 0, taste: 5 } }),
      batch({
        id: 'prize',
        title: 'Quince jelly',
        score: { set: 0, taste: 4 },
        best: { show: 'Autumn show', class: 'jelly', result: 'first' },
      }),
      batch({ id: 'unscored', title: 'Pear butter' }),
    ]).map(({ id }) => id),
  ).toEqual(['prize', 'right']));

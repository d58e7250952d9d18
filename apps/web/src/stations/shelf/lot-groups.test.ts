import type { LotView } from '@idle-kettle/contract';
import { grouped, isCold, kindWords } from './lot-groups.js';

const lot = (change: Partial<LotView>): LotView => ({
  id: 'a',
  batchId: 'b',
  title: 'Damson jam',
  kind: 'jam',
  fruit: 'damson',
  size: '340-g',
  partFill: null,
  madeOn: '2026-09-06',
  keptIn: null,
  place: 'Cellar',
  keptSince: null,
  cameFrom: null,
  seals: { state: 'sealed', open: 0 },
  keeping: { verdict: 'shelf', reason: '', bestBefore: '2027-09-06' },
  count: 4,
  ...change,
});
const SHELF = [
  lot({}),
  lot({ id: 'c', count: 2, madeOn: '2025-09-09' }),
  lot({ id: 'd', fruit: 'quince', kind: 'fruit-butter', count: 5, place: 'Larder, top' }),
  lot({ id: 'e', fruit: null, place: '', count: 1, keptIn: 'fridge' }),
];

test.each([
  [
    'fruit',
    [
      ['damsons', 6],
      ['quinces', 5],
      ['other fruit', 1],
    ],
  ],
  [
    'kind',
    [
      ['Jam', 7],
      ['Fruit butter', 5],
    ],
  ],
  [
    'year',
    [
      ['2026', 10],
      ['2025', 2],
    ],
  ],
  [
    'place',
    [
      ['Cellar', 6],
      ['Larder, top', 5],
      ['fridge', 1],
    ],
  ],
  ['none', [['', 12]]],
] as const)('jars %s, with their totals', (by, totals) =>
  expect(grouped(SHELF, by).map(({ name, jars }) => [name, jars])).toEqual(totals),
);

test('what is not for the shelf, opened or begun stands in the cold', () => {
  expect(isCold(lot({}))).toBe(false);
  expect(isCold(lot({ keptIn: 'opened' }))).toBe(true);
  expect(isCold(lot({ partFill: 0.5 }))).toBe(true);
  expect(isCold(lot({ keeping: { verdict: 'fridge', reason: '', bestBefore: null } }))).toBe(true);
});

test('jars the server has not taken yet have no kind, and say so', () => {
  expect(kindWords({ kind: null })).toBe('kind not known yet');
  expect(kindWords({ kind: 'jam' })).toBe('Jam');
});

import type { LotView } from '@idle-kettle/contract';
import { daysLeft, eatFirst } from './eat-first.js';

const TODAY = new Date('2026-11-25T12:00:00.000Z');
const lot = (id: string, bestBefore: string | null, change: Partial<LotView> = {}): LotView => ({
  id,
  batchId: 'b',
  title: id,
  fruit: null,
  size: '340-g',
  partFill: null,
  madeOn: '2026-09-12',
  keptIn: null,
  place: '',
  keptSince: null,
  cameFrom: null,
  seals: { state: 'sealed', open: 0 },
  count: 2,
  ...change,
  keeping: { verdict: 'shelf', reason: '', bestBefore, ...change.keeping },
});
const fridge = { keeping: { verdict: 'fridge', reason: '', bestBefore: '2026-12-20' } } as const;

test('what is soonest past its best comes first; what has long is not on it', () => {
  const list = [
    lot('long', '2027-09-12'),
    lot('soon', '2027-01-20'),
    lot('past', '2026-11-20'),
    lot('cold', null, fridge),
    lot('opened', null, { ...fridge, keptIn: 'opened' }),
    lot('none left', '2026-11-20', { count: 0 }),
    lot('never', null, { keeping: { verdict: 'stop', reason: '', bestBefore: null } }),
  ];
  expect(eatFirst(list, TODAY).map(({ id }) => id)).toEqual(['past', 'opened', 'cold', 'soon']);
});

test('days are counted by the calendar', () => {
  expect(daysLeft(lot('a', '2026-11-26'), TODAY)).toBe(1);
  expect(daysLeft(lot('a', '2026-11-24'), TODAY)).toBe(-1);
  expect(daysLeft(lot('a', null), TODAY)).toBe(Infinity);
});

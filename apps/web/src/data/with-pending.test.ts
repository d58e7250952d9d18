import type { LotView } from '@idle-kettle/contract';
import type { OutboxItem } from './store.js';
import { withPending } from './with-pending.js';

const lot = (more: Partial<LotView> = {}): LotView => ({
  id: 'larder',
  batchId: 'b1',
  title: 'Quince jelly',
  kind: 'jelly',
  fruit: 'quince',
  size: '340-g',
  partFill: null,
  madeOn: '2026-10-04',
  keptIn: null,
  place: 'Larder',
  keptSince: null,
  cameFrom: null,
  seals: { state: 'sealed', open: 0 },
  keeping: { verdict: 'shelf', reason: 'processed', bestBefore: '2027-10-04' },
  count: 6,
  ...more,
});
const AT = '2026-11-05T18:00:00.000Z';
const moved = (change: number): OutboxItem => ({
  id: `m${change}`,
  order: 1,
  kind: 'move',
  lotId: 'larder',
  body: { id: `m${change}`, change, reason: 'eaten', at: AT },
});
const transferred = (
  lotId: string,
  to: string,
  keptIn: 'fridge' | 'freezer' | 'opened' | null,
  place = '',
): OutboxItem => ({
  id: to,
  order: 2,
  kind: 'transfer',
  lotId,
  body: { id: to, arrivalId: `${to}-a`, to, keptIn, place, count: 2, at: AT },
});
const found = (items: readonly OutboxItem[], lots = [lot()]): Record<string, unknown> =>
  Object.fromEntries(
    withPending(lots, items, 'New jars').map(({ id, count, keptIn, keptSince }) => [
      id,
      [count, keptIn, keptSince],
    ]),
  );

test('jars eaten and brought back while the server is away are counted at once', () => {
  expect(found([moved(-2), moved(1)])).toEqual({ larder: [5, null, null] });
});

test('jars put into the cold are a lot of their own from that moment; no jar is lost', () => {
  expect(found([transferred('larder', 'cold', 'fridge')])).toEqual({
    larder: [4, null, null],
    cold: [2, 'fridge', AT],
  });
  // Back again: what the server does not know yet has where to go.
  expect(
    found([transferred('larder', 'cold', 'fridge'), transferred('cold', 'larder', null)]),
  ).toEqual({
    larder: [6, null, null],
    cold: [0, 'fridge', AT],
  });
});

test('to another shelf of the fridge, their weeks go on counting', () => {
  const fridge = lot({ id: 'cold', keptIn: 'fridge', keptSince: '2026-10-20T08:00:00.000Z' });
  expect(found([transferred('cold', 'lower', 'fridge', 'lower shelf')], [fridge])).toEqual({
    cold: [4, 'fridge', '2026-10-20T08:00:00.000Z'],
    lower: [2, 'fridge', '2026-10-20T08:00:00.000Z'],
  });
});

test('jars the server has not seen are for the fridge until it says how they keep', () => {
  const put: OutboxItem = {
    id: 'new',
    order: 1,
    kind: 'put',
    body: { id: 'new', batchId: 'b2', size: 'half-pint', count: 3, madeOn: '2026-11-05' },
  };
  expect(withPending([], [put, put], 'New jars')).toMatchObject([
    { id: 'new', title: 'New jars', count: 3, keeping: { verdict: 'fridge', bestBefore: null } },
  ]);
});

test('a move of jars nobody knows changes nothing', () => {
  expect(found([{ ...moved(-1), kind: 'move', lotId: 'elsewhere' } as OutboxItem])).toEqual({
    larder: [6, null, null],
  });
});

import type { LotView } from '@idle-kettle/contract';
import { isWaiting } from './outbox.js';
import type { OutboxItem } from './store.js';

/** Jars the server does not know yet: it has not said how they keep. */
const NOT_SENT: LotView['keeping'] = {
  verdict: 'fridge',
  reason: 'not yet sent to the server',
  bestBefore: null,
};

/**
 * The lots with what is still in the outbox counted in.
 * @param title of jars whose batch the server has not named yet
 */
export function withPending(
  lots: readonly LotView[],
  items: readonly OutboxItem[],
  title: string,
): LotView[] {
  const shown = new Map(lots.map((lot) => [lot.id, lot]));
  const count = (lot: LotView, change: number): void =>
    void shown.set(lot.id, { ...lot, count: lot.count + change });
  for (const item of items.filter(isWaiting)) {
    if (item.kind === 'put' && !shown.has(item.id)) {
      const { id, batchId, size, madeOn, partFill, keptIn, place } = item.body;
      shown.set(id, {
        id,
        batchId,
        size,
        madeOn,
        count: item.body.count,
        partFill: partFill ?? null,
        keptIn: keptIn ?? null,
        place: place ?? '',
        keptSince: null,
        cameFrom: null,
        seals: { state: 'none', open: 0 },
        title,
        kind: null,
        fruit: null,
        keeping: NOT_SENT,
      });
    }
    if (item.kind !== 'move' && item.kind !== 'transfer') continue;
    const lot = shown.get(item.lotId);
    if (!lot) continue;
    if (item.kind === 'move') {
      // Taken off the list again: it was never there.
      if (item.body.reason === 'put' && lot.count + item.body.change <= 0) shown.delete(lot.id);
      else count(lot, item.body.change);
      continue;
    }
    const { to, place, at } = item.body;
    const keptIn = item.body.keptIn ?? null;
    count(lot, -item.body.count);
    // To another place of the same cold: their weeks go on counting.
    const keptSince = keptIn === lot.keptIn ? lot.keptSince : at;
    count(
      shown.get(to) ?? { ...lot, id: to, count: 0, keptIn, place, keptSince, cameFrom: lot.id },
      item.body.count,
    );
  }
  return [...shown.values()];
}

import type { AppendResult } from '@idle-kettle/contract';
import { request } from './api.js';
import { itemJournal } from './local-journal.js';
import { store, type OutboxItem } from './store.js';

/**
 * Writes items down: they are safe when this returns, and in the browser's database when the
 * promise resolves.
 */
export async function storeItems(items: readonly OutboxItem[]): Promise<void> {
  itemJournal.jot(items);
  const transaction = (await store()).transaction('parcels', 'readwrite');
  for (const item of items) void transaction.store.put(item);
  await transaction.done;
  itemJournal.forget(items);
}

export async function removeItems(items: readonly OutboxItem[]): Promise<void> {
  const transaction = (await store()).transaction('parcels', 'readwrite');
  for (const { id } of items) void transaction.store.delete(id);
  await transaction.done;
  itemJournal.forget(items);
}

/** What earlier pages left behind, in order. */
export async function storedItems(): Promise<OutboxItem[]> {
  const kept = await (await store()).getAll('parcels');
  const had = new Set(kept.map(({ id }) => id));
  return [...kept, ...itemJournal.all().filter(({ id }) => !had.has(id))].sort(
    (a, b) => a.order - b.order,
  );
}

export const nameOf = (item: OutboxItem): string =>
  item.kind === 'event' ? `the ${item.event.type}` : 'the jars';

/** Sends items of one kind and batch. @returns those the server will never take */
export async function sendTogether(
  first: OutboxItem,
  together: readonly OutboxItem[],
): Promise<AppendResult['refused']> {
  switch (first.kind) {
    case 'event': {
      const events = together.flatMap((item) => (item.kind === 'event' ? [item.event] : []));
      return (await request<AppendResult>('POST', `/batches/${first.batchId}/events`, { events }))
        .refused;
    }
    case 'put':
      await request('POST', '/shelf', first.body);
      return [];
    case 'move':
      await request('POST', `/shelf/${first.lotId}/moves`, first.body);
      return [];
    case 'transfer':
      await request('POST', `/shelf/${first.lotId}/transfers`, first.body);
      return [];
  }
}

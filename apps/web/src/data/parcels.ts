import type { AppendResult } from '@idle-kettle/contract';
import { request } from './api.js';
import { jottedParcels } from './jottings.js';
import { store, type Parcel } from './store.js';

/**
 * Writes parcels down: they are safe when this returns, and in the browser's database when the
 * promise resolves.
 */
export async function keepParcels(parcels: readonly Parcel[]): Promise<void> {
  jottedParcels.jot(parcels);
  const transaction = (await store()).transaction('parcels', 'readwrite');
  for (const parcel of parcels) void transaction.store.put(parcel);
  await transaction.done;
  jottedParcels.forget(parcels);
}

export async function dropParcels(parcels: readonly Parcel[]): Promise<void> {
  const transaction = (await store()).transaction('parcels', 'readwrite');
  for (const { id } of parcels) void transaction.store.delete(id);
  await transaction.done;
  jottedParcels.forget(parcels);
}

/** What earlier pages left behind, in order. */
export async function keptParcels(): Promise<Parcel[]> {
  const kept = await (await store()).getAll('parcels');
  const had = new Set(kept.map(({ id }) => id));
  return [...kept, ...jottedParcels.all().filter(({ id }) => !had.has(id))].sort(
    (a, b) => a.order - b.order,
  );
}

export const nameOf = (parcel: Parcel): string =>
  parcel.kind === 'event' ? `the ${parcel.event.type}` : 'the jars';

/** Sends parcels of one kind and batch. @returns those the server will never take */
export async function sendTogether(
  first: Parcel,
  together: readonly Parcel[],
): Promise<AppendResult['refused']> {
  switch (first.kind) {
    case 'event': {
      const events = together.flatMap((parcel) => (parcel.kind === 'event' ? [parcel.event] : []));
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

import {
  QueryClient,
  useMutation,
  useQuery,
  useQueryClient,
  type UseQueryResult,
} from '@tanstack/react-query';
import { useMemo, useSyncExternalStore } from 'react';
import type {
  BatchSummary,
  BatchView,
  EventPage,
  FormulaView,
  KitchenSettings,
  KitchenView,
  LotView,
  FormulaVersion,
  PreparedWeightView,
} from '@idle-kettle/contract';
import { inOrder, type BatchEvent } from '@idle-kettle/core';
import { ApiProblem, get, request } from './api.js';
import { askEvery } from './listening.js';
import { outbox, type OutboxState } from './outbox.js';
import type { Parcel } from './store.js';

export const keys = {
  kitchens: ['kitchens'] as const,
  formulas: ['formulas'] as const,
  batches: ['batches'] as const,
  batch: (id: string) => ['batch', id] as const,
  events: (id: string) => ['events', id] as const,
  shelf: ['shelf'] as const,
  prepared: ['prepared-weights'] as const,
  versions: (id: string) => ['formula-versions', id] as const,
};

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      // An answer of no is final; no answer is worth asking again.
      retry: (count, error) => !(error instanceof ApiProblem) && count < 2,
      retryDelay: 700,
      staleTime: 5000,
      networkMode: 'always',
    },
    mutations: { networkMode: 'always' },
  },
});

export const useOutbox = (): OutboxState => useSyncExternalStore(outbox.watch, outbox.snapshot);

export const useKitchens = (): UseQueryResult<KitchenView[]> =>
  useQuery({ queryKey: keys.kitchens, queryFn: () => get<KitchenView[]>('/kitchens') });
export const useFormulas = (): UseQueryResult<FormulaView[]> =>
  useQuery({ queryKey: keys.formulas, queryFn: () => get<FormulaView[]>('/formulas') });
export const useVersions = (id: string): UseQueryResult<FormulaVersion[]> =>
  useQuery({
    queryKey: keys.versions(id),
    queryFn: () => get<FormulaVersion[]>(`/formulas/${id}/versions`),
  });
export const usePreparedWeights = (): UseQueryResult<PreparedWeightView[]> =>
  useQuery({ queryKey: keys.prepared, queryFn: () => get<PreparedWeightView[]>('/prepared-weights') });
export const useBatches = (): UseQueryResult<BatchSummary[]> =>
  useQuery({
    queryKey: keys.batches,
    queryFn: () => get<BatchSummary[]>('/batches'),
    refetchInterval: askEvery(10_000),
  });

export const useBatchQuery = (id: string, enabled: boolean): UseQueryResult<BatchView> =>
  useQuery({ queryKey: keys.batch(id), queryFn: () => get<BatchView>(`/batches/${id}`), enabled });

export function useSaveKitchen() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, settings }: { id: string; settings: KitchenSettings }) =>
      request<KitchenView>('PUT', `/kitchens/${id}`, settings),
    onSuccess: () => client.invalidateQueries({ queryKey: keys.kitchens }),
  });
}

/** Every event of a batch known here, oldest first: those the server holds and those still in the outbox. */
export function useEvents(batchId: string): { events: readonly BatchEvent[]; isPending: boolean } {
  const { parcels, drafts } = useOutbox();
  // A batch the server has never seen has no events there yet.
  const enabled = drafts.get(batchId)?.revision !== 0;
  const query = useQuery({
    queryKey: keys.events(batchId),
    queryFn: () => get<EventPage>(`/batches/${batchId}/events`),
    refetchInterval: askEvery(5000),
    enabled,
  });
  const stored = query.data?.events;
  const events = useMemo(
    () => inOrder([...(stored ?? []), ...eventsIn(parcels, batchId)]),
    [stored, parcels, batchId],
  );
  return { events, isPending: query.isPending && !query.isError };
}

const eventsIn = (parcels: readonly Parcel[], batchId: string): BatchEvent[] =>
  parcels.flatMap((parcel) => (parcel.kind === 'event' && parcel.batchId === batchId ? [parcel.event] : []));

/** Takes what the server acknowledged into the cache, so that nothing blinks out between outbox and next fetch. */
export function takeIntoCache(parcels: readonly Parcel[]): void {
  for (const batchId of new Set(
    parcels.flatMap((parcel) => (parcel.kind === 'event' ? [parcel.batchId] : [])),
  )) {
    queryClient.setQueryData<EventPage>(keys.events(batchId), (page) => {
      const taken = eventsIn(parcels, batchId).map((event) => ({ ...event, seq: 0 }));
      return { events: [...(page?.events ?? []), ...taken], lastSeq: page?.lastSeq ?? 0 };
    });
    void queryClient.invalidateQueries({ queryKey: keys.events(batchId) });
  }
  void queryClient.invalidateQueries({ queryKey: keys.batches });
  if (parcels.some((parcel) => parcel.kind !== 'event')) {
    queryClient.setQueryData<LotView[]>(keys.shelf, (lots) => withParcels(lots ?? [], parcels, ''));
    void queryClient.invalidateQueries({ queryKey: keys.shelf });
  }
}

/** Jars the server does not know yet: it has not said how they keep. */
const NOT_SENT: LotView['keeping'] = { verdict: 'fridge', reason: 'not yet sent to the server', months: 1 };

/** The lots with what is still in the outbox counted in. */
function withParcels(lots: readonly LotView[], parcels: readonly Parcel[], title: string): LotView[] {
  const shown = new Map(lots.map((lot) => [lot.id, lot]));
  for (const parcel of parcels) {
    if (parcel.kind === 'put' && !shown.has(parcel.id)) {
      const { id, batchId, size, madeOn, count, partFill } = parcel.body;
      shown.set(id, {
        id,
        batchId,
        size,
        madeOn,
        count,
        partFill: partFill ?? null,
        title,
        fruit: null,
        keeping: NOT_SENT,
      });
    }
    const lot = parcel.kind === 'move' ? shown.get(parcel.lotId) : undefined;
    if (lot && parcel.kind === 'move') shown.set(lot.id, { ...lot, count: lot.count + parcel.body.change });
  }
  return [...shown.values()];
}

export function useShelf(): { lots: readonly LotView[]; isPending: boolean; isError: boolean } {
  const query = useQuery({ queryKey: keys.shelf, queryFn: () => get<LotView[]>('/shelf') });
  const { parcels } = useOutbox();
  const data = query.data;
  const lots = useMemo(() => withParcels(data ?? [], parcels, 'New jars'), [data, parcels]);
  return { lots, isPending: query.isPending && !query.isError, isError: query.isError };
}

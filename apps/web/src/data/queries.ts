import { QueryClient, queryOptions, useQuery, type UseQueryResult } from '@tanstack/react-query';
import { useMemo, useSyncExternalStore } from 'react';
import { SERVER_TIME_HEADER } from '@idle-kettle/contract';
import type {
  BatchSummary,
  BatchView,
  EventPage,
  FormulaView,
  InstrumentView,
  LessonsView,
  FormulaVersion,
  PreparedWeightView,
} from '@idle-kettle/contract';
import { inOrder, type BatchEvent, MINUTE_MS } from '@idle-kettle/core';
import { ApiProblem, get } from './api.js';
import { now } from './clock.js';
import { KEPT_ANSWERS } from './kept-answers.js';
import { refetchEvery } from './refetch-interval.js';
import { outbox, type OutboxState } from './outbox.js';
import type { OutboxItem } from './store.js';

export const keys = {
  kitchens: ['kitchens'] as const,
  formulas: ['formulas'] as const,
  batches: ['batches'] as const,
  batch: (id: string) => ['batch', id] as const,
  events: (id: string) => ['events', id] as const,
  shelf: ['shelf'] as const,
  prepared: ['prepared-weights'] as const,
  freezer: ['freezer'] as const,
  instruments: ['instruments'] as const,
  lessons: ['lessons'] as const,
  practiceRuns: ['practice-runs'] as const,
  practiceScenarios: ['practice-scenarios'] as const,
  photos: (batchId: string) => ['photos', batchId] as const,
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

export const useFormulas = (): UseQueryResult<FormulaView[]> =>
  useQuery({ queryKey: keys.formulas, queryFn: () => get<FormulaView[]>('/formulas') });
export const useVersions = (id: string): UseQueryResult<FormulaVersion[]> =>
  useQuery({
    queryKey: keys.versions(id),
    queryFn: () => get<FormulaVersion[]>(`/formulas/${id}/versions`),
  });
export const usePreparedWeights = (): UseQueryResult<PreparedWeightView[]> =>
  useQuery({
    queryKey: keys.prepared,
    queryFn: () => get<PreparedWeightView[]>('/prepared-weights'),
  });
/** What boils have taught; some wait to be looked at, a few at a time. */
export const useLessons = (): UseQueryResult<LessonsView> =>
  useQuery({
    queryKey: keys.lessons,
    queryFn: () => get<LessonsView>('/lessons'),
    staleTime: MINUTE_MS,
    refetchInterval: ({ state }) => ((state.data?.pending ?? 0) > 0 ? 1000 : false),
  });
export const useInstruments = (): UseQueryResult<InstrumentView[]> =>
  useQuery({ queryKey: keys.instruments, queryFn: () => get<InstrumentView[]>('/instruments') });
export const useBatches = (): UseQueryResult<BatchSummary[]> =>
  useQuery({
    queryKey: keys.batches,
    queryFn: () => get<BatchSummary[]>('/batches'),
    refetchInterval: refetchEvery(10_000),
  });

/** How one batch, and its log, are asked for. */
export const batchQuery = (id: string) =>
  queryOptions({ queryKey: keys.batch(id), queryFn: () => get<BatchView>(`/batches/${id}`) });
export const eventsQuery = (id: string) =>
  queryOptions({ queryKey: keys.events(id), queryFn: () => readOn(id) });

export const useBatchQuery = (id: string, enabled: boolean): UseQueryResult<BatchView> =>
  useQuery({ ...batchQuery(id), enabled });

/**
 * Every event of a batch known here, oldest first: those the server holds and those still in the
 * outbox.
 */
export function useEvents(batchId: string): {
  events: readonly BatchEvent[];
  isPending: boolean;
  /** False where the server was never asked with success: there may be more than what is here. */
  isKnown: boolean;
} {
  const { items, drafts } = useOutbox();
  // A batch the server has never seen has no events there yet.
  const enabled = drafts.get(batchId)?.revision !== 0;
  const query = useQuery({
    ...eventsQuery(batchId),
    refetchInterval: refetchEvery(5000),
    enabled,
  });
  const stored = query.data?.events;
  const events = useMemo(
    () => inOrder([...(stored ?? []), ...eventsIn(items, batchId)]),
    [stored, items, batchId],
  );
  return {
    events,
    isPending: query.isPending && !query.isError,
    isKnown: !enabled || stored !== undefined,
  };
}

const KEEP_AFTER_MS = 3000;
const keeping = new Map<string, ReturnType<typeof setTimeout>>();

/**
 * The whole log of a batch the first time, afterwards what was stored since: a probe leaves
 * thousands of readings.
 */
async function readOn(batchId: string): Promise<EventPage> {
  const path = `/batches/${batchId}/events`;
  const known = queryClient.getQueryData<EventPage>(keys.events(batchId));
  if (!known || known.cursor === '') return get<EventPage>(path);
  const { events, cursor } = await get<EventPage>(`${path}?since=${known.cursor}`);
  return mergePage({ ...known, cursor }, batchId, events);
}

function mergePage(page: EventPage, batchId: string, events: EventPage['events']): EventPage {
  const had = new Set(page.events.map(({ id }) => id));
  const fresh = events.filter(({ id }) => !had.has(id));
  if (fresh.length === 0) return page;
  const merged = { ...page, events: [...page.events, ...fresh] };
  if (typeof caches !== 'undefined' && !keeping.has(batchId))
    keeping.set(
      batchId,
      setTimeout(() => {
        keeping.delete(batchId);
        const whole = queryClient.getQueryData<EventPage>(keys.events(batchId));
        const answer = new Response(JSON.stringify(whole), {
          headers: {
            'Content-Type': 'application/json',
            [SERVER_TIME_HEADER]: String(now()),
          },
        });
        void caches
          .open(KEPT_ANSWERS)
          .then((cache) => cache.put(`/api/batches/${batchId}/events`, answer));
      }, KEEP_AFTER_MS),
    );
  return merged;
}

/** Begins to fetch a batch while its screen is still being loaded. */
export function prefetchBatch(batchId: string): void {
  if (outbox.snapshot().drafts.get(batchId)?.revision === 0) return;
  void queryClient.prefetchQuery(batchQuery(batchId));
  void queryClient.prefetchQuery(eventsQuery(batchId));
}

/** Something may have been missed: the next time, logs are asked for whole. */
export const forgetCursors = (): void =>
  void queryClient.setQueriesData<EventPage>(
    { queryKey: ['events'] },
    (page) => page && { ...page, cursor: '' },
  );

const eventsIn = (items: readonly OutboxItem[], batchId: string): BatchEvent[] =>
  items.flatMap((item) => (item.kind === 'event' && item.batchId === batchId ? [item.event] : []));

/**
 * Takes what the server acknowledged into the cache, so that nothing blinks out between outbox and
 * next fetch.
 */
export function takeEventsIntoCache(items: readonly OutboxItem[]): void {
  for (const batchId of new Set(
    items.flatMap((item) => (item.kind === 'event' ? [item.batchId] : [])),
  )) {
    queryClient.setQueryData<EventPage>(keys.events(batchId), (page) => {
      const taken = eventsIn(items, batchId);
      return { events: [...(page?.events ?? []), ...taken], cursor: page?.cursor ?? '' };
    });
    void queryClient.invalidateQueries({ queryKey: keys.events(batchId) });
  }
  void queryClient.invalidateQueries({ queryKey: keys.batches });
}

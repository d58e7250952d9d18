import { useInfiniteQuery, useQuery, type InfiniteData } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { ListLots, LotView, MoveView, ShelfOverview } from '@idle-kettle/contract';
import { get } from './api.js';
import { today } from './clock.js';
import { outbox } from './outbox.js';
import { keys, queryClient, takeEventsIntoCache, useOutbox } from './queries.js';
import type { OutboxItem } from './store.js';
import { withPending } from './with-pending.js';
import { newId } from './ids.js';
import { isoDay } from './iso-day.js';

/** What the lists of the shelf are narrowed to. */
export type LotFilter = Pick<ListLots, 'search' | 'state' | 'place' | 'left'>;

const PAGE = 200;
/** How jars keep is still being worked out for some: asked for again so soon, ms. */
const AGAIN_MS = 1000;
/** Jars the server has not named yet. */
const NEW = 'New jars';

const lotsKey = (batchId: string) => [...keys.shelf, 'of', batchId] as const;
const pagesKey = (filter: LotFilter) => [...keys.shelf, 'pages', filter] as const;
const overviewKey = (day: string) => [...keys.shelf, 'overview', day] as const;

interface Lots {
  readonly lots: readonly LotView[];
  readonly isPending: boolean;
  readonly isError: boolean;
}

/** The jars of one batch, emptied lots too, with what is still in the outbox. */
export function useLotsOf(batchId: string): Lots {
  const { data, isLoading, isError } = useQuery({
    queryKey: lotsKey(batchId),
    queryFn: () => get<LotView[]>(`/shelf?batch=${batchId}`),
    // A batch the server has never seen has no jars there yet.
    enabled: outbox.snapshot().drafts.get(batchId)?.revision !== 0,
  });
  const { items } = useOutbox();
  const lots = useMemo(
    () => withPending(data ?? [], items, NEW).filter((lot) => lot.batchId === batchId),
    [data, items, batchId],
  );
  // One that is not asked for is not on its way.
  return { lots, isPending: isLoading, isError };
}

interface LotPages extends Lots {
  /** Older ones, where there are any. */
  readonly more: (() => void) | undefined;
  readonly isFetchingMore: boolean;
}

/** Lots page by page, the newest first, with what is still in the outbox. */
export function useLotPages(filter: LotFilter): LotPages {
  const query = useInfiniteQuery({
    queryKey: pagesKey(filter),
    queryFn: ({ pageParam }) => {
      const asked = {
        limit: String(PAGE),
        ...filter,
        ...(pageParam !== '' && { after: pageParam }),
      };
      return get<LotView[]>(`/shelf?${new URLSearchParams(asked).toString()}`);
    },
    initialPageParam: '',
    getNextPageParam: (last: LotView[]) => (last.length < PAGE ? undefined : last.at(-1)?.id),
    placeholderData: (before) => before,
  });
  const { data, isPending, isError, hasNextPage, isFetchingNextPage, fetchNextPage } = query;
  const { items } = useOutbox();
  const { search, state, place } = filter;
  const narrowed = [search, state, place].some((each) => each !== undefined);
  const lots = useMemo(
    () => merged(data?.pages.flat() ?? [], items, narrowed),
    [data, items, narrowed],
  );
  return {
    lots,
    isPending: isPending && !isError,
    isError,
    more: hasNextPage ? () => void fetchNextPage() : undefined,
    isFetchingMore: isFetchingNextPage,
  };
}

/** What is there in all and what to eat first, with what is still in the outbox. */
export function useShelfOverview(): { overview: ShelfOverview | undefined; isError: boolean } {
  const day = isoDay(today());
  const { data, isError } = useQuery({
    queryKey: overviewKey(day),
    queryFn: async () => {
      const overview = await get<ShelfOverview>(`/shelf/overview?today=${day}`);
      if (overview.pending > 0)
        void queryClient.invalidateQueries({ queryKey: [...keys.shelf, 'pages'] });
      return overview;
    },
    refetchInterval: ({ state }) => ((state.data?.pending ?? 0) > 0 ? AGAIN_MS : false),
  });
  const { items } = useOutbox();
  const overview = useMemo(() => data && withJars(data, items), [data, items]);
  return { overview, isError };
}

/**
 * How jars keep is of their batch as made: whether a word about this batch may change what is said
 * on the shelf.
 */
export const hasJars = (batchId: string): boolean =>
  knownLots().some((lot) => lot.batchId === batchId);

/** Takes what the server acknowledged into the cache: events of a log, and jars. */
export function takeIntoCache(items: readonly OutboxItem[]): void {
  takeEventsIntoCache(items);
  takeJarsIntoCache(items.filter(({ kind }) => kind !== 'event'));
  if (
    items.some(
      (item) => item.kind !== 'event' || (item.event.type !== 'reading' && hasJars(item.batchId)),
    )
  )
    void queryClient.invalidateQueries({ queryKey: keys.shelf });
}

/**
 * Takes jars the server acknowledged into the cache, so that nothing blinks out between outbox and
 * next fetch.
 */
function takeJarsIntoCache(items: readonly OutboxItem[]): void {
  if (items.length === 0) return;
  queryClient.setQueriesData<LotView[]>(
    { queryKey: [...keys.shelf, 'of'] },
    (lots) => lots && withPending(lots, items, NEW),
  );
  queryClient.setQueriesData<InfiniteData<LotView[], string>>(
    { queryKey: [...keys.shelf, 'pages'] },
    (data) => {
      if (!data) return data;
      const known = new Map(merged(data.pages.flat(), items, true).map((lot) => [lot.id, lot]));
      return {
        ...data,
        pages: data.pages.map((page) => page.map((lot) => known.get(lot.id) ?? lot)),
      };
    },
  );
  queryClient.setQueriesData<ShelfOverview>(
    { queryKey: [...keys.shelf, 'overview'] },
    (overview) => overview && withJars(overview, items),
  );
}

/**
 * Lots with what is in the outbox.
 * @param known without those that only the outbox knows of: whether they belong here it cannot say
 */
function merged(lots: readonly LotView[], items: readonly OutboxItem[], known: boolean): LotView[] {
  const all = withPending(lots, items, NEW);
  if (!known) return all;
  const had = new Set(lots.map(({ id }) => id));
  return all.filter(({ id }) => had.has(id));
}

/** Jars that only change place stay as many. */
function comeOrGone(item: OutboxItem): number {
  if (item.kind === 'put') return item.body.count;
  return item.kind === 'move' ? item.body.change : 0;
}

const withJars = (overview: ShelfOverview, items: readonly OutboxItem[]): ShelfOverview => ({
  ...overview,
  jars: overview.jars + items.reduce((sum, item) => sum + comeOrGone(item), 0),
  eatFirst: merged(overview.eatFirst, items, true).filter(({ count }) => count > 0),
});

/** Moves of one lot, the latest first; asked for while its story is open. */
export function useMovesOf(lotId: string): readonly MoveView[] {
  const { data } = useQuery({
    queryKey: [...keys.shelf, 'moves', lotId],
    queryFn: () => get<MoveView[]>(`/shelf/${lotId}/moves`),
  });
  return data ?? NO_MOVES;
}
const NO_MOVES: readonly MoveView[] = [];

const knownLots = (): LotView[] => [
  ...queryClient
    .getQueriesData<LotView[]>({ queryKey: [...keys.shelf, 'of'] })
    .flatMap(([, lots]) => lots ?? []),
  ...queryClient
    .getQueriesData<InfiniteData<LotView[]>>({ queryKey: [...keys.shelf, 'pages'] })
    .flatMap(([, data]) => data?.pages.flat() ?? []),
];

/** Jars that were put on the list by mistake: taken off it as if they never were there. */
export function takeOffList(lots: readonly Pick<LotView, 'id' | 'count'>[]): void {
  for (const { id, count } of lots)
    if (count > 0)
      void outbox.addMove(id, {
        id: newId(),
        change: -count,
        reason: 'put',
        at: today().toISOString(),
      });
}

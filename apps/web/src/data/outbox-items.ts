import { DEVICE_TIME_HEADER, type AppendResult } from '@idle-kettle/contract';
import { ApiProblem, request, ServerAway } from './api.js';
import { itemJournal } from './local-journal.js';
import { attemptWrite, type OutboxItem, type Refusal } from './store.js';

/**
 * Writes items down: they are safe when this returns, and in the browser's database when the
 * promise resolves.
 */
export async function storeItems(items: readonly OutboxItem[]): Promise<void> {
  itemJournal.jot(items);
  const stored = await attemptWrite(async (db) => {
    const transaction = db.transaction('parcels', 'readwrite');
    for (const item of items) void transaction.store.put(item);
    await transaction.done;
  });
  if (stored) itemJournal.forget(items);
}

export async function removeItems(items: readonly OutboxItem[]): Promise<void> {
  itemJournal.drop(items);
  await attemptWrite(async (db) => {
    const transaction = db.transaction('parcels', 'readwrite');
    for (const { id } of items) void transaction.store.delete(id);
    await transaction.done;
  });
}

/** What earlier pages left behind, in order. */
export async function storedItems(): Promise<OutboxItem[]> {
  const kept: OutboxItem[] = [];
  await attemptWrite(async (db) => kept.push(...(await db.getAll('parcels'))));
  // What was jotted down is never older than what is in the database.
  const latest = new Map([...kept, ...itemJournal.all()].map((item) => [item.id, item]));
  return [...latest.values()].sort((a, b) => a.order - b.order);
}

/** What became of items that were sent; those in neither list are sent again. */
export interface Delivery {
  readonly taken: readonly OutboxItem[];
  readonly refused: readonly { readonly item: OutboxItem; readonly why: Refusal }[];
}

/** A mistake of the server is tried so often before it is taken for a refusal of what was sent. */
const TRIES = 3;
const mistakes = new Map<string, number>();

/** Why a server that answers does not take something. @throws the problem itself while it may pass */
export function refusalOf(problem: ApiProblem, of: string): Refusal {
  const { code, message } = problem;
  if (code === 'our-mistake') {
    const tries = (mistakes.get(of) ?? 0) + 1;
    mistakes.set(of, tries);
    if (tries < TRIES) throw problem;
    mistakes.delete(of);
  }
  return { code, reason: message, errors: problem.problem.errors ?? [] };
}

type EventItem = Extract<OutboxItem, { kind: 'event' }>;

/** Whether the time of an item still hangs on what this device's clock shows. */
export const hasDeviceTime = (item: OutboxItem): boolean =>
  item.kind === 'event' && item.deviceTime !== undefined;

/** With times that are the household's already: the server is told of no clock to correct them by. */
const TIMES_ARE_FINAL = { [DEVICE_TIME_HEADER]: '' };

const NAMED_EVENT = /^events\[(\d+)\]\.?/;

const joined = (...all: readonly Delivery[]): Delivery => ({
  taken: all.flatMap(({ taken }) => taken),
  refused: all.flatMap(({ refused }) => refused),
});

/** What is wrong with which of the events of a message, by their paths. */
function errorsByItem(items: readonly EventItem[], why: Refusal): Map<EventItem, Refusal> {
  const named = new Map<EventItem, Refusal>();
  for (const { path, message } of why.errors) {
    const [start, index] = NAMED_EVENT.exec(path) ?? [];
    const item = index === undefined ? undefined : items[Number(index)];
    if (!item || start === undefined) continue;
    const errors = named.get(item)?.errors ?? [];
    named.set(item, { ...why, errors: [...errors, { path: path.slice(start.length), message }] });
  }
  return named;
}

const inHalves = async (items: readonly EventItem[]): Promise<Delivery> => {
  const middle = Math.ceil(items.length / 2);
  return joined(
    await deliverEvents(items.slice(0, middle)),
    await deliverEvents(items.slice(middle)),
  );
};

const isWhole = (answer: Partial<AppendResult> | null): answer is AppendResult =>
  Array.isArray(answer?.kept) && Array.isArray(answer.refused);

/**
 * Sends events of one batch whose times are all final, or all read from this device's clock. One that is
 * refused does not keep the others from being taken.
 */
async function deliverEvents(items: readonly EventItem[]): Promise<Delivery> {
  const [first] = items;
  if (!first) return { taken: [], refused: [] };
  try {
    const answer = await request<Partial<AppendResult> | null>(
      'POST',
      `/batches/${first.batchId}/events`,
      { events: items.map(({ event }) => event) },
      hasDeviceTime(first) ? {} : TIMES_ARE_FINAL,
    );
    if (!isWhole(answer)) throw new ServerAway('stranger');
    const kept = new Set(answer.kept);
    const reasons = new Map(answer.refused.map(({ id, reason }) => [id, reason]));
    return {
      taken: items.filter(({ id }) => kept.has(id)),
      refused: items.flatMap((item) => {
        const reason = reasons.get(item.id);
        return reason === undefined
          ? []
          : [{ item, why: { code: 'id-taken' as const, reason, errors: [] } }];
      }),
    };
  } catch (error) {
    // Somebody on the way lets nothing so large through.
    if (error instanceof ServerAway && error.status === 413 && items.length > 1)
      return inHalves(items);
    if (!(error instanceof ApiProblem)) throw error;
    const why = refusalOf(error, first.id);
    if (items.length === 1 || why.code === 'removed')
      return { taken: [], refused: items.map((item) => ({ item, why: onlyOwn(why) })) };
    const named = errorsByItem(items, why);
    if (named.size === 0) return inHalves(items);
    return joined(
      { taken: [], refused: [...named].map(([item, its]) => ({ item, why: its })) },
      await deliverEvents(items.filter((item) => !named.has(item))),
    );
  }
}

/** The errors of a message with one event, by their paths within that event. */
const onlyOwn = (why: Refusal): Refusal => ({
  ...why,
  errors: why.errors.map(({ path, message }) => ({
    path: path.replace(NAMED_EVENT, ''),
    message,
  })),
});

const SHELF_PATH = {
  put: () => '/shelf',
  move: ({ lotId }: { lotId: string }) => `/shelf/${lotId}/moves`,
  transfer: ({ lotId }: { lotId: string }) => `/shelf/${lotId}/transfers`,
} as const;

async function deliverJars(item: Exclude<OutboxItem, EventItem>): Promise<Delivery> {
  const path = item.kind === 'put' ? SHELF_PATH.put() : SHELF_PATH[item.kind](item);
  try {
    const lot = await request<{ id?: unknown } | null>('POST', path, item.body);
    if (typeof lot?.id !== 'string') throw new ServerAway('stranger');
    return { taken: [item], refused: [] };
  } catch (error) {
    if (!(error instanceof ApiProblem)) throw error;
    return { taken: [], refused: [{ item, why: refusalOf(error, item.id) }] };
  }
}

/**
 * Sends items: events of one batch together, anything else alone.
 *
 * @throws ServerAway where nothing is known of them, ApiProblem for a mistake of the server that
 * may pass
 */
export const deliver = (items: readonly OutboxItem[]): Promise<Delivery> => {
  const events = items.flatMap((item) => (item.kind === 'event' ? [item] : []));
  const [first] = items;
  return first && first.kind !== 'event' ? deliverJars(first) : deliverEvents(events);
};

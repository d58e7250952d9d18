import type { BatchView } from '@idle-kettle/contract';
import type { BatchEvent } from '@idle-kettle/core';
import { ApiProblem, compareClocks, request, ServerAway } from './api.js';
import { asSent, removeDraft, storeDraft, storedDrafts, wasSentHere } from './drafts.js';
import {
  deliver,
  hasDeviceTime,
  refusalOf,
  removeItems,
  storeItems,
  storedItems,
  type Delivery,
} from './outbox-items.js';
import { newId } from './ids.js';
import type { AwayReason } from './reachability.js';
import type { Draft, OutboxItem } from './store.js';
import { now, onClockChange } from './clock.js';
import { deviceTimeAfter, stamped, type ClockChange, type DeviceTime } from './device-time.js';

export interface Conflict {
  readonly batchId: string;
  readonly theirs: BatchView;
}

export interface OutboxState {
  /** `away`: what is to be sent cannot be; everything is saved here meanwhile. */
  readonly state: 'idle' | 'sending' | 'away';
  readonly away: AwayReason | undefined;
  /** What the server has not taken, in order; those that it refused are set aside among them. */
  readonly items: readonly OutboxItem[];
  readonly drafts: ReadonlyMap<string, Draft>;
  readonly conflicts: ReadonlyMap<string, Conflict>;
  readonly ready: boolean;
}

interface Listener {
  /** What the server now holds of a batch, after it took a draft. */
  readonly onSaved: (batch: BatchView) => void;
  /** Items the server has taken. */
  readonly onTaken: (items: readonly OutboxItem[]) => void;
}

const RETRY_MS = [500, 1000, 2000, 4000, 8000] as const;
const DRAFT_PAUSE_MS = 400;
const MOST_EVENTS = 400;

/** What waits to be sent, without what was set aside. */
export const isWaiting = ({ refused }: Pick<OutboxItem | Draft, 'refused'>): boolean =>
  refused === undefined;

const without = <T extends { refused?: unknown }>({
  refused: _,
  ...thing
}: T): Omit<T, 'refused'> => thing;

/** The lot an item is about; undefined for what is in a log. */
const lotIdOf = (item: OutboxItem): string | undefined => {
  if (item.kind === 'event') return undefined;
  return item.kind === 'put' ? item.id : item.lotId;
};

/** Whether an item was refused for want of jars that are mended now: it may be taken once they are. */
const hungOn = (item: OutboxItem, mended: OutboxItem): boolean =>
  item.refused?.code === 'not-found' &&
  lotIdOf(mended) !== undefined &&
  lotIdOf(item) === lotIdOf(mended);

/**
 * Keeps what happened here until the server has it.
 *
 * Every event and every edit is written to the browser's database first and sent after; what is
 * acknowledged is forgotten, what is not is sent again. The server takes repeats without harm, so a
 * lost answer costs nothing. What the server refuses is set aside, whole, until the person has
 * mended or discarded it; nothing behind it waits.
 */
export class Outbox {
  private now: OutboxState = {
    state: 'idle',
    away: undefined,
    items: [],
    drafts: new Map(),
    conflicts: new Map(),
    ready: false,
  };
  private readonly watchers = new Set<() => void>();
  private timer: ReturnType<typeof setTimeout> | undefined;
  private running = false;
  private again = false;
  private failures = 0;
  private order = 0;
  /**
   * Revisions the server gave to what was sent from here: text typed before the answer came builds
   * on it all the same.
   */
  private readonly acknowledged = new Map<string, number>();
  private listener: Listener = { onSaved: () => undefined, onTaken: () => undefined };

  readonly snapshot = (): OutboxState => this.now;
  readonly watch = (tell: () => void): (() => void) => {
    this.watchers.add(tell);
    return () => this.watchers.delete(tell);
  };

  /** Reads what an earlier page left behind and begins to send. */
  async start(listener: Listener): Promise<void> {
    this.listener = listener;
    const beforeReady: ClockChange[] = [];
    onClockChange((change) => {
      if (!this.now.ready) beforeReady.push(change);
      this.correctTimes(change);
    });
    const items = await storedItems();
    this.order = Math.max(0, ...items.map((item) => item.order));
    const drafts = await storedDrafts();
    this.set({
      items: [...items, ...this.now.items],
      drafts: new Map([...drafts, ...this.now.drafts]),
      ready: true,
    });
    // What became known of the clock while an earlier page's items were read holds for them too.
    const stored = new Set(items.map(({ id }) => id));
    for (const change of beforeReady) this.correctTimes(change, ({ id }) => stored.has(id));
    this.kick(0);
  }

  /**
   * Keeps one event; resolves when it is safe in the browser's database.
   * @param deviceTime where its time was read from this device's clock, which may be wrong
   */
  async addEvent(batchId: string, event: BatchEvent, deviceTime?: DeviceTime): Promise<void> {
    await this.add(this.eventItem(batchId, event, deviceTime));
  }

  /** Keeps many at once, such as a log that is imported. */
  async addEvents(batchId: string, events: readonly BatchEvent[]): Promise<void> {
    await this.add(...events.map((event) => this.eventItem(batchId, event)));
  }

  private eventItem(batchId: string, event: BatchEvent, deviceTime?: DeviceTime): OutboxItem {
    const order = (this.order += 1);
    return {
      id: event.id,
      order,
      kind: 'event',
      batchId,
      event,
      ...(deviceTime && { deviceTime }),
    };
  }

  async addPut(body: Extract<OutboxItem, { kind: 'put' }>['body']): Promise<void> {
    await this.add({ id: body.id, order: (this.order += 1), kind: 'put', body });
  }

  async addMove(lotId: string, body: Extract<OutboxItem, { kind: 'move' }>['body']): Promise<void> {
    await this.add({ id: body.id, order: (this.order += 1), kind: 'move', lotId, body });
  }

  async addTransfer(
    lotId: string,
    body: Extract<OutboxItem, { kind: 'transfer' }>['body'],
  ): Promise<void> {
    await this.add({ id: body.id, order: (this.order += 1), kind: 'transfer', lotId, body });
  }

  /** Keeps the latest text of a batch's formula; sent after a short pause in typing. */
  async saveDraft(edit: Draft): Promise<void> {
    const { unanswered, editedAt = 0 } = this.now.drafts.get(edit.batchId) ?? {};
    const draft: Draft = {
      ...(unanswered && { unanswered }),
      ...without(edit),
      // The later edit is the later one also where a clock was set back in between.
      editedAt: Math.max(edit.editedAt, editedAt),
      revision: Math.max(edit.revision, this.acknowledged.get(edit.batchId) ?? 0),
    };
    // A disk that is slow must not keep the edit from the server.
    this.kick(DRAFT_PAUSE_MS);
    await this.holdDraft(draft);
  }

  /** Settles a conflict: `mine` is sent over theirs, `theirs` drops the draft. */
  async settle(batchId: string, keep: 'mine' | 'theirs'): Promise<void> {
    const conflict = this.now.conflicts.get(batchId);
    const draft = this.now.drafts.get(batchId);
    const conflicts = new Map(this.now.conflicts);
    conflicts.delete(batchId);
    this.set({ conflicts });
    if (!conflict || !draft) return;
    if (keep === 'mine') {
      await this.saveDraft({ ...draft, revision: conflict.theirs.revision, editedAt: now() });
      return;
    }
    this.listener.onSaved(conflict.theirs);
    await this.forgetDraft(draft);
  }

  /** Sends something that was refused again, as it is or as it was mended. */
  async retry(item: OutboxItem): Promise<void> {
    // An id that stands for something else is taken for good.
    const sent = item.refused?.code === 'id-taken' ? withNewId(item) : item;
    if (sent.id !== item.id) await this.discard(item);
    const freed = this.now.items.filter((each) => hungOn(each, sent));
    await this.replace(...freed.map(withoutRefusal), withoutRefusal(sent));
    this.kick(0);
  }

  /** Takes a slip of the hand back: what was discarded is set aside again. */
  async putBack(item: OutboxItem): Promise<void> {
    await this.replace(item);
  }

  /** Forgets something that was refused. */
  async discard(item: OutboxItem): Promise<void> {
    this.set({ items: this.now.items.filter(({ id }) => id !== item.id) });
    await removeItems([item]);
  }

  /** Sends a formula again that was refused, as it is. */
  async retryDraft(draft: Draft): Promise<void> {
    await this.holdDraft(without(draft));
    this.kick(0);
  }

  /** Forgets what was typed into a formula and refused; the server's text counts. */
  async discardDraft(draft: Draft): Promise<void> {
    await this.forgetDraft(draft);
  }

  async putDraftBack(draft: Draft): Promise<void> {
    await this.holdDraft(draft);
  }

  /**
   * Brings a batch back that was deleted elsewhere, and sends what was saved here of it.
   * @throws ServerAway, ApiProblem as `request` does
   */
  async bringBack(batchId: string): Promise<void> {
    this.listener.onSaved(await request<BatchView>('POST', `/batches/${batchId}/back`));
    const draft = this.now.drafts.get(batchId);
    if (draft) await this.holdDraft(without(draft));
    await this.replace(
      ...this.now.items
        .filter((item) => item.refused?.code === 'removed' && batchIdOf(item) === batchId)
        .map(withoutRefusal),
    );
    this.kick(0);
  }

  /** Sends now: the network is back, or the person came back to the page. */
  readonly hurry = (): void => {
    this.failures = 0;
    this.kick(0);
  };

  private async add(...items: readonly OutboxItem[]): Promise<void> {
    const kept = storeItems(items);
    this.set({ items: [...this.now.items, ...items] });
    this.kick(0);
    await kept;
  }

  /** Puts items in the place of those with their ids, or behind the last. */
  private async replace(...items: readonly OutboxItem[]): Promise<void> {
    const changed = new Map(items.map((item) => [item.id, item]));
    const had = new Set(this.now.items.map(({ id }) => id));
    this.set({
      items: [
        ...this.now.items.map((item) => changed.get(item.id) ?? item),
        ...items.filter(({ id }) => !had.has(id)),
      ],
    });
    await storeItems(items);
  }

  /** Corrects the times of events that were not taken yet, where more is known of this clock. */
  private correctTimes(
    change: ClockChange,
    counts: (item: OutboxItem) => boolean = () => true,
  ): void {
    const corrected = this.now.items
      .filter(counts)
      .flatMap((item) => correctedItem(item, change) ?? []);
    if (corrected.length > 0) void this.replace(...corrected);
  }

  private set(change: Partial<OutboxState>): void {
    this.now = { ...this.now, ...change };
    this.watchers.forEach((tell) => tell());
  }

  private kick(inMs: number): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.flush(), inMs);
  }

  private async flush(): Promise<void> {
    if (this.running) {
      this.again = true;
      return;
    }
    const lanes = this.lanes();
    if (lanes.length === 0) {
      if (this.now.state !== 'idle') this.set({ state: 'idle', away: undefined });
      return;
    }
    this.running = true;
    if (this.now.state === 'idle') this.set({ state: 'sending' });
    const error = await inTurn(lanes);
    this.running = false;
    if (error !== undefined) {
      this.failures += 1;
      this.again = false;
      this.set({ state: 'away', away: error instanceof ServerAway ? error.why : 'no-answer' });
      this.kick(RETRY_MS[Math.min(this.failures, RETRY_MS.length) - 1] ?? 8000);
      return;
    }
    this.failures = 0;
    this.set({ state: 'idle', away: undefined });
    if (this.again) {
      this.again = false;
      this.kick(0);
    }
  }

  /**
   * What is sent one after the other; a lane that stands still does not hold up the next. Formulas
   * first: a batch made while the server was away should exist before its events arrive.
   */
  private lanes(): (() => Promise<void>)[] {
    const drafts = [...this.now.drafts.values()].filter(
      (draft) => !this.now.conflicts.has(draft.batchId) && isWaiting(draft),
    );
    const waiting = this.now.items.filter(isWaiting);
    const batchIds = new Set(
      waiting.flatMap((item) => (item.kind === 'event' ? [item.batchId] : [])),
    );
    return [
      ...drafts.map((draft) => () => this.sendDraft(draft)),
      ...[...batchIds].map(
        (batchId) => () =>
          this.sendAll((item) => item.kind === 'event' && item.batchId === batchId, MOST_EVENTS),
      ),
      ...(waiting.some(({ kind }) => kind !== 'event')
        ? [() => this.sendAll(({ kind }) => kind !== 'event', 1)]
        : []),
    ];
  }

  private async sendDraft(draft: Draft): Promise<void> {
    void this.holdDraft(asSent(draft));
    try {
      const { document, revision, formulaId } = draft;
      const saved = await request<Partial<BatchView> | null>('PUT', `/batches/${draft.batchId}`, {
        document,
        revision,
        ...(formulaId !== null && { formulaId }),
      });
      if (!isBatch(saved, draft.batchId)) throw new ServerAway('stranger');
      this.acknowledged.set(draft.batchId, saved.revision);
      // First, so that the screen never falls back to what was there before the edit.
      this.listener.onSaved(saved);
      const newer = this.now.drafts.get(draft.batchId);
      if (newer && newer.editedAt !== draft.editedAt) {
        await this.saveDraft({ ...newer, revision: saved.revision, unanswered: [] });
      } else {
        await this.forgetDraft(draft);
      }
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      if (error.code === 'revision-conflict') {
        await this.disagree(draft, error.problem.current as BatchView);
        return;
      }
      const refused = refusalOf(error, draft.batchId);
      const latest = this.now.drafts.get(draft.batchId);
      // What was typed meanwhile may be what mends it.
      if (latest?.editedAt === draft.editedAt) await this.holdDraft({ ...latest, refused });
    }
  }

  /**
   * The server holds another text: the person chooses, unless it is one of this very draft's, whose
   * answer was lost.
   */
  private async disagree(draft: Draft, theirs: BatchView): Promise<void> {
    const { batchId } = draft;
    if (wasSentHere(draft, theirs.document)) {
      const latest = this.now.drafts.get(batchId) ?? draft;
      await this.saveDraft({ ...latest, revision: theirs.revision, unanswered: [] });
      return;
    }
    this.set({ conflicts: new Map(this.now.conflicts).set(batchId, { batchId, theirs }) });
  }

  /** Sends the items of a lane in order, so many at once, until none waits. */
  private async sendAll(isOfLane: (item: OutboxItem) => boolean, atOnce: number): Promise<void> {
    for (;;) {
      const waiting = (): readonly OutboxItem[] => {
        const all = this.now.items.filter((item) => isWaiting(item) && isOfLane(item));
        // Times that are final and times that may be corrected by this clock do not go together.
        const [first] = all;
        if (!first) return [];
        const other = all.findIndex((item) => hasDeviceTime(item) !== hasDeviceTime(first));
        return all.slice(0, Math.min(atOnce, other < 0 ? all.length : other));
      };
      // What this clock is off by changes the times of what is sent: they are read after it is known.
      if (waiting().some(hasDeviceTime)) await compareClocks();
      const next = waiting();
      if (next.length === 0) return;
      const delivery = await deliver(next);
      await this.settleDelivery(delivery);
      // An answer that speaks of none of them is none of ours.
      if (delivery.taken.length + delivery.refused.length === 0) throw new ServerAway('stranger');
    }
  }

  private async settleDelivery({ taken, refused }: Delivery): Promise<void> {
    if (refused.length > 0)
      await this.replace(...refused.map(({ item, why }) => ({ ...item, refused: why })));
    if (taken.length === 0) return;
    // Told first, so that what was taken is on screen from the server's answer before it leaves the
    // outbox.
    this.listener.onTaken(taken);
    // Not when the disk has it too: one that is slow must not show as waiting what has gone, nor may a
    // time that is corrected meanwhile write it down again.
    const gone = new Set(taken.map(({ id }) => id));
    this.set({ items: this.now.items.filter(({ id }) => !gone.has(id)) });
    void removeItems(taken);
  }

  private async holdDraft(draft: Draft): Promise<void> {
    this.set({ drafts: new Map(this.now.drafts).set(draft.batchId, draft) });
    await storeDraft(draft);
  }

  private async forgetDraft(draft: Draft): Promise<void> {
    const drafts = new Map(this.now.drafts);
    drafts.delete(draft.batchId);
    this.set({ drafts });
    await removeDraft(draft);
  }
}

/**
 * Runs each; where one cannot be sent the next is still tried, unless nobody of ours answers.
 * @returns the last error; undefined where all went well
 */
async function inTurn(lanes: readonly (() => Promise<void>)[]): Promise<unknown> {
  let last: unknown;
  for (const lane of lanes)
    try {
      await lane();
    } catch (error) {
      last = error;
      const isOfThisLane =
        error instanceof ApiProblem || (error instanceof ServerAway && error.status === 413);
      if (!isOfThisLane) break;
    }
  return last;
}

const isBatch = (answer: Partial<BatchView> | null, id: string): answer is BatchView =>
  answer?.id === id && typeof answer.revision === 'number';

/** An item with the time it has once more is known of this clock; undefined where it is final. */
function correctedItem(item: OutboxItem, change: ClockChange): OutboxItem | undefined {
  if (item.kind !== 'event' || !item.deviceTime) return undefined;
  const { deviceTime, ...rest } = item;
  const after = deviceTimeAfter(deviceTime, change);
  const event = stamped(item.event, after);
  return { ...rest, event, ...(change.type !== 'known-until-now' && { deviceTime: after }) };
}

const withoutRefusal = (item: OutboxItem): OutboxItem => without(item) as OutboxItem;

function withNewId(item: OutboxItem): OutboxItem {
  const id = newId();
  return item.kind === 'event'
    ? { ...item, id, event: { ...item.event, id } }
    : ({ ...item, id, body: { ...item.body, id } } as OutboxItem);
}

/** The batch an item is about, as far as it says. */
export const batchIdOf = (item: OutboxItem): string | undefined => {
  if (item.kind === 'event') return item.batchId;
  return item.kind === 'put' ? item.body.batchId : undefined;
};

export const outbox = new Outbox();

import type { BatchView } from '@idle-kettle/contract';
import type { BatchEvent } from '@idle-kettle/core';
import { ApiProblem, request, ServerAway } from './api.js';
import { asSent, removeDraft, storeDraft, storedDrafts, wasSentHere } from './drafts.js';
import { removeItems, storeItems, storedItems, nameOf, sendTogether } from './outbox-items.js';
import type { Draft, OutboxItem } from './store.js';
import { now } from './clock.js';

export interface Conflict {
  readonly batchId: string;
  readonly theirs: BatchView;
}

export interface OutboxState {
  /** `away`: the server or its database does not answer; everything is kept here meanwhile. */
  readonly state: 'idle' | 'sending' | 'away';
  readonly away: ServerAway['why'] | undefined;
  readonly items: readonly OutboxItem[];
  readonly drafts: ReadonlyMap<string, Draft>;
  readonly conflicts: ReadonlyMap<string, Conflict>;
  readonly ready: boolean;
}

interface Listener {
  /** What the server now holds of a batch, after it took a draft. */
  readonly onSaved: (batch: BatchView) => void;
  /** Parcels the server has taken. */
  readonly onTaken: (items: readonly OutboxItem[]) => void;
  /** Something the server will never take, and why. */
  readonly onRefused: (what: string, why: string) => void;
}

const RETRY_MS = [500, 1000, 2000, 4000, 8000] as const;
const DRAFT_PAUSE_MS = 400;
const MOST_EVENTS = 400;

/**
 * Keeps what happened here until the server has it.
 *
 * Every event and every edit is written to the browser's database first and sent after; what is
 * acknowledged is forgotten, what is not is sent again. The server takes repeats without harm, so a
 * lost answer costs nothing.
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
  /** Edits the server will never take, by batch: not sent again until they are edited. */
  private readonly refusedEdits = new Map<string, number>();
  private listener: Listener = {
    onSaved: () => undefined,
    onTaken: () => undefined,
    onRefused: () => undefined,
  };

  readonly snapshot = (): OutboxState => this.now;
  readonly watch = (tell: () => void): (() => void) => {
    this.watchers.add(tell);
    return () => this.watchers.delete(tell);
  };

  /** Reads what an earlier page left behind and begins to send. */
  async start(listener: Listener): Promise<void> {
    this.listener = listener;
    const items = await storedItems();
    this.order = Math.max(0, ...items.map((item) => item.order));
    const drafts = await storedDrafts();
    this.set({
      items: [...items, ...this.now.items],
      drafts: new Map([...drafts, ...this.now.drafts]),
      ready: true,
    });
    this.kick(0);
  }

  /** Keeps one event; resolves when it is safe in the browser's database. */
  async addEvent(batchId: string, event: BatchEvent): Promise<void> {
    await this.add({ id: event.id, order: (this.order += 1), kind: 'event', batchId, event });
  }

  /** Keeps many at once, such as a log that is brought in. */
  async addEvents(batchId: string, events: readonly BatchEvent[]): Promise<void> {
    await this.add(
      ...events.map((event): OutboxItem => ({
        id: event.id,
        order: (this.order += 1),
        kind: 'event',
        batchId,
        event,
      })),
    );
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
    const { unanswered } = this.now.drafts.get(edit.batchId) ?? {};
    const draft: Draft = {
      ...(unanswered && { unanswered }),
      ...edit,
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
    const drafts = [...this.now.drafts.values()].filter(
      ({ batchId, editedAt }) =>
        !this.now.conflicts.has(batchId) && this.refusedEdits.get(batchId) !== editedAt,
    );
    if (this.now.items.length + drafts.length === 0) {
      if (this.now.state !== 'idle') this.set({ state: 'idle', away: undefined });
      return;
    }
    this.running = true;
    if (this.now.state === 'idle') this.set({ state: 'sending' });
    try {
      // Drafts first: a batch made while the server was away must exist before its events arrive.
      for (const draft of drafts) await this.sendDraft(draft);
      await this.sendParcels();
      this.failures = 0;
      this.set({ state: 'idle', away: undefined });
    } catch (error) {
      this.failures += 1;
      this.again = false;
      this.set({ state: 'away', away: error instanceof ServerAway ? error.why : 'no-answer' });
      this.kick(RETRY_MS[Math.min(this.failures, RETRY_MS.length) - 1] ?? 8000);
    } finally {
      this.running = false;
    }
    if (this.again) {
      this.again = false;
      this.kick(0);
    }
  }

  private async sendDraft(draft: Draft): Promise<void> {
    void this.holdDraft(asSent(draft));
    try {
      const { document, revision, formulaId } = draft;
      const saved = await request<BatchView>('PUT', `/batches/${draft.batchId}`, {
        document,
        revision,
        ...(formulaId !== null && { formulaId }),
      });
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
      if (error.status >= 500) throw error;
      // The shape itself was refused: the draft stays here, and the person is told once an edit.
      this.refusedEdits.set(draft.batchId, draft.editedAt);
      this.listener.onRefused(
        'the formula',
        [error.message, ...(error.problem.errors ?? []).map((e) => `${e.path}: ${e.message}`)].join(
          '; ',
        ),
      );
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

  private async sendParcels(): Promise<void> {
    for (;;) {
      const [first] = this.now.items;
      if (!first) return;
      const together =
        first.kind === 'event'
          ? this.now.items
              .filter((p) => p.kind === 'event' && p.batchId === first.batchId)
              .slice(0, MOST_EVENTS)
          : [first];
      try {
        const refused = await sendTogether(first, together);
        for (const { id, reason } of refused)
          this.listener.onRefused(nameOf(together.find((p) => p.id === id) ?? first), reason);
      } catch (error) {
        if (!(error instanceof ApiProblem) || error.status >= 500) throw error;
        this.listener.onRefused(
          nameOf(first),
          [error.message, ...(error.problem.errors ?? []).map((e) => e.message)].join('; '),
        );
      }
      await this.forget(together);
    }
  }

  private async forget(items: readonly OutboxItem[]): Promise<void> {
    await removeItems(items);
    // BatchStory first, so that what was taken is on screen from the server's answer before it leaves the
    // outbox.
    this.listener.onTaken(items);
    const gone = new Set(items.map(({ id }) => id));
    this.set({ items: this.now.items.filter(({ id }) => !gone.has(id)) });
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

export const outbox = new Outbox();

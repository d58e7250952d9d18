import { useSyncExternalStore } from 'react';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type {
  FieldProblem,
  FormulaBody,
  MoveJars,
  ProblemCode,
  PutOnShelf,
  TransferJars,
} from '@idle-kettle/contract';
import type { BatchEvent } from '@idle-kettle/core';
import type { DeviceTime } from './device-time.js';

/** Why the server did not take something. It is set aside with it, and waits for the person. */
export interface Refusal {
  readonly code: ProblemCode;
  /** The server's own words. */
  readonly reason: string;
  /** What is to be mended, by its path within what was sent. */
  readonly errors: readonly FieldProblem[];
}

interface Queued {
  readonly id: string;
  readonly order: number;
  /** Not sent again until the person has mended it, or tries it again. */
  readonly refused?: Refusal;
}

/** Something to tell the server; sending it twice is harmless. */
export type OutboxItem = Queued &
  (
    | {
        readonly kind: 'event';
        readonly batchId: string;
        readonly event: BatchEvent;
        /** Of an event whose time may yet be found to be wrong: its time by this device's clock. */
        readonly deviceTime?: DeviceTime;
      }
    | { readonly kind: 'put'; readonly body: PutOnShelf }
    | { readonly kind: 'move'; readonly lotId: string; readonly body: MoveJars }
    | { readonly kind: 'transfer'; readonly lotId: string; readonly body: TransferJars }
  );

/** A batch's formula as edited here and not yet taken by the server. */
export interface Draft {
  readonly batchId: string;
  readonly document: FormulaBody;
  /** Revision it is based on, 0 for a batch the server has never seen. */
  readonly revision: number;
  readonly formulaId: string | null;
  readonly editedAt: number;
  /** Texts that were sent and got no answer, so that the server may hold one of them. */
  readonly unanswered?: readonly FormulaBody[];
  /** Not sent again until it is edited, or tried again. */
  readonly refused?: Refusal;
}

interface Shape extends DBSchema {
  /** Items of the outbox; the store has had this name from the beginning. */
  parcels: { key: string; value: OutboxItem };
  drafts: { key: string; value: Draft };
}

/** How much of what happens here survives the page. */
export type BrowserKeeps = 'everything' | 'nothing' | 'no-more';

let keeps: BrowserKeeps = 'everything';
const listeners = new Set<() => void>();

/** Whether the browser's database takes what is written; `no-more` where it is full. */
export const useBrowserKeeps = (): BrowserKeeps =>
  useSyncExternalStore(
    (tell) => {
      listeners.add(tell);
      return () => listeners.delete(tell);
    },
    () => keeps,
  );

/**
 * Writes to the browser's database. Where it is withheld or full the page goes on without it, and
 * says so: what is written then lasts until the page is closed.
 */
export async function attemptWrite(
  write: (db: IDBPDatabase<Shape>) => Promise<unknown>,
): Promise<boolean> {
  let now: BrowserKeeps = 'everything';
  try {
    await write(await store());
  } catch (error) {
    now = (error as Error).name === 'QuotaExceededError' ? 'no-more' : 'nothing';
  }
  if (now !== keeps) {
    keeps = now;
    listeners.forEach((tell) => tell());
  }
  return now === 'everything';
}

let opened: Promise<IDBPDatabase<Shape>> | undefined;

/** The browser's own database: what is in it survives a reload, a closed lid and a dead server. */
export function store(): Promise<IDBPDatabase<Shape>> {
  opened ??= openDB<Shape>('idle-kettle', 1, {
    upgrade(db) {
      db.createObjectStore('parcels', { keyPath: 'id' });
      db.createObjectStore('drafts', { keyPath: 'batchId' });
    },
  });
  return opened;
}

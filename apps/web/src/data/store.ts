import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { FormulaBody, MoveJars, PutOnShelf, TransferJars } from '@idle-kettle/contract';
import type { BatchEvent } from '@idle-kettle/core';

/** Something to tell the server; sending it twice is harmless. */
export type OutboxItem =
  | {
      readonly id: string;
      readonly order: number;
      readonly kind: 'event';
      readonly batchId: string;
      readonly event: BatchEvent;
    }
  | { readonly id: string; readonly order: number; readonly kind: 'put'; readonly body: PutOnShelf }
  | {
      readonly id: string;
      readonly order: number;
      readonly kind: 'move';
      readonly lotId: string;
      readonly body: MoveJars;
    }
  | {
      readonly id: string;
      readonly order: number;
      readonly kind: 'transfer';
      readonly lotId: string;
      readonly body: TransferJars;
    };

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
}

interface Shape extends DBSchema {
  /** Items of the outbox; the store has had this name from the beginning. */
  parcels: { key: string; value: OutboxItem };
  drafts: { key: string; value: Draft };
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

import { useEffect, useState, type Dispatch, type SetStateAction } from 'react';
import type { FormulaBody } from '@idle-kettle/contract';
import { anObject, browserStore } from '../data/browser-store.js';

/** What can be undone and redone of a formula, the latest last. */
export interface History {
  readonly past: readonly FormulaBody[];
  readonly future: readonly FormulaBody[];
  /** What the last step changed, so that typing on in one field is one step. */
  readonly label: string;
  /** When that was, milliseconds since 1970. */
  readonly at: number;
}

const NO_HISTORY: History = { past: [], future: [], label: '', at: 0 };

/** The history of the batch that is open in this tab. */
const openBatch = browserStore<{ readonly batchId: string; readonly history: History }>({
  key: 'kettle.history',
  lasts: 'session',
  parse: anObject,
  otherwise: () => ({ batchId: '', history: NO_HISTORY }),
});

/** It is written a moment after the last change: it holds many documents. */
const WRITE_AFTER_MS = 400;

/** The undo history of a batch; a reload of the page keeps it. */
export function useHistory(batchId: string): [History, Dispatch<SetStateAction<History>>] {
  const [history, setHistory] = useState<History>(() => {
    const stored = openBatch.get();
    return stored.batchId === batchId ? stored.history : NO_HISTORY;
  });
  useEffect(() => {
    if (history === openBatch.get().history) return undefined;
    const write = (): void => openBatch.set({ batchId, history });
    const timer = setTimeout(write, WRITE_AFTER_MS);
    window.addEventListener('pagehide', write);
    return () => {
      clearTimeout(timer);
      window.removeEventListener('pagehide', write);
    };
  }, [batchId, history]);
  return [history, setHistory];
}

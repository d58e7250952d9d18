import { useCallback, useLayoutEffect, useRef } from 'react';
import type { FormulaBody } from '@idle-kettle/contract';
import { outbox } from '../data/outbox.js';
import { useBatchQuery, useOutbox } from '../data/queries.js';
import { useSame } from '../ui/use-same.js';
import { useHistory } from './use-history.js';
import { now } from '../data/clock.js';

const STEP_PAUSE_MS = 1500;
const MOST_STEPS = 100;

export interface EditedDocument {
  readonly document: FormulaBody | undefined;
  /** The kept formula it was made from, or null. */
  readonly formulaId: string | null;
  /** From now on the batch is one of this formula. */
  readonly belongTo: (formulaId: string) => void;
  readonly error: Error | null;
  readonly change: (label: string, make: (document: FormulaBody) => FormulaBody) => void;
  readonly undo: (() => void) | undefined;
  readonly redo: (() => void) | undefined;
}

/**
 * A batch's formula as edited here: the draft in the outbox when there is one, else what the server
 * holds. Every change goes to the outbox at once, so that nothing typed is lost, whatever happens
 * next.
 */
export function useDocument(batchId: string): EditedDocument {
  const { drafts, ready } = useOutbox();
  const draft = drafts.get(batchId);
  const query = useBatchQuery(batchId, ready && draft?.revision !== 0);
  const [history, setHistory] = useHistory(batchId);
  const document = useSame(draft?.document ?? query.data?.document);
  const revision = draft?.revision ?? query.data?.revision ?? 0;
  const formulaId = draft?.formulaId ?? query.data?.formulaId ?? null;
  const lastEdit = draft?.editedAt ?? 0;

  const keep = useCallback(
    (next: FormulaBody, of: string | null = formulaId) =>
      void outbox.saveDraft({
        batchId,
        document: next,
        revision,
        formulaId: of,
        editedAt: Math.max(now(), lastEdit + 1),
      }),
    [batchId, revision, formulaId, lastEdit],
  );

  // Always the same function, so that thirty lines are not drawn again because one of them was
  // typed in.
  const latest = useRef({ document, keep });
  useLayoutEffect(() => {
    latest.current = { document, keep };
  });
  const change = useCallback(
    (label: string, make: (document: FormulaBody) => FormulaBody) => {
      const { document: current, keep: keepCurrent } = latest.current;
      if (!current) return;
      const at = now();
      setHistory((was) => {
        const sameStep =
          label !== '' && was.label === label && at - was.at < STEP_PAUSE_MS && was.past.length > 0;
        return {
          past: sameStep ? was.past : [...was.past, current].slice(-MOST_STEPS),
          future: [],
          label,
          at,
        };
      });
      keepCurrent(make(current));
    },
    [setHistory],
  );

  const step = (from: 'past' | 'future'): (() => void) | undefined => {
    const target = from === 'past' ? history.past.at(-1) : history.future.at(-1);
    if (!document || !target) return undefined;
    return () => {
      setHistory(({ past, future }) =>
        from === 'past'
          ? { past: past.slice(0, -1), future: [...future, document], label: '', at: 0 }
          : { past: [...past, document], future: future.slice(0, -1), label: '', at: 0 },
      );
      keep(target);
    };
  };

  const belongTo = useCallback(
    (of: string) => {
      if (document) keep(document, of);
    },
    [document, keep],
  );

  return {
    document,
    formulaId,
    belongTo,
    error: query.error,
    change,
    undo: step('past'),
    redo: step('future'),
  };
}

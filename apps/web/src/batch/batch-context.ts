import { createContext, useContext } from 'react';
import type { FormulaBody } from '@idle-kettle/contract';
import {
  batchNow,
  type Balance,
  type BatchEvent,
  type Boil,
  type JarsAhead,
  type Keeping,
  type PotFormula,
  type Problem,
} from '@idle-kettle/core';
import { now } from '../data/clock.js';
import { useNow } from '../ui/now.js';

/** The batch on the bench, with everything computed from it. */
export interface BenchBatch {
  readonly id: string;
  readonly document: FormulaBody;
  /** The kept formula it is a batch of, or null. */
  readonly formulaId: string | null;
  readonly belongTo: (formulaId: string) => void;
  /** The document with what the log added in the boil: what everything here is computed from. */
  readonly asMade: FormulaBody;
  readonly formula: PotFormula;
  /** What could not be understood, by its path in the document. */
  readonly problems: readonly Problem[];
  /** Null while nothing in the pot is understood. */
  readonly balance: Balance | null;
  /** While it stands off the heat and was weighed there: what comes of it as it is. */
  readonly asWeighed: Balance | undefined;
  /** While it cooks for hours: the jars it will fill, as far as its log tells so far. */
  readonly jarsNow: JarsAhead | undefined;
  /** Says so, from where the cook is watched. */
  readonly tellJarsNow: (jars: JarsAhead | undefined) => void;
  /** Before the jars are put away: how they will keep once processed; after: how they keep. */
  readonly keeping: Keeping;
  readonly events: readonly BatchEvent[];
  /** False while the server's log was never read: more may have happened than is known here. */
  readonly isLogKnown: boolean;
  readonly boil: Boil;
  /**
   * Changes the document and keeps it. Changes with the same `label` in quick succession (typing in
   * one field) are one step of undo; an empty label is a step by itself.
   */
  readonly change: (label: string, make: (document: FormulaBody) => FormulaBody) => void;
  readonly undo: (() => void) | undefined;
  readonly redo: (() => void) | undefined;
}

export const BatchContext = createContext<BenchBatch | null>(null);

export function useBatch(): BenchBatch {
  const batch = useContext(BatchContext);
  if (!batch) throw new Error('no batch is open here');
  return batch;
}

/** Milliseconds since 1970 by the clock of the batch on the bench, a new value twice a second. */
export function useBatchNow(): number {
  const { boil } = useBatch();
  return batchNow(boil, useNow());
}

/** The same, once. */
export const timeOfBatch = (boil: Pick<Boil, 'simulated'>): number => batchNow(boil, now());

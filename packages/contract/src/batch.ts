import { IsOptional, IsUUID } from 'class-validator';
import type { BatchEvent, BoilPhase } from '@idle-kettle/core';
import { SaveDocument, type FormulaBody } from './formula.js';

/** Keeps a batch: its working formula, and the formula it came from. */
export class SaveBatch extends SaveDocument {
  @IsOptional()
  @IsUUID(undefined, { message: 'write the id of the formula it was made from' })
  formulaId?: string | null;
}

export interface BatchView {
  readonly id: string;
  readonly document: FormulaBody;
  readonly formulaId: string | null;
  readonly revision: number;
  readonly createdAt: string;
  readonly updatedAt: string;
}

/** A batch in a list: enough to say where it stands without its whole log. */
export interface BatchSummary {
  readonly id: string;
  readonly title: string;
  readonly kind: string;
  /** Id of its first fruit, for its colour. */
  readonly fruit: string | null;
  readonly phase: BoilPhase;
  readonly startedAt: string | null;
  readonly endedAt: string | null;
  readonly lastReading: { readonly at: string; readonly temperature_C: number } | null;
  readonly gelTemperature_C: number | null;
  /** Jars counted at the jar station, part jars as fractions. */
  readonly jarsFilled: number;
  readonly onShelf: boolean;
  readonly createdAt: string;
  readonly updatedAt: string;
}

/** A stored event with its place in the log. */
export type StoredEvent = BatchEvent & { readonly seq: number };

export interface EventPage {
  readonly events: readonly StoredEvent[];
  /** Pass as `after` to get only what is newer. */
  readonly lastSeq: number;
}

export interface AppendResult {
  /** Ids stored now or before: safe to forget. */
  readonly kept: readonly string[];
  /** Ids that were already used for something else: never stored. */
  readonly refused: readonly { readonly id: string; readonly reason: string }[];
}

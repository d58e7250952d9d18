import { Type } from 'class-transformer';
import { IsIn, IsOptional, IsUUID } from 'class-validator';
import {
  KINDS,
  type BatchEvent,
  type BoilPhase,
  type ForecastResult,
  type Kind,
  type ShowResult,
} from '@idle-kettle/core';
import { SaveDocument, type FormulaBody } from './formula.js';
import { Count, Text, IfPresent } from './rules.js';

/** Keeps a batch: its working formula, and the formula it came from. */
export class SaveBatch extends SaveDocument {
  @IsOptional()
  @IsUUID(undefined, { message: 'write the id of the formula it was made from' })
  formulaId?: string | null;
}

/** Which batches a list shows; without any of it the latest ones. */
export class ListBatches {
  /** In the title or in a note of its log. */
  @IfPresent()
  @Text(80, 'write what to look for')
  search?: string;

  @IfPresent()
  @IsIn(KINDS, { message: `write one of ${KINDS.join(', ')}` })
  kind?: Kind;

  /** Where the last list ended: only those laid out before this one. */
  @IfPresent()
  @IsUUID(undefined, { message: 'write the id of the last batch that was listed' })
  after?: string;

  @IfPresent()
  @Type(() => Number)
  @Count(1, 100, 'write how many to list, 1 to 100')
  limit?: number;
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
  /** The last score after a jar was opened. */
  readonly score: { readonly set: number; readonly taste: number } | null;
  /** Its best result at a show. */
  readonly best: {
    readonly show: string;
    readonly class: string;
    readonly result: ShowResult;
  } | null;
  /**
   * What was foretold of a finished batch against what came; null where one of the two is not
   * known.
   */
  readonly outcome: {
    /** Millilitres of jars, to their headspace. */
    readonly yield_ml: ForecastResult | null;
    /** Minutes at the boil with the sugar in. */
    readonly boil_min: ForecastResult | null;
  };
  /** When the jars should be ready, or it is to be begun, of a batch that has only been planned. */
  readonly planned: { readonly by: 'ready' | 'start'; readonly at: string } | null;
  /** Lids to press: from when on; null where there is nothing to press. */
  readonly sealsDueAt: string | null;
  readonly createdAt: string;
  readonly updatedAt: string;
}

export interface EventPage {
  readonly events: readonly BatchEvent[];
  /**
   * Pass as `since` to get what was stored after this was read; some of it may come a second time.
   */
  readonly cursor: string;
}

export interface AppendResult {
  /** Ids stored now or before: safe to forget. */
  readonly kept: readonly string[];
  /** Ids that were already used for something else: never stored. */
  readonly refused: readonly { readonly id: string; readonly reason: string }[];
}

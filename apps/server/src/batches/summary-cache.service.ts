import { Injectable, Logger } from '@nestjs/common';
import { InjectConnection } from '@nestjs/sequelize';
import { QueryTypes } from 'sequelize';
import { Sequelize } from 'sequelize-typescript';
import type { Boil, Kitchen } from '@idle-kettle/core';
import { Clock } from '../clock/clock.js';
import { HouseholdService } from '../households/household.service.js';
import { KitchenService } from '../kitchens/kitchen.service.js';
import { EventLogService } from './event-log.service.js';
import {
  batchSearchText,
  batchSummary,
  lotSummaries,
  type BatchRow,
  type LotRow,
  type LotSummary,
} from './summaries.js';

/**
 * A household of many years whose kitchen was changed has thousands to compute: a request waits no
 * longer than this, ms.
 */
const PATIENCE_MS = 1000;
/** Batches whose logs are read together. */
const AT_ONCE = 25;

interface StaleRow extends BatchRow {
  readonly version: string;
}

/** A list as the database writes it, and whether something changed that is not in it yet. */
interface ListRow {
  readonly stale: boolean;
  readonly list: string;
}

// What changed last comes first: it is what somebody looks for.
const STALE = `
  SELECT summary.batch_id AS id, summary.version,
    batch.document, batch.created_at, batch.updated_at
  FROM batch_summaries summary JOIN batches batch ON batch.id = summary.batch_id
  WHERE summary.household_id = :householdId AND summary.stale
  ORDER BY summary.changed_at DESC LIMIT :atOnce`;

// The lots of the batches, which the shelf keeps; how they keep follows from the batch.
const LOTS = `
  SELECT id, batch_id, size, part_fill, made_on::text, kept_in, place, kept_since, came_from,
    (SELECT coalesce(sum(change), 0)::int FROM shelf_moves
      WHERE lot_id = shelf_lots.id AND reason IN ('put', 'moved')) AS put
  FROM shelf_lots WHERE batch_id = ANY(ARRAY[:ids]::uuid[])`;

// One statement, so that a slower server never overwrites what was computed from a later version.
const STORE = `
  WITH stored AS (
    UPDATE batch_summaries SET computed_version = :version, ended = :ended,
      search_text = :searchText, summary = coalesce(:summary::jsonb, summary)
    WHERE batch_id = :id AND computed_version < :version RETURNING batch_id)
  UPDATE lot_summaries lot SET
    -- A jar that was moved, or whose lid did not hold, is told elsewhere.
    verdict_was = CASE
      WHEN verdict_rank(row.view -> 'keeping' ->> 'verdict') > verdict_rank(lot.verdict)
        AND lot.view -> 'keptIn' = row.view -> 'keptIn' AND row."lidsOpen" = 0
        THEN coalesce(lot.verdict_was, lot.verdict)
      WHEN verdict_rank(row.view -> 'keeping' ->> 'verdict') <= verdict_rank(lot.verdict_was)
        THEN NULL
      ELSE lot.verdict_was END,
    view = row.view, search_text = row."searchText",
    verdict = row.view -> 'keeping' ->> 'verdict',
    best_before = (row.view -> 'keeping' ->> 'bestBefore')::date,
    lids = row.lids, lids_open = row."lidsOpen", lids_due_at = row."lidsDueAt"
  FROM stored, jsonb_to_recordset(:lots) AS row (
    view jsonb, "searchText" text, lids text, "lidsOpen" int, "lidsDueAt" timestamptz)
  WHERE lot.lot_id = (row.view ->> 'id')::uuid`;

/** The batches of a household whose summary is not computed from their latest version. */
export const STALE_BATCHES =
  'SELECT batch_id FROM batch_summaries WHERE household_id = :householdId AND stale';

/**
 * Keeps what lists say of batches and jars true: what changed is computed before a list is read.
 * Nothing in it that could not be computed again.
 */
@Injectable()
export class SummaryCacheService {
  private readonly logger = new Logger('summaries');
  private working: Promise<number> | undefined;

  constructor(
    @InjectConnection() private readonly sequelize: Sequelize,
    private readonly households: HouseholdService,
    private readonly kitchens: KitchenService,
    private readonly log: EventLogService,
    private readonly clock: Clock,
  ) {}

  /**
   * A list that has everything that changed before it was asked for, in one statement where nothing
   * did: there is little else to wait for in a request.
   *
   * @param select a statement whose only column is JSON
   * @returns the answer as JSON text: the database writes it, and nobody here needs to read it
   */
  async list(select: string, replacements: object): Promise<string> {
    const householdId = await this.households.current();
    const ask = async (): Promise<ListRow> => {
      const [row] = await this.sequelize.query<ListRow>(
        `SELECT EXISTS (${STALE_BATCHES}) AS stale, (${select})::text AS list`,
        { replacements: { householdId, ...replacements }, type: QueryTypes.SELECT },
      );
      return row ?? { stale: false, list: '[]' };
    };
    const first = await ask();
    if (!first.stale) return first.list;
    await this.bringUpToDate();
    return (await ask()).list;
  }

  /**
   * Computes what is stale, for a second at most.
   *
   * @returns how many batches still wait; they are computed with the next requests, the latest
   * changed first
   */
  async bringUpToDate(): Promise<number> {
    const householdId = await this.households.current();
    if ((await this.stale(householdId, 1)).length === 0) return 0;
    // Those who come at once share the work; whoever came while it was under way looks again, since
    // it may have begun too early.
    while (this.working) {
      await this.working;
      if ((await this.stale(householdId, 1)).length === 0) return 0;
    }
    this.working = this.work(householdId).finally(() => (this.working = undefined));
    return this.working;
  }

  private stale(householdId: string, atOnce: number): Promise<StaleRow[]> {
    return this.sequelize.query<StaleRow>(STALE, {
      replacements: { householdId, atOnce },
      type: QueryTypes.SELECT,
    });
  }

  private async work(householdId: string): Promise<number> {
    const until = performance.now() + PATIENCE_MS;
    const kitchen = await this.kitchens.inUse();
    for (;;) {
      const rows = await this.stale(householdId, AT_ONCE);
      if (rows.length === 0) return 0;
      const ids = rows.map(({ id }) => id);
      const [boils, lots] = await Promise.all([
        this.log.boilsOf(ids),
        this.sequelize.query<LotRow>(LOTS, { replacements: { ids }, type: QueryTypes.SELECT }),
      ]);
      for (const row of rows) {
        const boil = boils.get(row.id);
        const ownLots = lots.filter((lot) => lot.batch_id === row.id);
        if (boil) await this.store(row, boil, kitchen, ownLots);
        if (performance.now() > until) return this.waiting(householdId);
      }
    }
  }

  /**
   * The summaries of a batch and its lots; undefined where they cannot be computed, which is logged:
   * one such batch must not hide all the others, and its own summary stays as it was.
   */
  private compute(
    row: StaleRow,
    boil: Boil,
    kitchen: Kitchen,
    lots: readonly LotRow[],
  ): { readonly summary: object; readonly lots: readonly LotSummary[] } | undefined {
    const now = this.clock.now().getTime();
    try {
      return {
        summary: batchSummary(row, boil, kitchen, lots.length > 0, now),
        lots: lotSummaries(row.document, boil, kitchen, lots, now),
      };
    } catch (error) {
      const what = error instanceof Error ? (error.stack ?? error.message) : String(error);
      this.logger.error(`batch ${row.id}: ${what}`);
      return undefined;
    }
  }

  private async store(
    row: StaleRow,
    boil: Boil,
    kitchen: Kitchen,
    lots: readonly LotRow[],
  ): Promise<void> {
    const computed = this.compute(row, boil, kitchen, lots);
    await this.sequelize.query(STORE, {
      replacements: {
        id: row.id,
        version: row.version,
        ended: boil.phase === 'done',
        searchText: batchSearchText(row.document.title, boil),
        summary: computed ? JSON.stringify(computed.summary) : null,
        lots: JSON.stringify(computed?.lots ?? []),
      },
      type: QueryTypes.UPDATE,
    });
  }

  private async waiting(householdId: string): Promise<number> {
    const [found] = await this.sequelize.query<{ count: number }>(
      `SELECT count(*)::int AS count FROM (${STALE_BATCHES}) AS waiting`,
      { replacements: { householdId }, type: QueryTypes.SELECT },
    );
    return found?.count ?? 0;
  }
}

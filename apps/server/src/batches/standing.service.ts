import { Injectable, Logger } from '@nestjs/common';
import { InjectConnection } from '@nestjs/sequelize';
import { QueryTypes } from 'sequelize';
import { Sequelize } from 'sequelize-typescript';
import type { Boil, Kitchen } from '@idle-kettle/core';
import { Clock } from '../clock/clock.js';
import { HouseholdService } from '../households/household.service.js';
import { KitchenService } from '../kitchens/kitchen.service.js';
import { EventLogService } from './event-log.service.js';
import { batchStanding, batchWords, lotStandings, type BatchRow, type LotRow } from './standing.js';

/**
 * A household of many years whose kitchen was changed has thousands to work out: a request waits no
 * longer than this, ms.
 */
const PATIENCE_MS = 1000;
/** Batches whose logs are read together. */
const AT_ONCE = 25;

interface StaleRow extends BatchRow {
  readonly told: string;
}

/** A list as the database writes it, and whether something was told that is not in it yet. */
interface ListRow {
  readonly stale: boolean;
  readonly list: string;
}

// What was told last comes first: it is what somebody looks for.
const STALE = `
  SELECT standing.batch_id AS id, standing.told, batch.document, batch.created_at, batch.updated_at FROM batch_standings standing JOIN batches batch ON batch.id = standing.batch_id
  WHERE standing.household_id = :householdId AND standing.stale ORDER BY standing.told_at DESC LIMIT :atOnce`;

const LOTS = `
  SELECT id, batch_id, size, part_fill, made_on::text, kept_in, place, kept_since, came_from FROM shelf_lots WHERE batch_id = ANY(ARRAY[:ids]::uuid[])`;

// One statement, so that a slower hand never overwrites what was worked out from more.
const KEEP = `
  WITH stood AS (
    UPDATE batch_standings SET worked_out = :told, ended = :ended, words = :words, summary = coalesce(:summary::jsonb, summary)
    WHERE batch_id = :id AND worked_out < :told RETURNING batch_id)
  UPDATE lot_standings lot SET view = row.view, words = row.words, verdict = row.view -> 'keeping' ->> 'verdict',
    best_before = (row.view -> 'keeping' ->> 'bestBefore')::date, lids = row.lids, lids_open = row."lidsOpen", lids_due_at = row."lidsDueAt"
  FROM stood, jsonb_to_recordset(:lots) AS row (view jsonb, words text, lids text, "lidsOpen" int, "lidsDueAt" timestamptz)
  WHERE lot.lot_id = (row.view ->> 'id')::uuid`;

/** The batches of a household of which something was told that is not worked out yet. */
export const UNKNOWN =
  'SELECT batch_id FROM batch_standings WHERE household_id = :householdId AND stale';

/**
 * Keeps what lists say of batches and jars true: what was told of one since is worked out before a
 * list is read.
 */
@Injectable()
export class StandingService {
  private readonly logger = new Logger('standing');
  private working: Promise<number> | undefined;

  constructor(
    @InjectConnection() private readonly sequelize: Sequelize,
    private readonly households: HouseholdService,
    private readonly kitchens: KitchenService,
    private readonly log: EventLogService,
    private readonly clock: Clock,
  ) {}

  /**
   * A list that knows all that was told before it was asked for, in one statement where nothing new
   * was told: there is little else to wait for in a request.
   *
   * @param select a statement whose only column is JSON
   * @returns the answer as JSON text: the database writes it, and nobody here needs to read it
   */
  async list(select: string, replacements: object): Promise<string> {
    const householdId = await this.households.current();
    const ask = async (): Promise<ListRow> => {
      const [row] = await this.sequelize.query<ListRow>(
        `SELECT EXISTS (${UNKNOWN}) AS stale, (${select})::text AS list`,
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
   * @returns how many batches still wait; they are worked out with the next requests, the latest
   * told first
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
        if (boil)
          await this.keep(
            row,
            boil,
            kitchen,
            lots.filter((lot) => lot.batch_id === row.id),
          );
        if (performance.now() > until) return this.waiting(householdId);
      }
    }
  }

  private async keep(
    row: StaleRow,
    boil: Boil,
    kitchen: Kitchen,
    lots: readonly LotRow[],
  ): Promise<void> {
    const { id, told, document } = row;
    const now = this.clock.now().getTime();
    const worked = (() => {
      try {
        return {
          summary: batchStanding(row, boil, kitchen, lots.length > 0, now),
          lots: lotStandings(document, boil, kitchen, lots, now),
        };
      } catch (error) {
        // One batch that cannot be worked out must not hide all the others: its own standing stays
        // as it was.
        this.logger.error(
          `batch ${id}: ${error instanceof Error ? (error.stack ?? error.message) : String(error)}`,
        );
        return undefined;
      }
    })();
    await this.sequelize.query(KEEP, {
      replacements: {
        id,
        told,
        ended: boil.phase === 'done',
        words: batchWords(document.title, boil),
        summary: worked ? JSON.stringify(worked.summary) : null,
        lots: JSON.stringify(worked?.lots ?? []),
      },
      type: QueryTypes.UPDATE,
    });
  }

  private async waiting(householdId: string): Promise<number> {
    const [found] = await this.sequelize.query<{ count: number }>(
      `SELECT count(*)::int AS count FROM (${UNKNOWN}) AS waiting`,
      {
        replacements: { householdId },
        type: QueryTypes.SELECT,
      },
    );
    return found?.count ?? 0;
  }
}

import { randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { InjectConnection, InjectModel } from '@nestjs/sequelize';
import { QueryTypes, type Transaction } from 'sequelize';
import { Sequelize } from 'sequelize-typescript';
import type { BatchSummary, BatchView, ListBatches, SaveBatch } from '@idle-kettle/contract';
import { saveDocument } from '../database/save-document.js';
import { Clock } from '../clock/clock.js';
import { HouseholdService } from '../households/household.service.js';
import { notFound, ProblemException } from '../http/problem.filter.js';
import { Batch } from './batch.model.js';
import { EventLogService } from './event-log.service.js';
import { lastReadingOf } from './summaries.js';
import { SummaryCacheService } from './summary-cache.service.js';
import { holdBatch, wasRemoved } from './unknown-batch.js';
import { likeOf } from '../database/like.js';

/** Events of a batch that has only been planned. */
const ONLY_PLANNED = ['planned', 'step', 'undo'];
const HISTORY = `
  SELECT EXISTS (SELECT FROM batch_events WHERE batch_id = :batchId AND type NOT IN (:planning)) AS "hasBoiled",
    (SELECT coalesce(sum(change), 0)::int FROM shelf_moves
      WHERE lot_id IN (SELECT id FROM shelf_lots WHERE batch_id = :batchId)) AS jars`;

/** Batches a list shows; older ones wait for the logbook. */
const LISTED = 100;

const view = (batch: Batch): BatchView => ({
  id: batch.id,
  document: batch.document,
  formulaId: batch.formulaId,
  revision: batch.revision,
  createdAt: batch.createdAt.toISOString(),
  updatedAt: batch.updatedAt.toISOString(),
});

const LIST = `
  SELECT summary FROM batch_summaries WHERE household_id = :householdId AND NOT removed AND summary IS NOT NULL`;
const AFTER = `
  AND (created_at, batch_id) < (SELECT created_at, batch_id FROM batch_summaries WHERE batch_id = :after)`;
const NEWEST = ' ORDER BY created_at DESC, batch_id DESC LIMIT :limit';

/**
 * Whether a list, as JSON text, has a batch in it that boils; a name with such words in it has
 * other quotes.
 */
const ON_THE_STOVE = /"phase": "(?!cold|done)/;

/** What of a formula is free to be changed: it is in no jar. */
const FREE = "'{title,notes,steps}'::text[]";
/**
 * What is in the jars stays what it was: before the formula of a batch with filled jars is changed,
 * the one they were filled from goes into its log, where the device that counted them has not put it.
 */
const KEEP_AS_FILLED = `
  INSERT INTO batch_events (id, household_id, batch_id, type, happened_at, device, body)
  SELECT :eventId, batch.household_id, batch.id, 'formula-filled', first.at, 'server',
    jsonb_build_object('document', batch.document)
  FROM batches batch
    JOIN LATERAL (SELECT min(happened_at) AS at FROM batch_events
      WHERE batch_id = batch.id AND type = 'jarred') AS first ON first.at IS NOT NULL
  WHERE batch.id = :id AND batch.revision > 0 AND batch.document - ${FREE} <> :next::jsonb - ${FREE} AND NOT EXISTS (
    SELECT 1 FROM batch_events WHERE batch_id = batch.id AND type = 'formula-filled')`;

@Injectable()
export class BatchService {
  constructor(
    @InjectModel(Batch) private readonly batches: typeof Batch,
    @InjectConnection() private readonly sequelize: Sequelize,
    private readonly log: EventLogService,
    private readonly summaries: SummaryCacheService,
    private readonly households: HouseholdService,
    private readonly clock: Clock,
  ) {}

  /**
   * Batches with where each stands, newest first: the latest, or those that are looked for in names
   * and notes.
   *
   * @returns {@link BatchSummary}s as JSON text
   */
  async list({ search = '', kind, after, limit = LISTED }: ListBatches = {}): Promise<string> {
    const words = search.trim().toLowerCase();
    const select = [
      LIST,
      kind === undefined ? '' : ' AND kind = :kind',
      words === '' ? '' : ' AND search_text LIKE :like',
      after === undefined ? '' : AFTER,
      NEWEST,
    ];
    const list = await this.summaries.list(
      `SELECT coalesce(json_agg(summary), '[]') FROM (${select.join('')}) AS listed`,
      { kind, after, limit, like: likeOf(words) },
    );
    return ON_THE_STOVE.test(list)
      ? JSON.stringify(await this.withLastReadings(JSON.parse(list) as BatchSummary[]))
      : list;
  }

  /** A reading does not change where a batch stands, but for the last one while it boils. */
  private async withLastReadings(list: readonly BatchSummary[]): Promise<BatchSummary[]> {
    const boils = await this.log.boilsOf(
      list.flatMap(({ id, phase }) => (phase === 'cold' || phase === 'done' ? [] : [id])),
    );
    return list.map((batch) => {
      const boil = boils.get(batch.id);
      return boil ? { ...batch, lastReading: lastReadingOf(boil) } : batch;
    });
  }

  async hasAny(): Promise<boolean> {
    return (
      (await this.batches.findOne({
        where: { householdId: await this.households.current() },
        attributes: ['id'],
      })) !== null
    );
  }

  async get(id: string): Promise<BatchView> {
    return view(await this.find(id));
  }

  async save(id: string, body: SaveBatch): Promise<BatchView> {
    const extra = {
      ...(body.formulaId !== undefined && { formulaId: body.formulaId }),
    };
    const householdId = await this.households.current();
    const refuseRemoved = ({ removedAt }: Batch): void => {
      if (removedAt !== null) throw wasRemoved();
    };
    return view(
      await saveDocument({
        model: this.batches,
        id,
        householdId,
        sent: body,
        extra,
        view,
        refuse: refuseRemoved,
        beforehand: (batch, transaction) =>
          this.sequelize.query(KEEP_AS_FILLED, {
            replacements: {
              id: batch.id,
              eventId: randomUUID(),
              next: JSON.stringify(body.document),
            },
            type: QueryTypes.INSERT,
            transaction,
          }),
      }),
    );
  }

  /** Brings back a batch that was deleted; one that was not stays as it is. */
  async bringBack(id: string): Promise<BatchView> {
    const batch = await this.batches.findOne({
      where: { id, householdId: await this.households.current() },
    });
    if (!batch) throw notFound('batch');
    return view(await batch.update({ removedAt: null }));
  }

  /** Removes a batch that was never started; one with a history stays in the log. */
  async remove(id: string): Promise<void> {
    await this.find(id);
    // Whoever is storing something of it is waited for, so that nothing acknowledged vanishes.
    await this.sequelize.transaction(async (transaction) => {
      const batch = await this.batches.findByPk(id, { transaction, lock: transaction.LOCK.UPDATE });
      if (!batch || batch.removedAt !== null) throw wasRemoved();
      await this.refuseHistory(id, transaction);
      await batch.update({ removedAt: this.clock.now() }, { transaction });
    });
  }

  /** @throws ProblemException where a batch has jars, or was ever on the heat */
  private async refuseHistory(id: string, transaction: Transaction): Promise<void> {
    const { jars, hasBoiled } = await this.historyOf(id, transaction);
    if (jars > 0)
      throw new ProblemException(
        'not-now',
        `${jars} ${jars === 1 ? 'jar' : 'jars'} of this batch ${jars === 1 ? 'is' : 'are'} on the shelf; eat, give or throw ${jars === 1 ? 'it' : 'them'} out first`,
      );
    if (hasBoiled)
      throw new ProblemException(
        'not-now',
        'this batch has been boiled, so it stays in the log; only a batch that was never started can be removed',
      );
  }

  /**
   * Makes sure that jars of a batch can be stored in a transaction; see {@link holdBatch}.
   */
  async hold(id: string, transaction: Transaction): Promise<void> {
    await holdBatch(this.sequelize, id, await this.households.current(), transaction);
  }

  /** How many of its jars are still there, and whether more than planning was logged of it. */
  private async historyOf(
    batchId: string,
    transaction: Transaction,
  ): Promise<{ jars: number; hasBoiled: boolean }> {
    const [found] = await this.sequelize.query<{ jars: number; hasBoiled: boolean }>(HISTORY, {
      replacements: { batchId, planning: ONLY_PLANNED },
      type: QueryTypes.SELECT,
      transaction,
    });
    return found ?? { jars: 0, hasBoiled: false };
  }

  private async find(id: string): Promise<Batch> {
    const batch = await this.batches.findOne({
      where: { id, householdId: await this.households.current() },
    });
    if (!batch) throw notFound('batch');
    if (batch.removedAt !== null) throw wasRemoved();
    return batch;
  }
}

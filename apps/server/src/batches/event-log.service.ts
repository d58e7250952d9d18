import { isDeepStrictEqual } from 'node:util';
import { Injectable } from '@nestjs/common';
import { InjectConnection, InjectModel } from '@nestjs/sequelize';
import { Op, QueryTypes } from 'sequelize';
import { Sequelize } from 'sequelize-typescript';
import type { AppendResult, EventBody } from '@idle-kettle/contract';
import { AT_THE_BOIL_K, boilFrom, type Boil, type EventBodies } from '@idle-kettle/core';
import { Clock } from '../clock/clock.js';
import { clockCorrection_ms } from '../clock/device-clock.js';
import { HouseholdService } from '../households/household.service.js';
import { notFound } from '../http/problem.filter.js';
import { Batch } from './batch.model.js';
import { EVENTS_AS_JSON } from './event-json.js';
import { BatchEventRow, storedEvent } from './batch-event.model.js';
import { holdBatch } from './unknown-batch.js';

/**
 * One statement, so that the events and the cursor are of one moment; text at once, since a probe
 * leaves thousands.
 */
const PAGE = `
  SELECT '{"events":' || ${EVENTS_AS_JSON}
    || ',"cursor":"' || pg_snapshot_xmin(pg_current_snapshot()) || '"}' AS page
  FROM batch_events WHERE household_id = $1 AND batch_id = $2 AND written_by >= $3::xid8`;

/** So many readings of a kind are enough, since one may be set apart. */
const READINGS_OF_A_KIND = 8;
const readingsOf = (condition: string, order: 'ASC' | 'DESC'): string => `
    (SELECT * FROM batch_events
      WHERE batch_id = wanted.id AND household_id = :householdId AND type = 'reading' ${condition}
      ORDER BY happened_at ${order} LIMIT ${READINGS_OF_A_KIND})`;
const fromLog = (type: string, what: string): string => `(
      SELECT ${what} FROM batch_events
      WHERE batch_id = wanted.id AND type <> 'reading' AND type = '${type}')`;
const BOILING_POINT_C = fromLog('light', "min((body ->> 'boilingPoint_C')::float8)");

/**
 * Of each batch the readings its summary is computed from: the last few, those of the end of its
 * boil (a probe left alone goes on from there) and the first at the boil.
 */
const SUMMARY_READINGS = `
  SELECT reading.*
  FROM unnest(ARRAY[:ids]::uuid[]) AS wanted (id) CROSS JOIN LATERAL (
    ${readingsOf('', 'DESC')} UNION
    ${readingsOf(`AND happened_at <= ${fromLog('done', 'max(happened_at)')}`, 'DESC')} UNION
    ${readingsOf(
      `AND (body ->> 'temperature_C')::float8 >= ${BOILING_POINT_C} - ${AT_THE_BOIL_K}`,
      'ASC',
    )}
  ) AS reading`;

interface Times {
  readonly happenedAt: Date;
  readonly saidAt: Date | null;
}

/** When an event happened by the clock of the server, and by the device's where that is wrong. */
function timesOf({ at, saidAt }: EventBody, correction_ms: number): Times {
  const happenedAt = new Date(at);
  if (saidAt !== undefined) return { happenedAt, saidAt: new Date(saidAt) };
  return correction_ms === 0
    ? { happenedAt, saidAt: null }
    : { happenedAt: new Date(happenedAt.getTime() + correction_ms), saidAt: happenedAt };
}

/** By which the same event is known again, however its time was corrected. */
const saidTime = ({ happenedAt, saidAt }: Times): number => (saidAt ?? happenedAt).getTime();

/** What an event carries; a moment by the device's own clock is corrected with it. */
function corrected({ type, body, saidAt }: EventBody, correction_ms: number): object {
  const plain = JSON.parse(JSON.stringify(body)) as object;
  if (type !== 'simulated' || saidAt !== undefined || correction_ms === 0) return plain;
  const { realAt } = body as EventBodies['simulated'];
  return { ...plain, realAt: new Date(Date.parse(realAt) + correction_ms).toISOString() };
}

/**
 * The append-only log of a batch: an event is stored once, whoever sends it how often and in what
 * order.
 */
@Injectable()
export class EventLogService {
  constructor(
    @InjectModel(Batch) private readonly batches: typeof Batch,
    @InjectModel(BatchEventRow) private readonly events: typeof BatchEventRow,
    @InjectConnection() private readonly sequelize: Sequelize,
    private readonly households: HouseholdService,
    private readonly clock: Clock,
  ) {}

  /**
   * Events in order of arrival: all of them, or what was stored since a page was read. Exact
   * however many write at once: the cursor is the oldest transaction that was still running then.
   *
   * @returns an {@link EventPage} as JSON text: the database writes it, and nobody here needs to
   * read it
   */
  async page(batchId: string, since: string | undefined): Promise<string> {
    const householdId = await this.ownerOf(batchId);
    const [found] = await this.sequelize.query<{ page: string }>(PAGE, {
      bind: [householdId, batchId, since ?? '0'],
      type: QueryTypes.SELECT,
    });
    return found?.page ?? '{"events":[],"cursor":"0"}';
  }

  private async summaryReadings(batchIds: readonly string[]): Promise<BatchEventRow[]> {
    return this.sequelize.query<BatchEventRow>(SUMMARY_READINGS, {
      replacements: { ids: [...batchIds], householdId: await this.households.current() },
      type: QueryTypes.SELECT,
      model: this.events,
      mapToModel: true,
    });
  }

  /**
   * The boils of several batches for lists: all that was done, and of the readings (there may be
   * thousands) only those that tell.
   */
  async boilsOf(batchIds: readonly string[]): Promise<Map<string, Boil>> {
    if (batchIds.length === 0) return new Map();
    const householdId = await this.households.current();
    const [other, readings] = await Promise.all([
      this.events.findAll({
        where: { householdId, batchId: [...batchIds], type: { [Op.ne]: 'reading' } },
      }),
      this.summaryReadings(batchIds),
    ]);
    const rows = new Map<string, BatchEventRow[]>(batchIds.map((id) => [id, []]));
    for (const row of [...other, ...readings]) rows.get(row.batchId)?.push(row);
    return new Map([...rows].map(([id, all]) => [id, boilFrom(all.map(storedEvent))]));
  }

  /**
   * Stores events, also of a batch that is not known yet.
   *
   * @param deviceTime the clock of the device as it sent them: times of a clock that is wrong are
   * corrected
   * @throws ProblemException 410 where the batch was deleted
   */
  async append(
    batchId: string,
    events: readonly EventBody[],
    deviceTime?: number,
  ): Promise<AppendResult> {
    const householdId = await this.households.current();
    const correction_ms = clockCorrection_ms(deviceTime, this.clock.now());
    const rows = events.map((event) => ({
      id: event.id,
      householdId,
      batchId,
      type: event.type,
      ...timesOf(event, correction_ms),
      device: event.device,
      body: corrected(event, correction_ms),
    }));
    await this.sequelize.transaction(async (transaction) => {
      await holdBatch(this.sequelize, batchId, householdId, transaction);
      await this.events.bulkCreate(rows, {
        ignoreDuplicates: true,
        fields: ['id', 'householdId', 'batchId', 'type', 'happenedAt', 'saidAt', 'device', 'body'],
        transaction,
      });
    });
    const stored = new Map(
      (await this.events.findAll({ where: { id: rows.map((row) => row.id) } })).map((row) => [
        row.id,
        row,
      ]),
    );
    const isSame = (row: (typeof rows)[number]): boolean => {
      const found = stored.get(row.id);
      return (
        found?.householdId === householdId &&
        found.batchId === batchId &&
        found.type === row.type &&
        saidTime(found) === saidTime(row) &&
        (row.type === 'simulated' || isDeepStrictEqual(found.body, row.body))
      );
    };
    const refused = rows
      .filter((row) => !isSame(row))
      .map(({ id }) => ({ id, reason: 'this id already stands for another event' }));
    const refusedIds = new Set(refused.map(({ id }) => id));
    return { kept: rows.map(({ id }) => id).filter((id) => !refusedIds.has(id)), refused };
  }

  private async ownerOf(batchId: string): Promise<string> {
    const householdId = await this.households.current();
    if (!(await this.batches.findOne({ where: { id: batchId, householdId }, attributes: ['id'] })))
      throw notFound('batch');
    return householdId;
  }
}

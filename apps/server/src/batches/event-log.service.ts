import { isDeepStrictEqual } from 'node:util';
import { Injectable } from '@nestjs/common';
import { InjectModel } from '@nestjs/sequelize';
import { Op } from 'sequelize';
import type { AppendResult, EventBody, EventPage } from '@idle-kettle/contract';
import { boilFrom, type Boil, type EventType } from '@idle-kettle/core';
import { HouseholdService } from '../households/household.service.js';
import { notFound } from '../http/problem.filter.js';
import { Batch } from './batch.model.js';
import { BatchEventRow, storedEvent } from './batch-event.model.js';

/** The append-only log of a batch: an event is stored once, whoever sends it how often and in what order. */
@Injectable()
export class EventLogService {
  constructor(
    @InjectModel(Batch) private readonly batches: typeof Batch,
    @InjectModel(BatchEventRow) private readonly events: typeof BatchEventRow,
    private readonly households: HouseholdService,
  ) {}

  /** Events stored after `seq`, in order of arrival. */
  async after(batchId: string, seq: number): Promise<EventPage> {
    const householdId = await this.ownerOf(batchId);
    const rows = await this.events.findAll({
      where: { householdId, batchId, seq: { [Op.gt]: String(seq) } },
      order: [['seq', 'ASC']],
    });
    const events = rows.map(storedEvent);
    return { events, lastSeq: events.at(-1)?.seq ?? seq };
  }

  /** The boils of several batches, as far as one type of event or another tells of them; for lists, which need no readings. */
  async boilsOf(batchIds: readonly string[], types: readonly EventType[]): Promise<Map<string, Boil>> {
    const rows = await this.events.findAll({
      where: {
        householdId: await this.households.current(),
        batchId: [...batchIds],
        type: [...types, 'undo'],
      },
    });
    return new Map(
      batchIds.map((id) => [id, boilFrom(rows.filter(({ batchId }) => batchId === id).map(storedEvent))]),
    );
  }

  async append(batchId: string, events: readonly EventBody[]): Promise<AppendResult> {
    const householdId = await this.ownerOf(batchId);
    const rows = events.map((event) => ({
      id: event.id,
      householdId,
      batchId,
      type: event.type,
      happenedAt: new Date(event.at),
      device: event.device,
      body: JSON.parse(JSON.stringify(event.body)) as object,
    }));
    await this.events.bulkCreate(rows, {
      ignoreDuplicates: true,
      fields: ['id', 'householdId', 'batchId', 'type', 'happenedAt', 'device', 'body'],
    });
    const stored = new Map(
      (await this.events.findAll({ where: { id: rows.map((row) => row.id) } })).map((row) => [row.id, row]),
    );
    const isSame = (row: (typeof rows)[number]): boolean => {
      const found = stored.get(row.id);
      return (
        found?.householdId === householdId &&
        found.batchId === batchId &&
        found.type === row.type &&
        found.happenedAt.getTime() === row.happenedAt.getTime() &&
        isDeepStrictEqual(found.body, row.body)
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

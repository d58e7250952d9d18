import { Injectable } from '@nestjs/common';
import { InjectConnection, InjectModel } from '@nestjs/sequelize';
import { QueryTypes } from 'sequelize';
import { Sequelize } from 'sequelize-typescript';
import { boilFrom, firstFruit, type BatchEvent } from '@idle-kettle/core';
import type { BatchSummary, BatchView, SaveBatch } from '@idle-kettle/contract';
import { saveDocument } from '../database/save-document.js';
import { HouseholdService } from '../households/household.service.js';
import { notFound, ProblemException } from '../http/problem.filter.js';
import { BatchEventRow, storedEvent } from './batch-event.model.js';
import { Batch } from './batch.model.js';

/** Events of a batch that has only been planned. */
const ONLY_PLANNED: ReadonlySet<string> = new Set(['planned', 'step', 'undo']);

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

const isoOrNull = (at: number | undefined): string | null =>
  at === undefined ? null : new Date(at).toISOString();

/** The fruit that gives a batch its colour: the first one in its pot. */
const summary = (batch: Batch, events: readonly BatchEvent[], onShelf: boolean): BatchSummary => {
  const boil = boilFrom(events);
  const last = boil.readings.at(-1);
  return {
    id: batch.id,
    title: batch.title,
    kind: batch.document.kind,
    fruit: firstFruit(batch.document) ?? null,
    phase: boil.phase,
    startedAt: isoOrNull(boil.startedAt),
    endedAt: isoOrNull(boil.endedAt),
    lastReading: last ? { at: new Date(last.at).toISOString(), temperature_C: last.temperature_C } : null,
    gelTemperature_C: boil.gelTemperature_C ?? null,
    jarsFilled: boil.jarred.reduce((sum, jar) => sum + jar.full + jar.part, 0),
    onShelf,
    createdAt: batch.createdAt.toISOString(),
    updatedAt: batch.updatedAt.toISOString(),
  };
};

@Injectable()
export class BatchService {
  constructor(
    @InjectModel(Batch) private readonly batches: typeof Batch,
    @InjectModel(BatchEventRow) private readonly events: typeof BatchEventRow,
    @InjectConnection() private readonly sequelize: Sequelize,
    private readonly households: HouseholdService,
  ) {}

  /** The latest batches with where each stands, newest first. */
  async list(): Promise<BatchSummary[]> {
    const householdId = await this.households.current();
    const batches = await this.batches.findAll({
      where: { householdId, removedAt: null },
      order: [['createdAt', 'DESC']],
      limit: LISTED,
    });
    const ids = batches.map((batch) => batch.id);
    if (ids.length === 0) return [];
    const rows = await this.events.findAll({ where: { householdId, batchId: ids }, order: [['seq', 'ASC']] });
    const events = new Map<string, BatchEventRow[]>();
    for (const id of ids) events.set(id, []);
    for (const row of rows) events.get(row.batchId)?.push(row);
    const shelved = new Set(
      (
        await this.sequelize.query<{ batch_id: string }>(
          'SELECT DISTINCT batch_id FROM shelf_lots WHERE household_id = :householdId',
          { replacements: { householdId }, type: QueryTypes.SELECT },
        )
      ).map((row) => row.batch_id),
    );
    return batches.map((batch) =>
      summary(batch, (events.get(batch.id) ?? []).map(storedEvent), shelved.has(batch.id)),
    );
  }

  async get(id: string): Promise<BatchView> {
    return view(await this.find(id));
  }

  async save(id: string, body: SaveBatch): Promise<BatchView> {
    const extra = { removedAt: null, ...(body.formulaId !== undefined && { formulaId: body.formulaId }) };
    return view(await saveDocument(this.batches, id, await this.households.current(), body, extra, view));
  }

  /** Removes a batch that was never started; one with a history stays in the log. */
  async remove(id: string): Promise<void> {
    const batch = await this.find(id);
    const events = await this.events.findAll({ where: { batchId: id }, attributes: ['type'] });
    if (events.some(({ type }) => !ONLY_PLANNED.has(type)))
      throw new ProblemException(
        409,
        'this batch has been boiled, so it stays in the log; only a batch that was never started can be removed',
      );
    if (events.length === 0) await batch.destroy();
    else await batch.update({ removedAt: new Date() });
  }

  private async find(id: string): Promise<Batch> {
    const batch = await this.batches.findOne({
      where: { id, householdId: await this.households.current(), removedAt: null },
    });
    if (!batch) throw notFound('batch');
    return batch;
  }
}

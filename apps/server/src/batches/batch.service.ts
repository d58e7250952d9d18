import { Injectable } from '@nestjs/common';
import { InjectConnection, InjectModel } from '@nestjs/sequelize';
import { Op, QueryTypes } from 'sequelize';
import { Sequelize } from 'sequelize-typescript';
import type { Literal } from 'sequelize/types/utils';
import { boilFrom, byResult, firstFruit, sealsOf, type BatchEvent } from '@idle-kettle/core';
import type { BatchSummary, BatchView, ListBatches, SaveBatch } from '@idle-kettle/contract';
import { saveDocument } from '../database/save-document.js';
import { Clock } from '../clock/clock.js';
import { HouseholdService } from '../households/household.service.js';
import { notFound, ProblemException } from '../http/problem.filter.js';
import { BatchEventRow, storedEvent } from './batch-event.model.js';
import { Batch } from './batch.model.js';
import { EventLogService } from './event-log.service.js';

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
const summary = (
  batch: Batch,
  events: readonly BatchEvent[],
  onShelf: boolean,
  now: number,
): BatchSummary => {
  const boil = boilFrom(events);
  const seals = sealsOf(boil, now);
  const last = boil.readings.at(-1);
  const [best] = byResult(boil.shows);
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
    score: boil.score ?? null,
    best: best ? { show: best.show, class: best.class, result: best.result } : null,
    sealsDueAt: seals.phase === 'cooling' || seals.phase === 'due' ? isoOrNull(seals.dueAt) : null,
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
    private readonly log: EventLogService,
    private readonly households: HouseholdService,
    private readonly clock: Clock,
  ) {}

  /** Batches with where each stands, newest first: the latest, or those that are looked for. */
  async list({ search = '', kind, before, limit = LISTED }: ListBatches = {}): Promise<BatchSummary[]> {
    const householdId = await this.households.current();
    const batches = await this.batches.findAll({
      where: {
        householdId,
        removedAt: null,
        ...(before !== undefined && { createdAt: { [Op.lt]: new Date(before) } }),
        [Op.and]: [
          ...(kind === undefined
            ? []
            : [this.sequelize.literal(`document->>'kind' = ${this.sequelize.escape(kind)}`)]),
          ...(search.trim() === '' ? [] : [this.lookingFor(search.trim())]),
        ],
      },
      order: [['createdAt', 'DESC']],
      limit,
    });
    const ids = batches.map((batch) => batch.id);
    if (ids.length === 0) return [];
    // All that was done, and of the readings (there may be thousands) only the last few: one of them may be set apart.
    const rows = await this.events.findAll({
      where: { householdId, batchId: ids, type: { [Op.ne]: 'reading' } },
    });
    const readings = await this.log.lastReadings(ids);
    const events = new Map<string, BatchEventRow[]>();
    for (const id of ids) events.set(id, []);
    for (const row of [...rows, ...readings]) events.get(row.batchId)?.push(row);
    const shelved = new Set(
      (
        await this.sequelize.query<{ batch_id: string }>(
          'SELECT DISTINCT batch_id FROM shelf_lots WHERE household_id = :householdId',
          { replacements: { householdId }, type: QueryTypes.SELECT },
        )
      ).map((row) => row.batch_id),
    );
    const now = this.clock.now().getTime();
    return batches.map((batch) =>
      summary(batch, (events.get(batch.id) ?? []).map(storedEvent), shelved.has(batch.id), now),
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
    const jars = await this.jarsOf(id);
    if (jars > 0)
      throw new ProblemException(
        409,
        `${jars} ${jars === 1 ? 'jar' : 'jars'} of this batch ${jars === 1 ? 'is' : 'are'} on the shelf; eat, give or throw ${jars === 1 ? 'it' : 'them'} out first`,
      );
    if (events.some(({ type }) => !ONLY_PLANNED.has(type)))
      throw new ProblemException(
        409,
        'this batch has been boiled, so it stays in the log; only a batch that was never started can be removed',
      );
    if (events.length === 0 && !(await this.hadJars(id))) await batch.destroy();
    else await batch.update({ removedAt: this.clock.now() });
  }

  private async hadJars(id: string): Promise<boolean> {
    const [found] = await this.sequelize.query('SELECT 1 FROM shelf_lots WHERE batch_id = :id LIMIT 1', {
      replacements: { id },
      type: QueryTypes.SELECT,
    });
    return found !== undefined;
  }

  /** In the title, or in a note of the log; what is typed is looked for as it stands. */
  private lookingFor(search: string): Literal {
    const like = this.sequelize.escape(`%${search.replace(/[\\%_]/g, '\\$&')}%`);
    return this.sequelize.literal(
      `("Batch".title ILIKE ${like} OR EXISTS (SELECT 1 FROM batch_events note WHERE note.batch_id = "Batch".id AND note.type = 'note' AND note.body->>'text' ILIKE ${like}))`,
    );
  }

  /** How many of its jars are still there. */
  private async jarsOf(id: string): Promise<number> {
    const [found] = await this.sequelize.query<{ count: number }>(
      'SELECT coalesce(sum(change), 0)::int AS count FROM shelf_moves JOIN shelf_lots lot ON lot.id = lot_id WHERE lot.batch_id = :id',
      { replacements: { id }, type: QueryTypes.SELECT },
    );
    return found?.count ?? 0;
  }

  private async find(id: string): Promise<Batch> {
    const batch = await this.batches.findOne({
      where: { id, householdId: await this.households.current(), removedAt: null },
    });
    if (!batch) throw notFound('batch');
    return batch;
  }
}

import { Injectable } from '@nestjs/common';
import { InjectConnection, InjectModel } from '@nestjs/sequelize';
import { QueryTypes } from 'sequelize';
import { Sequelize } from 'sequelize-typescript';
import { findJar, firstFruit, madeBatch, type Boil, type Kitchen } from '@idle-kettle/core';
import type { FormulaBody, LotKeeping, LotView, MoveJars, PutOnShelf } from '@idle-kettle/contract';
import { BatchService } from '../batches/batch.service.js';
import { EventLogService } from '../batches/event-log.service.js';
import { HouseholdService } from '../households/household.service.js';
import { notFound, ProblemException } from '../http/problem.filter.js';
import { KitchenService } from '../kitchens/kitchen.service.js';
import { ShelfLot, ShelfMove } from './shelf.models.js';

interface LotRow {
  id: string;
  batch_id: string;
  title: string;
  document: FormulaBody;
  size: string;
  part_fill: number | null;
  made_on: string;
  count: number;
}

const LOTS = `
  SELECT lot.id, lot.batch_id, batch.title, batch.document, lot.size, lot.part_fill, lot.made_on::text, coalesce(sum(move.change), 0)::int AS count
  FROM shelf_lots lot JOIN batches batch ON batch.id = lot.batch_id LEFT JOIN shelf_moves move ON move.lot_id = lot.id
  WHERE lot.household_id = :householdId`;

/** What of a batch's log its keeping depends on. */
const KEEPING_EVENTS = ['addition', 'processed'] as const;

/** A part jar seals badly and holds air: it is eaten first. */
const PART_JAR: LotKeeping = {
  verdict: 'fridge',
  reason: 'a part jar goes in the fridge and is eaten first',
  months: 1,
};

function keepingOf({ document, size, made_on: on }: LotRow, boil: Boil, kitchen: Kitchen): LotKeeping {
  const { verdict, reasons, storage } = madeBatch(document, boil, kitchen, { on, size }).keeping;
  return { verdict, reason: reasons[0]?.text ?? '', months: storage.months };
}

@Injectable()
export class ShelfService {
  constructor(
    @InjectConnection() private readonly sequelize: Sequelize,
    @InjectModel(ShelfLot) private readonly lots: typeof ShelfLot,
    @InjectModel(ShelfMove) private readonly moves: typeof ShelfMove,
    private readonly households: HouseholdService,
    private readonly batches: BatchService,
    private readonly log: EventLogService,
    private readonly kitchens: KitchenService,
  ) {}

  /** Every lot, the newest first; emptied ones too, so that taking the last jar can be undone. */
  async list(): Promise<LotView[]> {
    return this.views(
      ' GROUP BY lot.id, batch.id ORDER BY lot.made_on DESC, lot.created_at DESC, lot.id',
      {},
    );
  }

  async put(body: PutOnShelf): Promise<LotView> {
    if (!findJar(body.size))
      throw new ProblemException(400, `there is no jar "${body.size}"`, {
        errors: [{ path: 'size', message: `"${body.size}" is not a known jar size` }],
      });
    const householdId = await this.households.current();
    await this.batches.get(body.batchId);
    await this.sequelize.transaction(async (transaction) => {
      const { id, batchId, size, madeOn, count } = body;
      const [lot, isNew] = await this.lots.findOrCreate({
        where: { id },
        defaults: { id, householdId, batchId, size, partFill: body.partFill ?? null, madeOn },
        transaction,
      });
      if (!isNew && (lot.householdId !== householdId || lot.batchId !== batchId || lot.size !== size)) {
        throw new ProblemException(409, 'this id already stands for other jars');
      }
      if (isNew)
        await this.moves.create(
          { id, householdId, lotId: id, change: count, reason: 'put', happenedAt: new Date() },
          { transaction },
        );
    });
    return this.one(body.id);
  }

  /** Takes jars from a lot, or puts them back. There are never fewer than none. */
  async move(lotId: string, body: MoveJars): Promise<LotView> {
    const householdId = await this.households.current();
    await this.sequelize.transaction(async (transaction) => {
      const lot = await this.lots.findOne({
        where: { id: lotId, householdId },
        transaction,
        lock: transaction.LOCK.UPDATE,
      });
      if (!lot) throw notFound('lot');
      if (await this.moves.findOne({ where: { id: body.id }, transaction })) return;
      const left = Number(await this.moves.sum('change', { where: { lotId }, transaction }));
      if (left + body.change < 0) {
        throw new ProblemException(
          409,
          `only ${left} ${left === 1 ? 'jar is' : 'jars are'} left of this lot`,
          { errors: [{ path: 'change', message: `write at most ${left}` }] },
        );
      }
      await this.moves.create(
        {
          id: body.id,
          householdId,
          lotId,
          change: body.change,
          reason: body.reason,
          happenedAt: new Date(body.at),
        },
        { transaction },
      );
    });
    return this.one(lotId);
  }

  private async one(id: string): Promise<LotView> {
    const [lot] = await this.views(' AND lot.id = :id GROUP BY lot.id, batch.id', { id });
    if (!lot) throw notFound('lot');
    return lot;
  }

  private async views(tail: string, replacements: object): Promise<LotView[]> {
    const rows = await this.sequelize.query<LotRow>(LOTS + tail, {
      replacements: { householdId: await this.households.current(), ...replacements },
      type: QueryTypes.SELECT,
    });
    const boils = await this.log.boilsOf([...new Set(rows.map((row) => row.batch_id))], KEEPING_EVENTS);
    const kitchen = await this.kitchens.inUse();
    // Lots of one size from one batch keep alike.
    const known = new Map<string, LotKeeping>();
    const keeping = (row: LotRow): LotKeeping => {
      const boil = boils.get(row.batch_id);
      if (row.part_fill !== null || !boil) return PART_JAR;
      const key = `${row.batch_id} ${row.size}`;
      const found = known.get(key) ?? keepingOf(row, boil, kitchen);
      known.set(key, found);
      return found;
    };
    return rows.map((row) => ({
      id: row.id,
      batchId: row.batch_id,
      title: row.title,
      fruit: firstFruit(row.document) ?? null,
      size: row.size,
      partFill: row.part_fill,
      madeOn: row.made_on,
      keeping: keeping(row),
      count: row.count,
    }));
  }
}

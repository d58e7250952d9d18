import { createHash } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { InjectConnection, InjectModel } from '@nestjs/sequelize';
import { addMonths, formatISO, parseISO } from 'date-fns';
import { LRUCache } from 'lru-cache';
import { QueryTypes, type Transaction } from 'sequelize';
import { Sequelize } from 'sequelize-typescript';
import { canGo, findJar, firstFruit, jarsThatAre, keptAsMade, keptIn, lastDay, madeBatch, PART_JAR, sealsOf, withOpenLids, type Boil, type Kept, type KeptIn, type Kitchen } from '@idle-kettle/core'; // prettier-ignore
import type { FormulaBody, LotKeeping, LotSeals, LotView, MoveJars, MoveReason, MoveView, PutOnShelf, TransferJars } from '@idle-kettle/contract'; // prettier-ignore
import { BatchService } from '../batches/batch.service.js';
import { EventLogService } from '../batches/event-log.service.js';
import { Clock } from '../clock/clock.js';
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
  kept_in: KeptIn | null;
  place: string;
  kept_since: Date | null;
  came_from: string | null;
  count: number;
}

const LOTS = `
  SELECT lot.id, lot.batch_id, batch.title, batch.document, lot.size, lot.part_fill, lot.made_on::text, lot.kept_in, lot.place,
    lot.kept_since, lot.came_from, coalesce(sum(move.change), 0)::int AS count
  FROM shelf_lots lot JOIN batches batch ON batch.id = lot.batch_id LEFT JOIN shelf_moves move ON move.lot_id = lot.id
  WHERE lot.household_id = :householdId`;

/** What of a batch's log its keeping and its seals depend on. */
const KEEPING_EVENTS = ['light', 'addition', 'omission', 'weighed', 'brix', 'done', 'jarred', 'processed', 'seals', 'unsealed'] as const; // prettier-ignore

const MOVES_LISTED = 200;
const DAY_MS = 86_400_000;

/** A day so many months later, by the calendar. */
const addMonthsTo = (day: string, months: number): string =>
  formatISO(addMonths(parseISO(day), months), { representation: 'date' });

const NO_SEALS: LotSeals = { state: 'none', open: 0 };

/** The seals of the jars of one size that are where their batch would have them. */
function lotSeals({ part_fill, kept_in, size }: LotRow, boil: Boil | undefined, now: number): LotSeals {
  if (part_fill !== null || kept_in !== null || !boil) return NO_SEALS;
  const seals = sealsOf(boil, now);
  const open = jarsThatAre(seals, size, 'open').length;
  const waiting = jarsThatAre(seals, size, 'unknown', 'again').length;
  if (seals.phase === 'none') return NO_SEALS;
  return { open, state: waiting > 0 ? (now >= (seals.dueAt ?? 0) ? 'due' : 'unknown') : 'sealed' };
}

function lotKeeping(row: LotRow, made: Kept, seals: LotSeals): LotKeeping {
  const kept = withOpenLids(keptIn(made, row.kept_in), seals.open);
  const moved = row.kept_since ? formatISO(row.kept_since, { representation: 'date' }) : null;
  return { verdict: kept.verdict, reason: kept.reason, bestBefore: lastDay(kept, row.made_on, moved, addMonthsTo) }; // prettier-ignore
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
    private readonly clock: Clock,
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
    // A day to spare: the day is another one elsewhere.
    if (parseISO(body.madeOn).getTime() > this.clock.now().getTime() + DAY_MS)
      throw new ProblemException(400, 'jars are not made in the future', {
        errors: [
          { path: 'madeOn', message: `${body.madeOn} is still to come; write the day they were made` },
        ],
      });
    await this.sequelize.transaction(async (transaction) => {
      const { id, batchId, size, madeOn, count } = body;
      const [lot, isNew] = await this.lots.findOrCreate({
        where: { id },
        defaults: { id, householdId, batchId, size, partFill: body.partFill ?? null, madeOn, keptIn: body.keptIn ?? null, place: body.place ?? '', keptSince: body.keptIn ? this.clock.now() : null, cameFrom: null }, // prettier-ignore
        transaction,
      });
      if (!isNew && (lot.householdId !== householdId || lot.batchId !== batchId || lot.size !== size)) {
        throw new ProblemException(409, 'this id already stands for other jars');
      }
      if (isNew)
        await this.moves.create(
          {
            id,
            householdId,
            lotId: id,
            change: count,
            reason: 'put',
            whom: '',
            note: '',
            happenedAt: this.clock.now(),
          },
          { transaction },
        );
    });
    return this.one(body.id);
  }

  /** Takes jars from a lot, or puts them back. There are never fewer than none. */
  async move(lotId: string, body: MoveJars): Promise<LotView> {
    await this.sequelize.transaction(async (transaction) => {
      const { householdId, left } = await this.locked(lotId, transaction);
      if (await this.moves.findOne({ where: { id: body.id }, transaction })) return;
      if (left + body.change < 0) throw tooFew(left, 'change');
      const { id, change, reason, whom = '', note = '', at } = body;
      await this.moves.create(
        { id, householdId, lotId, change, reason, whom, note, happenedAt: new Date(at) },
        { transaction },
      );
    });
    return this.one(lotId);
  }

  /** Jars that are opened, chilled, frozen or put elsewhere become a lot of their own, or go back to the one they came from. */
  async transfer(lotId: string, body: TransferJars): Promise<LotView> {
    const before = await this.one(lotId);
    await this.sequelize.transaction(async (transaction) => {
      const { householdId, left, lot } = await this.locked(lotId, transaction);
      if (await this.moves.findOne({ where: { id: body.id }, transaction })) return;
      if (left < body.count) throw tooFew(left, 'count');
      const { batchId, size, partFill, madeOn } = lot;
      const happenedAt = new Date(body.at);
      const place = body.keptIn ?? null;
      // Going back to where they came from takes a slip back.
      if (body.to !== lot.cameFrom) refuseKinder(before, place, body.at);
      const [target] = await this.lots.findOrCreate({
        where: { id: body.to },
        defaults: { id: body.to, householdId, batchId, size, partFill, madeOn, keptIn: place, place: body.place, keptSince: place === lot.keptIn ? lot.keptSince : happenedAt, cameFrom: lotId },
        transaction,
      }); // prettier-ignore
      if (target.householdId !== householdId || target.batchId !== batchId || target.size !== size)
        throw new ProblemException(409, 'jars only go to a lot of the same batch and size');
      const both = { householdId, reason: 'moved', whom: '', note: '', happenedAt };
      await this.moves.create({ ...both, id: body.id, lotId, change: -body.count }, { transaction });
      await this.moves.create({ ...both, id: body.arrivalId, lotId: body.to, change: body.count }, { transaction }); // prettier-ignore
    });
    return this.one(body.to);
  }

  /** What came and went, the latest first. */
  async latestMoves(): Promise<MoveView[]> {
    const moves = await this.moves.findAll({
      where: { householdId: await this.households.current() },
      order: [
        ['happenedAt', 'DESC'],
        ['id', 'ASC'],
      ],
      limit: MOVES_LISTED,
    });
    return moves.map(({ id, lotId, change, reason, whom, note, happenedAt }) => ({ id, lotId, change, reason: reason as MoveReason, whom, note, at: happenedAt.toISOString() })); // prettier-ignore
  }

  /** A lot that nobody else changes meanwhile, and how many are left of it. */
  private async locked(id: string, transaction: Transaction): Promise<{ householdId: string; lot: ShelfLot; left: number }> {
    const householdId = await this.households.current();
    const lot = await this.lots.findOne({ where: { id, householdId }, transaction, lock: transaction.LOCK.NO_KEY_UPDATE });
    if (!lot) throw notFound('lot');
    const left = Number(await this.moves.sum('change', { where: { lotId: id }, transaction }));
    return { householdId, lot, left };
  } // prettier-ignore

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
    const now = this.clock.now().getTime();
    // Lots of one size from one batch keep alike, unless they were moved.
    const known = new Map<string, Kept>();
    const made = (row: LotRow, boil: Boil | undefined): Kept => {
      if (row.part_fill !== null || !boil) return PART_JAR;
      const key = `${row.batch_id} ${row.size}`;
      const found = known.get(key) ?? keepingOf(row, boil, kitchen);
      known.set(key, found);
      return found;
    };
    return rows.map((row) => {
      const boil = boils.get(row.batch_id);
      const seals = lotSeals(row, boil, now);
      return {
        id: row.id,
        batchId: row.batch_id,
        title: row.title,
        fruit: firstFruit(row.document) ?? null,
        size: row.size,
        partFill: row.part_fill,
        madeOn: row.made_on,
        keptIn: row.kept_in,
        place: row.place,
        keptSince: row.kept_since?.toISOString() ?? null,
        cameFrom: row.came_from,
        seals,
        keeping: lotKeeping(row, made(row, boil), seals),
        count: row.count,
      };
    });
  }
}

/** Working out how a batch keeps takes some milliseconds and the same batch is asked for again and again: the latest answers. */
const ANSWERS = new LRUCache<string, Kept>({ max: 10_000 });

/** A pure function of all that it is given, which is its key. */
function keepingOf({ document, size, made_on: on }: LotRow, boil: Boil, kitchen: Kitchen): Kept {
  const told = boil.log.map(({ event, undone }) => `${event.id}${undone ? '-' : ''}`);
  const key = createHash('sha1').update(JSON.stringify([document, size, on, kitchen, told])).digest('base64'); // prettier-ignore
  const known = ANSWERS.get(key);
  if (known) return known;
  const { verdict, reasons, storage } = madeBatch(document, boil, kitchen, { on, size }).keeping;
  const kept = keptAsMade(verdict, reasons[0]?.text ?? '', storage.months);
  ANSWERS.set(key, kept);
  return kept;
}

/** Another cupboard never makes jars keep better, nor does frost that comes too late. */
function refuseKinder({ keptIn: from, keeping }: LotView, to: KeptIn | null, at: string): void {
  const refuse = (detail: string, message: string): never => {
    throw new ProblemException(409, detail, { errors: [{ path: 'keptIn', message }] });
  };
  if (!canGo(from, to))
    refuse('what was opened, or put in the cold, does not go back on the shelf', `write ${from === 'opened' ? 'opened or freezer' : 'fridge, freezer or opened'}`); // prettier-ignore
  if (from !== to && to === 'freezer' && keeping.bestBefore !== null && at.slice(0, 10) > keeping.bestBefore)
    refuse(`their best was over on ${keeping.bestBefore}: freezing them now adds nothing`, 'leave them where they are, or throw them out'); // prettier-ignore
}

const tooFew = (left: number, path: string): ProblemException =>
  new ProblemException(409, `only ${left} ${left === 1 ? 'jar is' : 'jars are'} left of this lot`, {
    errors: [{ path, message: `write at most ${left}` }],
  });

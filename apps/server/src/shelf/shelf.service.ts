import { randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { InjectConnection, InjectModel } from '@nestjs/sequelize';
import { addDays } from 'date-fns/addDays';
import { formatISO } from 'date-fns/formatISO';
import { parseISO } from 'date-fns/parseISO';
import { QueryTypes, type Transaction } from 'sequelize';
import { Sequelize } from 'sequelize-typescript';
import { canGo, findJar, type KeptIn, DAY_MS, MINUTE_MS } from '@idle-kettle/core';
import type {
  ListLots,
  LotState,
  LotView,
  MoveJars,
  MoveView,
  PutOnShelf,
  TransferJars,
} from '@idle-kettle/contract';
import { BatchService } from '../batches/batch.service.js';
import { SummaryCacheService, STALE_BATCHES } from '../batches/summary-cache.service.js';
import { Clock } from '../clock/clock.js';
import { likeOf } from '../database/like.js';
import { HouseholdService } from '../households/household.service.js';
import { notFound, ProblemException } from '../http/problem.filter.js';
import { ShelfLot, ShelfMove } from './shelf.models.js';

/**
 * Lids that wait are due from some moment on; and how jars keep is never said kinder than it may
 * turn out to be.
 */
const LOT = `
  view || jsonb_build_object('count', jars, 'seals', jsonb_build_object('open', lids_open,
    'state', CASE WHEN lids <> 'waiting' THEN lids WHEN lids_due_at <= :now THEN 'due' ELSE 'unknown' END))
  || CASE WHEN batch_id IN (${STALE_BATCHES})
    THEN '{"keeping":{"verdict":"fridge","reason":"their storage is being worked out","bestBefore":null}}'::jsonb ELSE '{}' END AS lot`;
/** A lot that was put away by mistake, and taken off the list again, was never there. */
const WAS_PUT = `(jars > 0 OR (SELECT sum(change) FROM shelf_moves
  WHERE lot_id = lot_summaries.lot_id AND reason = 'put') IS DISTINCT FROM 0)`;
/** The same of a lot as it is stored; one without jars of its own came from another. */
const IS_PUT = `lot.jars IS NOT NULL AND (
  SELECT sum(change) FROM shelf_moves WHERE lot_id = lot.id AND reason = 'put') > 0`;
const ANY_LOT = `SELECT ${LOT} FROM lot_summaries WHERE household_id = :householdId AND view IS NOT NULL`;
const LOTS = `${ANY_LOT} AND ${WAS_PUT}`;
/** Lots whose verdict became stricter since they were put away, with whom jars were given to. */
const STRICTER = `
  SELECT coalesce(json_agg(json_build_object('was', was, 'lot', lot, 'given', given) ORDER BY lot ->> 'madeOn' DESC), '[]')
  FROM (SELECT verdict_was AS was, ${LOT}, (
      SELECT coalesce(json_agg(json_build_object('whom', whom, 'count', -change, 'at', happened_at) ORDER BY happened_at), '[]')
      FROM shelf_moves WHERE lot_id = lot_summaries.lot_id AND reason = 'given' AND change < 0) AS given
    FROM lot_summaries WHERE household_id = :householdId AND verdict_was IS NOT NULL AND view IS NOT NULL) AS told
  WHERE (lot ->> 'count')::int > 0 OR json_array_length(given) > 0`;
const asList = (select: string): string =>
  `SELECT coalesce(json_agg(lot), '[]') FROM (${select}) AS listed`;

const STATES: Readonly<Record<LotState, string>> = {
  all: '',
  shelf: " AND verdict = 'shelf'",
  cold: " AND verdict IN ('fridge', 'freezer') AND view ->> 'keptIn' IS DISTINCT FROM 'opened'",
  opened: ' AND begun',
};
const AFTER = `
  AND (made_on, created_at, lot_id) < (SELECT made_on, created_at, lot_id FROM lot_summaries WHERE lot_id = :after)`;
const NEWEST = ' ORDER BY made_on DESC, created_at DESC, lot_id DESC LIMIT :limit';

const FIRST = `${LOTS} AND jars > 0 AND verdict <> 'stop' AND (verdict = 'fridge' OR best_before <= :soon)
  ORDER BY best_before, begun DESC, lot_id LIMIT :limit`;
const OVERVIEW = `
  SELECT json_build_object('jars', coalesce(sum(jars), 0), 'cold', coalesce(sum(cold), 0),
    'places', coalesce(json_agg(place ORDER BY place) FILTER (WHERE place <> ''), '[]'), 'eatFirst', (${asList(FIRST)}),
    'stricter', (${STRICTER}),
    'hadJars', EXISTS (SELECT 1 FROM lot_summaries WHERE household_id = :householdId), 'pending', (SELECT count(*) FROM (${STALE_BATCHES}) AS waiting))
  FROM (SELECT place, sum(jars) AS jars, sum(jars) FILTER (WHERE verdict IS DISTINCT FROM 'shelf') AS cold
    FROM lot_summaries WHERE household_id = :householdId AND jars > 0 GROUP BY place) AS here`;

const MOVES = `
  SELECT move.id, move.lot_id AS "lotId", batch.title, move.change, move.reason, move.whom, move.note, move.happened_at AS at
  FROM shelf_moves move JOIN shelf_lots lot ON lot.id = move.lot_id JOIN batches batch ON batch.id = lot.batch_id
  WHERE move.household_id = :householdId AND (:lotId::uuid IS NULL OR move.lot_id = :lotId) ORDER BY move.happened_at DESC, move.id LIMIT :limit`;

/** Lots in one answer unless asked otherwise; the rest comes page by page. */
const LISTED = 200;
const FIRST_LISTED = 30;
/** A shelf jar is eaten first from so many days before its best is over. Common practice. */
const SOON_DAYS = 60;
const MOVES_LISTED = 200;
/** What is taken back within so long was a slip, ms. A choice of ours. */
const SLIP_MS = 10 * MINUTE_MS;

@Injectable()
export class ShelfService {
  constructor(
    @InjectConnection() private readonly sequelize: Sequelize,
    @InjectModel(ShelfLot) private readonly lots: typeof ShelfLot,
    @InjectModel(ShelfMove) private readonly moves: typeof ShelfMove,
    private readonly households: HouseholdService,
    private readonly batches: BatchService,
    private readonly summaries: SummaryCacheService,
    private readonly clock: Clock,
  ) {}

  /**
   * Lots, the newest first; emptied ones too unless only those with jars left are asked for, so
   * that taking the last jar can be undone.
   *
   * @returns {@link LotView}s as JSON text
   */
  async list({
    batch,
    search = '',
    state = 'all',
    place,
    left,
    after,
    limit = LISTED,
  }: ListLots = {}): Promise<string> {
    const words = search.trim().toLowerCase();
    const select = [
      LOTS,
      batch === undefined ? '' : ' AND batch_id = :batch',
      left === 'yes' ? ' AND jars > 0' : '',
      STATES[state],
      place === undefined ? '' : ' AND place = :place',
      words === '' ? '' : ' AND search_text LIKE :like',
      after === undefined ? '' : AFTER,
      NEWEST,
    ];
    return this.summaries.list(asList(select.join('')), {
      batch,
      place,
      after,
      limit,
      like: likeOf(words),
      now: this.clock.now(),
    });
  }

  /** Every lot with jars left, page by page. */
  async *everyLot(): AsyncGenerator<LotView> {
    for (let after: string | undefined; ;) {
      const page = JSON.parse(
        await this.list({ left: 'yes', ...(after !== undefined && { after }) }),
      ) as LotView[];
      yield* page;
      after = page.at(-1)?.id;
      if (page.length < LISTED) return;
    }
  }

  /**
   * What is there in all, and what to eat first.
   *
   * @param today the day it is where the person stands, as 2026-11-25
   * @returns a {@link ShelfOverview} as JSON text
   */
  async overview(today: string): Promise<string> {
    const soon = formatISO(addDays(parseISO(today), SOON_DAYS), { representation: 'date' });
    return this.summaries.list(OVERVIEW, { soon, limit: FIRST_LISTED, now: this.clock.now() });
  }

  /** @param at when they were put there; now unless said */
  async put(body: PutOnShelf, at = this.clock.now()): Promise<LotView> {
    if (!findJar(body.size))
      throw new ProblemException('not-understood', `there is no jar "${body.size}"`, {
        errors: [{ path: 'size', message: `"${body.size}" is not a known jar size` }],
      });
    const householdId = await this.households.current();
    // A day to spare: the day is another one elsewhere.
    if (parseISO(body.madeOn).getTime() > this.clock.now().getTime() + DAY_MS)
      throw new ProblemException('not-understood', 'jars are not made in the future', {
        errors: [
          {
            path: 'madeOn',
            message: `${body.madeOn} is still to come; write the day they were made`,
          },
        ],
      });
    await this.sequelize.transaction(async (transaction) => {
      const { id, batchId, size, madeOn, count } = body;
      await this.batches.hold(batchId, transaction);
      const named = body.jars ?? [];
      const jars =
        named.length > 0 ? await this.notPutAway(batchId, named, transaction) : undefined;
      if (jars?.length === 0) return;
      const [lot, isNew] = await this.lots.findOrCreate({
        where: { id },
        defaults: {
          id,
          householdId,
          batchId,
          size,
          partFill: body.partFill ?? null,
          jars: jars ?? null,
          madeOn,
          keptIn: body.keptIn ?? null,
          place: body.place ?? '',
          keptSince: body.keptIn ? at : null,
          cameFrom: null,
        },
        transaction,
      });
      const isSame =
        lot.householdId === householdId &&
        lot.batchId === batchId &&
        lot.size === size &&
        lot.madeOn === madeOn &&
        lot.partFill === (body.partFill ?? null);
      if (!isNew && !isSame)
        throw new ProblemException('id-taken', 'this id already stands for other jars');
      // What was taken off the list again may be put there again, by the same device or another.
      const isThere = !isNew && !(await this.wasTakenOff(id, transaction));
      const change = jars?.length ?? count;
      // Jars without names of their own are known by how many they are.
      if (isThere && jars === undefined)
        await this.isDone({ id, lotId: id, change, reason: 'put' }, transaction);
      if (!isThere)
        await this.moves.create(
          {
            id: isNew ? id : randomUUID(),
            householdId,
            lotId: id,
            change,
            reason: 'put',
            whom: '',
            note: '',
            happenedAt: at,
          },
          { transaction },
        );
    });
    return this.one(await this.lotWith(body));
  }

  /** Those of some jars of a batch that no device has put away yet. */
  private async notPutAway(
    batchId: string,
    jars: readonly string[],
    transaction: Transaction,
  ): Promise<string[]> {
    // Two devices that put the same jars away at the same moment take turns.
    await this.sequelize.query('SELECT pg_advisory_xact_lock(hashtextextended(:batchId, 0))', {
      replacements: { batchId },
      transaction,
    });
    const put = await this.sequelize.query<{ jar: string }>(
      `SELECT jar FROM shelf_lots lot, jsonb_array_elements_text(lot.jars) AS jar
        WHERE ${IS_PUT} AND lot.batch_id = :batchId`,
      { replacements: { batchId }, type: QueryTypes.SELECT, transaction },
    );
    const known = new Set(put.map(({ jar }) => jar));
    return jars.filter((jar) => !known.has(jar));
  }

  private async wasTakenOff(lotId: string, transaction: Transaction): Promise<boolean> {
    const put = await this.moves.sum('change', { where: { lotId, reason: 'put' }, transaction });
    return Number(put) <= 0;
  }

  /** The lot jars are in: their own, or the one another device has put them into. */
  private async lotWith({ id, batchId, jars: [jar] = [] }: PutOnShelf): Promise<string> {
    const [found] = await this.sequelize.query<{ id: string }>(
      `SELECT id FROM shelf_lots lot
        WHERE lot.id = :id OR (${IS_PUT} AND lot.batch_id = :batchId AND lot.jars ? :jar)
        ORDER BY lot.id = :id DESC LIMIT 1`,
      { replacements: { id, batchId, jar: jar ?? '' }, type: QueryTypes.SELECT },
    );
    return found?.id ?? id;
  }

  /** Takes jars from a lot, or puts them back. There are never fewer than none. */
  async move(lotId: string, body: MoveJars): Promise<LotView> {
    await this.sequelize.transaction(async (transaction) => {
      const { householdId, left } = await this.locked(lotId, transaction);
      const { change: by, reason: why } = body;
      if (await this.isDone({ id: body.id, lotId, change: by, reason: why }, transaction)) return;
      if (body.seen !== undefined && body.seen !== left) throw notAsSeen(left, body.seen);
      if (left + body.change < 0) throw tooFew(left, 'change');
      const { id, change, reason, whom = '', note = '', at } = body;
      await this.moves.create(
        { id, householdId, lotId, change, reason, whom, note, happenedAt: new Date(at) },
        { transaction },
      );
    });
    return this.one(lotId);
  }

  /**
   * Jars that are opened, chilled, frozen or put elsewhere become a lot of their own, or go back to
   * the one they came from.
   */
  async transfer(lotId: string, body: TransferJars): Promise<LotView> {
    const before = await this.one(lotId);
    await this.sequelize.transaction(async (transaction) => {
      // Always in the same order, so that two hands that move jars to and fro do not wait for each
      // other.
      await this.lots.findAll({
        where: { id: [lotId, body.to] },
        order: ['id'],
        transaction,
        lock: transaction.LOCK.NO_KEY_UPDATE,
      });
      const { householdId, left, lot } = await this.locked(lotId, transaction);
      const { id, arrivalId, to, count } = body;
      const isGone = { id, lotId, change: -count, reason: 'moved' };
      const isArrived = { id: arrivalId, lotId: to, change: count, reason: 'moved' };
      const isDone = await this.isDone(isGone, transaction);
      if ((await this.isDone(isArrived, transaction)) !== isDone) throw idTaken();
      if (isDone) return;
      if (left < count) throw tooFew(left, 'count');
      const { batchId, size, partFill, madeOn } = lot;
      const happenedAt = new Date(body.at);
      const place = body.keptIn ?? null;
      // Going back at once to where they came from takes a slip back.
      const isSlip =
        body.to === lot.cameFrom &&
        (lot.keptSince === null || happenedAt.getTime() - lot.keptSince.getTime() <= SLIP_MS);
      if (!isSlip) refuseKinder(before, place, body.at);
      const [target] = await this.lots.findOrCreate({
        where: { id: body.to },
        defaults: {
          id: body.to,
          householdId,
          batchId,
          size,
          partFill,
          madeOn,
          keptIn: place,
          place: body.place,
          keptSince: place === lot.keptIn ? lot.keptSince : happenedAt,
          cameFrom: lotId,
        },
        transaction,
      });
      if (target.householdId !== householdId || target.batchId !== batchId || target.size !== size)
        throw new ProblemException('not-now', 'jars only go to a lot of the same batch and size');
      if (target.keptIn !== place || target.partFill !== partFill)
        throw new ProblemException(
          'not-now',
          'jars stored in another way, and part jars, stay a lot of their own',
        );
      const both = { householdId, whom: '', note: '', happenedAt };
      await this.moves.create({ ...isGone, ...both }, { transaction });
      await this.moves.create({ ...isArrived, ...both }, { transaction });
    });
    return this.one(body.to);
  }

  /**
   * Whether a move was stored already.
   *
   * @throws ProblemException 409 where its id stands for another
   */
  private async isDone(
    move: Pick<ShelfMove, 'id' | 'lotId' | 'change' | 'reason'>,
    transaction: Transaction,
  ): Promise<boolean> {
    const found = await this.moves.findOne({ where: { id: move.id }, transaction });
    if (!found) return false;
    const isSame =
      found.householdId === (await this.households.current()) &&
      found.lotId === move.lotId &&
      found.change === move.change &&
      found.reason === move.reason;
    if (!isSame) throw idTaken();
    return true;
  }

  /** Somebody has seen that the verdict of a lot became stricter. */
  async seen(lotId: string): Promise<void> {
    await this.sequelize.query(
      'UPDATE lot_summaries SET verdict_was = NULL WHERE lot_id = :lotId AND household_id = :householdId',
      { replacements: { lotId, householdId: await this.households.current() } },
    );
  }

  /** Moves of jars, the latest first. @param lotId of one lot; of all where it does not say */
  async latestMoves(lotId: string | null = null): Promise<MoveView[]> {
    const moves = await this.sequelize.query<Omit<MoveView, 'at'> & { at: Date }>(MOVES, {
      replacements: { householdId: await this.households.current(), lotId, limit: MOVES_LISTED },
      type: QueryTypes.SELECT,
    });
    return moves.map((move) => ({ ...move, at: move.at.toISOString() }));
  }

  /** A lot that nobody else changes meanwhile, and how many are left of it. */
  private async locked(
    id: string,
    transaction: Transaction,
  ): Promise<{ householdId: string; lot: ShelfLot; left: number }> {
    const householdId = await this.households.current();
    const lot = await this.lots.findOne({
      where: { id, householdId },
      transaction,
      lock: transaction.LOCK.NO_KEY_UPDATE,
    });
    if (!lot) throw notFound('lot');
    const left = Number(await this.moves.sum('change', { where: { lotId: id }, transaction }));
    return { householdId, lot, left };
  }

  private async one(id: string): Promise<LotView> {
    const one = await this.summaries.list(asList(`${ANY_LOT} AND lot_id = :id`), {
      id,
      now: this.clock.now(),
    });
    const [lot] = JSON.parse(one) as LotView[];
    if (!lot) throw notFound('lot');
    return lot;
  }
}

/** Another cupboard never makes jars keep better, nor does frost that comes too late. */
function refuseKinder({ keptIn: from, keeping }: LotView, to: KeptIn | null, at: string): void {
  const refuse = (detail: string, message: string): never => {
    throw new ProblemException('not-now', detail, { errors: [{ path: 'keptIn', message }] });
  };
  if (!canGo(from, to))
    refuse(
      'what was opened, or put in the cold, does not go back on the shelf',
      `write ${from === 'opened' ? 'opened or freezer' : 'fridge, freezer or opened'}`,
    );
  if (
    from !== to &&
    to === 'freezer' &&
    keeping.bestBefore !== null &&
    at.slice(0, 10) > keeping.bestBefore
  )
    refuse(
      `their best was over on ${keeping.bestBefore}: freezing them now adds nothing`,
      'leave them where they are, or throw them away',
    );
}

const notAsSeen = (left: number, seen: number): ProblemException =>
  new ProblemException(
    'not-now',
    `there were ${seen} of these when they were counted, and another device has changed that to ${left}; count again`,
  );

const idTaken = (): ProblemException =>
  new ProblemException('id-taken', 'this id already stands for another move of jars');

const tooFew = (left: number, path: string): ProblemException =>
  new ProblemException(
    'not-now',
    `only ${left} ${left === 1 ? 'jar is' : 'jars are'} left of this lot`,
    {
      errors: [{ path, message: `write at most ${left}` }],
    },
  );

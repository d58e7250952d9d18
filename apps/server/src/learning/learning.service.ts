import { Injectable } from '@nestjs/common';
import { InjectConnection } from '@nestjs/sequelize';
import { QueryTypes } from 'sequelize';
import { Sequelize } from 'sequelize-typescript';
import {
  MINUTE_MS,
  believedOffset,
  errorsOf,
  learnFrom,
  type BoilEvidence,
  type Hindsight,
  type Kitchen,
} from '@idle-kettle/core';
import type { EventPage, FormulaBody, LessonsView } from '@idle-kettle/contract';
import { Clock } from '../clock/clock.js';
import { BoilReader } from './boil-reader.js';
import { EventLogService } from '../batches/event-log.service.js';
import { HouseholdService } from '../households/household.service.js';
import { KitchenService } from '../kitchens/kitchen.service.js';

/**
 * A boil takes some hundredths of a second to look at: so many in one answer, the rest in the next.
 */
const AT_ONCE = 12;
/** Older boils are of another pan or another hand; the latest so many count. A guess. */
const LATEST = 60;

interface StaleRow {
  batch_id: string;
  version: string;
  tries: number;
  document: FormulaBody;
}

/** A boil that took too long is tried again after so long, and after twice that each time more. */
const RETRY_AFTER_MS = 5 * MINUTE_MS;
const MOST_WAIT = 64;

/** Boils nobody has looked at as they are now; those tried in vain wait for their time. */
const IS_STALE = `lesson.household_id = :householdId AND lesson.version <> lesson.computed_version
  AND (lesson.retry_at IS NULL OR lesson.retry_at <= :now)`;

interface KnownRow {
  batch_id: string;
  title: string;
  ended_at: Date;
  evidence: BoilEvidence;
  hindsight: Hindsight | null;
}

const STALE = `
  SELECT lesson.batch_id, lesson.version, lesson.tries, batch.document FROM boil_lessons lesson JOIN batches batch ON batch.id = lesson.batch_id
  WHERE ${IS_STALE}
  ORDER BY (SELECT max(happened_at) FROM batch_events WHERE batch_id = lesson.batch_id AND type = 'done'), lesson.batch_id
  LIMIT :atOnce`;

// A boil that was looked at before belongs to the kitchen it was made in.
const KEEP = `
  UPDATE boil_lessons SET computed_version = :version, evidence = :evidence, hindsight = :hindsight, ended_at = :endedAt,
    kitchen_id = coalesce(kitchen_id, :kitchenId), tries = 0, retry_at = NULL
  WHERE batch_id = :batchId AND household_id = :householdId`;
const TRY_LATER = `
  UPDATE boil_lessons SET tries = tries + 1, retry_at = :retryAt
  WHERE batch_id = :batchId AND household_id = :householdId`;

const KNOWN = `
  SELECT lesson.batch_id, batch.title, lesson.ended_at, lesson.evidence, lesson.hindsight
  FROM boil_lessons lesson JOIN batches batch ON batch.id = lesson.batch_id
  WHERE lesson.kitchen_id = :kitchenId AND lesson.evidence IS NOT NULL AND lesson.ended_at > :since
  ORDER BY lesson.ended_at DESC LIMIT :latest`;

/** Looks at every boil once it is done, keeps what it says, and adds it up. */
@Injectable()
export class LearningService {
  constructor(
    @InjectConnection() private readonly sequelize: Sequelize,
    private readonly households: HouseholdService,
    private readonly kitchens: KitchenService,
    private readonly log: EventLogService,
    private readonly reader: BoilReader,
    private readonly clock: Clock,
  ) {}

  /**
   * What the boils of the kitchen in use have taught; boils nobody has looked at yet are looked at
   * first, some at a time.
   */
  async lessons(): Promise<LessonsView> {
    const householdId = await this.households.current();
    const { id: kitchenId, gear } = await this.kitchens.settingsInUse();
    const kitchen = await this.kitchens.inUse();
    const since = gear.learning?.since ?? new Date(0).toISOString();
    const stale = await this.sequelize.query<StaleRow>(STALE, {
      replacements: { householdId, atOnce: AT_ONCE, now: this.clock.now() },
      type: QueryTypes.SELECT,
    });
    for (const row of stale) await this.lookAt(row, householdId, kitchenId, kitchen, since);
    const [waiting] = await this.sequelize.query<{ count: number }>(
      `SELECT count(*)::int AS count FROM boil_lessons lesson WHERE ${IS_STALE}`,
      { replacements: { householdId, now: this.clock.now() }, type: QueryTypes.SELECT },
    );
    const known = await this.known(kitchenId, since);
    const lessons = learnFrom(
      known.map(({ evidence }) => evidence),
      kitchen,
    );
    const offset_K = believedOffset(kitchen, lessons.offset_K).mid;
    return {
      kitchenId,
      lessons,
      boils: known.map(({ batch_id, title, ended_at, evidence }) => ({
        batchId: batch_id,
        title,
        endedAt: ended_at.toISOString(),
        offset_K: evidence.offset_K?.mid ?? null,
        heat_W: evidence.logHeat_W ? Math.exp(evidence.logHeat_W.mid) : null,
        yieldShare: evidence.yield
          ? Math.exp(evidence.yield.logShare - evidence.yield.perK * offset_K)
          : null,
        rise_K: evidence.rise_K?.mid ?? null,
        losses: (evidence.losses ?? []).map(({ logLoss, ...place }) => ({
          ...place,
          loss_kgPerH: Math.exp(logLoss.mid),
        })),
      })),
      errors: errorsOf(known.flatMap(({ hindsight }) => hindsight ?? [])),
      pending: waiting?.count ?? 0,
    };
  }

  private known(kitchenId: string, since: string): Promise<KnownRow[]> {
    return this.sequelize.query<KnownRow>(KNOWN, {
      replacements: { kitchenId, since, latest: LATEST },
      type: QueryTypes.SELECT,
    });
  }

  /**
   * What a boil says, and what would have been foretold of it with and without the boils before it.
   */
  private async lookAt(
    { batch_id: batchId, version, tries, document }: StaleRow,
    householdId: string,
    kitchenId: string,
    kitchen: Kitchen,
    since: string,
  ): Promise<void> {
    const { events } = JSON.parse(await this.log.page(batchId, undefined)) as EventPage;
    const known = (await this.known(kitchenId, since)).flatMap((row) =>
      row.batch_id === batchId ? [] : [row.evidence],
    );
    const found = await this.reader.lookAt({ document, events, kitchen, known }, tries);
    if (!found) {
      const wait_ms = RETRY_AFTER_MS * Math.min(2 ** tries, MOST_WAIT);
      const retryAt = new Date(this.clock.now().getTime() + wait_ms);
      await this.sequelize.query(TRY_LATER, {
        replacements: { batchId, householdId, retryAt },
        type: QueryTypes.UPDATE,
      });
      return;
    }
    const { evidence, hindsight } = found;
    await this.sequelize.query(KEEP, {
      replacements: {
        batchId,
        householdId,
        kitchenId,
        version,
        evidence: evidence ? JSON.stringify(evidence) : null,
        hindsight: hindsight && JSON.stringify(hindsight),
        endedAt: evidence ? new Date(evidence.at) : null,
      },
      type: QueryTypes.UPDATE,
    });
  }
}

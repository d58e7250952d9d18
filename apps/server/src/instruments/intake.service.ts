import { Injectable, type OnModuleDestroy, type OnModuleInit } from '@nestjs/common';
import { InjectConnection } from '@nestjs/sequelize';
import { QueryTypes } from 'sequelize';
import { Sequelize } from 'sequelize-typescript';
import type { Subscription } from 'rxjs';
import { v5 as nameUuid } from 'uuid';
import type { InstrumentReading, IntakeResult } from '@idle-kettle/contract';
import { valueEvents, type ValueEvent } from '@idle-kettle/core';
import { Clock } from '../clock/clock.js';
import { ProblemException } from '../http/problem.filter.js';
import { LiveService } from '../live/live.service.js';
import { mostInASecond, RateLimit } from './rate-limit.js';
import { hashOf } from './instrument.service.js';

/** Messages, and values of one and the same second, one instrument may send. */
export const MOST_A_SECOND = 50;
/** Values of many instruments are stored together: waiting this long costs nobody anything, ms. */
const GATHER_MS = 15;
const TOGETHER = 2000;

interface Row {
  readonly id: string;
  readonly householdId: string;
  readonly batchId: string;
  readonly type: ValueEvent['type'];
  readonly at: string;
  readonly device: string;
  readonly body: string;
}
interface Known {
  readonly id: string;
  readonly name: string;
  readonly householdId: string;
  /** Where it stood from when on, oldest first. */
  readonly places: readonly { readonly batchId: string | null; readonly fromAt: Date }[];
}
const standsInNoPot = (): ProblemException =>
  new ProblemException(
    'not-now',
    'the batch it stood in was deleted; put it into another at the Boil station',
  );

interface Waiting {
  readonly rows: readonly Row[];
  readonly stored: () => void;
  readonly failed: (error: unknown) => void;
}

const LOOK_UP = `
  SELECT instrument.token_hash, instrument.id, instrument.name, instrument.household_id, place.batch_id, place.from_at
  FROM instruments instrument LEFT JOIN instrument_places place ON place.instrument_id = instrument.id
  WHERE instrument.token_hash = ANY ($1) ORDER BY place.from_at`;
/** Stores values, and says which of their batches were deleted: theirs are not stored. */
const STORE = `
  WITH removed AS (
    SELECT id FROM batches WHERE id = ANY($3::uuid[]) AND removed_at IS NOT NULL
  ), stored AS (
    INSERT INTO batch_events (id, household_id, batch_id, type, happened_at, device, body)
    SELECT * FROM unnest($1::uuid[], $2::uuid[], $3::uuid[], $4::text[], $5::timestamptz[], $6::text[], $7::jsonb[])
      AS value (id, household_id, batch_id, type, happened_at, device, body)
    WHERE value.batch_id NOT IN (SELECT id FROM removed)
    ON CONFLICT (id) DO NOTHING
  )
  SELECT id FROM removed`;

/**
 * Takes what instruments send into the logs of the pots they stand in. A value's id follows from
 * its instrument, its moment and its kind, so the same one sent twice is one; nothing is
 * acknowledged before it is stored.
 */
@Injectable()
export class IntakeService implements OnModuleInit, OnModuleDestroy {
  private asked: Promise<Map<string, Known>> | undefined;
  private readonly askedFor = new Set<string>();
  private readonly known = new Map<string, Promise<Known | undefined>>();
  private readonly rateLimit = new RateLimit(MOST_A_SECOND);
  private waiting: Waiting[] = [];
  private timer: ReturnType<typeof setTimeout> | undefined;
  private news: Subscription | undefined;

  constructor(
    @InjectConnection() private readonly sequelize: Sequelize,
    private readonly live: LiveService,
    private readonly clock: Clock,
  ) {}

  onModuleInit(): void {
    // Another server may have moved an instrument or given it a new token.
    this.news = this.live.notices.subscribe(({ of }) => {
      if (of === 'instruments' || of === 'instrument_places' || of === 'everything')
        this.known.clear();
    });
  }

  onModuleDestroy(): void {
    this.news?.unsubscribe();
    clearTimeout(this.timer);
  }

  /**
   * @throws ProblemException 401 for a token nobody has, 409 for an instrument in no pot, 429 for a
   * flood
   */
  async take(
    token: string | undefined,
    values: readonly InstrumentReading[],
  ): Promise<IntakeResult> {
    const known = token === undefined ? undefined : await this.of(token);
    if (!known)
      throw new ProblemException(
        'unknown-sender',
        'no instrument has this token; send "Authorization: Bearer" with the token shown when it was added, or give it a new one at Kitchen',
      );
    const { places } = known;
    if (
      this.rateLimit.isExceeded(known.id, performance.now()) ||
      mostInASecond(values.map(({ at }) => at)) > MOST_A_SECOND
    )
      throw new ProblemException(
        'too-many',
        `more than ${MOST_A_SECOND} a second from “${known.name}”; nothing of this message was stored, everything before it was: send it again, slower`,
      );
    const heardAt = this.clock.now().toISOString();
    const rows = values.flatMap(({ at: time, ...value }): Row[] => {
      const at = new Date(time);
      // It stands where it was put last before; what is older than its first place is of that one.
      const batchId = (places.findLast(({ fromAt }) => fromAt <= at) ?? places[0])?.batchId;
      if (!batchId)
        throw new ProblemException(
          'not-now',
          `“${known.name}” stands in no pan; put it into one at the Boil station of the batch`,
        );
      return valueEvents(value).map(({ type, body }) => ({
        id: nameUuid(`${type} ${at.toISOString()}`, known.id),
        householdId: known.householdId,
        batchId,
        type,
        at: at.toISOString(),
        device: known.name,
        body: JSON.stringify({ ...body, instrument: known.id, heardAt }),
      }));
    });
    await new Promise<void>((stored, failed) => {
      this.waiting.push({ rows, stored, failed });
      this.timer ??= setTimeout(() => void this.store(), GATHER_MS);
    });
    return { kept: rows.length };
  }

  private async store(): Promise<void> {
    this.timer = undefined;
    const together: Waiting[] = [];
    for (let rows = 0; this.waiting.length > 0 && rows < TOGETHER;) {
      const next = this.waiting.shift();
      if (!next) break;
      rows += next.rows.length;
      together.push(next);
    }
    if (this.waiting.length > 0) this.timer = setTimeout(() => void this.store(), 0);
    try {
      const removed = await this.insert(together.flatMap(({ rows }) => rows));
      for (const { rows, stored, failed } of together)
        if (rows.some(({ batchId }) => removed.has(batchId))) failed(standsInNoPot());
        else stored();
    } catch (error) {
      if (together.length === 1) {
        together[0]?.failed(error);
        return;
      }
      // One that cannot be stored must not cost the others theirs.
      for (const { rows, stored, failed } of together)
        await this.insert(rows).then(
          (removed) => (removed.size > 0 ? failed(standsInNoPot()) : stored()),
          failed,
        );
    }
  }

  /** @returns batches that were deleted: what was to be stored of them was not */
  private async insert(rows: readonly Row[]): Promise<ReadonlySet<string>> {
    const column = (key: keyof Row): string[] => rows.map((row) => row[key]);
    const removed = await this.sequelize.query<{ id: string }>(STORE, {
      bind: [
        column('id'),
        column('householdId'),
        column('batchId'),
        column('type'),
        column('at'),
        column('device'),
        column('body'),
      ],
      type: QueryTypes.SELECT,
    });
    return new Set(removed.map(({ id }) => id));
  }

  /** The instrument of a token, looked up once and kept until somebody changes one. */
  private of(token: string): Promise<Known | undefined> {
    const kept = this.known.get(token);
    if (kept) return kept;
    const asked = this.lookUp(hashOf(token));
    this.known.set(token, asked);
    // What is not there may come to be; what failed is asked again.
    const forget = (): void => {
      if (this.known.get(token) === asked) this.known.delete(token);
    };
    asked.then((found) => {
      if (!found) forget();
    }, forget);
    return asked;
  }

  /**
   * Those asked for at the same moment are looked up together: after a restart every probe is new.
   */
  private lookUp(tokenHash: string): Promise<Known | undefined> {
    this.asked ??= new Promise((resolve) => setTimeout(resolve, GATHER_MS)).then(() => {
      const hashes = [...this.askedFor];
      this.askedFor.clear();
      this.asked = undefined;
      return this.lookUpAll(hashes);
    });
    this.askedFor.add(tokenHash);
    return this.asked.then((found) => found.get(tokenHash));
  }

  private async lookUpAll(hashes: readonly string[]): Promise<Map<string, Known>> {
    const rows = await this.sequelize.query<{
      token_hash: string;
      id: string;
      name: string;
      household_id: string;
      batch_id: string | null;
      from_at: Date | null;
    }>(LOOK_UP, { bind: [hashes], type: QueryTypes.SELECT });
    const found = new Map<string, Known & { places: Known['places'][number][] }>();
    for (const {
      token_hash,
      id,
      name,
      household_id: householdId,
      batch_id: batchId,
      from_at: fromAt,
    } of rows) {
      const known = found.get(token_hash) ?? { id, name, householdId, places: [] };
      if (fromAt) known.places.push({ batchId, fromAt });
      found.set(token_hash, known);
    }
    return found;
  }
}

import { Injectable } from '@nestjs/common';
import { InjectConnection } from '@nestjs/sequelize';
import { QueryTypes } from 'sequelize';
import { Sequelize } from 'sequelize-typescript';
import { firstFruit, DAY_MS } from '@idle-kettle/core';
import type { FormulaBody, YearUseView } from '@idle-kettle/contract';
import { Clock } from '../clock/clock.js';
import { HouseholdService } from '../households/household.service.js';

interface BatchRow {
  id: string;
  title: string;
  document: FormulaBody;
  put: number;
  used: number;
  left: number;
  since: Date;
}

const YEAR_DAYS = 365;

/**
 * By batch, the newest first: jars put up, used within the last year, and left. Jars that only
 * change place count once.
 */
const BATCHES = `
  SELECT batch.id, batch.title, batch.document,
    coalesce(sum(move.change) FILTER (WHERE move.reason = 'put'), 0)::int AS put,
    coalesce(-sum(move.change) FILTER (WHERE move.reason IN ('eaten', 'given') AND move.happened_at > :from), 0)::int AS used,
    coalesce(sum(move.change), 0)::int AS left,
    min(lot.made_on)::timestamptz AS since
  FROM batches batch JOIN shelf_lots lot ON lot.batch_id = batch.id JOIN shelf_moves move ON move.lot_id = lot.id
  WHERE batch.household_id = :householdId
  GROUP BY batch.id ORDER BY max(lot.made_on) DESC, batch.id`;

/** What the household gets through in a year. */
@Injectable()
export class YearService {
  constructor(
    @InjectConnection() private readonly sequelize: Sequelize,
    private readonly households: HouseholdService,
    private readonly clock: Clock,
  ) {}

  /** Batches of one kind and fruit together, under the name and the formula of the latest. */
  async uses(): Promise<YearUseView[]> {
    const now = this.clock.now().getTime();
    const rows = await this.sequelize.query<BatchRow>(BATCHES, {
      replacements: {
        householdId: await this.households.current(),
        from: new Date(now - YEAR_DAYS * DAY_MS),
      },
      type: QueryTypes.SELECT,
    });
    const uses = new Map<string, YearUseView>();
    for (const { id, title, document, put, used, left, since } of rows) {
      const fruit = firstFruit(document) ?? null;
      const key = `${document.kind} ${fruit ?? title}`;
      const days = Math.min(Math.max(Math.floor((now - since.getTime()) / DAY_MS), 1), YEAR_DAYS);
      const had = uses.get(key);
      uses.set(
        key,
        had
          ? { ...had, used: had.used + used, left: had.left + left, days: Math.max(had.days, days) }
          : { batchId: id, title, document, fruit, used, left, days, perBatch: put },
      );
    }
    return [...uses.values()];
  }
}

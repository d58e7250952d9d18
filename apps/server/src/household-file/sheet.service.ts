import { Injectable } from '@nestjs/common';
import { InjectConnection } from '@nestjs/sequelize';
import Papa from 'papaparse';
import { QueryTypes } from 'sequelize';
import { Sequelize } from 'sequelize-typescript';
import type { LotView } from '@idle-kettle/contract';
import { HouseholdService } from '../households/household.service.js';
import { ShelfService } from '../shelf/shelf.service.js';

export const SHEETS = ['shelf', 'moves', 'batches', 'log'] as const;
export type Sheet = (typeof SHEETS)[number];

const utc = (column: string): string =>
  `to_char(${column} AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"')`;

const ROWS: Readonly<Record<Exclude<Sheet, 'shelf'>, string>> = {
  moves: `SELECT ${utc('move.happened_at')} AS at, batch.title AS batch, lot.size, move.change, move.reason, move.whom, move.note
    FROM shelf_moves move JOIN shelf_lots lot ON lot.id = move.lot_id JOIN batches batch ON batch.id = lot.batch_id
    WHERE move.household_id = :householdId ORDER BY move.happened_at, move.id`,
  batches: `SELECT id, title, document ->> 'kind' AS kind, document ->> 'method' AS method, ${utc('created_at')} AS "laidOutAt",
      (SELECT ${utc('min(happened_at)')} FROM batch_events WHERE batch_id = batches.id AND type = 'light') AS "onTheHeatAt",
      (SELECT ${utc('max(happened_at)')} FROM batch_events WHERE batch_id = batches.id AND type = 'done') AS "doneAt"
    FROM batches WHERE household_id = :householdId AND removed_at IS NULL ORDER BY created_at, id`,
  log: `SELECT batch.title AS batch, event.batch_id AS "batchId", ${utc('event.happened_at')} AS at, event.type, event.device, event.body::text AS body
    FROM batch_events event JOIN batches batch ON batch.id = event.batch_id
    WHERE event.household_id = :householdId ORDER BY event.batch_id, event.happened_at, event.seq`,
};

/** Tables for a spreadsheet. */
@Injectable()
export class SheetService {
  constructor(
    @InjectConnection() private readonly sequelize: Sequelize,
    private readonly households: HouseholdService,
    private readonly shelf: ShelfService,
  ) {}

  /**
   * The table as CSV with its names in the first line; text that a spreadsheet would compute has an
   * apostrophe before it.
   */
  async csv(sheet: Sheet): Promise<string> {
    return Papa.unparse(await this.rows(sheet), { escapeFormulae: true, newline: '\r\n' });
  }

  private async rows(sheet: Sheet): Promise<object[]> {
    if (sheet !== 'shelf')
      return this.sequelize.query(ROWS[sheet], {
        replacements: { householdId: await this.households.current() },
        type: QueryTypes.SELECT,
      });
    const lots: LotView[] = [];
    for await (const lot of this.shelf.everyLot()) lots.push(lot);
    return lots.map(({ title, size, count, partFill, madeOn, keptIn, place, keeping }) => ({
      title,
      size,
      count,
      partFill: partFill ?? '',
      madeOn,
      keptIn: keptIn ?? '',
      place,
      verdict: keeping.verdict,
      bestBefore: keeping.bestBefore ?? '',
    }));
  }
}

import { Injectable } from '@nestjs/common';
import { InjectConnection } from '@nestjs/sequelize';
import { QueryTypes, Transaction } from 'sequelize';
import { Sequelize } from 'sequelize-typescript';
import { HOUSEHOLD_FORMAT, type HouseholdPart } from '@idle-kettle/contract';
import { Clock } from '../clock/clock.js';
import { EVENTS_AS_JSON } from '../batches/event-json.js';
import { HouseholdService } from '../households/household.service.js';
import { PARTS, selectRows } from './file-tables.js';

/** What of a row is too large to be read with all the others, by the name it has in the file. */
const LARGE_FIELDS: Readonly<
  Partial<Record<HouseholdPart, { readonly field: string; readonly select: string }>>
> = {
  batches: {
    field: 'events',
    select: `SELECT ${EVENTS_AS_JSON} AS value
      FROM batch_events WHERE household_id = :householdId AND batch_id = :id`,
  },
  photos: {
    field: 'image',
    select: `SELECT '"' || translate(encode(image, 'base64'), E'\\n', '') || '"' AS value
      FROM batch_photos WHERE household_id = :householdId AND id = :id`,
  },
};

/** One row of a part, as JSON text. */
interface FileRow {
  readonly row: string;
  readonly id: string;
}

/** Writes a household to a file. */
@Injectable()
export class ExportService {
  constructor(
    @InjectConnection() private readonly sequelize: Sequelize,
    private readonly households: HouseholdService,
    private readonly clock: Clock,
  ) {}

  /** The file piece by piece, all of one moment: what is written meanwhile is not in it. */
  async *file(): AsyncGenerator<string> {
    const householdId = await this.households.current();
    const transaction = await this.sequelize.transaction({
      isolationLevel: Transaction.ISOLATION_LEVELS.REPEATABLE_READ,
    });
    try {
      yield `{"format":"${HOUSEHOLD_FORMAT}","version":1,"exportedAt":"${this.clock.now().toISOString()}"`;
      for (const part of PARTS) {
        yield `,\n"${part}":[`;
        let separator = '\n';
        for (const row of await this.rows(part, householdId, transaction)) {
          yield separator + (await this.whole(part, row, householdId, transaction));
          separator = ',\n';
        }
        yield ']';
      }
      yield '}\n';
    } finally {
      await transaction.rollback();
    }
  }

  private rows(
    part: HouseholdPart,
    householdId: string,
    transaction: Transaction,
  ): Promise<FileRow[]> {
    return this.sequelize.query<FileRow>(selectRows(part), {
      replacements: { householdId },
      type: QueryTypes.SELECT,
      transaction,
    });
  }

  /** A row with its large field, where it has one. */
  private async whole(
    part: HouseholdPart,
    { row, id }: FileRow,
    householdId: string,
    transaction: Transaction,
  ): Promise<string> {
    const large = LARGE_FIELDS[part];
    if (!large) return row;
    const [found] = await this.sequelize.query<{ value: string }>(large.select, {
      replacements: { householdId, id },
      type: QueryTypes.SELECT,
      transaction,
    });
    return `${row.slice(0, -1)}, "${large.field}" : ${found?.value ?? 'null'}}`;
  }
}

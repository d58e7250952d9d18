import { Injectable } from '@nestjs/common';
import { InjectConnection } from '@nestjs/sequelize';
import { QueryTypes, Transaction } from 'sequelize';
import { Sequelize } from 'sequelize-typescript';
import { HOUSEHOLD_FORMAT, type HouseholdPart } from '@idle-kettle/contract';
import { Clock } from '../clock/clock.js';
import { HouseholdService } from '../households/household.service.js';

const utc = (column: string): string =>
  `to_char(${column} AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"')`;
const day = (column: string): string => `to_char(${column}, 'YYYY-MM-DD')`;

/**
 * Each row of a part as the JSON that stands in the file; the database writes it. What is long
 * comes by itself; see {@link MORE}.
 */
const ROWS: Readonly<Record<HouseholdPart, string>> = {
  kitchens: `SELECT json_build_object('id', id, 'name', name, 'altitude_m', altitude_m, 'boilingPoint_C', boiling_point_c,
    'boilingPointMeasuredAt', ${utc('boiling_point_measured_at')}, 'pressure_kPa', pressure_kpa, 'pressureReadAt', ${utc('pressure_read_at')},
    'southern', southern, 'gear', gear, 'units', units, 'temperatureUnit', temperature_unit, 'usedAt', ${utc('used_at')}, 'updatedAt', ${utc('updated_at')})::text AS row
    FROM kitchens WHERE household_id = :householdId ORDER BY used_at DESC`,
  preparedWeights: `SELECT json_strip_nulls(json_build_object('id', id, 'ingredient', ingredient, 'variety', variety, 'bought_kg', bought_kg,
    'prepared_kg', prepared_kg, 'at', ${utc('weighed_at')}))::text AS row
    FROM prepared_weights WHERE household_id = :householdId ORDER BY weighed_at, id`,
  formulas: `SELECT json_build_object('id', id, 'document', document, 'revision', revision, 'favourite', favourite,
    'archivedAt', ${utc('archived_at')}, 'createdAt', ${utc('created_at')}, 'updatedAt', ${utc('updated_at')}, 'versions', coalesce((
      SELECT json_agg(json_build_object('revision', version.revision, 'document', version.document, 'savedAt', ${utc('version.saved_at')}) ORDER BY version.revision)
      FROM formula_versions version WHERE version.formula_id = formulas.id), '[]'))::text AS row
    FROM formulas WHERE household_id = :householdId ORDER BY created_at, id`,
  batches: `SELECT json_build_object('id', id, 'document', document, 'revision', revision, 'formulaId', formula_id,
    'removedAt', ${utc('removed_at')}, 'createdAt', ${utc('created_at')}, 'updatedAt', ${utc('updated_at')})::text AS row, id
    FROM batches WHERE household_id = :householdId ORDER BY created_at, id`,
  lots: `SELECT json_build_object('id', id, 'batchId', batch_id, 'size', size, 'partFill', part_fill, 'madeOn', ${day('made_on')},
    'keptIn', kept_in, 'place', place, 'keptSince', ${utc('kept_since')}, 'cameFrom', came_from, 'createdAt', ${utc('created_at')})::text AS row
    FROM shelf_lots WHERE household_id = :householdId ORDER BY created_at, id`,
  moves: `SELECT json_build_object('id', id, 'lotId', lot_id, 'change', change, 'reason', reason, 'whom', whom, 'note', note,
    'at', ${utc('happened_at')})::text AS row
    FROM shelf_moves WHERE household_id = :householdId ORDER BY happened_at, id`,
  frozenFruit: `SELECT json_build_object('id', id, 'ingredient', ingredient, 'mass_kg', mass_kg, 'note', note, 'frozenOn', ${day('frozen_on')})::text AS row
    FROM frozen_fruit WHERE household_id = :householdId ORDER BY frozen_on, id`,
  photos: `SELECT json_build_object('id', id, 'batchId', batch_id, 'note', note, 'at', ${utc('taken_at')})::text AS row, id
    FROM batch_photos WHERE household_id = :householdId AND removed_at IS NULL ORDER BY taken_at, id`,
};

/** What of a row is too much to be read with all the others, by the name it has in the file. */
const MORE: Readonly<Partial<Record<HouseholdPart, readonly [name: string, select: string]>>> = {
  batches: [
    'events',
    `SELECT '[' || coalesce(string_agg('{"id":"' || id || '","type":"' || type || '","device":' || to_json(device) || ',"body":' || body
    || ',"at":"' || ${utc('happened_at')} || '"}', ',' ORDER BY seq), '') || ']' AS more
    FROM batch_events WHERE household_id = :householdId AND batch_id = :id`,
  ],
  photos: [
    'image',
    `SELECT '"' || translate(encode(image, 'base64'), E'\\n', '') || '"' AS more FROM batch_photos WHERE household_id = :householdId AND id = :id`,
  ],
};

/** Writes a household to a file. */
@Injectable()
export class TakeOutService {
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
      const rowsOf = (part: HouseholdPart): Promise<{ row: string; id?: string }[]> =>
        this.sequelize.query(ROWS[part], {
          replacements: { householdId },
          type: QueryTypes.SELECT,
          transaction,
        });
      yield `{"format":"${HOUSEHOLD_FORMAT}","version":1,"exportedAt":"${this.clock.now().toISOString()}"`;
      for (const part of Object.keys(ROWS) as HouseholdPart[]) {
        yield `,\n"${part}":[`;
        let first = true;
        for (const { row, id } of await rowsOf(part)) {
          yield `${first ? '' : ','}\n${id === undefined ? row : await this.whole(part, row, id, householdId, transaction)}`;
          first = false;
        }
        yield ']';
      }
      yield '}\n';
    } finally {
      await transaction.rollback();
    }
  }

  private async whole(
    part: HouseholdPart,
    row: string,
    id: string,
    householdId: string,
    transaction: Transaction,
  ): Promise<string> {
    const [name, select] = MORE[part] ?? ['', ''];
    const [found] = await this.sequelize.query<{ more: string }>(select, {
      replacements: { householdId, id },
      type: QueryTypes.SELECT,
      transaction,
    });
    return `${row.slice(0, -1)}, "${name}" : ${found?.more ?? 'null'}}`;
  }
}

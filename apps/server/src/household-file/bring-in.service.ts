import { setImmediate } from 'node:timers/promises';
import { Injectable } from '@nestjs/common';
import { InjectConnection } from '@nestjs/sequelize';
import { plainToInstance } from 'class-transformer';
import { validateSync } from 'class-validator';
import { QueryTypes, type Transaction } from 'sequelize';
import { Sequelize } from 'sequelize-typescript';
import { findJar, DAY_MS } from '@idle-kettle/core';
import {
  flattenErrors,
  HOUSEHOLD_PARTS,
  HouseholdFrame,
  type BroughtIn,
  type FieldProblem,
  type FormulaBody,
  type HouseholdFile,
  type HouseholdPart,
} from '@idle-kettle/contract';
import { Clock } from '../clock/clock.js';
import { HouseholdService } from '../households/household.service.js';
import { ProblemException } from '../http/problem.filter.js';
import { developed } from '../photos/developed.js';

/** So many things to mend are named; the rest shows when these are. */
const MOST_NAMED = 50;
const PARTS = Object.keys(HOUSEHOLD_PARTS) as HouseholdPart[];
const RULES = { whitelist: true, forbidNonWhitelisted: true };

/**
 * How a part is put in; `:rows` is its list as JSON. Rows that are there already stay as they are.
 */
const PUT: Readonly<Record<HouseholdPart | 'versions' | 'events', string>> = {
  kitchens: `INSERT INTO kitchens (id, household_id, name, altitude_m, boiling_point_c, boiling_point_measured_at, pressure_kpa, pressure_read_at, southern, gear, units, temperature_unit, used_at, updated_at)
    SELECT id, :householdId, name, altitude_m, "boilingPoint_C", "boilingPointMeasuredAt", "pressure_kPa", "pressureReadAt", coalesce(southern, false),
      coalesce(gear, '{"thermometers":[],"vessels":[],"burners":[],"canners":[],"pectins":[],"jars":[]}'), units, "temperatureUnit", "usedAt", "updatedAt"
    FROM jsonb_to_recordset(:rows) AS row (id uuid, name text, altitude_m float8, "boilingPoint_C" float8, "boilingPointMeasuredAt" timestamptz, "pressure_kPa" float8, "pressureReadAt" timestamptz, southern boolean, gear jsonb, units text, "temperatureUnit" text, "usedAt" timestamptz, "updatedAt" timestamptz)`,
  preparedWeights: `INSERT INTO prepared_weights (id, household_id, ingredient, variety, bought_kg, prepared_kg, weighed_at)
    SELECT id, :householdId, ingredient, variety, bought_kg, prepared_kg, at FROM jsonb_to_recordset(:rows) AS row (id uuid, ingredient text, variety text, bought_kg float8, prepared_kg float8, at timestamptz)`,
  formulas: `INSERT INTO formulas (id, household_id, title, document, revision, favourite, archived_at, created_at, updated_at)
    SELECT id, :householdId, document ->> 'title', document, revision, favourite, "archivedAt", "createdAt", "updatedAt"
    FROM jsonb_to_recordset(:rows) AS row (id uuid, document jsonb, revision int, favourite boolean, "archivedAt" timestamptz, "createdAt" timestamptz, "updatedAt" timestamptz)`,
  versions: `INSERT INTO formula_versions (formula_id, revision, household_id, document, saved_at)
    SELECT row.id, version.revision, :householdId, version.document, version."savedAt"
    FROM jsonb_to_recordset(:rows) AS row (id uuid, versions jsonb), jsonb_to_recordset(row.versions) AS version (revision int, document jsonb, "savedAt" timestamptz)`,
  batches: `INSERT INTO batches (id, household_id, formula_id, title, document, revision, removed_at, created_at, updated_at)
    SELECT id, :householdId, "formulaId", document ->> 'title', document, revision, "removedAt", "createdAt", "updatedAt"
    FROM jsonb_to_recordset(:rows) AS row (id uuid, "formulaId" uuid, document jsonb, revision int, "removedAt" timestamptz, "createdAt" timestamptz, "updatedAt" timestamptz)`,
  events: `INSERT INTO batch_events (id, household_id, batch_id, type, happened_at, device, body)
    SELECT id, :householdId, :batchId, type, at, device, body FROM jsonb_to_recordset(:rows) AS row (id uuid, type text, at timestamptz, device text, body jsonb)`,
  lots: `INSERT INTO shelf_lots (id, household_id, batch_id, size, part_fill, made_on, kept_in, place, kept_since, came_from, created_at)
    SELECT id, :householdId, "batchId", size, "partFill", "madeOn", "keptIn", place, "keptSince", "cameFrom", "createdAt"
    FROM jsonb_to_recordset(:rows) AS row (id uuid, "batchId" uuid, size text, "partFill" float8, "madeOn" date, "keptIn" text, place text, "keptSince" timestamptz, "cameFrom" uuid, "createdAt" timestamptz)`,
  moves: `INSERT INTO shelf_moves (id, household_id, lot_id, change, reason, whom, note, happened_at)
    SELECT id, :householdId, "lotId", change, reason, whom, note, at
    FROM jsonb_to_recordset(:rows) AS row (id uuid, "lotId" uuid, change int, reason text, whom text, note text, at timestamptz)`,
  frozenFruit: `INSERT INTO frozen_fruit (id, household_id, ingredient, mass_kg, note, frozen_on)
    SELECT id, :householdId, ingredient, mass_kg, note, "frozenOn" FROM jsonb_to_recordset(:rows) AS row (id uuid, ingredient text, mass_kg float8, note text, "frozenOn" date)`,
  photos: `INSERT INTO batch_photos (id, household_id, batch_id, note, taken_at, width, height, image, small)
    SELECT id, :householdId, "batchId", note, at, width, height, decode(image, 'base64'), decode(small, 'base64')
    FROM jsonb_to_recordset(:rows) AS row (id uuid, "batchId" uuid, note text, at timestamptz, width int, height int, image text, small text)`,
};

/** Where a part is kept, to see whether an id is somebody else's. */
const TABLES: Readonly<Record<HouseholdPart, string>> = {
  kitchens: 'kitchens',
  preparedWeights: 'prepared_weights',
  formulas: 'formulas',
  batches: 'batches',
  lots: 'shelf_lots',
  moves: 'shelf_moves',
  frozenFruit: 'frozen_fruit',
  photos: 'batch_photos',
};

/** A kitchen that was made by itself and never touched gives way to those of the file. */
const UNTOUCHED = `DELETE FROM kitchens WHERE household_id = :householdId AND altitude_m IS NULL AND boiling_point_c IS NULL
  AND created_at = updated_at AND NOT id::text = ANY(ARRAY[:ids])`;

const BELOW_NOTHING = `SELECT lot.id FROM shelf_lots lot JOIN shelf_moves move ON move.lot_id = lot.id
  WHERE lot.household_id = :householdId GROUP BY lot.id HAVING sum(move.change) < 0 LIMIT 1`;

/** Takes a household's file in, whole or not at all. */
@Injectable()
export class BringInService {
  constructor(
    @InjectConnection() private readonly sequelize: Sequelize,
    private readonly households: HouseholdService,
    private readonly clock: Clock,
  ) {}

  /** @throws ProblemException 400 with everything to mend by its path, and nothing changed */
  async take(given: unknown): Promise<BroughtIn> {
    const file = await checked(given, this.clock.now());
    const attestationsLeftOut = withoutAttestations(file);
    const pictures = await picturesOf(file);
    const householdId = await this.households.current();
    const added = Object.fromEntries([...PARTS, 'events'].map((part) => [part, 0])) as Record<
      HouseholdPart | 'events',
      number
    >;
    const already = { ...added };
    await this.sequelize.transaction(async (transaction) => {
      const put = async (
        what: keyof typeof PUT,
        rows: readonly object[],
        more: object = {},
      ): Promise<number> => {
        if (rows.length === 0) return 0;
        const [, count] = (await this.sequelize.query(`${PUT[what]} ON CONFLICT DO NOTHING`, {
          replacements: { householdId, rows: JSON.stringify(rows), ...more },
          type: QueryTypes.INSERT,
          transaction,
        })) as [unknown, number];
        return count;
      };
      for (const part of PARTS) {
        const rows: readonly { readonly id: string }[] = file[part];
        await this.refuseStrangers(part, rows, householdId, transaction);
        if (part === 'photos') {
          // One by one: each is large.
          for (const picture of pictures) added.photos += await put(part, [picture]);
          already.photos = rows.length - added.photos;
          continue;
        }
        added[part] = await put(
          part,
          part === 'batches' ? file.batches.map(({ events: _events, ...batch }) => batch) : rows,
        );
        already[part] = rows.length - added[part];
        if (part === 'formulas') await put('versions', rows);
        if (part === 'batches')
          for (const { id: batchId, events } of file.batches) {
            const count = await put('events', events, { batchId });
            added.events += count;
            already.events += events.length - count;
          }
      }
      if (added.kitchens > 0)
        await this.sequelize.query(UNTOUCHED, {
          replacements: { householdId, ids: file.kitchens.map(({ id }) => id) },
          type: QueryTypes.DELETE,
          transaction,
        });
      const below = await this.sequelize.query<{ id: string }>(BELOW_NOTHING, {
        replacements: { householdId },
        type: QueryTypes.SELECT,
        transaction,
      });
      if (below[0])
        throw mend([
          { path: 'moves', message: `more jars leave the lot ${below[0].id} than were put there` },
        ]);
    });
    return { added, already, attestationsLeftOut };
  }

  /** An id that another household uses is not ours to add to. */
  private async refuseStrangers(
    part: HouseholdPart,
    rows: readonly { readonly id: string }[],
    householdId: string,
    transaction: Transaction,
  ): Promise<void> {
    const ids = rows.map(({ id }) => id);
    if (ids.length === 0) return;
    const found = await this.sequelize.query<{ id: string }>(
      `SELECT id FROM ${TABLES[part]} WHERE id = ANY(SELECT jsonb_array_elements_text(:ids)::uuid) AND household_id <> :householdId`,
      {
        replacements: { householdId, ids: JSON.stringify(ids) },
        type: QueryTypes.SELECT,
        transaction,
      },
    );
    if (found.length > 0)
      throw mend(
        found.slice(0, MOST_NAMED).map(({ id }) => ({
          path: `${part}[${ids.indexOf(id)}].id`,
          message: 'this id stands for something of another household',
        })),
      );
  }
}

const mend = (errors: readonly FieldProblem[]): ProblemException =>
  new ProblemException(
    400,
    `${errors.length} ${errors.length === 1 ? 'thing needs' : 'things need'} mending; nothing was taken in`,
    { errors },
  );

/**
 * The file with every part checked by the contract's rules, a breath between one row and the next.
 */
async function checked(given: unknown, now: Date): Promise<HouseholdFile> {
  const file = (
    typeof given === 'object' && given !== null && !Array.isArray(given) ? given : {}
  ) as Record<string, unknown>;
  const errors = flattenErrors(
    validateSync(plainToInstance(HouseholdFrame, { format: file.format, version: file.version })),
  );
  if (errors.length > 0) throw mend(errors);
  const made: Partial<Record<HouseholdPart, object[]>> = {};
  for (const part of PARTS) {
    const rows = file[part] ?? [];
    if (!Array.isArray(rows)) {
      errors.push({ path: part, message: 'write a list' });
      continue;
    }
    made[part] = [];
    for (const [i, row] of (rows as unknown[]).entries()) {
      if (errors.length >= MOST_NAMED) break;
      const instance = plainToInstance(
        HOUSEHOLD_PARTS[part] as new () => object,
        typeof row === 'object' && row !== null ? row : {},
      );
      errors.push(
        ...flattenErrors(validateSync(instance, RULES)).map(({ path, message }) => ({
          path: `${part}[${i}].${path}`,
          message,
        })),
      );
      // As plain data again: what the rules were hung on is done with.
      made[part].push(instance);
      await setImmediate();
    }
  }
  const known = made as unknown as HouseholdFile;
  if (errors.length === 0) errors.push(...misplaced(known, now));
  if (errors.length > 0) throw mend(errors.slice(0, MOST_NAMED));
  return known;
}

/** What points to nothing in the file, jars no table knows, and days that have not been. */
function misplaced({ batches, lots, moves, photos }: HouseholdFile, now: Date): FieldProblem[] {
  const batchIds = new Set(batches.map(({ id }) => id));
  const lotIds = new Set(lots.map(({ id }) => id));
  const tomorrow = new Date(now.getTime() + DAY_MS).toISOString();
  return [
    ...lots.flatMap(({ batchId, cameFrom, size, madeOn }, i) => [
      ...(batchIds.has(batchId)
        ? []
        : [{ path: `lots[${i}].batchId`, message: 'there is no such batch in the file' }]),
      ...(cameFrom == null || lotIds.has(cameFrom)
        ? []
        : [{ path: `lots[${i}].cameFrom`, message: 'there is no such lot in the file' }]),
      ...(findJar(size)
        ? []
        : [{ path: `lots[${i}].size`, message: `"${size}" is not a known jar size` }]),
      ...(madeOn <= tomorrow
        ? []
        : [{ path: `lots[${i}].madeOn`, message: 'jars are not made in the future' }]),
    ]),
    ...moves.flatMap(({ lotId }, i) =>
      lotIds.has(lotId)
        ? []
        : [{ path: `moves[${i}].lotId`, message: 'there is no such lot in the file' }],
    ),
    ...photos.flatMap(({ batchId }, i) =>
      batchIds.has(batchId)
        ? []
        : [{ path: `photos[${i}].batchId`, message: 'there is no such batch in the file' }],
    ),
  ];
}

/** The photos of a file as they are kept, each looked at as one that was just taken is. */
async function picturesOf({ photos }: HouseholdFile): Promise<object[]> {
  const pictures: object[] = [];
  const errors: FieldProblem[] = [];
  for (const [i, { image: text, ...photo }] of photos.entries())
    try {
      const { image, small, width, height } = await developed(Buffer.from(text, 'base64'));
      pictures.push({
        ...photo,
        width,
        height,
        image: image.toString('base64'),
        small: small.toString('base64'),
      });
    } catch (error) {
      if (!(error instanceof ProblemException)) throw error;
      errors.push({ path: `photos[${i}].image`, message: error.detail });
    }
  if (errors.length > 0) throw mend(errors.slice(0, MOST_NAMED));
  return pictures;
}

/** What another attested is not ours to say. @returns how many were taken away */
function withoutAttestations({ formulas, batches }: HouseholdFile): number {
  let left = 0;
  const clean = (document: FormulaBody): void => {
    for (const claim of ['testedSource', 'measuredPH'] as const)
      if (document[claim] !== undefined) {
        delete document[claim];
        left += 1;
      }
  };
  for (const { document, versions } of formulas) {
    clean(document);
    for (const version of versions) clean(version.document);
  }
  for (const { document } of batches) clean(document);
  return left;
}

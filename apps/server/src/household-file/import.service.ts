import { setImmediate } from 'node:timers/promises';
import { Injectable } from '@nestjs/common';
import { InjectConnection } from '@nestjs/sequelize';
import { plainToInstance } from 'class-transformer';
import { validateSync } from 'class-validator';
import { QueryTypes, type Transaction } from 'sequelize';
import { Sequelize } from 'sequelize-typescript';
import { DAY_MS, findJar, MEASURED_LIMIT, type EventBodies } from '@idle-kettle/core';
import {
  flattenErrors,
  HOUSEHOLD_PARTS,
  HouseholdFrame,
  type EventBody,
  type HouseholdImport,
  type FieldProblem,
  type FormulaBody,
  type HouseholdFile,
  type HouseholdPart,
} from '@idle-kettle/contract';
import { Clock } from '../clock/clock.js';
import { HouseholdService } from '../households/household.service.js';
import { ProblemException } from '../http/problem.filter.js';
import { FILE_TABLES, INSERT_EVENTS, INSERT_VERSIONS, insertRows, PARTS } from './file-tables.js';
import { normalizePhoto } from '../photos/normalize-photo.js';

/** So many things to mend are named; the rest shows when these are. */
const MOST_NAMED = 50;
const RULES = { whitelist: true, forbidNonWhitelisted: true };

/** A kitchen that was made by itself and never touched gives way to those of the file. */
const UNTOUCHED = `DELETE FROM kitchens WHERE household_id = :householdId AND altitude_m IS NULL AND boiling_point_c IS NULL
  AND created_at = updated_at AND NOT id::text = ANY(ARRAY[:ids])`;

const BELOW_NOTHING = `SELECT lot.id FROM shelf_lots lot JOIN shelf_moves move ON move.lot_id = lot.id
  WHERE lot.household_id = :householdId GROUP BY lot.id HAVING sum(move.change) < 0 LIMIT 1`;

type Counts = Record<HouseholdPart | 'events', number>;
/** What is counted of a file: its parts, and the events within its batches. */
const COUNTED = [...PARTS, 'events'] as const;
const rowCount = (file: HouseholdFile, part: keyof Counts): number =>
  part === 'events'
    ? file.batches.reduce((sum, { events }) => sum + events.length, 0)
    : file[part].length;

/** Runs an insert for rows as JSON. @returns how many are new */
type Insert = (statement: string, rows: readonly object[], more?: object) => Promise<number>;

/** Takes a household's file in, whole or not at all. */
@Injectable()
export class ImportService {
  constructor(
    @InjectConnection() private readonly sequelize: Sequelize,
    private readonly households: HouseholdService,
    private readonly clock: Clock,
  ) {}

  /** @throws ProblemException 400 with everything to mend by its path, and nothing changed */
  async take(given: unknown): Promise<HouseholdImport> {
    const file = await checked(given, this.clock.now());
    const attestationsLeftOut = withoutAttestations(file);
    const pictures = await picturesOf(file);
    const householdId = await this.households.current();
    const added = await this.sequelize.transaction((transaction) =>
      this.insertAll(file, pictures, householdId, transaction),
    );
    const already = Object.fromEntries(
      COUNTED.map((part) => [part, rowCount(file, part) - added[part]]),
    ) as Counts;
    return { added, already, attestationsLeftOut };
  }

  /** Puts everything in. @returns how many rows of each part are new */
  private async insertAll(
    file: HouseholdFile,
    pictures: readonly object[],
    householdId: string,
    transaction: Transaction,
  ): Promise<Counts> {
    const insert: Insert = async (statement, rows, more = {}) => {
      if (rows.length === 0) return 0;
      const [, count] = (await this.sequelize.query(statement, {
        replacements: { householdId, rows: JSON.stringify(rows), ...more },
        type: QueryTypes.INSERT,
        transaction,
      })) as [unknown, number];
      return count;
    };
    const added = Object.fromEntries(COUNTED.map((part) => [part, 0])) as Counts;
    for (const part of PARTS) {
      const rows: readonly { readonly id: string }[] = file[part];
      await this.refuseStrangers(part, rows, householdId, transaction);
      // One by one: each picture is large.
      const loads = part === 'photos' ? pictures.map((picture) => [picture]) : [rows];
      for (const load of loads) added[part] += await insert(insertRows(part), load);
      if (part === 'formulas') await insert(INSERT_VERSIONS, rows);
      if (part === 'batches')
        for (const { id: batchId, events } of file.batches)
          added.events += await insert(INSERT_EVENTS, events, { batchId });
    }
    if (added.kitchens > 0) await this.removeUntouchedKitchens(file, householdId, transaction);
    await this.refuseNegativeLots(householdId, transaction);
    return added;
  }

  private async removeUntouchedKitchens(
    { kitchens }: HouseholdFile,
    householdId: string,
    transaction: Transaction,
  ): Promise<void> {
    await this.sequelize.query(UNTOUCHED, {
      replacements: { householdId, ids: kitchens.map(({ id }) => id) },
      type: QueryTypes.DELETE,
      transaction,
    });
  }

  private async refuseNegativeLots(householdId: string, transaction: Transaction): Promise<void> {
    const [below] = await this.sequelize.query<{ id: string }>(BELOW_NOTHING, {
      replacements: { householdId },
      type: QueryTypes.SELECT,
      transaction,
    });
    if (below)
      throw mend([
        { path: 'moves', message: `more jars leave the lot ${below.id} than were put there` },
      ]);
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
      `SELECT id FROM ${FILE_TABLES[part].table}
        WHERE id = ANY(SELECT jsonb_array_elements_text(:ids)::uuid)
          AND household_id <> :householdId`,
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
    'not-understood',
    `${errors.length} ${errors.length === 1 ? 'thing needs' : 'things need'} correcting; nothing was imported`,
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
      const { image, small, width, height } = await normalizePhoto(Buffer.from(text, 'base64'));
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
  for (const batch of batches) {
    clean(batch.document);
    // A pH that would grant anything is of the kitchen it was measured in; a high one is a warning.
    const granting = (event: EventBody): boolean =>
      event.type === 'measured-ph' &&
      (event.body as EventBodies['measured-ph']).value <= MEASURED_LIMIT;
    left += batch.events.filter(granting).length;
    batch.events = batch.events.filter((event) => !granting(event));
    for (const event of batch.events)
      if (event.type === 'formula-filled')
        clean((event.body as { document: FormulaBody }).document);
  }
  return left;
}

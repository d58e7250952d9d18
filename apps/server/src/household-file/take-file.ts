import { plainToInstance } from 'class-transformer';
import { validateSync } from 'class-validator';
import { QueryTypes, type Transaction } from 'sequelize';
import type { Sequelize } from 'sequelize-typescript';
import { DAY_MS, findJar, MEASURED_LIMIT, type EventBodies } from '@idle-kettle/core';
import {
  flattenErrors,
  HOUSEHOLD_PARTS,
  HouseholdFrame,
  type EventBody,
  type HouseholdImport,
  type FieldProblem,
  type FormulaBody,
  type LeftOut,
  type HouseholdFile,
  type HouseholdPart,
} from '@idle-kettle/contract';
import { ProblemException } from '../http/problem.filter.js';
import { notStorable } from '../http/storable.js';
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

/** Rows go to the database so many at a time. */
const SLICE = 500;

/** The text of a household's file, and whose it becomes. */
export interface FileToTake {
  readonly bytes: Uint8Array;
  readonly householdId: string;
  /** Milliseconds since 1970, by the server's clock. */
  readonly now: number;
}

/**
 * Takes a household's file in, whole or not at all. Long work: see `import.service.ts`.
 *
 * @throws ProblemException 400 with everything to mend by its path, and nothing changed
 */
export async function takeFile(
  { bytes, householdId, now }: FileToTake,
  sequelize: Sequelize,
): Promise<HouseholdImport> {
  const file = checked(parsed(bytes), new Date(now));
  const attestationsLeftOut = withoutAttestations(file);
  const pictures = await picturesOf(file);
  return sequelize.transaction(async (transaction) => {
    const taking = new Taking(sequelize, householdId, transaction);
    return { ...(await taking.takeAll(file, pictures)), attestationsLeftOut };
  });
}

function parsed(bytes: Uint8Array): unknown {
  try {
    return JSON.parse(Buffer.from(bytes.buffer, bytes.byteOffset, bytes.length).toString('utf8'));
  } catch {
    throw new ProblemException('not-understood', 'the file is not JSON; check that it is whole');
  }
}

/** Batches of this household that were deleted, and those that have a log of their own. */
const KNOWN_BATCHES = `
  SELECT id, removed_at IS NOT NULL AS removed, EXISTS (SELECT FROM batch_events WHERE batch_id = batches.id) AS logged
  FROM batches WHERE household_id = :householdId AND id = ANY(SELECT jsonb_array_elements_text(:ids)::uuid)`;
const KNOWN_EVENTS = `
  SELECT count(*)::int AS count FROM batch_events
  WHERE household_id = :householdId AND id = ANY(SELECT jsonb_array_elements_text(:ids)::uuid)`;

interface KnownBatch {
  readonly id: string;
  readonly removed: boolean;
  readonly logged: boolean;
}

/** A photo as it is stored. */
interface Picture {
  readonly batchId: string;
  readonly width: number;
  readonly height: number;
  /** Both as base64. */
  readonly image: string;
  readonly small: string;
}

/** One file being put in, within its transaction. */
class Taking {
  private readonly added = Object.fromEntries(COUNTED.map((part) => [part, 0])) as Counts;
  private readonly leftOut: LeftOut[] = [];

  constructor(
    private readonly sequelize: Sequelize,
    private readonly householdId: string,
    private readonly transaction: Transaction,
  ) {}

  /** Puts everything in that has a place here. */
  async takeAll(
    file: HouseholdFile,
    pictures: readonly Picture[],
  ): Promise<Omit<HouseholdImport, 'attestationsLeftOut'>> {
    for (const part of PARTS) await this.refuseStrangers(part, file[part]);
    const known = await this.knownBatches(file);
    const placed = this.withoutRemoved(file, known);
    for (const part of PARTS) {
      // One by one: each picture is large.
      if (part === 'photos') for (const picture of pictures) await this.insertPart(part, [picture]);
      else await this.insertPart(part, placed[part]);
      if (part === 'formulas') await this.insert(INSERT_VERSIONS, placed.formulas);
      if (part === 'batches') await this.insertLogs(placed, known);
    }
    if (this.added.kitchens > 0) await this.removeUntouchedKitchens(file);
    await this.refuseNegativeLots();
    const left = (part: keyof Counts): number =>
      this.leftOut.reduce((sum, each) => sum + (each.part === part ? each.count : 0), 0);
    const already = Object.fromEntries(
      COUNTED.map((part) => [part, rowCount(file, part) - this.added[part] - left(part)]),
    ) as Counts;
    return { added: this.added, already, leftOut: this.leftOut };
  }

  private async select<T extends object>(statement: string, more: object): Promise<T[]> {
    return this.sequelize.query<T>(statement, {
      replacements: { householdId: this.householdId, ...more },
      type: QueryTypes.SELECT,
      transaction: this.transaction,
    });
  }

  /** Runs an insert for rows as JSON, in slices. @returns how many are new */
  private async insert(
    statement: string,
    rows: readonly object[],
    more: object = {},
  ): Promise<number> {
    let added = 0;
    for (let from = 0; from < rows.length; from += SLICE) {
      const slice = JSON.stringify(rows.slice(from, from + SLICE));
      const [, count] = (await this.sequelize.query(statement, {
        replacements: { householdId: this.householdId, rows: slice, ...more },
        type: QueryTypes.INSERT,
        transaction: this.transaction,
      })) as [unknown, number];
      added += count;
    }
    return added;
  }

  private async insertPart(part: HouseholdPart, rows: readonly object[]): Promise<void> {
    this.added[part] += await this.insert(insertRows(part), rows);
  }

  private leave(part: LeftOut['part'], count: number, reason: LeftOut['reason']): void {
    if (count > 0) this.leftOut.push({ part, count, reason });
  }

  private async knownBatches({ batches }: HouseholdFile): Promise<ReadonlyMap<string, KnownBatch>> {
    const ids = JSON.stringify(batches.map(({ id }) => id));
    const found = await this.select<KnownBatch>(KNOWN_BATCHES, { ids });
    return new Map(found.map((batch) => [batch.id, batch]));
  }

  /** A batch that was deleted here gets no jars and no photos: they would be of nothing. */
  private withoutRemoved(
    file: HouseholdFile,
    known: ReadonlyMap<string, KnownBatch>,
  ): HouseholdFile {
    const isThere = ({ batchId }: { batchId: string }): boolean => !known.get(batchId)?.removed;
    const lots = file.lots.filter(isThere);
    const there = new Set(lots.map(({ id }) => id));
    const moves = file.moves.filter(({ lotId }) => there.has(lotId));
    this.leave('lots', file.lots.length - lots.length, 'batch-deleted');
    this.leave('moves', file.moves.length - moves.length, 'batch-deleted');
    return { ...file, lots, moves };
  }

  private ofBatchesThere(
    pictures: readonly Picture[],
    known: ReadonlyMap<string, KnownBatch>,
  ): readonly Picture[] {
    const there = pictures.filter(({ batchId }) => !known.get(batchId)?.removed);
    this.leave('photos', pictures.length - there.length, 'batch-deleted');
    return there;
  }

  /** A log that exists is what happened: nothing is added to it that came by another way. */
  private async insertLogs(
    { batches }: HouseholdFile,
    known: ReadonlyMap<string, KnownBatch>,
  ): Promise<void> {
    const counts = { 'log-exists': 0, 'batch-deleted': 0 };
    for (const { id: batchId, events } of batches) {
      const here = known.get(batchId);
      if (!here?.logged && !here?.removed) {
        this.added.events += await this.insert(INSERT_EVENTS, events, { batchId });
        continue;
      }
      const ids = JSON.stringify(events.map(({ id }) => id));
      const [found] = await this.select<{ count: number }>(KNOWN_EVENTS, { ids });
      counts[here.logged ? 'log-exists' : 'batch-deleted'] += events.length - (found?.count ?? 0);
    }
    this.leave('events', counts['log-exists'], 'log-exists');
    this.leave('events', counts['batch-deleted'], 'batch-deleted');
  }

  private async removeUntouchedKitchens({ kitchens }: HouseholdFile): Promise<void> {
    await this.sequelize.query(UNTOUCHED, {
      replacements: { householdId: this.householdId, ids: kitchens.map(({ id }) => id) },
      type: QueryTypes.DELETE,
      transaction: this.transaction,
    });
  }

  private async refuseNegativeLots(): Promise<void> {
    const [below] = await this.select<{ id: string }>(BELOW_NOTHING, {});
    if (below)
      throw mend([
        { path: 'moves', message: `more jars leave the lot ${below.id} than were put there` },
      ]);
  }

  /** An id that another household uses is not ours to add to. */
  private async refuseStrangers(
    part: HouseholdPart,
    rows: readonly { readonly id: string }[],
  ): Promise<void> {
    if (rows.length === 0) return;
    const ids = rows.map(({ id }) => id);
    const found = await this.select<{ id: string }>(
      `SELECT id FROM ${FILE_TABLES[part].table}
        WHERE id = ANY(SELECT jsonb_array_elements_text(:ids)::uuid)
          AND household_id <> :householdId`,
      { ids: JSON.stringify(ids) },
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

/** The rows of a part, each checked by the contract's rules; what is wrong goes to `errors`. */
function checkedRows(
  part: HouseholdPart,
  rows: readonly unknown[],
  errors: FieldProblem[],
): object[] {
  const made: object[] = [];
  for (const [i, row] of rows.entries()) {
    if (errors.length >= MOST_NAMED) break;
    const at = (path: string): string =>
      path === '' || path.startsWith('[') ? `${part}[${i}]${path}` : `${part}[${i}].${path}`;
    const unstorable = notStorable(row);
    if (unstorable) {
      errors.push({ ...unstorable, path: at(unstorable.path) });
      continue;
    }
    if (typeof row !== 'object' || row === null || Array.isArray(row)) {
      errors.push({ path: at(''), message: 'write an object' });
      continue;
    }
    const instance = plainToInstance(HOUSEHOLD_PARTS[part] as new () => object, row);
    const wrong = flattenErrors(validateSync(instance, RULES));
    errors.push(...wrong.map(({ path, message }) => ({ path: at(path), message })));
    made.push(instance);
  }
  return made;
}

/** The file with every part checked by the contract's rules. */
function checked(given: unknown, now: Date): HouseholdFile {
  const file = (
    typeof given === 'object' && given !== null && !Array.isArray(given) ? given : {}
  ) as Record<string, unknown>;
  const { format, version } = file;
  const errors = flattenErrors(
    validateSync(
      Object.assign(new HouseholdFrame(), {
        format: typeof format === 'string' ? format : undefined,
        version: typeof version === 'number' ? version : undefined,
      }),
    ),
  );
  if (errors.length > 0) throw mend(errors);
  const made: Partial<Record<HouseholdPart, object[]>> = {};
  for (const part of PARTS) {
    const rows = file[part] ?? [];
    if (Array.isArray(rows)) made[part] = checkedRows(part, rows, errors);
    else errors.push({ path: part, message: 'write a list' });
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
async function picturesOf({ photos }: HouseholdFile): Promise<Picture[]> {
  const pictures: Picture[] = [];
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

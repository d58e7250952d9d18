import type { Client } from 'pg';
import { connect } from '../database/connect.js';
import { migrate } from '../database/migrate.js';
import { MIGRATIONS } from '../database/migrations/index.js';
import { writeBackup } from './backup-file.js';
import { withClient } from './client.js';
import { NotRestorable, type RowSource } from './row-source.js';
import { inSchema, MIGRATIONS_TABLE, quoted, tablesOf, type CopiedTable } from './tables.js';

/** An empty place that a restore fills. */
interface Place {
  readonly url: string;
  readonly schema: string;
}

/** Where a backup is put together beside what is in use, in a database that is somebody else's. */
const RESTORED_SCHEMA = 'kettle_restored';

/**
 * Fills a place: our migrations make its tables, as they were when the backup was written; its rows
 * are copied into them; later migrations bring both up to date. A place that could not be filled is
 * not to be used.
 *
 * @throws NotRestorable where something of the backup does not fit
 */
async function fill(place: Place, source: RowSource): Promise<void> {
  const last = lastMigration(source.migrations);
  await migratePlace(place, last);
  try {
    await withClient(place.url, (client) => load(client, place.schema, source));
  } catch (error) {
    throw refusalOf(error);
  }
  await migratePlace(place);
}

/**
 * @returns the last of the migrations that had run; they must be the first so many of those we know
 * @throws NotRestorable where they are not
 */
function lastMigration(ran: readonly string[]): string {
  const strange = ran.find((name, i) => MIGRATIONS[i]?.name !== name);
  if (strange !== undefined)
    throw new NotRestorable(
      `it was written by a later Idle Kettle (its schema has ${JSON.stringify(strange.slice(0, 60))}); update this one, then restore it`,
    );
  const last = ran.at(-1);
  if (last === undefined) throw new NotRestorable('it is no backup of Idle Kettle');
  return last;
}

async function migratePlace({ url, schema }: Place, upTo?: string): Promise<void> {
  const database = await connect(url, undefined, schema);
  try {
    await migrate(database, { schema, upTo });
  } finally {
    await database.close();
  }
}

async function load(client: Client, schema: string, source: RowSource): Promise<void> {
  const tables = await tablesOf(client, schema);
  await client.query('BEGIN');
  await whileLoading(client, schema, tables, async () => {
    for await (const { table, rows } of source.rows(tables))
      await insert(client, schema, table, rows);
  });
  await client.query('COMMIT');
}

/** What the work of loading needs to know of a schema, and puts back afterwards. */
const FOREIGN_KEYS = `
  SELECT conrelid::pg_catalog.regclass::pg_catalog.text AS table, conname AS name
  FROM pg_catalog.pg_constraint WHERE contype = 'f' AND connamespace = $1::pg_catalog.regnamespace`;

/**
 * Within a transaction: triggers rest, since what they would compute is copied, and rows may point
 * to rows that come later. All that was computed of a batch is looked at again afterwards.
 */
async function whileLoading(
  client: Client,
  schema: string,
  tables: readonly CopiedTable[],
  copy: () => Promise<void>,
): Promise<void> {
  const { rows: keys } = await client.query<{ table: string; name: string }>(FOREIGN_KEYS, [
    quoted(schema),
  ]);
  const alterKeys = async (how: string): Promise<void> => {
    for (const { table, name } of keys)
      await client.query(`ALTER TABLE ${table} ALTER CONSTRAINT ${quoted(name)} ${how}`);
  };
  const alterTriggers = async (how: 'DISABLE' | 'ENABLE'): Promise<void> => {
    for (const { name } of tables)
      await client.query(`ALTER TABLE ${inSchema(schema, name)} ${how} TRIGGER USER`);
  };
  await alterTriggers('DISABLE');
  await alterKeys('DEFERRABLE INITIALLY DEFERRED');
  await copy();
  await client.query('SET CONSTRAINTS ALL IMMEDIATE');
  await alterKeys('NOT DEFERRABLE');
  await alterTriggers('ENABLE');
  if (tables.some(({ name }) => name === 'batch_summaries'))
    await client.query(`UPDATE ${inSchema(schema, 'batch_summaries')} SET version = version + 1`);
}

async function insert(
  client: Client,
  schema: string,
  { name, columns }: CopiedTable,
  rows: readonly string[],
): Promise<void> {
  const names = columns.map((column) => quoted(column.name)).join(', ');
  const types = columns.map((column) => `${quoted(column.name)} ${column.type}`).join(', ');
  await client.query(
    `INSERT INTO ${inSchema(schema, name)} (${names})
      SELECT ${names} FROM pg_catalog.jsonb_to_recordset($1::pg_catalog.jsonb) AS row (${types})`,
    [`[${rows.join(',')}]`],
  );
}

/** SQLSTATEs of data: 22 a value that is none, 23 a rule of the table, 54 too large. */
const OF_DATA = /^(22|23|54)/;

/** An error of the database about a row is one of the backup. */
function refusalOf(error: unknown): unknown {
  const { code, table, message } = error as { code?: string; table?: string; message: string };
  if (code === undefined || !OF_DATA.test(code)) return error;
  return new NotRestorable(`${table ?? 'a row'}: ${message}`);
}

const FUNCTIONS = `
  SELECT procedure.proname AS name, pg_catalog.pg_get_function_identity_arguments(procedure.oid) AS arguments
  FROM pg_catalog.pg_proc procedure
  WHERE procedure.pronamespace = $1::pg_catalog.regnamespace AND NOT EXISTS (
    SELECT FROM pg_catalog.pg_depend WHERE objid = procedure.oid AND deptype = 'e')`;

/**
 * Puts what was filled beside it in place of what is in use, at once: in a database that may not be
 * renamed, since it is somebody else's. Whatever else is in that schema stays.
 */
async function takePlace(client: Client, live: string): Promise<void> {
  const schema = RESTORED_SCHEMA;
  const tables = [MIGRATIONS_TABLE, ...(await tablesOf(client, schema)).map(({ name }) => name)];
  const { rows: functions } = await client.query<{ name: string; arguments: string }>(FUNCTIONS, [
    quoted(schema),
  ]);
  await client.query('BEGIN');
  await client.query(
    `DROP TABLE IF EXISTS ${tables.map((name) => inSchema(live, name)).join(', ')}`,
  );
  for (const { name, arguments: types } of functions)
    await client.query(`DROP FUNCTION IF EXISTS ${inSchema(live, name)}(${types})`);
  for (const name of tables)
    await client.query(`ALTER TABLE ${inSchema(schema, name)} SET SCHEMA ${quoted(live)}`);
  for (const { name, arguments: types } of functions)
    await client.query(
      `ALTER FUNCTION ${inSchema(schema, name)}(${types}) SET SCHEMA ${quoted(live)}`,
    );
  await client.query(`DROP SCHEMA ${quoted(schema)}`);
  await client.query('COMMIT');
}

/** The schema in which a server that connects there finds its tables. */
export async function liveSchema(url: string): Promise<string> {
  const database = await connect(url);
  try {
    const [rows] = await database.query('SELECT current_schema() AS schema');
    return (rows[0] as { schema: string }).schema;
  } finally {
    await database.close();
  }
}

/** What a restore replaces. */
export interface Replaced {
  /** The household's database. */
  readonly url: string;
  /**
   * An empty database to fill, which whoever made it then puts in place. Without one, what is in the
   * household's is replaced at once.
   */
  readonly into: string | undefined;
  /** Where a backup of what is there goes first. */
  readonly keep: string;
  readonly now: Date;
}

/**
 * Brings a backup back, whole or not at all.
 *
 * @throws NotRestorable where something of it does not fit; nothing was changed then
 */
export async function restoreFrom(
  source: RowSource,
  { url, into, keep, now }: Replaced,
): Promise<void> {
  // Before anything of it is read: what is there must be of today to stand beside it.
  lastMigration(source.migrations);
  const database = await connect(url);
  await migrate(database);
  await database.close();
  const live = await liveSchema(url);
  await withClient(url, (client) => writeBackup(client, live, keep, now));
  if (into !== undefined) return fill({ url: into, schema: 'public' }, source);
  return withClient(url, async (client) => {
    const anew = `DROP SCHEMA IF EXISTS ${RESTORED_SCHEMA} CASCADE`;
    await client.query(`${anew}; CREATE SCHEMA ${RESTORED_SCHEMA}`);
    try {
      await fill({ url, schema: RESTORED_SCHEMA }, source);
      await takePlace(client, live);
    } catch (error) {
      await client.query('ROLLBACK');
      await client.query(anew);
      throw error;
    }
  });
}

import { createHash, type Hash } from 'node:crypto';
import { once } from 'node:events';
import { createReadStream, createWriteStream } from 'node:fs';
import { open, rm, stat } from 'node:fs/promises';
import { pipeline } from 'node:stream/promises';
import { createGunzip, createGzip } from 'node:zlib';
import type { Client } from 'pg';
import { NotRestorable, type RowSource, type TableRows } from './row-source.js';
import { MIGRATIONS_TABLE, inSchema, rowsOf, tablesOf, type CopiedTable } from './tables.js';

/*
 * A backup is one line of JSON, the manifest, and behind it the rows of every table, a line each, in
 * the manifest's order, packed with gzip. There is nothing in it that could be run.
 */

export const BACKUP_FORMAT = 'idle-kettle/backup';

/** A table in the manifest. */
interface ManifestTable {
  readonly name: string;
  readonly columns: readonly string[];
  readonly rows: number;
  /** SHA-256 of its lines, each with its line feed, as hexadecimal digits. */
  readonly sha256: string;
}

/** The first line of a backup. */
export interface Manifest {
  readonly format: typeof BACKUP_FORMAT;
  readonly version: 1;
  /** ISO 8601, UTC. */
  readonly writtenAt: string;
  /** The migrations that had run, in order. */
  readonly migrations: readonly string[];
  readonly tables: readonly ManifestTable[];
  /** All lines with their line feeds, unpacked. */
  readonly bytes: number;
}

/** The manifest lists every table with its columns: some kilobytes. */
const LONGEST_MANIFEST = 1 << 20;
/** A row with the largest photo, as hexadecimal digits, twice; bytes. */
const LONGEST_ROW = 96 << 20;
/** Rows of a household, each with ids drawn at random, pack to a twentieth; more than this is a trap. */
const MOST_PACKED = 200;

/** The migrations that ran in a schema, in order; none where there is no schema of ours. */
export async function migrationsOf(client: Client, schema: string): Promise<string[]> {
  const { rows: there } = await client.query('SELECT pg_catalog.to_regclass($1) AS found', [
    inSchema(schema, MIGRATIONS_TABLE),
  ]);
  if ((there[0] as { found: string | null }).found === null) return [];
  const { rows } = await client.query<{ name: string }>(
    `SELECT name::pg_catalog.text AS name FROM ${inSchema(schema, MIGRATIONS_TABLE)} ORDER BY 1`,
  );
  return rows.map(({ name }) => name);
}

/**
 * Writes everything of a schema to a file, all of one moment.
 *
 * @param path the file it becomes; there must be none yet
 * @param now when it is written
 */
export async function writeBackup(
  client: Client,
  schema: string,
  path: string,
  now: Date,
): Promise<void> {
  const packed = `${path}.rows`;
  try {
    await client.query('BEGIN TRANSACTION ISOLATION LEVEL REPEATABLE READ READ ONLY');
    const migrations = await migrationsOf(client, schema);
    const written = await writeRows(client, schema, await tablesOf(client, schema), packed);
    await client.query('COMMIT');
    const manifest: Manifest = {
      format: BACKUP_FORMAT,
      version: 1,
      writtenAt: now.toISOString(),
      migrations,
      ...written,
    };
    const file = createWriteStream(path, { flags: 'wx', mode: 0o600 });
    file.write(`${JSON.stringify(manifest)}\n`);
    await pipeline(createReadStream(packed), file);
  } finally {
    await rm(packed, { force: true });
  }
}

async function writeRows(
  client: Client,
  schema: string,
  tables: readonly CopiedTable[],
  path: string,
): Promise<Pick<Manifest, 'tables' | 'bytes'>> {
  const gzip = createGzip();
  const written = pipeline(gzip, createWriteStream(path, { flags: 'wx', mode: 0o600 }));
  // A full disk is said by `written`, which is waited for at the end.
  written.catch(() => undefined);
  const listed: ManifestTable[] = [];
  let bytes = 0;
  for (const table of tables) {
    const hash = createHash('sha256');
    let count = 0;
    for await (const rows of rowsOf(client, schema, table)) {
      const lines = Buffer.from(rows.map((row) => `${row}\n`).join(''));
      hash.update(lines);
      count += rows.length;
      bytes += lines.length;
      if (!gzip.write(lines)) await Promise.race([once(gzip, 'drain'), written]);
    }
    listed.push({
      name: table.name,
      columns: table.columns.map(({ name }) => name),
      rows: count,
      sha256: hash.digest('hex'),
    });
  }
  gzip.end();
  await written;
  return { tables: listed, bytes };
}

/** Whether a file begins as a backup of today's does. */
export async function isBackup(path: string): Promise<boolean> {
  const start = `{"format":"${BACKUP_FORMAT}"`;
  const file = await open(path);
  try {
    const { buffer } = await file.read(Buffer.alloc(start.length), 0, start.length, 0);
    return buffer.toString('latin1') === start;
  } finally {
    await file.close();
  }
}

/** A backup that was opened: what its manifest says, and its rows. */
export class BackupFile implements RowSource {
  private constructor(
    private readonly path: string,
    readonly manifest: Manifest,
    /** Where the rows begin, in bytes. */
    private readonly start: number,
  ) {}

  /** @throws NotRestorable where the file is none of ours, is damaged, or would unpack to a flood */
  static async open(path: string): Promise<BackupFile> {
    const file = await open(path);
    let head: Buffer;
    try {
      const { buffer, bytesRead } = await file.read(
        Buffer.alloc(LONGEST_MANIFEST),
        0,
        LONGEST_MANIFEST,
        0,
      );
      head = buffer.subarray(0, bytesRead);
    } finally {
      await file.close();
    }
    const end = head.indexOf('\n');
    const manifest = readManifest(head.subarray(0, Math.max(end, 0)).toString('utf8'));
    const { size } = await stat(path);
    if (manifest.bytes > size * MOST_PACKED)
      throw new NotRestorable(
        `it would unpack to ${manifest.bytes} bytes, more than ${MOST_PACKED} times its size; no backup of Idle Kettle does`,
      );
    return new BackupFile(path, manifest, end + 1);
  }

  get migrations(): readonly string[] {
    return this.manifest.migrations;
  }

  async *rows(tables: readonly CopiedTable[]): AsyncGenerator<TableRows> {
    const known = new Map(tables.map((table) => [table.name, table]));
    this.compare(known);
    const lines = this.lines();
    for (const listed of this.manifest.tables) {
      const table = known.get(listed.name)!;
      const hash = createHash('sha256');
      for (let left = listed.rows; left > 0;) {
        const rows = await nextRows(lines, left, hash);
        if (rows.length === 0)
          throw new NotRestorable(`${listed.name}: ${left} of its ${listed.rows} rows are missing`);
        left -= rows.length;
        yield { table, rows };
      }
      if (hash.digest('hex') !== listed.sha256)
        throw new NotRestorable(`${listed.name}: its rows are not those that were written`);
    }
    if (!(await lines.next()).done)
      throw new NotRestorable('it has more rows than its manifest says');
  }

  /** @throws NotRestorable where the manifest lists other tables or columns than there are */
  private compare(known: ReadonlyMap<string, CopiedTable>): void {
    const listed = new Set<string>();
    for (const { name, columns } of this.manifest.tables) {
      const table = known.get(name);
      if (!table || listed.has(name))
        throw new NotRestorable(`its manifest lists a table ${JSON.stringify(name)} that is none`);
      listed.add(name);
      const wanted = table.columns.map((column) => column.name);
      if (columns.join() !== wanted.join())
        throw new NotRestorable(
          `${name}: its columns are ${columns.join(', ').slice(0, 200)}; they should be ${wanted.join(', ')}`,
        );
    }
    const missing = [...known.keys()].find((name) => !listed.has(name));
    if (missing !== undefined) throw new NotRestorable(`its manifest lacks the table ${missing}`);
  }

  /** The lines behind the manifest, never more of them than it says. */
  private async *lines(): AsyncGenerator<Buffer> {
    const packed = createReadStream(this.path, { start: this.start });
    const stream = packed.pipe(createGunzip());
    packed.on('error', (error) => stream.destroy(error));
    let rest: Buffer[] = [];
    let restLength = 0;
    let read = 0;
    try {
      for await (const chunk of stream as AsyncIterable<Buffer>) {
        read += chunk.length;
        if (read > this.manifest.bytes)
          throw new NotRestorable('it unpacks to more than its manifest says');
        let from = 0;
        for (let end = chunk.indexOf(10); end >= 0; end = chunk.indexOf(10, from)) {
          yield Buffer.concat([...rest, chunk.subarray(from, end + 1)]);
          rest = [];
          restLength = 0;
          from = end + 1;
        }
        if (from === chunk.length) continue;
        rest.push(chunk.subarray(from));
        restLength += chunk.length - from;
        if (restLength > LONGEST_ROW)
          throw new NotRestorable('it has a row longer than any of ours can be');
      }
    } catch (error) {
      if (error instanceof NotRestorable) throw error;
      throw new NotRestorable(`it is damaged (${(error as Error).message})`);
    } finally {
      packed.destroy();
      stream.destroy();
    }
    if (restLength > 0) throw new NotRestorable('it is damaged: its last row is cut short');
  }
}

/** Rows go to the database until so many bytes are there. */
const LOAD_BYTES = 1e6;
const LOAD_ROWS = 1000;

/** @returns some of the next rows, at most `most`; none where there are no more */
async function nextRows(
  lines: AsyncGenerator<Buffer>,
  most: number,
  hash: Hash,
): Promise<string[]> {
  const rows: string[] = [];
  for (let bytes = 0; rows.length < Math.min(most, LOAD_ROWS) && bytes < LOAD_BYTES;) {
    const next = await lines.next();
    if (next.done === true) break;
    const line = next.value;
    hash.update(line);
    bytes += line.length;
    rows.push(line.toString('utf8', 0, line.length - 1));
  }
  return rows;
}

const isCount = (value: unknown): value is number =>
  typeof value === 'number' && Number.isSafeInteger(value) && value >= 0;
const isTexts = (value: unknown): value is string[] =>
  Array.isArray(value) && value.every((each) => typeof each === 'string');
const isTable = (value: unknown): value is ManifestTable => {
  const { name, columns, rows, sha256 } = (value ?? {}) as Record<string, unknown>;
  return (
    typeof name === 'string' && isTexts(columns) && isCount(rows) && typeof sha256 === 'string'
  );
};

/** @throws NotRestorable where the line is no manifest, or of a version that is not known */
function readManifest(line: string): Manifest {
  let given: Partial<Record<keyof Manifest, unknown>>;
  try {
    given = JSON.parse(line) as typeof given;
  } catch {
    throw new NotRestorable('it is no backup of Idle Kettle, or it is damaged');
  }
  const { version, migrations, tables, bytes } = given;
  if (version !== 1)
    throw new NotRestorable(
      `it is of version ${JSON.stringify(version)}, which a later Idle Kettle wrote; this one reads version 1`,
    );
  if (!isTexts(migrations) || !isCount(bytes) || !Array.isArray(tables) || !tables.every(isTable))
    throw new NotRestorable('its manifest is damaged');
  return given as Manifest;
}

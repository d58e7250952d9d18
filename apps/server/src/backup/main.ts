import 'reflect-metadata';
import { statfs } from 'node:fs/promises';
import { SystemClock } from '../clock/clock.js';
import { BackupFile, isBackup, migrationsOf, writeBackup } from './backup-file.js';
import { withClient } from './client.js';
import { OldBackup } from './old-backup.js';
import { liveSchema, restoreFrom } from './restore.js';
import { NotRestorable } from './row-source.js';

/*
 * What `./kettle backup` and `./kettle restore` run.
 *
 *   main.js write FILE
 *   main.js restore FILE KEEP   KEEP is where a copy of what is there goes first
 *
 * DATABASE_URL is the household's. KETTLE_RESTORE_INTO is an empty database to fill, which the caller
 * then puts in its place; without it the household's own is replaced, at once. KETTLE_OLD_BACKUP is
 * the database an old backup was unpacked into. KETTLE_SPACE_AT is a folder on the database's disk.
 */

const { DATABASE_URL, KETTLE_RESTORE_INTO, KETTLE_OLD_BACKUP, KETTLE_SPACE_AT } = process.env;

/** A database takes so many times the room of its rows, with indexes. A guess. */
const ROOM = 3;

function databaseUrl(): string {
  if (DATABASE_URL === undefined) throw new Error('DATABASE_URL must be set');
  return DATABASE_URL;
}

async function write(path: string): Promise<void> {
  const schema = await liveSchema(databaseUrl());
  await withClient(databaseUrl(), async (client) => {
    if ((await migrationsOf(client, schema)).length === 0)
      throw new NotRestorable('there is nothing yet; ./kettle start makes a household first');
    await writeBackup(client, schema, path, new SystemClock().now());
  });
}

async function restore(path: string, keep: string): Promise<void> {
  const there = {
    url: databaseUrl(),
    into: KETTLE_RESTORE_INTO,
    keep,
    now: new SystemClock().now(),
  };
  if (KETTLE_OLD_BACKUP !== undefined) {
    await withClient(KETTLE_OLD_BACKUP, async (client) =>
      restoreFrom(await OldBackup.open(client), there),
    );
    return;
  }
  if (!(await isBackup(path)))
    throw new NotRestorable('it is no backup of Idle Kettle, or it is damaged');
  const file = await BackupFile.open(path);
  await ensureRoom(file.manifest.bytes);
  await restoreFrom(file, there);
}

async function ensureRoom(bytes: number): Promise<void> {
  if (KETTLE_SPACE_AT === undefined) return;
  const { bavail, bsize } = await statfs(KETTLE_SPACE_AT);
  if (bytes * ROOM > bavail * bsize)
    throw new NotRestorable(
      `it wants ${Math.ceil((bytes * ROOM) / 1e6)} MB on the disk of the database, where ${Math.floor((bavail * bsize) / 1e6)} MB are free`,
    );
}

const [verb, path = '', keep = ''] = process.argv.slice(2);
try {
  await (verb === 'write' ? write(path) : restore(path, keep));
} catch (error) {
  const isOurs = error instanceof NotRestorable;
  process.stderr.write(`${isOurs ? error.message : String((error as Error).stack ?? error)}\n`);
  process.exitCode = 1;
}

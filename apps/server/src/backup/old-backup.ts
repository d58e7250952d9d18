import type { Client } from 'pg';
import { migrationsOf } from './backup-file.js';
import type { RowSource, TableRows } from './row-source.js';
import { rowsOf, type CopiedTable } from './tables.js';

/** Where PostgreSQL's own tool puts what it unpacks. */
const SCHEMA = 'public';

/**
 * A backup of before, when it was a dump of the database: unpacked into a database apart by the start
 * script, and read out there as a role that owns nothing else. Whatever else the dump made there
 * stays there.
 */
export class OldBackup implements RowSource {
  private constructor(
    private readonly client: Client,
    readonly migrations: readonly string[],
  ) {}

  static async open(client: Client): Promise<OldBackup> {
    return new OldBackup(client, await migrationsOf(client, SCHEMA));
  }

  async *rows(tables: readonly CopiedTable[]): AsyncGenerator<TableRows> {
    await this.client.query('BEGIN TRANSACTION ISOLATION LEVEL REPEATABLE READ READ ONLY');
    for (const table of tables)
      for await (const rows of rowsOf(this.client, SCHEMA, table)) yield { table, rows };
    await this.client.query('COMMIT');
  }
}

import type { CopiedTable } from './tables.js';

/** What keeps a backup from being restored; its message says what, where, and what would be right. */
export class NotRestorable extends Error {}

/** Where the rows of a restore come from: a backup of today's, or a database an old one was unpacked into. */
export interface RowSource {
  /** Names of the migrations that had run where the rows were written, in order. */
  readonly migrations: readonly string[];
  /**
   * The rows of tables, one after the other, as JSON objects by the names of their columns.
   *
   * @throws NotRestorable where they are not what was written; nothing of them may be kept then
   */
  rows(tables: readonly CopiedTable[]): AsyncGenerator<TableRows>;
}

/** Some rows of a table. */
export interface TableRows {
  readonly table: CopiedTable;
  readonly rows: readonly string[];
}

import type { Client } from 'pg';

/** A column as rows are copied to and from it. */
export interface CopiedColumn {
  readonly name: string;
  /** As PostgreSQL writes it: `uuid`, `timestamp with time zone`. */
  readonly type: string;
}

/** A table whose rows are copied. */
export interface CopiedTable {
  readonly name: string;
  readonly columns: readonly CopiedColumn[];
  /** The column that says in which order rows came, where there is one; it is numbered anew. */
  readonly order: string | undefined;
}

/** The table in which umzug notes the migrations that ran. */
export const MIGRATIONS_TABLE = 'migrations';

/**
 * What is left out makes itself: a generated column, one the database numbers, and the id of a
 * transaction (`xid8`), which means nothing in another cluster: a log would be sent again for ever.
 */
const COLUMNS = `
  SELECT class.relname AS "table", attribute.attname AS name,
    pg_catalog.format_type(attribute.atttypid, attribute.atttypmod) AS type,
    attribute.attidentity OPERATOR(pg_catalog.<>) '' AS numbered,
    attribute.attgenerated OPERATOR(pg_catalog.<>) ''
      OR attribute.atttypid OPERATOR(pg_catalog.=) 'pg_catalog.xid8'::pg_catalog.regtype AS made
  FROM pg_catalog.pg_class class
    JOIN pg_catalog.pg_namespace namespace ON namespace.oid OPERATOR(pg_catalog.=) class.relnamespace
    JOIN pg_catalog.pg_attribute attribute ON attribute.attrelid OPERATOR(pg_catalog.=) class.oid
  WHERE namespace.nspname OPERATOR(pg_catalog.=) $1 AND class.relkind OPERATOR(pg_catalog.=) 'r'
    AND class.relname OPERATOR(pg_catalog.<>) '${MIGRATIONS_TABLE}'
    AND attribute.attnum OPERATOR(pg_catalog.>) 0 AND NOT attribute.attisdropped
  ORDER BY class.relname, attribute.attnum`;

interface ColumnRow extends CopiedColumn {
  readonly table: string;
  readonly numbered: boolean;
  readonly made: boolean;
}

/** A table that is not ours: every one of ours carries its household. */
const isForeign = (name: string, columns: readonly ColumnRow[]): boolean =>
  name !== 'households' && !columns.some((column) => column.name === 'household_id');

/** Every table of a schema that our migrations made, by name. */
export async function tablesOf(client: Client, schema: string): Promise<CopiedTable[]> {
  const { rows } = await client.query<ColumnRow>(COLUMNS, [schema]);
  return [...new Set(rows.map(({ table }) => table))].flatMap((name) => {
    const columns = rows.filter(({ table }) => table === name);
    if (isForeign(name, columns)) return [];
    return {
      name,
      columns: columns
        .filter(({ numbered, made }) => !numbered && !made)
        .map(({ name: column, type }) => ({ name: column, type })),
      order: columns.find(({ numbered }) => numbered)?.name,
    };
  });
}

export const quoted = (name: string): string => `"${name.replaceAll('"', '""')}"`;
export const inSchema = (schema: string, name: string): string =>
  `${quoted(schema)}.${quoted(name)}`;

/** Rows are fetched until so many bytes of JSON are there. */
const FETCH_BYTES = 4e6;
const [FETCH_FIRST, FETCH_MOST] = [10, 1000];

/**
 * The rows of a table as JSON, one text a row, by the names of the columns given. Needs an open
 * transaction.
 */
export async function* rowsOf(
  client: Client,
  schema: string,
  { name, columns, order }: CopiedTable,
): AsyncGenerator<readonly string[]> {
  const list = columns.map((column) => quoted(column.name)).join(', ');
  await client.query(`
    DECLARE copied NO SCROLL CURSOR FOR SELECT pg_catalog.row_to_json(copy)::pg_catalog.text AS row
    FROM (SELECT ${list} FROM ${inSchema(schema, name)}
      ${order === undefined ? '' : `ORDER BY ${quoted(order)}`}) AS copy`);
  for (let count = FETCH_FIRST; ;) {
    const { rows } = await client.query<{ row: string }>(`FETCH ${count} FROM copied`);
    if (rows.length === 0) break;
    yield rows.map(({ row }) => row);
    const longest = Math.max(...rows.map(({ row }) => row.length));
    count = Math.min(FETCH_MOST, Math.max(1, Math.floor(FETCH_BYTES / longest)));
  }
  await client.query('CLOSE copied');
}

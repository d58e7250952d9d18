import { HOUSEHOLD_PARTS, type HouseholdPart } from '@idle-kettle/contract';
import { isoMoment } from '../batches/event-json.js';

/** What a column holds, by the database's own names; `picture` is bytes, in the file as base64. */
type ColumnType =
  'uuid' | 'text' | 'float8' | 'int' | 'boolean' | 'jsonb' | 'timestamptz' | 'date' | 'picture';

/** One field of the file and where it is in the database. */
interface FileColumn {
  readonly field: string;
  readonly column: string;
  readonly type: ColumnType;
  /** An SQL value where the file does not have the field. */
  readonly otherwise?: string;
  /** Taken in, but not written: it follows from what is written, or comes by itself. */
  readonly onlyIn?: true;
}

/** How a table of the household is in the file. */
export interface FileTable {
  readonly table: string;
  readonly columns: readonly FileColumn[];
  /** Columns the database computes from the file's own while a row is taken in: column to SQL. */
  readonly derived?: Readonly<Record<string, string>>;
  readonly order: string;
  /** Rows that are written; all unless given. */
  readonly where?: string;
}

const column = (
  field: string,
  type: ColumnType,
  name = field,
  more: Partial<FileColumn> = {},
): FileColumn => ({ field, type, column: name, ...more });
const id = column('id', 'uuid');
const createdAt = column('createdAt', 'timestamptz', 'created_at');
const updatedAt = column('updatedAt', 'timestamptz', 'updated_at');
const batchId = column('batchId', 'uuid', 'batch_id');

const NO_GEAR = `'{"thermometers":[],"vessels":[],"burners":[],"canners":[],"pectins":[],"jars":[]}'`;

/**
 * Every table that goes into a household's file, with its columns. What is written to the file and
 * what is taken in from it both come from here; a test holds it against the database and against
 * the contract. Versions of formulas and events of batches are lists within their own row.
 */
export const FILE_TABLES: Readonly<Record<HouseholdPart, FileTable>> = {
  kitchens: {
    table: 'kitchens',
    order: 'used_at DESC',
    columns: [
      id,
      column('name', 'text'),
      column('altitude_m', 'float8'),
      column('boilingPoint_C', 'float8', 'boiling_point_c'),
      column('boilingPointMeasuredAt', 'timestamptz', 'boiling_point_measured_at'),
      column('pressure_kPa', 'float8', 'pressure_kpa'),
      column('pressureReadAt', 'timestamptz', 'pressure_read_at'),
      column('southern', 'boolean', 'southern', { otherwise: 'false' }),
      column('gear', 'jsonb', 'gear', { otherwise: NO_GEAR }),
      column('units', 'text'),
      column('temperatureUnit', 'text', 'temperature_unit'),
      column('usedAt', 'timestamptz', 'used_at'),
      updatedAt,
    ],
  },
  preparedWeights: {
    table: 'prepared_weights',
    order: 'weighed_at, id',
    columns: [
      id,
      column('ingredient', 'text'),
      column('variety', 'text'),
      column('bought_kg', 'float8'),
      column('prepared_kg', 'float8'),
      column('at', 'timestamptz', 'weighed_at'),
    ],
  },
  formulas: {
    table: 'formulas',
    order: 'created_at, id',
    derived: { title: `document ->> 'title'` },
    columns: [
      id,
      column('document', 'jsonb'),
      column('revision', 'int'),
      column('favourite', 'boolean'),
      column('archivedAt', 'timestamptz', 'archived_at'),
      createdAt,
      updatedAt,
    ],
  },
  batches: {
    table: 'batches',
    order: 'created_at, id',
    derived: { title: `document ->> 'title'` },
    columns: [
      id,
      column('document', 'jsonb'),
      column('revision', 'int'),
      column('formulaId', 'uuid', 'formula_id'),
      column('removedAt', 'timestamptz', 'removed_at'),
      createdAt,
      updatedAt,
    ],
  },
  lots: {
    table: 'shelf_lots',
    order: 'created_at, id',
    columns: [
      id,
      batchId,
      column('size', 'text'),
      column('partFill', 'float8', 'part_fill'),
      column('jars', 'jsonb'),
      column('madeOn', 'date', 'made_on'),
      column('keptIn', 'text', 'kept_in'),
      column('place', 'text'),
      column('keptSince', 'timestamptz', 'kept_since'),
      column('cameFrom', 'uuid', 'came_from'),
      createdAt,
    ],
  },
  moves: {
    table: 'shelf_moves',
    order: 'happened_at, id',
    columns: [
      id,
      column('lotId', 'uuid', 'lot_id'),
      column('change', 'int'),
      column('reason', 'text'),
      column('whom', 'text'),
      column('note', 'text'),
      column('at', 'timestamptz', 'happened_at'),
    ],
  },
  frozenFruit: {
    table: 'frozen_fruit',
    order: 'frozen_on, id',
    columns: [
      id,
      column('ingredient', 'text'),
      column('mass_kg', 'float8'),
      column('note', 'text'),
      column('frozenOn', 'date', 'frozen_on'),
    ],
  },
  photos: {
    table: 'batch_photos',
    order: 'taken_at, id',
    where: 'removed_at IS NULL',
    columns: [
      id,
      batchId,
      column('note', 'text'),
      column('at', 'timestamptz', 'taken_at'),
      column('width', 'int', 'width', { onlyIn: true }),
      column('height', 'int', 'height', { onlyIn: true }),
      // Too large to be read with all the others; see `export.service.ts`.
      column('image', 'picture', 'image', { onlyIn: true }),
      column('small', 'picture', 'small', { onlyIn: true }),
    ],
  },
  practiceScenarios: {
    table: 'practice_scenarios',
    order: 'id',
    columns: [id, column('document', 'jsonb')],
  },
  practiceRuns: {
    table: 'practice_runs',
    order: 'played_at, id',
    columns: [
      id,
      column('player', 'text'),
      column('scenario', 'text'),
      column('seed', 'int'),
      column('mode', 'text'),
      column('score', 'int'),
      column('medals', 'jsonb'),
      column('at', 'timestamptz', 'played_at'),
    ],
  },
};

/** Lists within a row, which are tables of their own. */
export const VERSION_COLUMNS: readonly FileColumn[] = [
  column('revision', 'int'),
  column('document', 'jsonb'),
  column('savedAt', 'timestamptz', 'saved_at'),
];
export const EVENT_COLUMNS: readonly FileColumn[] = [
  id,
  column('type', 'text'),
  column('at', 'timestamptz', 'happened_at'),
  column('saidAt', 'timestamptz', 'said_at'),
  column('device', 'text'),
  column('body', 'jsonb'),
];

export const PARTS = Object.keys(HOUSEHOLD_PARTS) as HouseholdPart[];

const quoted = (name: string): string => `"${name}"`;

/** A column as it is in the file's JSON. */
function jsonValue({ column: name, type }: FileColumn, of = ''): string {
  if (type === 'timestamptz') return isoMoment(`${of}${name}`);
  return type === 'date' ? `to_char(${of}${name}, 'YYYY-MM-DD')` : `${of}${name}`;
}

/** `json_build_object` of columns, in the file's names. */
const jsonObject = (columns: readonly FileColumn[], of = ''): string =>
  `json_build_object(${columns
    .filter(({ onlyIn }) => !onlyIn)
    .map((each) => `'${each.field}', ${jsonValue(each, of)}`)
    .join(', ')})`;

/** The versions of a formula, within its row. */
const VERSIONS = `
  json_build_object('versions', coalesce((
    SELECT json_agg(${jsonObject(VERSION_COLUMNS, 'version.')} ORDER BY version.revision)
    FROM formula_versions version WHERE version.formula_id = formulas.id), '[]'))`;

/** What an optional field holds where there is nothing: left out, where the contract says so. */
const WITHOUT_NULLS: ReadonlySet<HouseholdPart> = new Set<HouseholdPart>(['preparedWeights']);

/**
 * The rows of a part for the file: `row` is the JSON of one, `id` its id. The database writes them.
 * Needs `:householdId`.
 */
export function selectRows(part: HouseholdPart): string {
  const { table, columns, where, order } = FILE_TABLES[part];
  const object = jsonObject(columns);
  const whole = part === 'formulas' ? `(${object})::jsonb || (${VERSIONS})::jsonb` : object;
  const row = WITHOUT_NULLS.has(part) ? `json_strip_nulls(${whole})` : whole;
  return `
    SELECT (${row})::text AS row, id FROM ${table}
    WHERE household_id = :householdId ${where === undefined ? '' : `AND ${where}`}
    ORDER BY ${order}`;
}

const recordType = (type: ColumnType): string => (type === 'picture' ? 'text' : type);
const recordColumns = (columns: readonly FileColumn[]): string =>
  columns.map(({ field, type }) => `${quoted(field)} ${recordType(type)}`).join(', ');

/** A field of the file as the value of its column. */
function columnValue({ field, type, otherwise }: FileColumn, of = 'row'): string {
  const value = `${of}.${quoted(field)}`;
  if (type === 'picture') return `decode(${value}, 'base64')`;
  return otherwise === undefined ? value : `coalesce(${value}, ${otherwise})`;
}

/**
 * Puts the rows of a part in; `:rows` is their list as JSON. Rows that are there already stay as
 * they are. Needs `:householdId`.
 */
export function insertRows(part: HouseholdPart): string {
  const { table, columns, derived = {} } = FILE_TABLES[part];
  const names = [...columns.map((each) => each.column), ...Object.keys(derived)];
  const values = [...columns.map((each) => columnValue(each)), ...Object.values(derived)];
  return `
    INSERT INTO ${table} (household_id, ${names.join(', ')})
    SELECT :householdId, ${values.join(', ')}
    FROM jsonb_to_recordset(:rows) AS row (${recordColumns(columns)})
    ON CONFLICT DO NOTHING`;
}

/** Puts the versions of formulas in; `:rows` are the formulas as in the file. */
export const INSERT_VERSIONS = `
  INSERT INTO formula_versions (formula_id, household_id, ${VERSION_COLUMNS.map((each) => each.column).join(', ')})
  SELECT row.id, :householdId, ${VERSION_COLUMNS.map((each) => columnValue(each, 'version')).join(', ')}
  FROM jsonb_to_recordset(:rows) AS row (id uuid, versions jsonb),
    jsonb_to_recordset(row.versions) AS version (${recordColumns(VERSION_COLUMNS)})
  ON CONFLICT DO NOTHING`;

/** Puts the events of one batch in; `:rows` are its events as in the file. Needs `:batchId`. */
export const INSERT_EVENTS = `
  INSERT INTO batch_events (household_id, batch_id, ${EVENT_COLUMNS.map((each) => each.column).join(', ')})
  SELECT :householdId, :batchId, ${EVENT_COLUMNS.map((each) => columnValue(each)).join(', ')}
  FROM jsonb_to_recordset(:rows) AS row (${recordColumns(EVENT_COLUMNS)})
  ON CONFLICT DO NOTHING`;

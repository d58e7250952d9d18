import 'reflect-metadata';
import { HOUSEHOLD_PARTS, type HouseholdPart } from '@idle-kettle/contract';
import { getMetadataStorage } from 'class-validator';
import { connect } from '../database/connect.js';
import { migrate } from '../database/migrate.js';
import { freshDatabase } from '../testing/database.js';
import {
  EVENT_COLUMNS,
  FILE_TABLES,
  insertRows,
  PARTS,
  selectRows,
  VERSION_COLUMNS,
} from './file-tables.js';

/** Columns a household's file does not have: the household itself, and what comes by itself. */
const NOT_IN_THE_FILE: Readonly<Record<string, readonly string[]>> = {
  kitchens: ['created_at'],
  batch_photos: ['removed_at'],
  batch_events: ['seq', 'recorded_at', 'written_by', 'batch_id'],
  formula_versions: ['formula_id'],
  shelf_moves: ['recorded_at'],
};

/** Fields of the file that are lists of a table of their own. */
const LISTS: Readonly<Partial<Record<HouseholdPart, readonly string[]>>> = {
  formulas: ['versions'],
  batches: ['events'],
};
/** Computed of a photo when it is taken in. */
const MADE_OF_A_PHOTO: readonly string[] = ['width', 'height', 'small'];

const fieldsOf = (part: HouseholdPart): string[] => [
  ...new Set(
    getMetadataStorage()
      .getTargetValidationMetadatas(HOUSEHOLD_PARTS[part], '', false, false)
      .map(({ propertyName }) => propertyName),
  ),
];

test.each(PARTS)('the fields of %s are those of the contract', (part) => {
  const mapped = FILE_TABLES[part].columns.map(({ field }) => field);
  expect(
    [...mapped.filter((field) => !MADE_OF_A_PHOTO.includes(field)), ...(LISTS[part] ?? [])].sort(),
  ).toEqual(fieldsOf(part).sort());
});

test('every column of the database is in the file, or is known not to be', async () => {
  const database = await connect(await freshDatabase('kettle_test_file_tables'));
  await migrate(database);
  const [rows] = (await database.query(
    `SELECT table_name, column_name FROM information_schema.columns
     WHERE table_schema = 'public' AND column_name <> 'household_id'`,
  )) as [{ table_name: string; column_name: string }[], unknown];
  const tables = [
    ...PARTS.map((part) => FILE_TABLES[part]),
    { table: 'formula_versions', columns: VERSION_COLUMNS },
    { table: 'batch_events', columns: EVENT_COLUMNS },
  ];
  for (const { table, columns, ...more } of tables) {
    const derived = 'derived' in more ? Object.keys(more.derived ?? {}) : [];
    const known = [
      ...columns.map(({ column }) => column),
      ...derived,
      ...(NOT_IN_THE_FILE[table] ?? []),
    ];
    const inDatabase = rows.filter((row) => row.table_name === table).map((row) => row.column_name);
    expect([table, known.sort()]).toEqual([table, inDatabase.sort()]);
  }
  // Both statements are ones the database understands.
  const replacements = { householdId: '00000000-0000-4000-8000-000000000000', rows: '[]' };
  for (const part of PARTS) {
    await database.query(selectRows(part), { replacements });
    await database.query(insertRows(part), { replacements });
  }
  await database.close();
});

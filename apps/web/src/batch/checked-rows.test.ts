import { ingredientById, PROCESS_ROWS } from '@idle-kettle/core';
import {
  CHECKED_TABLES,
  fruitCheck,
  PROCESS_CHECKS,
  signedRow,
  stopCheck,
  type CheckedRow,
} from './checked-rows.js';

const signed = (row: CheckedRow, figures: readonly number[] = row.values) => ({
  row: row.id,
  figures: [...figures],
  against: 'County tables, 2024',
  on: '2026-09-12',
  by: 'Nell',
});

test('every row of every table can be signed, and none is named twice', () => {
  const rows = [...PROCESS_CHECKS, ...CHECKED_TABLES.flatMap((table) => table.rows)];
  expect(new Set(rows.map(({ id }) => id)).size).toBe(rows.length);
  expect(CHECKED_TABLES.map(({ rows: of }) => of.length > 0)).not.toContain(false);
  for (const row of rows) {
    expect(row.values).toHaveLength(row.figures.length);
    expect(signedRow(row, [signed(row)])?.by).toBe('Nell');
  }
});

test('a signature falls with any figure that is another now', () => {
  const damson = ingredientById('damson');
  if (!damson) throw new Error('there are no damsons');
  const row = fruitCheck(damson);
  for (const i of row.values.keys()) {
    const was = row.values.map((value, k) => (k === i ? value + 0.01 : value));
    expect(signedRow(row, [signed(row, was)])).toBeUndefined();
  }
  expect(signedRow(row, [signed(row, row.values.slice(1))])).toBeUndefined();
});

test('what was signed of the process tables before counts on: its minutes', () => {
  const [row] = PROCESS_CHECKS;
  if (!row) throw new Error('there are no rows');
  const { figures: _, ...rest } = signed(row);
  const minutes = [...(Object.values(PROCESS_ROWS)[0]?.minutes ?? [])];
  expect(signedRow(row, [{ ...rest, minutes }])?.by).toBe('Nell');
  expect(signedRow(row, [rest])).toBeUndefined();
});

test('where to stop is checked at the altitudes of the published table', () => {
  expect(stopCheck(0)?.name).toBe('0 ft');
  expect(stopCheck(1524)?.name).toBe('5,000 ft');
  expect(stopCheck(1180)).toBeUndefined();
  // USDA Complete Guide to Home Canning, Guide 7, from memory: 220 F at the sea, 212 at 4,000 ft.
  expect(stopCheck(0)?.values[2]).toBeCloseTo(220, 0);
});

import 'reflect-metadata';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import type { BatchSummary, LotView } from '@idle-kettle/contract';
import { STARTERS } from '@idle-kettle/core';
import { OWN_FORMULAS } from '../demo/past-batches.table.js';
import { seedDemo } from '../demo/seed.js';
import { damsonJam, newBatch, startTestApp } from '../testing/app.js';
import { DatabaseDoor, freshDatabase } from '../testing/database.js';
import { connect } from './connect.js';
import { migrate } from './migrate.js';
import { MIGRATIONS } from './migrations/index.js';

describe('migrations', () => {
  test('run up from empty, in order, once, and every file is listed', async () => {
    const database = await connect(await freshDatabase('kettle_test_migrate'));
    const names = MIGRATIONS.map((migration) => migration.name);
    expect(await migrate(database)).toEqual(names);
    expect(await migrate(database)).toEqual([]);
    expect(names).toEqual(names.toSorted());
    const files = readdirSync(join(__dirname, 'migrations')).filter((file) => /^\d/.test(file));
    expect(files.map((file) => file.replace('.ts', '')).sort()).toEqual(names);
    await database.close();
  });

  test('every table carries its household', async () => {
    const database = await connect(await freshDatabase('kettle_test_tables'));
    await migrate(database);
    const [rows] = await database.query(`
      SELECT t.table_name FROM information_schema.tables t
      WHERE t.table_schema = 'public' AND t.table_name NOT IN ('households', 'migrations')
        AND NOT EXISTS (SELECT 1 FROM information_schema.columns c WHERE c.table_name = t.table_name AND c.column_name = 'household_id' AND c.is_nullable = 'NO')`);
    expect(rows).toEqual([]);
    await database.close();
  });

  test('three servers starting at once leave one whole schema', async () => {
    const url = await freshDatabase('kettle_test_three');
    const databases = await Promise.all([connect(url), connect(url), connect(url)]);
    const ran = await Promise.all(databases.map((database) => migrate(database)));
    expect(ran.map((names) => names.length).sort()).toEqual([0, 0, MIGRATIONS.length]);
    await Promise.all(databases.map((database) => database.close()));
  });

  test('a database that does not answer is an error after the patience given, not a hang', async () => {
    await expect(connect('postgres://nobody:x@127.0.0.1:1/none', 400)).rejects.toThrow(
      /ECONNREFUSED/,
    );
  });
});

test('while the database is away requests get 503 with a time to retry; when it is back everything is there', async () => {
  const door = new DatabaseDoor(new URL(await freshDatabase('kettle_test_away')));
  const kitchen = await startTestApp(await door.open());
  const id = await newBatch(kitchen.http);
  await door.shut();
  for (const ask of [
    kitchen.http.get('/api/health'),
    kitchen.http.get('/api/batches'),
    kitchen.http.put(`/api/batches/${id}`).send({ document: damsonJam(), revision: 1 }),
  ]) {
    const { body } = await ask
      .expect(503)
      .expect('Retry-After', '2')
      .expect('Content-Type', /problem\+json/);
    expect(body).toMatchObject({
      title: 'Database unavailable',
      detail: expect.stringContaining('try again') as string,
    });
  }
  await door.open();
  await kitchen.http.get('/api/health').expect(200);
  await kitchen.http.get(`/api/batches/${id}`).expect(200);
  await kitchen.close();
  await door.shut();
}, 60_000);

test('first requests that come at once make one household', async () => {
  const url = await freshDatabase('kettle_test_race');
  const kitchen = await startTestApp(url);
  await Promise.all(Array.from({ length: 6 }, () => kitchen.http.get('/api/batches').expect(200)));
  await kitchen.close();
  const database = await connect(url);
  const [rows] = await database.query('SELECT id FROM households');
  expect(rows).toHaveLength(1);
  await database.close();
});

/** Two years of a household are simulated: six seconds, and several times that on a busy machine. */
const SEEDED_WITHIN_MS = 90_000;

test(
  'the demo household is added once: finished batches, one on the stove, jars on the shelf',
  async () => {
    const kitchen = await startTestApp(await freshDatabase('kettle_test_demo'));
    const now = new Date();
    const firstStarts = await Promise.all([1, 2].map(() => seedDemo(kitchen.app, now)));
    expect(firstStarts.toSorted()).toEqual([false, true]);
    expect(await seedDemo(kitchen.app, now)).toBe(false);
    const batches = (await kitchen.http.get('/api/batches').expect(200)).body as BatchSummary[];
    expect(batches.filter((batch) => batch.phase === 'on-heat')).toHaveLength(1);
    expect(batches.filter((batch) => batch.phase === 'done' && batch.onShelf)).toHaveLength(45);
    // A long boil stops at its setting point; of the others something else tells.
    const longBoils = new Set(
      [...STARTERS, ...OWN_FORMULAS].flatMap(({ method, title }) =>
        method === 'long-boil' ? [title] : [],
      ),
    );
    for (const batch of batches.filter(({ title }) => longBoils.has(title)))
      expect(
        Math.abs((batch.lastReading?.temperature_C ?? 0) - (batch.gelTemperature_C ?? 0)),
      ).toBeLessThan(3);
    const all = (await kitchen.http.get('/api/shelf').expect(200)).body as LotView[];
    const lots = all.filter((lot) => lot.count > 0);
    expect(lots.length).toBeGreaterThan(20);
    // Full jars were processed as the table says for this altitude; part jars, opened ones and what
    // has not sealed are in the fridge.
    for (const { title, partFill, keptIn, keeping } of lots)
      expect([title, keeping.verdict]).toEqual([
        title,
        partFill === null && keptIn === null ? 'shelf' : 'fridge',
      ]);
    expect(lots.filter(({ seals }) => seals.state === 'due').map(({ title }) => title)).toEqual([
      'Blackcurrant jam',
    ]);
    expect((await kitchen.http.get('/api/kitchens').expect(200)).body).toMatchObject([
      { altitude_m: 1180 },
    ]);
    await kitchen.close();
  },
  SEEDED_WITHIN_MS,
);

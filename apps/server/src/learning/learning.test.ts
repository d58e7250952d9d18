import { randomUUID } from 'node:crypto';
import { gelTemperature_C, preparePot, readFormula, simulateFormula } from '@idle-kettle/core';
import {
  emptyGear,
  type KitchenSettings,
  type KitchenView,
  type LessonsView,
} from '@idle-kettle/contract';
import { damsonJam, newBatch, startTestApp, type TestApp } from '../testing/app.js';
import { freshDatabase } from '../testing/database.js';

let kitchen: TestApp;
beforeAll(async () => {
  kitchen = await startTestApp(await freshDatabase('kettle_test_learning'));
});
afterAll(() => kitchen.close());

const HERE = { altitude_m: 640 };
const lessons = async (): Promise<LessonsView> =>
  (await kitchen.http.get('/api/lessons').expect(200)).body as LessonsView;
const send = (batchId: string, events: readonly object[]) =>
  kitchen.http.post(`/api/batches/${batchId}/events`).send({ events }).expect(200);
async function settings(more: Partial<KitchenSettings>): Promise<void> {
  const [home] = (await kitchen.http.get('/api/kitchens').expect(200)).body as KitchenView[];
  const { id, updatedAt: _updatedAt, ...was } = home!;
  await kitchen.http
    .put(`/api/kitchens/${id}`)
    .send({ ...was, ...more })
    .expect(200);
}

/**
 * A damson jam boiled on a strong flame with a thermometer that reads 0.9 K high, logged as a probe
 * and a maker do.
 */
async function boiled(day: number, { every_s = 45 } = {}): Promise<string> {
  const document = damsonJam({
    lines: [
      { ingredient: 'damson', form: 'pitted', amount: '1.4 kg' },
      { ingredient: 'water', amount: '300 ml' },
      { ingredient: 'white-sugar', amount: '1.4 kg' },
    ],
  });
  const batchId = await newBatch(kitchen.http, document);
  const gel = gelTemperature_C(HERE);
  const { readings, end_s } = simulateFormula(preparePot(readFormula(document, HERE).formula)!, {
    net_W: () => 1950,
    fluctuation: 0.05,
    instruments: {
      noise_K: 0.3,
      offset_K: 0.9,
      drift_KPerH: 0,
      scaleNoise_kg: 0.01,
      brixNoise_percent: 0.5,
    },
    seed: day,
    readEvery_s: every_s,
    until: ({ temperature_C }) => temperature_C + 0.9 >= gel,
  });
  const from = Date.parse('2026-09-01T15:00:00.000Z') + day * 86_400_000;
  const event = (type: string, seconds: number, body: object) => ({
    id: randomUUID(),
    type,
    at: new Date(from + seconds * 1000).toISOString(),
    device: 'bench',
    body,
  });
  await send(batchId, [
    event('light', 0, { gelTemperature_C: gel, boilingPoint_C: gel - 40 / 9 }),
    ...readings.map(({ time_s, temperature_C }) =>
      event('reading', time_s, { temperature_C: Math.round(temperature_C * 100) / 100 }),
    ),
    event('done', end_s + 1, {}),
    event('jarred', end_s + 600, { jars: [{ size: '454-g', full: 5, part: 0.8 }] }),
  ]);
  return batchId;
}

test('however many ask at once at first, there is one kitchen', async () => {
  await Promise.all(
    ['lessons', 'kitchens', 'lessons', 'kitchens', 'shelf', 'kitchens'].map((what) =>
      kitchen.http.get(`/api/${what}`).expect(200),
    ),
  );
  expect((await kitchen.http.get('/api/kitchens').expect(200)).body).toHaveLength(1);
});

test('without a boil nothing is taught, and what is believed is said', async () => {
  await settings({ altitude_m: HERE.altitude_m });
  const { lessons: taught, boils, errors, pending } = await lessons();
  expect([boils, pending, errors]).toEqual([[], 0, {}]);
  expect(taught.offset_K).toMatchObject({ boils: 0, value: { mid: 0 } });
});

test('each boil is looked at once it is done, whatever order the log came in; a boil under way is not', async () => {
  const batches: string[] = [];
  for (const day of [1, 2, 3]) batches.push(await boiled(day));
  const running = await newBatch(kitchen.http);
  await send(running, [
    {
      id: randomUUID(),
      type: 'light',
      at: '2026-09-09T15:00:00.000Z',
      device: 'bench',
      body: { gelTemperature_C: 102.3, boilingPoint_C: 97.9 },
    },
  ]);
  const found = await lessons();
  expect(found.boils.map(({ batchId }) => batchId)).toEqual(batches.reverse());
  expect(found.lessons.offset_K.boils).toBe(3);
  expect(Math.abs(found.lessons.offset_K.value.mid - 0.9)).toBeLessThan(0.4);
  expect(found.lessons.heat_W.value.mid).toBeGreaterThan(1700);
  expect(found.boils[0]).toMatchObject({ title: 'Damson jam', rise_K: null });
  // The second and the third were foretold with what came before them.
  expect(found.errors.yield?.batches).toBe(2);
  expect(found.errors.minutes?.with).toBeLessThan(found.errors.minutes?.without ?? 0);
  expect(await lessons()).toEqual(found);
});

test('a jar that is opened and judged later is looked at again', async () => {
  const [{ batchId } = { batchId: '' }] = (await lessons()).boils;
  await send(batchId, [
    {
      id: randomUUID(),
      type: 'scored',
      at: '2026-11-01T08:00:00.000Z',
      device: 'bench',
      body: { set: 1, taste: 4 },
    },
  ]);
  const found = await lessons();
  expect(found.boils[0]?.rise_K).toBeGreaterThan(0);
  expect(found.lessons.rise_K.boils).toBe(1);
  expect(found.boils).toHaveLength(3);
});

test('many boils are looked at a dozen at a time; nothing waits for all of them', async () => {
  for (let day = 10; day < 23; day++) await boiled(day, { every_s: 60 });
  const first = await lessons();
  expect([first.boils.length, first.pending]).toEqual([15, 1]);
  const second = await lessons();
  expect([second.boils.length, second.pending]).toEqual([16, 0]);
});

test('begun anew, earlier boils do not count; another kitchen has its own', async () => {
  await settings({
    gear: { ...emptyGear(), learning: { used: true, since: '2026-09-20T00:00:00.000Z' } },
  });
  expect((await lessons()).boils.map(({ endedAt }) => endedAt.slice(0, 10))).toEqual([
    '2026-09-23',
    '2026-09-22',
    '2026-09-21',
    '2026-09-20',
  ]);
  await settings({ gear: emptyGear() });
  expect((await lessons()).boils).toHaveLength(16);
  const [home] = (await kitchen.http.get('/api/kitchens').expect(200)).body as KitchenView[];
  const { id: _id, updatedAt: _updatedAt, ...same } = home!;
  const cottage = randomUUID();
  await kitchen.http
    .put(`/api/kitchens/${cottage}`)
    .send({ ...same, name: 'Cottage' })
    .expect(200);
  await kitchen.http.post(`/api/kitchens/${cottage}/use`).expect(200);
  expect(await lessons()).toMatchObject({ kitchenId: cottage, boils: [], pending: 0 });
});

test('a wish that cannot be read is refused by name', async () => {
  const [home] = (await kitchen.http.get('/api/kitchens').expect(200)).body as KitchenView[];
  const { id, updatedAt: _updatedAt, ...was } = home!;
  const { body } = await kitchen.http
    .put(`/api/kitchens/${id}`)
    .send({ ...was, gear: { ...emptyGear(), learning: { used: 'often', since: 'spring' } } })
    .expect(400);
  expect((body as { errors: { path: string }[] }).errors.map(({ path }) => path).sort()).toEqual([
    'gear.learning.since',
    'gear.learning.used',
  ]);
});

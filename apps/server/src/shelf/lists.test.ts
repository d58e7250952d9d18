import { randomUUID } from 'node:crypto';
import type { LotView, ProblemBody, ShelfOverview } from '@idle-kettle/contract';
import { damsonJam, newBatch, reading, startTestApp, type TestApp } from '../testing/app.js';
import { freshDatabase } from '../testing/database.js';

let kitchen: TestApp;
beforeAll(async () => {
  kitchen = await startTestApp(await freshDatabase('kettle_test_shelf_lists'));
});
afterAll(() => kitchen.close());

const lots = async (query: Record<string, string | number> = {}): Promise<LotView[]> =>
  (await kitchen.http.get('/api/shelf').query(query).expect(200)).body as LotView[];
const overview = async (today: string): Promise<ShelfOverview> =>
  (await kitchen.http.get('/api/shelf/overview').query({ today }).expect(200))
    .body as ShelfOverview;
const log = (batchId: string, ...events: object[]) =>
  kitchen.http.post(`/api/batches/${batchId}/events`).send({ events }).expect(200);
const event = (type: string, at: string, body: object) => ({
  id: randomUUID(),
  type,
  at,
  device: 'bench',
  body,
});
const processed = event('processed', '2026-09-12T19:00:00.000Z', {
  method: 'boiling-water',
  minutes: 15,
  altitude_m: 1180,
});
const shelve = async (batchId: string, more: object = {}): Promise<string> => {
  const id = randomUUID();
  await kitchen.http
    .post('/api/shelf')
    .send({ id, batchId, size: '340-g', count: 4, madeOn: '2026-09-12', ...more })
    .expect(200);
  return id;
};
const take = (lotId: string, count: number) =>
  kitchen.http
    .post(`/api/shelf/${lotId}/moves`)
    .send({ id: randomUUID(), change: -count, reason: 'eaten', at: '2026-10-01T10:00:00.000Z' })
    .expect(200);
const ids = (found: readonly LotView[]): string[] => found.map(({ id }) => id);

test('found by name, place, size, state and batch; the newest first, page by page, none twice', async () => {
  const damson = await newBatch(kitchen.http);
  await log(damson, { ...processed, id: randomUUID() });
  const pear = await newBatch(kitchen.http, damsonJam({ title: '50 % Pear butter' }));
  const inLarder = await shelve(damson, { place: 'Larder' });
  const pints = await shelve(damson, { size: 'pint', place: 'Cellar', madeOn: '2026-09-14' });
  const part = await shelve(damson, { count: 1, partFill: 0.4 });
  const cold = await shelve(pear, { place: 'Cellar', madeOn: '2026-09-13' });
  expect(ids(await lots())).toEqual([pints, cold, part, inLarder]);
  expect(ids(await lots({ batch: pear }))).toEqual([cold]);
  expect(ids(await lots({ search: 'DAMSON' }))).toEqual([pints, part, inLarder]);
  expect(ids(await lots({ search: 'cellar' }))).toEqual([pints, cold]);
  expect(ids(await lots({ search: 'pints' }))).toEqual([pints]);
  expect(ids(await lots({ search: '50 %' }))).toEqual([cold]);
  expect(ids(await lots({ search: '_' }))).toEqual([]);
  expect(ids(await lots({ place: 'Cellar' }))).toEqual([pints, cold]);
  expect(ids(await lots({ state: 'shelf' }))).toEqual([pints, inLarder]);
  expect(ids(await lots({ state: 'cold' }))).toEqual([cold, part]);
  expect(ids(await lots({ state: 'opened' }))).toEqual([part]);
  const pages: LotView[] = [];
  for (
    let page = await lots({ limit: 3 });
    page.length > 0;
    page = await lots({ limit: 3, after: page.at(-1)?.id ?? '' })
  )
    pages.push(...page);
  expect(ids(pages)).toEqual([pints, cold, part, inLarder]);

  // What is empty is there unless only jars are asked for; it can be put back.
  await take(cold, 4);
  expect(ids(await lots({ left: 'yes' }))).toEqual([pints, part, inLarder]);
  expect(ids(await lots())).toContain(cold);
  // A new name is found at once.
  await kitchen.http
    .put(`/api/batches/${damson}`)
    .send({ document: damsonJam({ title: 'Quetsche' }), revision: 1 })
    .expect(200);
  expect(ids(await lots({ search: 'quetsche' }))).toEqual([pints, part, inLarder]);
  expect(await lots({ search: 'damson' })).toEqual([]);
});

test('the whole shelf in a few numbers, and what to eat first', async () => {
  const before = await overview('2026-10-10');
  const made = await newBatch(kitchen.http, damsonJam({ title: 'Late' }));
  await log(made, { ...processed, id: randomUUID() });
  const shelf = await shelve(made, { count: 7, place: 'Attic' });
  const begun = await shelve(made, { count: 1, partFill: 0.5 });
  const now = await overview('2026-10-10');
  expect(now.jars - before.jars).toBe(8);
  expect(now.cold - before.cold).toBe(1);
  expect(now.places).toContain('Attic');
  expect([now.pending, now.hadJars]).toEqual([0, true]);
  expect(ids(now.eatFirst)).toContain(begun);
  expect(ids(now.eatFirst)).not.toContain(shelf);
  // Best before 2027-09-12: eaten first from sixty days before.
  expect(ids((await overview('2027-07-13')).eatFirst)).not.toContain(shelf);
  expect(ids((await overview('2027-07-14')).eatFirst)).toContain(shelf);
  await take(shelf, 7);
  expect(ids((await overview('2027-07-14')).eatFirst)).not.toContain(shelf);
});

test('a reading of the end that arrives after the jars were put away still counts', async () => {
  const at = (minute: number): string =>
    new Date(Date.parse('2026-09-12T18:00:00Z') + minute * 60_000).toISOString();
  const id = await newBatch(kitchen.http);
  await log(
    id,
    event('light', at(0), { boilingPoint_C: 96.1, gelTemperature_C: 100.5 }),
    event('done', at(30), {}),
    event('jarred', at(35), { jars: [{ size: '340-g', full: 4, part: 0 }] }),
    event('heat-stated', at(36), { reached: true }),
    { ...processed, id: randomUUID() },
  );
  const lot = await shelve(id);
  const best = async (): Promise<string | null> =>
    (await lots({ batch: id })).find((each) => each.id === lot)?.keeping.bestBefore ?? null;
  expect(await best()).toBe('2027-09-12');
  // It was taken off at water's boil: thin, and it keeps for less long.
  await log(id, reading(97.2, at(27)), reading(97.3, at(29)));
  expect(await best()).not.toBe('2027-09-12');
});

test.each([
  ['state', 'tasty'],
  ['after', 'yesterday'],
  ['limit', '1000'],
  ['left', 'perhaps'],
])('a wrong %s is named', async (path, value) => {
  const { body } = await kitchen.http
    .get('/api/shelf')
    .query({ [path]: value })
    .expect(400);
  expect((body as ProblemBody).errors?.map((error) => error.path)).toEqual([path]);
});

test('the overview asks which day it is', async () => {
  const { body } = await kitchen.http
    .get('/api/shelf/overview')
    .query({ today: 'soon' })
    .expect(400);
  expect((body as ProblemBody).errors?.map((error) => error.path)).toEqual(['today']);
});

describe('after the jars were put away', () => {
  const MIN = 60_000;
  const at = (minute: number): string =>
    new Date(Date.parse('2026-09-12T18:00:00Z') + minute * MIN).toISOString();
  const made = async (full = 4): Promise<string> => {
    const id = await newBatch(kitchen.http);
    await log(
      id,
      event('light', at(0), { boilingPoint_C: 96.1, gelTemperature_C: 100.5, altitude_m: 1180 }),
      reading(100.3, at(28)),
      event('done', at(30), {}),
      event('jarred', at(35), { jars: [{ size: '340-g', full, part: 0 }] }),
      event('process-begun', at(50), { minutes: 15 }),
      event('processed', at(65), { method: 'boiling-water', minutes: 15, altitude_m: 1180 }),
    );
    return id;
  };
  const stricterOf = async (batchId: string) =>
    (await overview('2026-10-10')).stricter.filter(({ lot }) => lot.batchId === batchId);

  test('a verdict that became stricter names the jars, where they are and who has some, until it is seen', async () => {
    const id = await made();
    const lot = await shelve(id);
    await lots({ batch: id });
    expect(await stricterOf(id)).toEqual([]);
    await kitchen.http
      .post(`/api/shelf/${lot}/moves`)
      .send({ id: randomUUID(), change: -1, reason: 'given', whom: 'Aunt Ida', at: at(600) })
      .expect(200);
    await log(id, event('addition', at(900), { text: '1 kg cantaloupe' }));
    const [told] = await stricterOf(id);
    expect(told).toMatchObject({
      was: 'shelf',
      lot: { id: lot, keeping: { verdict: 'fridge' } },
      given: [{ whom: 'Aunt Ida', count: 1 }],
    });
    expect(told?.lot.keeping.reason).toMatch(/cantaloupe/);
    await kitchen.http.post(`/api/shelf/${lot}/seen`).expect(204);
    expect(await stricterOf(id)).toEqual([]);
  });

  test('lemon logged, the formula edited and another kitchen looked at leave the jars as they are', async () => {
    const id = await made();
    const lot = await shelve(id);
    const keeping = async () =>
      (await lots({ batch: id })).find((each) => each.id === lot)?.keeping.verdict;
    expect(await keeping()).toBe('shelf');
    // Edited afterwards into something worse, or better: the jars keep what was in the pan.
    const { document, revision } = (await kitchen.http.get(`/api/batches/${id}`).expect(200))
      .body as {
      document: { lines: object[] };
      revision: number;
    };
    const lines = [...document.lines, { ingredient: 'cantaloupe', amount: '1 kg' }];
    await kitchen.http
      .put(`/api/batches/${id}`)
      .send({ document: { ...document, lines }, revision })
      .expect(200);
    expect(await keeping()).toBe('shelf');
    await log(id, event('addition', at(900), { text: '1 kg cantaloupe' }));
    await log(id, event('addition', at(901), { text: '500 ml bottled lemon juice' }));
    expect(await keeping()).toBe('fridge');
  });

  test('jars taken off the list again were never there', async () => {
    const id = await made();
    const lot = await shelve(id);
    const [{ count } = { count: 0 }] = await lots({ batch: id });
    await kitchen.http
      .post(`/api/shelf/${lot}/moves`)
      .send({ id: randomUUID(), change: -count, reason: 'put', at: at(70) })
      .expect(200);
    expect(await lots({ batch: id })).toEqual([]);
    const year = (await kitchen.http.get('/api/shelf/year').expect(200)).body as {
      batchId: string;
      put: number;
    }[];
    expect(year.find(({ batchId }) => batchId === id)?.put ?? 0).toBe(0);
  });
});

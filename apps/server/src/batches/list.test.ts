import { randomUUID } from 'node:crypto';
import type { BatchSummary, ProblemBody } from '@idle-kettle/contract';
import { damsonJam, newBatch, startTestApp, type TestApp } from '../testing/app.js';
import { freshDatabase } from '../testing/database.js';

let kitchen: TestApp;
beforeAll(async () => {
  kitchen = await startTestApp(await freshDatabase('kettle_test_list'));
});
afterAll(() => kitchen.close());

const list = async (query: Record<string, string | number> = {}): Promise<BatchSummary[]> =>
  (await kitchen.http.get('/api/batches').query(query).expect(200)).body as BatchSummary[];
const titles = async (query: Record<string, string | number>): Promise<string[]> =>
  (await list(query)).map(({ title }) => title);

test('found by name or by a note, as it is typed; by kind; page by page, none twice', async () => {
  const made = [];
  for (const [title, kind] of [
    ['Damson jam', 'jam'],
    ['Quince jelly', 'jelly'],
    ['50 % pear butter', 'fruit-butter'],
    ['Damson and quince', 'jam'],
    ['Redcurrant jelly', 'jelly'],
  ] as const)
    made.push(await newBatch(kitchen.http, damsonJam({ title, kind })));
  const note = (batchId: string | undefined, text: string) =>
    kitchen.http
      .post(`/api/batches/${batchId ?? ''}/events`)
      .send({
        events: [
          {
            id: randomUUID(),
            type: 'note',
            at: new Date().toISOString(),
            device: 'bench',
            body: { text },
          },
        ],
      })
      .expect(200);
  await note(made[4], 'Dripped beside the quinces');

  expect(await titles({ search: 'damson' })).toEqual(['Damson and quince', 'Damson jam']);
  expect(await titles({ search: 'QUINCE' })).toEqual([
    'Redcurrant jelly',
    'Damson and quince',
    'Quince jelly',
  ]);
  expect(await titles({ search: '50 %' })).toEqual(['50 % pear butter']);
  expect(await titles({ search: '_' })).toEqual([]);
  expect(await titles({ search: "'; DROP TABLE batches; --" })).toEqual([]);
  expect(await titles({ kind: 'jelly' })).toEqual(['Redcurrant jelly', 'Quince jelly']);
  expect(await titles({ kind: 'jelly', search: 'quince' })).toEqual([
    'Redcurrant jelly',
    'Quince jelly',
  ]);

  const pages: BatchSummary[] = [];
  for (
    let page = await list({ limit: 2 });
    page.length > 0;
    page = await list({ limit: 2, after: page.at(-1)?.id ?? '' })
  )
    pages.push(...page);
  expect(pages.map(({ id }) => id)).toEqual(made.toReversed());
});

test('the score of an opened jar is in the list', async () => {
  const id = await newBatch(kitchen.http, damsonJam({ title: 'Scored' }));
  expect((await list({ search: 'Scored' }))[0]?.score).toBeNull();
  await kitchen.http
    .post(`/api/batches/${id}/events`)
    .send({
      events: [
        {
          id: randomUUID(),
          type: 'scored',
          at: new Date().toISOString(),
          device: 'bench',
          body: { set: -1, taste: 5 },
        },
      ],
    })
    .expect(200);
  expect((await list({ search: 'Scored' }))[0]?.score).toEqual({ set: -1, taste: 5 });
});

test('the best result at a show is in the list', async () => {
  const id = await newBatch(kitchen.http, damsonJam({ title: 'Shown' }));
  expect((await list({ search: 'Shown' }))[0]?.best).toBeNull();
  const shown = (show: string, result: string) => ({
    id: randomUUID(),
    type: 'shown',
    at: '2026-11-08T10:00:00.000Z',
    device: 'bench',
    body: { show, class: 'Jams', on: '2026-11-07', result },
  });
  const send = (events: object[]) =>
    kitchen.http.post(`/api/batches/${id}/events`).send({ events });
  await send([shown('Valley fair', 'commended'), shown('Harvest supper', 'second')]).expect(200);
  expect((await list({ search: 'Shown' }))[0]?.best).toEqual({
    show: 'Harvest supper',
    class: 'Jams',
    result: 'second',
  });
  await send([shown('Valley fair', 'best of all')]).expect(400);
});

test.each([
  ['kind', 'soup'],
  ['limit', '1000'],
  ['after', 'yesterday'],
])('a wrong %s is named', async (path, value) => {
  const { body } = await kitchen.http
    .get('/api/batches')
    .query({ [path]: value })
    .expect(400);
  expect((body as ProblemBody).errors?.map((error) => error.path)).toEqual([path]);
});

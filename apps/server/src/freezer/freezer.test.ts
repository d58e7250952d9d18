import { randomUUID } from 'node:crypto';
import type { FrozenFruitView, ProblemBody } from '@idle-kettle/contract';
import { startTestApp, type TestApp } from '../testing/app.js';
import { freshDatabase } from '../testing/database.js';

let kitchen: TestApp;
beforeAll(async () => {
  kitchen = await startTestApp(await freshDatabase('kettle_test_freezer'));
});
afterAll(() => kitchen.close());

const bag = (change: object = {}) => ({
  ingredient: 'damson',
  mass_kg: 1.8,
  note: 'pitted',
  frozenOn: '2026-09-20',
  ...change,
});
const save = (id: string, body: object) => kitchen.http.put(`/api/freezer/${id}`).send(body);

test('what waits longest comes first; a bag is half used, used up, and brought back', async () => {
  const [late, early] = [randomUUID(), randomUUID()];
  await save(late, bag()).expect(200);
  await save(early, bag({ ingredient: 'redcurrant', frozenOn: '2026-07-02' })).expect(200);
  const list = async () =>
    ((await kitchen.http.get('/api/freezer').expect(200)).body as FrozenFruitView[]).map(
      ({ ingredient, mass_kg }) => `${ingredient} ${mass_kg}`,
    );
  expect(await list()).toEqual(['redcurrant 1.8', 'damson 1.8']);
  await save(late, bag({ mass_kg: 0.9 })).expect(200);
  await kitchen.http.delete(`/api/freezer/${early}`).expect(204);
  expect(await list()).toEqual(['damson 0.9']);
  await save(early, bag({ ingredient: 'redcurrant' })).expect(200);
  expect(await list()).toHaveLength(2);
  await kitchen.http.delete(`/api/freezer/${randomUUID()}`).expect(404);
});

test.each([
  ['ingredient', { ingredient: 'brick' }],
  ['mass_kg', { mass_kg: 0 }],
  ['frozenOn', { frozenOn: 'last week' }],
])('a wrong %s is named', async (path, change) => {
  const { body } = await save(randomUUID(), bag(change)).expect(400);
  expect((body as ProblemBody).errors?.map((error) => error.path)).toEqual([path]);
});

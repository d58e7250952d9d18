import { randomUUID } from 'node:crypto';
import type { PracticeRunView, PracticeScenarioView, ProblemBody } from '@idle-kettle/contract';
import { SCENARIOS } from '@idle-kettle/core';
import { startTestApp, type TestApp } from '../testing/app.js';
import { freshDatabase } from '../testing/database.js';

let kitchen: TestApp;
beforeAll(async () => {
  kitchen = await startTestApp(await freshDatabase('kettle_test_practice'));
});
afterAll(() => kitchen.close());

const run = (change: object = {}) => ({
  player: 'Ottilie',
  scenario: 'first-jam',
  seed: 4711,
  mode: 'eye',
  score: 91,
  medals: ['clean-base'],
  at: '2026-11-20T17:00:00.000Z',
  ...change,
});
const saveRun = (id: string, body: object) =>
  kitchen.http.put(`/api/practice/runs/${id}`).send(body);
const saveScenario = (id: string, document: unknown) =>
  kitchen.http.put(`/api/practice/scenarios/${id}`).send({ document });
const own = (change: object = {}): object => ({
  ...(JSON.parse(JSON.stringify(SCENARIOS[0])) as object),
  id: 'grandmothers-stove',
  ...change,
});

test('runs are kept a person, the earliest first, and once however often they are sent', async () => {
  const [late, early] = [randomUUID(), randomUUID()];
  await saveRun(late, run()).expect(200);
  await saveRun(early, run({ player: 'Bertil', at: '2026-11-19T17:00:00.000Z' })).expect(200);
  await saveRun(late, run({ score: 100 })).expect(200);
  const { body } = await kitchen.http.get('/api/practice/runs').expect(200);
  expect((body as PracticeRunView[]).map(({ player, score }) => `${player} ${score}`)).toEqual([
    'Bertil 91',
    'Ottilie 91',
  ]);
  await kitchen.http.delete(`/api/practice/runs/${early}`).expect(204);
  await kitchen.http.delete(`/api/practice/runs/${early}`).expect(404);
});

test.each([
  ['player', { player: '' }],
  ['seed', { seed: -1 }],
  ['mode', { mode: 'luck' }],
  ['score', { score: 101 }],
  ['medals', { medals: [3] }],
  ['at', { at: 'yesterday' }],
])('a wrong %s is named', async (path, change) => {
  const { body } = await saveRun(randomUUID(), run(change)).expect(400);
  expect((body as ProblemBody).errors?.map((error) => error.path)).toEqual([path]);
});

test('a pan somebody wrote is kept, changed and removed; one that is not understood says where', async () => {
  const id = randomUUID();
  await saveScenario(id, own()).expect(200);
  await saveScenario(id, own({ title: 'Grandmother’s stove, again' })).expect(200);
  const { body } = await kitchen.http.get('/api/practice/scenarios').expect(200);
  expect((body as PracticeScenarioView[]).map(({ document }) => document.title)).toEqual([
    'Grandmother’s stove, again',
  ]);
  const wrong = await saveScenario(randomUUID(), own({ burner_W: 3 })).expect(400);
  expect((wrong.body as ProblemBody).errors?.[0]?.message).toMatch(/^burner_W: 3: write a number/);
  const taken = await saveScenario(randomUUID(), own()).expect(400);
  expect((taken.body as ProblemBody).errors?.[0]?.path).toBe('document.id');
  await saveScenario(randomUUID(), own({ id: 'first-jam' })).expect(400);
  await kitchen.http.delete(`/api/practice/scenarios/${id}`).expect(204);
  await kitchen.http.delete(`/api/practice/scenarios/${id}`).expect(404);
});

test('of two pans with one name that come at once, one is kept', async () => {
  for (let round = 0; round < 8; round++) {
    const document = own({ id: `twin-${round}` });
    const answers = await Promise.all([1, 2, 3].map(() => saveScenario(randomUUID(), document)));
    expect(answers.map(({ status }) => status).toSorted()).toEqual([200, 400, 400]);
  }
  const { body } = await kitchen.http.get('/api/practice/scenarios').expect(200);
  const names = (body as PracticeScenarioView[]).map(({ document }) => document.id);
  expect(names.length).toBe(new Set(names).size);
});

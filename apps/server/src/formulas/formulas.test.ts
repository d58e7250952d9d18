import { randomUUID } from 'node:crypto';
import { STARTERS } from '@idle-kettle/core';
import type { FormulaVersion, FormulaView, ProblemBody } from '@idle-kettle/contract';
import { damsonJam, newBatch, startTestApp, type TestApp } from '../testing/app.js';
import { freshDatabase } from '../testing/database.js';

let kitchen: TestApp;
beforeAll(async () => {
  kitchen = await startTestApp(await freshDatabase('kettle_test_formulas'));
});
afterAll(() => kitchen.close());

const paths = (body: unknown): string[] =>
  ((body as ProblemBody).errors ?? []).map((error) => error.path);

test('kept, listed, changed, taken out', async () => {
  const id = randomUUID();
  await kitchen.http
    .put(`/api/formulas/${id}`)
    .send({ document: damsonJam(), revision: 0 })
    .expect(200);
  expect((await kitchen.http.get('/api/formulas').expect(200)).body).toHaveLength(1);
  await kitchen.http.get(`/api/formulas/${id}`).expect(200);
  await kitchen.http.delete(`/api/formulas/${id}`).expect(204);
  await kitchen.http.get(`/api/formulas/${id}`).expect(404);
});

test('every saving is a version that can be read again; marks change none of them', async () => {
  const id = randomUUID();
  const save = (title: string, revision: number) =>
    kitchen.http.put(`/api/formulas/${id}`).send({ document: damsonJam({ title }), revision });
  await save('First', 0).expect(200);
  await save('First', 1).expect(200);
  await save('Second', 1).expect(200);
  const versions = async () =>
    (await kitchen.http.get(`/api/formulas/${id}/versions`).expect(200)).body as FormulaVersion[];
  expect((await versions()).map((each) => [each.revision, each.document.title])).toEqual([
    [2, 'Second'],
    [1, 'First'],
  ]);
  await kitchen.http
    .patch(`/api/formulas/${id}`)
    .send({ favourite: true, archived: true })
    .expect(200);
  const { body } = await kitchen.http
    .patch(`/api/formulas/${id}`)
    .send({ archived: false })
    .expect(200);
  expect(body).toMatchObject({ favourite: true, archivedAt: null, revision: 2 });
  expect(await versions()).toHaveLength(2);
  await kitchen.http.delete(`/api/formulas/${id}`).expect(204);
  await kitchen.http.get(`/api/formulas/${id}/versions`).expect(404);
});

test('the starter set is laid in once, and what was renamed or put away does not come back over it', async () => {
  const lay = async () =>
    (await kitchen.http.post('/api/formulas/starters').expect(200)).body as FormulaView[];
  const first = await lay();
  expect(first).toHaveLength(STARTERS.length);
  await kitchen.http.patch(`/api/formulas/${first[0]?.id}`).send({ archived: true }).expect(200);
  expect(await lay()).toHaveLength(STARTERS.length);
});

test('one that cannot be computed is refused with every problem by its path', async () => {
  const document = damsonJam({
    method: 'no-gel',
    lines: [
      { amount: '2 cupz', ingredient: 'damson' },
      { amount: '1000 kg', ingredient: 'white-sugar' },
      { amount: '1 kg', ingredient: 'unobtainium' },
    ],
  });
  const { body } = await kitchen.http
    .put(`/api/formulas/${randomUUID()}`)
    .send({ document, revision: 0 })
    .expect(400);
  expect(paths(body)).toEqual([
    'document.method',
    'document.lines[0].amount',
    'document.lines[1].amount',
    'document.lines[2].ingredient',
  ]);
  expect((body as ProblemBody).errors?.[1]?.message).toContain('did you mean "cups"?');
});

test('a prize stands at the version its batch was made by, and goes when the entry is taken back', async () => {
  const id = randomUUID();
  const save = (title: string, revision: number) =>
    kitchen.http
      .put(`/api/formulas/${id}`)
      .send({ document: damsonJam({ title }), revision })
      .expect(200);
  const batch = async (): Promise<string> => {
    const batchId = randomUUID();
    await kitchen.http
      .put(`/api/batches/${batchId}`)
      .send({ document: damsonJam(), revision: 0, formulaId: id })
      .expect(200);
    return batchId;
  };
  const log = (batchId: string, event: object) =>
    kitchen.http
      .post(`/api/batches/${batchId}/events`)
      .send({ events: [{ at: new Date().toISOString(), device: 'bench', ...event }] })
      .expect(200);
  const shown = (batchId: string, result: string, show: string, event = randomUUID()) =>
    log(batchId, {
      id: event,
      type: 'shown',
      body: { show, class: 'Jams', on: '2026-11-07', result },
    });
  const prizes = async (): Promise<string[][]> =>
    (
      (await kitchen.http.get(`/api/formulas/${id}/versions`).expect(200)).body as FormulaVersion[]
    ).map((version) => version.prizes.map(({ result, show }) => `${result}, ${show}`));

  await save('As it was', 0);
  const early = await batch();
  await save('Less sugar', 1);
  const [late, unseen] = [await batch(), await batch()];
  await shown(early, 'commended', 'Valley fair');
  const slip = randomUUID();
  await shown(late, 'first', 'Harvest supper', slip);
  await shown(unseen, 'entered', 'Harvest supper');
  await shown(await newBatch(kitchen.http), 'first', 'of no formula');
  // The newest version first.
  expect(await prizes()).toEqual([['first, Harvest supper'], ['commended, Valley fair']]);
  await log(late, { id: randomUUID(), type: 'undo', body: { eventId: slip } });
  expect(await prizes()).toEqual([[], ['commended, Valley fair']]);
});

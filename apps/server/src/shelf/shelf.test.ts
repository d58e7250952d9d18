import { randomUUID } from 'node:crypto';
import { fingerprint } from '@idle-kettle/core';
import type { KitchenView, LotView, ProblemBody } from '@idle-kettle/contract';
import { damsonJam, newBatch, startTestApp, type TestApp } from '../testing/app.js';
import { freshDatabase } from '../testing/database.js';

let kitchen: TestApp;
beforeAll(async () => {
  kitchen = await startTestApp(await freshDatabase('kettle_test_shelf'));
});
afterAll(() => kitchen.close());

const put = (body: object) => kitchen.http.post('/api/shelf').send(body);
const move = (lotId: string, change: number, id = randomUUID()) =>
  kitchen.http
    .post(`/api/shelf/${lotId}/moves`)
    .send({ id, change, reason: 'eaten', at: '2026-09-20T10:00:00.000Z' });
const lot = async (): Promise<{
  id: string;
  batchId: string;
  size: string;
  count: number;
  madeOn: string;
}> => ({
  id: randomUUID(),
  batchId: await newBatch(kitchen.http),
  size: '340-g',
  count: 6,
  madeOn: '2026-09-12',
});

test('jars put on the shelf are there once, however often they are sent', async () => {
  const jars = await lot();
  for (let i = 0; i < 3; i++) await put(jars).expect(200);
  const { body } = await kitchen.http.get('/api/shelf').expect(200);
  expect((body as LotView[]).filter((each) => each.id === jars.id)).toEqual([
    {
      id: jars.id,
      batchId: jars.batchId,
      title: 'Damson jam',
      fruit: 'damson',
      size: '340-g',
      partFill: null,
      madeOn: '2026-09-12',
      keeping: { verdict: 'fridge', reason: expect.stringMatching(/not processed/) as string, months: 1 },
      count: 6,
    },
  ]);
});

test('jars that went through the canner keep on the shelf, until something else turns out to be in them', async () => {
  const [{ id: kitchenId } = { id: '' }] = (await kitchen.http.get('/api/kitchens').expect(200)).body as KitchenView[]; // prettier-ignore
  await kitchen.http
    .put(`/api/kitchens/${kitchenId}`)
    .send({ name: 'Home', altitude_m: 1180, boilingPoint_C: null, boilingPointMeasuredAt: null, units: 'metric', temperatureUnit: 'C' })
    .expect(200); // prettier-ignore
  const jars = await lot();
  await put(jars).expect(200);
  await put({ ...jars, id: randomUUID(), count: 1, partFill: 0.4 }).expect(200);
  const log = (type: string, body: object) =>
    kitchen.http
      .post(`/api/batches/${jars.batchId}/events`)
      .send({ events: [{ id: randomUUID(), type, at: new Date().toISOString(), device: 'bench', body }] })
      .expect(200);
  const verdicts = async (): Promise<string[]> =>
    ((await kitchen.http.get('/api/shelf').expect(200)).body as LotView[])
      .filter((each) => each.batchId === jars.batchId)
      .map(({ partFill, keeping }) => `${partFill === null ? 'full' : 'part'}: ${keeping.verdict}`)
      .sort();
  await log('processed', { method: 'boiling-water', minutes: 15, altitude_m: 1180 });
  expect(await verdicts()).toEqual(['full: shelf', 'part: fridge']);
  await log('addition', { text: '500 g cantaloupe' });
  expect(await verdicts()).toEqual(['full: fridge', 'part: fridge']);
});

describe('jars keep by what they are and what they hold', () => {
  const batch = async (change: Parameters<typeof damsonJam>[0] = {}): Promise<string> =>
    newBatch(kitchen.http, damsonJam(change));
  const log = (batchId: string, type: string, body: object) =>
    kitchen.http
      .post(`/api/batches/${batchId}/events`)
      .send({ events: [{ id: randomUUID(), type, at: '2026-09-12T19:00:00.000Z', device: 'bench', body }] })
      .expect(200);
  const shelve = (batchId: string, size: string) =>
    put({ id: randomUUID(), batchId, size, count: 2, madeOn: '2026-09-12' }).expect(200);
  const verdicts = async (batchId: string): Promise<Record<string, string>> =>
    Object.fromEntries(
      ((await kitchen.http.get('/api/shelf').expect(200)).body as LotView[])
        .filter((each) => each.batchId === batchId)
        .map(({ size, keeping }) => [size, `${keeping.verdict}, ${keeping.months} months`]),
    );
  const process = { method: 'boiling-water', minutes: 15, altitude_m: 1180 };

  test('each size by its own row: a quart of jam has none', async () => {
    const id = await batch({ jars: [{ size: 'half-pint' }] });
    await log(id, 'processed', process);
    for (const size of ['half-pint', 'pint', 'quart']) await shelve(id, size);
    expect(await verdicts(id)).toEqual({
      'half-pint': 'shelf, 12 months',
      pint: 'shelf, 12 months',
      quart: 'fridge, 1 months',
    });
  });

  test('a process that was too short, and one taken back', async () => {
    const id = await batch();
    await shelve(id, '454-g');
    await log(id, 'processed', { ...process, minutes: 10 });
    expect(await verdicts(id)).toEqual({ '454-g': 'stop, 0 months' });
    const longer = randomUUID();
    await kitchen.http
      .post(`/api/batches/${id}/events`)
      .send({ events: [{ id: longer, type: 'processed', at: '2026-09-12T20:00:00.000Z', device: 'bench', body: process }] })
      .expect(200);
    expect(await verdicts(id)).toEqual({ '454-g': 'shelf, 12 months' });
    await log(id, 'undo', { eventId: longer });
    expect(await verdicts(id)).toEqual({ '454-g': 'stop, 0 months' });
  }); // prettier-ignore

  test('a measured pH counts for the formula it was taken of, on the day of the batch', async () => {
    const tomato = { lines: [{ ingredient: 'tomato', amount: '2 kg' }, { ingredient: 'white-sugar', amount: '1.2 kg' }] }; // prettier-ignore
    const measuredPH = { value: 3.9, meterCalibratedOn: '2026-09-12', measuredOn: '2026-09-12' };
    const of = fingerprint(damsonJam(tomato));
    const [good, edited, old] = [
      await batch({ ...tomato, measuredPH: { ...measuredPH, of } }),
      await batch({ ...tomato, measuredPH: { ...measuredPH, of: 'of another' } }),
      await batch({
        ...tomato,
        measuredPH: { value: 3.9, meterCalibratedOn: '2025-09-12', measuredOn: '2025-09-12' },
      }),
    ];
    for (const id of [good, edited, old]) {
      await log(id, 'processed', process);
      await shelve(id, '454-g');
    }
    expect(await verdicts(good)).toEqual({ '454-g': 'shelf, 12 months' });
    expect(await verdicts(edited)).toEqual({ '454-g': 'fridge, 1 months' });
    expect(await verdicts(old)).toEqual({ '454-g': 'fridge, 1 months' });
  });
});

test('one is taken, put back, and a repeated move counts once', async () => {
  const jars = await lot();
  await put(jars).expect(200);
  const taken = randomUUID();
  for (let i = 0; i < 2; i++)
    expect((await move(jars.id, -1, taken).expect(200)).body).toMatchObject({ count: 5 });
  expect((await move(jars.id, 1).expect(200)).body).toMatchObject({ count: 6 });
});

test('never fewer than none, even when two hands take the last at once', async () => {
  const jars = { ...(await lot()), count: 1, partFill: 0.4 };
  await put(jars).expect(200);
  const answers = await Promise.all([move(jars.id, -1), move(jars.id, -1), move(jars.id, -1)]);
  expect(answers.map((answer) => answer.status).sort()).toEqual([200, 409, 409]);
  expect((answers.find((answer) => answer.status === 409)?.body as ProblemBody).detail).toBe(
    'only 0 jars are left of this lot',
  );
});

test('jars of an unknown size, batch or number are refused by name', async () => {
  const jars = await lot();
  expect(((await put({ ...jars, size: 'bucket' }).expect(400)).body as ProblemBody).errors).toEqual([
    { path: 'size', message: '"bucket" is not a known jar size' },
  ]);
  await put({ ...jars, batchId: randomUUID() }).expect(404);
  const { body } = await put({ ...jars, count: 0, partFill: 2, madeOn: 'soon' }).expect(400);
  expect((body as ProblemBody).errors?.map((e) => e.path).sort()).toEqual(['count', 'madeOn', 'partFill']);
  await move(randomUUID(), -1).expect(404);
});

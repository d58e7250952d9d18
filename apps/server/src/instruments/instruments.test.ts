import { randomUUID } from 'node:crypto';
import { boilFrom } from '@idle-kettle/core';
import type { EventPage, InstrumentView, InstrumentWithToken } from '@idle-kettle/contract';
import { newBatch, startTestApp, type TestApp } from '../testing/app.js';
import { DatabaseDoor, freshDatabase } from '../testing/database.js';
import { MOST_A_SECOND } from './intake.service.js';

let door: DatabaseDoor;
let kitchen: TestApp;
let other: TestApp;
beforeAll(async () => {
  door = new DatabaseDoor(new URL(await freshDatabase('kettle_test_instruments')));
  const url = await door.open();
  kitchen = await startTestApp(url);
  other = await startTestApp(url);
});
afterAll(async () => {
  await kitchen.close();
  await other.close();
  await door.shut();
});

const START = Date.parse('2026-10-03T15:00:00.000Z');
const at = (seconds: number): string => new Date(START + seconds * 1000).toISOString();
const add = async (batchId?: string, name = 'Probe'): Promise<InstrumentWithToken> =>
  (
    await kitchen.http
      .post('/api/instruments')
      .send({
        id: randomUUID(),
        name,
        kind: 'thermometer',
        ...(batchId !== undefined && { batchId }),
      })
      .expect(201)
  ).body as InstrumentWithToken;
const send = (token: string, readings: readonly object[], to: TestApp = kitchen) =>
  to.http.post('/api/readings').set('Authorization', `Bearer ${token}`).send({ readings });
const climb = (count: number, from = 0): { at: string; temperature_C: number }[] =>
  Array.from({ length: count }, (_, i) => ({ at: at(from + i), temperature_C: 90 + i / 100 }));
const boilOf = async (batchId: string) =>
  boilFrom(
    ((await kitchen.http.get(`/api/batches/${batchId}/events`).expect(200)).body as EventPage)
      .events,
  );

test('what a probe sends is in the log of its pan, under its name, with when it was heard', async () => {
  const batch = await newBatch(kitchen.http);
  const { id, token } = await add(batch, 'Probe by the window');
  await send(token, climb(3)).expect(200, { kept: 3 });
  await send(token, [
    { at: at(9), mass_kg: 3.4 },
    { at: at(9), percent: 61.5 },
  ]).expect(200, { kept: 2 });
  const boil = await boilOf(batch);
  expect(boil.readings.map(({ temperature_C, instrument }) => [temperature_C, instrument])).toEqual(
    [
      [90, id],
      [90.01, id],
      [90.02, id],
    ],
  );
  expect(boil.readings[0]?.heardAt).toBeGreaterThan(START);
  expect([boil.weighings[0]?.value, boil.brix[0]?.value]).toEqual([3.4, 61.5]);
  expect(boil.log[0]?.event.device).toBe('Probe by the window');
});

test('late ones and repeated ones are taken, once each, whichever server hears them', async () => {
  const batch = await newBatch(kitchen.http);
  const { token } = await add(batch);
  await send(token, climb(20, 40)).expect(200);
  await send(token, climb(60)).expect(200, { kept: 60 });
  await send(token, climb(60), other).expect(200, { kept: 60 });
  expect((await boilOf(batch)).readings).toHaveLength(60);
});

test('a token nobody has, none, or one that was renewed: 401, and what it would take', async () => {
  const batch = await newBatch(kitchen.http);
  const { id, token } = await add(batch);
  await kitchen.http
    .post('/api/readings')
    .send({ readings: climb(1) })
    .expect(401);
  const refused = await send('kettle_nobody', climb(1))
    .expect(401)
    .expect('Content-Type', /problem\+json/);
  expect((refused.body as { detail: string }).detail).toMatch(/Authorization: Bearer/);
  await send(token, climb(1)).expect(200);
  const renewed = (await kitchen.http.post(`/api/instruments/${id}/token`).expect(200))
    .body as InstrumentWithToken;
  for (let i = 0; i < 40 && (await send(token, climb(1))).status !== 401; i++)
    await new Promise((resolve) => setTimeout(resolve, 50));
  await send(token, climb(1)).expect(401);
  await send(renewed.token, climb(1)).expect(200);
});

test('a probe in no pan is told so; put into another pan, what it measured before stays with the first', async () => {
  const [first, second] = [await newBatch(kitchen.http), await newBatch(kitchen.http)];
  const { id, token } = await add();
  await send(token, climb(1)).expect(409);
  await kitchen.http.patch(`/api/instruments/${id}`).send({ batchId: first }).expect(200);
  const moved = Date.now();
  await new Promise((resolve) => setTimeout(resolve, 30));
  const view = (
    await kitchen.http.patch(`/api/instruments/${id}`).send({ batchId: second }).expect(200)
  ).body as InstrumentView;
  expect(view.batchId).toBe(second);
  const taken = async (): Promise<number> => (await boilOf(first)).readings.length;
  for (let i = 0; i < 40 && (await taken()) === 0; i++) {
    await send(token, [
      { at: new Date(moved + 5).toISOString(), temperature_C: 97 },
      { at: new Date(Date.now()).toISOString(), temperature_C: 60 },
    ]);
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  expect((await boilOf(first)).readings.map(({ temperature_C }) => temperature_C)).toEqual([97]);
  expect((await boilOf(second)).readings.every(({ temperature_C }) => temperature_C === 60)).toBe(
    true,
  );
  await kitchen.http.delete(`/api/instruments/${id}`).expect(204);
  expect(
    ((await kitchen.http.get('/api/instruments')).body as InstrumentView[]).some(
      (each) => each.id === id,
    ),
  ).toBe(false);
  expect(await taken()).toBe(1);
});

test('a flood gets 429 and loses nothing that was taken', async () => {
  const batch = await newBatch(kitchen.http);
  const { token } = await add(batch);
  const answers = await Promise.all(climb(140).map((reading) => send(token, [reading])));
  const kept = answers.filter(({ status }) => status === 200).length;
  expect(answers.every(({ status }) => status === 200 || status === 429)).toBe(true);
  expect(kept).toBeGreaterThanOrEqual(MOST_A_SECOND);
  expect(kept).toBeLessThan(140);
  const flooded = answers.find(({ status }) => status === 429);
  expect(flooded?.headers['retry-after']).toBe('1');
  expect((await boilOf(batch)).readings).toHaveLength(kept);
  // One message with more than fifty of one second is a flood too; an hour of them sent late is
  // not.
  await new Promise((resolve) => setTimeout(resolve, 1100));
  const burst = Array.from({ length: 51 }, (_, i) => ({
    at: new Date(START + 7_200_000 + i).toISOString(),
    temperature_C: 97,
  }));
  await send(token, burst).expect(429);
  await send(token, climb(400)).expect(200);
});

test('values that are not values are named by their place, and nothing of the message is stored', async () => {
  const batch = await newBatch(kitchen.http);
  const { token } = await add(batch);
  const { body } = await send(token, [
    { at: at(0), temperature_C: 97 },
    { at: at(1) },
    { at: 'noon', temperature_C: 97 },
    { at: at(2), temperature_C: 'hot' },
    { at: at(3), temperature_C: 97, mass_kg: 3 },
  ]).expect(400);
  expect((body as { errors: { path: string }[] }).errors.map(({ path }) => path)).toEqual([
    'readings[1].at',
    'readings[2].at',
    'readings[3].temperature_C',
    'readings[4].at',
  ]);
  expect((await boilOf(batch)).readings).toHaveLength(0);
});

test('with the database away it is 503 and nothing is acknowledged; sent again it is there once', async () => {
  const batch = await newBatch(kitchen.http);
  const { token } = await add(batch);
  await send(token, climb(1)).expect(200);
  await door.shut();
  await send(token, climb(5)).expect(503);
  await door.open();
  let answer = await send(token, climb(5));
  for (let i = 0; i < 40 && answer.status !== 200; i++) {
    await new Promise((resolve) => setTimeout(resolve, 100));
    answer = await send(token, climb(5));
  }
  expect((await boilOf(batch)).readings).toHaveLength(5);
}, 30_000);

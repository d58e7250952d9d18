import { randomUUID } from 'node:crypto';
import { Client } from 'pg';
import { boilFrom } from '@idle-kettle/core';
import {
  DEVICE_TIME_HEADER,
  problemType,
  type EventBody,
  type EventPage,
  type ProblemBody,
} from '@idle-kettle/contract';
import { freshDatabase } from '../testing/database.js';
import { damsonJam, newBatch, reading, startTestApp, type TestApp } from '../testing/app.js';

let url: string;
let kitchen: TestApp;
beforeAll(async () => {
  url = await freshDatabase('kettle_test_events');
  kitchen = await startTestApp(url);
});
afterAll(() => kitchen.close());

const append = (id: string, events: unknown) =>
  kitchen.http.post(`/api/batches/${id}/events`).send({ events });
const stored = async (id: string): Promise<EventPage> =>
  (await kitchen.http.get(`/api/batches/${id}/events`).expect(200)).body as EventPage;
const idsOf = async (id: string): Promise<string[]> =>
  (await stored(id)).events.map((event) => event.id);
const minute = (n: number): string =>
  new Date(Date.parse('2026-09-12T18:00:00Z') + n * 60_000).toISOString();

test('the same event twice is one event, and both answers say it is kept', async () => {
  const id = await newBatch(kitchen.http);
  const event = reading(97.2);
  for (let i = 0; i < 3; i++)
    await append(id, [event]).expect(200, { kept: [event.id], refused: [] });
  expect((await stored(id)).events).toHaveLength(1);
});

test('an event sent twice in one message is one event', async () => {
  const id = await newBatch(kitchen.http);
  const event = reading(97.2);
  await append(id, [event, event]).expect(200);
  expect((await stored(id)).events).toHaveLength(1);
});

test('events that arrive out of order make the same boil as in order', async () => {
  const id = await newBatch(kitchen.http);
  const events = [5, 1, 9, 3, 7].map((n) => reading(90 + n, minute(n)));
  for (const event of events) await append(id, [event]).expect(200);
  const boil = boilFrom((await stored(id)).events);
  expect(boil.readings.map((r) => r.temperature_C)).toEqual([91, 93, 95, 97, 99]);
});

test('two devices at once, each repeating itself: everything once', async () => {
  const id = await newBatch(kitchen.http);
  const tablet = Array.from({ length: 40 }, (_, n) => reading(90 + n / 10, minute(n), 'tablet'));
  const phone = Array.from({ length: 40 }, (_, n) =>
    reading(90 + n / 10, minute(n + 0.5), 'phone'),
  );
  const send = async (events: EventBody[]): Promise<void> => {
    for (let i = 0; i < events.length; i += 5)
      await append(id, events.slice(Math.max(i - 3, 0), i + 5)).expect(200);
  };
  await Promise.all([send(tablet), send(phone), send(tablet.toReversed())]);
  const boil = boilFrom((await stored(id)).events);
  expect(boil.readings.map((r) => r.id)).toEqual(
    [...tablet, ...phone].sort((a, b) => a.at.localeCompare(b.at)).map((e) => e.id),
  );
});

test('an id that already stands for something else is refused by name, and the rest is kept', async () => {
  const id = await newBatch(kitchen.http);
  const first = reading(97.2);
  const other = reading(98);
  await append(id, [first]).expect(200);
  const { body } = await append(id, [{ ...first, body: { temperature_C: 50 } }, other]).expect(200);
  expect(body).toEqual({
    kept: [other.id],
    refused: [{ id: first.id, reason: 'this id already stands for another event' }],
  });
  const another = await newBatch(kitchen.http);
  expect((await append(another, [first]).expect(200)).body).toMatchObject({
    kept: [],
    refused: [{ id: first.id }],
  });
});

const since = async (id: string, cursor: string): Promise<EventPage> =>
  (await kitchen.http.get(`/api/batches/${id}/events?since=${cursor}`).expect(200))
    .body as EventPage;

test('reading on from where one stopped gives only what is newer', async () => {
  const id = await newBatch(kitchen.http);
  await append(id, [reading(96), reading(97)]).expect(200);
  const { cursor } = await stored(id);
  await append(id, [reading(98)]).expect(200);
  expect((await since(id, cursor)).events.map((e) => e.body)).toEqual([{ temperature_C: 98 }]);
  await kitchen.http.get(`/api/batches/${id}/events?since=yesterday`).expect(400);
});

test('an event that was being written while another overtook it is not missed', async () => {
  const id = await newBatch(kitchen.http);
  const slow = new Client({ connectionString: url });
  await slow.connect();
  const late = reading(96.5);
  await slow.query('BEGIN');
  await slow.query(
    `INSERT INTO batch_events (id, household_id, batch_id, type, happened_at, device, body) SELECT '${late.id}', household_id, id, 'reading', '${late.at}', 'slow', '{"temperature_C":96.5}' FROM batches WHERE id = '${id}'`,
  );
  await append(id, [reading(97)]).expect(200);
  const { cursor, events } = await stored(id);
  expect(events).toHaveLength(1);
  await slow.query('COMMIT');
  await slow.end();
  expect((await since(id, cursor)).events.map((e) => e.id)).toContain(late.id);
});

test('every wrong event is named with its place, and nothing of the message is stored', async () => {
  const id = await newBatch(kitchen.http);
  const bad = [
    reading(97),
    { ...reading(97), id: 'seven' },
    { ...reading(97), type: 'explosion' },
    { ...reading(97), at: 'yesterday' },
    { ...reading(97), body: { temperature_C: 'hot' } },
    { ...reading(97), body: { temperature_C: 97, extra: 1 } },
    { ...reading(97), type: 'test', body: { way: 'plate', verdict: 'perfect' } },
  ];
  const { body } = await append(id, bad)
    .expect(400)
    .expect('Content-Type', /problem\+json/);
  const paths = (body as { errors: { path: string; message: string }[] }).errors.map((e) => e.path);
  expect(paths).toEqual([
    'events[1].id',
    'events[2].type',
    'events[3].at',
    'events[4].body.temperature_C',
    'events[5].body.extra',
    'events[6].body.verdict',
  ]);
  expect((body as { errors: { message: string }[] }).errors[3]?.message).toContain(
    'write a temperature in °C',
  );
  expect((await stored(id)).events).toHaveLength(0);
});

test('a reading no pan can have is kept as it was sent', async () => {
  const id = await newBatch(kitchen.http);
  await append(id, [reading(500)]).expect(200);
  const boil = boilFrom((await stored(id)).events);
  expect(boil.readings).toHaveLength(0);
  expect(boil.rejectedReadings).toHaveLength(1);
});

test('the database itself refuses to change or delete what happened', async () => {
  const id = await newBatch(kitchen.http);
  const event = reading(97);
  await append(id, [event]).expect(200);
  const client = new Client({ connectionString: url });
  await client.connect();
  await expect(
    client.query(`UPDATE batch_events SET body = '{}' WHERE id = '${event.id}'`),
  ).rejects.toThrow(/append-only/);
  await expect(client.query(`DELETE FROM batch_events WHERE id = '${event.id}'`)).rejects.toThrow(
    /append-only/,
  );
  await client.end();
});

test('a log may come before its formula, or without it', async () => {
  const id = randomUUID();
  const early = reading(97);
  await append(id, [early]).expect(200, { kept: [early.id], refused: [] });
  expect((await kitchen.http.get(`/api/batches/${id}`)).body).toMatchObject({
    revision: 0,
    document: { title: 'Unnamed batch', lines: [] },
  });
  const { body } = await kitchen.http
    .put(`/api/batches/${id}`)
    .send({ document: damsonJam(), revision: 0 })
    .expect(200);
  expect(body).toMatchObject({ revision: 1, document: { title: 'Damson jam' } });
  expect(await idsOf(id)).toEqual([early.id]);
});

test('a place that was kept for a formula is no other text: whatever comes first is the formula', async () => {
  const id = randomUUID();
  await append(id, [reading(97)]).expect(200);
  // The device knew it from a server that has since gone back to an older backup.
  const { body } = await kitchen.http
    .put(`/api/batches/${id}`)
    .send({ document: damsonJam(), revision: 7 })
    .expect(200);
  expect(body).toMatchObject({ revision: 8, document: { title: 'Damson jam' } });
});

test('a batch that was deleted takes nothing in, until somebody brings it back', async () => {
  const id = await newBatch(kitchen.http);
  await kitchen.http.delete(`/api/batches/${id}`).expect(204);
  const late = reading(97);
  const { body } = await append(id, [late]).expect(410);
  expect((body as ProblemBody).type).toBe(problemType('removed'));
  const edit = { document: damsonJam({ title: 'Typed elsewhere' }), revision: 1 };
  await kitchen.http.put(`/api/batches/${id}`).send(edit).expect(410);
  await kitchen.http.post(`/api/batches/${id}/back`).expect(200);
  await kitchen.http.put(`/api/batches/${id}`).send(edit).expect(200);
  await append(id, [late]).expect(200);
  expect(await idsOf(id)).toEqual([late.id]);
});

describe('a device whose clock is wrong', () => {
  const DAY_MS = 86_400_000;
  const appendAt = (id: string, events: readonly object[], clock: number) =>
    kitchen.http
      .post(`/api/batches/${id}/events`)
      .set(DEVICE_TIME_HEADER, String(clock))
      .send({ events })
      .expect(200);
  test('has its times corrected, and what it showed is kept beside them', async () => {
    const id = await newBatch(kitchen.http);
    const ahead = Date.now() + DAY_MS;
    const said = new Date(ahead).toISOString();
    const event = reading(98, said);
    await appendAt(id, [event], ahead);
    // Sent again after its clock was put right, it is the same event.
    const { body } = await appendAt(id, [event], Date.now());
    expect(body).toEqual({ kept: [event.id], refused: [] });
    const [kept] = (await stored(id)).events;
    expect(kept?.saidAt).toBe(said);
    expect(Math.abs(Date.parse(kept?.at ?? '') - Date.now())).toBeLessThan(5000);
  });

  test('is believed where it corrected them itself, and within a minute', async () => {
    const id = await newBatch(kitchen.http);
    const now = Date.now();
    const own = { ...reading(97, new Date(now).toISOString()), saidAt: '2026-01-01T00:00:00.000Z' };
    const near = reading(98, new Date(now - 1000).toISOString());
    await appendAt(id, [own], now + DAY_MS);
    await appendAt(id, [near], now + 50_000);
    const { events } = await stored(id);
    expect(events.map(({ at }) => at)).toEqual([own.at, near.at]);
    expect(events.map(({ saidAt }) => saidAt)).toEqual([own.saidAt, undefined]);
  });
});

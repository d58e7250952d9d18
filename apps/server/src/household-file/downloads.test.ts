import { get, type IncomingMessage } from 'node:http';
import { setTimeout } from 'node:timers/promises';
import { Client } from 'pg';
import { newBatch, reading, startTestApp, type TestApp } from '../testing/app.js';
import { freshDatabase } from '../testing/database.js';

let url: string;
let kitchen: TestApp;
beforeAll(async () => {
  url = await freshDatabase('kettle_test_downloads');
  kitchen = await startTestApp(url);
  // More than the sockets on both ends hold, so that a download that is not read stands still.
  for (let batch = 0; batch < 8; batch++) {
    const id = await newBatch(kitchen.http);
    for (let some = 0; some < 10; some++) {
      const note = () => ({ ...reading(97), type: 'note', body: { text: 'x'.repeat(1900) } });
      const events = Array.from({ length: 200 }, note);
      await kitchen.http.post(`/api/batches/${id}/events`).send({ events }).expect(200);
    }
  }
}, 60_000);
afterAll(() => kitchen.close());

/** Asks for the whole household, and reads nothing of it. */
async function download(): Promise<IncomingMessage> {
  const address = `${await kitchen.app.getUrl()}/api/household`;
  return new Promise((resolve, reject) => {
    get(address, { agent: false, headers: { 'sec-fetch-site': 'same-origin' } }, resolve).on(
      'error',
      reject,
    );
  });
}

/** Transactions of this database that are open and wait for whoever began them. */
async function openTransactions(): Promise<number> {
  const client = new Client({ connectionString: url });
  await client.connect();
  const { rows } = await client.query<{ count: number }>(
    `SELECT count(*)::int AS count FROM pg_stat_activity
      WHERE datname = current_database() AND state = 'idle in transaction'`,
  );
  await client.end();
  return rows[0]?.count ?? NaN;
}

const until = async (holds: () => Promise<boolean>): Promise<boolean> => {
  for (let i = 0; i < 50; i++) {
    if (await holds()) return true;
    await setTimeout(100);
  }
  return false;
};

test('a download that is abandoned ends its transaction; thirty of them stop nothing', async () => {
  for (let i = 0; i < 30; i++) {
    const answer = await download();
    expect(answer.statusCode).toBe(200);
    answer.destroy();
    expect(await until(async () => (await openTransactions()) === 0)).toBe(true);
  }
  await kitchen.http.get('/api/batches').expect(200);
});

test('of those that are taken slowly two are answered, the third is asked to wait', async () => {
  const slow = [await download(), await download()];
  await kitchen.http.get('/api/household').expect(429).expect('Retry-After', '1');
  await kitchen.http.get('/api/batches').expect(200);
  slow.forEach((answer) => answer.destroy());
  expect(await until(async () => (await openTransactions()) === 0)).toBe(true);
  await kitchen.http.get('/api/household/calendar.ics').expect(200);
});

test('a download whose database goes away breaks off, and never ends as if it were whole', async () => {
  const answer = await download();
  const ended = new Promise<string>((resolve) => {
    answer.on('end', () => resolve('whole')).on('error', () => resolve('broken'));
  });
  // It stands still in the middle: nobody reads on.
  await setTimeout(500);
  expect(await openTransactions()).toBe(1);
  const client = new Client({ connectionString: url });
  await client.connect();
  await client.query(
    `SELECT pg_terminate_backend(pid) FROM pg_stat_activity
      WHERE datname = current_database() AND state = 'idle in transaction'`,
  );
  await client.end();
  answer.resume();
  expect(await ended).toBe('broken');
});

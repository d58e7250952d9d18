// The start script as a person meets it: twice, with a port taken, after a power cut, from another
// folder.
import assert from 'node:assert/strict';
import { spawn, spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { chmodSync, existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer as createHttpServer } from 'node:http';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { after, afterEach, test } from 'node:test';
import { fileURLToPath } from 'node:url';

const KETTLE = join(dirname(fileURLToPath(import.meta.url)), '../kettle');
const data = mkdtempSync(join(tmpdir(), 'kettle-script-'));
// PostgreSQL's own user must be able to enter when the tests run as root.
chmodSync(data, 0o755);

const freePort = () =>
  new Promise((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address();
      probe.close(() => resolve(port));
    });
  });

const port = await freePort();
const env = { ...process.env, KETTLE_DATA: data, KETTLE_PORT: String(port) };
delete env.DATABASE_URL;
const address = `http://127.0.0.1:${port}`;

const once = (args, options = {}) =>
  spawnSync(KETTLE, args, { env, cwd: '/', encoding: 'utf8', timeout: 120_000, ...options });

/** Starts it in the foreground, as in a terminal, and waits for its address. */
function begin(command = 'start', more = {}) {
  const child = spawn(KETTLE, [command], { env: { ...env, ...more }, cwd: '/', detached: true });
  let said = '';
  child.stdout.on('data', (chunk) => (said += chunk));
  child.stderr.on('data', (chunk) => (said += chunk));
  const ended = new Promise((resolve) => child.on('close', (code) => resolve(code)));
  const ready = new Promise((resolve, reject) => {
    const timer = setInterval(() => {
      if (said.includes('on the stove')) {
        clearInterval(timer);
        resolve();
      }
    }, 50);
    void ended.then(() => {
      clearInterval(timer);
      reject(new Error(`ended before it was ready:\n${said}`));
    });
  });
  return { child, ready, ended, said: () => said };
}

const answers = (url = address) =>
  fetch(`${url}/api/health`).then(
    (response) => response.ok,
    () => false,
  );
/** Batches of the demo household. */
const DEMO_BATCHES = 6;
const batches = async () => (await (await fetch(`${address}/api/batches`)).json()).length;
const postgresPid = () =>
  Number(
    spawnSync('pgrep', ['-f', `^/.*postgres.*${data}`], { encoding: 'utf8' }).stdout.split('\n')[0],
  );

// What one test leaves running must not fail the next ones.
afterEach(() => {
  if (existsSync(join(data, 'server.pid'))) once(['stop']);
});
after(() => {
  once(['stop']);
  rmSync(data, { recursive: true, force: true });
});

test('demo starts from nothing, from another folder; a second start says it runs; Ctrl-C stops everything', async () => {
  const first = begin('demo');
  await first.ready;
  assert.ok(first.said().includes(address));
  assert.equal(await batches(), DEMO_BATCHES);
  const second = once(['demo']);
  assert.equal(second.status, 0);
  assert.match(second.stdout, /already running at http:\/\/127\.0\.0\.1/);
  assert.ok(postgresPid() > 0);
  process.kill(-first.child.pid, 'SIGINT');
  assert.ok([130, 0].includes(await first.ended));
  assert.equal(await answers(), false);
  // Its last process may take a moment to go after it has let go of its folder.
  for (let i = 0; i < 30 && postgresPid() > 0; i++)
    await new Promise((resolve) => setTimeout(resolve, 100));
  assert.ok(!(postgresPid() > 0), 'PostgreSQL still runs');
});

test('the data is there after stop and start, the second start makes nothing again, and stop ends it from elsewhere', async () => {
  const again = begin('start');
  await again.ready;
  // Counted in what is done, not in seconds, which say how busy the machine is.
  assert.doesNotMatch(again.said(), /Building|Making a database|Installing/);
  assert.equal(await batches(), DEMO_BATCHES);
  assert.equal(once(['stop']).status, 0);
  assert.equal(await again.ended, 0);
  assert.match(again.said(), /Stopped\./);
  assert.match(once(['stop']).stdout, /is not running/);
});

test('after a kill -9 of everything it starts again with its data', async () => {
  const first = begin('start');
  await first.ready;
  const server = Number(readFileSync(join(data, 'server.pid'), 'utf8').split('\n')[0]);
  const database = postgresPid();
  process.kill(first.child.pid, 'SIGKILL');
  process.kill(server, 'SIGKILL');
  process.kill(database, 'SIGKILL');
  await first.ended;
  await new Promise((resolve) => setTimeout(resolve, 500));
  const again = begin('start');
  await again.ready;
  assert.equal(await batches(), DEMO_BATCHES);
  once(['stop']);
  await again.ended;
});

test('everything goes to a file while it runs, and comes back from it; what is no backup changes nothing', async () => {
  const first = begin('start');
  await first.ready;
  const file = join(data, 'all.backup');
  const kept = once(['backup', file]);
  assert.equal(kept.status, 0, kept.stderr);
  assert.match(once(['backup', file]).stderr, /is there already/);
  const shelf = async () =>
    (await (await fetch(`${address}/api/shelf`)).json()).map(({ id, count }) => `${id} ${count}`);
  const before = await shelf();
  const [lot] = before;
  const [id, count] = lot.split(' ');
  const body = JSON.stringify({
    id: randomUUID(),
    change: -Number(count),
    reason: 'eaten',
    at: new Date().toISOString(),
  });
  const headers = { 'content-type': 'application/json' };
  assert.equal(
    (await fetch(`${address}/api/shelf/${id}/moves`, { method: 'POST', headers, body })).status,
    200,
  );
  assert.notDeepEqual(await shelf(), before);
  assert.match(once(['restore', file]).stderr, /the server runs/);
  once(['stop']);
  await first.ended;

  const damaged = join(data, 'damaged.backup');
  writeFileSync(damaged, readFileSync(file).subarray(0, 20_000));
  for (const [name, wanted] of [
    [damaged, /damaged/],
    [join(data, 'none'), /there is no file/],
    [KETTLE, /no backup/],
  ]) {
    const refused = once(['restore', name]);
    assert.equal(refused.status, 1);
    assert.match(refused.stderr, wanted);
  }
  const back = once(['restore', file]);
  assert.equal(back.status, 0, back.stderr);
  const again = begin('start');
  await again.ready;
  assert.equal(await batches(), DEMO_BATCHES);
  assert.deepEqual(await shelf(), before);
  once(['stop']);
  await again.ended;
});

test('a port that is taken is said, with what to do', async () => {
  const squatter = createServer().listen(port, '127.0.0.1');
  await new Promise((resolve) => squatter.once('listening', resolve));
  const refused = once(['start']);
  squatter.close();
  assert.equal(refused.status, 1);
  assert.match(
    refused.stderr,
    new RegExp(`port ${port} is taken by another program.*KETTLE_PORT=${port + 1}`, 's'),
  );
});

test('another server that takes the port meanwhile is not announced as ours', async () => {
  const elsewhere = mkdtempSync(join(tmpdir(), 'kettle-race-'));
  chmodSync(elsewhere, 0o755);
  const contested = await freePort();
  const kettle = begin('start', { KETTLE_DATA: elsewhere, KETTLE_PORT: String(contested) });
  const ready = kettle.ready.then(
    () => 'announced',
    (error) => error.message,
  );
  // The port has been looked at by the time the database is made.
  while (
    !existsSync(join(elsewhere, 'postgres')) &&
    !existsSync(join(elsewhere, 'postgres-folder'))
  )
    await new Promise((resolve) => setTimeout(resolve, 20));
  const other = createHttpServer((_, response) =>
    response.end(JSON.stringify({ status: 'ok', database: 'ok', instance: 'another' })),
  ).listen(contested, '127.0.0.1');
  assert.match(await ready, /the server did not start/);
  assert.equal(await kettle.ended, 1);
  other.close();
  rmSync(elsewhere, { recursive: true, force: true });
});

test('a port that is none, and a command that is none, are said', () => {
  assert.match(
    once(['start'], { env: { ...env, KETTLE_PORT: 'tea' } }).stderr,
    /KETTLE_PORT "tea" must be a port number/,
  );
  const unknown = once(['brew']);
  assert.equal(unknown.status, 1);
  assert.match(unknown.stderr, /there is no "brew"/);
});

test(
  'with DATABASE_URL set that database is used and none is started',
  { skip: !process.env.TEST_SERVER_URL && 'no server to make a database on' },
  async () => {
    const elsewhere = mkdtempSync(join(tmpdir(), 'kettle-url-'));
    const name = 'kettle_test_url';
    const { default: pg } = await import('pg');
    const client = new pg.Client({ connectionString: `${process.env.TEST_SERVER_URL}/postgres` });
    await client.connect();
    await client.query(`DROP DATABASE IF EXISTS ${name} WITH (FORCE)`);
    await client.query(`CREATE DATABASE ${name}`);
    await client.end();
    const more = { KETTLE_DATA: elsewhere, DATABASE_URL: `${process.env.TEST_SERVER_URL}/${name}` };
    const kettle = begin('start', more);
    await kettle.ready;
    assert.equal(await answers(), true);
    assert.equal(existsSync(join(elsewhere, 'postgres')), false);
    process.kill(-kettle.child.pid, 'SIGINT');
    await kettle.ended;
    rmSync(elsewhere, { recursive: true, force: true });
  },
);

test('calc answers on standard output alone, and refuses with exit 2 and nothing there', () => {
  const good = once(['calc', 'gel', '--altitude', '1180 m']);
  assert.equal(good.status, 0);
  assert.ok(Math.abs(JSON.parse(good.stdout).gelTemperature_C - 100.5) < 0.1);
  const formula = JSON.stringify({
    kind: 'jam',
    method: 'long-boil',
    lines: [{ ingredient: 'damson', amount: '2 cupz' }],
    finish: { type: 'gel-temperature' },
  });
  const bad = once(['calc', 'balance', '-'], { input: formula });
  assert.equal(bad.status, 2);
  assert.equal(bad.stdout, '');
  assert.match(bad.stderr, /^lines\[0\]\.amount: "2 cupz": unknown unit/);
});

test('two thousand made-up pots: no edit for the worse is rewarded', async () => {
  const { benchPots } = await import('./bench-pots.mjs');
  const { wrong, verdicts } = benchPots(2000);
  assert.deepEqual(wrong, []);
  assert.ok(verdicts.shelf > 500 && verdicts.fridge > 500, 'the pots are not a fair mixture');
});

// Within its limit whatever the speed of the machine: it counts errors, not seconds.
test('five batches of a kitchen halve what the next ones are wrong by', async () => {
  const { benchSeason } = await import('./bench-season.mjs');
  assert.equal(benchSeason(), true);
});

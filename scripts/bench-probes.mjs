// How many readings the server takes: simulated probes that each send a message a second, with so
// many readings in it, all acknowledged and all stored; how soon one pan's readings are on a second
// device, which listens to another server process of the same database; what the machine's time
// went to; and what PostgreSQL alone takes, row by row.
import { randomUUID } from 'node:crypto';
import { Agent, request } from 'node:http';
import pg from 'pg';
import {
  ask,
  benchDatabase,
  cpuSeconds,
  DAMSON_JAM,
  pause,
  quantile,
  rowByRow,
  startServer,
  together,
} from './bench-server.mjs';

const PROBES = Number(process.argv[2] ?? 1000);
const SECONDS = Number(process.argv[3] ?? 60);
/** Readings of one message: a probe measures more often than it sends. */
const IN_ONE = Number(process.argv[4] ?? 2);
const LIVE_LIMIT_MS = 300;
/** A server that has just started compiles what it runs; its answers count, their times do not, s. */
const WARM_UP_S = 5;
/**
 * A second device: hears of a change, asks for what is new, as the page does.
 * @returns when each value was there
 */
async function secondDevice(port, batchId) {
  const seen = new Map();
  let cursor = (await ask(port, 'GET', `/batches/${batchId}/events`)).body.cursor;
  let asking = false;
  let again = false;
  const look = async () => {
    if (asking) return void (again = true);
    asking = true;
    do {
      again = false;
      const { body } = await ask(port, 'GET', `/batches/${batchId}/events?since=${cursor}`);
      cursor = body.cursor;
      for (const { body: value } of body.events)
        if (!seen.has(value.temperature_C)) seen.set(value.temperature_C, performance.now());
    } while (again);
    asking = false;
  };
  const stream = request(
    { host: '127.0.0.1', port, path: '/api/live', agent: new Agent() },
    (answer) => {
      let rest = '';
      answer.setEncoding('utf8');
      answer.on('data', (chunk) => {
        rest += chunk;
        const parts = rest.split('\n\n');
        rest = parts.pop() ?? '';
        if (parts.some((part) => part.includes(batchId))) void look();
      });
      answer.on('error', () => undefined);
    },
  );
  stream.on('error', () => undefined);
  stream.end();
  await pause(500);
  return { seen, leave: () => stream.destroy() };
}

const { url, drop } = await benchDatabase();
const alone = await rowByRow(url);
console.log(
  `PostgreSQL alone, pgbench, single rows in transactions of their own: ${alone.toFixed(0)} a second`,
);
const here = await startServer(url);
const there = await startServer(url);
let kept = true;
try {
  const probes = await together(PROBES, async (i) => {
    const batchId = randomUUID();
    await ask(here.port, 'PUT', `/batches/${batchId}`, { document: DAMSON_JAM, revision: 0 });
    const { body } = await ask(here.port, 'POST', '/instruments', {
      id: randomUUID(),
      name: `probe ${i}`,
      kind: 'thermometer',
      batchId,
    });
    return { batchId, token: body.token };
  });
  const watched = probes[0];
  const device = await secondDevice(there.port, watched.batchId);

  const acknowledged = [];
  const sentAt = new Map();
  let refused = 0;
  let kept_readings = 0;
  const send = async ({ token }, i, second) => {
    const from = performance.now();
    const now = Date.now();
    const readings = Array.from({ length: IN_ONE }, (_, k) => ({
      at: new Date(now - ((IN_ONE - 1 - k) * 1000) / IN_ONE).toISOString(),
      temperature_C: Math.round((20 + second / 10 + k / 100 + i / 1e6) * 1e6) / 1e6,
    }));
    if (i === 0 && second >= WARM_UP_S) sentAt.set(readings.at(-1).temperature_C, from);
    const { status } = await ask(
      here.port,
      'POST',
      '/readings',
      { readings },
      { authorization: `Bearer ${token}` },
    ).catch(() => ({ status: 0 }));
    if (status !== 200) refused += IN_ONE;
    else {
      kept_readings += IN_ONE;
      if (second >= WARM_UP_S) acknowledged.push(performance.now() - from);
    }
  };
  const before = cpuSeconds([here, there]);
  const began = performance.now();
  const under = [];
  for (let second = 0; second < SECONDS; second++)
    probes.forEach((probe, i) => {
      // Each at its own moment of the second.
      const at = began + second * 1000 + ((i * 7919) % 1000);
      under.push(pause(Math.max(at - performance.now(), 0)).then(() => send(probe, i, second)));
    });
  await Promise.all(under);
  const took = (performance.now() - began) / 1000;
  const after = cpuSeconds([here, there]);
  await pause(500);
  device.leave();
  const database = new pg.Client({ connectionString: url });
  await database.connect();
  const { rows } = await database.query(
    "SELECT count(*)::int AS count FROM batch_events WHERE type = 'reading'",
  );
  await database.end();
  const stored = rows[0].count;
  const live = [...sentAt].map(([value, from]) => (device.seen.get(value) ?? Infinity) - from);
  const sent = PROBES * SECONDS * IN_ONE;
  console.log(
    `${PROBES} probes, a message a second with ${IN_ONE} readings each, ${SECONDS} s: ${sent} readings sent in ${took.toFixed(1)} s, ${kept_readings} acknowledged (${(kept_readings / took).toFixed(0)} a second), ${refused} refused, ${stored} stored`,
  );
  console.log(
    `of a core: ${Object.entries(after)
      .map(([what, seconds]) => `${what} ${(((seconds - before[what]) / took) * 100).toFixed(0)} %`)
      .join(', ')}`,
  );
  console.log(
    `acknowledged after ${quantile(acknowledged, 0.5).toFixed(0)} ms (median), ${quantile(acknowledged, 0.95).toFixed(0)} ms (95 %)`,
  );
  console.log(
    `on a second device, through another server, under that load: ${quantile(live, 0.5).toFixed(0)} ms (median), ${quantile(live, 0.95).toFixed(0)} ms (95 %), limit ${LIVE_LIMIT_MS}`,
  );
  kept =
    refused === 0 &&
    stored === sent &&
    took < SECONDS * 1.1 &&
    quantile(live, 0.95) < LIVE_LIMIT_MS;
} finally {
  here.child.kill('SIGTERM');
  there.child.kill('SIGTERM');
  await pause(500);
  await drop();
}
process.exit(kept ? 0 : 1);

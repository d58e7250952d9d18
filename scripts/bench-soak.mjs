// Half an hour of an evening for many: 200 probes, 20 open streams, lists and photos, on one server.
// Its memory is flat: what it holds at the end is no more than after warming up, within a tenth.
import { randomUUID } from 'node:crypto';
import { Agent, request } from 'node:http';
import sharp from 'sharp';
import {
  ask,
  benchDatabase,
  DAMSON_JAM,
  memory_MB,
  pause,
  quantile,
  startServer,
  together,
} from './bench-server.mjs';

const MINUTES = Number(process.argv[2] ?? 30);
const PROBES = 200;
const STREAMS = 20;
const FLAT = 1.1;
/** Caches, pools and compiled code are there by then, share of the whole. */
const WARM_UP = 0.2;

const LISTS = [
  '/batches',
  '/kitchens',
  '/formulas',
  '/shelf',
  '/shelf/overview?today=2026-11-28',
  '/lessons',
  '/household/shelf.csv',
];

/** A page that listens; it comes and goes, as phones do. */
function stream(port) {
  const asked = request(
    { host: '127.0.0.1', port, path: '/api/live', agent: new Agent() },
    (answer) => answer.on('error', () => undefined).resume(),
  );
  asked.on('error', () => undefined);
  asked.end();
  return () => asked.destroy();
}

const { url, drop } = await benchDatabase('kettle_bench_soak');
const server = await startServer(url);
const { port, child } = server;
let good = false;
try {
  const probes = await together(PROBES, async (i) => {
    const batchId = randomUUID();
    await ask(port, 'PUT', `/batches/${batchId}`, { document: DAMSON_JAM, revision: 0 });
    const { body } = await ask(port, 'POST', '/instruments', {
      id: randomUUID(),
      name: `probe ${i}`,
      kind: 'thermometer',
      batchId,
    });
    return { batchId, token: body.token };
  });
  const photo = await sharp({
    create: { width: 2400, height: 1800, channels: 3, background: '#6e2a4f' },
  })
    .jpeg()
    .toBuffer();
  const leave = Array.from({ length: STREAMS }, () => stream(port));
  const wrong = new Map();
  const note = ({ status }) => {
    if (status >= 300) wrong.set(status, (wrong.get(status) ?? 0) + 1);
  };
  const failed = (error) => wrong.set(error.code, (wrong.get(error.code) ?? 0) + 1);
  const memory = [];
  const began = performance.now();
  const end = began + MINUTES * 60_000;
  let readings = 0;
  let second = 0;
  while (performance.now() < end) {
    const at = new Date().toISOString();
    const jobs = probes.map(async ({ token }, i) => {
      await pause((i * 1000) / PROBES);
      const temperature_C = 60 + (second % 400) / 10;
      note(
        await ask(
          port,
          'POST',
          '/readings',
          { readings: [{ at, temperature_C }] },
          {
            authorization: `Bearer ${token}`,
          },
        ),
      );
      readings += 1;
    });
    jobs.push(ask(port, 'GET', LISTS[second % LISTS.length]).then(note));
    if (second % 15 === 0) {
      // A batch has so many photos at most: each goes where there is room.
      const { batchId } = probes[(second / 15) % PROBES];
      jobs.push(
        fetch(`http://127.0.0.1:${port}/api/batches/${batchId}/photos/${randomUUID()}`, {
          method: 'PUT',
          headers: { 'content-type': 'image/jpeg', origin: `http://127.0.0.1:${port}` },
          body: photo,
        }).then(note),
      );
    }
    if (second % 10 === 0) {
      memory.push(memory_MB(child.pid));
      leave.shift()?.();
      leave.push(stream(port));
    }
    await Promise.all(jobs.map((job) => job.catch(failed)));
    second += 1;
    await pause(Math.max(began + second * 1000 - performance.now(), 0));
  }
  leave.forEach((go) => go());
  const from = Math.floor(memory.length * WARM_UP);
  const part = Math.max(Math.floor(memory.length * 0.2), 1);
  const warm = quantile(memory.slice(from, from + part), 0.5);
  const last = quantile(memory.slice(-part), 0.5);
  console.log(
    `${MINUTES} min, ${PROBES} probes, ${STREAMS} streams, lists and photos: ${readings} readings, ${second} s, answers that were not well: ${[...wrong].map(([status, n]) => `${status}: ${n}`).join(', ') || 'none'}`,
  );
  console.log(
    `memory ${warm.toFixed(0)} MB after warming up, ${last.toFixed(0)} MB at the end, at most ${Math.max(...memory).toFixed(0)} MB; minute by minute: ${memory
      .filter((_, i) => i % 6 === 0)
      .map((each) => each.toFixed(0))
      .join(' ')}`,
  );
  good = last <= warm * FLAT && wrong.size === 0;
} finally {
  child.kill('SIGTERM');
  await pause(500);
  await drop();
}
process.exit(good ? 0 : 1);

// What the benches of the server share: a database of their own, servers on it, requests, and
// figures of what came back.
import { spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { Agent, request } from 'node:http';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import pg from 'pg';

const MAIN = fileURLToPath(new URL('../apps/server/dist/main.js', import.meta.url));
const agent = new Agent({ keepAlive: true, maxSockets: 200 });

export const quantile = (values, p) =>
  values.toSorted((a, b) => a - b)[Math.min(Math.floor(values.length * p), values.length - 1)] ??
  NaN;
export const pause = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

/** One request. @returns its status, and its body, read when it is looked at */
export function ask(port, method, path, body, headers = {}) {
  return new Promise((resolve, reject) => {
    const text = body === undefined ? undefined : JSON.stringify(body);
    const asked = request(
      {
        host: '127.0.0.1',
        port,
        method,
        path: `/api${path}`,
        agent,
        headers: {
          // As a page of the server does; an instrument has its token.
          ...(!headers.authorization && { origin: `http://127.0.0.1:${port}` }),
          ...(text !== undefined && {
            'content-type': 'application/json',
            'content-length': Buffer.byteLength(text),
          }),
          ...headers,
        },
      },
      (answer) => {
        const all = [];
        answer.on('data', (chunk) => all.push(chunk));
        answer.on('end', () =>
          resolve({
            status: answer.statusCode,
            get body() {
              return all.length === 0 ? undefined : JSON.parse(Buffer.concat(all));
            },
          }),
        );
      },
    );
    asked.on('error', reject);
    asked.end(text);
  });
}

async function freePort() {
  const probe = createServer();
  await new Promise((resolve) => probe.listen(0, '127.0.0.1', resolve));
  const { port } = probe.address();
  await new Promise((resolve) => probe.close(resolve));
  return port;
}

/** @param more environment of the server, beside what it needs */
export async function startServer(databaseUrl, more = {}) {
  const port = await freePort();
  const child = spawn(process.execPath, [MAIN], {
    env: {
      ...process.env,
      NODE_ENV: 'production',
      DATABASE_URL: databaseUrl,
      KETTLE_PORT: String(port),
      KETTLE_LOG_LEVEL: 'warn',
      ...more,
    },
    stdio: ['ignore', process.env.BENCH_LOG ? 'inherit' : 'ignore', 'inherit'],
  });
  // It takes what it takes on a slow machine; one that has ended does not start.
  while (child.exitCode === null && child.signalCode === null) {
    if (
      await ask(port, 'GET', '/health').then(
        ({ status }) => status === 200,
        () => false,
      )
    )
      return { port, child };
    await pause(100);
  }
  throw new Error('the server did not start');
}

/** Runs jobs a few at a time. */
export async function together(count, job, most = 16) {
  const results = [];
  let next = 0;
  await Promise.all(
    Array.from({ length: most }, async () => {
      while (next < count) {
        const i = next++;
        results[i] = await job(i);
      }
    }),
  );
  return results;
}

/**
 * An empty database for a bench, in place of what an earlier one left.
 *
 * @param name one of its own for each that goes at the same time
 * @returns its address, and how to be rid of it
 */
export async function benchDatabase(name = 'kettle_bench') {
  const url = new URL(process.env.TEST_SERVER_URL ?? process.env.DATABASE_URL);
  const admin = new pg.Client({ connectionString: new URL('/postgres', url).href });
  await admin.connect();
  await admin.query(`DROP DATABASE IF EXISTS ${name} WITH (FORCE)`);
  await admin.query(`CREATE DATABASE ${name}`);
  url.pathname = `/${name}`;
  const drop = async () => {
    await admin.query(`DROP DATABASE IF EXISTS ${name} WITH (FORCE)`);
    await admin.end();
  };
  return { url: url.href, drop };
}

/** Linux counts processor time in hundredths of a second. */
const TICKS_S = 100;

/** Processor time of a process so far, s; 0 where it is gone. */
function secondsOf(pid) {
  try {
    const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1].split(' ');
    return (Number(fields[11]) + Number(fields[12])) / TICKS_S;
  } catch {
    return 0;
  }
}

const programOf = (pid) => {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').split('\0')[0];
  } catch {
    return '';
  }
};
const postgresPids = () =>
  readdirSync('/proc').filter((pid) => /^\d+$/.test(pid) && /postgres/.test(programOf(pid)));

/** Processor time so far of the servers, PostgreSQL and this bench, s. */
export const cpuSeconds = (servers) => ({
  ...Object.fromEntries(servers.map(({ child }, i) => [`server ${i + 1}`, secondsOf(child.pid)])),
  PostgreSQL: postgresPids().reduce((sum, pid) => sum + secondsOf(pid), 0),
  'the probes': secondsOf(process.pid),
});

/** Rows a second that PostgreSQL takes one by one, by its own measure. */
export async function rowByRow(databaseUrl, seconds = 8) {
  const program = postgresPids()
    .map(programOf)
    .find((name) => name.startsWith('/'));
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  await client.query(
    'CREATE TABLE single_rows (id bigserial PRIMARY KEY, at timestamptz, value float8)',
  );
  const folder = mkdtempSync(join(tmpdir(), 'kettle-pgbench-'));
  const script = join(folder, 'insert.sql');
  writeFileSync(script, 'INSERT INTO single_rows (at, value) VALUES (now(), random());\n');
  const { hostname, port, username, password, pathname } = new URL(databaseUrl);
  const { stdout, stderr } = spawnSync(
    join(dirname(program ?? ''), 'pgbench'),
    ['-n', '-f', script, '-c', '8', '-j', '2', '-T', String(seconds)],
    {
      encoding: 'utf8',
      env: {
        ...process.env,
        PGHOST: hostname,
        PGPORT: port,
        PGUSER: username,
        PGPASSWORD: password,
        PGDATABASE: pathname.slice(1),
      },
    },
  );
  rmSync(folder, { recursive: true });
  await client.query('DROP TABLE single_rows');
  await client.end();
  const tps = /tps = ([\d.]+)/.exec(stdout ?? '')?.[1];
  if (tps === undefined) throw new Error(`pgbench did not say: ${stdout}${stderr}`);
  return Number(tps);
}

/** Memory a process holds, MB. */
export const memory_MB = (pid) =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))[1]) / 1024;

/** What is in the pan where it does not matter what. */
export const DAMSON_JAM = {
  format: 'idle-kettle/formula',
  version: 1,
  title: 'Damson jam',
  kind: 'jam',
  method: 'long-boil',
  lines: [
    { ingredient: 'damson', form: 'pitted', amount: '2.4 kg' },
    { ingredient: 'white-sugar', amount: '2.2 kg' },
  ],
  finish: { type: 'gel-temperature' },
  jars: [{ size: '454-g' }],
};

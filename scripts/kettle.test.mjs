// The start script as a person meets it: twice, with a port taken, after a power cut, from another
// folder.
import assert from 'node:assert/strict';
import { spawn, spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import {
  chmodSync,
  existsSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { createServer as createHttpServer } from 'node:http';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { after, afterEach, test } from 'node:test';
import { fileURLToPath } from 'node:url';

const KETTLE = join(dirname(fileURLToPath(import.meta.url)), '../kettle');
/** Folders made here: what runs in them is stopped, and they go, however this ends. */
const folders = [];
/** A folder for the data of a start. */
function newFolder(name) {
  const folder = mkdtempSync(join(tmpdir(), `kettle-${name}-`));
  // PostgreSQL's own user must be able to enter when the tests run as root.
  chmodSync(folder, 0o755);
  folders.push(folder);
  return folder;
}
function clear() {
  for (const folder of folders.splice(0).filter((each) => existsSync(each))) {
    once(['stop'], { env: { ...env, KETTLE_DATA: folder } });
    rmSync(folder, { recursive: true, force: true });
  }
}
process.on('exit', clear);
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => process.exit(1));

const data = newFolder('script');

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
const DEMO_BATCHES = 48;
const batches = async () => (await (await fetch(`${address}/api/batches`)).json()).length;
const postgresPid = (folder = data) =>
  Number(
    spawnSync('pgrep', ['-f', `^/.*postgres.*${folder}`], { encoding: 'utf8' }).stdout.split(
      '\n',
    )[0],
  );

/** Where PostgreSQL's programs are, as the running one tells. */
const postgresBin = (folder) =>
  dirname(readFileSync(`/proc/${postgresPid(folder)}/cmdline`, 'utf8').split('\0')[0]);
/** The environment of a program of PostgreSQL that connects as the server does. */
const asRole = (folder = data) => ({
  ...env,
  PGHOST: '127.0.0.1',
  PGPORT: readFileSync(join(folder, 'postgres-port'), 'utf8').trim(),
  PGUSER: 'kettle',
  PGDATABASE: 'kettle',
  PGPASSWORD: readFileSync(join(folder, 'postgres-password'), 'utf8').trim(),
});

// What one test leaves running must not fail the next ones.
afterEach(() => {
  if (existsSync(join(data, 'server.pid'))) once(['stop']);
});
after(clear);

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
  const key = readFileSync(join(data, 'command-key'), 'utf8');
  const headers = { 'content-type': 'application/json', 'x-kettle-key': key };
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

/** Touched by whatever of a crafted backup gets to run a program of the operating system. */
const MARK = join(data, 'a-program-ran');
const RUN = `COPY (SELECT 1) TO PROGRAM 'touch ${MARK}'`;
/** A function of this length in a dump can be written over in place. */
const ROOM = 'x'.repeat(400);

/** Comes back as it is: it is a name. */
const ONLY_DATA = 'words that are commands elsewhere';

/**
 * What somebody may put into a database before it is dumped: as the superuser they are at home.
 * `over` is written over the definition of a function in the dump itself, as no tool would.
 */
const CRAFTED = {
  'a function that runs a program': {
    sql: `CREATE FUNCTION run_it() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN ${RUN}; RETURN NEW; END $$`,
  },
  'a trigger of it on every row': {
    sql: `CREATE FUNCTION run_it() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN ${RUN}; RETURN NEW; END $$;
      CREATE TRIGGER run_it BEFORE INSERT ON batches FOR EACH ROW EXECUTE FUNCTION run_it()`,
  },
  'an operator that stands in for a built-in one': {
    sql: `CREATE FUNCTION run_it(name, name) RETURNS boolean LANGUAGE plpgsql AS $$ BEGIN ${RUN}; RETURN true; END $$;
      CREATE OPERATOR = (FUNCTION = run_it, LEFTARG = name, RIGHTARG = name)`,
  },
  'an event trigger': {
    sql: `CREATE FUNCTION run_it() RETURNS event_trigger LANGUAGE plpgsql AS $$ BEGIN ${RUN}; END $$;
      CREATE EVENT TRIGGER run_it ON ddl_command_end EXECUTE FUNCTION run_it()`,
  },
  'a view with a rule': {
    sql: `CREATE VIEW more AS SELECT 1 AS one; CREATE RULE more AS ON INSERT TO more DO INSTEAD SELECT pg_sleep(0)`,
  },
  'a rule on a table': {
    sql: 'CREATE RULE more AS ON INSERT TO batches DO ALSO SELECT pg_sleep(0)',
  },
  'a cast': {
    sql: `CREATE FUNCTION run_it(json) RETURNS point LANGUAGE plpgsql AS $$ BEGIN ${RUN}; RETURN '(1,1)'; END $$;
      CREATE CAST (json AS point) WITH FUNCTION run_it(json) AS ASSIGNMENT`,
  },
  'an extension': { sql: 'CREATE EXTENSION citext' },
  'a large object': { sql: `SELECT lo_from_bytea(0, 'damson')` },
  'a schema': { sql: 'CREATE SCHEMA more; CREATE TABLE more.thing (id int)' },
  'a table whose name is a path': { sql: 'CREATE TABLE "../../etc/cron.d/run" (id int)' },
  [ONLY_DATA]: {
    sql: `UPDATE batches SET title = E'\\\\! touch ${MARK}\n\\\\.\n\\\\i /etc/passwd' WHERE id = (SELECT id FROM batches ORDER BY id LIMIT 1)`,
  },
  'the end of its transaction, and another': {
    over: `COMMIT; DROP DATABASE IF EXISTS kettle; CREATE TABLE public.was_here (id int); INSERT INTO public.migrations VALUES ('9999')`,
  },
  'a program at once': { over: `${RUN};` },
  'a flood': {
    over: `CREATE TABLE public.flood (x text); ALTER TABLE public.flood ALTER x SET STORAGE EXTERNAL; INSERT INTO public.flood SELECT repeat(md5(i::text), 300) FROM generate_series(1, 1000000) AS i;`,
  },
};

test('a crafted backup of before is refused with nothing changed, or is only data', async (t) => {
  const first = begin('start');
  await first.ready;
  const bin = postgresBin();
  const admin = {
    ...asRole(),
    PGUSER: 'kettle_admin',
    PGPASSWORD: readFileSync(join(data, 'postgres-password-kettle_admin'), 'utf8').trim(),
  };
  const run = (program, args, more = {}) => {
    const { status, stdout, stderr } = spawnSync(join(bin, program), args, {
      env: { ...admin, ...more },
      encoding: 'utf8',
    });
    assert.equal(status, 0, stderr);
    return stdout;
  };
  const sql = (text, more) => run('psql', ['--no-psqlrc', '-Atqc', text], more);
  /** Everything a person would miss. */
  const household = () =>
    sql(`SELECT (SELECT md5(string_agg(title || document, '' ORDER BY id)) FROM batches),
      (SELECT count(*) FROM batch_events), (SELECT sum(change) FROM shelf_moves),
      (SELECT count(*) FROM pg_class WHERE relnamespace = 'public'::regnamespace)`);
  const before = household();
  const whole = join(data, 'whole.dump');
  run('pg_dump', ['-Fc', '--no-owner', '-f', whole]);
  const files = Object.entries(CRAFTED).map(([name, { sql: made, over }], i) => {
    const file = join(data, `crafted-${i}.backup`);
    sql('DROP DATABASE IF EXISTS crafted');
    sql('CREATE DATABASE crafted');
    run('pg_restore', ['--no-owner', '-d', 'crafted', whole]);
    const replaced = `CREATE FUNCTION public.room() RETURNS text
    LANGUAGE sql
    AS $$ SELECT '${ROOM}' $$;`;
    sql(made ?? replaced, { PGDATABASE: 'crafted' });
    run('pg_dump', ['-Fc', '--no-owner', '--no-privileges', '-f', file, 'crafted']);
    if (over !== undefined) {
      const bytes = readFileSync(file);
      const at = bytes.indexOf(replaced);
      assert.ok(at > 0, 'the function is not in the dump as it was written');
      bytes.write(over.padEnd(replaced.length), at);
      writeFileSync(file, bytes);
    }
    return [name, file];
  });
  sql('DROP DATABASE crafted');
  // PostgreSQL stays while somebody uses it; the server must not run.
  const ticks = readFileSync('/proc/self/stat', 'utf8').replace(/.*\) /, '').split(' ')[19];
  writeFileSync(join(data, 'postgres-users', String(process.pid)), `${ticks}\n`);
  process.kill(Number(readFileSync(join(data, 'server.pid'), 'utf8').split('\n')[0]), 'SIGTERM');
  await first.ended;
  const there = `SELECT count(*) FROM pg_class WHERE relname IN ('was_here', 'flood', 'more', 'thing')
    UNION ALL SELECT count(*) FROM pg_proc WHERE proname = 'run_it'`;
  for (const [name, file] of files)
    await t.test(name, () => {
      const { status, stderr } = once(['restore', file]);
      if (status !== 0) assert.match(stderr, /[Nn]othing was changed/);
      else if (name !== ONLY_DATA) assert.equal(household(), before, stderr);
      assert.equal(sql(there), '0\n0\n');
      assert.equal(existsSync(MARK), false, 'it has run a program');
      // From the same household again.
      if (name === ONLY_DATA) assert.equal(once(['restore', whole]).status, 0);
      assert.equal(household(), before);
    });
  const again = begin('start');
  await again.ready;
  assert.equal(await batches(), DEMO_BATCHES);
  rmSync(join(data, 'postgres-users', String(process.pid)));
  once(['stop']);
  await again.ended;
  assert.equal(existsSync(MARK), false, 'it has run a program');
  assert.equal(
    readdirSync(tmpdir()).some((name) => name.startsWith('kettle-scratch')),
    false,
  );
});

test('the role of the server may do nothing but its own, and its password is in files for their owner', async () => {
  const first = begin('start');
  await first.ready;
  const ask = (text) =>
    spawnSync(join(postgresBin(), 'psql'), ['--no-psqlrc', '-Atqc', text], {
      env: asRole(),
      encoding: 'utf8',
    }).stdout.trim();
  assert.equal(
    ask('SELECT rolsuper, rolcreatedb, rolcreaterole FROM pg_roles WHERE rolname = current_user'),
    'f|f|f',
  );
  assert.equal(
    ask("SELECT pg_get_userbyid(datdba) FROM pg_database WHERE datname = 'kettle'"),
    'kettle',
  );
  const passwords = readdirSync(data).filter((name) => name.startsWith('postgres-password'));
  assert.ok(passwords.length >= 2);
  for (const name of [...passwords, 'server.log', 'server-start.log'])
    assert.equal(statSync(join(data, name)).mode & 0o077, 0, name);
  // Whoever is on the machine reads every command line.
  const secrets = passwords.map((name) => readFileSync(join(data, name), 'utf8').trim());
  const lines = readdirSync('/proc')
    .filter((pid) => /^\d+$/.test(pid))
    .map((pid) => {
      try {
        return readFileSync(`/proc/${pid}/cmdline`, 'utf8');
      } catch {
        return '';
      }
    });
  assert.ok(lines.every((line) => secrets.every((secret) => !line.includes(secret))));
});

test('a data folder whose server was the superuser is converted when it is started, with its data', async () => {
  const old = newFolder('old');
  const oldPort = await freePort();
  // As ./kettle made one before there were roles.
  const made = spawnSync(
    'bash',
    [
      '-euc',
      `. "$ROOT/scripts/say.sh"; . "$ROOT/scripts/postgres.sh"
      find_postgres; place_cluster
      (umask 077 && printf old-secret >"$DATA/postgres-password")
      pg sh -c 'umask 077; printf old-secret >"$1/password"' sh "$PG_DIR"
      pg "$PG_BIN/initdb" -D "$PG_DIR/data" -U kettle --pwfile="$PG_DIR/password" --auth=scram-sha-256 -E UTF8 --locale=C.UTF-8
      run_cluster ${oldPort}
      export PGHOST=127.0.0.1 PGPORT=${oldPort} PGUSER=kettle PGPASSWORD=old-secret
      "$PG_BIN/psql" -d postgres -c 'CREATE DATABASE kettle'
      "$PG_BIN/psql" -d kettle -c 'CREATE TABLE keepsake (id int GENERATED ALWAYS AS IDENTITY, what text); INSERT INTO keepsake (what) VALUES ($$damson$$)'
      "$PG_BIN/psql" -d kettle -c 'CREATE FUNCTION old_one() RETURNS int LANGUAGE sql AS $$ SELECT 1 $$'
      pg "$PG_BIN/pg_ctl" -D "$PG_DIR/data" -m fast -w -s stop`,
    ],
    { env: { ...env, ROOT: dirname(KETTLE), KETTLE_DATA: old }, encoding: 'utf8' },
  );
  assert.equal(made.status, 0, made.stderr);
  const first = begin('start', { KETTLE_DATA: old });
  await first.ready;
  const { stdout } = spawnSync(
    join(postgresBin(old), 'psql'),
    [
      '--no-psqlrc',
      '-Atqc',
      `INSERT INTO keepsake (what) VALUES ('quince');
      SELECT string_agg(what, ' ' ORDER BY id) FROM keepsake;
      SELECT rolsuper FROM pg_roles WHERE rolname = current_user;
      ALTER TABLE keepsake ADD COLUMN more int; DROP FUNCTION old_one();`,
    ],
    { env: asRole(old), encoding: 'utf8' },
  );
  assert.equal(stdout.trim(), 'damson quince\nf');
  assert.equal(once(['stop'], { env: { ...env, KETTLE_DATA: old } }).status, 0);
  await first.ended;
  const again = begin('start', { KETTLE_DATA: old });
  await again.ready;
  assert.doesNotMatch(again.said(), /may do less/);
  once(['stop'], { env: { ...env, KETTLE_DATA: old } });
  await again.ended;
});

test('PostgreSQL that was killed is started again, and the server goes on; being told twice to end is harmless', async () => {
  const first = begin('start');
  await first.ready;
  for (let kill = 0; kill < 2; kill++) {
    process.kill(postgresPid(), 'SIGKILL');
    let back = false;
    for (let i = 0; i < 120 && !back; i++) {
      await new Promise((resolve) => setTimeout(resolve, 250));
      back = await answers();
    }
    assert.ok(back, 'the server has no database again');
    assert.equal(await batches(), DEMO_BATCHES);
  }
  for (let i = 0; i < 4; i++) {
    process.kill(first.child.pid, 'SIGTERM');
    await new Promise((resolve) => setTimeout(resolve, 30));
  }
  assert.equal(await first.ended, 143);
  assert.match(first.said(), /Stopped\./);
  for (let i = 0; i < 30 && postgresPid() > 0; i++)
    await new Promise((resolve) => setTimeout(resolve, 100));
  assert.ok(!(postgresPid() > 0), 'PostgreSQL still runs');
});

test('a disk without room is said before anything is begun, with how much is wanted', () => {
  const bin = newFolder('df');
  writeFileSync(
    join(bin, 'df'),
    '#!/bin/sh\nprintf "Filesystem 1M-blocks Used Available\\n/dev/x 100 93 7\\n"\n',
    { mode: 0o755 },
  );
  const { status, stderr } = once(['start'], { env: { ...env, PATH: `${bin}:${env.PATH}` } });
  assert.equal(status, 1);
  assert.match(stderr, /no space left: \d+ MB wanted in .*, 7 MB free/);
});

test('at another address it starts and says who may reach it; at one that is not here it says why not', async () => {
  const first = begin('start', { KETTLE_HOST: '127.0.0.2' });
  await first.ready;
  assert.match(first.said(), /Whoever reaches this machine at 127\.0\.0\.2/);
  assert.equal(await answers(`http://127.0.0.2:${port}`), true);
  assert.equal(await answers(), false);
  once(['stop']);
  await first.ended;
  const { status, stderr } = once(['start'], { env: { ...env, KETTLE_HOST: '203.0.113.7' } });
  assert.equal(status, 1);
  assert.match(stderr, /EADDRNOTAVAIL/);
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
  const elsewhere = newFolder('race');
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
    const elsewhere = newFolder('url');
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

test('every package is under a licence that can be kept', async () => {
  const { isTaken, licenceProblems } = await import('./upkeep.mjs');
  assert.deepEqual(licenceProblems(), []);
  assert.equal(isTaken('(MIT OR GPL-2.0-only)'), true);
  assert.equal(isTaken('MIT AND GPL-2.0-only'), false);
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

test('boils are looked at on a thread of their own, with the same result, and one after the other', async () => {
  const learning = '../apps/server/dist/learning';
  const { BoilReader } = await import(`${learning}/boil-reader.js`);
  const { DAMSON_JAM } = await import('./bench-server.mjs');
  const { lookAt } = await import(`${learning}/look-at.js`);
  const from = Date.parse('2026-09-12T10:00:00Z');
  const event = (type, minute, body) => ({
    id: `${type} ${minute}`,
    type,
    at: new Date(from + minute * 60_000).toISOString(),
    device: 'bench',
    body,
  });
  // From cold to the boil in 18 minutes, then slowly on to the gel.
  const temperature_C = (minute) =>
    minute < 18 ? 20 + (76 * minute) / 18 : 96.2 + (4.2 * (minute - 18)) / 42;
  const events = [
    event('light', 0, { gelTemperature_C: 100.5, boilingPoint_C: 96.1, altitude_m: 1180 }),
    ...Array.from({ length: 480 }, (_, i) =>
      event('reading', i / 8, { temperature_C: Math.round(temperature_C(i / 8) * 10) / 10 }),
    ),
    event('done', 60, {}),
  ];
  const boil = { document: DAMSON_JAM, events, kitchen: { altitude_m: 1180 }, known: [] };
  const reader = new BoilReader();
  const expected = JSON.parse(JSON.stringify(lookAt(boil)));
  assert.ok(expected.evidence, 'there is nothing to compare');
  const began = performance.now();
  const found = await Promise.all([1, 2, 3, 4].map(() => reader.lookAt(boil)));
  // One that is not heard from is given up after ten seconds.
  assert.ok(performance.now() - began < 9000);
  for (const each of found) assert.deepEqual(JSON.parse(JSON.stringify(each)), expected);
  await reader.onModuleDestroy();
});

test('two thousand odd requests over every route: no 5xx, no answer that is missing', async () => {
  const { fuzz } = await import('./bench-fuzz.mjs');
  // Another one each time; what fails is made again by ./kettle bench fuzz 2000 SEED.
  const seed = Math.floor(Math.random() * 2 ** 32);
  const { wrong, statuses } = await fuzz(2000, seed, 'kettle_bench_fuzz');
  assert.deepEqual(wrong, [], `seed ${seed}`);
  assert.ok((statuses.get(200) ?? 0) > 300 && (statuses.get(400) ?? 0) > 300, 'no fair mixture');
});

import { randomUUID } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import type { Client } from 'pg';
import type { EventPage } from '@idle-kettle/contract';
import { connect } from '../database/connect.js';
import { migrate } from '../database/migrate.js';
import { damsonJam, newBatch, reading, startTestApp } from '../testing/app.js';
import { freshDatabase } from '../testing/database.js';
import { BackupFile, writeBackup, type Manifest } from './backup-file.js';
import { withClient } from './client.js';
import { liveSchema, restoreFrom } from './restore.js';
import { NotRestorable } from './row-source.js';

const NOW = new Date('2026-12-01T18:00:00Z');
const folder = mkdtempSync(join(tmpdir(), 'kettle-backup-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const path = (name: string): string => join(folder, name);
/** A name nothing has yet. */
const fresh = (): string => path(randomUUID());

/** A household with something in every table there is. */
let home: string;
/** Its backup. */
let backup: string;
beforeAll(async () => {
  home = await freshDatabase('kettle_test_backup_home');
  const kitchen = await startTestApp(home);
  const { http } = kitchen;
  const put = (at: string, body: object) => http.put(`/api/${at}`).send(body).expect(200);
  const batch = await newBatch(http);
  await put(`batches/${batch}`, {
    document: damsonJam({ title: 'Damson, for the fair' }),
    revision: 1,
  });
  const at = '2026-11-20T10:00:00.000Z';
  const event = (type: string, body: object) => ({
    id: randomUUID(),
    type,
    at,
    device: 'tablet',
    body,
  });
  await http
    .post(`/api/batches/${batch}/events`)
    .send({
      events: [
        reading(99.25),
        event('done', {}),
        event('measured-ph', { value: 3.4, twoBuffers: true }),
        event('jarred', { jars: [{ size: '340-g', full: 4, part: 0 }] }),
      ],
    })
    .expect(200);
  const lot = randomUUID();
  await http
    .post('/api/shelf')
    .send({ id: lot, batchId: batch, size: '340-g', count: 4, madeOn: '2026-11-20' })
    .expect(200);
  await http
    .post(`/api/shelf/${lot}/transfers`)
    .send({
      id: randomUUID(),
      arrivalId: randomUUID(),
      to: randomUUID(),
      count: 1,
      keptIn: 'fridge',
      place: '',
      at,
    })
    .expect(200);
  await put(`formulas/${randomUUID()}`, { document: damsonJam(), revision: 0 });
  await put(`freezer/${randomUUID()}`, {
    ingredient: 'damson',
    mass_kg: 1.8,
    note: 'pitted; "ripe"\n',
    frozenOn: '2026-09-20',
  });
  await put(`prepared-weights/${randomUUID()}`, {
    ingredient: 'quince',
    bought_kg: 2,
    prepared_kg: 1.3,
    at,
  });
  await put(`practice/runs/${randomUUID()}`, {
    player: 'Ottilie',
    scenario: 'first-jam',
    seed: 7,
    mode: 'eye',
    score: 88,
    medals: [],
    at,
  });
  await http
    .post('/api/instruments')
    .send({ id: randomUUID(), name: 'Probe', kind: 'thermometer' })
    .expect(201);
  await http.get('/api/shelf').expect(200);
  await kitchen.close();
  await withClient(home, (client) =>
    client.query(
      `INSERT INTO public.batch_photos SELECT gen_random_uuid(), household_id, id, 'jars', now(), 2, 2, '\\xff00'::bytea, '\\x00'::bytea FROM public.batches`,
    ),
  );
  backup = path('home.backup');
  await withClient(home, (client) => writeBackup(client, 'public', backup, NOW));
}, 60_000);

/** Every row of a database as text; what makes itself is left out. */
async function rowsOfAll(client: Client): Promise<Record<string, string[]>> {
  const { rows: tables } = await client.query<{ name: string }>(
    `SELECT table_name::text AS name FROM information_schema.tables WHERE table_schema = 'public' AND table_name NOT LIKE 'other%' ORDER BY 1`,
  );
  const all: Record<string, string[]> = {};
  for (const { name } of tables) {
    const { rows } = await client.query<{ row: string }>(
      `SELECT (to_jsonb(row) - 'written_by' - 'seq' ${name === 'batch_summaries' ? "- 'version' - 'stale'" : ''})::text AS row FROM public.${name} AS row ORDER BY 1`,
    );
    all[name] = rows.map(({ row }) => row);
  }
  return all;
}

const restored = async (file: string, into: string): Promise<void> =>
  restoreFrom(await BackupFile.open(file), { url: home, into, keep: fresh(), now: NOW });

test('everything comes back, also what the household’s own file leaves out; a log goes on from there', async () => {
  const before = await withClient(home, rowsOfAll);
  const empty = Object.keys(before).filter((name) => before[name]!.length === 0);
  expect(empty).toEqual(['download_links', 'instrument_places', 'practice_scenarios']);
  const into = await freshDatabase('kettle_test_backup_into');
  await restored(backup, into);
  const after = await withClient(into, rowsOfAll);
  expect(Object.keys(after)).toEqual(Object.keys(before));
  for (const [name, rows] of Object.entries(before))
    expect([name, after[name]]).toEqual([name, rows]);
  // The id of a transaction of another cluster, far ahead of this one's, would send the log for ever.
  const { rows } = await withClient(into, (client) =>
    client.query<{ ahead: number }>(
      'SELECT count(*)::int AS ahead FROM public.batch_events WHERE written_by >= pg_snapshot_xmax(pg_current_snapshot())',
    ),
  );
  expect(rows[0]?.ahead).toBe(0);
  const there = await startTestApp(into);
  const batches = (await there.http.get('/api/batches').expect(200)).body as { id: string }[];
  const events = `/api/batches/${batches[0]!.id}/events`;
  const page = (await there.http.get(events).expect(200)).body as EventPage;
  await there.http
    .post(events)
    .send({ events: [reading(99.9)] })
    .expect(200);
  const since = `${events}?since=${page.cursor}`;
  const next = (await there.http.get(since).expect(200)).body as EventPage;
  expect(next.events.at(-1)?.body).toEqual({ temperature_C: 99.9 });
  await there.close();
}, 60_000);

test('one written by an earlier version is put where it was and brought up to date', async () => {
  const old = await freshDatabase('kettle_test_backup_old');
  const database = await connect(old);
  await migrate(database, { upTo: '0013-quick-search' });
  await database.query(`
    INSERT INTO households VALUES ('6f1c2b0e-0000-4000-8000-000000000001', 'Hollow Lane', '2025-01-01');
    INSERT INTO batches (id, household_id, title, document, revision)
      VALUES ('6f1c2b0e-0000-4000-8000-000000000002', '6f1c2b0e-0000-4000-8000-000000000001', 'Quince', '{"kind":"jelly"}', 1);`);
  await database.close();
  const file = fresh();
  await withClient(old, (client) => writeBackup(client, 'public', file, NOW));
  const into = await freshDatabase('kettle_test_backup_updated');
  await restored(file, into);
  const { rows } = await withClient(into, (client) =>
    client.query('SELECT kind, version FROM public.batch_summaries'),
  );
  expect(rows).toEqual([{ kind: 'jelly', version: expect.any(String) as string }]);
});

describe('in a database that is somebody else’s', () => {
  const strange = async (client: Client): Promise<void> => {
    await client.query('CREATE TABLE public.other (what text)');
    await client.query(`INSERT INTO public.other VALUES ('not ours')`);
  };
  const others = (client: Client) =>
    client.query('SELECT what FROM public.other').then(({ rows }) => rows as unknown[]);

  test('it takes the place of what is there at once, and leaves everything that is not ours', async () => {
    const url = await freshDatabase('kettle_test_backup_outside');
    await withClient(url, strange);
    const keep = fresh();
    await restoreFrom(await BackupFile.open(backup), { url, into: undefined, keep, now: NOW });
    const before = await withClient(home, rowsOfAll);
    expect(await withClient(url, rowsOfAll)).toEqual(before);
    expect(await withClient(url, others)).toEqual([{ what: 'not ours' }]);
    const { rows } = await withClient(url, (client) =>
      client.query(`SELECT nspname FROM pg_namespace WHERE nspname LIKE 'kettle%'`),
    );
    expect(rows).toEqual([]);
    // Triggers and functions work where they are now.
    const there = await startTestApp(url);
    await newBatch(there.http);
    expect((await there.http.get('/api/batches').expect(200)).body).toHaveLength(2);
    await there.close();
    expect(await liveSchema(url)).toBe('public');
    // And once more over that, from what was kept: the household that was there, an empty one.
    await restoreFrom(await BackupFile.open(keep), {
      url,
      into: undefined,
      keep: fresh(),
      now: NOW,
    });
    expect((await withClient(url, rowsOfAll)).batches).toEqual([]);
  }, 60_000);

  test('one that does not fit changes nothing', async () => {
    const url = await freshDatabase('kettle_test_backup_refused');
    await restoreFrom(await BackupFile.open(backup), {
      url,
      into: undefined,
      keep: fresh(),
      now: NOW,
    });
    const before = await withClient(url, rowsOfAll);
    const file = fresh();
    writeFileSync(
      file,
      crafted({ rows: (rows) => rows.map((row) => row.replace('"damson', '"DAMSON')) }),
    );
    const given = await BackupFile.open(file);
    await expect(
      restoreFrom(given, { url, into: undefined, keep: fresh(), now: NOW }),
    ).rejects.toThrow(NotRestorable);
    expect(await withClient(url, rowsOfAll)).toEqual(before);
  }, 60_000);
});

/** What somebody may do to a backup. */
interface Craft {
  readonly manifest?: (manifest: Manifest) => object;
  readonly rows?: (rows: string[]) => string[];
  readonly packed?: (packed: Buffer) => Buffer;
}

/** The backup with something done to it. */
function crafted({ manifest = (m) => m, rows = (r) => r, packed = (p) => p }: Craft): Buffer {
  const whole = readFileSync(backup);
  const end = whole.indexOf('\n');
  const said = JSON.parse(whole.subarray(0, end).toString()) as Manifest;
  const lines = gunzipSync(whole.subarray(end + 1))
    .toString()
    .trimEnd()
    .split('\n');
  const body = gzipSync(
    rows(lines)
      .map((line) => `${line}\n`)
      .join(''),
  );
  return Buffer.concat([Buffer.from(`${JSON.stringify(manifest(said))}\n`), packed(body)]);
}

const withTables =
  (change: (tables: Manifest['tables']) => readonly object[]) =>
  (manifest: Manifest): object => ({ ...manifest, tables: change(manifest.tables) });
/** The first table with something changed in it. */
const first =
  (change: object) =>
  (tables: Manifest['tables']): readonly object[] => [
    { ...tables[0], ...change },
    ...tables.slice(1),
  ];

/** A name that is a path, a command of psql, and SQL of its own. */
const NAMES = [
  '../../../etc/passwd',
  '\\! touch /tmp/kettle-was-here',
  'batches"; DROP DATABASE postgres; --',
  'pg_authid',
];

const REFUSED: readonly (readonly [what: string, craft: Craft, message: RegExp])[] = [
  ...NAMES.map(
    (name) =>
      [
        `a table ${name}`,
        { manifest: withTables(first({ name })) },
        /lists a table .* that is none/,
      ] as const,
  ),
  ...NAMES.map(
    (name) =>
      [
        `a column ${name}`,
        { manifest: withTables(first({ columns: [name] })) },
        /its columns are/,
      ] as const,
  ),
  ['a table twice', { manifest: withTables((tables) => [...tables, tables[0]!]) }, /that is none/],
  ['a table left out', { manifest: withTables((tables) => tables.slice(1)) }, /lacks the table/],
  ['rows that are missing', { rows: (rows) => rows.slice(0, -1) }, /are missing|not those/],
  ['rows too many', { rows: (rows) => [...rows, '{}'] }, /more than its manifest says|more rows/],
  [
    'a row exchanged',
    {
      rows: (rows) => rows.map((row) => row.replace('tablet', 'goblet')),
    },
    /not those/,
  ],
  [
    'a row that is no JSON',
    { rows: ([row, ...rest]) => [row!.replace('{', '('), ...rest] },
    /invalid input syntax/,
  ],
  ['a file cut short', { packed: (packed) => packed.subarray(0, packed.length / 2) }, /damaged/],
  [
    'rows that are not packed',
    { packed: () => Buffer.from('COPY batches FROM PROGRAM $$id$$;') },
    /damaged/,
  ],
  ['another version', { manifest: (m) => ({ ...m, version: 2 }) }, /version 2, which a later/],
  [
    'a later schema',
    { manifest: (m) => ({ ...m, migrations: [...m.migrations, '9999-fruit'] }) },
    /later Idle Kettle/,
  ],
  ['no migration', { manifest: (m) => ({ ...m, migrations: [] }) }, /no backup/],
  ['a manifest without tables', { manifest: ({ tables: _, ...m }) => m }, /manifest is damaged/],
  ['a count below nothing', { manifest: withTables(first({ rows: -1 })) }, /manifest is damaged/],
  [
    'a flood',
    { manifest: (m) => ({ ...m, bytes: 1e15 }), packed: () => gzipSync(Buffer.alloc(3e8)) },
    /would unpack to/,
  ],
  [
    'a flood that is not announced',
    { packed: () => gzipSync(Buffer.alloc(3e8)) },
    /more than its manifest says/,
  ],
];

describe('a backup that somebody has changed is refused, and nothing of it is there', () => {
  let into: string;
  beforeAll(async () => {
    into = await freshDatabase('kettle_test_backup_crafted');
  });
  test.each(REFUSED)('%s', async (_what, craft, message) => {
    const file = fresh();
    writeFileSync(file, crafted(craft));
    const attempt = (async () => restored(file, into))();
    await expect(attempt).rejects.toThrow(NotRestorable);
    await expect(attempt).rejects.toThrow(message);
    const { rows } = await withClient(into, (client) =>
      client.query<{ there: string | null }>(`SELECT to_regclass('public.households') AS there`),
    );
    if (rows[0]?.there == null) return;
    const all = await withClient(into, rowsOfAll);
    expect(
      Object.entries(all).flatMap(([name, found]) => (name === 'migrations' ? [] : found)),
    ).toEqual([]);
  });
});

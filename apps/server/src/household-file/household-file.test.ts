import { randomUUID } from 'node:crypto';
import Papa from 'papaparse';
import type {
  HouseholdImport,
  FormulaBody,
  HouseholdFile,
  KitchenView,
  LotView,
  ProblemBody,
  ShelfOverview,
} from '@idle-kettle/contract';
import { seeded, STARTERS } from '@idle-kettle/core';
import { damsonJam, newBatch, startTestApp, type TestApp } from '../testing/app.js';
import { freshDatabase } from '../testing/database.js';

/**
 * What the other machine must say as this one does: jars by lot with how they keep, the year, the
 * logbook, the story of the jars.
 */
const SAID = [
  '/api/shelf',
  '/api/shelf/overview?today=2026-11-25',
  '/api/shelf/year',
  '/api/batches?limit=100',
  '/api/shelf/moves',
  '/api/freezer',
  '/api/practice/runs',
  '/api/kitchens',
  '/api/lessons',
  '/api/formulas',
];

/** The machine in use: first at home, then elsewhere. A server is one to a process. */
let home: TestApp;
let out: HouseholdFile;
const said = new Map<string, unknown>();
beforeAll(async () => {
  home = await startTestApp(await freshDatabase('kettle_test_household_home'));
  await aYear(60);
  out = await file();
  for (const path of [...SAID, logOf(out)]) said.set(path, await answer(path));
  await home.close();
  home = await startTestApp(await freshDatabase('kettle_test_household_elsewhere'));
}, 120_000);
afterAll(() => home.close());

const file = async (): Promise<HouseholdFile> =>
  (await home.http.get('/api/household').expect(200)).body as HouseholdFile;
const take = (given: unknown) => home.http.post('/api/household').send(given as object);
const refused = async (given: unknown): Promise<ProblemBody> =>
  (await take(given).expect(400)).body as ProblemBody;
const answer = async (path: string): Promise<unknown> =>
  (await home.http.get(path).expect(200)).body;

/**
 * A year of an invented household, all by the API: what was put up, opened, eaten, given, moved,
 * frozen and thrown away.
 */
async function aYear(batches: number): Promise<void> {
  const random = seeded(60);
  const pick = (most: number): number => Math.floor(random.uniform() * most);
  const [kitchen] = (await answer('/api/kitchens')) as KitchenView[];
  const { id: kitchenId, updatedAt: _updatedAt, ...settings } = kitchen!;
  await home.http
    .put(`/api/kitchens/${kitchenId}`)
    .send({ ...settings, name: 'Hollow Lane', altitude_m: 1180 })
    .expect(200);
  for (let n = 0; n < batches; n++) {
    const { place: _place, ...document } = STARTERS[n % STARTERS.length]! as FormulaBody;
    const formulaId = randomUUID();
    if (n < STARTERS.length) {
      await home.http.put(`/api/formulas/${formulaId}`).send({ document, revision: 0 }).expect(200);
      await home.http
        .put(`/api/formulas/${formulaId}`)
        .send({ document: { ...document, notes: `=2+${n}: a little softer` }, revision: 1 })
        .expect(200);
    }
    const at = (minutes: number): string =>
      new Date(
        Date.parse('2025-12-01T14:00:00.000Z') + (n * 5 * 1440 + minutes) * 60_000,
      ).toISOString();
    const batchId = await newBatch(home.http, document);
    const event = (type: string, minutes: number, body: object) => ({
      id: randomUUID(),
      type,
      at: at(minutes),
      device: 'tablet',
      body,
    });
    const made = 4 + pick(8);
    await home.http
      .post(`/api/batches/${batchId}/events`)
      .send({
        events: [
          event('light', 0, { gelTemperature_C: 100.6, boilingPoint_C: 96.1 }),
          ...Array.from({ length: 12 }, (_, i) =>
            event('reading', 6 + i * 2, { temperature_C: 90 + i * 0.9 + random.uniform() }),
          ),
          event('note', 20, {
            text: n % 3 === 0 ? '=HYPERLINK("x")' : 'foamed, "a lot",\nthen settled',
          }),
          event('done', 30, {}),
          event('jarred', 40, { jars: [{ size: '340-g', full: made, part: 0 }] }),
          event('processed', 60, { method: 'boiling-water', minutes: 15, altitude_m: 1180 }),
        ],
      })
      .expect(200);
    // Now and then a label gets another name.
    if (n % 7 === 0)
      await home.http
        .put(`/api/batches/${batchId}`)
        .send({ document: { ...document, title: `${document.title}, for the fair` }, revision: 1 })
        .expect(200);
    const id = randomUUID();
    await home.http
      .post('/api/shelf')
      .send({
        id,
        batchId,
        size: '340-g',
        count: made,
        madeOn: at(0).slice(0, 10),
        place: 'Cellar',
      })
      .expect(200);
    const move = (reason: string, change: number, more: object = {}) =>
      home.http
        .post(`/api/shelf/${id}/moves`)
        .send({ id: randomUUID(), change, reason, at: at(9000), ...more })
        .expect(200);
    await move('eaten', -1);
    if (n % 2 === 0) await move('given', -1, { whom: 'the neighbours' });
    if (n % 5 === 0) await move('discarded', -1, { note: '+mould at the rim' });
    if (n % 3 === 0)
      await home.http
        .post(`/api/shelf/${id}/transfers`)
        .send({
          id: randomUUID(),
          arrivalId: randomUUID(),
          to: randomUUID(),
          count: 1,
          keptIn: ['fridge', 'freezer', 'opened'][pick(3)],
          place: '',
          at: at(10_000),
        })
        .expect(200);
  }
  await home.http
    .put(`/api/freezer/${randomUUID()}`)
    .send({ ingredient: 'damson', mass_kg: 1.8, note: 'pitted', frozenOn: '2026-09-20' })
    .expect(200);
  await home.http
    .put(`/api/practice/runs/${randomUUID()}`)
    .send({
      player: 'Ottilie',
      scenario: 'first-jam',
      seed: 7,
      mode: 'eye',
      score: 88,
      medals: ['clean-base'],
      at: '2026-09-21T18:00:00.000Z',
    })
    .expect(200);
}

const logOf = ({ batches }: HouseholdFile): string => `/api/batches/${batches[7]!.id}/events`;
const withoutCursor = (log: unknown): unknown => ({ ...(log as object), cursor: '' });

test('a year of sixty batches goes out, comes in elsewhere, and every count agrees', async () => {
  expect([out.batches.length, out.lots.length, out.frozenFruit.length]).toEqual([60, 80, 1]);
  const { added, already } = (await take(out).expect(200)).body as HouseholdImport;
  expect(added).toEqual({
    kitchens: 1,
    preparedWeights: 0,
    formulas: STARTERS.length,
    batches: 60,
    events: 60 * 17,
    lots: 80,
    moves: out.moves.length,
    frozenFruit: 1,
    photos: 0,
    practiceScenarios: 0,
    practiceRuns: 1,
  });
  expect(Object.values(already)).toEqual(Object.values(already).map(() => 0));
  while (((await answer('/api/shelf/overview?today=2026-11-25')) as ShelfOverview).pending > 0);
  for (const path of SAID) expect([path, await answer(path)]).toEqual([path, said.get(path)]);
  expect(withoutCursor(await answer(logOf(out)))).toEqual(withoutCursor(said.get(logOf(out))));
  const { exportedAt: _then, ...same } = await file();
  const { exportedAt: _now, ...was } = out;
  expect(same).toEqual(was);
}, 60_000);

test('taken in again, nothing doubles; what was changed here meanwhile stays', async () => {
  const [lot] = ((await answer('/api/shelf')) as LotView[]).filter(({ count }) => count > 1);
  await home.http
    .post(`/api/shelf/${lot!.id}/moves`)
    .send({ id: randomUUID(), change: -1, reason: 'eaten', at: '2026-11-01T08:00:00.000Z' })
    .expect(200);
  const before = await answer('/api/shelf');
  const { added, already } = (await take(out).expect(200)).body as HouseholdImport;
  expect(Object.values(added).every((count) => count === 0)).toBe(true);
  expect([already.batches, already.events]).toEqual([60, 1020]);
  expect(await answer('/api/shelf')).toEqual(before);
});

test('what another attested is left out, and the verdict is no kinder for it', async () => {
  const pumpkin = damsonJam({
    title: 'Pumpkin butter',
    lines: [
      { ingredient: 'pumpkin', amount: '2 kg' },
      { ingredient: 'white-sugar', amount: '1 kg' },
    ],
    testedSource: { publisher: 'somebody', year: 2019, unchanged: true },
    measuredPH: { value: 3.9, meterCalibratedOn: '2026-11-01', measuredOn: '2026-11-01' },
  });
  const id = randomUUID();
  const at = '2026-11-01T10:00:00.000Z';
  const given = {
    format: 'idle-kettle/household',
    version: 1,
    batches: [
      {
        id,
        document: pumpkin,
        revision: 1,
        formulaId: null,
        removedAt: null,
        createdAt: at,
        updatedAt: at,
        events: [3.9, 4.4].map((value) => ({
          id: randomUUID(),
          type: 'measured-ph',
          at,
          device: 'bench',
          body: { value, twoBuffers: true },
        })),
      },
    ],
  };
  expect((await take(given).expect(200)).body).toMatchObject({
    // The two of the document and the pH that would grant something; the high one is a warning.
    attestationsLeftOut: 3,
    added: { batches: 1 },
  });
  const { document } = (await answer(`/api/batches/${id}`)) as { document: FormulaBody };
  expect([document.testedSource, document.measuredPH]).toEqual([undefined, undefined]);
});

describe('what cannot be taken in is named, and changes nothing', () => {
  test('no household at all', async () => {
    expect((await refused({ format: 'idle-kettle/formula', version: 1 })).errors?.[0]?.path).toBe(
      'format',
    );
    expect((await refused([])).errors?.map(({ path }) => path)).toEqual(['format', 'version']);
    expect(
      (await refused({ format: 'idle-kettle/household', version: 1, lots: 'many' })).errors,
    ).toEqual([{ path: 'lots', message: 'write a list' }]);
  });

  test('rows by their place: an id that leaves its folder, a size no table knows, jars of no batch, more gone than there were', async () => {
    const [lot, move] = [out.lots[0]!, out.moves[0]!];
    const count = ((await answer('/api/shelf')) as LotView[]).length;
    const fresh = { ...lot, id: randomUUID(), cameFrom: null };
    const wrong = async (change: Partial<HouseholdFile>): Promise<unknown> =>
      (await refused({ ...out, ...change })).errors?.[0];
    expect(await wrong({ lots: [{ ...lot, id: '../../etc/passwd' }] })).toEqual({
      path: 'lots[0].id',
      message: 'write a UUID',
    });
    expect(await wrong({ moves: [], lots: [{ ...fresh, size: 'bucket' }] })).toEqual({
      path: 'lots[0].size',
      message: '"bucket" is not a known jar size',
    });
    expect(await wrong({ moves: [], lots: [{ ...fresh, batchId: randomUUID() }] })).toMatchObject({
      path: 'lots[0].batchId',
    });
    expect(await wrong({ moves: [], lots: [{ ...fresh, madeOn: '2999-01-01' }] })).toMatchObject({
      path: 'lots[0].madeOn',
    });
    expect(
      await wrong({
        lots: [fresh],
        moves: [{ ...move, id: randomUUID(), lotId: fresh.id, change: -3 }],
      }),
    ).toMatchObject({ path: 'moves', message: expect.stringMatching(/more jars leave/) as string });
    expect(
      await wrong({
        batches: [
          {
            ...out.batches[0]!,
            events: [{ ...out.batches[0]!.events[0]!, body: { gelTemperature_C: 'hot' } }],
          },
        ],
      }),
    ).toMatchObject({ path: expect.stringMatching(/^batches\[0\]\.events\[0\]\.body/) as string });
    expect((await answer('/api/shelf')) as LotView[]).toHaveLength(count);
  });
});

describe('tables for a spreadsheet', () => {
  const table = async (sheet: string): Promise<Record<string, string>[]> => {
    const { text, headers } = await home.http.get(`/api/household/${sheet}.csv`).expect(200);
    expect(headers['content-disposition']).toBe(`attachment; filename="${sheet}.csv"`);
    return Papa.parse<Record<string, string>>(text.trimEnd(), { header: true }).data;
  };

  test('no cell can become a formula, in any of them', async () => {
    for (const sheet of ['shelf', 'moves', 'batches', 'log']) {
      const rows = await table(sheet);
      expect(rows.length).toBeGreaterThan(10);
      for (const cell of rows.flatMap((row) => Object.values(row)))
        expect(cell).not.toMatch(/^[=+@\t\r]/);
    }
    expect((await table('moves')).some(({ note }) => note === "'+mould at the rim")).toBe(true);
  });

  test('the shelf adds up to what the list says; quotes and line ends stay in their cell', async () => {
    const lots = ((await answer('/api/shelf')) as LotView[]).filter(({ count }) => count > 0);
    const rows = await table('shelf');
    expect(rows.reduce((sum, { count }) => sum + Number(count), 0)).toBe(
      lots.reduce((sum, { count }) => sum + count, 0),
    );
    const log = await table('log');
    // The household of the file, and the one high pH that a later file brought.
    expect(log).toHaveLength(1021);
    expect(log.some(({ body }) => body?.includes('\\nthen settled'))).toBe(true);
  });

  test('a table there is none of', () => home.http.get('/api/household/secrets.csv').expect(404));
});

import 'reflect-metadata';
import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import type { EventBody, FormulaBody, HouseholdFile, LotView } from '@idle-kettle/contract';
import { MEASURED_LIMIT, SCENARIOS, seeded, STARTERS } from '@idle-kettle/core';
import { connect } from '../database/connect.js';
import { HouseholdService } from '../households/household.service.js';
import { startTestApp, type TestApp } from '../testing/app.js';
import { freshDatabase } from '../testing/database.js';

/*
 * Whatever a household has done, its file comes back as it went out: sequences of real requests are
 * drawn, also those that only a lost answer, an old device or a slip makes.
 */

const HOUSEHOLDS = Number(process.env.HOUSEHOLDS ?? 5);
const STEPS = 45;
const SEED = Number(process.env.HOUSEHOLD_SEED ?? Math.floor(Math.random() * 2 ** 31));

let kitchen: TestApp;
let url: string;
let picture: Buffer;
beforeAll(async () => {
  url = await freshDatabase('kettle_test_any_household');
  kitchen = await startTestApp(url);
  picture = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#802040' } })
    .jpeg()
    .toBuffer();
});
afterAll(() => kitchen.close());

/** Nobody has ever been here. */
async function moveOut(): Promise<void> {
  const database = await connect(url);
  await database.query('TRUNCATE households CASCADE');
  await database.close();
  Object.assign(kitchen.app.get(HouseholdService), { id: undefined });
}

const DAY = '2026-09-20';
const AT = `${DAY}T10:00:00.000Z`;

/** What somebody does next; answers that refuse are as good as any. */
class Hands {
  private readonly random;
  readonly batches: string[] = [];
  readonly formulas: string[] = [];
  readonly lots: string[] = [];

  constructor(
    seed: number,
    private readonly http: TestApp['http'],
  ) {
    this.random = seeded(seed);
  }

  private pick<T>(from: readonly T[]): T {
    return from[Math.floor(this.random.uniform() * from.length)]!;
  }
  private one(of: string[]): string {
    if (of.length === 0 || this.random.uniform() < 0.25) of.push(randomUUID());
    return this.pick(of);
  }
  private count(most: number): number {
    return 1 + Math.floor(this.random.uniform() * most);
  }
  private document(): FormulaBody {
    const { place: _, ...document } = this.pick(STARTERS) as FormulaBody;
    const more = this.pick([
      {},
      { notes: '=1+1 “quoted” \u2028 line' },
      { measuredPH: { value: 3.4, meterCalibratedOn: DAY, measuredOn: DAY } },
      { decimal: ',' as const },
    ]);
    return { ...document, ...more };
  }
  private event(): EventBody {
    const [type, body] = this.pick<readonly [string, object]>([
      ['reading', { temperature_C: Math.round(this.random.uniform() * 1100) / 10 }],
      ['note', { text: this.pick(['foam', 'a "long"\nline', '\u00e9\ud83c\udf53']) }],
      ['planned', { at: AT }],
      ['done', {}],
      ['sugar-in', {}],
      ['measured-ph', { value: this.pick([3.4, 4.2, 4.5]), twoBuffers: true }],
      ['jarred', { jars: [{ size: '340-g', full: this.count(9), part: 0 }] }],
      ['processed', { method: 'boiling-water', minutes: 15, altitude_m: 300 }],
      ['light', { gelTemperature_C: 104.4, boilingPoint_C: 100 }],
    ]);
    const at = new Date(Date.parse(AT) + this.count(5000) * 1000).toISOString();
    const saidAt = this.random.uniform() < 0.2 ? { saidAt: AT } : {};
    return { id: randomUUID(), type, at, device: 'tablet', body, ...saidAt } as EventBody;
  }

  /** Requests a household may send, in any order. */
  private readonly deeds: readonly (() => PromiseLike<unknown>)[] = [
    () => this.http.get('/api/kitchens'),
    () => this.http.get('/api/lessons'),
    () =>
      this.http.put(`/api/kitchens/${randomUUID()}`).send({
        name: this.pick(['Hut', 'Hollow Lane']),
        altitude_m: this.pick([null, 0, 1180.5]),
        boilingPoint_C: this.pick([null, 98.2]),
        boilingPointMeasuredAt: AT,
        units: this.pick(['us', 'metric']),
        temperatureUnit: 'C',
      }),
    () => this.saveBatch(0),
    () => this.saveBatch(1),
    () => this.http.delete(`/api/batches/${this.one(this.batches)}`),
    () => this.http.post(`/api/batches/${this.one(this.batches)}/back`),
    () => this.log(),
    () => this.log(),
    () => this.shelve(),
    () => this.shelve(),
    () =>
      this.http.post(`/api/shelf/${this.one(this.lots)}/moves`).send({
        id: randomUUID(),
        change: this.pick([-1, 1, -3]),
        reason: this.pick(['eaten', 'given', 'discarded', 'put']),
        whom: this.pick(['', 'the neighbours']),
        at: AT,
      }),
    () =>
      this.http.post(`/api/shelf/${this.one(this.lots)}/transfers`).send({
        id: randomUUID(),
        arrivalId: randomUUID(),
        to: this.one(this.lots),
        count: this.count(2),
        keptIn: this.pick(['fridge', 'freezer', 'opened']),
        place: 'Cellar',
        at: AT,
      }),
    () =>
      this.http
        .put(`/api/formulas/${this.one(this.formulas)}`)
        .send({ document: this.document(), revision: this.pick([0, 1, 2]) }),
    () =>
      this.http
        .patch(`/api/formulas/${this.one(this.formulas)}`)
        .send({ favourite: true, archived: this.pick([true, false]) }),
    () => this.http.delete(`/api/formulas/${this.one(this.formulas)}`),
    () =>
      this.http.put(`/api/prepared-weights/${randomUUID()}`).send({
        ingredient: 'quince',
        bought_kg: 2,
        prepared_kg: 1.3,
        at: AT,
        ...this.pick([{}, { variety: 'pear-shaped' }]),
      }),
    () =>
      this.http.put(`/api/freezer/${randomUUID()}`).send({
        ingredient: 'damson',
        mass_kg: 1.8,
        note: this.pick(['', 'pitted']),
        frozenOn: DAY,
      }),
    () =>
      this.http
        .put(`/api/batches/${this.one(this.batches)}/photos/${randomUUID()}?at=${AT}`)
        .set('Content-Type', 'image/jpeg')
        .send(picture),
    () =>
      this.http.put(`/api/practice/runs/${randomUUID()}`).send({
        player: 'Ottilie',
        scenario: 'first-jam',
        seed: 7,
        mode: 'eye',
        score: 88,
        medals: [],
        at: AT,
      }),
    () =>
      this.http
        .put(`/api/practice/scenarios/${randomUUID()}`)
        .send({ document: { ...SCENARIOS[0], id: `own-${this.count(9)}` } }),
  ];

  private saveBatch(revision: number): PromiseLike<unknown> {
    const formulaId = this.pick([{}, { formulaId: null }, { formulaId: this.one(this.formulas) }]);
    return this.http
      .put(`/api/batches/${this.one(this.batches)}`)
      .send({ document: this.document(), revision, ...formulaId });
  }
  private log(): PromiseLike<unknown> {
    const events = Array.from({ length: this.count(4) }, () => this.event());
    return this.http.post(`/api/batches/${this.one(this.batches)}/events`).send({ events });
  }
  private shelve(): PromiseLike<unknown> {
    return this.http.post('/api/shelf').send({
      id: this.one(this.lots),
      batchId: this.one(this.batches),
      size: this.pick(['340-g', 'half-pint']),
      count: this.count(9),
      madeOn: DAY,
      place: '',
      ...this.pick([
        {},
        { keptIn: 'fridge' },
        { partFill: 0.5, count: 1 },
        { jars: [randomUUID()], count: 1 },
      ]),
    });
  }

  async act(): Promise<void> {
    await this.pick(this.deeds)();
  }
}

/** What import drops on purpose, and nothing else: see `docs/security.md`. */
function withoutClaims(file: HouseholdFile): object {
  const { exportedAt: _, ...rest } = JSON.parse(JSON.stringify(file)) as HouseholdFile;
  const clean = ({ document }: { document: FormulaBody }): void => {
    delete document.testedSource;
    delete document.measuredPH;
  };
  for (const formula of rest.formulas) [formula, ...formula.versions].forEach(clean);
  for (const batch of rest.batches) {
    clean(batch);
    batch.events = batch.events.filter(
      ({ type, body }) =>
        type !== 'measured-ph' || (body as { value: number }).value > MEASURED_LIMIT,
    );
    for (const { type, body } of batch.events) if (type === 'formula-filled') clean(body as never);
  }
  return rest;
}

const file = async (): Promise<HouseholdFile> =>
  (await kitchen.http.get('/api/household').expect(200)).body as HouseholdFile;

test(`the file of any of ${HOUSEHOLDS} households comes back as it went out (seed ${SEED})`, async () => {
  const parts = new Map<string, number>();
  for (let n = 0; n < HOUSEHOLDS; n++) {
    await moveOut();
    const hands = new Hands(SEED + n, kitchen.http);
    for (let i = 0; i < STEPS; i++) await hands.act();
    const out = await file();
    for (const [part, rows] of Object.entries(out))
      if (Array.isArray(rows)) parts.set(part, (parts.get(part) ?? 0) + rows.length);
    const shelf = (await kitchen.http.get('/api/shelf').expect(200)).body as LotView[];
    await moveOut();
    const { status, body } = await kitchen.http.post('/api/household').send(out);
    expect([SEED + n, status, body.errors]).toEqual([SEED + n, 200, undefined]);
    expect(withoutClaims(await file())).toEqual(withoutClaims(out));
    const again = (await kitchen.http.get('/api/shelf').expect(200)).body as LotView[];
    expect(again.map(({ id, count }) => [id, count])).toEqual(
      shelf.map(({ id, count }) => [id, count]),
    );
  }
  // A sequence that never gets anywhere proves nothing.
  for (const [part, count] of parts) expect([part, count > 0]).toEqual([part, true]);
}, 120_000);

test('a file that comes to where the household went on adds no event to a log, and no jars to what was deleted', async () => {
  await moveOut();
  const { http } = kitchen;
  const [logged, planned, fresh] = [randomUUID(), randomUUID(), randomUUID()];
  const { place: _, ...document } = STARTERS[0] as FormulaBody;
  const event = (type: string, body: object) => ({
    id: randomUUID(),
    type,
    at: AT,
    device: 'tablet',
    body,
  });
  const log = (id: string, events: object[]) =>
    http.post(`/api/batches/${id}/events`).send({ events }).expect(200);
  for (const id of [logged, planned, fresh])
    await http.put(`/api/batches/${id}`).send({ document, revision: 0 }).expect(200);
  const first = event('note', { text: 'foam' });
  await log(logged, [first]);
  const early = await file();
  await log(logged, [
    event('done', {}),
    event('processed', { method: 'boiling-water', minutes: 15, altitude_m: 300 }),
  ]);
  const lot = {
    id: randomUUID(),
    batchId: planned,
    size: '340-g',
    count: 3,
    madeOn: DAY,
    place: '',
  };
  await http.post('/api/shelf').send(lot).expect(200);
  await log(fresh, [event('note', { text: 'of a batch that has no log there' })]);
  const late = await file();
  await moveOut();
  await http.post('/api/household').send(early).expect(200);
  await http.delete(`/api/batches/${planned}`).expect(204);
  const { body } = await http.post('/api/household').send(late).expect(200);
  expect(body).toMatchObject({
    added: { events: 1, lots: 0, moves: 0 },
    already: { events: 1, batches: 3 },
    leftOut: [
      { part: 'lots', count: 1, reason: 'batch-deleted' },
      { part: 'moves', count: 1, reason: 'batch-deleted' },
      { part: 'events', count: 2, reason: 'log-exists' },
    ],
  });
  const { body: page } = await http.get(`/api/batches/${logged}/events`).expect(200);
  expect((page as { events: EventBody[] }).events.map(({ id }) => id)).toEqual([first.id]);
  expect((await http.get('/api/shelf').expect(200)).body).toEqual([]);
});

test.each<readonly [what: string, text: string, paths: readonly string[] | undefined]>([
  [
    'a key that is an object’s own making',
    '{"version":{"constructor":{"prototype":{"x":1}}}}',
    ['format', 'version'],
  ],
  [
    'the same within a row',
    '{"format":"idle-kettle/household","version":1,"kitchens":[{"gear":{"constructor":{"prototype":{"x":1}}}}]}',
    ['kitchens[0].gear.constructor'],
  ],
  [
    'a row that is a list',
    '{"format":"idle-kettle/household","version":1,"kitchens":[[]]}',
    ['kitchens[0]'],
  ],
  ['a flood of lists', `{"kitchens":[${'[],'.repeat(500_000)}[]]}`, undefined],
  ['a depth without end', '['.repeat(100_000), undefined],
  ['half a file', '{"format":"idle-kettle/household","ver', undefined],
])('%s is refused with its place', async (_what, text, paths) => {
  const { body } = await kitchen.http
    .post('/api/household')
    .set('Content-Type', 'application/json')
    .send(text)
    .expect(400);
  expect((body as { errors?: { path: string }[] }).errors?.map((each) => each.path)).toEqual(paths);
});

test('the key is refused in any other message too', () =>
  kitchen.http
    .put(`/api/kitchens/${randomUUID()}`)
    .set('Content-Type', 'application/json')
    .send('{"gear":{"constructor":{"prototype":{"x":1}}}}')
    .expect(400));

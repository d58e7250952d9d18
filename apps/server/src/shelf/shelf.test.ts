import { randomUUID } from 'node:crypto';
import type { KitchenView, LotView, ProblemBody } from '@idle-kettle/contract';
import { damsonJam, newBatch, startTestApp, type TestApp } from '../testing/app.js';
import { freshDatabase } from '../testing/database.js';

let kitchen: TestApp;
beforeAll(async () => {
  kitchen = await startTestApp(await freshDatabase('kettle_test_shelf'));
});
afterAll(() => kitchen.close());

const put = (body: object) => kitchen.http.post('/api/shelf').send(body);
const move = (lotId: string, change: number, id = randomUUID()) =>
  kitchen.http
    .post(`/api/shelf/${lotId}/moves`)
    .send({ id, change, reason: 'eaten', at: '2026-09-20T10:00:00.000Z' });
const lot = async (): Promise<{
  id: string;
  batchId: string;
  size: string;
  count: number;
  madeOn: string;
}> => ({
  id: randomUUID(),
  batchId: await newBatch(kitchen.http),
  size: '340-g',
  count: 6,
  madeOn: '2026-09-12',
});

test('jars put on the shelf are there once, however often they are sent', async () => {
  const jars = await lot();
  for (let i = 0; i < 3; i++) await put(jars).expect(200);
  const { body } = await kitchen.http.get('/api/shelf').expect(200);
  expect((body as LotView[]).filter((each) => each.id === jars.id)).toEqual([
    {
      id: jars.id,
      batchId: jars.batchId,
      kind: 'jam',
      title: 'Damson jam',
      fruit: 'damson',
      size: '340-g',
      partFill: null,
      madeOn: '2026-09-12',
      keptIn: null,
      place: '',
      keptSince: null,
      cameFrom: null,
      seals: { state: 'none', open: 0 },
      keeping: {
        verdict: 'fridge',
        reason: expect.stringMatching(/not processed/) as string,
        bestBefore: '2026-10-10',
      },
      count: 6,
    },
  ]);
});

test('jars that went through the canner keep on the shelf, until something else turns out to be in them', async () => {
  const [{ id: kitchenId } = { id: '' }] = (await kitchen.http.get('/api/kitchens').expect(200))
    .body as KitchenView[];
  await kitchen.http
    .put(`/api/kitchens/${kitchenId}`)
    .send({
      name: 'Home',
      altitude_m: 1180,
      boilingPoint_C: null,
      boilingPointMeasuredAt: null,
      units: 'metric',
      temperatureUnit: 'C',
    })
    .expect(200);
  const jars = await lot();
  await put(jars).expect(200);
  await put({ ...jars, id: randomUUID(), count: 1, partFill: 0.4 }).expect(200);
  const log = (type: string, body: object) =>
    kitchen.http
      .post(`/api/batches/${jars.batchId}/events`)
      .send({
        events: [{ id: randomUUID(), type, at: new Date().toISOString(), device: 'bench', body }],
      })
      .expect(200);
  const verdicts = async (): Promise<string[]> =>
    ((await kitchen.http.get('/api/shelf').expect(200)).body as LotView[])
      .filter((each) => each.batchId === jars.batchId)
      .map(({ partFill, keeping }) => `${partFill === null ? 'full' : 'part'}: ${keeping.verdict}`)
      .sort();
  await log('processed', { method: 'boiling-water', minutes: 15, altitude_m: 1180 });
  expect(await verdicts()).toEqual(['full: shelf', 'part: fridge']);
  await log('addition', { text: '500 g cantaloupe' });
  expect(await verdicts()).toEqual(['full: fridge', 'part: fridge']);
});

describe('jars keep by what they are and what they hold', () => {
  const batch = async (change: Parameters<typeof damsonJam>[0] = {}): Promise<string> =>
    newBatch(kitchen.http, damsonJam(change));
  const log = (batchId: string, type: string, body: object) =>
    kitchen.http
      .post(`/api/batches/${batchId}/events`)
      .send({
        events: [{ id: randomUUID(), type, at: '2026-09-12T19:00:00.000Z', device: 'bench', body }],
      })
      .expect(200);
  const shelve = (batchId: string, size: string) =>
    put({ id: randomUUID(), batchId, size, count: 2, madeOn: '2026-09-12' }).expect(200);
  const verdicts = async (batchId: string): Promise<Record<string, string>> =>
    Object.fromEntries(
      ((await kitchen.http.get('/api/shelf').expect(200)).body as LotView[])
        .filter((each) => each.batchId === batchId)
        .map(({ size, keeping }) => [size, `${keeping.verdict}, ${keeping.bestBefore ?? 'never'}`]),
    );
  const process = { method: 'boiling-water', minutes: 15, altitude_m: 1180 };

  test('each size by its own row: a quart of jam has none', async () => {
    const id = await batch({ jars: [{ size: 'half-pint' }] });
    await log(id, 'processed', process);
    for (const size of ['half-pint', 'pint', 'quart']) await shelve(id, size);
    expect(await verdicts(id)).toEqual({
      'half-pint': 'shelf, 2027-09-12',
      pint: 'shelf, 2027-09-12',
      quart: 'fridge, 2026-10-10',
    });
  });

  test('a process that was too short, and one taken back', async () => {
    const id = await batch();
    await shelve(id, '454-g');
    await log(id, 'processed', { ...process, minutes: 10 });
    expect(await verdicts(id)).toEqual({ '454-g': 'fridge, 2026-10-10' });
    const longer = randomUUID();
    await kitchen.http
      .post(`/api/batches/${id}/events`)
      .send({
        events: [
          {
            id: longer,
            type: 'processed',
            at: '2026-09-12T20:00:00.000Z',
            device: 'bench',
            body: process,
          },
        ],
      })
      .expect(200);
    expect(await verdicts(id)).toEqual({ '454-g': 'shelf, 2027-09-12' });
    await log(id, 'undo', { eventId: longer });
    expect(await verdicts(id)).toEqual({ '454-g': 'fridge, 2026-10-10' });
  });

  test('a pH is an event of the batch: in its document it grants nothing', async () => {
    const tomato = {
      lines: [
        { ingredient: 'tomato', amount: '2 kg' },
        { ingredient: 'white-sugar', amount: '1.2 kg' },
        { ingredient: 'lemon-juice-bottled', amount: '100 ml' },
      ],
    };
    const measuredPH = { value: 3.9, meterCalibratedOn: '2026-09-12', measuredOn: '2026-09-12' };
    const [measured, told] = [await batch(tomato), await batch({ ...tomato, measuredPH })];
    for (const id of [measured, told]) {
      await log(id, 'jarred', { jars: [{ size: '454-g', full: 5, part: 0 }] });
      await log(id, 'heat-stated', { reached: true });
      await log(id, 'processed', process);
      await shelve(id, '454-g');
    }
    expect(await verdicts(measured)).toEqual({ '454-g': 'fridge, 2026-10-10' });
    await log(measured, 'measured-ph', { value: 4.1, twoBuffers: true });
    expect(await verdicts(measured)).toEqual({ '454-g': 'shelf, 2027-09-12' });
    expect(await verdicts(told)).toEqual({ '454-g': 'fridge, 2026-10-10' });
  });
});

test('one is taken, put back, and a repeated move counts once', async () => {
  const jars = await lot();
  await put(jars).expect(200);
  const taken = randomUUID();
  for (let i = 0; i < 2; i++)
    expect((await move(jars.id, -1, taken).expect(200)).body).toMatchObject({ count: 5 });
  expect((await move(jars.id, 1).expect(200)).body).toMatchObject({ count: 6 });
});

test('never fewer than none, even when two hands take the last at once', async () => {
  const jars = { ...(await lot()), count: 1, partFill: 0.4 };
  await put(jars).expect(200);
  const answers = await Promise.all([move(jars.id, -1), move(jars.id, -1), move(jars.id, -1)]);
  expect(answers.map((answer) => answer.status).sort()).toEqual([200, 409, 409]);
  expect((answers.find((answer) => answer.status === 409)?.body as ProblemBody).detail).toBe(
    'only 0 jars are left of this lot',
  );
});

test('jars of an unknown size or number are refused by name', async () => {
  const jars = await lot();
  expect(((await put({ ...jars, size: 'bucket' }).expect(400)).body as ProblemBody).errors).toEqual(
    [{ path: 'size', message: '"bucket" is not a known jar size' }],
  );
  const { body } = await put({ ...jars, count: 0, partFill: 2, madeOn: 'soon' }).expect(400);
  expect((body as ProblemBody).errors?.map((e) => e.path).sort()).toEqual([
    'count',
    'madeOn',
    'partFill',
  ]);
  await move(randomUUID(), -1).expect(404);
});

describe('jars that go elsewhere are a lot of their own', () => {
  const transfer = (from: string, body: Record<string, unknown>) =>
    kitchen.http.post(`/api/shelf/${from}/transfers`).send({
      id: randomUUID(),
      arrivalId: randomUUID(),
      to: randomUUID(),
      count: 1,
      place: '',
      at: '2026-11-01T10:00:00.000Z',
      ...body,
    });
  const counts = async (batchId: string): Promise<Record<string, number>> =>
    Object.fromEntries(
      ((await kitchen.http.get('/api/shelf').expect(200)).body as LotView[])
        .filter((each) => each.batchId === batchId)
        .map(({ keptIn, place, count }) => [keptIn ?? (place || 'here'), count]),
    );

  test('opened, frozen, in another cupboard, and back; no jar is lost or made', async () => {
    const jars = await lot();
    await put({ ...jars, place: 'larder' }).expect(200);
    const opened = {
      id: randomUUID(),
      arrivalId: randomUUID(),
      to: randomUUID(),
      keptIn: 'opened',
    };
    for (let i = 0; i < 3; i++)
      expect((await transfer(jars.id, opened).expect(200)).body).toMatchObject({
        count: 1,
        keptIn: 'opened',
        cameFrom: jars.id,
        keeping: { verdict: 'fridge', bestBefore: '2026-10-10' },
      });
    await transfer(jars.id, { keptIn: 'freezer', count: 2, at: '2026-09-20T10:00:00.000Z' }).expect(
      200,
    );
    await transfer(jars.id, { place: 'cellar', count: 2 }).expect(200);
    expect(await counts(jars.batchId)).toEqual({ larder: 1, cellar: 2, opened: 1, freezer: 2 });
    await transfer(opened.to, { to: jars.id }).expect(200);
    expect(await counts(jars.batchId)).toEqual({ larder: 2, cellar: 2, opened: 0, freezer: 2 });
    expect(((await transfer(jars.id, { count: 3 }).expect(409)).body as ProblemBody).detail).toBe(
      'only 2 jars are left of this lot',
    );
  });

  test('the cold is not left for the shelf, and a move never lengthens what a jar has', async () => {
    const jars = await lot();
    await put(jars).expect(200);
    const [fridge, opened, cellar] = [randomUUID(), randomUUID(), randomUUID()];
    const to = (id: string, keptIn: string | null, at: string, place = '') => ({
      to: id,
      keptIn,
      at: `${at}T10:00:00.000Z`,
      place,
    });
    const best = async (from: string, body: object): Promise<string | null> =>
      ((await transfer(from, { ...body }).expect(200)).body as LotView).keeping.bestBefore;
    expect(await best(jars.id, to(fridge, 'fridge', '2026-09-20'))).toBe('2026-10-10');
    const refused = async (from: string, body: object): Promise<string> =>
      ((await transfer(from, { ...body }).expect(409)).body as ProblemBody).detail;
    // Into a lot that is kept otherwise, under whatever name: no.
    const other = await lot();
    await put({ ...other, batchId: jars.batchId }).expect(200);
    expect(await refused(fridge, to(other.id, 'fridge', '2026-09-21'))).toMatch(
      /stored in another way/,
    );
    // Back to where they came from, days later: that is no slip.
    expect(await refused(fridge, to(jars.id, null, '2026-09-24'))).toMatch(/does not go back/);
    // To another cupboard, as a shelf jar: no.
    expect(await refused(fridge, to(cellar, null, '2026-09-21', 'Cellar'))).toMatch(
      /does not go back on the shelf/,
    );
    await transfer(jars.id, to(opened, 'opened', '2026-09-20')).expect(200);
    expect(await refused(opened, to(randomUUID(), 'fridge', '2026-09-25'))).toMatch(
      /does not go back/,
    );
    // To another shelf of the fridge: still the same four weeks.
    const lower = randomUUID();
    await transfer(opened, to(lower, 'opened', '2026-10-10', 'lower shelf')).expect(200);
    const lots = (await kitchen.http.get('/api/shelf').expect(200)).body as LotView[];
    expect(lots.find(({ id }) => id === lower)).toMatchObject({
      keptSince: '2026-09-20T10:00:00.000Z',
      place: 'lower shelf',
    });
    expect(await refused(fridge, to(randomUUID(), 'freezer', '2026-11-30'))).toMatch(
      /over on 2026-10-10/,
    );
    expect(await best(fridge, to(randomUUID(), 'freezer', '2026-09-30'))).toBe('2027-09-30');
  });

  test('never to jars of another batch', async () => {
    const [one, other] = [await lot(), await lot()];
    await put(one).expect(200);
    await put(other).expect(200);
    await transfer(one.id, { to: other.id }).expect(409);
    expect(await counts(one.batchId)).toEqual({ here: 6 });
  });

  test('to whom, and what was wrong with it, stay in the story', async () => {
    const jars = await lot();
    await put(jars).expect(200);
    const given = {
      id: randomUUID(),
      change: -2,
      reason: 'given',
      whom: 'the neighbours',
      at: '2026-11-02T10:00:00.000Z',
    };
    await kitchen.http.post(`/api/shelf/${jars.id}/moves`).send(given).expect(200);
    const moves = (await kitchen.http.get('/api/shelf/moves').expect(200)).body as { id: string }[];
    expect(moves.find(({ id }) => id === given.id)).toMatchObject({
      change: -2,
      whom: 'the neighbours',
    });
  });

  test('a batch whose jars are there is not taken off; without them it is', async () => {
    const jars = await lot();
    await put(jars).expect(200);
    const remove = () => kitchen.http.delete(`/api/batches/${jars.batchId}`);
    expect(((await remove().expect(409)).body as ProblemBody).detail).toMatch(
      /^6 jars of this batch are on the shelf/,
    );
    await move(jars.id, -6).expect(200);
    await remove().expect(204);
  });

  test('jars are not made in the future', async () => {
    const { body } = await put({ ...(await lot()), madeOn: '2999-01-01' }).expect(400);
    expect((body as ProblemBody).errors?.[0]?.path).toBe('madeOn');
  });
});

test('a lid that is not down takes the lot off the shelf until that jar is seen to', async () => {
  const jars = await lot();
  await put({ ...jars, count: 3 }).expect(200);
  const log = (type: string, hours: number, body: object) =>
    kitchen.http
      .post(`/api/batches/${jars.batchId}/events`)
      .send({
        events: [
          {
            id: randomUUID(),
            type,
            at: new Date(Date.parse('2026-09-12T18:00:00Z') + hours * 3_600_000).toISOString(),
            device: 'bench',
            body,
          },
        ],
      })
      .expect(200);
  const found = async (): Promise<string> => {
    const all = (await kitchen.http.get('/api/shelf').expect(200)).body as LotView[];
    const { keeping, seals } = all.find(({ id }) => id === jars.id) ?? {};
    return `${keeping?.verdict}, ${seals?.state}, ${seals?.open} open`;
  };
  await log('jarred', 0, { jars: [{ size: '340-g', full: 3, part: 0 }] });
  const process = { method: 'boiling-water', minutes: 15, altitude_m: 1180 };
  await log('heat-stated', 0.5, { reached: true });
  await log('processed', 1, process);
  expect(await found()).toBe('shelf, due, 0 open');
  await log('seals', 14, { size: '340-g', failed: [2] });
  expect(await found()).toBe('fridge, sealed, 1 open');
  await log('processed', 16, { ...process, again: { size: '340-g', jars: [2] } });
  expect(await found()).toBe('shelf, due, 0 open');
  await log('seals', 30, { size: '340-g', failed: [] });
  expect(await found()).toBe('shelf, sealed, 0 open');
});

test('a year of jars: batches of one kind and fruit together, jars that were moved counted once', async () => {
  const uses = async () =>
    (
      (await kitchen.http.get('/api/shelf/year').expect(200)).body as {
        fruit: string;
        used: number;
        left: number;
        perBatch: number;
        days: number;
      }[]
    ).find(({ fruit }) => fruit === 'quince');
  expect(await uses()).toBeUndefined();
  const quince = damsonJam({
    title: 'Quince jam',
    lines: [
      { ingredient: 'quince', amount: '1 kg' },
      { ingredient: 'white-sugar', amount: '900 g' },
    ],
  });
  const day = (ago: number): string => new Date(Date.now() - ago * 86_400_000).toISOString();
  for (const [ago, count] of [
    [300, 6],
    [100, 5],
  ] as const) {
    const jars = {
      ...(await lot()),
      batchId: await newBatch(kitchen.http, quince),
      count,
      madeOn: day(ago).slice(0, 10),
    };
    await put(jars).expect(200);
    const take = (reason: string, at: string) =>
      kitchen.http
        .post(`/api/shelf/${jars.id}/moves`)
        .send({ id: randomUUID(), change: -1, reason, at })
        .expect(200);
    await take('eaten', day(90));
    await take('given', day(80));
    await take('discarded', day(70));
    await take('eaten', day(500));
    await kitchen.http
      .post(`/api/shelf/${jars.id}/transfers`)
      .send({
        id: randomUUID(),
        arrivalId: randomUUID(),
        to: randomUUID(),
        count: 1,
        keptIn: 'opened',
        place: '',
        at: day(1),
      })
      .expect(200);
  }
  expect(await uses()).toMatchObject({
    title: 'Quince jam',
    used: 4,
    left: 3,
    perBatch: 5,
    days: 300,
  });
});

describe('two devices at the same jars', () => {
  const putOf = (batchId: string, jars: readonly string[]) => ({
    id: randomUUID(),
    batchId,
    size: '340-g',
    count: jars.length,
    madeOn: '2026-09-12',
    jars,
  });
  const countsOf = async (batchId: string): Promise<number[]> =>
    ((await kitchen.http.get(`/api/shelf?batch=${batchId}`).expect(200)).body as LotView[]).map(
      ({ count }) => count,
    );

  test('the same jars put away twice are one lot, at the same moment too', async () => {
    const batchId = await newBatch(kitchen.http);
    const jars = ['a1', 'a2', 'a3'];
    const puts = [putOf(batchId, jars), putOf(batchId, jars), putOf(batchId, jars)];
    const answers = await Promise.all(puts.map((each) => put(each).expect(200)));
    expect(new Set(answers.map(({ body }) => (body as LotView).id)).size).toBe(1);
    expect(await countsOf(batchId)).toEqual([3]);
  });

  test('three here and four there are seven, whichever of them each device knows', async () => {
    const batchId = await newBatch(kitchen.http);
    await put(putOf(batchId, ['a1', 'a2', 'a3', 'b1'])).expect(200);
    await put(putOf(batchId, ['b1', 'b2', 'b3', 'b4'])).expect(200);
    expect((await countsOf(batchId)).reduce((sum, count) => sum + count, 0)).toBe(7);
  });

  test('jars that were taken off the list again can be put away again', async () => {
    const batchId = await newBatch(kitchen.http);
    const first = putOf(batchId, ['a1', 'a2']);
    await put(first).expect(200);
    await kitchen.http
      .post(`/api/shelf/${first.id}/moves`)
      .send({ id: randomUUID(), change: -2, reason: 'put', at: '2026-09-12T18:00:00Z' })
      .expect(200);
    // Under the id of before, and the answer to that may be lost.
    for (let i = 0; i < 2; i++) await put(first).expect(200);
    expect(await countsOf(batchId)).toEqual([2]);
  });

  test('a count of jars that were other ones meanwhile is refused, and says so', async () => {
    const batchId = await newBatch(kitchen.http);
    const lot = putOf(batchId, ['a1', 'a2', 'a3']);
    await put(lot).expect(200);
    const count = (change: number, seen: number) =>
      kitchen.http.post(`/api/shelf/${lot.id}/moves`).send({
        id: randomUUID(),
        change,
        seen,
        reason: 'counted',
        at: '2026-09-12T18:00:00Z',
      });
    await count(-1, 3).expect(200);
    const { body } = await count(-1, 3).expect(409);
    expect((body as ProblemBody).detail).toContain('another device has changed that to 2');
  });
});

describe('an id that was used for something else is refused, not taken as done', () => {
  const at = '2026-09-20T10:00:00.000Z';
  const countOf = async (id: string): Promise<number | undefined> =>
    ((await kitchen.http.get('/api/shelf').expect(200)).body as LotView[]).find(
      (each) => each.id === id,
    )?.count;

  test('of a lot: another number, day or fill', async () => {
    const jars = await lot();
    await put(jars).expect(200);
    for (const change of [{ count: 5 }, { madeOn: '2026-09-11' }, { partFill: 0.5, count: 1 }])
      expect((await put({ ...jars, ...change }).expect(409)).body).toMatchObject({
        type: 'urn:idle-kettle:problem:id-taken',
      });
    await put(jars).expect(200);
    expect(await countOf(jars.id)).toBe(6);
  });

  test('of a move: another lot, number or reason', async () => {
    const [one, other] = [await lot(), await lot()];
    await put(one).expect(200);
    await put(other).expect(200);
    const id = randomUUID();
    await move(one.id, -1, id).expect(200);
    await move(other.id, -1, id).expect(409);
    await move(one.id, -2, id).expect(409);
    await kitchen.http
      .post(`/api/shelf/${one.id}/moves`)
      .send({ id, change: -1, reason: 'given', at })
      .expect(409);
    await move(one.id, -1, id).expect(200);
    expect([await countOf(one.id), await countOf(other.id)]).toEqual([5, 6]);
  });

  test('of a transfer: another number or place, or only one of its two ids', async () => {
    const jars = await lot();
    await put(jars).expect(200);
    const sent = {
      id: randomUUID(),
      arrivalId: randomUUID(),
      to: randomUUID(),
      count: 2,
      keptIn: 'fridge',
      place: '',
      at,
    };
    const transfer = (change: object) =>
      kitchen.http.post(`/api/shelf/${jars.id}/transfers`).send({ ...sent, ...change });
    await transfer({}).expect(200);
    const changes = [
      { count: 3 },
      { to: randomUUID() },
      { arrivalId: randomUUID() },
      { id: randomUUID() },
    ];
    for (const change of changes) await transfer(change).expect(409);
    await transfer({}).expect(200);
    expect([await countOf(jars.id), await countOf(sent.to)]).toEqual([4, 2]);
  });
});

test('as many removals at once as there are connections do not wait for each other', async () => {
  const ids = await Promise.all(Array.from({ length: 14 }, () => newBatch(kitchen.http)));
  const answers = await Promise.all(ids.map((id) => kitchen.http.delete(`/api/batches/${id}`)));
  expect(answers.map(({ status }) => status)).toEqual(ids.map(() => 204));
});

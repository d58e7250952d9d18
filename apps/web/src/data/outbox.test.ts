import 'fake-indexeddb/auto';
import type { BatchEvent } from '@idle-kettle/core';
import { problemType, type BatchView, type FormulaBody } from '@idle-kettle/contract';
import { Outbox } from './outbox.js';
import { store, type OutboxItem } from './store.js';

/** A server of a few lines that holds what it was sent; `mood` decides how it answers. */
class FakeServer {
  mood: 'well' | 'dead' | 'database-away' | 'loses-answers' = 'well';
  readonly events: string[] = [];
  readonly calls: string[] = [];
  batch: { revision: number; document: FormulaBody } | undefined;

  readonly fetch = (
    path: string,
    { method, body }: { method: string; body?: string },
  ): Promise<Response> => {
    this.calls.push(`${method} ${path}`);
    if (this.mood === 'dead') return Promise.reject(new TypeError('failed to fetch'));
    const answer =
      this.mood === 'database-away'
        ? json(503, { status: 503, detail: 'away' })
        : this.take(path, JSON.parse(body ?? '{}') as never);
    // The server did its work, and the answer was lost on the way.
    return this.mood === 'loses-answers'
      ? Promise.reject(new TypeError('network changed'))
      : Promise.resolve(answer);
  };

  private take(
    path: string,
    body: { events?: BatchEvent[]; document?: FormulaBody; revision?: number },
  ): Response {
    if (body.events) {
      for (const { id } of body.events) if (!this.events.includes(id)) this.events.push(id);
      return json(200, { kept: body.events.map((event) => event.id), refused: [] });
    }
    if (!path.includes('/batches/') || !body.document) return json(200, {});
    if (this.batch && JSON.stringify(this.batch.document) === JSON.stringify(body.document))
      return json(200, this.view());
    if (this.batch && this.batch.revision !== body.revision)
      return json(409, {
        type: problemType('revision-conflict'),
        status: 409,
        detail: 'changed',
        current: this.view(),
      });
    this.batch = { document: body.document, revision: (body.revision ?? 0) + 1 };
    return json(200, this.view());
  }

  view(): BatchView {
    return {
      id: 'b1',
      formulaId: null,
      createdAt: '',
      updatedAt: '',
      revision: this.batch?.revision ?? 0,
      document: this.batch?.document as FormulaBody,
    };
  }
}

const json = (status: number, body: unknown): Response =>
  new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } });

/** As in a browser: what is written is there at once, and its keys are the object's own. */
class FakeLocalStorage {
  getItem(key: string): string | null {
    return (this as unknown as Record<string, string>)[key] ?? null;
  }
  setItem(key: string, text: string): void {
    (this as unknown as Record<string, string>)[key] = text;
  }
  removeItem(key: string): void {
    Reflect.deleteProperty(this, key);
  }
}

/** A disk that is so slow that the page is closed before anything was written. */
let diskAnswers = true;
jest.mock('./store.js', () => {
  const real = jest.requireActual<{ store: () => Promise<unknown> }>('./store.js');
  return { ...real, store: () => (diskAnswers ? real.store() : new Promise(() => undefined)) };
});

let server: FakeServer;
let made = 0;
const reading = (temperature_C: number): BatchEvent => ({
  id: `event-${String((made += 1))}`,
  type: 'reading',
  at: '2026-09-12T18:00:00.000Z',
  device: 'bench',
  body: { temperature_C },
});
const formula = (title: string): FormulaBody => ({
  format: 'idle-kettle/formula',
  version: 1,
  title,
  kind: 'jam',
  method: 'long-boil',
  lines: [],
  finish: { type: 'gel-temperature' },
  jars: [],
});

const until = async (what: () => boolean): Promise<void> => {
  for (let i = 0; i < 1500; i++) {
    if (what()) return;
    await new Promise((resolve) => setTimeout(resolve, 10));
  }
  throw new Error('it did not come about in 15 s');
};

async function start(
  listen: {
    onTaken?: (items: readonly OutboxItem[]) => void;
    onRefused?: (what: string, why: string) => void;
  } = {},
): Promise<Outbox> {
  const outbox = new Outbox();
  await outbox.start({
    onSaved: () => undefined,
    onTaken: () => undefined,
    onRefused: () => undefined,
    ...listen,
  });
  return outbox;
}

beforeEach(async () => {
  server = new FakeServer();
  globalThis.fetch = server.fetch as unknown as typeof fetch;
  globalThis.localStorage = new FakeLocalStorage() as unknown as Storage;
  const db = await store();
  await db.clear('parcels');
  await db.clear('drafts');
});

test('an event is written down before it is sent, and forgotten once the server has it', async () => {
  const outbox = await start();
  const event = reading(97);
  await outbox.addEvent('b1', event);
  await until(() => outbox.snapshot().items.length === 0);
  expect(server.events).toEqual([event.id]);
  expect(await (await store()).count('parcels')).toBe(0);
});

test.each(['dead', 'database-away'] as const)(
  'while the server is %s nothing is forgotten, and everything goes once it is back',
  async (mood) => {
    const outbox = await start();
    server.mood = mood;
    const events = [97, 98, 99].map(reading);
    for (const event of events) await outbox.addEvent('b1', event);
    await until(() => outbox.snapshot().state === 'away');
    expect(outbox.snapshot().away).toBe(mood === 'dead' ? 'no-answer' : 'database');
    expect(await (await store()).count('parcels')).toBe(3);
    server.mood = 'well';
    outbox.hurry();
    await until(() => outbox.snapshot().items.length === 0);
    expect(server.events).toEqual(events.map((event) => event.id));
  },
);

test('a page that is closed leaves its outbox to the next one, in order', async () => {
  server.mood = 'dead';
  const events = [97, 98, 99].map(reading);
  const first = await start();
  for (const event of events) await first.addEvent('b1', event);
  server.mood = 'well';
  const second = await start();
  await until(() => second.snapshot().items.length === 0);
  expect(server.events.slice(-3).sort()).toEqual(events.map((event) => event.id).sort());
});

test('a page that is closed before the disk had anything loses neither a reading nor a word', async () => {
  server.mood = 'dead';
  const first = await start();
  const event = reading(97);
  diskAnswers = false;
  void first.addEvent('b1', event);
  for (const [i, title] of ['Dams', 'Damson'].entries())
    void first.saveDraft({
      batchId: 'b1',
      document: formula(title),
      revision: 0,
      formulaId: null,
      editedAt: i + 1,
    });
  diskAnswers = true;
  expect(await (await store()).count('drafts')).toBe(0);
  const second = await start();
  expect(second.snapshot().drafts.get('b1')?.document.title).toBe('Damson');
  server.mood = 'well';
  second.hurry();
  await until(() => second.snapshot().drafts.size === 0 && second.snapshot().items.length === 0);
  expect(server.batch?.document.title).toBe('Damson');
  expect(server.events).toEqual([event.id]);
  expect(Object.keys(localStorage)).toEqual([]);
});

test('what was typed after an edit whose answer was lost builds on it, also on the next page', async () => {
  const first = await start();
  const edit = (outbox: Outbox, title: string, editedAt: number) =>
    outbox.saveDraft({
      batchId: 'b1',
      document: formula(title),
      revision: 0,
      formulaId: null,
      editedAt,
    });
  server.mood = 'loses-answers';
  await edit(first, 'Damson', 1);
  await until(() => first.snapshot().state === 'away');
  expect(server.batch).toMatchObject({ revision: 1, document: { title: 'Damson' } });
  await edit(first, 'Damson jam', 2);
  // Tried again and again while the server is dead; what it took before is not forgotten over that.
  server.mood = 'dead';
  for (let tries = 0; tries < 10; tries++) {
    const before = server.calls.length;
    first.hurry();
    await until(() => server.calls.length > before);
    await new Promise((resolve) => setTimeout(resolve, 10));
  }
  const second = await start();
  server.mood = 'well';
  second.hurry();
  await until(() => [first, second].every((outbox) => outbox.snapshot().drafts.size === 0));
  expect(second.snapshot().conflicts.size).toBe(0);
  expect(server.batch).toMatchObject({ revision: 2, document: { title: 'Damson jam' } });
});

test('an answer that is lost costs a repeat, not a reading', async () => {
  const outbox = await start();
  server.mood = 'loses-answers';
  const event = reading(97);
  await outbox.addEvent('b1', event);
  await until(() => outbox.snapshot().state === 'away');
  server.mood = 'well';
  outbox.hurry();
  await until(() => outbox.snapshot().items.length === 0);
  expect(server.events).toEqual([event.id]);
});

test('typing goes as one edit after a pause, and the last text wins', async () => {
  const outbox = await start();
  const edits = ['D', 'Da', 'Dam', 'Damson'].map((title, i) =>
    outbox.saveDraft({
      batchId: 'b1',
      document: formula(title),
      revision: 0,
      formulaId: null,
      editedAt: i + 1,
    }),
  );
  await Promise.all(edits);
  await until(() => outbox.snapshot().drafts.size === 0);
  expect(server.batch?.document.title).toBe('Damson');
  expect(server.calls.filter((call) => call.startsWith('PUT'))).toHaveLength(1);
});

test('text typed while an edit is on its way builds on it, and is no conflict', async () => {
  const outbox = await start();
  const edit = (title: string, editedAt: number) =>
    outbox.saveDraft({
      batchId: 'b1',
      document: formula(title),
      revision: 0,
      formulaId: null,
      editedAt,
    });
  await edit('First', 1);
  await until(() => outbox.snapshot().drafts.size === 0);
  await edit('Second, typed before the answer was seen', 2);
  await until(() => outbox.snapshot().drafts.size === 0);
  expect(outbox.snapshot().conflicts.size).toBe(0);
  expect(server.batch).toMatchObject({
    revision: 2,
    document: { title: 'Second, typed before the answer was seen' },
  });
});

test('a batch made while the server is away exists there before its readings arrive', async () => {
  const outbox = await start();
  server.mood = 'dead';
  await outbox.addEvent('b1', reading(97));
  await outbox.saveDraft({
    batchId: 'b1',
    document: formula('New'),
    revision: 0,
    formulaId: null,
    editedAt: 1,
  });
  await until(() => outbox.snapshot().state === 'away');
  server.calls.length = 0;
  server.mood = 'well';
  outbox.hurry();
  await until(() => outbox.snapshot().items.length === 0 && outbox.snapshot().drafts.size === 0);
  expect(server.calls.filter((call) => !call.startsWith('GET'))).toEqual([
    'PUT /api/batches/b1',
    'POST /api/batches/b1/events',
  ]);
});

test('an edit on top of another device’s waits for the person, and either choice is carried out', async () => {
  for (const [keep, title] of [
    ['mine', 'Mine'],
    ['theirs', 'Theirs'],
  ] as const) {
    server.batch = { revision: 5, document: formula('Theirs') };
    const outbox = await start();
    await outbox.saveDraft({
      batchId: 'b1',
      document: formula('Mine'),
      revision: 4,
      formulaId: null,
      editedAt: 1,
    });
    await until(() => outbox.snapshot().conflicts.has('b1'));
    expect(outbox.snapshot().drafts.get('b1')?.document.title).toBe('Mine');
    await outbox.settle('b1', keep);
    await until(() => outbox.snapshot().drafts.size === 0);
    expect(server.batch.document.title).toBe(title);
  }
});

test('what the server will never take is said once and does not hold up the rest', async () => {
  const refusals: string[] = [];
  const outbox = await start({ onRefused: (what, why) => refusals.push(`${what}: ${why}`) });
  const good = reading(97);
  const answer = server.fetch;
  globalThis.fetch = ((path: string, init: { method: string; body?: string }) =>
    init.body?.includes('"bad"')
      ? Promise.resolve(json(400, { status: 400, detail: 'not understood' }))
      : answer(path, init)) as unknown as typeof fetch;
  await outbox.addPut({ id: 'bad', batchId: 'b1', size: 'bucket', count: 1, madeOn: '2026-09-12' });
  await outbox.addEvent('b1', good);
  await until(() => outbox.snapshot().items.length === 0);
  expect(refusals).toEqual(['the jars: not understood']);
  expect(server.events).toEqual([good.id]);
});

import 'fake-indexeddb/auto';
import type { BatchEvent } from '@idle-kettle/core';
import {
  CLOCKS_AGREE_MS,
  DEVICE_TIME_HEADER,
  SERVER_TIME_HEADER,
  type BatchView,
  type FormulaBody,
} from '@idle-kettle/contract';
import { answerOf, refusalAnswer } from '../testing/answers.js';
import { compareClocks } from './api.js';
import { deviceTimeOf, now } from './clock.js';
import { storeItems } from './outbox-items.js';
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
        ? refusalAnswer('database-away')
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
      return answerOf({ kept: body.events.map((event) => event.id), refused: [] });
    }
    if (!path.includes('/batches/') || !body.document) return answerOf({ id: 'lot' });
    if (this.batch && JSON.stringify(this.batch.document) === JSON.stringify(body.document))
      return answerOf(this.view());
    if (this.batch && this.batch.revision !== body.revision)
      return refusalAnswer('revision-conflict', { current: this.view() });
    this.batch = { document: body.document, revision: (body.revision ?? 0) + 1 };
    return answerOf(this.view());
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
/** A disk that takes its time: it answers once this is settled. */
let diskWaits: Promise<void> = Promise.resolve();
jest.mock('./store.js', () => {
  const real = jest.requireActual<typeof import('./store.js')>('./store.js');
  return {
    ...real,
    attemptWrite: (write: never) =>
      diskAnswers ? diskWaits.then(() => real.attemptWrite(write)) : new Promise(() => undefined),
  };
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

const until = async (what: () => boolean | Promise<boolean>): Promise<void> => {
  for (let i = 0; i < 1500; i++) {
    if (await what()) return;
    await new Promise((resolve) => setTimeout(resolve, 10));
  }
  throw new Error('it did not come about in 15 s');
};
/** What has gone leaves the disk a moment after it left the screen. */
const untilForgotten = (): Promise<void> =>
  until(
    async () =>
      (await (await store()).count('parcels')) === 0 && Object.keys(localStorage).length === 0,
  );

async function start(
  onTaken: (items: readonly OutboxItem[]) => void = () => undefined,
): Promise<Outbox> {
  const outbox = new Outbox();
  await outbox.start({ onSaved: () => undefined, onTaken });
  return outbox;
}

/** Answers in the server's place where `answer` does. */
function inPlace(
  answer: (path: string, body: string, headers: Record<string, string>) => Response | undefined,
): void {
  const real = server.fetch;
  globalThis.fetch = ((path: string, init: { method: string; body?: string; headers?: object }) => {
    const own = answer(path, init.body ?? '', { ...init.headers });
    return own ? Promise.resolve(own) : real(path, init);
  }) as unknown as typeof fetch;
}
const draftOf = (batchId: string, title: string, editedAt = 1) => ({
  batchId,
  document: formula(title),
  revision: 0,
  formulaId: null,
  editedAt,
});
const refusals = (outbox: Outbox): (string | undefined)[] =>
  outbox.snapshot().items.map(({ refused }) => refused?.code);

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
  await untilForgotten();
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
  await untilForgotten();
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

test('what the server refuses is set aside whole, also for the next page, and nothing behind it waits', async () => {
  const outbox = await start();
  const good = reading(97);
  inPlace((_, body) =>
    body.includes('"bad"')
      ? refusalAnswer('not-understood', { errors: [{ path: 'size', message: 'write a size' }] })
      : undefined,
  );
  const bad = { id: 'bad', batchId: 'b1', size: 'bucket', count: 1, madeOn: '2026-09-12' };
  await outbox.addPut(bad);
  await outbox.addEvent('b1', good);
  await until(() => server.events.includes(good.id) && outbox.snapshot().state === 'idle');
  const next = await start();
  await until(() => next.snapshot().items.length === 1);
  const [aside] = next.snapshot().items;
  expect(aside).toMatchObject({
    kind: 'put',
    body: bad,
    refused: { code: 'not-understood', errors: [{ path: 'size', message: 'write a size' }] },
  });
  // Mended, it goes.
  if (aside?.kind !== 'put') throw new Error('it is not there');
  globalThis.fetch = server.fetch as unknown as typeof fetch;
  await next.retry({ ...aside, body: { ...aside.body, size: '340-g' } });
  await until(() => next.snapshot().items.length === 0);
  await untilForgotten();
});

describe('an answer that is none of ours', () => {
  const html = (status: number): Response =>
    new Response('<title>Please log in</title>', {
      status,
      headers: { 'Content-Type': 'text/html' },
    });
  const foreign = (status: number, body: unknown): Response =>
    new Response(JSON.stringify(body), {
      status,
      headers: { 'Content-Type': 'application/json' },
    });
  test.each<[string, () => Response]>([
    ['a login page', () => html(200)],
    ['a proxy that wants a name', () => html(401)],
    ['a proxy that finds nothing', () => html(404)],
    ['another program that has no such thing', () => foreign(404, { error: 'no such route' })],
    ['another program that is content', () => foreign(200, { ok: true })],
    ['another program that speaks of problems', () => foreign(400, { status: 400, detail: 'no' })],
    ['an answer that was cut off', () => ours('{"kept":["')],
    ['an answer of another shape', () => ours('{"status":"ok"}')],
    ['no body at all', () => ours('')],
    ['null', () => ours('null')],
  ])('%s: nothing is dropped, and all of it goes once the server is back', async (_, answer) => {
    inPlace(answer);
    const outbox = await start();
    const event = reading(97);
    await outbox.addEvent('b1', event);
    await outbox.addMove('lot', { id: 'm1', change: -1, reason: 'eaten', at: event.at });
    await outbox.saveDraft(draftOf('b1', 'Damson'));
    await until(() => outbox.snapshot().state === 'away');
    expect(refusals(outbox)).toEqual([undefined, undefined]);
    expect(outbox.snapshot().drafts.size).toBe(1);
    globalThis.fetch = server.fetch as unknown as typeof fetch;
    outbox.hurry();
    await until(() => outbox.snapshot().items.length === 0 && outbox.snapshot().drafts.size === 0);
    expect(server.events).toEqual([event.id]);
  });

  const ours = (text: string): Response =>
    new Response(text, {
      status: 200,
      headers: { 'Content-Type': 'application/json', [SERVER_TIME_HEADER]: String(Date.now()) },
    });
});

test('of a hundred events the one that is refused is set aside, the others are taken', async () => {
  for (const naming of [true, false]) {
    const events = Array.from({ length: 100 }, (_, i) => reading(90 + i / 20));
    const bad = events[37]?.id ?? '';
    inPlace((path, body) => {
      const sent = (JSON.parse(body) as { events?: BatchEvent[] }).events ?? [];
      const at = sent.findIndex(({ id }) => id === bad);
      const errors = naming ? [{ path: `events[${at}].body.text`, message: 'too long' }] : [];
      return at < 0 ? undefined : refusalAnswer('not-understood', { errors });
    });
    const outbox = await start();
    await outbox.addEvents('b1', events);
    await until(() => outbox.snapshot().items.every(({ refused }) => refused !== undefined));
    expect(outbox.snapshot().items.map(({ id }) => id)).toEqual([bad]);
    expect(outbox.snapshot().items[0]?.refused?.errors).toEqual(
      naming ? [{ path: 'body.text', message: 'too long' }] : [],
    );
    expect(events.every(({ id }) => id === bad || server.events.includes(id))).toBe(true);
    await outbox.discard(outbox.snapshot().items[0] as OutboxItem);
    await untilForgotten();
  }
});

test('where somebody on the way lets nothing large through, less is sent at once', async () => {
  const events = Array.from({ length: 60 }, (_, i) => reading(90 + i / 20));
  inPlace((_, body) =>
    body.length > 3000 ? new Response('<h1>413</h1>', { status: 413 }) : undefined,
  );
  const outbox = await start();
  await outbox.addEvents('b1', events);
  await until(() => outbox.snapshot().items.length === 0);
  expect(new Set(server.events)).toEqual(new Set(events.map(({ id }) => id)));
});

/**
 * A server that takes every event and whose clock is its own; it corrects times by the clock a
 * request tells of.
 * @param onHealth called as its time is asked for
 * @returns what it took
 */
function takenByServerAt(serverNow: () => number, onHealth: () => void = () => undefined) {
  const sent: BatchEvent[] = [];
  inPlace((path, body, headers) => {
    const isHealth = path.endsWith('/health');
    if (isHealth) onHealth();
    const told = headers[DEVICE_TIME_HEADER];
    const off_ms = told ? serverNow() - Number(told) : 0;
    const { events = [] } = (isHealth ? {} : JSON.parse(body)) as { events?: BatchEvent[] };
    const moved_ms = Math.abs(off_ms) < CLOCKS_AGREE_MS ? 0 : off_ms;
    for (const event of events)
      sent.push({ ...event, at: new Date(Date.parse(event.at) + moved_ms).toISOString() });
    const answer = answerOf(isHealth ? {} : { kept: sent.map(({ id }) => id), refused: [] });
    answer.headers.set(SERVER_TIME_HEADER, String(serverNow()));
    return answer;
  });
  return sent;
}

test('before an event is sent it is known what the clock it was read from is off by', async () => {
  const DAY_MS = 86_400_000;
  // The clock of this device, and so of the event, is a day ahead of the server's.
  const sent = takenByServerAt(() => Date.now() - DAY_MS);
  // The machine slept, so that the clock has to be compared anew.
  const awake = jest.spyOn(performance, 'now').mockReturnValue(performance.now() - 60_000);
  const outbox = await start();
  const event = reading(97);
  await outbox.addEvent('b1', event, deviceTimeOf(Date.parse(event.at)));
  await until(() => outbox.snapshot().items.length === 0);
  awake.mockRestore();
  expect(sent).toHaveLength(1);
  expect(sent[0]?.saidAt).toBe(event.at);
  const off_ms = Date.parse(sent[0]?.at ?? '') - Date.parse(event.at);
  expect(Math.abs(off_ms + DAY_MS)).toBeLessThan(1000);
});

test('a clock that is set right while it is compared leaves no wrong time', async () => {
  const DAY_MS = 86_400_000;
  const real = Date.now.bind(Date);
  let wrong_ms = DAY_MS;
  let asked = 0;
  const clock = jest.spyOn(Date, 'now').mockImplementation(() => real() + wrong_ms);
  const sent = takenByServerAt(real, () => {
    asked += 1;
    // The person sets it right just as the last of the answers that compare it comes.
    if (asked === 3) wrong_ms = 0;
  });
  const outbox = await start();
  const { shown_ms } = deviceTimeOf(Date.now());
  const event = { ...reading(97), at: new Date(shown_ms).toISOString() };
  await outbox.addEvent('b1', event, deviceTimeOf(Date.now()));
  await until(() => outbox.snapshot().items.length === 0);
  clock.mockRestore();
  expect(sent).toHaveLength(1);
  expect(Math.abs(Date.parse(sent[0]?.at ?? '') - (shown_ms - DAY_MS))).toBeLessThan(2000);
});

test('a time that is known for certain stays so when the clock is then set wrong, unsent', async () => {
  const DAY_MS = 86_400_000;
  const real = Date.now.bind(Date);
  let wrong_ms = 0;
  const clock = jest.spyOn(Date, 'now').mockImplementation(() => real() + wrong_ms);
  takenByServerAt(real);
  await compareClocks();
  const outbox = await start();
  server.mood = 'dead';
  globalThis.fetch = server.fetch as unknown as typeof fetch;
  const at = now();
  const event = { ...reading(97), at: new Date(at).toISOString() };
  await outbox.addEvent('b1', event, deviceTimeOf(at));
  await until(() => outbox.snapshot().state === 'away');
  const sent = takenByServerAt(real);
  wrong_ms = DAY_MS;
  now();
  outbox.hurry();
  await until(() => outbox.snapshot().items.length === 0);
  clock.mockRestore();
  expect(sent).toHaveLength(1);
  expect(Math.abs(Date.parse(sent[0]?.at ?? '') - at)).toBeLessThan(1000);
});

describe('what an earlier page left comes right, though the clock is compared while it is read', () => {
  const DAY_MS = 86_400_000;
  const real = Date.now.bind(Date);

  /**
   * Typed on the right clock, which was then set a day ahead, and the page closed; the next page knows
   * of it before it has read what the first one left.
   * @param setRight when the clock is set right again
   */
  async function sentWith(setRight: 'never' | 'before-read' | 'once-read'): Promise<number> {
    let wrong_ms = DAY_MS;
    const clock = jest.spyOn(Date, 'now').mockImplementation(() => real() + wrong_ms);
    const setRightNow = (): void => {
      wrong_ms = 0;
      now();
    };
    const at = real();
    const event = { ...reading(97), at: new Date(at).toISOString() };
    const deviceTime = { shown_ms: at, difference_ms: 0, perhapsSet_ms: DAY_MS };
    const sent = takenByServerAt(real);
    await storeItems([{ id: event.id, order: 1, kind: 'event', batchId: 'b1', event, deviceTime }]);
    let answer = (): void => undefined;
    diskWaits = new Promise((resolve) => (answer = resolve));
    const outbox = new Outbox();
    const starting = outbox.start({ onSaved: () => undefined, onTaken: () => undefined });
    await compareClocks();
    if (setRight === 'before-read') setRightNow();
    answer();
    await starting;
    if (setRight === 'once-read') setRightNow();
    await until(() => outbox.snapshot().items.length === 0);
    clock.mockRestore();
    return Date.parse(sent[0]?.at ?? '') - at;
  }

  test.each(['never', 'before-read', 'once-read'] as const)('set right again: %s', async (when) => {
    expect(Math.abs(await sentWith(when))).toBeLessThan(1000);
  });
});

test('a batch whose formula is refused still has its readings taken; an edit mends it', async () => {
  inPlace((path, body) =>
    body.includes('"Bad"') && path.endsWith('/b1') ? refusalAnswer('not-understood') : undefined,
  );
  const outbox = await start();
  await outbox.saveDraft(draftOf('b1', 'Bad'));
  const event = reading(97);
  await outbox.addEvent('b1', event);
  await until(() => outbox.snapshot().items.length === 0);
  expect(server.events).toEqual([event.id]);
  expect(outbox.snapshot().drafts.get('b1')).toMatchObject({
    document: { title: 'Bad' },
    refused: { code: 'not-understood' },
  });
  // It is not sent again and again.
  const before = server.calls.length;
  outbox.hurry();
  await new Promise((resolve) => setTimeout(resolve, 50));
  expect(server.calls.length).toBe(before);
  await outbox.saveDraft(draftOf('b1', 'Good', 2));
  await until(() => outbox.snapshot().drafts.size === 0);
  expect(server.batch?.document.title).toBe('Good');
});

test('what was typed for a batch that was deleted elsewhere stays here, until it is brought back', async () => {
  let removed = true;
  inPlace((path) => {
    if (path.endsWith('/back')) removed = false;
    if (path.endsWith('/back'))
      return answerOf({ id: 'b1', revision: 1, document: formula('Old') });
    return removed ? refusalAnswer('removed') : undefined;
  });
  const outbox = await start();
  const events = [97, 98].map(reading);
  await outbox.addEvents('b1', events);
  await outbox.saveDraft(draftOf('b1', 'New'));
  await until(() => refusals(outbox).every((code) => code === 'removed'));
  await until(() => outbox.snapshot().drafts.get('b1')?.refused?.code === 'removed');
  await outbox.bringBack('b1');
  await until(() => outbox.snapshot().items.length === 0 && outbox.snapshot().drafts.size === 0);
  expect(server.events).toEqual(events.map(({ id }) => id));
});

test('a mistake of the server is tried three times, then set aside; the rest goes meanwhile', async () => {
  inPlace((_, body) => (body.includes('"bad"') ? refusalAnswer('our-mistake') : undefined));
  const outbox = await start();
  await outbox.addMove('lot', { id: 'bad', change: -1, reason: 'eaten', at: reading(97).at });
  const event = reading(97);
  await outbox.addEvent('b1', event);
  await until(() => server.events.includes(event.id));
  await until(() => refusals(outbox)[0] === 'our-mistake' && outbox.snapshot().state === 'idle');
});

test('text that no database holds goes as the sign for a character that was lost; what was cut off is left out', async () => {
  const outbox = await start();
  await outbox.saveDraft(draftOf('b1', 'Jam \ud83d and \0 and \ud83d'));
  await until(() => outbox.snapshot().drafts.size === 0);
  expect(server.batch?.document.title).toBe('Jam \ufffd and \ufffd and ');
});

describe('what was delivered leaves the outbox at once', () => {
  afterEach(() => (diskWaits = Promise.resolve()));

  test('also where the disk does not answer', async () => {
    const outbox = await start();
    diskWaits = new Promise(() => undefined);
    const event = reading(97);
    void outbox.addEvent('b1', event);
    await until(() => server.events.includes(event.id));
    await until(() => outbox.snapshot().items.length === 0 && outbox.snapshot().state === 'idle');
  });

  test('and is not written down again when its time is corrected meanwhile', async () => {
    const outbox = await start();
    const at = now();
    const event = { ...reading(97), at: new Date(at).toISOString() };
    let answer = (): void => undefined;
    const disk = new Promise<void>((resolve) => (answer = resolve));
    const gone = outbox.watch(() => {
      // The clock is set in the moment the server has taken it.
      if (!server.events.includes(event.id) || clock) return;
      diskWaits = disk;
      clock = jest.spyOn(Date, 'now').mockImplementation(() => real() + 86_400_000);
    });
    const real = Date.now.bind(Date);
    let clock: jest.SpyInstance | undefined;
    await outbox.addEvent('b1', event, deviceTimeOf(at));
    await until(() => server.events.includes(event.id));
    now();
    answer();
    await until(() => outbox.snapshot().items.length === 0);
    gone();
    clock?.mockRestore();
    now();
    await new Promise((resolve) => setTimeout(resolve, 50));
    await untilForgotten();
  });
});

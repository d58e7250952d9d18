import 'fake-indexeddb/auto';
import type { EventPage } from '@idle-kettle/contract';
import type { BatchEvent } from '@idle-kettle/core';
import { answerOf } from '../testing/answers.js';
import { eventsQuery, forgetCursors, keys, queryClient, takeEventsIntoCache } from './queries.js';

const event = (n: number): BatchEvent => ({
  id: `e${n}`,
  type: 'reading',
  at: new Date(n * 1000).toISOString(),
  device: 'probe',
  body: { temperature_C: 90 + n },
});
/** A server of a few lines that holds a log; the cursor is how much of it was read. */
let stored: BatchEvent[];
let asked: string[];
beforeEach(() => {
  stored = [event(1), event(2)];
  asked = [];
  queryClient.clear();
  globalThis.fetch = ((path: string) => {
    asked.push(path);
    const since = Number(/since=(\d+)/.exec(path)?.[1] ?? 0);
    const page: EventPage = {
      events: stored.slice(Math.max(since - 1, 0)),
      cursor: String(stored.length),
    };
    return Promise.resolve(answerOf(page));
  }) as typeof fetch;
});
const read = async (): Promise<string[]> =>
  (await queryClient.fetchQuery({ ...eventsQuery('b1'), staleTime: 0 })).events.map(({ id }) => id);

test('a log is read whole once, then in parts; what comes a second time is there once', async () => {
  expect(await read()).toEqual(['e1', 'e2']);
  stored.push(event(3));
  expect(await read()).toEqual(['e1', 'e2', 'e3']);
  expect(asked).toEqual(['/api/batches/b1/events', '/api/batches/b1/events?since=2']);
});

test('what was just sent from here stays, and is not there twice when the server tells of it', async () => {
  await read();
  takeEventsIntoCache([{ id: 'e3', order: 1, kind: 'event', batchId: 'b1', event: event(3) }]);
  expect(queryClient.getQueryData<EventPage>(keys.events('b1'))?.events).toHaveLength(3);
  stored.push(event(3), event(4));
  expect(await read()).toEqual(['e1', 'e2', 'e3', 'e4']);
});

test('after a gap the log is read whole again', async () => {
  await read();
  forgetCursors();
  await read();
  expect(asked).toEqual(['/api/batches/b1/events', '/api/batches/b1/events']);
});

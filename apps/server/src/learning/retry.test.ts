import { randomUUID } from 'node:crypto';
import { MINUTE_MS } from '@idle-kettle/core';
import type { LessonsView } from '@idle-kettle/contract';
import { Clock } from '../clock/clock.js';
import { newBatch, startTestApp } from '../testing/app.js';
import { freshDatabase } from '../testing/database.js';
import { BoilReader } from './boil-reader.js';

test('a boil that took too long to look at is tried again later, each time with more patience', async () => {
  const clock = new (class extends Clock {
    at = Date.parse('2026-09-12T18:00:00.000Z');
    now = () => new Date(this.at);
  })();
  const { app, http, close } = await startTestApp(
    await freshDatabase('kettle_test_learning_retry'),
    clock,
  );
  const batchId = await newBatch(http);
  const event = (type: string, body: object) => ({
    id: randomUUID(),
    type,
    at: '2026-09-12T16:00:00.000Z',
    device: 'tablet',
    body,
  });
  await http
    .post(`/api/batches/${batchId}/events`)
    .send({
      events: [event('light', { gelTemperature_C: 104, boilingPoint_C: 99 }), event('done', {})],
    })
    .expect(200);
  const look = jest
    .spyOn(app.get(BoilReader), 'lookAt')
    .mockResolvedValueOnce(undefined)
    .mockResolvedValueOnce(undefined);
  const tries = (): unknown[] => look.mock.calls.map(([, count]) => count);
  const lessons = async (): Promise<LessonsView> =>
    (await http.get('/api/lessons').expect(200)).body as LessonsView;
  // Nobody is kept waiting for it meanwhile.
  expect((await lessons()).pending).toBe(0);
  await lessons();
  expect(tries()).toEqual([0]);
  clock.at += 5 * MINUTE_MS;
  await lessons();
  await lessons();
  expect(tries()).toEqual([0, 1]);
  clock.at += 9 * MINUTE_MS;
  await lessons();
  expect(tries()).toEqual([0, 1]);
  clock.at += MINUTE_MS;
  await lessons();
  expect(tries()).toEqual([0, 1, 2]);
  // It was looked at, whatever it says.
  clock.at += 1000 * MINUTE_MS;
  await lessons();
  expect(tries()).toEqual([0, 1, 2]);
  await close();
});

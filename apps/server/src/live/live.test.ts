import { request } from 'node:http';
import { damsonJam, newBatch, reading, startTestApp, type TestApp } from '../testing/app.js';
import { DatabaseDoor, freshDatabase } from '../testing/database.js';

/** What a device hears: every message of the stream, until it is left. */
async function hear(
  kitchen: TestApp,
): Promise<{ heard: { of: string; batch: string | null }[]; leave: () => void }> {
  const heard: { of: string; batch: string | null }[] = [];
  const url = `${await kitchen.app.getUrl()}/api/live`;
  return new Promise((resolve, reject) => {
    const asked = request(url, (response) => {
      let rest = '';
      response.setEncoding('utf8');
      response.on('data', (chunk: string) => {
        rest += chunk;
        const parts = rest.split('\n\n');
        rest = parts.pop() ?? '';
        for (const part of parts) {
          const data = /^data: (\{.*\})$/m.exec(part)?.[1];
          if (data !== undefined)
            heard.push(JSON.parse(data) as { of: string; batch: string | null });
        }
      });
      response.on('error', () => undefined);
      resolve({ heard, leave: () => asked.destroy() });
    });
    asked.on('error', reject);
    asked.end();
  });
}

const until = async (test: () => boolean, patience_ms = 8000): Promise<number> => {
  const from = Date.now();
  while (!test()) {
    if (Date.now() - from > patience_ms) throw new Error('nothing was heard');
    await new Promise((resolve) => setTimeout(resolve, 10));
  }
  return Date.now() - from;
};

test('two servers of one database hear of each other, after the database was away too', async () => {
  const door = new DatabaseDoor(new URL(await freshDatabase('kettle_test_live')));
  const url = await door.open();
  const [here, there] = [await startTestApp(url), await startTestApp(url)];
  const { heard, leave } = await hear(there);
  // The connection that listens may still be on its way when the stream opens.
  const id = await newBatch(here.http);
  await here.http.get('/api/kitchens');
  await new Promise((resolve) => setTimeout(resolve, 500));
  heard.length = 0;

  await here.http
    .post(`/api/batches/${id}/events`)
    .send({ events: [reading(97.1), reading(97.3)] })
    .expect(200);
  const took = await until(() =>
    heard.some(({ of, batch }) => of === 'batch_events' && batch === id),
  );
  expect(took).toBeLessThan(1000);
  // Two rows of one message are one notice.
  expect(heard.filter(({ of }) => of === 'batch_events')).toHaveLength(1);
  await here.http
    .put(`/api/batches/${id}`)
    .send({ document: damsonJam({ title: 'Damson and bay' }), revision: 1 })
    .expect(200);
  await until(() => heard.some(({ of, batch }) => of === 'batches' && batch === id));

  await door.shut();
  heard.length = 0;
  await door.open();
  await until(() => heard.some(({ of }) => of === 'everything'));
  heard.length = 0;
  await here.http
    .post(`/api/batches/${id}/events`)
    .send({ events: [reading(98.2)] })
    .expect(200);
  await until(() => heard.some(({ of, batch }) => of === 'batch_events' && batch === id));
  leave();
  await Promise.all([here.close(), there.close()]);
  await door.shut();
}, 30_000);

import 'reflect-metadata';
import { randomUUID } from 'node:crypto';
import type { KitchenView } from '@idle-kettle/contract';
import { Clock } from '../clock/clock.js';
import { startTestApp } from '../testing/app.js';
import { freshDatabase } from '../testing/database.js';

const settings = (name: string, altitude_m: number) => ({
  name,
  altitude_m,
  boilingPoint_C: null,
  boilingPointMeasuredAt: null,
  units: 'metric',
  temperatureUnit: 'C',
});

test('the kitchen that was chosen last is in use, also where the clock went back meanwhile', async () => {
  const clock = new (class extends Clock {
    at = new Date('2026-09-12T18:00:00.000Z');
    now = () => this.at;
  })();
  const { http, close } = await startTestApp(await freshDatabase('kettle_test_kitchens'), clock);
  const inUse = async (): Promise<string | undefined> =>
    ((await http.get('/api/kitchens').expect(200)).body as KitchenView[])[0]?.name;
  const [home, seaside] = [randomUUID(), randomUUID()];
  await http.put(`/api/kitchens/${home}`).send(settings('Home', 1180)).expect(200);
  await http.put(`/api/kitchens/${seaside}`).send(settings('Seaside', 5)).expect(200);
  expect(await inUse()).toBe('Seaside');
  clock.at = new Date('2026-09-12T17:00:00.000Z');
  await http.post(`/api/kitchens/${home}/use`).expect(200);
  expect(await inUse()).toBe('Home');
  await http.post(`/api/kitchens/${seaside}/use`).expect(200);
  expect(await inUse()).toBe('Seaside');
  await close();
});

test('the last kitchen stays, however many remove them at once', async () => {
  const { http, close } = await startTestApp(await freshDatabase('kettle_test_last_kitchen'));
  for (let round = 0; round < 12; round++) {
    const [known] = (await http.get('/api/kitchens').expect(200)).body as KitchenView[];
    const ids = [known!.id, randomUUID(), randomUUID()];
    for (const id of ids.slice(1)) await http.put(`/api/kitchens/${id}`).send(settings('Hut', 300));
    const answers = await Promise.all(ids.map((id) => http.delete(`/api/kitchens/${id}`)));
    expect(answers.map(({ status }) => status).toSorted()).toEqual([204, 204, 409]);
    // Asked of the database: the list would make a new one.
    expect((await http.get('/api/kitchens').expect(200)).body).toEqual([
      expect.objectContaining({ name: expect.stringMatching(/Hut|Home/) as string }),
    ]);
    expect(((await http.get('/api/kitchens')).body as KitchenView[])[0]?.id).toBe(
      ids[answers.findIndex(({ status }) => status === 409)],
    );
  }
  await close();
});

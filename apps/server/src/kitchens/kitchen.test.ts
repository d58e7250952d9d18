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

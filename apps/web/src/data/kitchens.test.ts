import 'fake-indexeddb/auto';
import { emptyGear, type KitchenView } from '@idle-kettle/contract';
import { answerOf, refusalAnswer } from '../testing/answers.js';
import { kitchensQuery, saveKitchen, settingsOf } from './kitchens.js';
import { keys, queryClient } from './queries.js';

const HOME: KitchenView = {
  id: 'k1',
  name: 'Home',
  altitude_m: 640,
  boilingPoint_C: null,
  boilingPointMeasuredAt: null,
  pressure_kPa: null,
  pressureReadAt: null,
  units: 'metric',
  temperatureUnit: 'C',
  southern: false,
  gear: emptyGear(),
  updatedAt: '2026-11-01T10:00:00.000Z',
};

/** A server of a few lines that answers each request when it is told to. */
let stored: KitchenView;
let waiting: { readonly path: string; readonly answer: (status?: number) => Promise<void> }[];
beforeEach(() => {
  stored = HOME;
  waiting = [];
  queryClient.clear();
  queryClient.setQueryData(keys.kitchens, [HOME]);
  globalThis.fetch = ((path: string, { method, body }: RequestInit = {}) =>
    new Promise<Response>((resolve) => {
      const before = [stored];
      const answer = async (status = 200): Promise<void> => {
        if (method === 'PUT' && status === 200)
          stored = { ...stored, ...(JSON.parse(body as string) as object) };
        const found = method === 'PUT' ? stored : before;
        resolve(status === 200 ? answerOf(found) : refusalAnswer('not-understood'));
        await new Promise((done) => setTimeout(done, 5));
      };
      waiting.push({ path: `${method ?? 'GET'} ${path}`, answer });
    })) as typeof fetch;
});
const shown = (): string | undefined =>
  queryClient
    .getQueryData<KitchenView[]>(keys.kitchens)
    ?.map(({ name, altitude_m }) => `${name} ${altitude_m}`)[0];

test('a change is shown at once and goes after the one before it, built on it', async () => {
  const first = saveKitchen({ ...HOME, name: 'Hill house' });
  expect(shown()).toBe('Hill house 640');
  const second = saveKitchen({ ...HOME, name: 'Hill house', altitude_m: 1210 });
  await new Promise((done) => setTimeout(done, 5));
  expect(waiting.map(({ path }) => path)).toEqual(['PUT /api/kitchens/k1']);
  await waiting[0]?.answer();
  await waiting[1]?.answer();
  await Promise.all([first, second]);
  expect([shown(), stored.altitude_m]).toEqual(['Hill house 1210', 1210]);
});

test('an answer that is older than a change does not undo it', async () => {
  const asked = queryClient.fetchQuery({ ...kitchensQuery, staleTime: 0 });
  await new Promise((done) => setTimeout(done, 5));
  const saved = saveKitchen({ ...HOME, altitude_m: 1210 });
  await waiting[0]?.answer();
  await asked;
  expect(shown()).toBe('Home 1210');
  await waiting[1]?.answer();
  await expect(saved).resolves.toMatchObject({ altitude_m: 1210 });
});

test('a change the server refuses is told, and the next one is sent all the same', async () => {
  const refused = saveKitchen({ ...HOME, altitude_m: 99_999 });
  const next = saveKitchen({ ...HOME, altitude_m: 320 });
  await new Promise((done) => setTimeout(done, 5));
  void waiting[0]?.answer(400);
  await expect(refused).rejects.toThrow('no');
  await new Promise((done) => setTimeout(done, 5));
  await waiting.find(({ path }, i) => i > 0 && path.startsWith('PUT'))?.answer();
  await expect(next).resolves.toMatchObject({ altitude_m: 320 });
  expect(settingsOf(stored)).not.toHaveProperty('id');
});

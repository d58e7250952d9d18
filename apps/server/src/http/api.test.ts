import { randomUUID } from 'node:crypto';
import { gzipSync } from 'node:zlib';
import {
  emptyGear,
  SERVER_TIME_HEADER,
  type BatchView,
  type DownloadLink,
  type EventPage,
  type KitchenView,
  type ProblemBody,
} from '@idle-kettle/contract';
import {
  COMMAND_KEY,
  damsonJam,
  newBatch,
  reading,
  startTestApp,
  type TestApp,
} from '../testing/app.js';
import { freshDatabase } from '../testing/database.js';

let kitchen: TestApp;
beforeAll(async () => {
  kitchen = await startTestApp(await freshDatabase('kettle_test_api'));
});
afterAll(() => kitchen.close());

const paths = (body: unknown): string[] =>
  ((body as ProblemBody).errors ?? []).map((error) => error.path);
const ours = async (): Promise<KitchenView> =>
  ((await kitchen.http.get('/api/kitchens').expect(200)).body as KitchenView[])[0] as KitchenView;
const settings = (
  { id: _id, updatedAt: _at, ...rest }: KitchenView,
  change: object = {},
): object => ({
  ...rest,
  ...change,
});

describe('kitchens', () => {
  test('the first request makes one whose altitude is not known; setting it is kept', async () => {
    const made = await ours();
    expect(made).toMatchObject({ name: 'Home', altitude_m: null, units: 'metric' });
    await kitchen.http
      .put(`/api/kitchens/${made.id}`)
      .send(
        settings(made, {
          altitude_m: 1180,
          boilingPoint_C: 96.1,
          boilingPointMeasuredAt: '2026-09-12T18:00:00.000Z',
        }),
      )
      .expect(200);
    expect(await ours()).toMatchObject({ altitude_m: 1180, boilingPoint_C: 96.1 });
  });

  test('every wrong field is named with what would be right', async () => {
    const made = await ours();
    const { body } = await kitchen.http
      .put(`/api/kitchens/${made.id}`)
      .send({
        name: '',
        altitude_m: 12_000,
        boilingPoint_C: 'hot',
        units: 'stone',
        temperatureUnit: 'K',
        extra: true,
      })
      .expect(400)
      .expect('Content-Type', /problem\+json/);
    expect(paths(body).sort()).toEqual([
      'altitude_m',
      'boilingPoint_C',
      'extra',
      'name',
      'temperatureUnit',
      'units',
    ]);
    expect((body as ProblemBody).errors?.find((e) => e.path === 'altitude_m')?.message).toContain(
      '-430 to 5500 m',
    );
  });
});

describe('what stands in a kitchen', () => {
  const GEAR = {
    ...emptyGear(),
    pectins: [{ ingredient: 'pectin-powder', packageMass_g: 49, grade: 160 }],
    jars: [{ size: '340-g', stock: 12, volume_ml: 268 }],
  };
  test('is kept, and stays when settings come without it', async () => {
    const made = await ours();
    await kitchen.http
      .put(`/api/kitchens/${made.id}`)
      .send(settings(made, { gear: GEAR }))
      .expect(200);
    const { gear: _gear, ...older } = settings(made) as KitchenView;
    await kitchen.http.put(`/api/kitchens/${made.id}`).send(older).expect(200);
    expect((await ours()).gear).toEqual(GEAR);
  });

  test('every wrong figure is named by its path', async () => {
    const made = await ours();
    const { body } = await kitchen.http
      .put(`/api/kitchens/${made.id}`)
      .send(
        settings(made, {
          pressure_kPa: 1013,
          gear: {
            ...GEAR,
            jars: [{ size: '340-g', volume_ml: 9 }],
            pectins: [{ ingredient: 'honey' }],
          },
        }),
      )
      .expect(400);
    expect(paths(body).sort()).toEqual([
      'gear.jars[0].volume_ml',
      'gear.pectins[0].ingredient',
      'pressure_kPa',
    ]);
  });

  test('settings from a form that is out of date are refused, with what is there now', async () => {
    const seen = await ours();
    const change = (name: string) =>
      kitchen.http
        .put(`/api/kitchens/${seen.id}`)
        .send(settings(seen, { name, seenAt: seen.updatedAt }));
    await change('Hill house').expect(200);
    const { body } = await change('Home').expect(409);
    expect((body as { current: KitchenView }).current.name).toBe('Hill house');
    await kitchen.http.put(`/api/kitchens/${seen.id}`).send(settings(seen)).expect(200);
  });

  test('a second place is added, used, and taken out; the last one stays', async () => {
    const home = await ours();
    const hut = randomUUID();
    await kitchen.http
      .put(`/api/kitchens/${hut}`)
      .send(settings(home, { name: 'The hut', altitude_m: 2010 }))
      .expect(200);
    expect((await ours()).name).toBe('The hut');
    await kitchen.http.post(`/api/kitchens/${home.id}/use`).expect(200);
    expect((await ours()).id).toBe(home.id);
    await kitchen.http.delete(`/api/kitchens/${hut}`).expect(204);
    const { body } = await kitchen.http.delete(`/api/kitchens/${home.id}`).expect(409);
    expect((body as ProblemBody).detail).toMatch(/only kitchen/);
    await kitchen.http.post(`/api/kitchens/${hut}/use`).expect(404);
  });

  test('what was left of bought fruit is kept once, and never more than was bought', async () => {
    const id = randomUUID();
    const weighing = {
      ingredient: 'quince',
      bought_kg: 2,
      prepared_kg: 1.4,
      at: '2026-10-01T10:00:00.000Z',
    };
    for (let i = 0; i < 2; i++)
      await kitchen.http.put(`/api/prepared-weights/${id}`).send(weighing).expect(200);
    expect((await kitchen.http.get('/api/prepared-weights')).body).toEqual([{ id, ...weighing }]);
    const { body } = await kitchen.http
      .put(`/api/prepared-weights/${randomUUID()}`)
      .send({ ...weighing, prepared_kg: 3 })
      .expect(400);
    expect(paths(body)).toEqual(['prepared_kg']);
    await kitchen.http
      .put(`/api/prepared-weights/${randomUUID()}`)
      .send({ ...weighing, ingredient: 'moonberry' })
      .expect(400);
    await kitchen.http.delete(`/api/prepared-weights/${id}`).expect(204);
    await kitchen.http.delete(`/api/prepared-weights/${id}`).expect(404);
  });
});

describe('batches', () => {
  test('an edit is kept and raises the revision; the same edit again changes nothing', async () => {
    const id = await newBatch(kitchen.http);
    const document = damsonJam({ title: 'Damson and bay' });
    for (let i = 0; i < 2; i++) {
      const { body } = await kitchen.http
        .put(`/api/batches/${id}`)
        .send({ document, revision: 1 })
        .expect(200);
      expect(body).toMatchObject({ revision: 2, document: { title: 'Damson and bay' } });
    }
  });

  test('a half-typed formula is kept as typed', async () => {
    const document = damsonJam({
      title: '<b>x</b>',
      lines: [{ amount: '2 cupz', ingredient: 'damsens' }],
    });
    const id = await newBatch(kitchen.http, document);
    expect(
      ((await kitchen.http.get(`/api/batches/${id}`).expect(200)).body as BatchView).document,
    ).toEqual(document);
  });

  test('an edit based on an older revision is a conflict that hands over what is stored', async () => {
    const id = await newBatch(kitchen.http);
    await kitchen.http
      .put(`/api/batches/${id}`)
      .send({ document: damsonJam({ title: 'From the phone' }), revision: 1 })
      .expect(200);
    const { body } = await kitchen.http
      .put(`/api/batches/${id}`)
      .send({ document: damsonJam({ title: 'From the tablet' }), revision: 1 })
      .expect(409);
    expect((body as { current: BatchView }).current).toMatchObject({
      revision: 2,
      document: { title: 'From the phone' },
    });
  });

  test('the list says where each batch stands', async () => {
    const id = await newBatch(kitchen.http);
    const light = {
      ...reading(0),
      type: 'light',
      body: { gelTemperature_C: 100.5, boilingPoint_C: 96.1 },
    };
    await kitchen.http
      .post(`/api/batches/${id}/events`)
      .send({ events: [light, reading(98.4)] })
      .expect(200);
    const { body } = await kitchen.http.get('/api/batches').expect(200);
    expect((body as { id: string }[]).find((batch) => batch.id === id)).toMatchObject({
      phase: 'on-heat',
      fruit: 'damson',
      gelTemperature_C: 100.5,
      lastReading: { temperature_C: 98.4 },
      onShelf: false,
    });
  });

  test('one that was never started can be removed; one with a history stays', async () => {
    const id = await newBatch(kitchen.http);
    await kitchen.http.delete(`/api/batches/${id}`).expect(204);
    await kitchen.http.get(`/api/batches/${id}`).expect(410);
    const boiled = await newBatch(kitchen.http);
    await kitchen.http
      .post(`/api/batches/${boiled}/events`)
      .send({ events: [reading(97)] })
      .expect(200);
    await kitchen.http.delete(`/api/batches/${boiled}`).expect(409);
  });

  test('wrong shapes are named by path', async () => {
    const document = {
      ...damsonJam(),
      kind: 'soup',
      lines: [
        { amount: 5, ingredient: 'damson' },
        { amount: '1 kg', colour: 'blue' },
      ],
      finish: {},
    };
    const { body } = await kitchen.http
      .put(`/api/batches/${randomUUID()}`)
      .send({ document, revision: -1 })
      .expect(400);
    expect(paths(body).sort()).toEqual([
      'document.finish.type',
      'document.kind',
      'document.lines[0].amount',
      'document.lines[1].colour',
      'revision',
    ]);
  });
});

describe('a batch that was only planned', () => {
  const plan = {
    id: randomUUID(),
    type: 'planned',
    at: '2026-09-12T09:00:00.000Z',
    device: 'bench',
    body: { by: 'ready', at: '2026-09-12T21:00:00.000Z' },
  };
  test('comes off the bench and back with its plan; one that was on the heat stays', async () => {
    const id = await newBatch(kitchen.http);
    await kitchen.http
      .post(`/api/batches/${id}/events`)
      .send({ events: [plan] })
      .expect(200);
    await kitchen.http.delete(`/api/batches/${id}`).expect(204);
    await kitchen.http.get(`/api/batches/${id}`).expect(410);
    expect((await kitchen.http.get('/api/batches')).body).not.toContainEqual(
      expect.objectContaining({ id }),
    );
    await kitchen.http.post(`/api/batches/${id}/back`).expect(200);
    const { body } = await kitchen.http.get(`/api/batches/${id}/events`).expect(200);
    expect((body as EventPage).events).toHaveLength(1);
    await kitchen.http
      .post(`/api/batches/${id}/events`)
      .send({ events: [reading(96)] })
      .expect(200);
    await kitchen.http.delete(`/api/batches/${id}`).expect(409);
  });
});

describe('the door', () => {
  test('health asks the database', async () => {
    await kitchen.http
      .get('/api/health')
      .expect(200, { status: 'ok', database: 'ok', instance: 'test' });
  });

  test.each([
    ['nothing there', '/api/nothing', 404],
    ['not a UUID', '/api/batches/7', 400],
    ['an unknown batch', `/api/batches/${randomUUID()}`, 404],
  ])('%s is problem+json', async (_, path, status) => {
    const { body } = await kitchen.http
      .get(path)
      .expect(status)
      .expect('Content-Type', /problem\+json/);
    expect(body).toMatchObject({ status, detail: expect.any(String) as string, instance: path });
  });

  test('a message too large is 413, one that is not JSON is 400', async () => {
    const { body } = await kitchen.http
      .put(`/api/batches/${randomUUID()}`)
      .send({ document: damsonJam({ notes: 'x'.repeat(600_000) }), revision: 0 })
      .expect(413)
      .expect('Content-Type', /problem\+json/);
    expect((body as ProblemBody).detail).toContain('512 kB');
    await kitchen.http
      .put(`/api/batches/${randomUUID()}`)
      .set('Content-Type', 'application/json')
      .send('{"document": ')
      .expect(400)
      .expect('Content-Type', /problem\+json/);
  });

  test('a name that only rebinding could bring is not answered; loopback names are', async () => {
    const { body } = await kitchen.http
      .get('/api/batches')
      .set('Host', 'jam.example:4780')
      .expect(421)
      .expect('Content-Type', /problem\+json/);
    expect((body as ProblemBody).detail).toContain('jam.example');
    for (const host of ['localhost:4780', '127.0.0.1', '[::1]:4780'])
      await kitchen.bare.get('/api/health').set('Host', host).expect(200);
  });

  test('a page from elsewhere may change nothing', async () => {
    const id = await newBatch(kitchen.http);
    await kitchen.http
      .put(`/api/batches/${id}`)
      .set('Origin', 'http://jam.example')
      .send({ document: damsonJam({ title: 'Mine now' }), revision: 1 })
      .expect(403);
    await kitchen.http.delete(`/api/batches/${id}`).set('Origin', 'null').expect(403);
    // Another program on this machine is somebody else.
    const own = new URL(await kitchen.app.getUrl());
    await kitchen.http
      .put(`/api/batches/${id}`)
      .set('Origin', `http://127.0.0.1:${Number(own.port) + 1}`)
      .send({ document: damsonJam({ title: 'Mine now' }), revision: 1 })
      .expect(403);
    await kitchen.http
      .put(`/api/batches/${id}`)
      .set('Origin', own.origin)
      .send({ document: damsonJam({ title: 'Ours' }), revision: 1 })
      .expect(200);
  });

  test.each([
    ['cross-site', 403],
    ['same-site', 403],
    ['same-origin', 200],
    ['none', 200],
  ])('what the browser calls %s is answered with %i', (site, status) =>
    kitchen.bare.get('/api/household/calendar.ics').set('Sec-Fetch-Site', site).expect(status),
  );

  describe('a request that does not say where it comes from', () => {
    const change = () =>
      kitchen.bare
        .put(`/api/freezer/${randomUUID()}`)
        .send({ ingredient: 'damson', mass_kg: 1, note: '', frozenOn: '2026-09-20' });

    test('changes nothing, unless a program shows the key of the command line', async () => {
      await change().expect(403);
      await change().set('X-Kettle-Key', 'guessed').expect(403);
      await change().set('X-Kettle-Key', COMMAND_KEY).expect(200);
      await change().set('Sec-Fetch-Site', 'same-origin').expect(200);
      await kitchen.bare.get('/api/batches').expect(200);
    });

    test('reads nothing heavy, but at an address that works once', async () => {
      for (const path of [
        '/api/household',
        '/api/household/shelf.csv',
        '/api/household/book.pdf',
      ]) {
        await kitchen.bare.get(path).expect(403);
        const ask = () => kitchen.http.post('/api/household/links').send({ path });
        const { href } = (await ask().expect(201)).body as DownloadLink;
        // Another download is not opened by it, and it is not used up by the attempt.
        await kitchen.bare.get(href.replace(path, '/api/household/log.csv')).expect(403);
        await kitchen.bare.get(href).expect(200);
        await kitchen.bare.get(href).expect(403);
      }
      await kitchen.bare.get('/api/household?once=guessed').expect(403);
      await kitchen.http.post('/api/household/links').send({ path: '//jam.example' }).expect(400);
      // A calendar asks by itself, days later.
      await kitchen.bare.get('/api/household/calendar.ics').expect(200);
    });

    test('is an instrument’s, known by its token', () =>
      kitchen.bare
        .post('/api/readings')
        .set('Authorization', 'Bearer none')
        .send({ readings: [{ at: '2026-09-20T10:00:00.000Z', temperature_C: 98 }] })
        .expect(401));
  });

  test('every answer says that it is ours, and is kept by nobody; a HEAD ends', async () => {
    for (const path of ['/api/batches', '/api/nothing', '/api/live'])
      expect((await kitchen.http.head(path)).headers).toMatchObject({
        [SERVER_TIME_HEADER.toLowerCase()]: expect.stringMatching(/^\d{13}$/) as string,
        'cache-control': 'no-store',
      });
  });

  test.each([
    ['NUL', { title: 'x\0y' }, 'document.title'],
    ['half a character', { title: 'jam \ud83d' }, 'document.title'],
    ['a key that is a trick', JSON.parse('{"__proto__":{}}') as object, 'document.__proto__'],
  ])('%s in a message is refused by its path', async (_, change, path) => {
    // As it travels: a copy would drop the key.
    const text = JSON.stringify({ document: damsonJam(), revision: 0 });
    const sent = text.replace('"title":"Damson jam"', JSON.stringify(change).slice(1, -1));
    const { body } = await kitchen.http
      .put(`/api/batches/${randomUUID()}`)
      .set('Content-Type', 'application/json')
      .send(sent)
      .expect(400);
    expect(paths(body)).toEqual([path]);
  });

  test('a nesting of thousands, a packed message and no object are refused', async () => {
    const put = (type: string, text: string | Buffer) =>
      kitchen.http.put(`/api/batches/${randomUUID()}`).set('Content-Type', type).send(text);
    const deep = `{"document":${'['.repeat(50_000)}${']'.repeat(50_000)},"revision":0}`;
    await put('application/json', deep).expect(400);
    await put('application/json', '[]').expect(400);
    await kitchen.http
      .put(`/api/batches/${randomUUID()}`)
      .set('Content-Type', 'application/json')
      .set('Content-Encoding', 'gzip')
      .send(gzipSync('{}').toString('latin1'))
      .expect(415);
  });

  test('security headers are set and the server does not name its framework', async () => {
    const { headers } = await kitchen.http.get('/api/health').expect(200);
    expect(headers['content-security-policy']).toContain("default-src 'self'");
    expect(headers).not.toHaveProperty('x-powered-by');
    expect(headers).not.toHaveProperty('strict-transport-security');
  });

  test('the API describes itself, with the rules of the contract', async () => {
    await kitchen.http.get('/api/docs').expect(200).expect('Content-Type', /html/);
    const { body } = await kitchen.http.get('/api/docs.json').expect(200);
    const { paths: described, components } = body as {
      paths: object;
      components: {
        schemas: Record<string, { properties: Record<string, object>; required?: string[] }>;
      };
    };
    expect(Object.keys(described)).toEqual(
      expect.arrayContaining(['/api/health', '/api/batches/{id}/events', '/api/shelf']),
    );
    expect(components.schemas.KitchenSettings?.properties.altitude_m).toMatchObject({
      minimum: -430,
      maximum: 5500,
    });
    expect(components.schemas.AppendEvents?.properties.events).toMatchObject({
      type: 'array',
      maxItems: 500,
    });
  });
});

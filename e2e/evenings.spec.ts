import { expect, test } from '@playwright/test';
import { layOut, panel, type StoredEvent } from './support/bench.js';
import { Evening } from './support/evening.js';
import { KettleServer } from './support/kettle-server.js';

/**
 * Four evenings from the first step to the lifted jars, on a clock that skips what is only waited
 * for.
 */
let kettle: KettleServer;
test.beforeAll(async () => {
  kettle = await KettleServer.begin('evenings', { altitude_m: 1180, clocked: true });
});
test.afterAll(() => kettle.end());

const log = async (id: string): Promise<StoredEvent[]> =>
  (await kettle.get<{ events?: StoredEvent[] }>(`/api/batches/${id}/events`)).events ?? [];

test('a jam: fruit stands in its sugar overnight, is boiled to the setting point, jarred, processed and lifted', async ({
  page,
}) => {
  const evening = await Evening.begin(page, kettle, '2026-09-12T17:00:00.000Z');
  await page.goto(kettle.address);
  const id = await layOut(page, 'Damson jam', [
    '1.6 kg damsons, pitted',
    '200 ml water',
    '1.5 kg sugar',
    '2 tbsp bottled lemon juice',
  ]);
  await page.getByRole('link', { name: 'Plan it' }).click();
  const when = page.getByRole('region', { name: 'When' });
  await when.getByLabel(/stand in its sugar/).check();
  await when.getByLabel('Start or finish').selectOption('ready');
  await when.getByLabel('day and time').fill('2026-09-13T21:00');
  await expect(when.getByRole('status').first()).toContainText(
    /jars on the counter Sun (19|20):\d\d to Sun 2[12]:\d\d/,
  );
  await expect(
    page.getByRole('region', { name: 'Steps' }).getByText('stir the sugar in'),
  ).toHaveCount(0);
  await evening.tick(/^Done: wash and pit/);
  await evening.skip(24 * 60);
  await evening.tick(/^Done: let the fruit stand/);
  await evening.tick(/^Done: clear the kitchen/);
  await evening.station('Boil');
  await evening.light();
  await evening.followUntil(/test it/, 2, 120);
  await expect(page.getByLabel(/^Time left: /)).toBeVisible();
  await page.getByRole('button', { name: /^Off the heat/ }).click();
  await expect(evening.whatNow).toContainText('Test it now');
  await page.getByRole('button', { name: /^Set test/ }).click();
  await page.getByRole('button', { name: 'holds a line' }).click();
  await expect(evening.whatNow).toContainText('five minutes more');
  await page.getByRole('button', { name: /^Back on/ }).click();
  await evening.skip(5);
  await page.getByRole('button', { name: /^Off the heat/ }).click();
  await page.getByRole('button', { name: /^Set test/ }).click();
  await page.getByRole('button', { name: 'wrinkles' }).click();
  await expect(evening.whatNow).toContainText('to the jars');
  await page.getByRole('button', { name: /^Finish cooking/ }).click();
  await evening.jar('340 g', 8, /^The jars went through 15 min/);
  await evening.station('Plan');
  for (const step of await page.getByRole('button', { name: /^Done: .*process 15 min/ }).all())
    await step.click();
  await evening.tick(/^Done: lift the jars out/);
  await evening.tick(/^Done: clean up/);
  await evening.skip(14 * 60);
  const pressed = await evening.now();
  await evening.tick(/^Done: press each lid/);
  // What was ticked last is on its way a moment longer.
  await expect
    .poll(async () => Date.parse((await log(id)).at(-1)?.at ?? ''))
    .toBeGreaterThanOrEqual(pressed);

  // The probe's readings carry the skipped clock, in order, ten seconds apart; the log tells the
  // whole of it.
  const events = await log(id);
  const readings = events.filter(({ type }) => type === 'reading');
  expect(readings.length).toBeGreaterThan(60);
  expect(events.map(({ type }) => type)).toEqual(
    expect.arrayContaining([
      'planned',
      'step',
      'light',
      'simulated',
      'off-heat',
      'test',
      'on-heat',
      'done',
      'jarred',
      'processed',
    ]),
  );
  const [first, last] = [
    events.find(({ type }) => type === 'planned')?.at ?? '',
    events.at(-1)?.at ?? '',
  ];
  expect((Date.parse(last) - Date.parse(first)) / 3_600_000).toBeGreaterThan(36);
});

test('a powdered-pectin jelly: dripped, brought to a full rolling boil, one minute by the clock', async ({
  page,
}) => {
  const evening = await Evening.begin(page, kettle, '2026-09-14T15:00:00.000Z');
  await page.goto(kettle.address);
  const id = await layOut(page, 'Gooseberry jelly', [
    '1.1 l gooseberry juice',
    '1 box powdered pectin',
    '1.3 kg sugar',
  ]);
  await page.getByLabel('Kind').selectOption('Jelly');
  await page.getByLabel('Setting method').selectOption('powdered pectin');
  await page.getByRole('link', { name: 'Plan it' }).click();
  await evening.tick(/^Done: sort and wash/);
  await evening.tick(/^Done: simmer the fruit/);
  await evening.skip(4 * 60);
  await evening.tick(/^Done: let it drip/);
  await evening.tick(/^Done: clear the kitchen/);
  await evening.station('Boil');
  await evening.light();
  await expect(evening.whatNow).toContainText('full rolling boil');
  await evening.followUntil(/watch the foam/, 0.4, 40);
  await page.getByRole('button', { name: 'The sugar is in' }).click();
  await evening.followUntil(/foam/, 1, 40);
  // At a full rolling boil: over the 96.0 °C of water here.
  await evening.cookTo(96.1, 20);
  await page.getByRole('button', { name: /^Start 1-minute/ }).click();
  await expect(page.getByText('1-minute boil, remaining')).toBeVisible();
  await evening.skip(1.05);
  await expect(evening.whatNow).toContainText('the time is up');
  await page.getByRole('button', { name: /^Finish cooking/ }).click();
  await evening.jar('340 g', 6, /^The jars went through 15 min/);
  await evening.station('Plan');
  await evening.tick(/^Done: lift the jars out/);
  const [minute, done] = ['minute', 'done'].map((type) =>
    log(id).then((events) => Date.parse(events.find((event) => event.type === type)?.at ?? '')),
  );
  expect(((await done) ?? 0) - ((await minute) ?? 0)).toBeGreaterThanOrEqual(60_000);
});

test('a slow butter: hours on a low flame, put off overnight in the fridge, finished by weight and looks', async ({
  page,
}) => {
  const evening = await Evening.begin(page, kettle, '2026-10-03T09:00:00.000Z');
  await page.goto(kettle.address);
  const id = await layOut(page, 'Pear butter', [
    '2 kg pears, chopped',
    '200 ml water',
    '200 g sugar',
    '70 ml bottled lemon juice',
  ]);
  await page.getByLabel('Kind').selectOption('Fruit butter');
  await page.getByRole('link', { name: 'Plan it' }).click();
  await evening.tick(/^Done: wash and chop/);
  await evening.tick(/^Done: clear the kitchen/);
  await evening.station('Boil');
  await evening.light('scale');
  await evening.skip(60);
  await expect(page.getByLabel(/^Time left: /)).toHaveText(/h$|min$/);
  await evening.followUntil(/Stir/, 30, 120);
  await evening.whatNow.getByRole('button', { name: 'Stirred' }).click();
  await page.getByRole('button', { name: 'Pause…' }).click();
  await page.getByRole('button', { name: 'In the fridge, overnight' }).click();
  await expect(evening.whatNow).toContainText('Rewarm it slowly');
  await evening.skip(22 * 60);
  await page.getByRole('button', { name: 'Back on the heat' }).click();
  await evening.followUntil(/It is done/, 15, 24 * 60);
  await page.getByRole('button', { name: /^Thickness/ }).click();
  await page.getByRole('button', { name: 'mounds, no ring' }).click();
  await page.getByRole('button', { name: /^Finish cooking/ }).click();
  await expect(panel(page).getByRole('region', { name: /^Storage: Shelf/ })).toBeVisible();
  await evening.jar('340 g', 2, /^The jars went through \d+ min/);
  await evening.station('Plan');
  await evening.tick(/^Done: lift the jars out/);
  expect((await log(id)).filter(({ type }) => type === 'weighed').length).toBeGreaterThan(20);
});

test('a curd: whisked over water to its finish, never to where it curdles, and into the fridge', async ({
  page,
}) => {
  const evening = await Evening.begin(page, kettle, '2026-10-05T16:00:00.000Z');
  await page.goto(kettle.address);
  await layOut(page, 'Passion fruit curd', [
    '180 g passion fruit puree',
    '60 ml bottled lemon juice',
    '230 g sugar',
    '3 eggs',
    '3 egg yolks',
    '120 g butter',
  ]);
  await page.getByLabel('Kind').selectOption('Curd');
  await page.getByRole('link', { name: 'Plan it' }).click();
  await evening.tick(/^Done: let the eggs/);
  await evening.tick(/^Done: clear the kitchen/);
  await evening.station('Boil');
  await evening.light();
  await expect(evening.whatNow).toContainText('Whisk constantly');
  await expect(page.getByText(/it curdles from 8\d/)).toBeVisible();
  await evening.followUntil(/It is done/, evening.watchCurd, 90);
  await page.getByRole('button', { name: /^Finish cooking/ }).click();
  await expect(panel(page).getByRole('region', { name: /^Storage: Refrigerate/ })).toBeVisible();
  await evening.jar('340 g', 2, undefined);
  await evening.station('Plan');
  await evening.tick(/^Done: close the jars/);
});

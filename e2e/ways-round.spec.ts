import { randomUUID } from 'node:crypto';
import { expect, test, type Page } from '@playwright/test';
import { panel } from './support/bench.js';
import { Evening } from './support/evening.js';
import { KettleServer } from './support/kettle-server.js';

/*
 * Ways in which jars that must not be on the shelf once got there, walked through the interface.
 */
let kettle: KettleServer;
test.beforeAll(async () => {
  kettle = await KettleServer.begin('ways_round', { altitude_m: 1180, clocked: true });
});
test.afterAll(() => kettle.end());

const FROM = '2026-09-12T18:00:00.000Z';
const HOUR = 60;
const DAMSON = [
  { ingredient: 'damson', amount: '2.4 kg' },
  { ingredient: 'white-sugar', amount: '2.2 kg' },
];
const APRICOT = [
  { ingredient: 'apricot', amount: '1.6 kg' },
  { ingredient: 'white-sugar', amount: '1.2 kg' },
];

/** A batch that was read, cooked and filled by 18:00, with what else its log says. */
async function filled(
  title: string,
  lines: readonly object[],
  ...more: readonly (readonly [minutes: number, type: string, body: object])[]
): Promise<string> {
  const id = randomUUID();
  const document = {
    format: 'idle-kettle/formula',
    version: 1,
    title,
    kind: 'jam',
    method: 'long-boil',
    finish: { type: 'gel-temperature' },
    jars: [{ size: '340-g' }],
    lines,
  };
  await kettle.put(`/api/batches/${id}`, { document, revision: 0 });
  const entries = [
    [-60, 'light', { gelTemperature_C: 100.5, boilingPoint_C: 96.1, altitude_m: 1180 }],
    [-22, 'reading', { temperature_C: 100.4 }],
    [-20, 'done', {}],
    [-10, 'formula-filled', { document }],
    [-10, 'jarred', { jars: [{ size: '340-g', full: 7, part: 0 }] }],
    ...more,
  ] as const;
  const events = entries.map(([minutes, type, body]) => ({
    id: randomUUID(),
    type,
    at: new Date(Date.parse(FROM) + minutes * 60_000).toISOString(),
    device: 'bench',
    body,
  }));
  const { ok } = await fetch(`${kettle.address}/api/batches/${id}/events`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: kettle.address },
    body: JSON.stringify({ events }),
  });
  expect(ok).toBe(true);
  return id;
}
const PROCESSED = [
  5,
  'processed',
  { method: 'boiling-water', minutes: 15, altitude_m: 1180, startedAt: '2026-09-12T17:50:00.000Z' },
] as const;
const at = (page: Page, id: string, station: string) =>
  page.goto(`${kettle.address}/batches/${id}/${station}`);
const keeping = (page: Page, word: string) =>
  panel(page).getByRole('region', { name: new RegExp(`^Storage: ${word}`) });
const startClock = (page: Page) =>
  page.getByRole('button', { name: /full rolling boil: start the 15 min/ });

test('a finished batch whose formula is edited keeps what was in its jars', async ({ page }) => {
  const evening = await Evening.begin(page, kettle, FROM);
  const id = await filled('Apricot jam', APRICOT, PROCESSED);
  await evening.skip(30);
  await at(page, id, 'balance');
  await expect(page.getByText('Its jars are filled')).toBeVisible();
  await expect(keeping(page, 'Refrigerate')).toContainText(/highest likely pH/);
  await page.getByLabel('New line: amount and ingredient').fill('150 ml bottled lemon juice');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Amount of lemon juice, bottled')).toBeVisible();
  await expect(keeping(page, 'Refrigerate')).toBeVisible();
  await at(page, id, 'jar');
  await expect(keeping(page, 'Refrigerate')).toBeVisible();
  await expect(page.getByText('Processed: for the shelf')).toHaveCount(0);
});

test('lemon logged after the jars were filled changes nothing; melon does', async ({ page }) => {
  const evening = await Evening.begin(page, kettle, FROM);
  const id = await filled('Late lemon', APRICOT, PROCESSED);
  await evening.skip(30);
  await at(page, id, 'boil');
  const add = async (text: string): Promise<void> => {
    await page.getByRole('button', { name: /^I added/ }).click();
    await page.getByPlaceholder('1 tbsp lemon juice').fill(text);
    await page.keyboard.press('Enter');
    await expect(
      page.getByRole('region', { name: 'Log' }).getByText(`Added: ${text}`),
    ).toBeVisible();
  };
  await add('150 ml bottled lemon juice');
  await expect(keeping(page, 'Refrigerate')).toContainText(/not acid enough|above 4.20/);
  const good = await filled('Honest melon', DAMSON, PROCESSED);
  await at(page, good, 'boil');
  await expect(keeping(page, 'Shelf')).toBeVisible();
  await add('1 kg cantaloupe');
  await expect(keeping(page, 'Refrigerate')).toContainText(/cantaloupe/);
});

test('a process begun hours after the jars were filled is none', async ({ page }) => {
  const evening = await Evening.begin(page, kettle, FROM);
  const id = await filled('Late process', DAMSON);
  await evening.skip(5 * HOUR);
  await at(page, id, 'jar');
  await startClock(page).click();
  await evening.skip(16);
  await page.getByRole('button', { name: 'The jars went through 15 min' }).click();
  await expect(page.getByText(/when they were no longer hot/).first()).toBeVisible();
  await expect(page.getByText('Processed: for the shelf')).toHaveCount(0);
  await expect(page.getByRole('button', { name: /^Put 7 .* in the fridge$/ })).toBeVisible();
});

test('a boil that stops starts from zero, and nothing can be recorded until then', async ({
  page,
}) => {
  const evening = await Evening.begin(page, kettle, FROM);
  const id = await filled('Lost boil', DAMSON);
  await evening.skip(1);
  await at(page, id, 'jar');
  await startClock(page).click();
  await evening.skip(10);
  await page.getByRole('button', { name: 'Boil stopped: restart the timer' }).click();
  await expect(page.getByText(/and from zero again/)).toBeVisible();
  await expect(page.getByRole('button', { name: /went through|Stopped early/ })).toHaveCount(0);
  await startClock(page).click();
  await evening.skip(3);
  await page.getByRole('button', { name: 'Stopped early, after 3 min' }).click();
  await expect(page.getByRole('heading', { name: /^Within 24 hours of filling/ })).toBeVisible();
  // Again in full, within the day: then it is for the shelf.
  await startClock(page).click();
  await evening.skip(16);
  await page.getByRole('button', { name: 'The jars went through 15 min' }).click();
  await expect(page.getByText('Processed: for the shelf')).toBeVisible();
});

test('looking at another kitchen leaves the minutes of a batch as they are', async ({ page }) => {
  const evening = await Evening.begin(page, kettle, FROM);
  const id = await filled('Damson at home', DAMSON);
  const [home] = await kettle.get<{ id: string }[]>('/api/kitchens');
  const seaside = randomUUID();
  await kettle.put(`/api/kitchens/${seaside}`, {
    name: 'Seaside',
    altitude_m: 5,
    boilingPoint_C: null,
    boilingPointMeasuredAt: null,
    units: 'metric',
    temperatureUnit: 'C',
  });
  await evening.skip(1);
  await page.goto(`${kettle.address}/kitchen`);
  await page.getByRole('button', { name: 'Seaside 5 m' }).click();
  await expect(page.getByLabel('Altitude', { exact: true })).toHaveValue('5 m');
  await at(page, id, 'jar');
  const process = page.getByRole('region', { name: 'Process', exact: true });
  await expect(process.getByText('15 min', { exact: true })).toBeVisible();
  await expect(process).toContainText('Made at 1180 m');
  await page.goto(`${kettle.address}/kitchen`);
  await page.getByRole('button', { name: /^Home 1180 m/ }).click();
  await expect(page.getByLabel('Altitude', { exact: true })).toHaveValue('1180 m');
  expect(home).toBeDefined();
});

test('an opened jar never comes back to the shelf, and shelving by mistake is taken back', async ({
  page,
}) => {
  const evening = await Evening.begin(page, kettle, FROM);
  const id = await filled('Opened jar', DAMSON, PROCESSED);
  await evening.skip(30);
  await at(page, id, 'jar');
  await page.getByRole('button', { name: 'Put 7 × 340 g jars on the shelf' }).click();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByText('No jars from this batch yet')).toBeVisible();
  await at(page, id, 'jar');
  await page.getByRole('button', { name: 'Put 7 × 340 g jars on the shelf' }).click();
  await expect(page.getByLabel('7 left')).toBeVisible();
  await page.getByRole('button', { name: 'Open one jar of Opened jar' }).click();
  await expect(page.getByLabel('6 left')).toBeVisible();
  await expect
    .poll(
      async () =>
        (await kettle.get<{ batchId: string; keptIn: string | null }[]>('/api/shelf')).filter(
          (lot) => lot.batchId === id && lot.keptIn === 'opened',
        ).length,
    )
    .toBe(1);
  const lots =
    await kettle.get<{ id: string; batchId: string; keptIn: string | null }[]>('/api/shelf');
  const opened = lots.find((lot) => lot.batchId === id && lot.keptIn === 'opened');
  const back = await fetch(`${kettle.address}/api/shelf/${opened?.id ?? ''}/transfers`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: kettle.address },
    body: JSON.stringify({
      id: randomUUID(),
      arrivalId: randomUUID(),
      to: randomUUID(),
      count: 1,
      keptIn: null,
      place: '',
      at: new Date(Date.parse(FROM) + 3_600_000).toISOString(),
    }),
  });
  expect(back.status).toBe(409);
});

test('a row of the process tables is checked against one’s own and signed', async ({ page }) => {
  await Evening.begin(page, kettle, FROM);
  await page.goto(`${kettle.address}/kitchen/tables`);
  const tables = page.getByRole('region', { name: 'Process tables' });
  await expect(tables).toContainText('0 of 9 rows are signed');
  await tables.getByRole('button', { name: /in my table for lemon curd/ }).click();
  await tables.getByLabel('checked against').fill('County tables, 2024, p. 3');
  await tables.getByLabel('by', { exact: true }).fill('Nell');
  await tables.getByRole('button', { name: 'Sign this row' }).click();
  await expect(tables).toContainText('1 of 9 rows are signed');
  await page.reload();
  await expect(
    tables.getByText(/Checked against County tables, 2024, p\. 3 on 12 Sep 2026 by Nell/),
  ).toBeVisible();
  await tables.getByRole('button', { name: 'Withdraw' }).click();
  await expect(tables).toContainText('0 of 9 rows are signed');
  // Any row of the other tables too: its table says so where it is looked up.
  const others = page.getByRole('region', { name: 'The other tables' });
  await others.getByText('Jar sizes').click();
  await others.getByRole('button', { name: 'It is the same in my table for 250 ml jar' }).click();
  await others.getByLabel('checked against').fill('measured with water');
  await others.getByLabel('by', { exact: true }).fill('Nell');
  await others.getByRole('button', { name: 'Sign this row' }).click();
  await expect(others.getByText(/^1 of \d+ signed/)).toBeVisible();
  await page.goto(`${kettle.address}/tables/jars`);
  await expect(page.getByRole('row', { name: /^250 ml jar .* Nell, 12 Sep 2026$/ })).toBeVisible();
});

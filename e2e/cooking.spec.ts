import { expect, test, type Page } from '@playwright/test';
import { layOut, panel, type StoredEvent } from './support/bench.js';
import { Evening } from './support/evening.js';
import { KettleServer } from './support/kettle-server.js';

/** Cooking as it is done, from typed lines to jars: stages, a crew, a night, a drip, a blender. */
let kettle: KettleServer;
test.beforeAll(async () => {
  kettle = await KettleServer.begin('cooking', { altitude_m: 1180, clocked: true });
});
test.afterAll(() => kettle.end());

const log = async (id: string): Promise<StoredEvent[]> =>
  (await kettle.get<{ events?: StoredEvent[] }>(`/api/batches/${id}/events`)).events ?? [];

/** Hours a text tells: "12 h", "4 to 6.5 h", "90 min" as their two ends. */
function hoursIn(text: string): readonly [least: number, most: number] {
  const [, from = '', to = from, unit = ''] =
    /([\d.]+)(?: to ([\d.]+))? (h|min)\b/.exec(text) ?? [];
  const inHours = (value: string): number => Number(value) / (unit === 'min' ? 60 : 1);
  return [inHours(from), inHours(to)];
}

/** What Balance says of the whole cook. */
async function cookOnBalance(page: Page): Promise<readonly [number, number]> {
  const told = page.getByRole('region', { name: 'Cooking' }).getByRole('status');
  await expect(told).toContainText(/In all [\d.]/);
  return hoursIn((await told.textContent()) ?? '');
}

/** The stages of the plan, their hours together. */
async function cookOnPlan(page: Page): Promise<readonly [number, number]> {
  const steps = page
    .getByRole('region', { name: 'Steps' })
    .getByRole('listitem')
    .filter({ hasText: /Cook it/ });
  await expect(steps.first()).toBeVisible();
  const texts = await steps.allTextContents();
  const spans = texts.map((text) =>
    hoursIn(/, ([\d.]+(?: to [\d.]+)? (?:h|min))/.exec(text)?.[1] ?? ''),
  );
  return [spans.reduce((sum, [a]) => sum + a, 0), spans.reduce((sum, [, b]) => sum + b, 0)];
}

/** Two spans that tell the same: they overlap, and their middles are near. */
function expectSame(one: readonly [number, number], other: readonly [number, number]): void {
  expect(one[0]).toBeLessThanOrEqual(other[1] + 0.5);
  expect(other[0]).toBeLessThanOrEqual(one[1] + 0.5);
}

const addStages = async (page: Page, text: string): Promise<void> => {
  await page.getByLabel('Add stages as a recipe says them').fill(text);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('listitem', { name: 'Stage 1' })).toBeVisible();
};

test('a closed slow cooker overnight, then the lid off', async ({ page }) => {
  const evening = await Evening.begin(page, kettle, '2026-10-03T20:00:00.000Z');
  await page.goto(kettle.address);
  const id = await layOut(page, 'Pear and quince butter', [
    '2.4 kg pears, chopped',
    '600 g quinces, chopped',
    '250 g sugar',
    '80 ml bottled lemon juice',
  ]);
  await page.getByLabel('Kind').selectOption('Fruit butter');
  await addStages(
    page,
    '10 hours in the slow cooker on low, lid on; blend; 2 hours on high, lid off',
  );
  const onBalance = await cookOnBalance(page);
  expect(onBalance).toEqual([12, 12]);
  await page.getByRole('link', { name: 'Plan it' }).click();
  expectSame(await cookOnPlan(page), onBalance);
  // Only a slow cooker goes on overnight, and it does.
  await expect(page.getByText('Falls in the night')).toHaveCount(0);
  await expect(page.getByRole('region', { name: 'Steps' })).toContainText('85 °C');
  await evening.tick(/^Done: clear the kitchen/);
  await evening.station('Boil');
  await page.getByRole('button', { name: 'Start cooking' }).click();
  await expect(page.getByRole('region', { name: 'Readings' })).toContainText('the whole cook 12 h');
  await expect(evening.whatNow).toContainText('It cooks by itself');
  await evening.skip(10 * 60 + 5);
  await expect(evening.whatNow).toContainText('Blend it');
  await expect(evening.whatNow).toContainText('a third at most');
  await page.getByRole('button', { name: 'full', exact: true }).click();
  await page.getByRole('button', { name: /^Start stage 2/ }).click();
  await evening.skip(2 * 60 + 5);
  await expect(evening.whatNow).toContainText('The time is up');
  await page.getByRole('button', { name: /^Finish cooking/ }).click();
  await expect(panel(page).getByRole('region', { name: /^Storage: Shelf/ })).toBeVisible();
  await evening.jar('340 g', 3, /^The jars went through \d+ min/);
  const types = (await log(id)).map(({ type }) => type);
  expect(types).toEqual(expect.arrayContaining(['light', 'depth', 'cooking', 'done', 'jarred']));
});

test('an outdoor kettle with a crew, sugared to taste', async ({ page }) => {
  const evening = await Evening.begin(page, kettle, '2026-10-10T07:00:00.000Z');
  await page.goto(kettle.address);
  await layOut(page, 'Plum butter for the street', [
    '24 kg plums, pitted',
    '3 l apple cider',
    'sugar to taste',
    '200 ml bottled lemon juice',
  ]);
  await page.getByLabel('Kind').selectOption('Fruit butter');
  await addStages(page, 'simmer outdoors, lid off, until it mounds');
  const onBalance = await cookOnBalance(page);
  expect(onBalance[0]).toBeGreaterThan(1);
  expect(onBalance[1]).toBeLessThan(30);
  // What is to taste is not known yet: no verdict rests on it.
  await expect(panel(page).getByRole('region', { name: /^Storage: Shelf/ })).toHaveCount(0);
  await page.getByRole('link', { name: 'Plan it' }).click();
  expectSame(await cookOnPlan(page), onBalance);
  await page.getByLabel(/people|people/).fill('4');
  await expect(page.getByText(/stirs/i).first()).toBeVisible();
  await expect(page.getByRole('region', { name: 'Steps' })).toContainText('never under a roof');
  await evening.station('Boil');
  await page.getByRole('button', { name: 'Start cooking' }).click();
  await evening.skip(180);
  await page.getByRole('button', { name: 'down a third' }).click();
  const ask = page.getByRole('region', { name: 'Ask ahead' });
  await ask.getByRole('button').first().click();
  await expect(ask.getByRole('status')).toContainText(/Until .*: [\d.]+ to [\d.]+ (?:h|min)/);
  await page.getByRole('button', { name: /^I added…/ }).click();
  await page.getByRole('textbox', { name: 'I added…' }).fill('3 kg sugar');
  await page.getByRole('button', { name: /^Log$|^more than it$/ }).click();
  // By degrees to taste: a tap a part, and their running sum.
  const sugar = page.getByRole('region', { name: 'Sugar so far' });
  await expect(sugar.getByRole('status')).toContainText('3.00 kg');
  await sugar.getByRole('button', { name: '+ 500 g' }).click();
  await expect(sugar.getByRole('status')).toContainText('3.50 kg in 2 parts');
  await expect(page.getByLabel('Jars to have ready')).toContainText(/\d+ to \d+ × 340 g jars/);
  await expect(
    page.getByRole('img', { name: /^What is in the pan: .* now.*1 measured$/ }),
  ).toBeVisible();
  await page.getByRole('button', { name: /^Thickness/ }).click();
  await page.getByRole('button', { name: 'mounds, no ring' }).click();
  await page.getByRole('button', { name: /^Finish cooking/ }).click();
  await expect(panel(page).getByRole('region', { name: /^Storage: Shelf/ })).toBeVisible();
  await evening.jar('340 g', 3, /^The jars went through \d+ min/);
});

test('a marmalade measured cup for cup after its night', async ({ page }) => {
  const evening = await Evening.begin(page, kettle, '2027-01-16T18:00:00.000Z');
  await page.goto(kettle.address);
  const id = await layOut(page, 'Bitter orange marmalade', [
    '1.1 kg bitter oranges, sliced',
    '2 l water',
    '1 cup sugar to each cup of the mixture',
  ]);
  await page.getByLabel('Kind').selectOption('Marmalade');
  await expect(page.getByText(/measure the mixture/i).first()).toBeVisible();
  await page.getByRole('link', { name: 'Plan it' }).click();
  await evening.tick(/^Done: wash and slice/);
  await evening.skip(14 * 60);
  await evening.tick(/^Done: soak the sliced peel/);
  await evening.tick(/^Done: simmer the peel/);
  await evening.station('Boil');
  await page.getByLabel('The mixture measures').fill('11 cups');
  await expect(page.getByRole('region', { name: 'The mixture' })).toContainText('2.20 kg');
  await evening.light('scale');
  await page.getByRole('button', { name: 'The sugar is in' }).first().click();
  await evening.followUntil(/test it/, 2, 180);
  await page.getByRole('button', { name: /^Off the heat/ }).click();
  await page.getByRole('button', { name: /^Set test/ }).click();
  await page.getByRole('button', { name: 'wrinkles' }).click();
  await page.getByRole('button', { name: /^Finish cooking/ }).click();
  await expect(panel(page).getByRole('region', { name: /^Storage: Shelf/ })).toBeVisible();
  await evening.jar('340 g', 3, /^The jars went through \d+ min/);
  expect((await log(id)).map(({ type }) => type)).toContain('sugar-in');
});

test('a jelly from fruit: simmered, dripped overnight, sugared cup for cup', async ({ page }) => {
  const evening = await Evening.begin(page, kettle, '2026-09-20T16:00:00.000Z');
  await page.goto(kettle.address);
  await layOut(page, 'Crab apple jelly', [
    '2.2 kg crab apples',
    '1.1 l water',
    '3/4 cup sugar to each cup of juice',
  ]);
  await page.getByLabel('Kind').selectOption('Jelly');
  await page
    .getByRole('navigation', { name: 'Stations of this batch' })
    .getByRole('link', { name: 'Fruit' })
    .click();
  await expect(page.getByLabel('Only its strained juice goes in')).toBeChecked();
  await expect(page.getByRole('region', { name: 'crab apples' })).toContainText(
    /gives about 1\.\d+ l/,
  );
  await evening.station('Plan');
  await evening.tick(/^Done: sort and wash the crab apples/);
  await evening.tick(/^Done: simmer the fruit/);
  await evening.skip(10 * 60);
  await evening.tick(/^Done: let it drip/);
  await evening.station('Boil');
  await evening.light();
  await evening.followUntil(/test it/, 2, 180);
  await page.getByRole('button', { name: /^Off the heat/ }).click();
  await page.getByRole('button', { name: /^Set test/ }).click();
  await page.getByRole('button', { name: 'wrinkles' }).click();
  await page.getByRole('button', { name: /^Finish cooking/ }).click();
  await expect(panel(page).getByRole('region', { name: /^Storage: Shelf/ })).toBeVisible();
  await evening.jar('340 g', 2, /^The jars went through \d+ min/);
});

test('a timed butter, blended and finished high', async ({ page }) => {
  const evening = await Evening.begin(page, kettle, '2026-10-17T08:00:00.000Z');
  await page.goto(kettle.address);
  await layOut(page, 'Plum butter', [
    '2 kg plums, pitted',
    'half the fruit’s weight in sugar',
    '60 ml bottled lemon juice',
    '1 tsp vanilla',
  ]);
  await page.getByLabel('Kind').selectOption('Fruit butter');
  await addStages(
    page,
    '1 hour at a simmer on the stove, lid ajar; blend; 40 min on high, lid off',
  );
  await page.getByLabel('When white sugar goes in').selectOption('stage 2');
  const onBalance = await cookOnBalance(page);
  await page.getByRole('link', { name: 'Plan it' }).click();
  expectSame(await cookOnPlan(page), onBalance);
  await expect(page.getByRole('region', { name: 'Steps' })).toContainText('needs watching');
  await evening.station('Boil');
  await page.getByRole('button', { name: 'Start cooking' }).click();
  await evening.skip(61);
  await expect(evening.whatNow).toContainText('Blend it');
  await expect(evening.whatNow).toContainText('with the white sugar');
  await page.getByRole('button', { name: /^Start stage 2/ }).click();
  // A named timer shows and rings on every screen.
  await page
    .getByRole('region', { name: 'New timer' })
    .getByRole('button', { name: '30 min' })
    .click();
  await page
    .getByRole('navigation', { name: 'Screens' })
    .getByRole('link', { name: 'Kitchen' })
    .click();
  await expect(page.getByRole('timer', { name: /Plum butter: rest/ })).toBeVisible();
  await evening.skip(31);
  await expect(page.getByRole('timer', { name: /Plum butter: rest/ })).toContainText('time is up');
  await page.getByRole('button', { name: /^Delete the timer/ }).click();
  await page.goBack();
  await evening.skip(10);
  await expect(evening.whatNow).toContainText('The time is up');
  await page.getByRole('button', { name: /^Finish cooking/ }).click();
  // What must not cook is asked for before the jars.
  await page.getByRole('button', { name: /vanilla.*: in$/ }).click();
  await evening.jar('340 g', 3, /^The jars went through \d+ min/);
});

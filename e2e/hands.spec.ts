import { expect, test, type Locator, type Page } from '@playwright/test';
import { layOut } from './support/bench.js';
import { Evening } from './support/evening.js';
import { KettleServer } from './support/kettle-server.js';

let kettle: KettleServer;
test.beforeAll(async () => {
  kettle = await KettleServer.begin('hands', { altitude_m: 1180, clocked: true });
});
test.afterAll(() => kettle.end());

/** A thumb moves the page by so much of its height in one swipe. */
const SWIPE_SHARE = 0.75;

/** A thumb: what it taps and how often it has to swipe before. */
class Thumb {
  taps = 0;
  swipes = 0;
  constructor(private readonly page: Page) {}

  async tap(target: Locator): Promise<void> {
    await expect(target).toBeVisible();
    await expect(target).toBeEnabled();
    const way = await target.evaluate((element) => {
      const { top, bottom } = element.getBoundingClientRect();
      const [from, to] = [60, innerHeight - 80];
      if (top < from) return from - top;
      return bottom > to ? bottom - to : 0;
    });
    const height = this.page.viewportSize()?.height ?? 844;
    this.swipes += Math.ceil(way / (height * SWIPE_SHARE));
    this.taps += 1;
    await target.tap();
  }
}

const RECIPE = `Damson jam
2.4 kg damsons, pitted
300 ml water
2.2 kg sugar
2 tbsp bottled lemon juice
Simmer the damsons in the water until soft. Add the sugar and boil to the setting point.`;

test('with a thumb on a phone: from a pasted recipe to a gift in at most 20 taps and 8 swipes', async ({
  browser,
}) => {
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
    reducedMotion: 'reduce',
  });
  const page = await context.newPage();
  try {
    const evening = await Evening.begin(page, kettle, '2026-09-12T15:00:00.000Z');
    const thumb = new Thumb(page);
    await page.goto(`${kettle.address}/quick`);
    const paste = page.getByRole('textbox').first();
    await thumb.tap(paste);
    await paste.fill(RECIPE);
    await thumb.tap(page.getByRole('button', { name: 'Make it a batch' }));
    await thumb.tap(page.getByRole('link', { name: 'Start cooking' }));
    await thumb.tap(page.getByRole('button', { name: 'Start cooking' }));
    await evening.skip(40);
    for (let i = 0; i < 3; i++)
      await thumb.tap(page.getByRole('button', { name: 'Higher values' }));
    await thumb.tap(page.getByRole('button', { name: /^Reading 100\.\d degrees/ }).first());
    await thumb.tap(page.getByRole('button', { name: /^Finish cooking/ }));
    await thumb.tap(page.getByRole('link', { name: 'To the jars' }));
    const count = page.getByRole('textbox', { name: /filled$/ }).first();
    await thumb.tap(count);
    await count.fill('8');
    await page.keyboard.press('Enter');
    await evening.skip(5);
    await thumb.tap(page.getByRole('button', { name: /full rolling boil: start the \d+ min$/ }));
    await evening.skip(21);
    await thumb.tap(page.getByRole('button', { name: /^The jars went through/ }));
    await thumb.tap(page.getByRole('button', { name: /^Put .* on the shelf$/ }));
    await thumb.tap(page.getByRole('button', { name: /^Give one jar of/ }).first());
    await expect(page.getByText(/given away/).first()).toBeVisible();
    expect(thumb.taps).toBeLessThanOrEqual(20);
    expect(thumb.swipes).toBeLessThanOrEqual(8);
    process.stdout.write(`paste to gift: ${thumb.taps} taps, ${thumb.swipes} swipes\n`);
  } finally {
    await context.close();
  }
});

test('by keyboard: Plan to the heat in 6 keys, jars counted and processing started in 6', async ({
  page,
}) => {
  await page.goto(kettle.address);
  const id = await layOut(page, 'Damson jam', ['2.4 kg damsons', '300 ml water', '2.2 kg sugar']);
  await page.goto(`${kettle.address}/batches/${id}/plan`);
  await expect(page.getByText('Equipment')).toBeVisible();
  let keys = 0;
  const press = async (key: string): Promise<void> => {
    keys += 1;
    await page.keyboard.press(key);
  };
  await press('Alt+c');
  await expect(page.getByText('It burns at over 104 °C')).toBeVisible();
  await press('Alt+c');
  await expect(page.getByRole('timer').first()).toBeVisible();
  expect(keys).toBeLessThanOrEqual(6);

  await page.getByRole('button', { name: /^Finish cooking/ }).click();
  await page.getByRole('link', { name: 'To the jars' }).click();
  await expect(page.getByRole('textbox', { name: /filled$/ })).toBeVisible();
  keys = 0;
  await press('Alt+j');
  await press('8');
  await press('Enter');
  await expect(page.getByRole('button', { name: /full rolling boil: start/ })).toBeVisible();
  await press('Alt+p');
  await expect(page.getByRole('group', { name: 'Clock of the process' })).toContainText(
    'remaining',
  );
  expect(keys).toBeLessThanOrEqual(6);
});

test('a new household: from the first screen to a real balance within a dozen actions', async ({
  browser,
}) => {
  const fresh = await KettleServer.begin('hands_fresh');
  const context = await browser.newContext({ locale: 'en-US' });
  const page = await context.newPage();
  try {
    await page.goto(fresh.address);
    let actions = 0;
    const act = async (what: () => Promise<unknown>): Promise<void> => {
      actions += 1;
      await what();
    };
    // Taken from the browser, and shown to confirm.
    await expect(page.getByRole('radio', { name: 'pounds and US cups' })).toBeChecked();
    await expect(page.getByRole('radio', { name: 'degrees Fahrenheit' })).toBeChecked();
    const altitude = page.getByLabel('Altitude');
    await act(() => altitude.fill('3870 ft'));
    await expect(page.getByText(/long boil stops at 21\d\.\d °F.*processed 15 min/)).toBeVisible();
    await act(() => page.getByRole('button', { name: 'Save', exact: true }).click());
    await expect(page.getByText('Kitchen saved')).toBeVisible();
    await act(() => page.getByRole('button', { name: /^quinces/ }).click());
    await act(() => page.getByRole('button', { name: /^Start with Quince conserve/ }).click());
    const panel = page.getByRole('complementary', { name: 'What will come out' });
    await expect(panel.getByRole('region', { name: /^Yield:/ })).toBeVisible();
    await expect(panel.getByRole('region', { name: /^Storage: Shelf/ })).toBeVisible();
    expect(actions).toBeLessThanOrEqual(12);
  } finally {
    await context.close();
    await fresh.end();
  }
});

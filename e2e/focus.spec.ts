import { expect, test, type Locator, type Page } from '@playwright/test';
import { layOut, panel } from './support/bench.js';
import { Evening } from './support/evening.js';
import { KettleServer } from './support/kettle-server.js';

let kettle: KettleServer;
test.beforeAll(async () => {
  kettle = await KettleServer.begin('focus', { altitude_m: 1180, clocked: true });
});
test.afterAll(() => kettle.end());

/** Presses a button by key, as somebody does who works by ear; the focus has to stay somewhere. */
async function pressAndStay(page: Page, button: Locator, what: string): Promise<void> {
  await expect(button).toBeEnabled();
  await button.focus();
  await page.keyboard.press('Enter');
  await expect
    .poll(() => page.evaluate(() => document.activeElement?.tagName ?? 'BODY'), {
      message: `the focus after: ${what}`,
    })
    .not.toBe('BODY');
}

test('the focus never falls to the body: on heat, test, addition, done, process, remedy, shelf, give, a line deleted', async ({
  page,
}) => {
  const evening = await Evening.begin(page, kettle, '2026-09-12T15:00:00.000Z');
  const button = (name: RegExp | string): Locator => page.getByRole('button', { name }).first();
  await page.goto(kettle.address);
  await layOut(page, 'Apricot jam', ['1.6 kg apricots', '1.3 kg sugar', '1 tsp vanilla extract']);
  await pressAndStay(page, button(/^Delete vanilla/), 'deleting a line');
  const remedy = panel(page)
    .getByRole('button', { name: /lemon juice/ })
    .first();
  await pressAndStay(page, remedy, 'a remedy');
  await page.getByRole('link', { name: 'Start cooking' }).click();
  await pressAndStay(page, button('Start cooking'), 'on the heat');
  await evening.skip(30);
  await page.getByLabel('or type it').fill('100.4');
  await page.keyboard.press('Enter');
  await button(/^Set test/).focus();
  await page.keyboard.press('Enter');
  await pressAndStay(page, button('wrinkles'), 'a set test');
  await button(/^I added/).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('textbox', { name: 'I added…' }).fill('1 tbsp rum');
  await page.keyboard.press('Enter');
  await expect.poll(() => page.evaluate(() => document.activeElement?.tagName)).not.toBe('BODY');
  await pressAndStay(page, button(/^Finish cooking/), 'cooking finished');
  await page.getByRole('link', { name: 'To the jars' }).click();
  await page
    .getByRole('textbox', { name: /filled$/ })
    .first()
    .fill('6');
  await page.keyboard.press('Enter');
  await pressAndStay(page, button(/full rolling boil: start/), 'processing started');
  await evening.skip(22);
  await pressAndStay(page, button(/^The jars went through/), 'processing recorded');
  await pressAndStay(page, button(/^Put .* (?:on the shelf|in the fridge)$/), 'put on the shelf');
  await pressAndStay(page, button(/^Give one jar of/), 'given away');
});

test('Search opens with the cursor in its field; what is typed while it is fetched is not lost', async ({
  page,
}) => {
  let release = (): void => undefined;
  const held = new Promise<void>((resolve) => (release = resolve));
  await page.route(/\/palette-[^/]*\.js$/, async (route) => {
    await held;
    await route.continue();
  });
  await page.goto(kettle.address);
  await expect(page.getByRole('button', { name: 'Search' })).toBeVisible();
  await page.keyboard.press('Control+k');
  // A question mark behind it would show the keys, and a slash another search.
  await page.keyboard.type('what? a/b');
  const dialog = page.getByRole('dialog', { name: 'Search' });
  await expect(dialog.locator('input')).toHaveValue('what? a/b');
  await expect(page.getByRole('region', { name: 'Keys' })).toBeHidden();
  release();
  const field = dialog.getByRole('combobox');
  await expect(field).toBeFocused();
  await page.keyboard.type(' and on');
  await expect(field).toHaveValue('what? a/b and on');
  await page.keyboard.press('Escape');
  await expect(dialog).toBeHidden();
  // Fetched by now: the cursor is there at once.
  await page.keyboard.press('Control+k');
  await page.keyboard.type('quince');
  await expect(field).toHaveValue('quince');
});

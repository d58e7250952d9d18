import { expect, test } from '@playwright/test';
import { layOut, panel } from './support/bench.js';
import { KettleServer } from './support/kettle-server.js';

let kettle: KettleServer;
test.beforeAll(async () => {
  kettle = await KettleServer.begin('bad', { altitude_m: 1180 });
});
test.afterAll(() => kettle.end());

test('what cannot be understood is named at its line, stays as typed, and the rest is computed', async ({
  page,
}) => {
  await page.goto(kettle.address);
  await layOut(page, 'Odd jam', ['2 kg plums', '1.8 kg sugar']);
  const yieldLine = panel(page).getByRole('region', { name: /^Yield/ });
  await expect(yieldLine).toBeVisible();

  for (const [amount, message] of [
    ['2 cupz', /unknown unit "cupz"; did you mean "cups"\?/],
    ['-3 kg', /below zero/],
    ['1000 kg', /more than any kitchen boils at once/],
    ['lots', /does not begin with a number/],
    ['', /No amount;/],
  ] as const) {
    const field = page.getByLabel('Amount of white sugar');
    await field.fill(amount);
    await expect(page.getByText(message).first()).toBeVisible();
    await expect(field).toHaveAttribute('aria-invalid', 'true');
    await expect(field).toHaveValue(amount);
    await expect(yieldLine).toBeVisible();
  }
  await page.getByLabel('Amount of white sugar').fill('1.8 kg');

  // A clear slip of the pen is taken; one that could be more is asked about.
  await page.getByLabel('New line: amount and ingredient').fill('150 g rasberries');
  await page.getByLabel('New line: amount and ingredient').press('Enter');
  await expect(page.getByLabel('Amount of raspberries')).toHaveValue('150 g');

  await page.getByLabel('New line: amount and ingredient').fill('200 g blakcurans');
  await page.getByLabel('New line: amount and ingredient').press('Enter');
  await expect(page.getByText('unknown ingredient "blakcurans"').first()).toBeVisible();
  await page.getByRole('button', { name: 'Use blackcurrants' }).click();
  await expect(page.getByLabel('Amount of blackcurrants')).toHaveValue('200 g');
  await expect(page.getByText('unknown ingredient')).toBeHidden();

  await page.getByLabel('New line: amount and ingredient').fill('<img src=x onerror=alert(1)>');
  await page.getByLabel('New line: amount and ingredient').press('Enter');
  await expect(page.getByLabel('Ingredient 5')).toHaveValue('<img src=x onerror=alert(1)>');
  await page.reload();
  await expect(page.getByLabel('Ingredient 5')).toHaveValue('<img src=x onerror=alert(1)>');
  await expect(page.locator('main')).not.toContainText('NaN');
});

test('sugar past the finish, no fruit, an empty pan: said in the panel', async ({ page }) => {
  await page.goto(kettle.address);
  await layOut(page, 'Candy', ['200 g pears', '2 kg sugar']);
  await expect(panel(page).getByText('Too much sugar for the water')).toBeVisible();
  await page.getByRole('button', { name: 'Delete pears' }).click();
  await expect(panel(page).getByText(/Too much sugar|No fruit in the pan/)).toBeVisible();
  await page.getByRole('button', { name: 'Delete white sugar' }).click();
  await expect(panel(page).getByText('The pan is empty')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByLabel('Amount of pears, peeled and cored')).toHaveValue('200 g');
});

test('a kitchen at 12,000 m or in words is refused at the field, and what was typed stays', async ({
  page,
}) => {
  await page.goto(`${kettle.address}/kitchen`);
  const altitude = page.getByLabel('Altitude', { exact: true });
  for (const [text, message] of [
    ['12,000 m', /Write a height from -430 to 5500 m/],
    ['up high', /"up high" is not a height/],
  ] as const) {
    await altitude.fill(text);
    await page.keyboard.press('Tab');
    await expect(page.getByText(message)).toBeVisible();
    await expect(altitude).toHaveValue(text);
  }
  await altitude.fill('1180 m');
  await page.getByLabel('Boiling water, on your thermometer').fill('37 °C');
  await expect(page.getByText(/Water does not boil this cool/)).toBeVisible();
  await page.getByLabel('Boiling water, on your thermometer').fill('90.5');
  await expect(page.getByText('Altitude and thermometer disagree')).toBeVisible();
});

test('a reading that no pan has is kept but set apart; one that is no number is not taken', async ({
  page,
}) => {
  await page.goto(kettle.address);
  await layOut(page, 'Gooseberry jam', ['1 kg gooseberries', '1 kg sugar', '200 ml water']);
  await page.getByRole('link', { name: 'Start cooking' }).click();
  await page.getByRole('button', { name: 'Start cooking' }).click();
  await page.getByLabel('or type it').fill('warm');
  await page.keyboard.press('Enter');
  await expect(
    page.getByRole('alert').filter({ hasText: '"warm" is not a temperature' }),
  ).toBeVisible();
  await expect(page.getByLabel('or type it')).toHaveValue('warm');
  await page.getByLabel('or type it').fill('212');
  await page.keyboard.press('Enter');
  await expect(
    page.getByText('Not counted: 212 °C is past toffee; was it °F (100.0 °C)?'),
  ).toBeVisible();
});

test('an address that is not there, and a batch that is not there, say so', async ({ page }) => {
  await page.goto(`${kettle.address}/cellar`);
  await expect(page.getByRole('heading', { name: 'No such page' })).toBeVisible();
  await page.goto(`${kettle.address}/batches/3f0f3c0a-0000-4000-8000-000000000000/balance`);
  await expect(page.getByRole('heading', { name: 'No such batch' })).toBeVisible();
});

test('a page of 160 kB pasted into Quick is read beside the page, which goes on answering', async ({
  page,
}) => {
  await page.goto(`${kettle.address}/quick`);
  const field = page.getByLabel('what goes in, a line each');
  const lines = Array.from(
    { length: 4000 },
    (_, i) => `${1 + (i % 9)} kg damsons, washed and pitted (${i})`,
  );
  // What holds the page up for long, as the browser counts it.
  await page.evaluate(() => {
    const held: number[] = [];
    new PerformanceObserver((list) =>
      held.push(...list.getEntries().map((each) => each.duration)),
    ).observe({ type: 'longtask' });
    Object.assign(window, { held });
  });
  // As a paste does it, in one go: typing so much would take the browser itself half a minute.
  await field.evaluate((element, text) => {
    const value = Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype, 'value');
    value?.set?.call(element, text);
    element.dispatchEvent(new Event('input', { bubbles: true }));
  }, lines.join('\n'));
  await expect(page.getByText('Reading …')).toBeVisible();
  await expect(page.getByText('How it was read')).toBeVisible({ timeout: 60_000 });
  await expect(page.getByRole('button', { name: /^Show 200 more of \d+ lines$/ })).toBeVisible();
  const longest = await page.evaluate(() =>
    Math.max(0, ...(window as unknown as { held: number[] }).held),
  );
  // Read in the page it was held up for seconds; drawing two hundred lines takes some hundredths.
  expect(longest).toBeLessThan(1500);
});

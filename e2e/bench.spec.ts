import { expect, test } from '@playwright/test';
import { layOut, panel } from './support/bench.js';
import { KettleServer } from './support/kettle-server.js';

let kettle: KettleServer;
test.beforeAll(async () => {
  kettle = await KettleServer.begin('bench', { altitude_m: 1180 });
});
test.afterAll(() => kettle.end());
test.beforeEach(async ({ page }) => {
  await page.goto(kettle.address);
});

test('a formula is made to fit jars, the fruit on the table or the pan, and back', async ({
  page,
}) => {
  await layOut(page, 'Damson jam', ['2.4 kg damsons', '300 ml water', '2.2 kg sugar']);
  const fit = page.getByLabel('Make it fit');
  await fit.fill('all 3.1 kg');
  await page.getByRole('button', { name: 'Everything × 1.29' }).click();
  await expect(page.getByLabel('Amount of damsons, pitted')).toHaveValue('3.1 kg');
  await expect(page.getByLabel('Amount of white sugar')).toHaveValue('2.84 kg');
  await fit.fill('12 half-pints');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Jar size 1')).toHaveValue('half-pint');
  await expect(
    panel(page).getByRole('region', {
      name: /^Yield: (about 12|12|11¾|12¼), 1[01]\.\d to 1[23]\.\d half-pints$/,
    }),
  ).toBeVisible();
  await fit.fill('2 kg cherries');
  await expect(page.getByText('There is no sweet cherry in the pan')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(page.getByLabel('Amount of damsons, pitted')).toHaveValue('3.1 kg');
});

test('what is known of a fruit counts for the set, and never makes the storage kinder', async ({
  page,
}) => {
  await layOut(page, 'Plum jam', ['2 kg plums', '1.8 kg sugar']);
  const keeping = panel(page).getByRole('region', { name: /^Storage: Shelf/ });
  await expect(keeping).toContainText(/highest likely pH (3.9|4.0)/);
  await page.getByRole('button', { name: 'More about plums' }).click();
  await page.getByLabel('ripeness').selectOption('under-ripe');
  await expect(panel(page).getByRole('region', { name: /^Firmness: (firm|medium)/ })).toBeVisible();
  await page.getByLabel('pH', { exact: true }).fill('3.0');
  await expect(keeping).toContainText(/highest likely pH (3.9|4.0)/);
  await page.getByLabel('pH', { exact: true }).fill('4.9');
  await expect(
    panel(page).getByRole('region', { name: 'Storage: Refrigerate, not for the shelf' }),
  ).toBeVisible();
});

test('a low-acid pan comes to the shelf by a tested formula, whole and of this pan, which any edit voids', async ({
  page,
}) => {
  await layOut(page, 'Tomato jam', ['2 kg tomatoes', '1.2 kg sugar', '60 ml bottled lemon juice']);
  const ways = page.getByRole('region', { name: 'Ways to the shelf' });
  const shelf = panel(page).getByRole('region', { name: /^Storage: Shelf/ });
  const fridge = panel(page).getByRole('region', { name: /^Storage: Refrigerate/ });
  await expect(fridge).toBeVisible();
  await expect(ways.getByText(/within two days log what a pH meter shows/)).toBeVisible();

  const attest = ways.getByRole('button', { name: 'I attest it' });
  await ways.getByLabel('title').fill('Tomato spreads');
  await ways.getByLabel('year').fill('2015');
  await ways.getByLabel('page or address').fill('p. 4');
  await ways.getByLabel('its minutes').fill('25');
  await ways.getByLabel('I make it exactly as published').check();
  await ways.getByLabel('tested by').selectOption('other');
  await expect(ways.getByText(/it never makes this pan fit for the shelf/)).toBeVisible();
  await expect(attest).toBeDisabled();
  await ways.getByLabel('tested by').selectOption('extension-service');
  await attest.click();
  // The longer of its minutes and ours.
  await expect(shelf).toHaveAccessibleName('Storage: Shelf, if processed 25 min in boiling water');
  await page.getByLabel('Amount of white sugar').fill('1 kg');
  await expect(fridge).toBeVisible();
  await expect(ways.getByText(/the formula was edited after it was attested/)).toBeVisible();
});

test('the gel map tells where the pan stands', async ({ page }) => {
  await layOut(page, 'Quince jam', ['1.4 kg quinces', '900 ml water', '1.2 kg sugar']);
  await expect(
    page.getByRole('img', {
      name: /^At 6\d % soluble solids and pH 3\.\d the set is (good|firm)$/,
    }),
  ).toBeVisible();
  await page.getByLabel('Kind').selectOption('Fruit butter');
  await expect(page.getByRole('region', { name: 'Gel map' })).toHaveCount(0);
});

test('a fruit is swapped for another with its effect said first, and a line goes up', async ({
  page,
}) => {
  await layOut(page, 'Berry jam', ['1 kg blackcurrants', '900 g sugar', '300 ml water']);
  await page.getByRole('button', { name: 'More about blackcurrants' }).click();
  await page.getByLabel('swap for').fill('cantaloupe');
  await expect(page.getByText(/^storage shelf → refrigerate, pH/)).toBeVisible();
  await page.getByLabel('swap for').fill('raspberries');
  await page.getByRole('button', { name: 'Swap' }).click();
  await expect(page.getByLabel('Amount of raspberries')).toHaveValue('1 kg');
  await page.getByRole('button', { name: 'Move down' }).click();
  await expect(page.getByLabel('Ingredient 1')).toHaveValue('white sugar');
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(page.getByLabel('Amount of blackcurrants')).toHaveValue('1 kg');
});

test('at the fruit: bought and prepared weight, and the pectin test counts for the set', async ({
  page,
}) => {
  await layOut(page, 'Pear and quince jam', ['900 g sugar', '400 ml water']);
  await page
    .getByRole('navigation', { name: 'Stations of this batch' })
    .getByRole('link', { name: 'Fruit' })
    .click();
  await expect(page.getByText('Before it is weighed')).toBeVisible();
  await page.getByLabel('New line: amount and ingredient').fill('1.4 kg quinces');
  await page.keyboard.press('Enter');
  const card = page.getByRole('region', { name: /^quinces/ });
  await expect(card.getByText(/^Buy about/)).toBeVisible();
  await card.getByLabel('form').selectOption('as-bought');
  await expect(card.getByText(/^Gives about/)).toBeVisible();
  await card.getByLabel('weighed after preparing').fill('1.05 kg');
  await card.getByRole('button', { name: 'Use it' }).click();
  await expect(page.getByRole('heading', { name: /^1.05 kg quinces/ })).toBeVisible();
  await expect(page.getByText('Poison: never taste it')).toBeVisible();
  const set = panel(page).getByRole('region', { name: /^Firmness:/ });
  await page.getByRole('radio', { name: 'nothing: little' }).click();
  await expect(set).toHaveAccessibleName(/^Firmness: (runny|soft)/);
  await page.getByRole('radio', { name: 'one solid lump: plenty' }).click();
  await expect(set).toHaveAccessibleName(/^Firmness: (medium|firm)/);
  await page.getByRole('link', { name: 'To the balance' }).click();
  await expect(page.getByLabel(/^Amount of quinces/)).toHaveValue('1.05 kg');
});

test('a hundred such pans are drawn beside the page; a long run can be stopped', async ({
  page,
}) => {
  await layOut(page, 'Plum jam', ['2 kg plums', '1.8 kg sugar']);
  await page.getByRole('tab', { name: 'Confidence' }).click();
  const sure = page.getByRole('region', { name: 'Confidence' });
  await expect(sure.getByText(/\d+ medium/)).toBeVisible();
  await expect(sure.getByText(/jars hot are enough in 95 of them/)).toBeVisible();
  await expect(sure.getByText(/Stop by the weight of the pan/)).toBeVisible();
  await sure.getByRole('button', { name: 'Run 100,000 simulations' }).click();
  await expect(sure.getByRole('progressbar')).toBeVisible();
  await page.getByLabel('Amount of white sugar').fill('1.9 kg');
  await expect(sure.getByText('2,000 simulations')).toBeVisible();
  await sure.getByRole('button', { name: 'Run 100,000 simulations' }).click();
  await sure.getByRole('button', { name: 'Stop' }).click();
  await expect(sure.getByText('Stopped.')).toBeVisible();
});

test('sliders solve for the lines: sharper by lemon, softer by where it is stopped, and one undo takes it back', async ({
  page,
}) => {
  await layOut(page, 'Damson jam', ['2.4 kg damsons', '300 ml water', '2.2 kg sugar']);
  await page.getByRole('tab', { name: 'Steer it' }).click();
  await page.getByRole('slider', { name: 'Acidity' }).fill('4.1');
  await expect(page.getByLabel('Amount of lemon juice, bottled')).toHaveValue(/ml$/);
  await expect(page.getByRole('slider', { name: 'Acidity' })).toHaveAttribute(
    'aria-valuetext',
    /sharp, pH 3.0/,
  );
  await page.getByRole('slider', { name: 'Sweetness' }).fill('0.6');
  await expect(page.getByLabel('Amount of white sugar')).toHaveValue(/^1\.4\d kg$/);
  await page.getByRole('slider', { name: 'Firmness' }).fill('0.7');
  await expect(panel(page).getByRole('region', { name: /^Firmness: soft/ })).toBeVisible();
  for (let i = 0; i < 3; i++) await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(page.getByLabel('Amount of lemon juice, bottled')).toHaveCount(0);
  await expect(page.getByLabel('Amount of white sugar')).toHaveValue('2.2 kg');
});

test('a slider touched the moment after a line was typed steers the formula with that line in it', async ({
  page,
}) => {
  await layOut(page, 'Damson jam', ['2.4 kg damsons', '300 ml water']);
  await page.getByRole('tab', { name: 'Steer it' }).click();
  await expect(page.getByRole('slider', { name: 'Acidity' })).toBeVisible();
  await page.getByLabel('New line: amount and ingredient').fill('2.2 kg sugar');
  await page.evaluate(async () => {
    document.querySelector<HTMLInputElement>('[data-shortcut="line"]')?.form?.requestSubmit();
    await new Promise((resolve) => setTimeout(resolve, 0));
    const range = document.querySelector<HTMLInputElement>('[aria-label="Acidity"]');
    Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set?.call(range, '4.1');
    range?.dispatchEvent(new Event('input', { bubbles: true }));
  });
  await expect(page.getByLabel('Amount of lemon juice, bottled')).toHaveValue(/ml$/);
  await expect(page.getByLabel('Amount of white sugar')).toHaveValue('2.2 kg');
});

import { expect, test, type Page } from '@playwright/test';
import { layOut, panel, setAltitude, typeReading } from './support/bench.js';
import { KettleServer } from './support/kettle-server.js';

let kettle: KettleServer;
test.beforeAll(async () => {
  kettle = await KettleServer.begin('keeping');
});
test.afterAll(() => kettle.end());

const keeping = (page: Page) => panel(page).getByRole('region', { name: /^Storage:/ });

test('without an altitude there is no process time; stating it gives one', async ({ page }) => {
  await page.goto(kettle.address);
  await layOut(page, 'Plum jam', ['2 kg plums', '1.8 kg sugar']);
  await expect(keeping(page)).toHaveAccessibleName('Storage: Refrigerate, not for the shelf');
  await expect(page.getByText(/\d+ min in (boiling water|steam)/)).toHaveCount(0);
  await panel(page).getByRole('link', { name: 'Enter your altitude' }).click();
  await setAltitude(page, '1180 m');
  await page.goBack();
  await expect(keeping(page)).toHaveAccessibleName(
    'Storage: Shelf, if processed 15 min in boiling water',
  );
});

test('too little acid: the remedy is computed, put in with one tap, and taken back', async ({
  page,
}) => {
  await page.goto(`${kettle.address}/kitchen`);
  await setAltitude(page, '1180 m');
  await layOut(page, 'Apricot jam', ['1.6 kg apricots', '1.3 kg sugar']);
  await expect(keeping(page)).toHaveAccessibleName('Storage: Refrigerate, not for the shelf');
  await expect(panel(page).getByText('Not acid enough for the shelf')).toBeVisible();
  await expect(
    panel(page).getByText(/storage refrigerate → shelf, pH \d\.\d → \d\.\d/),
  ).toBeVisible();
  await panel(page)
    .getByRole('button', { name: /^Add \d+ ml lemon juice, bottled$/ })
    .click();
  await expect(keeping(page)).toHaveAccessibleName(
    'Storage: Shelf, if processed 15 min in boiling water',
  );
  await expect(page.getByLabel('Amount of lemon juice, bottled')).toHaveValue(/^\d+ ml$/);
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect(keeping(page)).toHaveAccessibleName('Storage: Refrigerate, not for the shelf');
});

test('every kind and way is offered, and what is not for the shelf says so', async ({ page }) => {
  await page.goto(kettle.address);
  await layOut(page, 'Curd', [
    '60 ml bottled lemon juice',
    '180 g passion fruit puree',
    '230 g caster sugar',
    '3 eggs',
    '120 g butter',
  ]);
  await page.getByLabel('Kind').selectOption('Curd');
  await expect(page.getByText('stop at 76.7 °C').first()).toBeVisible();
  await expect(keeping(page)).toContainText('Only the published lemon or lime curd');
  await expect(
    page.getByText('Eggs: raw ones are brought to 77 °C (170 °F); allergen.'),
  ).toBeVisible();
  await expect(page.getByLabel('Kind').locator('option')).toHaveCount(9);
  await page.getByLabel('Kind').selectOption('Jam');
  await expect(page.getByLabel('Setting method').locator('option')).toHaveCount(5);
});

test('the verdict is of the batch as made: what goes in during the boil counts, on the shelf too', async ({
  page,
}) => {
  await page.goto(`${kettle.address}/kitchen`);
  await setAltitude(page, '1180 m');
  await layOut(page, 'Damson jam', ['2.4 kg damsons', '300 ml water', '2.2 kg sugar']);
  await page.getByRole('link', { name: 'Start cooking' }).click();
  await page.getByRole('button', { name: 'Start cooking' }).click();
  await typeReading(page, '98.4');
  await expect(keeping(page)).toHaveAccessibleName(
    'Storage: Shelf, if processed 15 min in boiling water',
  );
  await page.getByRole('button', { name: /^I added/ }).click();
  await page.getByPlaceholder('1 tbsp lemon juice').fill('700 g cantaloupe');
  await page.keyboard.press('Enter');
  await expect(keeping(page)).toHaveAccessibleName('Storage: Refrigerate, not for the shelf');
  await expect(keeping(page)).toContainText(/may reach pH 4.6/);
  await page.getByRole('button', { name: /^I added/ }).click();
  // By key: a second touch of the same spot within 0.6 s is no touch.
  await page.getByRole('button', { name: 'Left out: water' }).press('Enter');
  await expect(
    page.getByRole('region', { name: 'Log' }).getByText('Left out: water'),
  ).toBeVisible();
  await page.getByRole('button', { name: /^Finish cooking/ }).click();
  await page.getByRole('link', { name: 'To the jars' }).click();
  await page.getByRole('button', { name: 'One 340 g jar more' }).click();
  await expect(
    page.getByRole('heading', { name: /^Process them now, then refrigerate until a pH/ }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Put 1 × 340 g jar in the fridge' }).click();
  await expect(page.getByText(/^Refrigerate or freeze: /)).toBeVisible();
});

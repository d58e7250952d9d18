import { expect, test } from '@playwright/test';
import { layOut, panel } from './support/bench.js';
import { KettleServer } from './support/kettle-server.js';

let kettle: KettleServer;
test.beforeAll(async () => {
  kettle = await KettleServer.begin('library', { altitude_m: 1180 });
});
test.afterAll(() => kettle.end());
test.beforeEach(async ({ page }) => {
  await page.goto(`${kettle.address}/kitchen`);
});

test('an empty library begins with the starter set; it is searched, marked, put away and brought back', async ({
  page,
}) => {
  await page.getByRole('link', { name: 'Formulas' }).click();
  await page.getByRole('button', { name: 'Add starter formulas' }).click();
  const cards = page.getByRole('article');
  await expect(cards).toHaveCount(19);
  await page.getByLabel('Kind', { exact: true }).selectOption('Fruit butter');
  await expect(cards).toHaveCount(2);
  await page.getByLabel('Fruit', { exact: true }).selectOption('pears');
  await expect(cards).toHaveCount(1);
  await page.getByLabel('Storage').selectOption('refrigerate');
  await expect(page.getByText('No such formula')).toBeVisible();
  await page.getByRole('button', { name: 'Show them all' }).click();
  await page.getByRole('button', { name: 'Quince butter is a favourite' }).click();
  await page.getByRole('button', { name: 'favourites', exact: true }).click();
  await expect(cards).toHaveCount(1);
  await page.getByRole('link', { name: 'Quince butter' }).click();
  await page.getByRole('button', { name: 'Archive', exact: true }).click();
  await expect(page.getByText('“Quince butter” is archived')).toBeVisible();
  await expect(cards).toHaveCount(18);
  await page.getByRole('button', { name: 'archived', exact: true }).click();
  await cards.getByRole('button', { name: 'Unarchive' }).click();
  await page.getByRole('button', { name: 'archived', exact: true }).click();
  await expect(cards).toHaveCount(19);
});

test('a formula keeps its versions: what changed, side by side, and one brought back', async ({
  page,
}) => {
  await layOut(page, 'Damson and bay', ['2.4 kg damsons', '300 ml water', '2.2 kg sugar']);
  await page.getByRole('button', { name: 'Save as a formula' }).click();
  await expect(page.getByRole('button', { name: 'Saved as version 1' })).toBeDisabled();
  await page.getByLabel('Amount of white sugar').fill('1.6 kg');
  await page.getByRole('button', { name: 'Save as version 2' }).click();
  await expect(page.getByText('is saved as version 2')).toBeVisible();

  await page.getByLabel('Compare with a version').selectOption('version 1');
  const compare = page.getByRole('region', { name: 'Compare' });
  await expect(compare.getByRole('row', { name: /^goes in 4\.90 kg 4\.30 kg$/ })).toBeVisible();
  await expect(compare.getByText('White sugar 1.6 kg, before 2.2 kg.')).toBeVisible();

  await page.getByRole('link', { name: 'Formulas' }).click();
  await page.getByRole('link', { name: 'Damson and bay' }).click();
  const versions = page.getByRole('region', { name: 'Versions' });
  await expect(versions.getByRole('listitem')).toHaveCount(2);
  await expect(versions.getByText('White sugar 1.6 kg, before 2.2 kg.')).toBeVisible();
  await versions.getByRole('button', { name: 'Compare' }).click();
  await expect(
    page.getByRole('region', { name: 'Side by side' }).getByRole('row', { name: /^yield/ }),
  ).toBeVisible();
  await versions.getByRole('button', { name: 'Restore' }).click();
  await expect(page.getByText('Version 1 is back: version 3')).toBeVisible();
  await page.getByLabel('notes').fill('Bay leaves out before the jars <b>not bold</b>');
  await page.getByRole('button', { name: 'Save the notes' }).click();
  await expect(versions.getByRole('listitem')).toHaveCount(4);
  await page.getByRole('link', { name: 'Card to print' }).click();
  await expect(page.getByText('Bay leaves out before the jars <b>not bold</b>')).toBeVisible();
  await expect(page.getByText('15 min in boiling water, 3,001-6,000 ft')).toBeVisible();
});

test('a thermometer is checked in ice and at the boil, and where to stop allows for it', async ({
  page,
}) => {
  await page.getByRole('link', { name: 'Thermometers' }).click();
  const thermometers = page.getByRole('region', { name: 'Thermometers' });
  await thermometers.getByRole('button', { name: 'Add a thermometer' }).click();
  await thermometers.getByLabel('in ice it reads').fill('-0.4');
  await thermometers.getByLabel('in boiling water it reads').fill('203.9 F');
  await page.keyboard.press('Enter');
  await expect(thermometers.getByText(/It reads 0\.5° low at the boil/)).toBeVisible();
  await thermometers.getByRole('button', { name: 'Save and use it' }).click();
  await expect(page.getByText('is checked and in use')).toBeVisible();
  await page.getByRole('link', { name: 'Place and units' }).click();
  await expect(page.getByText('95.5 °C').first()).toBeVisible();
  await expect(page.getByText('99.9°')).toBeVisible();
  await page.getByRole('link', { name: 'Thermometers' }).click();
  await thermometers.getByLabel('in ice it reads').waitFor({ state: 'hidden' });
  await thermometers.getByRole('button', { name: 'Delete New thermometer' }).click();
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(thermometers.getByRole('listitem')).toHaveCount(1);
});

test('a measured jar, a pan too small and another place change what is expected', async ({
  page,
}) => {
  await page.getByRole('link', { name: 'Jars and canners' }).click();
  const jars = page.getByRole('region', { name: 'Jars' });
  await jars.getByLabel('add a size').selectOption('half-pints');
  await jars.getByLabel('holds, measured').fill('9 cups');
  await page.keyboard.press('Enter');
  await expect(jars.getByRole('alert')).toHaveText(/write 30.* ml to/);
  await jars.getByLabel('holds, measured').fill('260 ml');
  await page.keyboard.press('Enter');
  await page.getByRole('link', { name: 'Pans and burners' }).click();
  const pans = page.getByRole('region', { name: 'Pans and cookers' });
  await pans.getByRole('button', { name: 'Add a pan' }).click();
  await pans.getByLabel('to the brim').fill('5 l');
  await page.keyboard.press('Enter');
  await expect(pans.getByLabel('to the brim')).toHaveValue('5 l');
  await layOut(page, 'Damson jam', [
    '2.4 kg damsons',
    '300 ml water',
    '2.2 kg sugar',
    '2 tbsp bottled lemon juice',
  ]);
  await page.getByLabel('Jar size 1').selectOption('half-pint');
  await expect(
    panel(page).getByRole('region', { name: /^Yield: .* (11|12)\.\d half-pints$/ }),
  ).toBeVisible();
  await expect(
    panel(page).getByText(/in a 5\.0 l pan: foam rises three to four times/),
  ).toBeVisible();

  await page.getByRole('link', { name: 'Kitchen', exact: true }).click();
  await page.getByRole('button', { name: 'Another place' }).click();
  await expect(page.getByLabel('Name of the kitchen')).toHaveValue('New place');
  await page.getByLabel('Name of the kitchen').fill('The hut');
  await page.getByLabel('Altitude', { exact: true }).fill('2010 m');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('button', { name: 'The hut 2010 m' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await page.getByRole('button', { name: 'Home' }).click();
  await expect(page.getByLabel('Altitude', { exact: true })).toHaveValue('1180 m');
  await page.getByRole('button', { name: 'The hut' }).click();
  await page.getByRole('button', { name: 'Delete The hut' }).click();
  await expect(page.getByLabel('Name of the kitchen')).toHaveValue('Home');
});

test('what was left of bought fruit is learned from, and acid by taste asks for lemon', async ({
  page,
}) => {
  await layOut(page, 'Pear jam', ['2 kg pears as bought', '900 g sugar']);
  await page
    .getByRole('navigation', { name: 'Stations of this batch' })
    .getByRole('link', { name: 'Fruit' })
    .click();
  const card = page.getByRole('region', { name: /^pears/ });
  await card.getByLabel('weighed after preparing').fill('1.3 kg');
  await card.getByRole('button', { name: 'Use it' }).click();
  await expect(page.getByText('Saved for next time')).toBeVisible();
  await expect(card.getByText('Your own weighings (1) lost 35 % on average')).toBeVisible();
  await card.getByLabel('variety').fill('Winter pear of the old wall');
  await expect(
    page.getByRole('region', { name: 'Getting ready' }).getByText(/the pears/),
  ).toBeVisible();
  const acid = page.getByRole('region', { name: 'Acid by taste' });
  await acid.getByRole('radio', { name: 'not as sharp' }).click();
  await acid.getByRole('button', { name: /^Add .* lemon juice$/ }).click();
  await page.getByRole('link', { name: 'To the balance' }).click();
  await expect(page.getByLabel('Amount of lemon juice, bottled')).toHaveValue(/ml$/);
});

test('lines are moved by key, put in at another time, and the jars dragged; every one can be undone', async ({
  page,
}) => {
  await layOut(page, 'Sour cherry jam', [
    '1.1 kg crushed sour cherries',
    '1 box powdered pectin',
    '1.25 kg sugar',
  ]);
  await page.getByLabel('Setting method').selectOption('powdered pectin');
  await expect(page.getByLabel('When powdered pectin goes in')).toHaveValue('before-sugar');
  await page.getByLabel('When white sugar goes in').selectOption('at the start');
  // The five-litre pan of an earlier test would boil over: that comes first, the order one tap away.
  await expect(panel(page).getByRole('heading', { name: 'The pan is too small' })).toBeVisible();
  await panel(page).getByRole('button', { name: 'What else to look at' }).click();
  await expect(panel(page).getByText(/sugar goes in before the powdered pectin/)).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(panel(page).getByText(/sugar goes in before the powdered pectin/)).toHaveCount(0);

  await page.getByRole('button', { name: 'Drag white sugar' }).focus();
  await page.keyboard.press('Space');
  await expect(page.getByText('white sugar is at place 3 of 3')).toBeAttached();
  // The drag listens for keys a moment after it says that it holds the line.
  await page.waitForTimeout(300);
  await page.keyboard.press('ArrowUp');
  await expect(page.getByText('white sugar is at place 2 of 3')).toBeAttached();
  await page.keyboard.press('Space');
  await expect(page.getByLabel('Ingredient 2')).toHaveValue('white sugar');
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(page.getByLabel('Ingredient 3')).toHaveValue('white sugar');

  await page.getByRole('slider', { name: 'Jars wanted' }).fill('4');
  await expect(page.getByLabel('Amount of white sugar')).toHaveValue(/^6\d\d g$|^7\d\d g$/);
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(page.getByLabel('Amount of white sugar')).toHaveValue('1.25 kg');
  await page.getByLabel('Ingredient 1').focus();
  await page.keyboard.press('Escape');
  await page.locator('body').click({ position: { x: 5, y: 790 } });
  await page.keyboard.type('?');
  await expect(page.getByRole('region', { name: 'Keys' })).toBeVisible();
});

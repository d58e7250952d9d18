import { expect, test, type Locator, type Page } from '@playwright/test';
import { panel } from './support/bench.js';
import { KettleServer } from './support/kettle-server.js';

let kettle: KettleServer;
test.beforeAll(async () => {
  kettle = await KettleServer.begin('journeys', { altitude_m: 1180 });
});
test.afterAll(() => kettle.end());

/** What a formula may take, beyond typing amounts. */
const MOST_ACTIONS = 15;

/** Hands on a keyboard and nothing else; every key that is not typing an amount is an action. */
class Hands {
  private actions = 0;
  private lines = 0;
  constructor(private readonly page: Page) {}

  async press(key: string): Promise<void> {
    this.actions += 1;
    await this.page.keyboard.press(key);
  }
  async line(text: string): Promise<void> {
    await this.fit(text);
    this.lines += 1;
    await expect(this.page.getByLabel(/^Ingredient \d+$/)).toHaveCount(this.lines);
  }
  async fit(text: string): Promise<void> {
    await this.page.keyboard.type(text);
    await this.press('Enter');
  }
  /** Goes to a list by its key and picks by the first letters. */
  async choose(key: string, letters: string): Promise<void> {
    await this.press(`Alt+${key}`);
    this.actions += 1;
    await this.page.keyboard.type(letters);
  }
  /** Does the remedy that is offered, once it is worked out for the formula as it stands. */
  async remedy(name: RegExp): Promise<void> {
    await expect(panel(this.page).getByRole('button', { name }).first()).toBeEnabled();
    await this.press('Alt+r');
  }
  done(): void {
    expect(this.actions).toBeLessThanOrEqual(MOST_ACTIONS);
  }
}

async function emptyScreen(page: Page): Promise<Hands> {
  await page.goto(kettle.address);
  await expect(page.getByRole('button', { name: 'New batch' }).first()).toBeVisible();
  const hands = new Hands(page);
  await hands.press('Alt+b');
  await expect(page.getByLabel('New line: amount and ingredient')).toBeFocused();
  return hands;
}
const readout = (page: Page, name: RegExp): Locator => panel(page).getByRole('region', { name });

test('a long-boil damson jam from a weight', async ({ page }) => {
  const hands = await emptyScreen(page);
  for (const line of ['2.4 kg damsons, pitted', '300 ml water', '2.2 kg sugar'])
    await hands.line(line);
  await expect(readout(page, /^Firmness: firm/)).toBeVisible();
  await expect(readout(page, /^Storage: Shelf, if processed 15 min/)).toBeVisible();
  hands.done();
});

test('a redcurrant jelly from measured juice', async ({ page }) => {
  const hands = await emptyScreen(page);
  await hands.choose('k', 'Jelly');
  await hands.press('Alt+l');
  for (const line of ['1.3 l redcurrant juice', '1.05 kg sugar']) await hands.line(line);
  await expect(readout(page, /^Firmness: (medium|firm)/)).toBeVisible();
  await expect(readout(page, /^Storage: Shelf/)).toBeVisible();
  hands.done();
});

test('bitter-orange marmalade by cups of soaked mixture', async ({ page }) => {
  const hands = await emptyScreen(page);
  await hands.choose('k', 'Marm');
  await hands.press('Alt+l');
  for (const line of ['9 cups sliced bitter oranges', '9 cups water', '18 cups sugar'])
    await hands.line(line);
  await hands.choose('j', 'half');
  // Common practice, no source: 18 + 18 cups boiled to 220 F fill about 18 half-pints.
  await expect(
    readout(page, /^Yield: (17¾|(about )?(18|19|20)[¼½¾]?), .*half-pints$/),
  ).toBeVisible();
  await expect(readout(page, /^Storage: Shelf/)).toBeVisible();
  hands.done();
});

test('a calcium-pectin apricot jam at one third sugar', async ({ page }) => {
  const hands = await emptyScreen(page);
  await hands.choose('w', 'calc');
  await hands.press('Alt+l');
  for (const line of [
    '1 kg apricots',
    '330 g sugar',
    '4 tsp calcium water',
    '4 tsp calcium pectin',
  ])
    await hands.line(line);
  await hands.remedy(/lemon juice/);
  await expect(readout(page, /^Storage: Shelf/)).toBeVisible();
  await expect(readout(page, /^Firmness: (medium|firm)/)).toBeVisible();
  hands.done();
});

test('a no-sugar pear butter', async ({ page }) => {
  const hands = await emptyScreen(page);
  await hands.choose('k', 'Fruit');
  await hands.press('Alt+l');
  for (const line of ['3 kg pears, chopped', '300 ml water']) await hands.line(line);
  await hands.remedy(/lemon juice/);
  await expect(readout(page, /^Storage: Shelf/)).toBeVisible();
  await expect(readout(page, /^Firmness: spreadable/)).toBeVisible();
  hands.done();
});

test('a plum butter for a 40-litre outdoor pan, cut down to a slow cooker', async ({ page }) => {
  const hands = await emptyScreen(page);
  await hands.choose('k', 'Fruit');
  await hands.press('Alt+l');
  for (const line of ['30 kg plums, pitted', '5 kg sugar', '6 tsp cinnamon'])
    await hands.line(line);
  await expect(page.getByLabel('Amount of plums, pitted')).toHaveValue('30 kg');
  await hands.press('Alt+i');
  await hands.fit('my 6 litre slow cooker');
  await expect(page.getByLabel('Amount of plums, pitted')).toHaveValue(/^4\.\d+ kg$/);
  await expect(readout(page, /^Storage: Shelf/)).toBeVisible();
  hands.done();
});

test('a rosemary and wine-vinegar jelly that keeps', async ({ page }) => {
  const hands = await emptyScreen(page);
  await hands.choose('k', 'Sav');
  await hands.choose('w', 'liq');
  await hands.press('Alt+l');
  for (const line of [
    '700 ml apple juice',
    '150 ml wine vinegar',
    '3 sprigs of rosemary',
    '1.3 kg sugar',
    '1 pouch liquid pectin',
  ])
    await hands.line(line);
  await expect(readout(page, /^Storage: Shelf/)).toBeVisible();
  await expect(readout(page, /^Firmness: (medium|firm)/)).toBeVisible();
  await expect(page.getByText('surely edible kinds, unsprayed').first()).toBeVisible();
  hands.done();
});

test('a passion-fruit curd for the fridge', async ({ page }) => {
  const hands = await emptyScreen(page);
  await hands.choose('k', 'Curd');
  await hands.press('Alt+l');
  for (const line of [
    '180 g passion fruit puree',
    '60 ml bottled lemon juice',
    '230 g caster sugar',
    '3 eggs',
    '3 egg yolks',
    '120 g butter',
  ])
    await hands.line(line);
  await expect(readout(page, /^Storage: Refrigerate/)).toBeVisible();
  await expect(readout(page, /^Firmness: thickened/)).toBeVisible();
  await expect(
    page.getByText('stop at 77.0 °C').or(page.getByText('stop at 76.7 °C')).first(),
  ).toBeVisible();
  hands.done();
});

test('sugar cut in a powdered-pectin sour-cherry jam: why not, and what instead', async ({
  page,
}) => {
  const hands = await emptyScreen(page);
  await hands.choose('w', 'pow');
  await hands.press('Alt+l');
  for (const line of [
    '1.1 kg crushed sour cherries',
    '45 ml bottled lemon juice',
    '1 box powdered pectin',
    '1.25 kg sugar',
  ])
    await hands.line(line);
  await expect(readout(page, /^Firmness: (medium|firm)/)).toBeVisible();
  await page.getByLabel('Amount of white sugar').focus();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('450 g');
  await expect(panel(page).getByText('Too little sugar for this pectin')).toBeVisible();
  await panel(page).getByRole('button', { name: 'Other ways' }).press('Enter');
  const instead = panel(page).getByRole('button', { name: /^Set it with calcium pectin instead/ });
  await expect(instead).toBeEnabled();
  await instead.press('Enter');
  await expect(page.getByLabel('Setting method')).toHaveValue('calcium-pectin');
  await expect(readout(page, /^Firmness: (medium|firm)/)).toBeVisible();
  await expect(page.getByLabel('Amount of white sugar')).toHaveValue('450 g');
  hands.done();
});

test('eleven half-pints turned into 4-oz gift jars', async ({ page }) => {
  const hands = await emptyScreen(page);
  for (const line of ['2.4 kg damsons, pitted', '300 ml water', '2.2 kg sugar'])
    await hands.line(line);
  await hands.press('Alt+i');
  await hands.fit('11 half-pints');
  await expect(readout(page, /^Yield: (10¾|(about )?11|11¼), .*half-pints$/)).toBeVisible();
  await hands.choose('j', '4-oz');
  await expect(readout(page, /^Yield: (about 22), .*4-oz jars$/)).toBeVisible();
  hands.done();
});

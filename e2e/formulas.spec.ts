import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { layOut } from './support/bench.js';
import { KettleServer } from './support/kettle-server.js';

let kettle: KettleServer;
test.beforeAll(async () => {
  kettle = await KettleServer.begin('formulas', { altitude_m: 1180 });
});
test.afterAll(() => kettle.end());
test.beforeEach(async ({ page }) => {
  await page.goto(kettle.address);
});

const RECIPE = `Quince and pear jam
1.2 kg quinces
2 lb (about 9 cups) pears, chopped
1.4 kg sugar
500 ml water
120 ml bottled lemon juice
1. Simmer until soft.
2. Process 5 minutes in a boiling-water canner.
Makes 4 half-pints`;

test('a quick answer from a pasted recipe, with what is wrong with it, and then a batch', async ({
  page,
}) => {
  await page.getByRole('link', { name: 'Quick' }).click();
  await page.getByLabel('what goes in, a line each').fill(RECIPE);
  const answer = page.getByRole('region', { name: 'The answer' });
  await expect(answer.getByText('100.5 °C')).toBeVisible();
  await expect(answer.getByText('15 min', { exact: true })).toBeVisible();
  await expect(
    answer.getByText(
      /The recipe says 4 half-pints; the .* kg of sugar and fruit solids in it fill/,
    ),
  ).toBeVisible();
  await expect(
    answer.getByText(/^2 lb of pears is 0.91 kg, but the other amount given is/),
  ).toBeVisible();
  await expect(
    answer.getByText(
      'It asks for a process of 5 minutes; the table gives 15 here, and that is what holds.',
    ),
  ).toBeVisible();
  await page.getByLabel('altitude').fill('0 m');
  await expect(answer.getByText('104.4 °C')).toBeVisible();
  await expect(answer.getByText('10 min', { exact: true })).toBeVisible();
  await page.getByLabel('altitude').fill('up there');
  await expect(page.getByText('Write a height such as')).toBeVisible();
  await answer.getByRole('button', { name: 'Make it a batch' }).click();
  await expect(page.getByLabel('Name of the batch')).toHaveValue('Quince and pear jam');
  await expect(page.getByLabel(/^Amount of quinces/)).toHaveValue('1.2 kg');
});

test('nonsense, markup and a file too large change nothing', async ({ page }) => {
  await page.getByRole('link', { name: 'Quick' }).click();
  const field = page.getByLabel('what goes in, a line each');
  await field.fill('hello there');
  await expect(page.getByText('No line with an amount was found')).toBeVisible();
  await field.fill(
    '<h1>Plum <img src=x onerror=alert(1)> jam</h1><li>2 kg plums</li><li>3 cups of moonberries</li>',
  );
  await expect(page.getByRole('heading', { name: 'Plum jam' })).toBeVisible();
  const line = page.getByRole('listitem').filter({ hasText: '3 cups of moonberries' });
  await expect(line).toContainText('Unknown ingredient "moonberries"');
  await expect(page.getByRole('button', { name: 'Save as a formula' })).toBeDisabled();
  await page.getByLabel('Choose a file').setInputFiles({
    name: 'big.txt',
    mimeType: 'text/plain',
    buffer: Buffer.alloc(2_100_000, 'x'),
  });
  await expect(page.getByText('“big.txt” is 2.1 MB')).toBeVisible();
  await expect(field).toHaveValue(/moonberries/);
});

test('what a recipe calls its fruit is picked, and offered when it comes again', async ({
  page,
}) => {
  await page.getByRole('link', { name: 'Quick' }).click();
  const field = page.getByLabel('what goes in, a line each');
  const answer = page.getByRole('region', { name: 'The answer' });
  await field.fill('Hedge jam\n1 kg raspberries\n1 kg sugar\n200 g moonberries');
  await expect(answer.getByText('1 line needs an answer')).toBeVisible();
  await answer.getByRole('button', { name: 'Take it for blackberries' }).click();
  await expect(answer.getByText('200 g blackberries')).toBeVisible();
  // A name that no table knows grants no shelf.
  await expect(answer.getByText(/moonberries \(taken for/).first()).toBeVisible();
  await answer.getByRole('button', { name: 'Changed by you. Undo' }).click();
  await page.reload();
  await field.fill('Other jam\n1 kg raspberries\n300 g moonberries');
  await answer.getByRole('button', { name: 'As before: blackberries' }).click();
  await expect(answer.getByText('300 g blackberries')).toBeVisible();
  await field.fill('Green tomato chutney\n2 kg green tomatoes\n500 ml vinegar');
  await expect(answer.getByText('This is a recipe for chutney')).toBeVisible();
});

test('a formula goes out as a file and comes back in the same', async ({ page }) => {
  await layOut(page, 'Damson jam', [
    '2.4 kg damsons',
    '2.2 kg sugar',
    '2 tbsp bottled lemon juice',
  ]);
  await page.getByRole('button', { name: 'Save as a formula' }).click();
  await expect(page.getByText('“Damson jam” is in your formulas')).toBeVisible();
  await page.getByRole('link', { name: 'Formulas' }).click();
  const take = async (way: string): Promise<string> => {
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: way }).click();
    return readFileSync(await (await download).path(), 'utf8');
  };
  await page.getByRole('link', { name: 'Damson jam' }).click();
  await page.getByLabel('Export Damson jam').click();
  const ours = await take('Formula (JSON)');
  expect(JSON.parse(ours)).toMatchObject({ format: 'idle-kettle/formula', title: 'Damson jam' });
  expect(await take('Card (Markdown)')).toMatch(
    /^# Damson jam[\s\S]*- shelf: 15 min boiling-water/,
  );
  const recipe = await take('Recipe (JSON-LD)');
  expect(JSON.parse(recipe)).toMatchObject({
    '@type': 'Recipe',
    recipeIngredient: ['2.4 kg damsons', '2.2 kg white sugar', '2 tbsp lemon juice, bottled'],
  });

  await page.getByRole('link', { name: 'Formulas' }).click();
  await page.getByRole('link', { name: 'Import a recipe' }).click();
  for (const text of [ours, recipe]) {
    await page.getByLabel('Choose a file').setInputFiles({
      name: 'damson.json',
      mimeType: 'application/json',
      buffer: Buffer.from(text),
    });
    const read = page.getByRole('region', { name: 'The answer' });
    await expect(read.getByText('→ 2.40 kg damsons')).toBeVisible();
    await expect(read.getByText(/→ 31 g lemon juice, bottled/)).toBeVisible();
  }
});

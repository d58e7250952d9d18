import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { layOut } from './support/bench.js';
import { KettleServer } from './support/kettle-server.js';

let kettle: KettleServer;
test.beforeAll(async () => {
  kettle = await KettleServer.begin('plan', { altitude_m: 1180 });
});
test.afterAll(() => kettle.end());

test('an evening is laid out backwards, ticked, taken to a calendar, and the batch comes off the bench and back', async ({
  page,
}) => {
  await page.goto(kettle.address);
  await layOut(page, 'Damson jam', [
    '2.4 kg damsons, pitted',
    '300 ml water',
    '2.2 kg sugar',
    '2 tbsp bottled lemon juice',
  ]);
  await page.getByRole('link', { name: 'Plan it' }).click();
  const when = page.getByRole('region', { name: 'When' });
  const steps = page.getByRole('region', { name: 'Steps' });
  await expect(when.getByRole('img', { name: /hands-on, no break \d+ min/ })).toBeVisible();
  await expect(steps.getByText('Simmer the fruit until its skins are soft.')).toBeVisible();
  await expect(steps.getByText('2.2 kg white sugar')).toBeVisible();
  await expect(steps.getByText(/process 15 min in boiling water/)).toHaveCount(2);
  await expect(page.getByText(/^1\d new lids \(2 spare\) and 1\d bands$/)).toBeVisible();

  // Two days from now the jars should stand there at nine in the evening.
  const day = new Date(Date.now() + 2 * 86_400_000).toISOString().slice(0, 10);
  await when.getByLabel('Start or finish').selectOption('jars on the counter by');
  await when.getByLabel('day and time').fill(`${day}T21:00`);
  await expect(when.getByRole('status')).toContainText(
    /jars on the counter \w+ (19|20):\d\d to \w+ 2[12]:\d\d/,
  );
  await expect(when.getByText('later than wished')).toHaveCount(0);
  await when.getByLabel('day and time').fill(`${new Date().toISOString().slice(0, 10)}T00:01`);
  await expect(when.getByText(/min later than planned/)).toBeVisible();

  const layOutStep = steps.getByRole('button', { name: /^Done: clear the kitchen/ });
  await layOutStep.click();
  await expect(layOutStep).toHaveAttribute('aria-pressed', 'true');
  await layOutStep.click();
  await expect(layOutStep).toHaveAttribute('aria-pressed', 'false');
  await layOutStep.click();

  const download = page.waitForEvent('download');
  await when.getByRole('button', { name: 'Calendar' }).click();
  const calendar = readFileSync(await (await download).path(), 'utf8');
  expect(calendar).toMatch(
    /^BEGIN:VCALENDAR[\s\S]*SUMMARY:Damson jam: [\s\S]*BEGIN:VALARM[\s\S]*END:VCALENDAR\s*$/,
  );
  expect(calendar.match(/BEGIN:VEVENT/g)?.length).toBeGreaterThan(10);

  await page.reload();
  await expect(layOutStep).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('link', { name: 'Today' }).click();
  const bench = page.getByRole('region', { name: 'Planned' });
  await bench.getByRole('button', { name: 'Delete Damson jam' }).click();
  await expect(bench).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await bench.getByRole('link', { name: /Damson jam/ }).click();
  await page
    .getByRole('navigation', { name: 'Stations of this batch' })
    .getByRole('link', { name: 'Plan' })
    .click();
  await expect(layOutStep).toHaveAttribute('aria-pressed', 'true');
});

test('the shopping list: what the planned batches need less what is there, ticked and put away', async ({
  page,
}) => {
  await page.goto(`${kettle.address}/kitchen/supplies`);
  const supplies = page.getByRole('region', { name: 'Supplies and prices' });
  await supplies.getByLabel('currency').fill('€');
  await supplies.getByLabel('add').selectOption('white sugar');
  await supplies.getByLabel('counted').fill('1 kg');
  await supplies.getByLabel('price').fill('1.20');
  await supplies.getByLabel('for').fill('1 kg');
  await page.keyboard.press('Tab');
  await expect(supplies.getByText('Nothing used since it was counted.')).toBeVisible();

  await layOut(page, 'Quince jam', [
    '1.5 kg quinces',
    '1.4 kg sugar',
    '100 ml bottled lemon juice',
  ]);
  await expect(
    page.getByText(/About €0\.\d\d a jar, €1\.68 in all; without a price/),
  ).toBeVisible();
  await page.getByRole('link', { name: 'Plan it' }).click();
  await page.getByRole('link', { name: 'Shopping list of all planned batches' }).click();
  const list = page.getByRole('region', { name: 'To buy' });
  const batches = page.getByRole('region', { name: 'For these batches' });
  // The one that is planned is on the list by itself.
  const damson = batches.getByRole('checkbox', { name: /^Damson jam/ });
  await expect(damson).toBeChecked();
  await damson.click();
  await expect(damson).not.toBeChecked();
  await batches.getByRole('checkbox', { name: /^Quince jam/ }).click();
  const sugar = list.getByRole('checkbox', {
    name: /^400 g white sugar 1\.40 kg needed, 1\.00 kg there/,
  });
  await expect(list.getByRole('checkbox', { name: '1.50 kg quinces' })).toBeVisible();
  await expect(
    list.getByRole('checkbox', { name: /^(9|10)\d(\.\d)? ml lemon juice, bottled$/ }),
  ).toBeVisible();
  await sugar.click();
  await list.getByLabel('Something else to buy').fill('muslin');
  await page.keyboard.press('Enter');
  await list.getByRole('checkbox', { name: 'muslin' }).click();
  await list.getByRole('button', { name: 'Add white sugar to the supplies' }).click();
  await expect(sugar).toHaveCount(0);
  await expect(list.getByText('muslin')).toHaveCount(0);
  await expect(page.getByText('White sugar: 1.40 kg needed, 1.40 kg there')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(sugar).toBeVisible();
});

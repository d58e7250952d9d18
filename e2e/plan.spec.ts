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
  await when.getByLabel('I wish').selectOption('jars on the counter by');
  await when.getByLabel('day and time').fill(`${day}T21:00`);
  await expect(when.getByRole('status')).toContainText(
    /jars on the counter \w+ (19|20):\d\d to \w+ 2[12]:\d\d/,
  );
  await expect(when.getByText('later than wished')).toHaveCount(0);
  await when.getByLabel('day and time').fill(`${new Date().toISOString().slice(0, 10)}T00:01`);
  await expect(when.getByText(/min later than wished/)).toBeVisible();

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
  const bench = page.getByRole('region', { name: 'On the bench' });
  await bench.getByRole('button', { name: 'Take Damson jam off the bench' }).click();
  await expect(bench).toHaveCount(0);
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await bench.getByRole('link', { name: /Damson jam/ }).click();
  await page
    .getByRole('navigation', { name: 'Stations of this batch' })
    .getByRole('link', { name: 'Plan' })
    .click();
  await expect(layOutStep).toHaveAttribute('aria-pressed', 'true');
});

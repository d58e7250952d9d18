import { expect, test } from '@playwright/test';
import { KettleServer } from './support/kettle-server.js';

test('everything goes out to a file and comes in on another machine; what no file of a household is, is refused', async ({
  page,
}, info) => {
  const [home, elsewhere] = await Promise.all([
    KettleServer.begin('household_home', { demo: true }),
    KettleServer.begin('household_elsewhere'),
  ]);
  try {
    await page.goto(`${home.address}/kitchen/data`);
    const data = page.getByRole('region', { name: 'Your data' });
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      data.getByRole('link', { name: 'Everything (JSON)' }).click(),
    ]);
    expect(download.suggestedFilename()).toBe('household.json');
    const file = info.outputPath('household.json');
    await download.saveAs(file);
    await page.getByRole('link', { name: 'Learned' }).click();
    const lessons = page.getByRole('region', { name: 'Learned from your boils' });
    // Boils are looked at one after the other: the table stands when none is left.
    await expect(lessons.getByText(/^\d\d boils$/).first()).toBeVisible({ timeout: 60_000 });
    await expect(lessons.getByText(/more to be looked at/)).toHaveCount(0, { timeout: 60_000 });
    const taught = await lessons.getByRole('table').textContent();

    await page.goto(`${elsewhere.address}/kitchen/learned`);
    await expect(lessons).toContainText('No boil to learn from yet');
    await page.getByRole('link', { name: 'Your data' }).click();
    await data.getByLabel('File of a household').setInputFiles({
      name: 'shopping.json',
      mimeType: 'application/json',
      buffer: Buffer.from('{"milk": 2}'),
    });
    await expect(data).toContainText('shopping.json was not imported');
    await expect(data).toContainText('its format is "idle-kettle/household"');
    await data.getByLabel('File of a household').setInputFiles(file);
    await expect(data).toContainText('household.json is in');
    await expect(data).toContainText('48 batches with');
    // The kitchen, and what its boils have taught, are there as well.
    await page.getByRole('link', { name: 'Place and units' }).click();
    await expect(page.getByRole('textbox', { name: 'Altitude', exact: true })).toHaveValue(
      '1180 m',
    );
    await page.getByRole('link', { name: 'Learned' }).click();
    // Here they are looked at anew, one after the other.
    await expect(lessons.getByText(/^\d\d boils$/).first()).toBeVisible({ timeout: 60_000 });
    await expect(lessons.getByText(/more to be looked at/)).toHaveCount(0, { timeout: 60_000 });
    await expect(lessons.getByRole('table')).toHaveText(taught ?? '');
    await page.getByRole('link', { name: 'Shelf' }).click();
    await expect(page.getByRole('button', { name: /^Pear butter/ }).first()).toBeVisible();
    await page.goto(`${elsewhere.address}/kitchen/data`);
    await data.getByLabel('File of a household').setInputFiles(file);
    await expect(data).toContainText('Nothing new was in it.');

    // Switched off, the forecast goes by the tables again; begun anew, only later boils count, and
    // one tap takes that back.
    await page.getByRole('link', { name: 'Learned' }).click();
    const used = lessons.getByRole('checkbox', { name: 'use it in forecasts' });
    await used.click();
    await expect(used).not.toBeChecked();
    await expect
      .poll(
        async () =>
          (await elsewhere.get<{ gear: { learning?: { used: boolean } } }[]>('/api/kitchens'))[0]
            ?.gear.learning?.used,
      )
      .toBe(false);
    await lessons.getByRole('button', { name: 'Reset learning' }).click();
    await expect(lessons).toContainText('No boil to learn from yet');
    await page.getByRole('button', { name: 'Count the old ones again' }).click();
    await page.getByRole('link', { name: 'Learned' }).click();
    await expect(lessons.getByRole('table')).toHaveText(taught ?? '');
  } finally {
    await Promise.all([home.end(), elsewhere.end()]);
  }
});

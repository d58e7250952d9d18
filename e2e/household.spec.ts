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
    await page.goto(`${home.address}/kitchen`);
    const data = page.getByRole('region', { name: 'Your data' });
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      data.getByRole('link', { name: 'Everything (JSON)' }).click(),
    ]);
    expect(download.suggestedFilename()).toBe('household.json');
    const file = info.outputPath('household.json');
    await download.saveAs(file);
    const lessons = page.getByRole('region', { name: 'Learned from your boils' });
    await expect(lessons.getByText(/^[2-9] boils$/).first()).toBeVisible();
    const taught = await lessons.getByRole('table').textContent();

    await page.goto(`${elsewhere.address}/kitchen`);
    await expect(lessons).toContainText('No boil to learn from yet');
    await data.getByLabel('File of a household').setInputFiles({
      name: 'shopping.json',
      mimeType: 'application/json',
      buffer: Buffer.from('{"milk": 2}'),
    });
    await expect(data).toContainText('shopping.json was not taken in');
    await expect(data).toContainText('its format is "idle-kettle/household"');
    await data.getByLabel('File of a household').setInputFiles(file);
    await expect(data).toContainText('household.json is in');
    await expect(data).toContainText('6 batches with');
    // The kitchen, and what its boils have taught, are there as well.
    await expect(page.getByRole('textbox', { name: 'Altitude', exact: true })).toHaveValue(
      '1180 m',
    );
    await expect(lessons.getByRole('table')).toHaveText(taught ?? '');
    await page.getByRole('link', { name: 'Shelf' }).click();
    await expect(page.getByText('Pear butter').first()).toBeVisible();
    await page.goBack();
    await data.getByLabel('File of a household').setInputFiles(file);
    await expect(data).toContainText('Nothing new was in it.');

    // Switched off, the forecast goes by the tables again; begun anew, only later boils count, and
    // one tap takes that back.
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
    await expect(lessons.getByRole('table')).toHaveText(taught ?? '');
  } finally {
    await Promise.all([home.end(), elsewhere.end()]);
  }
});

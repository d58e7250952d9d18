import { randomUUID } from 'node:crypto';
import { expect, test } from '@playwright/test';
import { Evening } from './support/evening.js';
import { KettleServer } from './support/kettle-server.js';

let kettle: KettleServer;
test.beforeAll(async () => {
  kettle = await KettleServer.begin('seals', { altitude_m: 1180, clocked: true });
});
test.afterAll(() => kettle.end());

const HOUR = 60;

test('two lids that are not down: one jar is processed again, one goes in the fridge; then they are eaten, given, moved and counted', async ({
  page,
}) => {
  const evening = await Evening.begin(page, kettle, '2026-09-12T18:00:00.000Z');
  const id = randomUUID();
  const document = {
    format: 'idle-kettle/formula',
    version: 1,
    title: 'Damson jam',
    kind: 'jam',
    method: 'long-boil',
    finish: { type: 'gel-temperature' },
    jars: [{ size: '340-g' }],
    lines: [
      { ingredient: 'damson', amount: '2 kg' },
      { ingredient: 'white-sugar', amount: '1.8 kg' },
    ],
  };
  await kettle.put(`/api/batches/${id}`, { document, revision: 0 });
  await page.goto(`${kettle.address}/batches/${id}/jar`);

  await test.step('more jars than the pan can fill, and a lid too many', async () => {
    const more = page.getByRole('button', { name: 'One 340 g jar more' });
    for (let i = 0; i < 5; i++) await more.click();
    await page.getByLabel('lids laid out').fill('9');
    await page.getByLabel('lids left').fill('3');
    await expect(page.getByText(/^6 used on 5 jars: two may cling/)).toBeVisible();
    await page.getByLabel('lids left').fill('4');
    await page.keyboard.press('Tab');
    await expect(page.getByText('5 used, 5 jars: one on each.')).toBeVisible();
    await expect(page.getByText(/hold .*; this pan can fill .* at most/)).toHaveCount(0);
  });

  const seals = page.getByRole('region', { name: 'Seals' });
  await test.step('cooling, and pressed too early', async () => {
    await page.getByRole('button', { name: 'Yes, it was that hot' }).click();
    const start = page.getByRole('button', { name: /full rolling boil: start the 15 min/ });
    await start.click();
    await evening.skip(15.1);
    await page.getByRole('button', { name: 'The jars went through 15 min' }).click();
    await expect(seals).toContainText('Press the lids from Sun 13 Sep, 06:15 on');
    await page.getByRole('button', { name: 'Put 5 × 340 g jars on the shelf' }).click();
    await expect(page.getByLabel('5 left')).toBeVisible();
    await evening.station('Jar');
    await evening.skip(HOUR);
    await seals.getByRole('button', { name: 'Check anyway' }).click();
    await seals.getByRole('button', { name: 'All 5 are down' }).click();
    await expect(seals).toContainText('pressed before they had cooled');
  });

  await test.step('the next day two are not down', async () => {
    await evening.skip(14 * HOUR);
    await page.goto(kettle.address);
    await page
      .getByRole('region', { name: 'Lids to check' })
      .getByRole('link', { name: /^Check/ })
      .click();
    await seals.getByRole('button', { name: 'Jar 2: down' }).click();
    await seals.getByRole('button', { name: 'Jar 5: down' }).click();
    await seals.getByRole('button', { name: '3 down, 2 not' }).click();
    await expect(seals).toContainText('2 × 340 g jars not sealed: jars 2, 5');
    await page.getByRole('link', { name: 'On the shelf: see the jars' }).click();
    await expect(page.getByText('Not all have sealed: see to it')).toBeVisible();
    await expect(page.getByText(/2 of them have not sealed/)).toBeVisible();
    await evening.station('Jar');
  });

  await test.step('processed again in full, with the clock, never less', async () => {
    await seals.getByRole('button', { name: 'Process again, 15 min' }).click();
    await expect(
      seals.getByRole('button', { name: 'The whole 15 min, on the clock above' }),
    ).toBeDisabled();
    await seals.getByRole('button', { name: /full rolling boil: start the 15 min/ }).click();
    await evening.skip(16);
    await seals.getByRole('button', { name: 'They went through the 15 min again' }).click();
    await expect(seals.getByRole('button', { name: 'Jar 2: processed again' })).toBeVisible();
    await evening.skip(13 * HOUR);
    await expect(seals.getByRole('button', { name: 'Jar 2: down' })).toBeVisible();
    await seals.getByRole('button', { name: 'Jar 5: down' }).click();
    await seals.getByRole('button', { name: '4 down, 1 not' }).click();
  });

  await test.step('after 24 hours no second process is offered', async () => {
    await expect(seals).toContainText('More than 24 hours have gone');
    await expect(seals.getByRole('button', { name: /Process again/ })).toHaveCount(0);
    await seals.getByRole('button', { name: 'It was in the fridge in time' }).click();
    await expect(seals).toContainText('Now the bands off');
    await expect(seals.getByRole('button', { name: 'Jar 5: in the fridge' })).toBeVisible();
  });

  // What the page shows at once reaches the server a moment later.
  const stored = async (): Promise<string[]> => {
    const lots =
      await kettle.get<{ keptIn: string | null; place: string; count: number }[]>('/api/shelf');
    return lots.map(({ keptIn, place, count }) => `${keptIn ?? 'shelf'} ${place} ${count}`).sort();
  };
  await test.step('the shelf', async () => {
    await page
      .getByRole('navigation', { name: 'Screens' })
      .getByRole('link', { name: 'Shelf' })
      .click();
    await expect(page.getByText('5 jars, 1 of them refrigerated')).toBeVisible();
    await expect(page.getByRole('list', { name: /^Refrigerated/ })).toContainText('Damson jam, 1');
    await page.getByRole('button', { name: /^Damson jam, 4/ }).click();
    const story = page.getByRole('complementary', { name: 'Damson jam' });
    await story.getByRole('button', { name: 'Move, more…' }).click();
    const more = page.getByRole('group', { name: 'More for Damson jam' });
    await more.getByLabel('how many').fill('9');
    await expect(more).toContainText('write 1 to 4');
    await expect(more.getByRole('button', { name: 'Give away' })).toBeDisabled();
    await more.getByLabel('how many').fill('2');
    await more.getByLabel('to which place').fill('Cellar');
    await more.getByRole('button', { name: 'Move there' }).click();
    await page.getByLabel('Place').selectOption('Cellar');
    await page.getByRole('button', { name: /^Damson jam, 2/ }).click();
    await story.getByRole('button', { name: 'Give…' }).click();
    await story.getByLabel('to whom, if you like').fill('the neighbours');
    await story.getByRole('button', { name: 'Give 1' }).click();
    await expect(page.getByText('1 jar of Damson jam given away to the neighbours')).toBeVisible();
    await expect.poll(stored).toEqual(['fridge  1', 'shelf  2', 'shelf Cellar 1']);
    await page.getByRole('button', { name: 'Count', exact: true }).click();
    await page.getByLabel(/^Damson jam, 340 g jars: how many/).fill('3');
    await page.keyboard.press('Enter');
    await expect(page.getByText('Damson jam: 3 there, not 1')).toBeVisible();
    await page.getByText('Latest changes').click();
    await expect(page.getByText('Damson jam, given away to the neighbours')).toBeVisible();
  });

  await expect.poll(stored).toEqual(['fridge  1', 'shelf  2', 'shelf Cellar 3']);
});

import { expect, test } from '@playwright/test';
import { panel } from './support/bench.js';
import { axeViolations } from './support/accessibility.js';
import { KettleServer } from './support/kettle-server.js';

let kettle: KettleServer;
test.beforeAll(async () => {
  kettle = await KettleServer.begin('story', { demo: true });
});
test.afterAll(() => kettle.end());

test('a jar is held against the judge’s sheet and entered at a show; its prize is in the logbook', async ({
  page,
}) => {
  await page.goto(`${kettle.address}/logbook`);
  await expect(page.getByText('second prize, Hill villages’ autumn table')).toBeVisible();
  await page
    .getByRole('link', { name: /^Apricot jam/ })
    .first()
    .click();
  const show = page.getByRole('region', { name: 'For the show' });
  await show.getByText('Hold a jar against the judge’s sheet').click();
  for (const point of ['headspace', 'jar', 'clarity', 'colour', 'set'])
    await show.getByLabel(point, { exact: true }).selectOption('8');
  await expect(show).toContainText('Saved once flavour has its points');
  await show.getByLabel('flavour', { exact: true }).selectOption('10');
  await expect(show).toContainText('50 of 60 points');
  await show.getByRole('button', { name: 'Add an entry' }).click();
  await show.getByRole('button', { name: 'Save' }).click();
  await expect(show).toContainText('write where it was shown');
  await show.getByRole('textbox', { name: /^show/ }).fill('Valley fair');
  await show.getByLabel('result').selectOption('first');
  await show.getByRole('button', { name: 'Save' }).click();
  await expect(show).toContainText('The winning version: first prize, Valley fair');
  await page.reload();
  await expect(show).toContainText('50 of 60 points');
  await page.getByRole('link', { name: 'To the logbook' }).click();
  await expect(page.getByText('first prize, Valley fair')).toBeVisible();
  await page.goBack();
  await show.getByRole('button', { name: 'Delete Valley fair, open class' }).click();
  await expect(show).not.toContainText('Valley fair');
});

test('photos of a batch: added, named, taken out and brought back; what is none is refused; how right forecasts were', async ({
  page,
}) => {
  await page.goto(`${kettle.address}/logbook`);
  const picture = await page.screenshot();
  await page.getByRole('button', { name: 'Charts' }).click();
  await expect(page.getByRole('region', { name: 'Forecast and actual, in jars' })).toContainText(
    /\d+ of \d+ came within the forecast/,
  );
  await page
    .getByRole('link', { name: /^Apricot jam/ })
    .first()
    .click();
  const photos = page.getByRole('region', { name: 'Photos' });
  await expect(
    photos.getByRole('button', { name: 'Specks of vanilla, well spread' }),
  ).toBeVisible();
  await photos.getByLabel('Photos of this batch').setInputFiles([
    { name: 'jars.png', mimeType: 'image/png', buffer: picture },
    { name: 'jam.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('not a picture at all') },
    { name: 'list.pdf', mimeType: 'application/pdf', buffer: Buffer.from('%PDF-') },
  ]);
  const onTheirWay = photos.getByRole('list', { name: 'On their way' });
  await expect(onTheirWay).toContainText('not saved: choose a JPEG, PNG or WebP picture');
  await expect(onTheirWay).toContainText('not saved: it is not a JPEG, PNG or WebP picture');
  await onTheirWay.getByRole('button', { name: 'Leave jam.jpg out' }).click();
  await onTheirWay.getByRole('button', { name: 'Leave list.pdf out' }).click();
  await photos.getByRole('button', { name: 'Photo 2 of Apricot jam with vanilla' }).click();
  const large = page.getByRole('dialog', { name: 'Photo of Apricot jam with vanilla' });
  await expect
    .poll(() => large.getByRole('img').evaluate((image: HTMLImageElement) => image.naturalWidth))
    .toBeGreaterThan(300);
  expect(await axeViolations(page)).toEqual([]);
  await large.getByRole('textbox').fill('On the sill');
  await large.getByRole('button', { name: 'Close' }).click();
  await page.reload();
  await photos.getByRole('button', { name: 'On the sill' }).click();
  await large.getByRole('button', { name: 'Delete' }).click();
  await expect(photos.getByRole('button', { name: 'On the sill' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(photos.getByRole('button', { name: 'On the sill' })).toBeVisible();

  await page.goto(`${kettle.address}/kitchen/data`);
  for (const [link, file] of [
    ['The book (PDF)', 'book.pdf'],
    ['Calendar', 'calendar.ics'],
  ] as const) {
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('link', { name: link }).click(),
    ]);
    expect(download.suggestedFilename()).toBe(file);
    expect(await download.failure()).toBeNull();
  }
});

test('rescue: a sign of spoilage, or a fridge jar past its time, ends the talk', async ({
  page,
}) => {
  await page.goto(`${kettle.address}/logbook`);
  await page
    .getByRole('link', { name: /^Tomato and ginger jam/ })
    .first()
    .click();
  await page.getByRole('link', { name: 'Something is wrong with it' }).click();
  await page.getByRole('button', { name: /^mould/ }).click();
  const thrownAway = page.getByRole('region', { name: /do not taste/ });
  await expect(thrownAway).toContainText('Do not open, smell or taste it');
  await expect(page.getByText('What is wrong?')).toBeHidden();
  await thrownAway.getByRole('button', { name: 'I tapped that by mistake' }).click();
  await page.getByRole('button', { name: 'None of these' }).click();
  await page.getByRole('button', { name: /^Too loose/ }).click();
  await expect(page.getByRole('region', { name: 'What to do' })).toContainText(
    /Throw it away.*used within \d+ \w+ of making, and that is over/,
  );
  await expect(page.getByRole('region', { name: 'Cook it again' })).toBeHidden();
});

test('rescue of a loose jelly: its causes, amounts for its jars, and a note for the next time', async ({
  page,
}) => {
  const batches = await kettle.get<{ id: string; title: string; phase: string }[]>('/api/batches');
  const jelly = batches.find(
    ({ title, phase }) => title === 'Redcurrant and red wine jelly' && phase === 'done',
  );
  await page.goto(`${kettle.address}/rescue/${jelly?.id ?? ''}`);
  await page.getByRole('button', { name: 'None of these' }).click();
  await page.getByRole('button', { name: /^Too loose/ }).click();
  await expect(page.getByRole('region', { name: 'Likely causes' })).toContainText(
    /Too little sugar for this pectin.*5\d % solids by the formula/,
  );
  const jars = page.getByRole('region', { name: 'Which jars' });
  const again = page.getByRole('region', { name: 'Cook it again' });
  await jars.getByLabel('size').selectOption('half-pint');
  await jars.getByLabel('how many').fill('3.5');
  // Published for 4 cups: 1/4 cup of sugar, 2 tbsp of lemon juice, 4 tsp of pectin.
  await expect(again.getByRole('row', { name: /^White sugar/ })).toContainText('3½ tbsp');
  await expect(again.getByRole('row', { name: /^Powdered pectin/ })).toContainText('3½ tsp');
  await jars.getByLabel('how many').fill('some');
  await expect(jars.getByRole('alert')).toHaveText('Write how many jars, such as 4 or 3.5');
  await jars.getByLabel('how many').fill('3.5');
  // As a batch of its own, which knows the one it was.
  await again.getByRole('button', { name: 'Start it as a new batch' }).click();
  await expect(page.getByRole('heading', { name: 'Cooked again', exact: true })).toBeVisible();
  await expect(page.getByLabel('Name of the batch')).toHaveValue(
    'Redcurrant and red wine jelly, cooked again',
  );
  await expect(panel(page).getByRole('region', { name: /^Storage: Shelf/ })).toBeVisible();
  await page.getByRole('link', { name: 'The batch it was' }).click();
  await expect(page.getByText(/Cooked again as “Redcurrant and red wine jelly/)).toBeVisible();
  await page.getByRole('link', { name: 'Something is wrong with it' }).click();
  await page.getByRole('button', { name: 'None of these' }).click();
  await page.getByRole('button', { name: /^Too loose/ }).click();
  // Its jars leave the shelf for the pan, and come back by one tap.
  const inShelf = async (): Promise<number> => {
    const lots = await kettle.get<{ batchId: string; count: number }[]>('/api/shelf');
    return lots
      .filter(({ batchId }) => batchId === jelly?.id)
      .reduce((sum, { count }) => sum + count, 0);
  };
  const before = await inShelf();
  await expect(
    again.getByRole('checkbox', { name: /^Take \d+ jars? off the shelf/ }),
  ).toBeChecked();
  await again.getByRole('button', { name: /new batch$/ }).click();
  await expect(
    page.getByText(/of Redcurrant and red wine jelly taken off the shelf/),
  ).toBeVisible();
  await expect.poll(inShelf).toBeLessThan(before);
  await page
    .getByRole('region', { name: /^Notifications/ })
    .getByRole('button', { name: 'Undo' })
    .click();
  await expect.poll(inShelf).toBe(before);
  await page.goto(`${kettle.address}/rescue/${jelly?.id ?? ''}`);
  await page.getByRole('button', { name: 'None of these' }).click();
  await page.getByRole('button', { name: /^Too loose/ }).click();
  await jars.getByRole('radio', { name: 'Opened or eaten from' }).check();
  await expect(jars).toContainText('is not put up again');
  await expect(again).toBeHidden();
  await page.getByRole('button', { name: /^Add to the (?:notes|log)/ }).click();
  await expect(page.getByText(/^It is in the (?:notes|log)/)).toBeVisible();
  await page.getByRole('button', { name: 'Something else is wrong' }).click();
  await page.getByRole('button', { name: /^Cloudy/ }).click();
  await expect(page.getByRole('region', { name: 'What to do' })).toBeVisible();
});

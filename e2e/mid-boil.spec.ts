import { expect, test } from '@playwright/test';
import { layOut, readingsOf, typeReading, type StoredEvent } from './support/bench.js';
import { KettleServer } from './support/kettle-server.js';

test.use({ serviceWorkers: 'allow' });
let kettle: KettleServer;
test.beforeAll(async () => {
  kettle = await KettleServer.begin('midboil', { altitude_m: 1180 });
});
test.afterAll(() => kettle.end());

const stored = async (id: string): Promise<StoredEvent[]> =>
  (await kettle.get<{ events?: StoredEvent[] }>(`/api/batches/${id}/events`)).events ?? [];

interface StoredBatch {
  readonly document: { readonly lines: readonly { readonly amount: string }[] };
}

const onServer = (id: string): Promise<StoredBatch> =>
  kettle.get<StoredBatch>(`/api/batches/${id}`);

test('reload, a killed server, a reload without a server, a database that is away: no reading is lost', async ({
  page,
}) => {
  await page.goto(kettle.address);
  const id = await layOut(page, 'Blackcurrant jam', [
    '1.1 kg blackcurrants',
    '650 ml water',
    '1.35 kg sugar',
  ]);
  await page.getByRole('link', { name: 'Start cooking' }).click();
  await page.getByRole('button', { name: 'Start cooking' }).click();
  await typeReading(page, '96.4');
  await typeReading(page, '97.1');
  const log = page.getByRole('region', { name: 'Log' });

  await test.step('a reload in mid-boil', async () => {
    // What stands beside the time depends on whether the forecast is there yet.
    const time = async (): Promise<string> =>
      /[\d:]+/.exec(await page.getByRole('timer').innerText())?.[0] ?? '';
    const before = await time();
    expect(before).toMatch(/^\d+:\d\d$/);
    await page.reload();
    await expect(log.getByText('97.1 °C')).toBeVisible();
    expect((await time()) >= before).toBe(true);
  });

  await test.step('the server is killed; readings go on, and the page says where they are', async () => {
    // Once the offline copy of the app is in place, a reload needs no server.
    await page.evaluate(async () => void (await navigator.serviceWorker.ready));
    await page.reload();
    await expect(log.getByText('97.1 °C')).toBeVisible();
    // What a reload cut off on its way is sent again; only then is nothing saved here.
    await expect.poll(async () => readingsOf(await stored(id))).toEqual([96.4, 97.1]);
    await expect.poll(async () => (await onServer(id)).document.lines.length).toBe(3);
    // And once what the rooms show was asked for, no room does.
    const isKept = () => page.evaluate(async () => !!(await caches.match('/api/shelf/moves')));
    await expect.poll(isKept, { timeout: 30_000 }).toBe(true);
    await kettle.kill();
    await typeReading(page, '97.8');
    await expect(page.getByText('Offline: the server does not answer.')).toBeVisible();
    await expect(page.getByText('1 entry saved on this device')).toBeVisible();
    await typeReading(page, '98.6');
    await expect(log.getByText('saved here')).toHaveCount(2);
  });

  await test.step('a reload while the server is dead shows the boil and takes more', async () => {
    await page.reload();
    await expect(log.getByText('98.6 °C')).toBeVisible();
    await expect(log.getByText('96.4 °C')).toBeVisible();
    await typeReading(page, '99.3');
  });

  await test.step('every room can be read meanwhile, and says since when it is so', async () => {
    for (const room of ['Today', 'Formulas', 'Logbook', 'Shelf', 'Kitchen']) {
      await page.getByRole('link', { name: room, exact: true }).click();
      await expect(page.getByText(/What is shown is from \d\d:\d\d/)).toBeVisible();
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
      await expect(page.locator('main')).not.toContainText('does not answer');
    }
    await page.goto(`${kettle.address}/batches/${id}/boil`);
    await expect(log.getByText('99.3 °C')).toBeVisible();
  });

  await test.step('a formula edited meanwhile is kept too', async () => {
    await page.getByRole('link', { name: 'Balance' }).click();
    await page.getByLabel('Amount of water').fill('700 ml');
    await expect(page.getByText(/1 formula saved on this device/)).toBeVisible();
  });

  await test.step('the server comes back and has everything once, in order', async () => {
    await kettle.start();
    await expect(page.getByText('Offline: the server does not answer.')).toBeHidden({
      timeout: 15_000,
    });
    expect(readingsOf(await stored(id))).toEqual([96.4, 97.1, 97.8, 98.6, 99.3]);
    expect((await onServer(id)).document.lines[1]?.amount).toBe('700 ml');
  });

  await test.step('the database goes away and comes back', async () => {
    await page.getByRole('link', { name: 'Boil' }).click();
    await kettle.door.shut();
    await typeReading(page, '100.1');
    await expect(page.getByText('Offline: the server cannot reach its database.')).toBeVisible();
    // A reload then is what it was: the same boil, the same place to stop, never the sea's.
    const stands = page.getByRole('region', { name: 'Readings' });
    await expect(stands).toContainText('100.5');
    await page.reload();
    await expect(log.getByText('100.1 °C')).toBeVisible();
    await expect(stands).toContainText('100.5');
    await expect(page.getByText('104.4')).toBeHidden();
    await expect(page.getByRole('button', { name: 'Start cooking' })).toBeHidden();
    await kettle.door.open();
    await expect(page.getByText('Offline: the server cannot reach its database.')).toBeHidden({
      timeout: 20_000,
    });
    expect(readingsOf(await stored(id))).toEqual([96.4, 97.1, 97.8, 98.6, 99.3, 100.1]);
  });
});

test('two devices at one kettle see each other', async ({ page, browser }) => {
  await page.goto(kettle.address);
  const id = await layOut(page, 'Redcurrant jelly', ['1.2 l redcurrant juice', '1 kg sugar']);
  await page.getByRole('link', { name: 'Start cooking' }).click();
  await page.getByRole('button', { name: 'Start cooking' }).click();
  await expect.poll(async () => (await stored(id)).length).toBe(1);
  const phone = await (
    await browser.newContext({ viewport: { width: 390, height: 844 } })
  ).newPage();
  await phone.goto(`${kettle.address}/batches/${id}/boil`);
  await typeReading(phone, '97.3');
  await typeReading(page, '97.9');
  await expect(page.getByRole('region', { name: 'Log' }).getByText('97.3 °C')).toBeVisible();
  await expect(phone.getByRole('region', { name: 'Log' }).getByText('97.9 °C')).toBeVisible();
  await phone.context().close();
});

test(
  'what one device logs or edits is on the other in a moment, also across two servers',
  { tag: '@timed' },
  async ({ page, browser }) => {
    const other = await kettle.beside();
    try {
      await page.goto(kettle.address);
      const id = await layOut(page, 'Quince jelly', ['1.2 l quince juice', '1 kg sugar']);
      await page.getByRole('link', { name: 'Start cooking' }).click();
      await page.getByRole('button', { name: 'Start cooking' }).click();
      await expect.poll(async () => (await stored(id)).length).toBe(1);
      const phone = await (
        await browser.newContext({ viewport: { width: 390, height: 844 } })
      ).newPage();
      const told = phone.waitForResponse((response) => response.url().endsWith('/api/live'));
      await phone.goto(`${other.address}/batches/${id}/boil`);
      await told;
      await expect(phone.getByRole('region', { name: 'Log' })).toBeVisible();
      const times: number[] = [];
      for (const value of ['96.2', '96.8', '97.4', '98.1', '98.6']) {
        const from = Date.now();
        await typeReading(page, value);
        await phone.getByRole('region', { name: 'Log' }).getByText(`${value} °C`).waitFor();
        times.push(Date.now() - from);
      }
      process.stdout.write(
        `a reading typed on one device, seen on another through another server: ${times.join(', ')} ms\n`,
      );
      // Polling alone would take up to five seconds each.
      expect(times.toSorted((a, b) => a - b)[2]).toBeLessThan(1500);
      await phone.context().close();
    } finally {
      await other.kill();
    }
  },
);

test('one formula changed on two devices: nothing is lost until the person chooses', async ({
  page,
  browser,
}) => {
  await page.goto(kettle.address);
  const id = await layOut(page, 'Pear conserve', ['1 kg pears', '800 g sugar']);
  await expect
    .poll(async () => (await fetch(`${kettle.address}/api/batches/${id}`)).status)
    .toBe(200);
  await expect
    .poll(
      async () =>
        (await kettle.get<{ document: { lines: unknown[] } }>(`/api/batches/${id}`)).document.lines
          .length,
    )
    .toBe(2);
  // Out of reach of the kitchen's network, so that it does not see what the phone does.
  await page.context().setOffline(true);
  const phone = await (await browser.newContext()).newPage();
  await phone.goto(`${kettle.address}/batches/${id}/balance`);
  await phone.getByLabel('Amount of white sugar').fill('700 g');
  await expect
    .poll(
      async () =>
        (await kettle.get<{ document: { lines: { amount: string }[] } }>(`/api/batches/${id}`))
          .document.lines[1]?.amount,
    )
    .toBe('700 g');
  await page.getByLabel('Amount of white sugar').fill('900 g');
  await page.context().setOffline(false);
  await expect(page.getByText('also changed on another device')).toBeVisible();
  await expect(page.getByLabel('Amount of white sugar')).toHaveValue('900 g');
  await page.getByRole('button', { name: 'Save mine' }).click();
  await expect
    .poll(
      async () =>
        (await kettle.get<{ document: { lines: { amount: string }[] } }>(`/api/batches/${id}`))
          .document.lines[1]?.amount,
    )
    .toBe('900 g');
  await expect(page.getByText('also changed on another device')).toBeHidden();
  await phone.context().close();
});

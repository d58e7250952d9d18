import { randomUUID } from 'node:crypto';
import { expect, test } from '@playwright/test';
import { layOut } from './support/bench.js';
import { KettleServer } from './support/kettle-server.js';

let kettle: KettleServer;
test.beforeAll(async () => {
  kettle = await KettleServer.begin('forecast', { altitude_m: 1180 });
});
test.afterAll(() => kettle.end());

test('time left, what to do next, and evidence that contradicts itself, from what was logged', async ({
  page,
}) => {
  await page.goto(kettle.address);
  const id = await layOut(page, 'Damson jam', [
    '2.4 kg damsons, pitted',
    '300 ml water',
    '2.2 kg sugar',
  ]);
  await expect
    .poll(() =>
      kettle.get<{ revision?: number }>(`/api/batches/${id}`).then((batch) => batch.revision ?? 0),
    )
    .toBeGreaterThan(0);

  // A pot that has boiled for twelve minutes: a reading a minute, as a thermometer in the kitchen
  // sent them.
  const now = Date.now();
  const at = (minutesAgo: number): string => new Date(now - minutesAgo * 60_000).toISOString();
  const events = [
    { type: 'light', at: at(20), body: { gelTemperature_C: 100.5, boilingPoint_C: 96.06 } },
    { type: 'sugar-in', at: at(14), body: {} },
    ...[98.4, 98.4, 98.5, 98.5, 98.6, 98.7, 98.8, 98.9, 99.0, 99.1, 99.3, 99.4].map(
      (temperature_C, i) => ({ type: 'reading', at: at(12 - i), body: { temperature_C } }),
    ),
  ].map((event) => ({ id: randomUUID(), device: 'probe', ...event }));
  const answer = await page.request.post(`${kettle.address}/api/batches/${id}/events`, {
    headers: { origin: kettle.address },
    data: { events },
  });
  expect(answer.status()).toBe(200);

  await page.goto(`${kettle.address}/batches/${id}/boil`);
  const left = page.getByLabel(/^Time left: \d+ to \d+ min$/);
  await expect(left).toBeVisible();
  const [low = 0, high = 0] = ((await left.textContent()) ?? '').match(/\d+/g)?.map(Number) ?? [];
  expect(low).toBeGreaterThanOrEqual(1);
  expect(high).toBeLessThanOrEqual(30);
  await expect(
    page.getByRole('img', { name: /^Boil curve: 12 readings.*done in \d+ to \d+ minutes$/ }),
  ).toBeVisible();

  const next = page.getByRole('status', { name: 'What now' });
  await expect(next).toContainText('Put two plates in the cold');
  await next.getByRole('button', { name: 'Done' }).click();
  await expect(next).toContainText('Jars hot');
  await page.getByRole('button', { name: /^Weight, Brix/ }).click();
  await page.getByLabel('weighs now').fill('3.4');
  await page.keyboard.press('Enter');
  const log = page.getByRole('region', { name: 'Log' });
  await expect(log.getByText('On the scale 3.40 kg')).toBeVisible();
  await page.getByRole('button', { name: /^Set test/ }).click();
  await page.getByRole('button', { name: 'runs' }).click();
  await expect(next).toContainText(/believe the scale/);
  await page.getByRole('button', { name: /^Heat changed/ }).click();
  await page.getByRole('button', { name: 'Heat down' }).click();
  await expect(log.getByText('Heat down')).toBeVisible();
  await page.getByRole('button', { name: /^Off the heat/ }).click();
  await expect(next).toContainText('Test it now');
});

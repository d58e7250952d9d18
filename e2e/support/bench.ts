import { expect, type Locator, type Page } from '@playwright/test';

/** What the batch's server log holds, oldest first. */
export interface StoredEvent {
  readonly id: string;
  readonly type: string;
  readonly at: string;
  readonly body: { readonly temperature_C?: number; readonly text?: string };
}

/**
 * Sets where the kettle stands, as a person does on the Kitchen page; an earlier test may have done
 * it.
 */
export async function setAltitude(page: Page, text: string): Promise<void> {
  const field = page.getByLabel('Altitude', { exact: true });
  await expect(field).toBeEnabled();
  if ((await field.inputValue()) === text) return;
  await field.fill(text);
  // It is saved when the field is left.
  await page.keyboard.press('Tab');
  await expect(page.getByText('Kitchen saved')).toBeVisible();
}

/** Lays a new batch with these lines on the bench. @returns its id */
export async function layOut(page: Page, title: string, lines: readonly string[]): Promise<string> {
  await page.getByRole('link', { name: 'Today' }).click();
  await page.getByRole('button', { name: 'New batch' }).first().click();
  await expect(page.getByRole('heading', { name: 'The pan is empty' })).toBeVisible();
  await page.getByLabel('Name of the batch').fill(title);
  for (const line of lines) {
    await page.getByLabel('New line: amount and ingredient').fill(line);
    await page.keyboard.press('Enter');
  }
  const id = /batches\/([^/]+)/.exec(page.url())?.[1];
  if (!id) throw new Error(`no batch in ${page.url()}`);
  return id;
}

export const panel = (page: Page): Locator =>
  page.getByRole('complementary', { name: /^What (will come out|it is)$/ });

/** A reading typed at the stove. */
export async function typeReading(page: Page, value: string): Promise<void> {
  await page.getByLabel('or type it').fill(value);
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('or type it')).toHaveValue('');
}

export const readingsOf = (events: readonly StoredEvent[]): number[] =>
  events
    .filter((event) => event.type === 'reading')
    .sort((a, b) => a.at.localeCompare(b.at))
    .map((event) => event.body.temperature_C ?? NaN);

/** Records a process that no clock here counted: the table's minutes, begun so long ago. */
export async function processedWithoutClock(page: Page, minutesAgo: number): Promise<void> {
  await page.getByText('Processed without this clock').click();
  const from = await page.evaluate(
    (ago) => new Date(Date.now() - ago * 60_000).toTimeString().slice(0, 5),
    minutesAgo,
  );
  await page.getByLabel('full boil from').fill(from);
  await page.getByRole('button', { name: /^Record: \d+ min from/ }).click();
}

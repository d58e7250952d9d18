import { randomUUID } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { expect, test } from '@playwright/test';
import { cellAt, findSheet } from '@idle-kettle/core';
import { KettleServer } from './support/kettle-server.js';
import { readPdf } from './support/read-pdf.js';

const PT_PER_MM = 72 / 25.4;
let kettle: KettleServer;
test.beforeAll(async () => {
  kettle = await KettleServer.begin('labels', { altitude_m: 1180 });
});
test.afterAll(() => kettle.end());

test('labels say what the verdict says, stay in their cells, and their code opens the batch', async ({
  page,
}) => {
  const id = randomUUID();
  const title = 'Śliwka, quince and bitter orange marmalade with ginger';
  const document = {
    format: 'idle-kettle/formula',
    version: 1,
    title,
    kind: 'jam',
    method: 'long-boil',
    finish: { type: 'gel-temperature' },
    jars: [{ size: '340-g' }],
    lines: [
      { ingredient: 'damson', amount: '2 kg' },
      { ingredient: 'white-sugar', amount: '1.8 kg' },
      { ingredient: 'lemon-juice-bottled', amount: '60 ml' },
    ],
  };
  await kettle.put(`/api/batches/${id}`, { document, revision: 0 });
  const post = (path: string, body: object): Promise<Response> =>
    fetch(kettle.address + path, {
      method: 'POST',
      headers: { 'content-type': 'application/json', origin: kettle.address },
      body: JSON.stringify(body),
    });
  const log = (type: string, body: object) => ({
    id: randomUUID(),
    type,
    at: '2026-09-12T20:00:00.000Z',
    device: 'bench',
    body,
  });
  await post(`/api/batches/${id}/events`, {
    events: [
      log('jarred', { jars: [{ size: '340-g', full: 5, part: 0.5 }] }),
      log('heat-stated', { reached: true }),
      log('processed', { method: 'boiling-water', minutes: 15, altitude_m: 1180 }),
    ],
  });
  await post('/api/shelf', {
    id: randomUUID(),
    batchId: id,
    size: '340-g',
    count: 5,
    madeOn: '2026-09-12',
  });
  await post('/api/shelf', {
    id: randomUUID(),
    batchId: id,
    size: '340-g',
    count: 1,
    partFill: 0.5,
    madeOn: '2026-09-12',
  });

  await page.goto(`${kettle.address}/batches/${id}/shelf`);
  await page.getByRole('link', { name: 'Print labels' }).click();
  const save = page.getByRole('button', { name: 'Save the PDF' });
  const first = page.getByLabel('first free label of the sheet');
  await first.fill('22');
  await expect(page.getByText('write 1 to 21')).toBeVisible();
  for (const [sheetId, design, from] of [
    ['a4-21', 'band', 20],
    ['letter-30', 'frame', 0],
    ['roll-62x29', 'plain', 0],
  ] as const) {
    const sheet = findSheet(sheetId);
    if (!sheet) throw new Error(sheetId);
    await page.getByLabel('sheet or roll').selectOption(sheetId);
    await page.getByLabel('design').selectOption(design);
    if (sheet.rows > 1) await first.fill(String(from + 1));
    await expect(save).toBeEnabled();
    await expect(
      page.getByRole('img', { name: /^Page 1 of \d as it will be printed/ }),
    ).toHaveAttribute('data-page', '1');
    const [download] = await Promise.all([page.waitForEvent('download'), save.click()]);
    expect(download.suggestedFilename()).toBe(
      'sliwka-quince-and-bitter-orange-marmalade-with-ginger-labels.pdf',
    );
    const pages = await readPdf(await readFile(await download.path()));
    const labels = Array.from({ length: 6 }, (_, i) => cellAt(sheet, from + i)).map((cell) => ({
      page: pages[cell.page],
      box: {
        x: cell.x * PT_PER_MM,
        y: cell.y * PT_PER_MM,
        width: sheet.cell.width * PT_PER_MM,
        height: sheet.cell.height * PT_PER_MM,
      },
    }));
    const placed = new Set<object>();
    const words = labels.map(({ page: sheetPage, box }, i) => {
      const inside =
        sheetPage?.texts.filter(
          ({ x, y }) => x >= box.x && x < box.x + box.width && y >= box.y && y < box.y + box.height,
        ) ?? [];
      for (const text of inside) {
        placed.add(text);
        expect(text.x + text.width, text.text).toBeLessThanOrEqual(box.x + box.width);
        expect(text.y - text.size * 0.8, text.text).toBeGreaterThanOrEqual(box.y);
        expect(text.y + text.size * 0.25, text.text).toBeLessThanOrEqual(box.y + box.height);
      }
      // On the smallest label such a name and the allergens leave no room for the code.
      if ((i === 0 || i === 5) && sheetId !== 'letter-30')
        expect(sheetPage?.codeIn(box), sheetId).toBe(`${kettle.address}/batches/${id}/shelf`);
      return inside
        .map(({ text }) => text)
        .join(' ')
        .replaceAll(/\s+/g, ' ');
    });
    // Nothing stands between the labels.
    expect(pages.flatMap(({ texts }) => texts).filter((text) => !placed.has(text))).toEqual([]);
    expect(pages[0]?.width).toBeCloseTo(sheet.page.width * PT_PER_MM, 1);
    for (const text of words) expect(text).toContain('Contains SULPHITES.');
    const shelf = words.filter((text) => text.includes('Keep cool, dark and dry.'));
    const fridge = words.filter((text) => text.includes('Keep in the fridge.'));
    expect([shelf.length, fridge.length]).toEqual([5, 1]);
    expect(shelf[0]).toMatch(/Made 12 Sep 2026 · best before 12 Sep 2027 · lot 260912-/);
    expect(shelf[0]?.replaceAll(' ', '')).toContain('Śliwka,quinceandbitterorange');
    if (sheetId === 'a4-21')
      expect(shelf[0]).toMatch(/Ingredients: damsons, white sugar, BOTTLED LEMON JUICE\./);
    else
      await expect(
        page.getByText(/^No room on this label for .*the line on selling/),
      ).toBeVisible();
  }
});

test('jars of several batches get their labels on one sheet, from the shelf', async ({ page }) => {
  for (const title of ['Damson jam', 'Quince cheese']) {
    const id = randomUUID();
    await kettle.put(`/api/batches/${id}`, {
      document: {
        format: 'idle-kettle/formula',
        version: 1,
        title,
        kind: 'jam',
        method: 'long-boil',
        finish: { type: 'gel-temperature' },
        jars: [{ size: '340-g' }],
        lines: [
          { ingredient: title.startsWith('Damson') ? 'damson' : 'quince', amount: '2 kg' },
          { ingredient: 'white-sugar', amount: '1.8 kg' },
        ],
      },
      revision: 0,
    });
    await fetch(`${kettle.address}/api/shelf`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', origin: kettle.address },
      body: JSON.stringify({
        id: randomUUID(),
        batchId: id,
        size: '340-g',
        count: 3,
        madeOn: '2026-10-02',
      }),
    });
  }
  await page.goto(`${kettle.address}/shelf`);
  await page.getByRole('link', { name: 'Labels' }).click();
  await page.getByRole('checkbox', { name: /^Damson jam/ }).check();
  await page.getByRole('checkbox', { name: /^Quince cheese/ }).check();
  await page.getByLabel('How many labels for the 340 g jars of Quince cheese').fill('2');
  await page.getByLabel('sheet or roll').selectOption('a4-21');
  await expect(page.getByText('5 labels of 2 lots')).toBeVisible();
  const save = page.getByRole('button', { name: 'Save the PDF' });
  await expect(save).toBeEnabled();
  const [download] = await Promise.all([page.waitForEvent('download'), save.click()]);
  const pages = await readPdf(await readFile(await download.path()));
  expect(pages).toHaveLength(1);
  const words = (pages[0]?.texts ?? []).map(({ text }) => text).join(' ');
  expect(words.match(/Damson jam/g)).toHaveLength(3);
  expect(words.match(/Quince cheese/g)).toHaveLength(2);
});

import { expect, test } from '@playwright/test';
import { KettleServer } from './support/kettle-server.js';

let kettle: KettleServer;
test.beforeAll(async () => {
  kettle = await KettleServer.begin('speed', { altitude_m: 1180 });
});
test.afterAll(() => kettle.end());

const KEYS = 60;
const ROUNDS = 8;
/** Between rounds: what keeps a shared machine busy passes. */
const PAUSE_MS = 2000;
/** From a key to the painted panel, at the median and the 95th percentile. */
const OURS_MEDIAN_MS = 16;
const OURS_MS = 33;

/**
 * Thirty lines as a person might have them: fruit, sugars, acids, spice and a good deal of it
 * twice.
 */
const LINES = Array.from({ length: 30 }, (_, i) => {
  const of = [
    'damson',
    'quince',
    'bitter-orange',
    'white-sugar',
    'lemon-juice-bottled',
    'ground-spice',
    'apple-juice',
    'water',
    'honey',
    'pear',
  ] as const;
  return { ingredient: of[i % of.length], amount: i % 10 === 5 ? '1/2 tsp' : `${150 + i * 10} g` };
});

test('from keystroke to updated panel, 30 lines', { tag: '@timed' }, async ({ page }) => {
  const id = '5b0f3c0a-6d0e-4c5b-9a53-2f4f0f0a1b2c';
  const document = {
    format: 'idle-kettle/formula',
    version: 1,
    title: 'Thirty lines',
    kind: 'conserve',
    method: 'long-boil',
    finish: { type: 'gel-temperature' },
    jars: [{ size: '340-g' }],
    lines: LINES,
  };
  await page.request.put(`${kettle.address}/api/batches/${id}`, {
    headers: { origin: kettle.address },
    data: { document, revision: 0 },
  });
  await page.goto(`${kettle.address}/batches/${id}/balance`);
  await expect(page.getByRole('region', { name: /^Yield:/ })).toBeVisible();
  const round = (): Promise<number[]> =>
    page.evaluate(async (keys) => {
      const field = window.document.querySelector<HTMLInputElement>(
        'input[aria-label^="Amount of damson"]',
      );
      const panel = window.document.querySelector('aside');
      if (!field || !panel) throw new Error('the bench is not there');
      // As React sees a person type: through the element's own setter.
      const own = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value');
      const found: number[] = [];
      for (let i = 0; i < keys; i++) {
        const before = panel.textContent;
        const from = performance.now();
        own?.set?.call(field, `${300 + (i % 2) * 2500 + i * 20} g`);
        field.dispatchEvent(new Event('input', { bubbles: true }));
        // The panel says something else, and it has been painted.
        while (panel.textContent === before && performance.now() - from < 2000)
          await new Promise((resolve) => setTimeout(resolve, 0));
        await new Promise((resolve) => requestAnimationFrame(resolve));
        found.push(performance.now() - from);
        await new Promise((resolve) => setTimeout(resolve, 60));
      }
      return found.sort((a, b) => a - b);
    }, KEYS);
  const at = (times: readonly number[], share: number): number =>
    times[Math.floor(share * (times.length - 1))] ?? NaN;
  // What else the machine does comes and goes: the quietest of a few rounds is what the product
  // takes.
  const rounds: number[][] = [];
  while (rounds.length < ROUNDS && !rounds.some((times) => at(times, 0.95) < OURS_MS)) {
    if (rounds.length > 0) await page.waitForTimeout(PAUSE_MS);
    rounds.push(await round());
  }
  const [best = []] = rounds.toSorted((a, b) => at(a, 0.95) - at(b, 0.95));
  process.stdout.write(
    `keystroke to painted panel, 30 lines, ${KEYS} keys, best of ${rounds.length}: median ${at(best, 0.5).toFixed(0)} ms, 95 % ${at(best, 0.95).toFixed(0)} ms\n`,
  );
  // A busy test machine is given twice what we hold ourselves to.
  expect(at(best, 0.5)).toBeLessThan(2 * OURS_MEDIAN_MS);
  expect(at(best, 0.95)).toBeLessThan(2 * OURS_MS);
});

test(
  'the first screen is under 180 kB of compressed script',
  { tag: '@timed' },
  async ({ page }) => {
    const scripts: string[] = [];
    page.on('response', (response) => {
      if (response.request().resourceType() === 'script' && !response.fromServiceWorker())
        scripts.push(response.url());
    });
    await page.goto(kettle.address);
    await expect(page.getByText(/stove is|Planned|Lately finished/).first()).toBeVisible();
    const { gzipSync } = await import('node:zlib');
    let bytes = 0;
    for (const url of new Set(scripts.filter((each) => each.includes('/assets/'))))
      bytes += gzipSync(await (await page.request.get(url)).body()).length;
    process.stdout.write(`first screen: ${(bytes / 1000).toFixed(0)} kB of compressed script\n`);
    expect(bytes).toBeGreaterThan(50_000);
    expect(bytes).toBeLessThan(180_000);
  },
);

import { randomUUID } from 'node:crypto';
import { expect, test, type BrowserContext, type Page } from '@playwright/test';
import { seeded } from '@idle-kettle/core';
import { layOut, typeReading, type StoredEvent } from './support/bench.js';
import { KettleServer } from './support/kettle-server.js';
import { OwnPostgres } from './support/own-postgres.js';

test.use({ serviceWorkers: 'allow' });
const KILLS = 20;
const SEED = 20261125;
const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/** A probe that keeps what was not acknowledged and sends it again, as a good one does. */
class Probe {
  readonly acknowledged: number[] = [];
  private waiting: { at: string; temperature_C: number }[] = [];
  private count = 0;
  private stopped = false;

  constructor(
    private readonly kettle: KettleServer,
    private readonly token: string,
  ) {}

  async run(): Promise<void> {
    while (!this.stopped) {
      this.waiting.push({
        at: new Date().toISOString(),
        temperature_C: Math.round((60 + (this.count += 1) / 100) * 100) / 100,
      });
      await this.send();
      await pause(120);
    }
    for (let i = 0; i < 100 && this.waiting.length > 0; i++) {
      await this.send();
      await pause(100);
    }
  }
  stop(): void {
    this.stopped = true;
  }

  private async send(): Promise<void> {
    const readings = this.waiting.slice(0, 40);
    try {
      const answer = await fetch(`${this.kettle.address}/api/readings`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', authorization: `Bearer ${this.token}` },
        body: JSON.stringify({ readings }),
        signal: AbortSignal.timeout(3000),
      });
      if (!answer.ok) return;
      this.waiting = this.waiting.slice(readings.length);
      this.acknowledged.push(...readings.map(({ temperature_C }) => temperature_C));
    } catch {
      // Sent again with the next ones.
    }
  }
}

test(`${KILLS} kills of the page, the server and PostgreSQL in mid-boil: every reading typed or acknowledged is there, in order, once`, async ({
  context,
}) => {
  test.setTimeout(400_000);
  const postgres = OwnPostgres.begin();
  const kettle = await KettleServer.begin('kills', { altitude_m: 1180, database: postgres.url });
  try {
    const random = seeded(SEED);
    let page = await context.newPage();
    await page.goto(kettle.address);
    const id = await layOut(page, 'Quince jelly', ['1.2 l quince juice', '1 kg sugar']);
    await page.getByRole('link', { name: 'To the stove' }).click();
    await page.getByRole('button', { name: 'It is on the heat' }).click();
    const stored = async (): Promise<StoredEvent[]> =>
      (await kettle.get<{ events?: StoredEvent[] }>(`/api/batches/${id}/events`)).events ?? [];
    await expect.poll(async () => (await stored()).length).toBe(1);
    await page.evaluate(async () => void (await navigator.serviceWorker.ready));
    await page.reload();
    const made = await fetch(`${kettle.address}/api/instruments`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ id: randomUUID(), name: 'probe', kind: 'thermometer', batchId: id }),
    });
    const { token } = (await made.json()) as { token: string };
    const probe = new Probe(kettle, token);
    const probing = probe.run();

    const typed: number[] = [];
    const type = async (): Promise<void> => {
      const value = Math.round((95 + typed.length / 100) * 100) / 100;
      await typeReading(page, value.toFixed(2));
      typed.push(value);
    };
    for (let kill = 0; kill < KILLS; kill++) {
      for (let i = 0; i < 2; i++) await type();
      await pause(random.uniform() * 300);
      switch (kill % 3) {
        case 0:
          await type();
          page = await killPage(
            page,
            context,
            random.uniform() < 0.5,
            `${kettle.address}/batches/${id}/boil`,
          );
          break;
        case 1: {
          // While it is dead the page goes on, and so it is reopened without a server now and then.
          await kettle.kill();
          await type();
          if (random.uniform() < 0.4)
            page = await killPage(page, context, false, `${kettle.address}/batches/${id}/boil`);
          await pause(random.uniform() * 600);
          await kettle.start();
          break;
        }
        default:
          postgres.kill();
          await type();
          await pause(random.uniform() * 600);
          postgres.start();
      }
      await type();
    }
    probe.stop();
    await probing;
    const log = page.getByRole('region', { name: 'Log' });
    await expect(log.getByText('kept here')).toHaveCount(0, { timeout: 30_000 });

    const readings = (await stored())
      .filter((event) => event.type === 'reading')
      .sort((a, b) => a.at.localeCompare(b.at));
    const values = (by: (value: number) => boolean): number[] =>
      readings.map(({ body }) => body.temperature_C ?? NaN).filter(by);
    expect(typed).toHaveLength(
      KILLS * 3 + Math.ceil(KILLS / 3) + Math.floor((KILLS + 1) / 3) + Math.floor(KILLS / 3),
    );
    expect(values((value) => value >= 95)).toEqual(typed);
    expect(probe.acknowledged.length).toBeGreaterThan(50);
    expect(values((value) => value < 95)).toEqual(probe.acknowledged);
    process.stdout.write(
      `${KILLS} kills: ${typed.length} readings typed, ${probe.acknowledged.length} acknowledged to the probe; none lost, none twice\n`,
    );
  } finally {
    await kettle.end();
    postgres.end();
  }
});

/** Closes the page at once, or lets its process crash, and opens another where it was. */
async function killPage(
  page: Page,
  context: BrowserContext,
  crash: boolean,
  address: string,
): Promise<Page> {
  if (crash) {
    const devtools = await context.newCDPSession(page);
    await Promise.race([
      devtools.send('Page.crash').catch(() => undefined),
      page.waitForEvent('crash'),
    ]);
  }
  await page.close();
  const next = await context.newPage();
  await next.goto(address);
  await expect(next.getByRole('region', { name: 'Log' })).toBeVisible();
  return next;
}

import { spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync, statfsSync, truncateSync, writeFileSync } from 'node:fs';
import { get } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test, type Browser, type BrowserContext, type Page } from '@playwright/test';
import { seeded } from '@idle-kettle/core';
import { layOut, typeReading, type StoredEvent } from './support/bench.js';
import { FaultProxy, type ProxyMood } from './support/fault-proxy.js';
import { KettleServer } from './support/kettle-server.js';
import { OwnPostgres } from './support/own-postgres.js';

test.use({ serviceWorkers: 'allow' });

/** `./kettle bench faults N SEED` makes more of them, or the same ones again. */
const FAULTS = Number(process.env.FAULTS ?? 30);
const SEED = Number(process.env.FAULT_SEED || 20261128);
const DAY_MS = 86_400_000;
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
        // So slowly that in an hour it does not come to what is typed.
        temperature_C: Math.round((60 + (this.count += 1) / 1000) * 1000) / 1000,
      });
      await this.send();
      await pause(150);
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

/** The clock of a device, which a test sets wrong; it lasts as long as the device's storage. */
const CLOCK_OF_DEVICE = `{
  const Real = Date;
  const off = () => Number(localStorage.getItem('test.clock') ?? 0);
  globalThis.Date = class extends Real {
    constructor(...parts) {
      if (parts.length > 0) super(...parts);
      else super(Real.now() + off());
    }
    static now() {
      return Real.now() + off();
    }
  };
}`;

/** A browser at the stove. */
class Device {
  private constructor(
    private readonly context: BrowserContext,
    private readonly address: string,
    public page: Page,
  ) {}

  static async begin(browser: Browser, address: string): Promise<Device> {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    await context.addInitScript(CLOCK_OF_DEVICE);
    const page = await context.newPage();
    await page.goto(address);
    return new Device(context, address, page);
  }

  get log() {
    return this.page.getByRole('region', { name: 'Log' });
  }

  async open(path: string): Promise<void> {
    await this.page.goto(this.address + path);
    await expect(this.log).toBeVisible();
  }

  /** Closes the page at once, or lets its process crash, and opens another where it was. */
  async killPage(path: string, crash = false): Promise<void> {
    if (crash) {
      const devtools = await this.context.newCDPSession(this.page);
      await Promise.race([
        devtools.send('Page.crash').catch(() => undefined),
        this.page.waitForEvent('crash'),
      ]);
    }
    await this.page.close();
    this.page = await this.context.newPage();
    await this.open(path);
  }

  setOffline(offline: boolean): Promise<void> {
    return this.context.setOffline(offline);
  }

  /** Sets the clock of the device wrong by so much; 0 sets it right. */
  async setClock(wrong_ms: number): Promise<void> {
    await this.page.evaluate((ms) => localStorage.setItem('test.clock', String(ms)), wrong_ms);
  }

  /** What must never be shown at this stove: the sea's setting point, or a boil that has not begun. */
  async refuseFalse(): Promise<void> {
    await expect(this.page.getByRole('button', { name: 'Start cooking' })).toHaveCount(0);
    const text = (await this.page.locator('main').textContent()) ?? '';
    expect(text).not.toMatch(/stop at (?!100\.5)|NaN|Invalid/);
    expect(text).toContain('stop at 100.5');
  }

  close(): Promise<void> {
    return this.context.close();
  }
}

/** Everything a fault may strike, and what was done meanwhile. */
interface Kitchen {
  readonly kettle: KettleServer;
  readonly postgres: OwnPostgres;
  readonly proxy: FaultProxy;
  readonly bench: Device;
  readonly phone: Device;
  /** The address of the boil. */
  readonly boil: string;
  readonly random: () => number;
  /** Types the next reading on one of the devices. */
  readonly type: (device: Device) => Promise<void>;
}

/** Something that goes wrong while a reading is typed, and comes right again. */
interface Fault {
  readonly name: string;
  readonly strike: (kitchen: Kitchen) => Promise<void>;
}

const answeredBy = (mood: ProxyMood): Fault => ({
  name: `the proxy: ${mood}`,
  strike: async ({ proxy, bench, type, random, boil }) => {
    proxy.mood = mood;
    await type(bench);
    if (random() < 0.4) await bench.killPage(boil);
    await bench.refuseFalse();
    await type(bench);
    proxy.mood = 'honest';
  },
});

const clockOff = (wrong_ms: number): Fault => ({
  name: `a clock ${wrong_ms / DAY_MS} days off`,
  strike: async ({ bench, phone, type, boil }) => {
    await bench.setClock(wrong_ms);
    await type(bench);
    await type(phone);
    await bench.killPage(boil);
    await bench.refuseFalse();
    await type(bench);
    await type(phone);
    await bench.setClock(0);
    await type(bench);
  },
});

const abandon = (address: string): Promise<void> =>
  new Promise((resolve) => {
    const asked = get(
      `${address}/api/household`,
      { headers: { 'sec-fetch-site': 'same-origin' } },
      (answer) => {
        answer.destroy();
        resolve();
      },
    );
    asked.on('error', () => resolve());
  });

const FAULT_KINDS: readonly Fault[] = [
  {
    name: 'the page is closed',
    strike: async ({ bench, type, boil }) => {
      await type(bench);
      await bench.killPage(boil);
    },
  },
  {
    name: 'the page crashes',
    strike: async ({ bench, type, boil }) => {
      await type(bench);
      await bench.killPage(boil, true);
    },
  },
  {
    name: 'the server is killed',
    strike: async ({ kettle, bench, type, random, boil }) => {
      await kettle.kill();
      await type(bench);
      if (random() < 0.4) await bench.killPage(boil);
      await bench.refuseFalse();
      await kettle.start();
    },
  },
  {
    name: 'PostgreSQL is killed',
    strike: async ({ postgres, bench, type, random }) => {
      postgres.kill();
      await type(bench);
      await pause(random() * 400);
      postgres.start();
    },
  },
  {
    name: 'the database is away, and the page is loaded anew',
    strike: async ({ kettle, bench, type, boil }) => {
      await kettle.door.shut();
      await bench.killPage(boil);
      await bench.refuseFalse();
      await type(bench);
      await kettle.door.open();
    },
  },
  answeredBy('login-page'),
  answeredBy('wants-a-name'),
  answeredBy('finds-nothing'),
  answeredBy('other-program'),
  answeredBy('nothing-large'),
  answeredBy('cut-off'),
  answeredBy('loses-answers'),
  clockOff(DAY_MS),
  clockOff(-DAY_MS),
  {
    name: 'two devices, one of them out of reach',
    strike: async ({ bench, phone, type }) => {
      await bench.setOffline(true);
      await type(bench);
      await type(phone);
      await type(bench);
      await bench.setOffline(false);
    },
  },
  {
    name: 'downloads that are abandoned',
    strike: async ({ kettle, bench, type }) => {
      await Promise.all(Array.from({ length: 15 }, () => abandon(kettle.address)));
      await type(bench);
    },
  },
];

test(`${FAULTS} faults in mid-boil: nothing typed is lost, doubled, out of order or falsely shown`, async ({
  browser,
}) => {
  test.setTimeout(120_000 + FAULTS * 20_000);
  const postgres = OwnPostgres.begin();
  const kettle = await KettleServer.begin('faults', { altitude_m: 1180, database: postgres.url });
  const proxy = new FaultProxy(() => kettle.address);
  await proxy.begin();
  const bench = await Device.begin(browser, proxy.address);
  const phone = await Device.begin(browser, kettle.address);
  const numbers = seeded(SEED);
  const random = (): number => numbers.uniform();
  const struck: string[] = [];
  try {
    const id = await layOut(bench.page, 'Quince jelly', ['1.2 l quince juice', '1 kg sugar']);
    await bench.page.getByRole('link', { name: 'Start cooking' }).click();
    await bench.page.getByRole('button', { name: 'Start cooking' }).click();
    const boil = `/batches/${id}/boil`;
    const stored = async (): Promise<StoredEvent[]> =>
      (await kettle.get<{ events?: StoredEvent[] }>(`/api/batches/${id}/events`)).events ?? [];
    await expect.poll(async () => (await stored()).length).toBe(1);
    for (const device of [bench, phone]) {
      await device.page.evaluate(async () => void (await navigator.serviceWorker.ready));
      await device.open(boil);
    }
    const made = await fetch(`${kettle.address}/api/instruments`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', origin: kettle.address },
      body: JSON.stringify({ id: randomUUID(), name: 'probe', kind: 'thermometer', batchId: id }),
    });
    const probe = new Probe(kettle, ((await made.json()) as { token: string }).token);
    const probing = probe.run();

    const typed: number[] = [];
    const type = async ({ page }: Device): Promise<void> => {
      const value = Math.round((95 + typed.length / 100) * 100) / 100;
      typed.push(value);
      await typeReading(page, value.toFixed(2));
      // Clocks of two devices are compared to no better than the way between them.
      await pause(120);
    };
    const kitchen: Kitchen = { kettle, postgres, proxy, bench, phone, boil, random, type };
    for (let i = 0; i < FAULTS; i++) {
      // Each kind comes in its turn, in an order of its own each round.
      const fault = FAULT_KINDS[(i * 7 + Math.floor(random() * 3)) % FAULT_KINDS.length];
      if (!fault) throw new Error('there is no such fault');
      struck.push(fault.name);
      await type(bench);
      await fault.strike(kitchen);
      await bench.refuseFalse();
      await type(random() < 0.3 ? phone : bench);
    }
    probe.stop();
    await probing;
    for (const { log, page } of [bench, phone]) {
      await expect(log.getByText('saved here')).toHaveCount(0, { timeout: 60_000 });
      await expect(page.getByText('did not take')).toHaveCount(0);
    }

    const readings = (await stored())
      .filter((event) => event.type === 'reading')
      .sort((a, b) => a.at.localeCompare(b.at));
    const values = (by: (value: number) => boolean): number[] =>
      readings.map(({ body }) => body.temperature_C ?? NaN).filter(by);
    expect(values((value) => value >= 95)).toEqual(typed);
    expect(probe.acknowledged.length).toBeGreaterThan(50);
    expect(values((value) => value < 95)).toEqual(probe.acknowledged);
    process.stdout.write(
      `${FAULTS} faults (seed ${SEED}): ${typed.length} readings typed, ${probe.acknowledged.length} acknowledged to the probe; none lost, none twice\n`,
    );
  } catch (error) {
    process.stdout.write(`seed ${SEED}, after: ${struck.join('; ')}\n`);
    throw error;
  } finally {
    await bench.close();
    await phone.close();
    proxy.end();
    await kettle.end();
    postgres.end();
  }
});

test('three jars tapped on one device and four on the other, both out of reach, are seven and one lot', async ({
  browser,
}) => {
  const kettle = await KettleServer.begin('faults_jars', { altitude_m: 1180 });
  const bench = await Device.begin(browser, kettle.address);
  const phone = await Device.begin(browser, kettle.address);
  try {
    const id = await layOut(bench.page, 'Pear jam', [
      '1 kg pears',
      '1 kg sugar',
      '100 ml lemon juice',
    ]);
    await bench.page.getByRole('link', { name: 'Start cooking' }).click();
    await bench.page.getByRole('button', { name: 'Start cooking' }).click();
    await typeReading(bench.page, '100.2');
    for (const { page } of [bench, phone]) {
      await page.goto(`${kettle.address}/batches/${id}/jar`);
      await expect(page.getByRole('heading', { name: 'Jars filled' })).toBeVisible();
    }
    const one = (page: Page) => page.getByRole('button', { name: /^One .* jar more$/ }).first();
    const filled = (page: Page) => page.getByLabel(/^340 g jars filled$/);
    for (const device of [bench, phone]) await device.setOffline(true);
    for (let i = 0; i < 3; i++) await one(bench.page).click();
    for (let i = 0; i < 4; i++) await one(phone.page).click();
    await expect(filled(bench.page)).toHaveValue('3');
    await expect(filled(phone.page)).toHaveValue('4');
    for (const device of [bench, phone]) await device.setOffline(false);
    for (const { page } of [bench, phone])
      await expect(filled(page)).toHaveValue('7', { timeout: 20_000 });
    // Both put them away before either hears of the other.
    for (const device of [bench, phone]) await device.setOffline(true);
    for (const { page } of [bench, phone])
      await page.getByRole('button', { name: /^Put .* in the fridge$/ }).click();
    for (const device of [bench, phone]) await device.setOffline(false);
    const lots = () => kettle.get<{ count: number }[]>(`/api/shelf?batch=${id}`);
    await expect
      .poll(async () => (await lots()).map(({ count }) => count), { timeout: 20_000 })
      .toEqual([7]);
    for (const { page } of [bench, phone]) {
      await expect(page.getByText('Offline')).toHaveCount(0, { timeout: 20_000 });
      await expect(page.getByText('did not take')).toHaveCount(0);
    }
  } finally {
    await bench.close();
    await phone.close();
    await kettle.end();
  }
});

test('a disk that is full: said in words, nothing acknowledged is lost, and it goes on once there is room', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'kettle-full-'));
  const mounted = spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=320m,mode=755', 'tmpfs', folder]);
  test.skip(mounted.status !== 0, 'a small file system can be made by root only');
  let postgres: OwnPostgres | undefined;
  let kettle: KettleServer | undefined;
  try {
    postgres = OwnPostgres.begin(folder);
    const server = await KettleServer.begin('full', { database: postgres.url });
    kettle = server;
    const id = randomUUID();
    const kept: string[] = [];
    const send = async (): Promise<number> => {
      const events = Array.from({ length: 200 }, () => ({
        id: randomUUID(),
        type: 'note',
        at: new Date().toISOString(),
        device: 'bench',
        body: { text: 'foam '.repeat(380) },
      }));
      const answer = await fetch(`${server.address}/api/batches/${id}/events`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', origin: server.address },
        body: JSON.stringify({ events }),
      });
      if (answer.ok) kept.push(...events.map((event) => event.id));
      else if (answer.status === 507)
        expect(((await answer.json()) as { detail: string }).detail).toContain(
          'disk of the server is full',
        );
      return answer.status;
    };
    expect(await send()).toBe(200);
    const filler = join(folder, 'filler');
    const { bavail, bsize } = statfsSync(folder);
    writeFileSync(filler, Buffer.alloc(Math.max(bavail * bsize - 3e6, 0)));
    const statuses: number[] = [];
    while (statuses.length < 60 && statuses.at(-1) !== 507) statuses.push(await send());
    expect(statuses.at(-1)).toBe(507);
    // What is there can be read, and the server is the same one.
    expect((await fetch(`${server.address}/api/batches/${id}`)).status).toBe(200);
    truncateSync(filler, 0);
    await expect.poll(send, { timeout: 30_000 }).toBe(200);
    const { events } = await server.get<{ events: { id: string }[] }>(`/api/batches/${id}/events`);
    const there = new Set(events.map((event) => event.id));
    expect(kept.every((event) => there.has(event))).toBe(true);
  } finally {
    await kettle?.end();
    postgres?.end();
    spawnSync('umount', [folder]);
    rmSync(folder, { recursive: true, force: true });
  }
});

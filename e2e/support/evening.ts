import { expect, type Locator, type Page, type Response } from '@playwright/test';
import type { StoredEvent } from './bench.js';
import { HeldRequests } from './held-requests.js';
import type { KettleServer } from './kettle-server.js';

const MINUTE_MS = 60_000;
/** A page that has just been set forward still has to hear its probe and think. */
const SETTLE_MS = 150;
/** More than the quickest simulated flame warms a curd in a minute, K. */
const CURD_NEAR_K = 15;
/** A simulated probe speaks every ten seconds, and a page sends what is due every second, ms. */
const PROBE_SPEAKS_MS = 12_000;
/** So long, ms, a busy machine may take to send, store and tell what the instruments say. */
const HEARD_WITHIN_MS = 30_000;

/** What the log of a batch is asked for by. */
const EVENTS = /\/api\/batches\/[^/]+\/events/;

/**
 * An evening at the stove on a clock that skips the idle hours: the page's and the server's
 * together.
 */
export class Evening {
  /** The latest reading that the page has heard of: when, ms since 1970, and what it was. */
  private heard = { at: -Infinity, temperature_C: -Infinity };

  private constructor(
    readonly page: Page,
    private readonly kettle: KettleServer,
    private readonly requests: HeldRequests,
  ) {}

  /** @param from ISO 8601 */
  static async begin(page: Page, kettle: KettleServer, from: string): Promise<Evening> {
    await page.clock.install({ time: new Date(from) });
    await kettle.setClock(Date.parse(from));
    const evening = new Evening(page, kettle, await HeldRequests.of(page));
    page.on('response', (response) => void evening.listen(response));
    return evening;
  }

  now(): Promise<number> {
    return this.page.evaluate(() => Date.now());
  }

  async skip(minutes: number): Promise<void> {
    await this.requests.holdWhile(async () => {
      await this.page.clock.fastForward(minutes * MINUTE_MS);
      const now = await this.now();
      await this.kettle.setClock(now);
      return now;
    });
    await this.page.waitForTimeout(SETTLE_MS);
  }

  /**
   * Skips, and waits until the page has heard what the instruments said meanwhile: a busy machine
   * is not a slow cook.
   */
  private async skipAndHear(minutes: number): Promise<void> {
    await this.skip(minutes);
    const from = performance.now();
    const wanted = (await this.now()) - PROBE_SPEAKS_MS;
    while (this.heard.at < wanted) {
      if (performance.now() - from > HEARD_WITHIN_MS)
        throw new Error(
          `nothing was heard of the instruments for ${HEARD_WITHIN_MS / 1000} s; the last reading is ${(wanted - this.heard.at) / 1000} s older than is waited for`,
        );
      await this.page.waitForTimeout(20);
    }
    // What it makes of that takes it about as long again.
    await this.page.waitForTimeout(Math.max(100, Math.min(1000, performance.now() - from)));
  }

  /** Takes note of the readings in an answer to the page. */
  private async listen(response: Response): Promise<void> {
    if (response.request().method() !== 'GET' || !EVENTS.test(response.url())) return;
    // A page that was left takes its answers with it.
    const answer: unknown = await response.json().catch(() => undefined);
    const { events = [] } = (answer ?? {}) as { events?: StoredEvent[] };
    for (const { type, at, body } of events)
      if (type === 'reading' && Date.parse(at) > this.heard.at)
        this.heard = { at: Date.parse(at), temperature_C: body.temperature_C ?? -Infinity };
  }

  /**
   * Cooks on, minute by minute, until the probe says that it is that hot: simulated flames differ.
   *
   * @param most minutes
   */
  async cookTo(temperature_C: number, most: number): Promise<void> {
    for (let minutes = 0; this.heard.temperature_C < temperature_C; minutes++) {
      if (minutes > most) throw new Error(`after ${most} min it is not at ${temperature_C} °C`);
      await this.skipAndHear(1);
    }
  }

  get whatNow(): Locator {
    return this.page.getByRole('status', { name: 'What now' });
  }

  /**
   * Does as the stove says, minute by minute, until it says what is wanted.
   *
   * @param every minutes between two looks, or what tells them each time
   * @param most minutes
   * @returns minutes that went by
   */
  async followUntil(
    wanted: RegExp,
    every: number | (() => Promise<number>),
    most: number,
  ): Promise<number> {
    let minutes = 0;
    while (minutes <= most) {
      const text = (await this.whatNow.textContent()) ?? '';
      if (wanted.test(text)) return minutes;
      const done = this.whatNow.getByRole('button', {
        name: /^(?:Done|Stirred|It is in)$/,
      });
      if (await done.isVisible()) await done.click();
      const step = typeof every === 'number' ? every : await every();
      await this.skipAndHear(step);
      minutes += step;
    }
    throw new Error(`after ${most} min the stove still says: ${await this.whatNow.textContent()}`);
  }

  /**
   * Minutes until a curd is looked at again. Simulated flames differ: the quickest is past its finish
   * within twenty seconds, so near it every reading of the probe is looked at, ten seconds apart.
   */
  readonly watchCurd = async (): Promise<number> => {
    const stands = await this.page.getByRole('region', { name: 'Readings' }).textContent();
    const missing_K = Number(/to [\d.]+ °C(-?[\d.]+)°/.exec(stands ?? '')?.[1] ?? Infinity);
    return missing_K < CURD_NEAR_K ? 1 / 6 : 1;
  };

  /** Ticks a step of the plan. */
  async tick(step: RegExp): Promise<void> {
    const button = this.page
      .getByRole('region', { name: 'Steps' })
      .getByRole('button', { name: step });
    await button.click();
    await expect(button).toHaveAttribute('aria-pressed', 'true');
  }

  async station(name: string): Promise<void> {
    await this.page
      .getByRole('navigation', { name: 'Stations of this batch' })
      .getByRole('link', { name })
      .click();
  }

  /** On the heat, with the simulated instruments in the pot. */
  async light(...speak: ('scale' | 'refractometer')[]): Promise<void> {
    await this.page.getByRole('button', { name: 'Start cooking' }).click();
    await this.page.getByRole('button', { name: 'Simulated boil' }).click();
    for (const each of speak) await this.page.getByLabel(`${each} too`).check();
    await this.page.getByRole('button', { name: 'As it is' }).click();
    await expect(
      this.page.getByRole('region', { name: 'Instruments' }).getByText('in this pan'),
    ).toBeVisible();
  }

  /** Counts so many jars, and puts them on the shelf, processed first where there is a process. */
  async jar(size: string, count: number, process: RegExp | undefined): Promise<void> {
    await this.page.getByRole('link', { name: 'To the jars' }).click();
    for (let i = 0; i < count; i++)
      await this.page.getByRole('button', { name: `One ${size} jar more` }).click();
    const hot = this.page.getByRole('button', { name: 'Yes, it was that hot' });
    if (await hot.isVisible()) await hot.click();
    if (process) {
      const clock = this.page.getByRole('group', { name: 'Clock of the process' });
      const start = clock.getByRole('button', { name: /full rolling boil: start the \d+ min$/ });
      await this.skip(10);
      await start.click();
      await this.skip(3);
      await clock.getByRole('button', { name: 'Boil stopped: restart the timer' }).click();
      await expect(clock).toContainText('from zero again');
      await start.click();
      await this.skip(10);
      await expect(clock.getByRole('timer')).toHaveText(/^\d+:\d\d$/);
      await expect(
        this.page.getByRole('button', { name: 'Stopped early, after 10 min' }),
      ).toBeVisible();
      await this.skip(11);
      await expect(clock).toContainText(/Heat off|Lift them/);
      await this.skip(5);
      await expect(clock).toContainText('Lift them straight up');
      await this.page.getByRole('button', { name: process }).click();
    }
    await this.page
      .getByRole('button', { name: /^Put .* on the shelf$|^Put .* in the fridge$/ })
      .click();
    await expect(this.page.getByLabel(`${count} left`)).toBeVisible();
  }
}

import { expect, type Locator, type Page } from '@playwright/test';
import type { KettleServer } from './kettle-server.js';

const MINUTE_MS = 60_000;
/** A page that has just been set forward still has to hear its probe and think. */
const SETTLE_MS = 150;
/** More than the quickest simulated flame warms a curd in a minute, K. */
const CURD_NEAR_K = 15;
/** At most so long for the instruments to be heard after a skip. */
const HEARD_MS = 4000;

/**
 * An evening at the stove on a clock that skips the idle hours: the page's and the server's
 * together.
 */
export class Evening {
  private constructor(
    readonly page: Page,
    private readonly kettle: KettleServer,
  ) {}

  /** @param from ISO 8601 */
  static async begin(page: Page, kettle: KettleServer, from: string): Promise<Evening> {
    await page.clock.install({ time: new Date(from) });
    await kettle.setClock(Date.parse(from));
    return new Evening(page, kettle);
  }

  now(): Promise<number> {
    return this.page.evaluate(() => Date.now());
  }

  async skip(minutes: number): Promise<void> {
    await this.kettle.setClock((await this.now()) + minutes * MINUTE_MS);
    await this.page.clock.fastForward(minutes * MINUTE_MS);
    await this.page.waitForTimeout(SETTLE_MS);
  }

  /**
   * Skips, and waits until the page has heard what the instruments said meanwhile: a busy machine
   * is not a slow cook.
   */
  private async skipAndHear(minutes: number): Promise<void> {
    // What they said, not what was ticked meanwhile.
    const said = this.page
      .getByRole('region', { name: 'Log' })
      .getByRole('listitem')
      .filter({ hasText: /°C|scale|Refractometer/ });
    const heard = async (): Promise<string> => (await said.allTextContents()).join();
    const before = await heard();
    await this.skip(minutes);
    const from = performance.now();
    while (performance.now() - from < HEARD_MS && (await heard()) === before)
      await this.page.waitForTimeout(50);
    // What it makes of that takes it about as long again.
    await this.page.waitForTimeout(Math.max(50, Math.min(1000, performance.now() - from)));
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
    const stands = await this.page.getByRole('region', { name: 'Where it stands' }).textContent();
    const missing_K = Number(/to the finish(-?[\d.]+)/.exec(stands ?? '')?.[1] ?? Infinity);
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

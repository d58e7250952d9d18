import type { Page, Request, Route } from '@playwright/test';
import { DEVICE_TIME_HEADER } from '@idle-kettle/contract';

/** At most so long until what was asked is answered: longer than the page itself waits, ms. */
const ANSWERED_MS = 20_000;

/** What the page listens to as long as it is open: it has no end to wait for. */
const isStream = (request: Request): boolean => request.resourceType() === 'eventsource';

/**
 * Holds what a page asks of the API while the clocks of the page and of its server are set: asked by
 * one time and answered by another, it would tell each of them that the page's clock is wrong.
 */
export class HeldRequests {
  private readonly underWay = new Set<Request>();
  private held: Promise<number> | undefined;

  private constructor() {}

  static async of(page: Page): Promise<HeldRequests> {
    const requests = new HeldRequests();
    for (const ended of ['requestfinished', 'requestfailed'] as const)
      page.on(ended as 'requestfinished', (request) => requests.underWay.delete(request));
    await page.route('**/api/**', (route, request) => requests.pass(route, request));
    return requests;
  }

  private async pass(route: Route, request: Request): Promise<void> {
    let now: number | undefined;
    while (this.held) now = await this.held;
    // One that was held longer than the page waits has failed by now.
    if (!isStream(request) && !request.failure()) this.underWay.add(request);
    // What was asked before the clocks were set reaches the server after it.
    await route.continue(
      now === undefined
        ? {}
        : { headers: { ...request.headers(), [DEVICE_TIME_HEADER.toLowerCase()]: String(now) } },
    );
  }

  /** @param set sets the clocks. @returns the time by them then, ms since 1970 */
  async holdWhile(set: () => Promise<number>): Promise<void> {
    const after = this.answered().then(set);
    this.held = after;
    try {
      await after;
    } finally {
      this.held = undefined;
    }
  }

  /** Until nothing is under way. @throws Error where something is not answered */
  private async answered(): Promise<void> {
    const from = performance.now();
    while (this.underWay.size > 0) {
      if (performance.now() - from > ANSWERED_MS)
        throw new Error(`not answered: ${[...this.underWay].map((each) => each.url()).join(', ')}`);
      await new Promise((resolve) => setTimeout(resolve, 5));
    }
  }
}

import { SECOND_MS } from '@idle-kettle/core';

/** Lets so many messages a second through, by sender. */
export class RateLimit {
  private readonly counts = new Map<string, { second: number; count: number }>();

  constructor(private readonly most: number) {}

  /**
   * Counts one more.
   *
   * @param now milliseconds, of a clock that does not jump
   * @returns whether it is too many
   */
  isExceeded(sender: string, now: number): boolean {
    const second = Math.floor(now / SECOND_MS);
    const last = this.counts.get(sender);
    const count = last?.second === second ? last.count + 1 : 1;
    this.counts.set(sender, { second, count });
    return count > this.most;
  }
}

/** The most values that share one second. @param times ISO 8601 */
export function mostInASecond(times: readonly string[]): number {
  const counts = new Map<number, number>();
  for (const time of times) {
    const second = Math.floor(Date.parse(time) / SECOND_MS);
    counts.set(second, (counts.get(second) ?? 0) + 1);
  }
  return Math.max(0, ...counts.values());
}

import type { Boil } from './boil-state.js';

/**
 * The pot's own clock, which stands still while the cook is put off.
 *
 * @param from_ms when it begins, milliseconds since 1970
 */
export class CookingClock {
  constructor(
    private readonly boil: Pick<Boil, 'pauses'>,
    private readonly from_ms: number,
  ) {}

  /** Seconds on it. @param at milliseconds since 1970 */
  seconds = (at: number): number => {
    const { from_ms } = this;
    const rested = this.boil.pauses.reduce(
      (sum, { from, to }) => sum + Math.max(Math.min(to ?? at, at) - Math.max(from, from_ms), 0),
      0,
    );
    return (at - from_ms - rested) / 1000;
  };

  /**
   * The moment it shows so many seconds, milliseconds since 1970; the later one where it stands
   * still.
   */
  at = (seconds: number): number =>
    this.boil.pauses.reduce(
      (at, { from, to }) =>
        to !== undefined && to > this.from_ms && at >= Math.max(from, this.from_ms)
          ? at + to - Math.max(from, this.from_ms)
          : at,
      this.from_ms + seconds * 1000,
    );
}

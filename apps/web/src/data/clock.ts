import { CLOCKS_AGREE_MS } from '@idle-kettle/contract';
import { browserStore } from './browser-store.js';

/** What the clock of this device shows: milliseconds since 1970, right or wrong. */
export const deviceNow = (): number => Date.now();

/** The server's clock less this device's, ms, where they differ by what matters; else 0. */
const difference = browserStore<number>({
  key: 'kettle.clock',
  parse: (json) => (typeof json === 'number' && Number.isFinite(json) ? json : undefined),
  otherwise: () => 0,
});

/** A difference must be measured twice, so far apart, ms, and within so much, before it counts. */
export const APART_MS = 1000;
const WITHIN_MS = 5000;
let measured: { readonly difference_ms: number; readonly at: number } | undefined;

/**
 * Takes note of the server's clock. An answer that was long on its way, or a machine that slept
 * meanwhile, looks like a wrong clock: a second one must say the same.
 *
 * @param serverTime milliseconds since 1970, as the answer says
 * @param at what this device's clock showed in between question and answer
 * @returns whether another answer is wanted, to be sure
 */
export function noteServerTime(serverTime: number, at: number): boolean {
  const difference_ms = serverTime - at;
  if (Math.abs(difference_ms) < CLOCKS_AGREE_MS) {
    measured = undefined;
    if (difference.get() !== 0) difference.set(0);
    return false;
  }
  const before = measured;
  measured = { difference_ms, at };
  if (!before || Math.abs(before.difference_ms - difference_ms) > WITHIN_MS) return true;
  if (Math.abs(at - before.at) < APART_MS) {
    measured = before;
    return true;
  }
  if (Math.abs(difference.get() - difference_ms) > WITHIN_MS) difference.set(difference_ms);
  return false;
}

/** What the clock of this device shows beyond a clock that only runs on. */
let beyond = deviceNow() - performance.now();

/**
 * A clock that was wrong and jumps by what it was wrong by has been set right. A machine that slept
 * jumps too, by something else.
 */
function noticeSetRight(): void {
  const jump_ms = deviceNow() - performance.now() - beyond;
  if (Math.abs(jump_ms) < WITHIN_MS) return;
  beyond += jump_ms;
  if (difference.get() !== 0 && Math.abs(jump_ms - difference.get()) < CLOCKS_AGREE_MS)
    difference.set(0);
}

/** The household's time: that of its server, as far as it is known here. */
export function now(): number {
  noticeSetRight();
  return deviceNow() + difference.get();
}

/** The same as a date, for what is shown and sent. */
export const today = (): Date => new Date(now());

/** How far the clock of this device is off, in a component. */
export const useClockDifference = (): number => difference.use();

/** The moment of an event, and what this device's clock showed where that is wrong. */
export function stampOf(at: number): { readonly at: string; readonly saidAt?: string } {
  noticeSetRight();
  const correction_ms = difference.get();
  return {
    at: new Date(at).toISOString(),
    ...(correction_ms !== 0 && { saidAt: new Date(at - correction_ms).toISOString() }),
  };
}

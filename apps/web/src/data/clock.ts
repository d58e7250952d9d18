import { CLOCKS_AGREE_MS } from '@idle-kettle/contract';
import { browserStore } from './browser-store.js';
import type { ClockChange, DeviceTime } from './device-time.js';

/** What the clock of this device shows: milliseconds since 1970, right or wrong. */
export const deviceNow = (): number => Date.now();

/** The server's clock less this device's, ms, where they differ by what matters; else 0. */
const difference = browserStore<number>({
  key: 'kettle.clock',
  parse: (json) => (typeof json === 'number' && Number.isFinite(json) ? json : undefined),
  otherwise: () => 0,
});

/** A clock that jumps by less, ms, is taken to run on: a choice of ours. */
const JUMP_MS = 5000;
/** Two answers that tell the same are at least so far apart, ms. */
export const APART_MS = 1000;
/** An answer tells the difference to half its way there and back; a longer one, ms, tells nothing. */
const LONGEST_WAY_MS = 5000;

type Listener = (change: ClockChange) => void;
const listeners = new Set<Listener>();

/** Tells of changes in what is known of the clock. @returns ends it */
export function onClockChange(listener: Listener): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}
const tellListeners = (change: ClockChange): void => listeners.forEach((tell) => tell(change));

/** How exactly the clock, as it goes now, was compared with the server's, ms; undefined: not yet. */
let measuredWithin_ms: number | undefined;
/** What the clock of this device shows beyond a clock that only runs on, ms. */
let beyond_ms = deviceNow() - performance.now();

/** Whether the clock as it goes now was compared with the server's. */
export function isClockMeasured(): boolean {
  noticeJump();
  return measuredWithin_ms !== undefined;
}

const setDifference = (difference_ms: number): void => {
  if (difference.get() !== difference_ms) difference.set(difference_ms);
};

/**
 * Takes note of the server's clock in an answer. An answer that was long on its way, or during
 * which the clock was set or the machine slept, tells nothing. That this clock is off by something
 * else than was known is believed when two answers say so, {@link APART_MS} apart: the server's
 * clock may be set too.
 *
 * @param serverTime milliseconds since 1970, as the answer says
 * @param askedAt what this device's clock showed at the question
 * @param answeredAt what it showed at the answer
 * @returns whether another answer is wanted, to be sure
 */
export function noteServerTime(serverTime: number, askedAt: number, answeredAt: number): boolean {
  const jumped = noticeJump();
  const way_ms = answeredAt - askedAt;
  if (jumped || way_ms < 0 || way_ms > LONGEST_WAY_MS) return measuredWithin_ms === undefined;
  const exact_ms = serverTime - (askedAt + answeredAt) / 2;
  const measured_ms = Math.abs(exact_ms) < CLOCKS_AGREE_MS ? 0 : exact_ms;
  const within_ms = way_ms / 2;
  if (Math.abs(measured_ms - difference.get()) > JUMP_MS) {
    if (!isConfirmed(measured_ms, answeredAt)) return true;
  } else if (measuredWithin_ms !== undefined && within_ms >= measuredWithin_ms) {
    doubted = undefined;
    return false;
  }
  doubted = undefined;
  measuredWithin_ms = within_ms;
  setDifference(measured_ms);
  tellListeners({ type: 'measured', difference_ms: measured_ms });
  return false;
}

/** A difference that one answer told and that is not believed yet, and when, by this clock. */
let doubted: { readonly difference_ms: number; readonly at: number } | undefined;

/** Whether an earlier answer said the same; if not, this one is remembered. */
function isConfirmed(difference_ms: number, at: number): boolean {
  const saysSame =
    doubted !== undefined && Math.abs(doubted.difference_ms - difference_ms) <= JUMP_MS;
  if (doubted && saysSame) return at - doubted.at >= APART_MS;
  doubted = { difference_ms, at };
  return false;
}

/**
 * Notices that the clock of this device was set, or that the machine slept: then the clock on the
 * wall went on and the other did not. Nobody sleeps backwards.
 *
 * @returns whether the clock jumped since it was last looked at
 */
function noticeJump(): boolean {
  const jump_ms = deviceNow() - performance.now() - beyond_ms;
  if (Math.abs(jump_ms) < JUMP_MS) return false;
  beyond_ms += jump_ms;
  const before_ms = difference.get();
  const wasMeasured = measuredWithin_ms !== undefined;
  const isSetRight = before_ms !== 0 && Math.abs(jump_ms - before_ms) < CLOCKS_AGREE_MS;
  measuredWithin_ms = undefined;
  doubted = undefined;
  if (wasMeasured || isSetRight) {
    // Times read until now were off by what is known; the clock as it goes now may not be.
    tellListeners({ type: 'known-until-now', difference_ms: before_ms });
    setDifference(isSetRight ? 0 : afterJump(before_ms, jump_ms));
  } else if (jump_ms < 0) {
    // Never compared with the server's: it is rather set right than wrong.
    setDifference(0);
    tellListeners({ type: 'set-back', by_ms: jump_ms });
  } else {
    tellListeners({ type: 'set-forward-or-slept', by_ms: jump_ms });
  }
  return true;
}

/** The difference once a clock whose difference was known jumped: asleep, the two went on alike. */
function afterJump(before_ms: number, jump_ms: number): number {
  if (jump_ms > 0) return before_ms;
  const after_ms = before_ms - jump_ms;
  return Math.abs(after_ms) < CLOCKS_AGREE_MS ? 0 : after_ms;
}

/** The household's time: that of its server, as far as it is known here. */
export function now(): number {
  noticeJump();
  return deviceNow() + difference.get();
}

/**
 * The time a request says it is here, by which the server corrects the times of what is sent with it:
 * the household's once it is known, since those times are corrected then; until then what the clock of
 * this device shows, milliseconds since 1970.
 */
export const timeOfRequest = (): number => (isClockMeasured() ? now() : deviceNow());

/** The same as a date, for what is shown and sent. */
export const today = (): Date => new Date(now());

/** How far the clock of this device is off, in a component. */
export const useClockDifference = (): number => difference.use();

/** What a moment of the household's time was read from, milliseconds since 1970. */
export function deviceTimeOf(at: number): DeviceTime {
  noticeJump();
  const difference_ms = difference.get();
  return { shown_ms: at - difference_ms, difference_ms, perhapsSet_ms: 0 };
}

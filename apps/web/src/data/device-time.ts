import { CLOCKS_AGREE_MS } from '@idle-kettle/contract';
import type { BatchEvent } from '@idle-kettle/core';

/** What became known of the clock of this device. */
export type ClockChange =
  /** Compared with the server's: the clock, as it goes now, is off by this. */
  | { readonly type: 'measured'; readonly difference_ms: number }
  /** It was set, or the machine slept; until then it was off by this, and that is certain. */
  | { readonly type: 'known-until-now'; readonly difference_ms: number }
  /** It was set back (by less than 0), before it was compared with the server's. */
  | { readonly type: 'set-back'; readonly by_ms: number }
  /** It was set forward, or the machine slept, before it was compared with the server's. */
  | { readonly type: 'set-forward-or-slept'; readonly by_ms: number };

/** A time read from a device's clock that may have been wrong, until what was wrong is known. */
export interface DeviceTime {
  /** What the clock, as it goes now, would have shown then: milliseconds since 1970. */
  readonly shown_ms: number;
  /** What is to be added to be the household's time, ms, as far as it is known. */
  readonly difference_ms: number;
  /** By how much the clock was perhaps set forward since, ms; perhaps the machine slept. */
  readonly perhapsSet_ms: number;
}

const agree = (a_ms: number, b_ms: number): boolean => Math.abs(a_ms - b_ms) < CLOCKS_AGREE_MS;

/** The household's time of it, milliseconds since 1970. */
export const householdTime = ({ shown_ms, difference_ms }: DeviceTime): number =>
  shown_ms + difference_ms;

/**
 * What is to be thought of a time once more is known of the clock it was read from.
 *
 * A clock that went forward and is then ahead by just that was set wrong meanwhile: the time is of
 * before. One that went forward and back again is the same clock as before.
 */
export function deviceTimeAfter(time: DeviceTime, change: ClockChange): DeviceTime {
  const { shown_ms, perhapsSet_ms } = time;
  switch (change.type) {
    case 'measured':
    case 'known-until-now': {
      const { difference_ms } = change;
      const wasSet = perhapsSet_ms !== 0 && agree(difference_ms, -perhapsSet_ms);
      return {
        shown_ms: wasSet ? shown_ms + perhapsSet_ms : shown_ms,
        difference_ms,
        perhapsSet_ms: 0,
      };
    }
    case 'set-back': {
      const isBack = perhapsSet_ms !== 0 && agree(change.by_ms, -perhapsSet_ms);
      return {
        shown_ms: isBack ? shown_ms : shown_ms + change.by_ms,
        difference_ms: 0,
        perhapsSet_ms: isBack ? 0 : perhapsSet_ms,
      };
    }
    case 'set-forward-or-slept':
      return { ...time, perhapsSet_ms: perhapsSet_ms + change.by_ms };
  }
}

/** An event whose time is of the household, and what the device's clock showed where that is wrong. */
export function stamped(event: BatchEvent, time: DeviceTime): BatchEvent {
  const { saidAt = event.at, ...rest } = event;
  const at = new Date(householdTime(time)).toISOString();
  const moved: BatchEvent = { ...rest, at, ...(saidAt !== at && { saidAt }) };
  if (moved.type !== 'simulated' || at === event.at) return moved;
  // Where the faster clock of a simulated boil begins is read from the same clock.
  const by_ms = Date.parse(at) - Date.parse(event.at);
  const realAt = new Date(Date.parse(moved.body.realAt) + by_ms).toISOString();
  return { ...moved, body: { ...moved.body, realAt } };
}

import type { BatchEvent } from '@idle-kettle/core';
import {
  deviceTimeOf,
  isClockMeasured,
  noteServerTime,
  now,
  onClockChange,
  timeOfRequest,
} from './clock.js';
import {
  deviceTimeAfter,
  householdTime,
  stamped,
  type ClockChange,
  type DeviceTime,
} from './device-time.js';

const DAY_MS = 86_400_000;
/** The right time; the clock of the device is off by `wrong_ms`, and both run on. */
let right = Date.parse('2026-09-12T18:00:00.000Z');
let wrong_ms = 0;
let runs_ms = 0;
beforeEach(() => {
  wrong_ms = 0;
  jest.spyOn(Date, 'now').mockImplementation(() => right + wrong_ms);
  jest.spyOn(performance, 'now').mockImplementation(() => runs_ms);
});
const pass = (ms: number): void => {
  right += ms;
  runs_ms += ms;
};
/** An answer of the server, which is right, to a question of `way_ms` there and back. */
const answer = (way_ms = 20): boolean => {
  const askedAt = right + wrong_ms;
  pass(way_ms / 2);
  const told = right;
  pass(way_ms / 2);
  return noteServerTime(told, askedAt, right + wrong_ms);
};
/** Two answers, apart. */
const answers = (way_ms = 20): void => {
  answer(way_ms);
  pass(1500);
  expect(answer(way_ms)).toBe(false);
};
/** Until the clock is known to be right. */
const settle = (): void => {
  wrong_ms = 0;
  now();
  answers();
  expect(now()).toBe(right);
};
/** Sets the clock, which is noticed when it is next looked at. */
const setClock = (ms: number): void => {
  wrong_ms = ms;
  now();
};
/** As if the page were loaded anew: nothing was asked yet on this clock. */
const untilUnmeasured = (): void => {
  right += 6000;
  now();
  expect(isClockMeasured()).toBe(false);
};

/** An event logged now, and what becomes of its time as more is known of the clock. */
class Typed {
  private time: DeviceTime | undefined = deviceTimeOf(now());
  private last: DeviceTime = this.time as DeviceTime;
  private readonly at = right;
  constructor() {
    onClockChange((change: ClockChange) => {
      if (!this.time) return;
      this.last = deviceTimeAfter(this.time, change);
      this.time = change.type === 'known-until-now' ? undefined : this.last;
    });
  }
  /** How far its time is from when it was typed, ms. */
  get off_ms(): number {
    return Math.round(householdTime(this.last) - this.at);
  }
}

test('a clock that is right, or wrong by less than matters, is believed', () => {
  settle();
  wrong_ms = 40_000;
  answer();
  pass(2000);
  answer();
  expect(now()).toBe(right + 40_000);
});

test('a day ahead is corrected once two answers say so', () => {
  settle();
  wrong_ms = DAY_MS;
  expect(now()).toBe(right + DAY_MS);
  expect(answer()).toBe(true);
  expect(now()).toBe(right + DAY_MS);
  expect(answer()).toBe(true);
  pass(1500);
  expect(answer()).toBe(false);
  expect(now()).toBe(right);
});

test('the clock of the server may jump too: one answer changes nothing', () => {
  settle();
  const ahead = right + 180_000;
  expect(noteServerTime(ahead, right, right + 10)).toBe(true);
  expect(now()).toBe(right);
  pass(2000);
  expect(answer()).toBe(false);
  expect(now()).toBe(right);
});

test('an answer that was long on its way, or during which the clock was set, tells nothing', () => {
  settle();
  answer(300_000);
  expect(now()).toBe(right);
  untilUnmeasured();
  expect(answer(20_000)).toBe(true);
  expect(isClockMeasured()).toBe(false);
  const askedAt = right;
  wrong_ms = -DAY_MS;
  expect(noteServerTime(right, askedAt, right + wrong_ms)).toBe(true);
  expect(isClockMeasured()).toBe(false);
});

test('the quickest answer tells best what a clock is off by', () => {
  settle();
  setClock(DAY_MS);
  answer(200);
  pass(1500);
  const askedAt = right + wrong_ms;
  pass(1000);
  // All of its way was the way there.
  noteServerTime(right, askedAt, right + wrong_ms);
  expect(now()).toBe(right + 500);
  answer(40);
  expect(now()).toBe(right);
  const late = right + wrong_ms;
  pass(1000);
  noteServerTime(right, late, right + wrong_ms);
  expect(now()).toBe(right);
});

test('a clock that is set right is believed at once, before any answer', () => {
  settle();
  setClock(-DAY_MS);
  answers();
  expect(now()).toBe(right);
  setClock(0);
  expect(now()).toBe(right);
});

test('a right clock that is set back is known to be wrong at once: nobody sleeps backwards', () => {
  settle();
  setClock(-DAY_MS);
  expect(now()).toBe(right);
});

test('a machine that slept is no clock that was set', () => {
  settle();
  setClock(-DAY_MS);
  answers();
  // Asleep, only the clock on the wall went on.
  right += 3 * 3_600_000;
  expect(now()).toBe(right);
});

describe('the time of what was typed comes right, though nothing could be sent meanwhile', () => {
  test.each([DAY_MS, -DAY_MS])('typed on a clock %d ms off, which is then set right', (off_ms) => {
    settle();
    setClock(off_ms);
    const typed = new Typed();
    pass(2000);
    setClock(0);
    const after = new Typed();
    answers();
    expect([typed.off_ms, after.off_ms]).toEqual([0, 0]);
  });

  test('the same on a page that never had an answer', () => {
    settle();
    untilUnmeasured();
    setClock(DAY_MS);
    const typed = new Typed();
    pass(2000);
    setClock(0);
    answers();
    expect(typed.off_ms).toBe(0);
  });

  test('typed on the right clock, which is set wrong before it is sent', () => {
    for (const isMeasured of [true, false])
      for (const off_ms of [DAY_MS, -DAY_MS]) {
        settle();
        if (!isMeasured) untilUnmeasured();
        const typed = new Typed();
        setClock(off_ms);
        const after = new Typed();
        answers();
        expect([typed.off_ms, after.off_ms]).toEqual([0, 0]);
      }
  });

  test('typed before a clock is set forward and back again', () => {
    settle();
    untilUnmeasured();
    const before = new Typed();
    setClock(DAY_MS);
    const between = new Typed();
    setClock(0);
    answers();
    expect([before.off_ms, between.off_ms]).toEqual([0, 0]);
  });

  test('typed in the evening, sent after the machine slept the night', () => {
    for (const isMeasured of [true, false])
      for (const off_ms of [0, DAY_MS, -DAY_MS]) {
        settle();
        setClock(off_ms);
        answers();
        if (!isMeasured) untilUnmeasured();
        const typed = new Typed();
        right += 9 * 3_600_000;
        now();
        answers();
        expect(typed.off_ms).toBe(0);
      }
  });
});

test('an event keeps what the clock showed, however often its time is corrected', () => {
  const typed = {
    id: 'a',
    type: 'simulated',
    at: '2026-09-13T18:00:00.000Z',
    device: 'bench',
    body: { speed: 60, realAt: '2026-09-13T18:00:00.000Z' },
  } as BatchEvent;
  const time: DeviceTime = {
    shown_ms: Date.parse(typed.at),
    difference_ms: -DAY_MS,
    perhapsSet_ms: 0,
  };
  const once = stamped(typed, time);
  expect(once).toMatchObject({
    at: '2026-09-12T18:00:00.000Z',
    saidAt: typed.at,
    body: { realAt: '2026-09-12T18:00:00.000Z' },
  });
  expect(stamped(once, { ...time, difference_ms: 0 })).toEqual(typed);
});

test('a request says the household’s time once it is known: its times are not corrected a second time', () => {
  settle();
  setClock(DAY_MS);
  // Not compared yet: the server corrects by what this clock shows.
  expect(isClockMeasured()).toBe(false);
  expect(timeOfRequest()).toBe(right + DAY_MS);
  answers();
  expect(isClockMeasured()).toBe(true);
  expect(timeOfRequest()).toBe(right);
  settle();
});

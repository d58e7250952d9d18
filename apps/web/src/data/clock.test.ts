import { noteServerTime, now, stampOf } from './clock.js';

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
/** An answer of the server, which is right. */
const answer = (): boolean => noteServerTime(right, right + wrong_ms);
/** Until the clocks are known to agree. */
const settle = (): void => {
  wrong_ms = 0;
  answer();
};

test('a clock that is right, or wrong by less than matters, is believed', () => {
  settle();
  wrong_ms = 40_000;
  answer();
  pass(2000);
  answer();
  expect(now()).toBe(right + 40_000);
  expect(stampOf(right)).toEqual({ at: new Date(right).toISOString() });
});

test('a day ahead is corrected once two answers say so, and an event carries both', () => {
  settle();
  wrong_ms = DAY_MS;
  answer();
  expect(now()).toBe(right + DAY_MS);
  pass(1500);
  answer();
  expect(now()).toBe(right);
  expect(stampOf(now())).toEqual({
    at: new Date(right).toISOString(),
    saidAt: new Date(right + DAY_MS).toISOString(),
  });
});

test('one answer that was long on its way changes nothing', () => {
  settle();
  noteServerTime(right, right - 300_000);
  pass(2000);
  answer();
  pass(2000);
  noteServerTime(right, right - 120_000);
  expect(now()).toBe(right);
});

test('a clock that is set right is believed at once, before any answer', () => {
  settle();
  wrong_ms = -DAY_MS;
  answer();
  pass(1500);
  answer();
  expect(now()).toBe(right);
  wrong_ms = 0;
  expect(now()).toBe(right);
  expect(stampOf(right)).not.toHaveProperty('saidAt');
});

test('a machine that slept is no clock that was set', () => {
  settle();
  wrong_ms = -DAY_MS;
  answer();
  pass(1500);
  answer();
  // Asleep, only the clock on the wall went on.
  right += 3 * 3_600_000;
  expect(now()).toBe(right);
});

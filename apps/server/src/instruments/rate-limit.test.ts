import { RateLimit, mostInASecond } from './rate-limit.js';

test('so many a second from one sender, each second anew, and nobody pays for another', () => {
  const limit = new RateLimit(3);
  const at = (sender: string, ...times: number[]): boolean[] =>
    times.map((time) => limit.isExceeded(sender, time));
  expect(at('a', 0, 200, 400, 600, 999)).toEqual([false, false, false, true, true]);
  expect(at('b', 700)).toEqual([false]);
  expect(at('a', 1000, 1001)).toEqual([false, false]);
});

test('values that share a second are counted, whatever their order', () => {
  const at = (seconds: number): string =>
    new Date(Date.parse('2026-10-03T15:00:00Z') + seconds * 1000).toISOString();
  expect(mostInASecond([])).toBe(0);
  expect(mostInASecond([0.1, 5, 0.9, 1.1].map(at))).toBe(2);
  expect(mostInASecond(Array.from({ length: 500 }, (_, i) => at(i)))).toBe(1);
});

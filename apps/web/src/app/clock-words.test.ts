import { clockWords, isSameClock } from './clock-words.js';

test.each([
  [-86_400_000, 'The clock of this device is 1 day fast.'],
  [3 * 3_600_000 + 120_000, 'The clock of this device is 3 hours 2 minutes slow.'],
  [-90_000, 'The clock of this device is 1 minute fast.'],
])('%i ms: %s', (difference_ms, words) => expect(clockWords(difference_ms)).toBe(words));

test('a clock is told of once; another difference is another clock', () => {
  expect(isSameClock(0, -86_400_000)).toBe(false);
  expect(isSameClock(-86_400_000, -86_410_000)).toBe(true);
  expect(isSameClock(-86_400_000, -3_600_000)).toBe(false);
});

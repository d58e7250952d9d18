import { moneyWords } from './money.js';

test.each([
  [1.354, '€', '€1.35'],
  [1.35, 'CHF', '1.35 CHF'],
  [12, 'kr', '12.00 kr'],
  [0.5, undefined, '0.50'],
])('%f in %s is written %s', (value, currency, words) =>
  expect(moneyWords(value, currency)).toBe(words),
);

import { convertAmount } from './convert.js';

const value = (text: string, to: string): number => {
  const read = convertAmount(text, to);
  if (!read.ok) throw new Error(read.message);
  return read.conversion.value.mid;
};

// A US cup of granulated sugar weighs 200 g, of honey 339 g: USDA household measures, from memory.
test.each([
  ['1 cup white sugar', 'g', 200, 1],
  ['1 cup honey', 'g', 339, 2],
  ['1 lb white sugar', 'g', 453.6, 0.1],
  ['1 pint water', 'ml', 473.2, 0.1],
  ['1 kg white sugar', 'cup', 5, 0.05],
])('%s in %s', (text, to, expected, tolerance) =>
  expect(Math.abs(value(text, to) - expected)).toBeLessThanOrEqual(tolerance),
);

test('between units of one kind it is exact, between kinds a range', () => {
  const exact = convertAmount('3 tsp honey', 'tbsp');
  const cup = convertAmount('2 cups blueberries, whole', 'g');
  if (!exact.ok || !cup.ok) throw new Error('not read');
  expect(exact.conversion.value).toEqual({ low: 1, mid: 1, high: 1 });
  expect(cup.conversion.value.low).toBeLessThan(cup.conversion.value.mid);
  expect(cup.conversion.value.high).toBeGreaterThan(cup.conversion.value.mid);
});

test.each([
  ['2 cupz sugar', 'g', /unknown/],
  ['2 cups unobtainium', 'g', /unknown ingredient/],
  ['2 cups sugar', 'furlong', /unknown unit "furlong"; write one such as/],
  ['sugar', 'g', /write/],
])('%s to %s says what is wrong', (text, to, message) => {
  const read = convertAmount(text, to);
  expect(read.ok ? '' : read.message).toMatch(message);
});

import { KINDS, METHODS, readFormula } from '../formula/index.js';
import { computeFormula } from '../keeping/index.js';
import { STARTERS } from './starters.table.js';

const kitchen = { altitude_m: 1180 };

test('there is one of every kind and every way to a set, each with a name of its own', () => {
  expect(KINDS.filter((kind) => !STARTERS.some((each) => each.kind === kind))).toEqual([]);
  expect(METHODS.filter((method) => !STARTERS.some((each) => each.method === method))).toEqual([]);
  expect(new Set(STARTERS.map(({ title }) => title)).size).toBe(STARTERS.length);
});

test.each(STARTERS.map((each) => [each.title, each] as const))('%s', (_, document) => {
  expect(readFormula(document, kitchen).problems).toEqual([]);
  const { balance, keeping } = computeFormula(document, kitchen);
  // A jellied sauce is cut in slices.
  const gelled = document.kind === 'jellied-sauce' ? ['firm', 'stiff'] : ['good', 'firm'];
  const good = document.kind === 'syrup' ? ['none'] : gelled;
  expect(good).toContain(balance?.set.verdict);
  expect(keeping.verdict).toBe(document.kind === 'curd' ? 'fridge' : 'shelf');
  // Nothing in a starting formula is odd but what its kind always brings.
  expect(balance?.warnings.map(({ code }) => code)).toEqual([]);
  const jars = balance?.jars.reduce((sum, { count }) => sum + count.mid, 0) ?? 0;
  expect(jars).toBeGreaterThan(3);
  expect(jars).toBeLessThan(14);
});

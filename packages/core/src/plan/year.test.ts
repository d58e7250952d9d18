import { documentOf, pot, POWDER } from '../testing/formula.js';
import { yearNeeds, yearPlan, type JarsUsed, type YearAhead } from './year.js';

const used = (change: Partial<JarsUsed> = {}): JarsUsed => ({
  title: 'Damson jam',
  fruit: 'damson',
  used: 24,
  days: 365,
  left: 6,
  perBatch: 8,
  ...change,
});
const row = (change: Partial<JarsUsed> = {}, month = 3): JarsUsed & YearAhead => {
  const [found] = yearPlan([used(change)], month);
  if (!found) throw new Error('no row');
  return found;
};

test('24 jars a year, 6 left, 8 from a batch: two and a quarter batches are three', () => {
  expect(row()).toMatchObject({ aYear: 24, batches: 3, lastsDays: 91 });
  // Missing by a jar: not worth another batch.
  expect(row({ left: 7 })).toMatchObject({ batches: 2 });
  expect(row({ left: 40 })).toMatchObject({ batches: 0, lastsDays: 608 });
});

test('jars a year that were stated count instead of what was used', () => {
  expect(row({ stated: 30, used: 12, days: 14 })).toMatchObject({ aYear: 30, batches: 3 });
  expect(row({ stated: 0 })).toMatchObject({ aYear: 0, batches: 0 });
});

test('half a year tells of the whole; two weeks tell nothing', () => {
  expect(row({ used: 12, days: 182.5 }).aYear).toBe(24);
  expect(row({ used: 12, days: 14 })).toMatchObject({
    aYear: undefined,
    batches: 0,
    lastsDays: undefined,
  });
  expect(row({ used: 0 })).toMatchObject({ aYear: 0, batches: 0, lastsDays: undefined });
});

test.each([
  [3, 'damson', 8, false],
  [9, 'damson', 9, true],
  [11, 'bitter-orange', 12, false],
  [1, 'bitter-orange', 1, true],
  [5, 'passion-fruit', undefined, true],
] as const)('in month %i, %s: from %s', (month, fruit, from, now) =>
  expect(row({ fruit }, month)).toMatchObject({ from, now }),
);

test('what is missing most comes first', () => {
  const rows = yearPlan(
    [used({ title: 'plenty', left: 90 }), used({ title: 'none', left: 0 }), used()],
    3,
  );
  expect(rows.map(({ title }) => title)).toEqual(['none', 'Damson jam', 'plenty']);
});

test('sugar and pectin for so many batches', () => {
  const formula = pot(
    documentOf(
      [
        ['1.5 l', 'gooseberry-juice'],
        ['1 box', 'powdered-pectin'],
        ['1.3 kg', 'white-sugar'],
      ],
      POWDER,
    ),
  );
  const { sugar_kg, pectin, lids } = yearNeeds([{ formula, batches: 3, perBatch: 6 }]);
  expect(lids).toBe(18);
  expect(sugar_kg).toBeCloseTo(3.9, 6);
  expect(pectin).toHaveLength(1);
  expect(pectin[0]?.mass_kg).toBeGreaterThan(0.14);
  expect(pectin[0]?.mass_kg).toBeLessThan(0.18);
});

import fc from 'fast-check';
import { amountFor } from './addition.js';
import { bisect } from './bisect.js';

test('halving closes on where it stops holding, from both sides', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.01, max: 99.99, noNaN: true }), (edge) => {
      const { holds, fails } = bisect(0, 100, 30, (x) => x <= edge);
      expect(holds).toBeLessThanOrEqual(edge);
      expect(fails).toBeGreaterThanOrEqual(edge);
      expect(fails - holds).toBeLessThan(1e-6);
    }),
  );
});

test('what never holds and what always does end at the bounds', () => {
  expect(bisect(0, 8, 40, () => false)).toEqual({
    holds: 0,
    fails: expect.closeTo(0, 6) as number,
  });
  expect(bisect(0, 8, 40, () => true)).toEqual({ holds: expect.closeTo(8, 6) as number, fails: 8 });
});

test.each([
  ['lemon-juice-bottled', 30, 'metric', '30 ml'],
  ['lemon-juice-bottled', 30, 'us', '2 tbsp'],
  ['white-sugar', 98, 'metric', '100 g'],
  ['white-sugar', 98, 'us', '100 g'],
  ['water', 480, 'us', '2 1/8 cups'],
  ['citric-acid', 3.2, 'metric', '4 g'],
] as const)('%s: %f g in %s is %s', (id, grams, units, written) =>
  expect(amountFor(id, grams, units)).toBe(written),
);

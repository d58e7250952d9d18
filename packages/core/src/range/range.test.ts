import fc from 'fast-check';
import { exactly, propagate, times, within, type Range } from './range.js';

/**
 * A small seeded generator (Park and Miller 1988, "minimal standard"), so that sampling repeats
 * exactly.
 */
function generator(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647;
}

/**
 * One normal draw with this 5-95 % range: Box and Muller 1958; the 95th percentile lies 1.6449
 * deviations out.
 */
function draw({ mid, high }: Range, uniform: () => number): number {
  const normal = Math.sqrt(-2 * Math.log(uniform() || 1e-12)) * Math.cos(2 * Math.PI * uniform());
  return mid + ((high - mid) / 1.6449) * normal;
}

function sampled(
  inputs: readonly Range[],
  compute: (values: number[]) => number,
  n = 40_000,
): Range {
  const uniform = generator(478_011);
  const values = Array.from({ length: n }, () =>
    compute(inputs.map((input) => draw(input, uniform))),
  ).sort((a, b) => a - b);
  const at = (share: number): number => values[Math.floor(share * n)] ?? NaN;
  return { low: at(0.05), mid: at(0.5), high: at(0.95) };
}

test('makers of ranges', () => {
  expect(exactly(3)).toEqual({ low: 3, mid: 3, high: 3 });
  expect(within(2, 0.1)).toEqual({ low: 1.8, mid: 2, high: 2.2 });
  expect(times({ low: 1, mid: 2, high: 4 }, 10)).toEqual({ low: 10, mid: 20, high: 40 });
});

test('a sum adds deviations in quadrature: 3 and 4 make 5', () => {
  const [sum] = propagate(
    [
      { low: 97, mid: 100, high: 103 },
      { low: 46, mid: 50, high: 54 },
    ],
    ([a = 0, b = 0]) => [a + b],
  );
  expect(sum).toEqual({ low: 145, mid: 150, high: 155 });
});

test('a lopsided input gives a lopsided output, and a falling one turns it over', () => {
  const lopsided = { low: 9, mid: 10, high: 14 };
  expect(propagate([lopsided], ([x = 0]) => [x])[0]).toEqual(lopsided);
  expect(propagate([lopsided], ([x = 0]) => [-x])[0]).toEqual({ low: -14, mid: -10, high: -9 });
});

// A balance is sums, products and quotients of inputs a few per cent wide; quadrature must hold
// what sampling finds.
test.each<[string, readonly Range[], (x: number[]) => number]>([
  [
    'solids over their fraction',
    [within(2.3, 0.02), within(0.645, 0.04)],
    ([s = 0, f = 1]) => s / f,
  ],
  [
    'finish mass less film and foam',
    [within(3.9, 0.05), { low: 0.01, mid: 0.03, high: 0.05 }, { low: 0, mid: 0.015, high: 0.03 }],
    ([m = 0, film = 0, foam = 0]) => (m - film) * (1 - foam),
  ],
  [
    'mass over density over jar volume',
    [within(3.8, 0.05), within(1.25, 0.01), within(0.34, 0.03)],
    ([m = 0, d = 1, v = 1]) => m / d / v,
  ],
])('%s: within 3 %% of 40,000 samples', (_, inputs, compute) => {
  const [estimate = exactly(NaN)] = propagate(inputs, (x) => [compute(x)]);
  const truth = sampled(inputs, compute);
  for (const end of ['low', 'mid', 'high'] as const)
    expect(Math.abs(estimate[end] / truth[end] - 1)).toBeLessThan(0.03);
});

test('never out of order, and exact inputs stay exact', () => {
  const input = fc
    .tuple(
      fc.double({ min: -50, max: 50, noNaN: true }),
      fc.double({ min: 0, max: 5, noNaN: true }),
      fc.double({ min: 0, max: 5, noNaN: true }),
    )
    .map(([mid, down, up]) => ({ low: mid - down, mid, high: mid + up }));
  fc.assert(
    fc.property(fc.array(input, { minLength: 1, maxLength: 6 }), (inputs) => {
      const [a, b] = propagate(inputs, (x) => [
        x.reduce((s, v) => s + v * v, 0),
        x.reduce((s, v) => s + v, 0),
      ]);
      for (const range of [a, b])
        expect(
          (range?.low ?? 1) <= (range?.mid ?? 0) && (range?.mid ?? 1) <= (range?.high ?? 0),
        ).toBe(true);
      const [still] = propagate(
        inputs.map((i) => exactly(i.mid)),
        (x) => [x.reduce((s, v) => s + v, 0)],
      );
      expect(still?.low).toBe(still?.high);
    }),
  );
});

import fc from 'fast-check';
import { cannerLoads } from './loads.js';
import { fillVolume_ml, findJar, JAR_SIZES, QUARTER_INCH_MM } from './sizes.js';
import { filledVolume_ml, jarsInstead, smallerJarFor } from './stock.js';

const CANNER = {
  name: 'Big canner',
  loads: [
    { size: 'half-pint', jars: 9 },
    { size: '4-oz', jars: 18 },
  ],
};

test.each([
  [[{ size: 'half-pint', count: 9 }], { name: 'Big canner', loads: 1, first: 9 }],
  [[{ size: 'half-pint', count: 10 }], { name: 'Big canner', loads: 2, first: 9 }],
  [
    [
      { size: 'half-pint', count: 5 },
      { size: '4-oz', count: 8 },
    ],
    { name: 'Big canner', loads: 1, first: 13 },
  ],
  [
    [
      { size: 'half-pint', count: 9 },
      { size: '4-oz', count: 18 },
    ],
    { name: 'Big canner', loads: 2, first: 13 },
  ],
  [[{ size: 'pint', count: 2 }], undefined],
  [[], undefined],
])('loads of a canner: %j', (jars, loads) => expect(cannerLoads(CANNER, jars)).toEqual(loads));

test('where half-pints run out the nearest size in stock comes first, and no more of it than there are', () => {
  const stock = [
    { size: 'half-pint', count: 4 },
    { size: 'pint', count: undefined },
    { size: '340-g', count: 2 },
    { size: '4-oz', count: 0 },
  ];
  const { jars, left_ml } = jarsInstead(1100, 'half-pint', stock, QUARTER_INCH_MM);
  expect(jars).toEqual([
    { size: '340-g', count: 2 },
    { size: 'pint', count: 1 },
  ]);
  expect(left_ml).toBeGreaterThan(0);
  expect(jarsInstead(1100, 'half-pint', [], QUARTER_INCH_MM)).toEqual({ jars: [], left_ml: 1100 });
});

test('jars instead never hold more than there is, nor more jars than there are', () => {
  const sizes = JAR_SIZES.map(({ id }) => id);
  const stock = fc
    .array(fc.record({ size: fc.constantFrom(...sizes), count: fc.nat(20) }), { maxLength: 6 })
    .map((each) => [...new Map(each.map((one) => [one.size, one])).values()]);
  fc.assert(
    fc.property(fc.double({ min: 0, max: 20_000, noNaN: true }), stock, (volume, have) => {
      const { jars, left_ml } = jarsInstead(volume, 'half-pint', have, QUARTER_INCH_MM);
      for (const { size, count } of jars)
        expect(count).toBeLessThanOrEqual(have.find((each) => each.size === size)?.count ?? 0);
      const held = filledVolume_ml(
        jars.map(({ size, count }) => ({ size, full: count, part: 0 })),
        QUARTER_INCH_MM,
      );
      expect(held + left_ml).toBeCloseTo(volume, 6);
      expect(left_ml).toBeGreaterThanOrEqual(-1e-6 * volume);
    }),
  );
});

test('half a half-pint fills a 4-oz jar to its headspace; a spoonful fills none', () => {
  expect(smallerJarFor('half-pint', 0.5, QUARTER_INCH_MM)?.id).toBe('4-oz');
  expect(smallerJarFor('half-pint', 0.1, QUARTER_INCH_MM)).toBeUndefined();
});

test('what was filled goes by the jar as measured', () => {
  const half = findJar('half-pint');
  if (!half) throw new Error('no half-pint');
  const named = filledVolume_ml([{ size: 'half-pint', full: 3, part: 0.5 }], QUARTER_INCH_MM);
  expect(named).toBeCloseTo(3.5 * fillVolume_ml(half, QUARTER_INCH_MM), 6);
  expect(
    filledVolume_ml([{ size: 'half-pint', full: 1, part: 0 }], QUARTER_INCH_MM, [
      { size: 'half-pint', count: undefined, measured_ml: 260 },
    ]),
  ).toBeCloseTo(260, 6);
});

import fc from 'fast-check';
import { saturationTemperature_C } from '../water/index.js';
import {
  boilingPointElevation_K,
  solidsAtRise,
  syrupBoilingPoint_C,
  waterActivity,
} from './boiling.js';
import { inversionAfter } from './inversion.js';
import { solidsFromRefractometer_percent } from './refractometer.js';
import { syrupDensity_kgPerM3 } from './density.js';
import { errorsAgainst } from '../testing/report.js';

const SEA_kPa = 101.325;

const elevation = errorsAgainst(
  'boiling-point elevation against sugar-technology tables, 50-80 %',
  'K',
);
const density = errorsAgainst('density against the CRC table at 20 C and Bubnik hot', 'kg/m3');

// Boiling-point elevation of pure sucrose at 1 atm: tables of sugar technology (from memory).
// Tolerance: 0.4 K to 65 %, 10 % of the value beyond, which is what handbooks differ by among
// themselves.
test.each([
  [50, 1.8],
  [60, 3.0],
  [65, 3.8],
  [70, 5.1],
  [75, 7.0],
  [80, 9.4],
])('%i %% sucrose boils %f K above water', (brix, rise) => {
  const computed = boilingPointElevation_K(brix / 100, 0, SEA_kPa);
  expect(elevation(computed - rise)).toBeLessThan(Math.max(0.4, rise * 0.1));
});

test('the trade rule "65 % at 104.4 C" holds for a quarter to two fifths inverted', () => {
  expect(solidsAtRise(4.444, 0.25, SEA_kPa) * 100).toBeGreaterThan(63.5);
  expect(solidsAtRise(4.444, 0.25, SEA_kPa) * 100).toBeLessThan(66);
  expect(solidsAtRise(4.444, 0.4, SEA_kPa) * 100).toBeGreaterThan(62);
});

// Density of sucrose solutions at 20 C, kg/m3: CRC Handbook, concentrative properties of aqueous
// solutions (from memory).
test.each([
  [0, 998.2],
  [10, 1038.1],
  [20, 1080.9],
  [40, 1176.4],
  [60, 1286.4],
  [65, 1316.3],
])('density at %i %% is %f', (brix, published) => {
  expect(density(syrupDensity_kgPerM3(brix / 100, 20) - published)).toBeLessThan(1);
});

test('hot density at 65 %: about 1275 at 85 C and 1262 at 95 C (Bubnik et al. 1995, from memory), within 5', () => {
  expect(density(syrupDensity_kgPerM3(0.65, 85) - 1275)).toBeLessThan(5);
  expect(density(syrupDensity_kgPerM3(0.65, 95) - 1262)).toBeLessThan(5);
});

describe('properties', () => {
  const solids = fc.double({ min: 0, max: 0.9, noNaN: true });
  const invert = fc.double({ min: 0, max: 1, noNaN: true });
  const pressure = fc.double({ min: 60, max: 105, noNaN: true });

  test('no sugar, no elevation; more sugar always boils hotter', () => {
    fc.assert(
      fc.property(solids, invert, pressure, (s, i, p) => {
        expect(syrupBoilingPoint_C(0, i, p)).toBeCloseTo(saturationTemperature_C(p), 5);
        expect(boilingPointElevation_K(Math.min(s + 0.01, 0.91), i, p)).toBeGreaterThan(
          boilingPointElevation_K(s, i, p),
        );
        expect(waterActivity(s, i, 100)).toBeLessThanOrEqual(1);
      }),
    );
  });

  test('solids and rise are inverse', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 0.9, noNaN: true }), invert, pressure, (s, i, p) =>
        expect(solidsAtRise(boilingPointElevation_K(s, i, p), i, p)).toBeCloseTo(s, 5),
      ),
    );
  });

  test('density rises with solids and falls with heat, 4 to 110 C', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 0.84, noNaN: true }),
        fc.double({ min: 20, max: 109, noNaN: true }),
        (s, t) => {
          expect(syrupDensity_kgPerM3(s + 0.01, t)).toBeGreaterThan(syrupDensity_kgPerM3(s, t));
          expect(syrupDensity_kgPerM3(s, t + 1)).toBeLessThan(syrupDensity_kgPerM3(s, t));
        },
      ),
    );
  });
});

// Boiling-point elevation of fully inverted sugar at 60 % is about 1.5 to 1.8 times that of
// sucrose: twice the molecules, less bound water each (sugar technology, common practice). Also:
// all inverted, 4.4 K above water is 57-58 % (from memory).
test('invert sugar raises the boiling point more', () => {
  const ratio = boilingPointElevation_K(0.6, 1, SEA_kPa) / boilingPointElevation_K(0.6, 0, SEA_kPa);
  expect(ratio).toBeGreaterThan(1.3);
  expect(ratio).toBeLessThan(1.9);
  expect(solidsAtRise(4.444, 1, SEA_kPa) * 100).toBeGreaterThan(56);
  expect(solidsAtRise(4.444, 1, SEA_kPa) * 100).toBeLessThan(59);
});

test('the elevation shrinks with the pressure by only a few per cent: the 8 F rule holds at any altitude', () => {
  const sea = boilingPointElevation_K(0.65, 0.25, 101.325);
  const high = boilingPointElevation_K(0.65, 0.25, 70);
  expect(high / sea).toBeGreaterThan(0.9);
  expect(high / sea).toBeLessThan(1);
});

// ICUMSA temperature correction of refractometer readings, from memory: +0.8 at 30 C and 60-70 %,
// -0.65 to -0.8 at 10 C.
test('a warm sample reads low', () => {
  expect(solidsFromRefractometer_percent(65, 30) - 65).toBeCloseTo(0.85, 1);
  expect(solidsFromRefractometer_percent(65, 10) - 65).toBeCloseTo(-0.85, 1);
  expect(solidsFromRefractometer_percent(12, 20)).toBe(12);
});

const exponent = errorsAgainst('inversion against Vukov 1965, share of the exponent', '');
// Vukov 1965 worked to whole per cents at 65 %, 104.5 C (from memory): good to a factor of two, so
// 20 % of the exponent.
test.each([
  [3.0, 10, 0.29],
  [3.0, 20, 0.5],
  [3.0, 40, 0.75],
  [3.3, 20, 0.29],
  [3.6, 40, 0.29],
])('pH %f, %i min: %f split', (pH, minutes, split) => {
  const computed = -Math.log(1 - inversionAfter(minutes, 0.35, 104.5, pH));
  expect(exponent(computed / -Math.log(1 - split) - 1)).toBeLessThan(0.2);
});

test('three hundred solves of the boiling curve take under 40 ms, cold', () => {
  const solve = (): void => {
    for (let i = 0; i < 300; i++) solidsAtRise(2 + i / 100, 0.3, 88);
  };
  for (let i = 0; i < 20; i++) solve();
  const from = performance.now();
  solve();
  expect(performance.now() - from).toBeLessThan(40);
});

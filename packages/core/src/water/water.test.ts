import fc from 'fast-check';
import { loadIapws97 } from '../testing/iapws97.js';
import { errorsAgainst } from '../testing/report.js';
import { boilingPointAt, checkPlace, gelTemperature_C, thermometerOffset_K } from './place.js';
import {
  saturationPressure_kPa,
  saturationTemperature_C,
  waterDensity_kgPerM3,
} from './saturation.js';
import { standardAltitude_m, standardPressure_kPa } from './atmosphere.js';

const psychrolib = jest.requireActual<{
  SI: number;
  SetUnitSystem: (system: number) => void;
  GetStandardAtmPressure: (altitude_m: number) => number;
}>('psychrolib');
psychrolib.SetUnitSystem(psychrolib.SI);
const toF = (celsius: number): number => (celsius * 9) / 5 + 32;

describe('against reference libraries', () => {
  const steam = loadIapws97();
  const boiling = errorsAgainst('boiling point, 0-4,000 m, against IAPWS-IF97 and psychrolib', 'C');
  const pressure = errorsAgainst('standard atmosphere against psychrolib, -400 to 5,500 m', 'Pa');

  test('boiling point from 0 to 4,000 m is that of neutriumjs.thermo.iapws97 at the pressure of psychrolib, within 0.01 C', () => {
    for (let altitude = 0; altitude <= 4000; altitude += 50) {
      const reference = steam.r4_P_Tsat(psychrolib.GetStandardAtmPressure(altitude) / 1e6) - 273.15;
      expect(
        boiling(boilingPointAt({ altitude_m: altitude }).boilingPoint_C.mid - reference),
      ).toBeLessThan(0.01);
    }
  });

  test('standard atmosphere agrees with psychrolib within 1 Pa', () => {
    for (let altitude = -400; altitude <= 5500; altitude += 100) {
      expect(
        pressure(
          standardPressure_kPa(altitude) * 1000 - psychrolib.GetStandardAtmPressure(altitude),
        ),
      ).toBeLessThan(1);
    }
  });
});

test('check values printed in IAPWS-IF97, tables 35 and 36 (from memory)', () => {
  expect(saturationPressure_kPa(300 - 273.15)).toBeCloseTo(3.53658941, 6);
  expect(saturationTemperature_C(100) + 273.15).toBeCloseTo(372.755919, 5);
  expect(saturationTemperature_C(1000) + 273.15).toBeCloseTo(453.035632, 5);
});

test('water density at 4, 20 and 100 C: 999.97, 998.20, 958.37 kg/m3 (CRC Handbook, from memory)', () => {
  expect(waterDensity_kgPerM3(4)).toBeCloseTo(999.97, 1);
  expect(waterDensity_kgPerM3(20)).toBeCloseTo(998.2, 1);
  expect(waterDensity_kgPerM3(100)).toBeCloseTo(958.37, 0);
});

const gel = errorsAgainst('gel temperature against the published table (from memory)', 'F');
// USDA Complete Guide to Home Canning, Guide 7 (from memory). The row for 4,000 ft is irregular:
// the table falls 2 F a thousand feet and then 1 F. Tolerance 0.7 F: the table is printed to whole
// degrees.
test.each([
  [0, 220],
  [1000, 218],
  [2000, 216],
  [3000, 214],
  [4000, 212],
  [5000, 211],
  [6000, 209],
  [7000, 207],
  [8000, 205],
])('gel temperature at %i ft is %i F within 0.7', (feet, fahrenheit) =>
  expect(gel(toF(gelTemperature_C({ altitude_m: feet * 0.3048 })) - fahrenheit)).toBeLessThan(0.7),
);

describe('a place', () => {
  test('a boiling point measured here beats pressure, which beats altitude', () => {
    const all = { altitude_m: 1180, pressure_kPa: 88.4, boilingPoint_C: 97 };
    expect(boilingPointAt(all)).toMatchObject({ from: 'measured', boilingPoint_C: { mid: 97 } });
    expect(boilingPointAt({ altitude_m: 1180, pressure_kPa: 88.4 }).from).toBe('pressure');
    expect(boilingPointAt({ altitude_m: 1180 }).from).toBe('altitude');
    expect(boilingPointAt({}).from).toBe('sea-level');
  });

  test('a thermometer that reads high shifts the gel temperature with it, and is noticed', () => {
    const right = gelTemperature_C({ altitude_m: 1180 });
    const wrong = gelTemperature_C({
      altitude_m: 1180,
      boilingPoint_C: boilingPointAt({ altitude_m: 1180 }).boilingPoint_C.mid + 1.5,
    });
    expect(wrong - right).toBeCloseTo(1.5, 6);
    expect(thermometerOffset_K({ altitude_m: 1180, boilingPoint_C: 97.5 })).toBeCloseTo(
      97.5 - boilingPointAt({ altitude_m: 1180 }).boilingPoint_C.mid,
      6,
    );
  });

  test('unbelievable places are named field by field', () => {
    expect(
      checkPlace({ altitude_m: 12_000, pressure_kPa: 5, boilingPoint_C: 37 }).map((p) => p.field),
    ).toEqual(['altitude_m', 'pressure_kPa', 'boilingPoint_C']);
    expect(checkPlace({ altitude_m: NaN })).toHaveLength(1);
    expect(checkPlace({ altitude_m: 1180 })).toEqual([]);
  });

  test('higher never boils hotter, and altitude and pressure are inverse', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -430, max: 5500, noNaN: true }),
        fc.double({ min: 0, max: 2000, noNaN: true }),
        (low, more) => {
          const high = Math.min(low + more, 5500);
          expect(boilingPointAt({ altitude_m: high }).boilingPoint_C.mid).toBeLessThanOrEqual(
            boilingPointAt({ altitude_m: low }).boilingPoint_C.mid + 1e-9,
          );
          expect(standardAltitude_m(standardPressure_kPa(low))).toBeCloseTo(low, 5);
        },
      ),
    );
  });
});

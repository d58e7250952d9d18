import fc from 'fast-check';
import { GEL_RISE_C, standardPressure_kPa } from '../water/index.js';
import { solidsAtConsistency, solidsAtGel } from './index.js';

const SEA_kPa = standardPressure_kPa(0);

// "Soluble solids at the gel point are about 65 %": US 21 CFR 150.140 and 150.160 ask for 65 % in jelly and jam
// (from memory), and 8 F above boiling water is the kitchen's way to it. A full-sugar pot has a fifth of its solids
// from the fruit.
test('8 F above water means 62-66 % in a full-sugar pot, with 65 % inside the range', () => {
  const solids = solidsAtGel(GEL_RISE_C, 0.2, 0.15, SEA_kPa);
  expect(solids.mid).toBeGreaterThan(0.62);
  expect(solids.mid).toBeLessThan(0.66);
  expect(solids.low).toBeLessThan(0.65);
  expect(solids.high).toBeGreaterThan(0.65);
});

test('the more fruit sugar, the fewer solids the same rise means', () => {
  const at = (hexose: number): number => solidsAtGel(GEL_RISE_C, 0.2, hexose, SEA_kPa).mid;
  expect(at(0.1)).toBeGreaterThan(at(0.4));
  expect(at(0.4)).toBeGreaterThan(at(0.9));
  expect(at(1)).toBeGreaterThan(0.55);
});

// 0.5 K on the thermometer is about 2.2 % solids: the slope of the handbook curve near 65 % (sugar-technology tables, from memory).
test('half a degree of doubt is about two per cent of solids', () => {
  const sure = solidsAtGel(GEL_RISE_C, 0, 0.15, SEA_kPa);
  const higher = solidsAtGel(GEL_RISE_C + 0.5, 0, 0.15, SEA_kPa);
  expect(higher.mid - sure.mid).toBeGreaterThan(0.015);
  expect(higher.mid - sure.mid).toBeLessThan(0.03);
});

test('the rule holds at any altitude to within a per cent of solids', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 4000, noNaN: true }),
      fc.double({ min: 0.05, max: 0.6, noNaN: true }),
      (altitude, hexose) => {
        const here = solidsAtGel(GEL_RISE_C, 0.5, hexose, standardPressure_kPa(altitude));
        expect(Math.abs(here.mid - solidsAtGel(GEL_RISE_C, 0.5, hexose, SEA_kPa).mid)).toBeLessThan(0.02);
        expect(here.low < here.mid && here.mid < here.high).toBe(true);
      },
    ),
  );
});

// Common practice, no source: unsweetened butters end near 20-35 %, sweetened ones near 32-53 %. US 21 CFR 150.110 asks
// for 43 % where the name is to be used (from memory), which a sweetened one reaches about its middle.
test('a butter is stopped thinner without sugar, and a sweetened one near the standard of 43 %', () => {
  expect(solidsAtConsistency(0)).toEqual({ low: 0.2, mid: expect.closeTo(0.275, 6) as number, high: 0.35 });
  expect(Math.abs(solidsAtConsistency(0.6).mid - 0.43)).toBeLessThan(0.02);
  expect(solidsAtConsistency(0.9)).toEqual(solidsAtConsistency(0.5));
});

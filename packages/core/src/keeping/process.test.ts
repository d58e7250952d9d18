import fc from 'fast-check';
import { CALCIUM, CURD, type Lines } from '../testing/formula.js';
import { keep, LEMON_CURD, SUGAR } from '../testing/keeping.js';
import type { FormulaDocument } from '../formula/index.js';
import { minutesIn, PROCESS_ROWS, sterilisingMinutes } from './process-table.js';
import { PROCESS_BANDS } from './band.js';

describe('the process tables', () => {
  // USDA Complete Guide to Home Canning and the National Center for Home Food Preservation (from
  // memory): minutes by band.
  test.each([
    ['jamSterile', [5, 10, 10, 15]],
    ['jam', [10, 15, 15, 20]],
    ['butterSterile', [5, 10, 10, 15]],
    ['butter', [10, 15, 15, 20]],
    ['butterQuart', [10, 15, 15, 20]],
    ['syrup', [10, 15, 15, 20]],
    ['cranberry', [15, 20, 20, 25]],
    ['curd', [15, 20, 20, 25]],
    ['appleSauce', [15, 20, 20, 25]],
  ] as const)('%s: %j', (row, minutes) =>
    expect(PROCESS_BANDS.map((band) => minutesIn(PROCESS_ROWS[row], band))).toEqual(minutes),
  );

  const at = (
    altitude_m: number,
    rest: Partial<FormulaDocument> = {},
    lines: Lines = [['1 kg', 'damson'], SUGAR],
  ) => keep(['', lines, rest, { altitude_m }]).process;
  test.each([
    [0, 10],
    [304, 10],
    [310, 15],
    [914, 15],
    [1180, 15],
    [1828, 15],
    [1830, 20],
    [3000, 20],
  ])('damson jam at %i m: %i minutes', (altitude, minutes) =>
    expect(at(altitude)?.minutes).toBe(minutes),
  );
  test('pre-sterilised jars shorten it, and must be sterilised when it is under 10 minutes', () => {
    expect(at(0, { preSterilised: true })).toMatchObject({ minutes: 5, preSterilise: true });
    expect(at(1180, { preSterilised: true })).toMatchObject({ minutes: 10, preSterilise: true });
  });
  test('low solids never get the short time', () => {
    const light: Lines = [
      ['6 cups', 'raspberry', 'crushed'],
      ['4 tsp', 'pectin-calcium'],
      ['1 cup', 'white-sugar'],
    ];
    const kept = keep(['', light, { ...CALCIUM, preSterilised: true }, { altitude_m: 0 }]);
    expect(kept.process).toMatchObject({ minutes: 10, preSterilise: false });
    expect(kept.reasons.map(({ code }) => code)).toContain('low-solids');
    expect(kept.storage.best).toEqual({ months: 6 });
  });
  test('a thermometer that reads high never takes a band off', () => {
    expect(
      keep([
        '',
        [['1 kg', 'damson'], SUGAR],
        {},
        { altitude_m: 1900, boilingPoint_C: 99.5, pressure_kPa: 101 },
      ]).process?.minutes,
    ).toBe(20);
  });
  test('without an altitude the longest band is shown as the safe one', () => {
    const kept = keep(['', [['1 kg', 'damson'], SUGAR], {}, {}]);
    expect(kept.process).toBeNull();
    expect(kept.safestProcess?.minutes).toBe(20);
    expect(kept.reasons.map(({ code }) => code)).toContain('altitude-needed');
  });
  test('steam takes the same time', () =>
    expect(at(1180, { processing: 'steam' })).toMatchObject({ method: 'steam', minutes: 15 }));
  test('curd: 15, 20, 20, 25 minutes, 1/2 in, three months', () => {
    for (const [altitude, minutes] of [
      [100, 15],
      [500, 20],
      [1500, 20],
      [2500, 25],
    ] as const)
      expect(keep(['', LEMON_CURD, CURD, { altitude_m: altitude }]).process).toMatchObject({
        minutes,
        headspace_mm: 12.7,
      });
    expect(keep(['', LEMON_CURD, CURD]).storage.best).toEqual({ months: 3 });
  });
  test('sterilising jars: 10 minutes and one more for every 1,000 ft (same guide, from memory)', () => {
    expect(sterilisingMinutes(0)).toBe(10);
    expect(sterilisingMinutes(1180)).toBe(14);
  });
  test('one-piece lids and odd headspace are said', () => {
    const codes = (rest: Partial<FormulaDocument>): string[] =>
      keep(['', [['1 kg', 'damson'], SUGAR], rest]).reasons.map(({ code }) => code);
    expect(codes({ jars: [{ size: '454-g' }] })).toContain('one-piece-lid');
    expect(codes({ jars: [{ size: 'half-pint', headspace: '1 in' }] })).toContain('headspace');
  });
  test('higher is never shorter', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 2000 }),
        fc.integer({ min: 0, max: 1048 }),
        (low, more) => {
          const minutes = (altitude_m: number): number =>
            keep(['', [['1 kg', 'damson'], SUGAR], {}, { altitude_m }]).process?.minutes ?? 0;
          expect(minutes(low + more)).toBeGreaterThanOrEqual(minutes(low));
        },
      ),
      { numRuns: 40 },
    );
  });
});

import { massOfPot, PANTRY_C, putInto, type PotState } from './heat-balance.js';

const simmering = (): PotState => ({
  water: 1.8,
  soluble: 0.2,
  insoluble: 0.1,
  invertShare: 0,
  temperature_C: 96,
});

// Common practice: warmed sugar does not take the pan off the boil for as long.
test('what goes in takes its part of the heat: warmed sugar cools the pan less than cold', () => {
  const after = (temperature_C?: number): PotState => {
    const state = simmering();
    putInto(state, 0, 1.8, temperature_C);
    return state;
  };
  const cold = after();
  const warm = after(80);
  expect(massOfPot(cold)).toBeCloseTo(3.9, 9);
  expect(cold.temperature_C).toBeCloseTo((2.1 * 96 + 1.8 * PANTRY_C) / 3.9, 9);
  expect(warm.temperature_C - cold.temperature_C).toBeCloseTo((1.8 * (80 - PANTRY_C)) / 3.9, 9);
  expect(warm.temperature_C).toBeGreaterThan(88);
});

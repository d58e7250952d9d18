import type { Range } from '../range/index.js';

/**
 * Rate at which acid splits sucrose into glucose and fructose.
 *
 * log10 k = 16.91 + log10(water, g/ml) - 5670/T - pH, good to a factor of two.
 *
 * @param waterFraction mass fraction of water, 0.1 to 1
 * @param temperature_C 60 to 120
 * @returns share a minute
 * Source: Vukov 1965, Int. Sugar J. 67, 172, from memory.
 */
export function inversionRate_perMin(
  waterFraction: number,
  temperature_C: number,
  pH: number,
): number {
  // Grams of water in a millilitre: the fraction times the density of the syrup, about 1.0 to 1.3.
  const water = waterFraction * (1.38 - 0.4 * waterFraction);
  return water * Math.exp(Math.LN10 * (16.91 - 5670 / (temperature_C + 273.15) - pH));
}

/**
 * Factor on {@link inversionRate_perMin}, 5-95 %: the rate is good to a factor of two, and with
 * seven tenths of it ordinary boils end at the 20 to 40 % of the trade texts (from memory).
 */
export const INVERSION_FACTOR: Range = { low: 0.35, mid: 0.7, high: 1.4 };

/**
 * Share of the sucrose split in a boil.
 *
 * @param minutes at the boil with the sugar in; slow cooling in the jar counts as ten more
 * @returns 0 to 1
 */
export const inversionAfter = (
  minutes: number,
  waterFraction: number,
  temperature_C: number,
  pH: number,
): number =>
  1 - Math.exp(-inversionRate_perMin(waterFraction, temperature_C, pH) * Math.max(minutes, 0));

/** Altitudes for which a place is believed: below the Dead Sea shore to above the highest town. */
export const ALTITUDE_RANGE_M = { least: -430, most: 5500 } as const;

/**
 * Pressure of the standard atmosphere.
 *
 * @param altitude_m -430 to 11000 m
 * @returns kilopascals. The weather of a day moves the true value by about 2 kPa either way.
 * Source: US Standard Atmosphere 1976, troposphere (also the ASHRAE Fundamentals form used by
 * psychrolib).
 */
export function standardPressure_kPa(altitude_m: number): number {
  return 101.325 * Math.pow(1 - 2.25577e-5 * altitude_m, 5.25588);
}

/**
 * The altitude with that pressure in the standard atmosphere, metres. Inverse of {@link
 * standardPressure_kPa}.
 */
export function standardAltitude_m(pressure_kPa: number): number {
  return (1 - Math.pow(pressure_kPa / 101.325, 1 / 5.25588)) / 2.25577e-5;
}

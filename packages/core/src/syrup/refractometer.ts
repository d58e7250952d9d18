/**
 * Soluble solids from what a refractometer without temperature correction shows.
 *
 * @param reading_Brix degrees Brix shown, 0 to 90
 * @param temperature_C of the prism and the sample, 5 to 40; the scale is true at 20 C
 * @returns per cent soluble solids as sucrose. A jam's acid and invert sugar leave about half a
 * degree of doubt. Source: ICUMSA and AOAC 932.14 temperature corrections, from memory: 0.06 a
 * degree in thin juice to 0.08 in syrup, a little more the warmer it is.
 */
export function solidsFromRefractometer_percent(
  reading_Brix: number,
  temperature_C: number,
): number {
  const off = temperature_C - 20;
  const perDegree = 0.062 + 0.00033 * Math.min(reading_Brix, 70);
  return reading_Brix + perDegree * off + 0.0004 * off * Math.abs(off);
}

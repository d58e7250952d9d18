/** Region 4 (saturation line) coefficients n1..n10: IAPWS-IF97, table 34. */
const N = [
  0.11670521452767e4, -0.72421316703206e6, -0.17073846940092e2, 0.1202082470247e5,
  -0.32325550322333e7, 0.1491510861353e2, -0.48232657361591e4, 0.40511340542057e6,
  -0.23855557567849, 0.65017534844798e3,
] as const;

const KELVIN = 273.15;

/**
 * Boiling temperature of pure water at a pressure.
 *
 * @param pressure_kPa 0.7 to 22064 kPa
 * @returns degrees Celsius
 * @throws RangeError outside that range
 * Source: IAPWS-IF97 equation 31 (backward equation of region 4).
 */
export function saturationTemperature_C(pressure_kPa: number): number {
  if (!(pressure_kPa >= 0.7 && pressure_kPa <= 22064))
    throw new RangeError(`pressure ${pressure_kPa} kPa is outside 0.7 to 22064 kPa`);
  const beta = Math.pow(pressure_kPa / 1000, 0.25);
  const e = beta * beta + N[2] * beta + N[5];
  const f = N[0] * beta * beta + N[3] * beta + N[6];
  const g = N[1] * beta * beta + N[4] * beta + N[7];
  const d = (2 * g) / (-f - Math.sqrt(f * f - 4 * e * g));
  return (N[9] + d - Math.sqrt((N[9] + d) ** 2 - 4 * (N[8] + N[9] * d))) / 2 - KELVIN;
}

/**
 * Saturation pressure of pure water at a temperature.
 *
 * @param temperature_C 0 to 373 degrees Celsius
 * @returns kilopascals
 * @throws RangeError outside that range
 * Source: IAPWS-IF97 equation 30.
 */
export function saturationPressure_kPa(temperature_C: number): number {
  if (!(temperature_C >= 0 && temperature_C <= 373))
    throw new RangeError(`temperature ${temperature_C} C is outside 0 to 373 C`);
  const kelvin = temperature_C + KELVIN;
  const theta = kelvin + N[8] / (kelvin - N[9]);
  const a = theta * theta + N[0] * theta + N[1];
  const b = N[2] * theta * theta + N[3] * theta + N[4];
  const c = N[5] * theta * theta + N[6] * theta + N[7];
  return Math.pow((2 * c) / (-b + Math.sqrt(b * b - 4 * a * c)), 4) * 1000;
}

/**
 * Density of pure liquid water at ordinary pressure.
 *
 * @param temperature_C 0 to 110 degrees Celsius (above 100 slightly extrapolated)
 * @returns kg/m3 Source: Kell 1975, J. Chem. Eng. Data 20, 97 (coefficients from memory; checked in
 * the tests at 4, 20 and 100 C).
 */
export function waterDensity_kgPerM3(temperature_C: number): number {
  const t = temperature_C;
  const top =
    999.83952 +
    t *
      (16.945176 +
        t * (-7.9870401e-3 + t * (-46.170461e-6 + t * (105.56302e-9 - t * 280.54253e-12))));
  return top / (1 + 16.87985e-3 * t);
}

/** Latent heat of water near 100 C, J/kg. Steam tables, from memory. */
export const LATENT_J_PER_KG = 2.257e6;

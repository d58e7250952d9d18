import { saturationPressure_kPa, saturationTemperature_C } from '../water/index.js';

const WATER_G_PER_MOL = 18.015;
const SUCROSE_G_PER_MOL = 342.3;
const HEXOSE_G_PER_MOL = 180.16;
const NORRISH_SUCROSE = 6.47;
const ROOT_NORRISH_INVERT = Math.sqrt(2.25);

/**
 * Which curve of sucrose: 0 is Starzak and Peacock's, 1 is Norrish's, 0.5 their mean. Published
 * tables lie between the two, so the gap is the error of the model.
 */
export const STARZAK_PEACOCK = 0;
export const NORRISH = 1;
export const MEAN_CURVE = 0.5;

/** Natural logarithm of the water activity; see {@link waterActivity}. */
function logActivity(
  solids: number,
  invertShare: number,
  temperature_C: number,
  curve: number,
): number {
  const water = (1 - solids) / WATER_G_PER_MOL;
  const sucrose = (solids * (1 - invertShare)) / SUCROSE_G_PER_MOL;
  const hexose = (solids * invertShare) / HEXOSE_G_PER_MOL;
  const all = water + sucrose + hexose;
  const xs = sucrose / all;
  const starzakPeacock =
    (17638 / (8.314 * (temperature_C + 273.15))) * (1 - 1.0038 * xs - 0.24653 * xs * xs);
  const k = starzakPeacock + (NORRISH_SUCROSE - starzakPeacock) * curve;
  const excess = Math.sqrt(Math.max(k, 0)) * xs + (ROOT_NORRISH_INVERT * hexose) / all;
  return Math.log(water / all) - excess * excess;
}

/**
 * Water activity of a syrup of sucrose and invert sugar.
 *
 * ln aw = ln xw - (sum of sqrt(K) x)^2 over the sugars, with x mole fractions (Norrish's mixing
 * rule). K of sucrose is Norrish's constant, Starzak and Peacock's polynomial, or between them.
 *
 * @param solids mass fraction of soluble solids, 0 to 0.95
 * @param invertShare share of the solids that is glucose and fructose, 0 to 1; fruit acids count
 * here
 * @param temperature_C 60 to 130
 * @param curve 0 to 1, see {@link MEAN_CURVE}
 * @returns water activity, 0 to 1 Sources, from memory: Norrish 1966, J. Food Technol. 1, 25;
 * Starzak and Peacock 1997, Zuckerindustrie 122, 380.
 */
export const waterActivity = (
  solids: number,
  invertShare: number,
  temperature_C: number,
  curve = MEAN_CURVE,
): number => Math.exp(logActivity(solids, invertShare, temperature_C, curve));

/**
 * Root of an increasing function between two bounds: the secant of the last two points where it
 * stays between the bounds, halving where it does not.
 */
function rootBetween(
  f: (x: number) => number,
  low: number,
  high: number,
  start: number,
  close: number,
): number {
  let a = low;
  let b = high;
  let x0 = start;
  let f0 = f(x0);
  let x1 = Math.min(start + (high - low) * 0.02, high);
  for (let i = 0; i < 60; i++) {
    const f1 = f(x1);
    if (f1 > 0) b = Math.min(b, x1);
    else a = Math.max(a, x1);
    if (f0 > 0) b = Math.min(b, x0);
    else a = Math.max(a, x0);
    const secant = x1 - (f1 * (x1 - x0)) / (f1 - f0);
    const next = secant > a && secant < b ? secant : (a + b) / 2;
    const step = Math.abs(next - x1);
    x0 = x1;
    f0 = f1;
    x1 = next;
    if (step < close) break;
  }
  return x1;
}

/**
 * Temperature at which a syrup boils: where its vapour pressure, ps(T) aw(T), equals the air's.
 *
 * @param solids mass fraction of soluble solids, 0 to 0.92
 * @param invertShare share of the solids that is invert sugar, 0 to 1
 * @param pressure_kPa 45 to 110
 * @returns degrees Celsius; right at any altitude without a further term
 */
export function syrupBoilingPoint_C(
  solids: number,
  invertShare: number,
  pressure_kPa: number,
  curve = MEAN_CURVE,
): number {
  const water = saturationTemperature_C(pressure_kPa);
  if (!(solids > 0)) return water;
  const wanted = Math.log(pressure_kPa);
  // ln p of water rises by about 1/28 a kelvin near its boiling point: a first guess for the
  // secant.
  const guess = water - 28 * logActivity(solids, invertShare, water, curve);
  return rootBetween(
    (t) =>
      Math.log(saturationPressure_kPa(t)) + logActivity(solids, invertShare, t, curve) - wanted,
    water,
    water + 90,
    Math.min(guess, water + 80),
    1e-7,
  );
}

/** How far above boiling water the syrup boils, kelvin. See {@link syrupBoilingPoint_C}. */
export const boilingPointElevation_K = (
  solids: number,
  invertShare: number,
  pressure_kPa: number,
  curve = MEAN_CURVE,
): number =>
  syrupBoilingPoint_C(solids, invertShare, pressure_kPa, curve) -
  saturationTemperature_C(pressure_kPa);

/**
 * Soluble solids of a syrup that boils `rise_K` above water: the inverse of {@link
 * boilingPointElevation_K}.
 *
 * @param rise_K 0 to 25
 * @returns mass fraction, 0 to 0.95
 */
export function solidsAtRise(
  rise_K: number,
  invertShare: number,
  pressure_kPa: number,
  curve = MEAN_CURVE,
): number {
  // At the boiling temperature the water activity is known at once, so only the composition has to
  // be searched for.
  const temperature = saturationTemperature_C(pressure_kPa) + Math.max(rise_K, 0);
  return solidsAtActivity(
    Math.log(pressure_kPa / saturationPressure_kPa(temperature)),
    temperature,
    invertShare,
    curve,
  );
}

/**
 * Soluble solids with a known water activity at a temperature, for callers that have both at hand.
 *
 * @param wantedLog natural logarithm of the water activity, 0 or less
 * @returns mass fraction, 0 to 0.95
 */
export function solidsAtActivity(
  wantedLog: number,
  temperature_C: number,
  invertShare: number,
  curve = MEAN_CURVE,
): number {
  if (wantedLog >= 0) return 0;
  // Around 65 % the logarithm is -0.16; below, it falls about as s / (1 - s).
  const odds = Math.min(-wantedLog / 0.085, 15);
  return rootBetween(
    (s) => wantedLog - logActivity(s, invertShare, temperature_C, curve),
    0,
    0.95,
    Math.min(odds / (1 + odds), 0.93),
    1e-9,
  );
}

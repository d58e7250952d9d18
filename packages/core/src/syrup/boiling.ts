import { saturationPressure_kPa, saturationTemperature_C } from '../water/index.js';

const WATER_G_PER_MOL = 18.015;
const SUCROSE_G_PER_MOL = 342.3;
const HEXOSE_G_PER_MOL = 180.16;
const NORRISH_SUCROSE = 6.47;
const NORRISH_INVERT = 2.25;

/**
 * Which curve of sucrose: `mean` (default) of the two below, or one of them by itself; their gap is the error of
 * the model.
 */
export type ElevationModel = 'mean' | 'starzak-peacock' | 'norrish';

/**
 * Water activity of a syrup of sucrose and invert sugar.
 *
 * ln aw = ln xw - (sum of sqrt(K) x)^2 over the sugars, with x mole fractions (Norrish's mixing rule). K of sucrose
 * is Norrish's constant, Starzak and Peacock's polynomial, or their mean.
 *
 * @param solids mass fraction of soluble solids, 0 to 0.95
 * @param invertShare share of the solids that is glucose and fructose, 0 to 1; fruit acids count here
 * @param temperature_C 60 to 130
 * @returns water activity, 0 to 1
 * Sources, from memory: Norrish 1966, J. Food Technol. 1, 25; Starzak and Peacock 1997, Zuckerindustrie 122, 380.
 */
export function waterActivity(
  solids: number,
  invertShare: number,
  temperature_C: number,
  model: ElevationModel = 'mean',
): number {
  const water = (1 - solids) / WATER_G_PER_MOL;
  const sucrose = (solids * (1 - invertShare)) / SUCROSE_G_PER_MOL;
  const hexose = (solids * invertShare) / HEXOSE_G_PER_MOL;
  const all = water + sucrose + hexose;
  const xs = sucrose / all;
  const starzakPeacock = (17638 / (8.314 * (temperature_C + 273.15))) * (1 - 1.0038 * xs - 0.24653 * xs * xs);
  const k = {
    mean: (NORRISH_SUCROSE + starzakPeacock) / 2,
    norrish: NORRISH_SUCROSE,
    'starzak-peacock': starzakPeacock,
  }[model];
  const excess = Math.sqrt(Math.max(k, 0)) * xs + Math.sqrt(NORRISH_INVERT) * (hexose / all);
  return (water / all) * Math.exp(-excess * excess);
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
  model: ElevationModel = 'mean',
): number {
  let low = saturationTemperature_C(pressure_kPa);
  let high = low + 60;
  for (let i = 0; i < 40 && high - low > 1e-7; i++) {
    const middle = (low + high) / 2;
    if (saturationPressure_kPa(middle) * waterActivity(solids, invertShare, middle, model) < pressure_kPa)
      low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** How far above boiling water the syrup boils, kelvin. See {@link syrupBoilingPoint_C}. */
export function boilingPointElevation_K(
  solids: number,
  invertShare: number,
  pressure_kPa: number,
  model: ElevationModel = 'mean',
): number {
  return (
    syrupBoilingPoint_C(solids, invertShare, pressure_kPa, model) - saturationTemperature_C(pressure_kPa)
  );
}

/**
 * Soluble solids of a syrup that boils `rise_K` above water: the inverse of {@link boilingPointElevation_K}.
 *
 * @param rise_K 0 to 25
 * @returns mass fraction, 0 to 0.95
 */
export function solidsAtRise(
  rise_K: number,
  invertShare: number,
  pressure_kPa: number,
  model: ElevationModel = 'mean',
): number {
  // At the boiling temperature the water activity is known at once, so only the composition has to be searched for.
  const temperature = saturationTemperature_C(pressure_kPa) + Math.max(rise_K, 0);
  const wanted = pressure_kPa / saturationPressure_kPa(temperature);
  let low = 0;
  let high = 0.95;
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2;
    if (waterActivity(middle, invertShare, temperature, model) > wanted) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

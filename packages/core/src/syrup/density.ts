import { waterDensity_kgPerM3 } from '../water/index.js';

/**
 * Density of a sugar solution.
 *
 * @param solids mass fraction of soluble solids, 0 to 0.85
 * @param temperature_C 4 to 110
 * @returns kg/m3 Sources, from memory: at 20 C the ICUMSA polynomial (Emmerich 1994); the fall with
 * temperature from Bubnik et al. 1995, Sugar Technologists Manual, for 40 % and more, blended to
 * that of water (Kell 1975) below.
 */
export function syrupDensity_kgPerM3(solids: number, temperature_C: number): number {
  const w = solids;
  const at20 =
    998.2 +
    w * (385.1761 + w * (135.3705 + w * (40.9299 + w * (-3.9643 + w * (13.4853 - w * 17.289)))));
  const water = waterDensity_kgPerM3(temperature_C) / waterDensity_kgPerM3(20);
  const syrup = 1 - (0.036 * (temperature_C - 20)) / (160 - temperature_C);
  const share = Math.min(w / 0.4, 1);
  return at20 * (water + (syrup - water) * share);
}

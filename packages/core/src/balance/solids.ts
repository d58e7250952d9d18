import { propagate, type Range } from '../range/index.js';
import { solidsAtRise } from '../syrup/index.js';

/**
 * Share of the sucrose that acid and heat have split by the end of a usual boil. Trade texts and Vukov 1965, from
 * memory: 10-45 %, wanted 25-40 %.
 */
export const USUAL_INVERSION: Range = { low: 0.1, mid: 0.25, high: 0.45 };

/** Doubt of reading a thermometer in a moving pot, kelvin, 5-95 %. Common practice. */
const READING_DOUBT_K = 0.3;

/**
 * Soluble solids of a pot that boils at a rise above water.
 *
 * @param rise_K wanted rise, 0.5 to 15
 * @param boilingPointDoubt_K half range of the local boiling point
 * @param hexoseShare share of the solids that came in as glucose, fructose or acid, 0 to 1
 * @returns mass fraction of the liquid; its range holds inversion, the thermometer, the weather and the gap between
 *   the two elevation curves
 */
export function solidsAtGel(
  rise_K: number,
  boilingPointDoubt_K: number,
  hexoseShare: number,
  pressure_kPa: number,
): Range {
  const doubt = Math.hypot(boilingPointDoubt_K, READING_DOUBT_K);
  const [solids] = propagate(
    [
      { low: rise_K - doubt, mid: rise_K, high: rise_K + doubt },
      USUAL_INVERSION,
      { low: 0, mid: 0.5, high: 1 },
    ],
    ([rise = 0, inversion = 0, curve = 0]) => {
      const invert = hexoseShare + (1 - hexoseShare) * inversion;
      const upper = solidsAtRise(rise, invert, pressure_kPa, 'starzak-peacock');
      const lower = solidsAtRise(rise, invert, pressure_kPa, 'norrish');
      return [upper + (lower - upper) * curve];
    },
  );
  return solids ?? { low: 0.6, mid: 0.65, high: 0.7 };
}

/**
 * Soluble solids at which makers stop a butter, mass fraction: unsweetened ones thicken by their own pulp, sweetened
 * ones are stopped later. Common practice, no source; wide because taste decides.
 *
 * @param addedSugarShare share of the soluble solids that was added as sugar, 0 to 1
 */
export function solidsAtConsistency(addedSugarShare: number): Range {
  const sweetened = Math.min(addedSugarShare / 0.5, 1);
  const between = (plain: number, sweet: number): number => plain + (sweet - plain) * sweetened;
  return { low: between(0.2, 0.32), mid: between(0.275, 0.425), high: between(0.35, 0.53) };
}

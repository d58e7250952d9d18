import type { Range } from '../range/index.js';
import { syrupDensity_kgPerM3 } from '../syrup/index.js';
import { fillVolume_ml, HALF_PINT_ML, QUARTER_INCH_MM, type JarSize } from '../jars/index.js';
import { AIR_SHARE, FILL_C, FILM_KG, FOAM_SHARE, JAR_DOUBT } from './evaluate.js';

/** No spread is boiled further than this, mass fraction: beyond it is toffee. */
const FURTHEST_SOLIDS = 0.72;

/**
 * Half-pints between "boiled to toffee" and "no water lost at all".
 * @param thinnest solids no finish goes below, mass fraction
 */
export function yieldBracket(
  mostIn_kg: number,
  soluble_kg: Range,
  insoluble_kg: Range,
  thinnest: number,
): { least: number; most: number } {
  const jars = (mass_kg: number, solids: number): number =>
    (mass_kg / syrupDensity_kgPerM3(solids, FILL_C) / HALF_PINT_ML) * 1e6;
  const least =
    Math.max(soluble_kg.low / FURTHEST_SOLIDS + insoluble_kg.low - FILM_KG.high, 0) *
    (1 - FOAM_SHARE.high);
  const thin = Math.min(soluble_kg.low / mostIn_kg, thinnest);
  return {
    least: Math.min(jars(least, FURTHEST_SOLIDS), jars(mostIn_kg, thin)) * (1 - JAR_DOUBT),
    most: jars(mostIn_kg, thin) * (1 + JAR_DOUBT) * (1 + AIR_SHARE.high),
  };
}

/** A count of any jar as half-pints. */
export const inHalfPints = (count: number, jar: JarSize): number =>
  (count * fillVolume_ml(jar, QUARTER_INCH_MM)) / HALF_PINT_ML;

import type { PotFormula } from '../formula/index.js';
import { syrupDensity_kgPerM3 } from '../syrup/index.js';
import type { Contents } from './contents.js';

/**
 * Share of a pan's depth that may be filled before the sugar boil: the foam rises three times.
 * Common practice.
 */
export const FILL_BEFORE_FOAM = 1 / 3;
/** With this share filled the foam has room enough to be easy: it rises four times at most. */
const FILL_WITH_EASE = 1 / 4;
/** A butter or a curd does not foam so. Common practice. */
export const FILL_WITHOUT_FOAM = 0.8;

/** How full a pan may be filled, share of its depth. */
export const fillOfPan = ({ kind }: Pick<PotFormula, 'kind'>): number =>
  kind === 'fruit-butter' || kind === 'curd' ? FILL_WITHOUT_FOAM : FILL_BEFORE_FOAM;

/** The pan is hot, and its sugar dissolved, when it is fullest, C. Common practice. */
const FULLEST_AT_C = 80;
/** Density is taken no further than this, mass fraction of solids: beyond it is toffee. */
const DENSEST_SOLIDS = 0.8;

/** Litres that the contents of a pan take up before they boil. */
export function volumeInPan_l({ mass, soluble }: Pick<Contents, 'mass' | 'soluble'>): number {
  const solids = Math.min(soluble / mass, DENSEST_SOLIDS);
  return (mass / syrupDensity_kgPerM3(solids, FULLEST_AT_C)) * 1000;
}

/** Litres a pan must hold so that the foam of so much stays in it: at least, and with ease. */
export const panForFoam_l = (
  fill_l: number,
): { readonly least: number; readonly easy: number } => ({
  least: fill_l / FILL_BEFORE_FOAM,
  easy: fill_l / FILL_WITH_EASE,
});

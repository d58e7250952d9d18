import type { PotFormula } from '../formula/index.js';

/**
 * Share of a pan's depth that may be filled before the sugar boil: the foam rises three times.
 * Common practice.
 */
export const FILL_BEFORE_FOAM = 1 / 3;
/** A butter or a curd does not foam so. Common practice. */
export const FILL_WITHOUT_FOAM = 0.8;

/** How full a pan may stand, share of its depth. */
export const fillOfPan = ({ kind }: Pick<PotFormula, 'kind'>): number =>
  kind === 'fruit-butter' || kind === 'curd' ? FILL_WITHOUT_FOAM : FILL_BEFORE_FOAM;

import type { PotFormula } from './read.js';

/**
 * The formula with a spread that is cooked again as what it was made of: storage, allergens and fruit
 * go by that.
 */
export const asMadeOf = <F extends Pick<PotFormula, 'lines'>>(formula: F): F =>
  formula.lines.some(({ madeOf }) => madeOf !== undefined)
    ? { ...formula, lines: formula.lines.flatMap((line) => line.madeOf ?? [line]) }
    : formula;

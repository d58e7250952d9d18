import type { Kind, Method } from '../formula/index.js';

/**
 * Soluble solids one wants at the finish, per cent: jams and jellies 60 to 68, calcium gels 20 to
 * 60, butters, syrups and curds 20 to 53. Common practice, no source.
 */
export function wantedSolids(kind: Kind, method: Method): readonly [least: number, most: number] {
  if (method === 'no-gel' || kind === 'fruit-butter' || kind === 'curd') return [20, 53];
  return method === 'calcium-pectin' ? [20, 60] : [60, 68];
}

/** How concentrated a spread comes out beside what is usual for its kind. */
export type ConcentrationWord = 'low' | 'usual' | 'high';

/** The word for a finish. @param percent soluble solids at the finish */
export function concentrationWord(
  percent: number,
  [least, most]: readonly [number, number],
): ConcentrationWord {
  if (percent < least) return 'low';
  return percent > most ? 'high' : 'usual';
}

import type { Kind, Method } from '../formula/index.js';

/** How thick a spread comes out beside what is usual for its kind. */
export type SolidsWord = 'thin' | 'full' | 'heavy';

/**
 * Soluble solids one wants at the finish, per cent: jams and jellies 60 to 68, calcium gels 20 to
 * 60, butters, syrups and curds 20 to 53. Common practice, no source.
 */
export function wantedSolids(kind: Kind, method: Method): readonly [least: number, most: number] {
  if (method === 'no-gel' || kind === 'fruit-butter' || kind === 'curd') return [20, 53];
  return method === 'calcium-pectin' ? [20, 60] : [60, 68];
}

/** The word for a finish. @param percent soluble solids at the finish */
export function solidsWord(percent: number, [least, most]: readonly [number, number]): SolidsWord {
  if (percent < least) return 'thin';
  return percent > most ? 'heavy' : 'full';
}

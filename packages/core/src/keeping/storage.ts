import type { Kind } from '../formula/index.js';
import type { KeepingVerdict } from './verdict.js';

/** Under this a spread moulds soon after opening, per cent soluble solids. Common practice. */
export const LOW_SOLIDS = 55;

/** Where the jars stand and how long they are at their best. */
export interface Storage {
  readonly where: 'cool-dark-dry' | 'fridge' | 'nowhere';
  /** Whole months at best, unopened; 0 where it is not kept. */
  readonly months: number;
  readonly text: string;
}

/**
 * Whole months jars are at their best, unopened. National Center for Home Food Preservation and
 * common practice, from memory; four weeks in the fridge.
 */
export const BEST_MONTHS = { shelf: 12, lowSolids: 6, curd: 3, fridge: 1, freezer: 12 } as const;

function shelfMonths(kind: Kind, solidsPercent: number): number {
  if (kind === 'curd') return BEST_MONTHS.curd;
  return solidsPercent < LOW_SOLIDS ? BEST_MONTHS.lowSolids : BEST_MONTHS.shelf;
}

/**
 * Storage by kind, verdict and solids. National Center for Home Food Preservation and common
 * practice, from memory.
 */
export function storageOf(kind: Kind, verdict: KeepingVerdict, solidsPercent: number): Storage {
  switch (verdict) {
    case 'shelf': {
      const months = shelfMonths(kind, solidsPercent);
      return {
        where: 'cool-dark-dry',
        months,
        text: `cool (10-21 °C, 50-70 °F), dark and dry; best within ${months} months; in the fridge once opened`,
      };
    }
    case 'fridge':
    case 'freezer':
      return {
        where: 'fridge',
        months: BEST_MONTHS.fridge,
        text: 'in the fridge, eaten within four weeks; or frozen with room to expand, up to a year',
      };
    case 'stop':
      return { where: 'nowhere', months: 0, text: 'do not keep it' };
  }
}

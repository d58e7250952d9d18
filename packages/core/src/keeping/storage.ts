import type { Kind } from '../formula/index.js';
import { LOW_SOLIDS } from './row.js';
import type { KeepingVerdict } from './verdict.js';

/** Where the jars stand and how long they are at their best. */
export interface Storage {
  readonly where: 'cool-dark-dry' | 'fridge' | 'nowhere';
  /** Whole months at best, unopened; 0 where it is not kept. */
  readonly months: number;
  readonly text: string;
}

const SHELF_MONTHS = 12;
const LOW_SOLIDS_MONTHS = 6;
const CURD_SHELF_MONTHS = 3;

/**
 * Storage by kind, verdict and solids. National Center for Home Food Preservation and common
 * practice, from memory.
 */
export function storageOf(kind: Kind, verdict: KeepingVerdict, solidsPercent: number): Storage {
  switch (verdict) {
    case 'shelf': {
      const months =
        kind === 'curd'
          ? CURD_SHELF_MONTHS
          : solidsPercent < LOW_SOLIDS
            ? LOW_SOLIDS_MONTHS
            : SHELF_MONTHS;
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
        months: 1,
        text: 'in the fridge, eaten within four weeks; or frozen with room to expand, up to a year',
      };
    case 'stop':
      return { where: 'nowhere', months: 0, text: 'do not keep it' };
  }
}

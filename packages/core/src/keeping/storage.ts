import { asMadeOf, type Kind, type PotFormula } from '../formula/index.js';
import { PRACTICE } from './reason.js';
import type { KeepingVerdict } from './verdict.js';

/** Under this a spread moulds soon after opening, per cent soluble solids. Common practice. */
export const LOW_SOLIDS = 55;

/** How long jars are at their best: whole months by the calendar, or days where it is days. */
export type Best = { readonly months: number } | { readonly days: number };

/** Where the jars stand and how long they are at their best. */
export interface Storage {
  readonly where: 'cool-dark-dry' | 'fridge' | 'nowhere';
  /** At their best so long from the day they were made, unopened; no days where it is not kept. */
  readonly best: Best;
  readonly text: string;
  readonly source: string;
}

const DAYS_A_MONTH = 30.4375;
/** About how many days. */
export const daysOf = (best: Best): number =>
  'days' in best ? best.days : Math.round(best.months * DAYS_A_MONTH);

/**
 * How long jars are at their best, unopened. National Center for Home Food Preservation (a year on
 * the shelf, curd 3 to 4 months, and 4 weeks in the fridge) and common practice, from memory.
 */
export const BEST = {
  shelf: { months: 12 },
  lowSolids: { months: 6 },
  curd: { months: 3 },
  freezer: { months: 12 },
  /** In the fridge, from here on. */
  fullSugar: { days: 28 },
  curdInFridge: { days: 28 },
  lowSugar: { days: 21 },
  unsweetened: { days: 14 },
  perishable: { days: 4 },
  opened: { days: 28 },
} as const satisfies Record<string, Best>;

/** Under this it is taken as unsweetened, per cent soluble solids. Common practice. */
const UNSWEETENED_SOLIDS = 25;
/** What spoils in days wherever it is: meat, stock, milk, cheese, egg outside a curd, garlic, and vegetables that are not sweet. */
const PERISHABLE: ReadonlySet<string> = new Set([
  'meat',
  'stock',
  'milk',
  'cheese',
  'coconut-milk',
]);

const isPerishable = (formula: PotFormula, solidsPercent: number): boolean =>
  asMadeOf(formula).lines.some(
    ({ ingredient: { id, category, acidClass, cautions } }) =>
      PERISHABLE.has(id) ||
      (id.startsWith('egg') && formula.kind !== 'curd') ||
      cautions.includes('garlic') ||
      (category === 'vegetable' && acidClass === 'low-acid' && solidsPercent < LOW_SOLIDS),
  );

function bestInFridge(formula: PotFormula, solidsPercent: number): Best {
  if (isPerishable(formula, solidsPercent)) return BEST.perishable;
  if (formula.kind === 'curd') return BEST.curdInFridge;
  if (solidsPercent < UNSWEETENED_SOLIDS) return BEST.unsweetened;
  return solidsPercent < LOW_SOLIDS ? BEST.lowSugar : BEST.fullSugar;
}

function bestOnShelf(kind: Kind, solidsPercent: number): Best {
  if (kind === 'curd') return BEST.curd;
  return solidsPercent < LOW_SOLIDS ? BEST.lowSolids : BEST.shelf;
}

/** A span as people say it: days while it is days, then weeks, then months. */
export function bestWords(best: Best): string {
  if ('months' in best) return `${best.months} months`;
  return best.days % 7 === 0 && best.days >= 14 ? `${best.days / 7} weeks` : `${best.days} days`;
}

/**
 * Storage by what it is, verdict and solids, counted from the day it was made. National Center for
 * Home Food Preservation and common practice, from memory.
 */
export function storageOf(
  formula: PotFormula,
  verdict: KeepingVerdict,
  solidsPercent: number,
): Storage {
  switch (verdict) {
    case 'shelf': {
      const best = bestOnShelf(formula.kind, solidsPercent);
      return {
        where: 'cool-dark-dry',
        best,
        text: `cool (10-21 °C, 50-70 °F), dark and dry; best within ${bestWords(best)}; in the fridge once opened`,
        source: NCHFP,
      };
    }
    case 'fridge':
    case 'freezer': {
      const best = bestInFridge(formula, solidsPercent);
      return {
        where: 'fridge',
        best,
        text: `in the fridge, used within ${bestWords(best)} of making; or frozen with room to expand, up to a year`,
        source: formula.kind === 'curd' ? NCHFP : PRACTICE,
      };
    }
    case 'stop':
      return {
        where: 'nowhere',
        best: { days: 0 },
        text: 'do not make it; throw away what was made, without tasting',
        source: NCHFP,
      };
  }
}

const NCHFP = 'National Center for Home Food Preservation, from memory';

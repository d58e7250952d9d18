import { Z90, type Range } from '../range/index.js';
import { from, type Ingredient } from './ingredient.js';

/** Fruit as it was bought, and what was left of it when it was ready for the pot. */
export interface PreparedWeight {
  readonly ingredient: string;
  readonly bought_kg: number;
  readonly prepared_kg: number;
}

/**
 * How far one weighing lies from what this kitchen loses on the whole, per cent of the bought
 * weight. Common practice, no source.
 */
const ONE_WEIGHING = 3;
const fromWeighings = from('this kitchen’s own weighings, beside the table');

/**
 * Part of the bought weight lost in preparing, per cent, from the table and this kitchen's own
 * weighings together: the mean of both by their certainty, so that one odd basket does not rule and
 * many of them do.
 *
 * @returns undefined for an ingredient that loses nothing
 */
export function wasteFrom(
  ingredient: Ingredient,
  weights: readonly PreparedWeight[],
): Range | undefined {
  const table = ingredient.wastePercent;
  if (!table) return undefined;
  const own = weights.filter(
    (each) =>
      each.ingredient === ingredient.id && each.bought_kg > 0 && each.prepared_kg <= each.bought_kg,
  );
  if (own.length === 0) return table;
  const spread = Math.max((table.high - table.low) / 2 / Z90, 0.5);
  const trust = { table: 1 / spread ** 2, own: own.length / ONE_WEIGHING ** 2 };
  const mean =
    own.reduce((sum, each) => sum + (1 - each.prepared_kg / each.bought_kg) * 100, 0) / own.length;
  const mid = (table.mid * trust.table + mean * trust.own) / (trust.table + trust.own);
  // The next basket is one more weighing.
  const doubt = Z90 * Math.sqrt(1 / (trust.table + trust.own) + (ONE_WEIGHING / 2) ** 2);
  return { low: Math.max(mid - doubt, 0), mid, high: Math.min(mid + doubt, 95) };
}

/** The ingredient with the waste of this kitchen. */
export function withWeighings(
  ingredient: Ingredient,
  weights: readonly PreparedWeight[],
): Ingredient {
  const waste = wasteFrom(ingredient, weights);
  return waste === undefined || waste === ingredient.wastePercent
    ? ingredient
    : { ...ingredient, wastePercent: fromWeighings(waste.mid, waste.low, waste.high) };
}

import type { PotLine } from '../formula/index.js';
import { syrupDensity_kgPerM3 } from '../syrup/index.js';
import type { Category } from '../produce/index.js';

/** The id of new flat lids among supplies; the others are ids of ingredients. */
export const LID_SUPPLY = 'lid';

/** What a batch takes of one thing. */
export interface Need {
  /** An ingredient's id, or {@link LID_SUPPLY}. */
  readonly of: string;
  /** "white sugar", "lids" */
  readonly name: string;
  /** Kilograms; lids by the piece. Fruit as it is prepared, or the whole fruit its juice is of. */
  readonly amount: number;
  /** Kilograms in a litre, of what is bought by volume. */
  readonly kgPerLitre: number | undefined;
  /** Undefined for lids. */
  readonly category: Category | undefined;
}

/** As warm as a bottle in a shop, C. Common practice. */
const SHOP_C = 20;

/** Water comes from the tap. */
const FREE: ReadonlySet<string> = new Set(['water']);

/**
 * What a formula takes: each ingredient once, and a lid for every jar that may come out.
 *
 * @param jars as many as may be filled, fractional; a part jar takes a lid too
 */
export function needsOf(
  lines: readonly Pick<PotLine, 'ingredient' | 'label' | 'mass_kg' | 'fruit_kg'>[],
  jars: number,
): Need[] {
  const needs = new Map<string, Need>();
  for (const { ingredient, label, mass_kg, fruit_kg } of lines) {
    if (FREE.has(ingredient.id)) continue;
    // An ingredient of one's own has no id to be told by, only its name.
    const key = ingredient.name[1] === label ? ingredient.id : `${ingredient.id} ${label}`;
    const had = needs.get(key)?.amount ?? 0;
    needs.set(key, {
      of: ingredient.id,
      name: label,
      amount: had + (fruit_kg ?? mass_kg).mid,
      kgPerLitre: ingredient.liquid
        ? syrupDensity_kgPerM3(ingredient.solubleSolidsPercent.mid / 100, SHOP_C) / 1000
        : undefined,
      category: ingredient.category,
    });
  }
  const lids = Math.ceil(jars);
  return [
    ...needs.values(),
    ...(lids > 0
      ? [{ of: LID_SUPPLY, name: 'lids', amount: lids, kgPerLitre: undefined, category: undefined }]
      : []),
  ];
}

/** The needs of several batches, each thing once. */
export function sumOfNeeds(all: readonly (readonly Need[])[]): Need[] {
  const sum = new Map<string, Need>();
  for (const need of all.flat()) {
    const key = `${need.of} ${need.name}`;
    sum.set(key, { ...need, amount: (sum.get(key)?.amount ?? 0) + need.amount });
  }
  return [...sum.values()];
}

import { fromPractice, type Ingredient } from './ingredient.js';
import { isProduce } from './mass.js';
import { VARIETY_ROWS, type VarietyRow } from './variety.table.js';

export type Variety = VarietyRow;
export const VARIETIES: readonly Variety[] = VARIETY_ROWS;

const plain = (text: string): string => text.trim().toLowerCase();

const byIngredient = new Map<string, Map<string, Variety>>();
for (const variety of VARIETIES) {
  const names = byIngredient.get(variety.of) ?? new Map<string, Variety>();
  for (const name of [variety.name, ...(variety.also ?? [])]) names.set(plain(name), variety);
  byIngredient.set(variety.of, names);
}

/** The variety of an ingredient that a text names, such as "cinnamon" of ground spice, or undefined. */
export const varietyOf = (ingredient: Ingredient, text: string | undefined): Variety | undefined =>
  text === undefined ? undefined : byIngredient.get(ingredient.id)?.get(plain(text));

/**
 * What a line is called with its variety: "cinnamon", "Bramley tart apples"; one and many. Only
 * varieties of the table are named.
 */
export function namesOf(
  ingredient: Ingredient,
  text: string | undefined,
): readonly [one: string, many: string] {
  const variety = varietyOf(ingredient, text)?.name;
  if (variety === undefined) return ingredient.name;
  if (!isProduce(ingredient)) return [variety, variety];
  const [one, many] = ingredient.name;
  const noun = one.split(' ').at(-1) ?? one;
  return variety.endsWith(noun) ? [variety, variety] : [`${variety} ${one}`, `${variety} ${many}`];
}

/** The ingredient with the weights of one of its varieties: a cup of cloves, one key lime. */
export function withVariety(ingredient: Ingredient, variety: Variety | undefined): Ingredient {
  if (!variety) return ingredient;
  const { cup, each, packet } = variety;
  const scale = each === undefined ? 1 : each / (ingredient.gramsEach?.mid ?? each);
  const spread = ingredient.gramsEach ?? { low: each ?? 0, mid: each ?? 0, high: each ?? 0 };
  return {
    ...ingredient,
    ...(cup !== undefined && {
      gramsPerCup: { ...ingredient.gramsPerCup, [ingredient.usualForm]: cup },
    }),
    ...(packet !== undefined && {
      gramsPerPouch: fromPractice(packet, packet * 0.9, packet * 1.25),
    }),
    ...(each !== undefined && {
      gramsEach: {
        source: ingredient.gramsEach?.source ?? 'common practice, no source',
        low: spread.low * scale,
        mid: each,
        high: spread.high * scale,
      },
    }),
  };
}

import type { Caution, Ingredient } from './ingredient.js';

/**
 * What to mind when an ingredient is worked with or given away. Common practice and the advice of
 * food authorities.
 */
const CAUTION_TEXT: Readonly<Record<Caution, string>> = {
  'hot-pepper': 'hot peppers: gloves on, hands away from eyes, and open a window when they boil',
  wild: 'picked wild: only what is surely known and unsprayed; some berries must be cooked',
  flowers:
    'flowers and herbs: surely edible kinds, unsprayed; an infusion that stands overnight stands chilled',
  egg: 'eggs: raw ones are brought to 77 °C (170 °F); allergen',
  milk: 'milk: allergen',
  nuts: 'nuts: allergen',
  sulphites: 'may hold sulphites: allergen',
  honey: 'honey: not for children under one year',
  alcohol: 'alcohol: add it off the flame; it burns',
  garlic: 'garlic: never kept under oil without enough acid',
  leaves: 'stalks only: the leaves are poisonous',
  elderberry:
    'elderberries: never raw; stalks, leaves and unripe berries are poisonous, and the ripe ones are boiled',
  stones: 'stone fruit: leave the kernels out, they make hydrogen cyanide',
};

/** Every caution of an ingredient with its text, in order. */
export const CAUTIONS = Object.entries(CAUTION_TEXT) as readonly (readonly [Caution, string])[];

export const ALLERGENS: ReadonlySet<Caution> = new Set(['egg', 'milk', 'nuts', 'sulphites']);

/**
 * The cautions of what is in a pot, each once, in the order of the pot; `atWork` for the hands, the
 * others for the label.
 */
export function cautionsOf(
  ingredients: readonly Pick<Ingredient, 'cautions'>[],
): { readonly code: Caution; readonly text: string; readonly atWork: boolean }[] {
  return [...new Set(ingredients.flatMap(({ cautions }) => cautions))].map((code) => ({
    code,
    text: CAUTION_TEXT[code],
    atWork: code === 'egg' || !ALLERGENS.has(code),
  }));
}

import { isProduce } from './mass.js';
import { FRUITS, VEGETABLES } from './fruit.js';
import type { Form, Ingredient } from './ingredient.js';
import { PANTRY } from './pantry.js';
import { namesOf } from './variety.js';

/** Every ingredient with figures. */
export const INGREDIENTS: readonly Ingredient[] = [...FRUITS, ...VEGETABLES, ...PANTRY];

/** The ingredient with exactly this id, or undefined. */
export const ingredientById = (id: string): Ingredient | undefined => byId.get(id);

const byId = new Map(INGREDIENTS.map((ingredient) => [ingredient.id, ingredient]));

/**
 * How a line reads to a person: "damsons, pitted", "white sugar". The usual form of a berry or a
 * sugar goes unsaid; a variety of the table is named: "cinnamon", "bramley tart apples".
 */
export function displayName(ingredient: Ingredient, form: Form, variety?: string): string {
  const [one, name] = namesOf(ingredient, variety);
  const onlyForm =
    form === ingredient.usualForm && Object.keys(ingredient.gramsPerCup).length === 1;
  if (!isProduce(ingredient) || form === 'whole' || onlyForm) return name;
  if (form === 'juice') return `${one} juice`;
  return `${name}, ${{ 'peeled-cored': 'peeled and cored', puree: 'puréed', 'as-bought': 'as bought' }[form as string] ?? form}`;
}

import { nearest } from '../quantity/index.js';
import { isProduce } from './mass.js';
import { FRUITS, VEGETABLES } from './fruit.js';
import { FORMS, type Form, type Ingredient } from './ingredient.js';
import { PANTRY } from './pantry.js';

/** Every ingredient with figures. */
export const INGREDIENTS: readonly Ingredient[] = [...FRUITS, ...VEGETABLES, ...PANTRY];

/** A name as it is looked up: lower case, without commas and brackets. */
const plain = (name: string): string =>
  name.toLowerCase().replace(/[,()]/g, ' ').replace(/\s+/g, ' ').trim();

const byWord = new Map<string, Ingredient>();
for (const ingredient of INGREDIENTS) {
  for (const word of [
    ...ingredient.synonyms,
    ...ingredient.name,
    ingredient.id.replaceAll('-', ' '),
    ingredient.id,
  ]) {
    byWord.set(plain(word), ingredient);
  }
}

/** The ingredient with exactly this id, or undefined. */
export const ingredientById = (id: string): Ingredient | undefined =>
  INGREDIENTS.find((ingredient) => ingredient.id === id);

/** Ids of the known ingredients closest to what was typed. */
export function nearestIngredients(typed: string): Ingredient[] {
  const words = nearest(typed, [...byWord.keys()], 5);
  return [
    ...new Set(words.map((word) => byWord.get(word)).filter((found) => found !== undefined)),
  ].slice(0, 3);
}

/** Words people use for a form, longest first. */
const FORM_WORDS: readonly (readonly [string, Form])[] = (
  [
    ...FORMS.map((form) => [form, form] as const),
    ['peeled and cored', 'peeled-cored'],
    ['peeled cored', 'peeled-cored'],
    ['peeled and pitted', 'peeled-cored'],
    ['cored', 'peeled-cored'],
    ['peeled', 'peeled-cored'],
    ['stoned', 'pitted'],
    ['stemmed', 'whole'],
    ['diced', 'chopped'],
    ['mashed', 'crushed'],
    ['pulp', 'crushed'],
    ['puréed', 'puree'],
    ['purée', 'puree'],
    ['pureed', 'puree'],
    ['pureé', 'puree'],
    ['shredded', 'grated'],
    ['as bought', 'as-bought'],
    ['unprepared', 'as-bought'],
    ['from the freezer', 'frozen'],
    ['halved', 'pitted'],
    ['topped and tailed', 'whole'],
  ] as const
).toSorted((a, b) => b[0].length - a[0].length);

export type NameReading =
  | { readonly ok: true; readonly ingredient: Ingredient; readonly form: Form }
  | { readonly ok: false; readonly message: string; readonly guesses: readonly Ingredient[] };

/**
 * Understands what an ingredient was called: "damsons, pitted", "crushed blackberries", "juice of
 * lemon", an id.
 *
 * @returns the ingredient and its form (its usual one unless named), or a message naming the
 * nearest known ones
 */
export function readName(text: string): NameReading {
  const said = plain(text);
  const whole = byWord.get(said);
  if (whole) return { ok: true, ingredient: whole, form: whole.usualForm };
  for (const [word, form] of FORM_WORDS) {
    const rest = ` ${said} `
      .replace(` ${word} `, ' ')
      .replace(/ (and|of|the) /g, ' ')
      .trim();
    if (rest.length >= said.length) continue;
    const ingredient = byWord.get(rest);
    if (ingredient) return { ok: true, ingredient, form };
  }
  const guesses = nearestIngredients(said);
  const hint =
    guesses.length === 0
      ? 'write a fruit, sugar, acid or water'
      : `did you mean ${guesses.map((g) => `"${g.id}"`).join(' or ')}?`;
  return {
    ok: false,
    message:
      said === ''
        ? 'no ingredient; write a fruit, sugar, acid or water'
        : `unknown ingredient "${text.trim()}"; ${hint}`,
    guesses,
  };
}

/**
 * How a line reads to a person: "damsons, pitted", "white sugar". The usual form of a berry or a
 * sugar goes unsaid.
 */
export function displayName(ingredient: Ingredient, form: Form): string {
  const name = ingredient.name[1];
  const onlyForm =
    form === ingredient.usualForm && Object.keys(ingredient.gramsPerCup).length === 1;
  if (!isProduce(ingredient) || form === 'whole' || onlyForm) return name;
  if (form === 'juice') return `${ingredient.name[0]} juice`;
  return `${name}, ${{ 'peeled-cored': 'peeled and cored', puree: 'puréed', 'as-bought': 'as bought' }[form as string] ?? form}`;
}

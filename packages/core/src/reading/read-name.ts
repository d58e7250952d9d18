import type { Ingredient } from '../produce/index.js';
import { nameIn, type NamedIngredient, type NameProblemCode, type UnreadName } from './name.js';
import { similarIngredients } from './similar.js';

export type NameReading =
  | NamedIngredient
  | {
      readonly ok: false;
      readonly code: NameProblemCode;
      readonly message: string;
      readonly guesses: readonly Ingredient[];
    };

/** What is wrong with a name, in words, by its code. */
const WORDS: Readonly<
  Record<NameProblemCode, (unread: UnreadName, guesses: readonly Ingredient[]) => string>
> = {
  'no-ingredient': () => 'no ingredient; write a fruit, sugar, acid or water',
  'unknown-ingredient': ({ words }, guesses) => {
    const hint =
      guesses.length === 0
        ? 'write a fruit, sugar, acid or water'
        : `did you mean ${guesses.map(({ id }) => `"${id}"`).join(' or ')}?`;
    return `unknown ingredient "${words}"; ${hint}`;
  },
  'two-ingredients': ({ text, foods }) =>
    `"${text}" names ${namesOf(foods)}; write a line for each`,
  alternative: ({ words, foods }) =>
    foods.length > 1
      ? `"${words}": ${namesOf(foods)} are not the same; write the one you will use`
      : `"${words}" is a choice; write the one you will use`,
  part: ({ words }) =>
    `"${words}": a part of the plant is another food than the fruit; write "without ${words.replace(/^(?:with|including|incl|inc|include|plus) /, '')}" if it is not in the pan`,
  changed: ({ text, words, foods }) =>
    `"${text}": "${words}" makes it something else than plain ${namesOf(foods.slice(0, 1))}; write what is in it, a line for each`,
  negated: ({ words }) => `"${words}" says what it is not; write what it is`,
  'in-liquid': ({ words }) => `"${words}": write "drained" if the liquid is poured off`,
  contains: ({ words }) => `"${words}": something else may be in it; write a line for each`,
  number: ({ words }) => `"${words}" is a second number; write one amount`,
};

const namesOf = (foods: UnreadName['foods']): string =>
  foods.map(({ name }) => name[1]).join(' and ');

/** Foods like the unknown words, or like the whole text where they are like none. */
function guessesOf({ text, words }: UnreadName): readonly Ingredient[] {
  const like = similarIngredients(words);
  return like.length > 0 ? like : similarIngredients(text);
}

/** Foods to choose from where a line names several; peach pits are not to be taken for peaches. */
const choicesOf = ({ code, foods }: UnreadName): readonly Ingredient[] =>
  code === 'two-ingredients' || code === 'alternative' ? foods : [];

/** What is wrong with a name, in words, and the known names nearest to it. */
export function explained(unread: UnreadName): NameReading & { ok: false } {
  const { code } = unread;
  const guesses = code === 'unknown-ingredient' ? guessesOf(unread) : choicesOf(unread);
  return { ok: false, code, message: WORDS[code](unread, guesses), guesses };
}

/**
 * Understands what an ingredient was called: "damsons, pitted", "washed, hulled and quartered
 * strawberries", "lemon juice, strained", "Seville oranges", "choped rasberries", an id.
 *
 * Every word of the part that names the food must be known: one that is neither an ingredient nor
 * said of one makes the line not understood, since it may mean another food ("custard apple"), and so
 * does a word of its remarks. Misspellings are taken where one candidate is clear.
 *
 * @returns the ingredient, its form (its usual one unless named), variety and ripeness, or what was
 * not understood with the nearest known ingredients
 */
export function readName(text: string): NameReading {
  const name = nameIn(text);
  return name.ok ? name : explained(name);
}

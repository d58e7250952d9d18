import type { Ingredient } from '../produce/index.js';
import { ingredientsLike } from './lexicon.js';
import { entryOf, isNumber } from './phrases.js';
import { wordsOf } from './words.js';

/** Most ingredients worth offering for a name. */
const MOST_GUESSES = 3;

/** Known ingredients whose names are like what was written, nearest first. */
export const similarIngredients = (text: string): Ingredient[] =>
  ingredientsLike(
    wordsOf(text).filter((word) => entryOf([word]) === undefined && !isNumber(word)),
    MOST_GUESSES,
  );

import { INGREDIENTS, ingredientById, VARIETIES, type Ingredient } from '../produce/index.js';
import { keyOf, stem, wordsOf } from './words.js';

/** What a phrase stands for. */
export interface Meaning {
  readonly ingredient: Ingredient;
  /** "cinnamon" of ground spice, "Bramley" of tart apples. */
  readonly variety?: string;
}

/** Every phrase by its key, and what is needed to find it. */
interface Lexicon {
  readonly meanings: ReadonlyMap<string, Meaning>;
  /** Keys by their first letter and length: a slip leaves the first letter alone. */
  readonly byStart: ReadonlyMap<string, readonly string[]>;
  /** Words in the longest phrase. */
  readonly longest: number;
}

let lexicon: Lexicon | undefined;
/** Made at the first question: a page that only shows known ids does without. */
const inLexicon = (): Lexicon => (lexicon ??= makeLexicon());

function makeLexicon(): Lexicon {
  const meanings = new Map<string, Meaning>();
  let longest = 1;
  for (const [phrase, meaning] of phrases()) {
    const words = wordsOf(phrase);
    const key = keyOf(words);
    if (key === '' || meanings.has(key)) continue;
    meanings.set(key, meaning);
    longest = Math.max(longest, words.length);
  }
  const byStart = new Map<string, string[]>();
  for (const key of meanings.keys()) {
    const start = `${key[0]}${key.length}`;
    byStart.set(start, [...(byStart.get(start) ?? []), key]);
  }
  return { meanings, byStart, longest };
}

/** Names, synonyms and ids of ingredients first, then varieties: the first meaning of a phrase holds. */
function* phrases(): Generator<readonly [phrase: string, meaning: Meaning]> {
  for (const ingredient of INGREDIENTS)
    for (const phrase of [
      ...ingredient.name,
      ...ingredient.synonyms,
      ingredient.id.replaceAll('-', ' '),
    ])
      yield [phrase, { ingredient }];
  for (const { of, name, also = [], alone } of VARIETIES) {
    const ingredient = ingredientById(of);
    if (!ingredient) throw new RangeError(`the variety "${name}" is of no ingredient: "${of}"`);
    const noun = ingredient.name[0].split(' ').at(-1) ?? '';
    const meaning: Meaning = { ingredient, variety: name };
    for (const each of [name, ...also]) {
      if (alone) yield [each, meaning];
      yield [`${each} ${noun}`, meaning];
      if (ingredient.id.endsWith('currant')) yield [`${each} currant`, meaning];
    }
  }
}

/** Most words worth trying as one phrase; a joined word may stand for two. */
export const longestPhrase = (): number => inLexicon().longest;

/** What these words stand for together, or undefined. */
export const meaningOf = (words: readonly string[]): Meaning | undefined =>
  meaningByKey(keyOf(words));

/** The same by the words' stems, joined. */
export const meaningByKey = (key: string): Meaning | undefined => inLexicon().meanings.get(key);

/** A shorter word is what it says: "star plums" are no slip in "sugar plums". A guess. */
export const LEAST_TYPO_LETTERS = 5;
const LETTERS_FOR_TWO_SLIPS = 7;

/** Letters added, left out, changed or swapped between two words; more than `most` is `most + 1`. */
export function slipsBetween(a: string, b: string, most: number): number {
  if (Math.abs(a.length - b.length) > most) return most + 1;
  let before: number[] = [];
  let row = Array.from({ length: b.length + 1 }, (_, j) => j);
  for (let i = 1; i <= a.length; i++) {
    const next = [i];
    for (let j = 1; j <= b.length; j++) {
      const change = a[i - 1] === b[j - 1] ? 0 : 1;
      let best = Math.min((row[j] ?? 0) + 1, (next[j - 1] ?? 0) + 1, (row[j - 1] ?? 0) + change);
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1])
        best = Math.min(best, (before[j - 2] ?? 0) + 1);
      next.push(best);
    }
    if (Math.min(...next) > most) return most + 1;
    before = row;
    row = next;
  }
  return row[b.length] ?? most + 1;
}

/** A phrase that is probably meant by a misspelt one. */
export interface Guess {
  readonly meaning: Meaning;
  readonly phrase: string;
}

/**
 * What a misspelt phrase probably means: the one known phrase a letter (of long words two) away
 * that begins with the same letter. Undefined where two are as near and differ in what they are, or
 * where the next nearest has another acidity: then the person is asked.
 */
export function misspelled(words: readonly string[]): Guess | undefined {
  const key = keyOf(words);
  if (key.length < LEAST_TYPO_LETTERS || /\d/.test(key)) return undefined;
  const most = key.length >= LETTERS_FOR_TWO_SLIPS ? 2 : 1;
  const found: { phrase: string; slips: number; meaning: Meaning }[] = [];
  for (let length = key.length - most - 1; length <= key.length + most + 1; length++)
    for (const phrase of inLexicon().byStart.get(`${key[0]}${length}`) ?? []) {
      if (phrase.length < LEAST_TYPO_LETTERS) continue;
      const slips = slipsBetween(key, phrase, most + 1);
      const meaning = inLexicon().meanings.get(phrase);
      if (slips <= most + 1 && meaning) found.push({ phrase, slips, meaning });
    }
  found.sort((a, b) => a.slips - b.slips);
  const [best] = found;
  if (!best || best.slips > most) return undefined;
  const rivals = found.filter(
    ({ slips, meaning }) =>
      slips <= best.slips + 1 && meaning.ingredient.id !== best.meaning.ingredient.id,
  );
  const unclear = rivals.some(
    ({ slips, meaning }) =>
      slips === best.slips || meaning.ingredient.acidClass !== best.meaning.ingredient.acidClass,
  );
  return unclear ? undefined : { meaning: best.meaning, phrase: best.phrase };
}

/** Ingredients whose names are like these words, nearest first, at most `most`. */
export function ingredientsLike(words: readonly string[], most: number): Ingredient[] {
  const found = new Map<Ingredient, number>();
  const note = (ingredient: Ingredient, distance: number): void => {
    found.set(ingredient, Math.min(found.get(ingredient) ?? Infinity, distance));
  };
  for (let from = 0; from < words.length; from++)
    for (let n = 1; n <= Math.min(longestPhrase(), words.length - from); n++) {
      const meaning = meaningOf(words.slice(from, from + n));
      if (meaning) note(meaning.ingredient, -n);
    }
  for (const word of words.filter(({ length }) => length >= 4)) {
    const key = stem(word);
    const slipsAllowed = Math.min(Math.floor(key.length / 3), 3);
    for (let length = key.length - slipsAllowed; length <= key.length + slipsAllowed; length++)
      for (const phrase of inLexicon().byStart.get(`${key[0]}${length}`) ?? []) {
        const slips = slipsBetween(key, phrase, slipsAllowed);
        const meaning = slips <= slipsAllowed ? inLexicon().meanings.get(phrase) : undefined;
        if (meaning) note(meaning.ingredient, slips);
      }
  }
  return [...found]
    .toSorted((a, b) => a[1] - b[1])
    .slice(0, most)
    .map(([ingredient]) => ingredient);
}

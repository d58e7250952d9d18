import type { Form, Ripeness } from '../produce/index.js';
import { FORM_WORDS, RIPENESS_WORDS } from './english/forms.js';
import { PARTS, type PartWord } from './english/parts.js';
import { WORD_CLASSES, type WordClass } from './english/word-classes.js';
import { longestPhrase, meaningByKey, type Meaning } from './lexicon.js';
import { stem, wordsOf } from './words.js';

/** All that a phrase may be, other than a food. */
export interface Entry {
  readonly classes: ReadonlySet<WordClass>;
  readonly form?: Form;
  readonly ripeness?: Ripeness;
  readonly part?: PartWord;
}

/** A phrase of a text: a food, words of known classes, a number, or a word nobody knows. */
export interface Piece {
  readonly from: number;
  readonly to: number;
  readonly words: readonly string[];
  /** The words with a blank between them. */
  readonly text: string;
  readonly food?: Meaning;
  readonly entry?: Entry;
}

interface Index {
  /** By the words as they stand. */
  readonly entries: ReadonlyMap<string, Entry>;
  /** By the words without their plurals. */
  readonly stems: ReadonlyMap<string, Entry>;
  readonly longest: number;
}

let index: Index | undefined;
const inIndex = (): Index => (index ??= makeIndex());

const keyOfWords = (words: readonly string[]): string => words.map(stem).join(' ');

function makeIndex(): Index {
  const entries = new Map<string, Entry & { classes: Set<WordClass> }>();
  let longest = 1;
  const entryOf = (phrase: string): Entry & { classes: Set<WordClass> } => {
    const words = wordsOf(phrase);
    longest = Math.max(longest, words.length);
    const key = words.join(' ');
    const entry = entries.get(key) ?? { classes: new Set<WordClass>() };
    entries.set(key, entry);
    return entry;
  };
  const note = (phrase: string, more: Partial<Entry>): void => {
    const entry = entryOf(phrase);
    // The first meaning of a phrase holds, as the tables are in the order of what counts.
    Object.assign(entry, { ...more, ...entry });
  };
  for (const [name, phrases] of Object.entries(WORD_CLASSES))
    for (const phrase of phrases) entryOf(phrase).classes.add(name as WordClass);
  for (const [form, phrases] of FORM_WORDS) for (const phrase of phrases) note(phrase, { form });
  for (const [ripeness, phrases] of RIPENESS_WORDS)
    for (const phrase of phrases) note(phrase, { ripeness });
  for (const part of PARTS) for (const noun of part.nouns) note(noun, { part });
  const stems = new Map<string, Entry>();
  for (const [key, entry] of entries) {
    const stemmed = keyOfWords(key.split(' '));
    const other = stems.get(stemmed);
    stems.set(stemmed, other ? bothOf(other, entry) : entry);
  }
  return { entries, stems, longest };
}

const bothOf = (one: Entry, other: Entry): Entry => ({
  ...other,
  ...one,
  classes: new Set([...one.classes, ...other.classes]),
});

/** What these words are together, other than a food, as they stand or in another number. */
export const entryOf = (words: readonly string[]): Entry | undefined =>
  words.length > inIndex().longest
    ? undefined
    : (exactEntryOf(words) ?? inIndex().stems.get(keyOfWords(words)));

const exactEntryOf = (words: readonly string[]): Entry | undefined =>
  inIndex().entries.get(words.join(' '));

export const isNumber = (word: string): boolean => /^\d/.test(word);

/**
 * A text as phrases, the longest first, so that "no added sugar" is no sugar and "stem ginger" no
 * stem. Words that are in no table stand alone.
 */
export function piecesOf(words: readonly string[]): readonly Piece[] {
  const known = cut.get(words);
  if (known) return known;
  const pieces = piecesBetween(words, 0, words.length);
  cut.set(words, pieces);
  return pieces;
}
/** A stretch of a line is asked for its foods, for what it says and for its form. */
const cut = new WeakMap<readonly string[], readonly Piece[]>();

/** The phrases of the words from one place up to, and without, another. */
export function piecesBetween(words: readonly string[], from: number, to: number): Piece[] {
  const longest = Math.max(longestPhrase(), inIndex().longest);
  const stems = words.map(stem);
  const known: Piece[] = [];
  for (let start = from; start < to; start++) {
    let key = '';
    for (let end = start + 1; end <= Math.min(start + longest, to); end++) {
      key += stems[end - 1] ?? '';
      const piece = pieceAt(words, start, end, meaningByKey(key));
      if (piece) known.push(piece);
    }
  }
  known.sort((a, b) => b.words.length - a.words.length || b.text.length - a.text.length);
  const pieceAtWord = new Array<Piece | undefined>(to);
  for (const piece of known)
    if (!anyOf(pieceAtWord, piece)) pieceAtWord.fill(piece, piece.from, piece.to);
  const pieces: Piece[] = [];
  for (let at = from; at < to;) {
    const piece = pieceAtWord[at] ?? unknownAt(words, at);
    pieces.push(piece);
    at = piece.to;
  }
  return pieces;
}

const unknownAt = (words: readonly string[], at: number): Piece => ({
  from: at,
  to: at + 1,
  words: words.slice(at, at + 1),
  text: words[at] ?? '',
});

/** Whether a word of this phrase belongs to a longer one. */
const anyOf = (taken: readonly (Piece | undefined)[], { from, to }: Piece): boolean => {
  for (let at = from; at < to; at++) if (taken[at]) return true;
  return false;
};

function pieceAt(
  words: readonly string[],
  from: number,
  to: number,
  food: Meaning | undefined,
): Piece | undefined {
  if (!food && to - from > inIndex().longest) return undefined;
  const phrase = words.slice(from, to);
  // Many oranges are no colour: what is a food too must stand as the table has it.
  const entry = food ? exactEntryOf(phrase) : entryOf(phrase);
  if (!food && !entry) return undefined;
  const text = phrase.join(' ');
  return { from, to, words: phrase, text, ...(food && { food }), ...(entry && { entry }) };
}

export const isOf = (piece: Piece | undefined, ...classes: readonly WordClass[]): boolean =>
  piece?.entry !== undefined && classes.some((name) => piece.entry?.classes.has(name));

/**
 * A word without its plural, the same on both sides of a comparison: "berries" and "berry",
 * "chillies" and "chilli".
 */
export function stem(word: string): string {
  const known = stems.get(word);
  if (known !== undefined) return known;
  const one = singular(word);
  const made = one.length > 4 && one.endsWith('i') ? `${one.slice(0, -1)}y` : one;
  if (stems.size >= MOST_STEMS) stems.clear();
  stems.set(word, made);
  return made;
}
/** A line's words are looked up in many phrases each. */
const stems = new Map<string, string>();
const MOST_STEMS = 5000;

function singular(word: string): string {
  if (word.length > 4 && word.endsWith('ies')) return `${word.slice(0, -3)}y`;
  if (word.length > 4 && /(?:ches|shes|xes|sses|oes)$/.test(word)) return word.slice(0, -2);
  if (word.length > 3 && word.endsWith('s') && !/(?:ss|us|is)$/.test(word))
    return word.slice(0, -1);
  return word;
}

/** Text as its words are compared: lower case, without accents, hyphens and marks. */
export const plainText = (text: string): string =>
  text
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[’'`´]/g, '')
    .replace(/&/g, ' and ')
    .replace(/[^\p{L}\p{N}:+%]+/gu, ' ')
    .trim();

export const wordsOf = (text: string): string[] => {
  const plain = plainText(text);
  return plain === '' ? [] : plain.split(' ');
};

/** How a phrase is looked up: its words without plurals, joined, so that "black currants" is one. */
export const keyOf = (words: readonly string[]): string => words.map(stem).join('');

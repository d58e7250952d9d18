import {
  INGREDIENTS,
  isProduce,
  lineFromText,
  readFormula,
  type FormulaDocument,
  type Kitchen,
  type PotFormula,
  type PotLine,
} from '@idle-kettle/core';

/** So many names are offered. */
const MOST = 5;
/** Fewer letters than this could be anything. */
const LEAST_LETTERS = 2;

/** What a typed line is read as, and what else it may become. */
export interface TypedLine {
  /** The line as it would stand in the pan; undefined where it is not understood yet. */
  readonly read: PotLine | undefined;
  /** Whole lines that complete what is typed, the likeliest first. */
  readonly completions: readonly string[];
}

/** A number and its unit, as far as they are typed. */
const AMOUNT =
  /^[^\p{L}]*(?:(?:kg|g|mg|lbs?|oz|ml|cl|dl|l|tsp|tbsp|cups?|pints?|quarts?|pounds?|grams?|litres?|box(?:es)?|pouch(?:es)?|packets?)\.?\s+)?/iu;

/** The words being typed, after the amount. */
function wordsAfterAmount(text: string): { readonly amount: string; readonly words: string } {
  const [amount = ''] = AMOUNT.exec(text) ?? [];
  return { amount, words: text.slice(amount.length) };
}

const startsWord = (name: string, typed: string): boolean =>
  name.toLowerCase().startsWith(typed) || name.toLowerCase().includes(` ${typed}`);

/**
 * How a line reads before it is added.
 * @param document whose habit of writing it is in
 */
export function typedLine(text: string, document: FormulaDocument, kitchen: Kitchen): TypedLine {
  const { amount, words } = wordsAfterAmount(text);
  const typed = words.trim().toLowerCase();
  const names = INGREDIENTS.flatMap(({ name: [one, many] }) => [many, one]);
  const completions =
    typed.length < LEAST_LETTERS || names.some((name) => name.toLowerCase() === typed)
      ? []
      : [
          ...new Set(
            INGREDIENTS.filter(({ name }) => name.some((each) => startsWord(each, typed)))
              .toSorted(
                (a, b) =>
                  Number(b.name[1].toLowerCase().startsWith(typed)) -
                    Number(a.name[1].toLowerCase().startsWith(typed)) ||
                  a.name[1].length - b.name[1].length,
              )
              .map(({ name }) => name[1]),
          ),
        ]
          .slice(0, MOST)
          .map((name) => `${amount}${name}`);
  if (text.trim() === '') return { read: undefined, completions: [] };
  const line = lineFromText(text, document);
  const { formula, problems } = readFormula({ ...document, lines: [line] }, kitchen);
  return { read: problems.length === 0 ? formula.lines[0] : undefined, completions };
}

/** What a pan of its kind and method still wants; empty where nothing is missing. */
export function missingOf({ kind, method, lines }: PotFormula): readonly string[] {
  const has = (is: (line: PotLine) => boolean): boolean => lines.some(is);
  const product = (id: string): boolean => has(({ ingredient }) => ingredient.id.startsWith(id));
  const wanted: readonly (readonly [missing: boolean, words: string])[] = [
    [!has(({ ingredient }) => isProduce(ingredient)), 'fruit'],
    [!has(({ ingredient }) => ingredient.category === 'sweetener'), 'sugar'],
    [method === 'powdered-pectin' && !product('pectin-powder'), 'powdered pectin'],
    [method === 'liquid-pectin' && !product('pectin-liquid'), 'liquid pectin'],
    [method === 'calcium-pectin' && !product('pectin-calcium'), 'calcium pectin'],
    [method === 'jam-sugar' && !product('jam-sugar'), 'jam sugar'],
    [kind === 'curd' && !product('egg'), 'eggs'],
  ];
  return wanted.flatMap(([isMissing, words]) => (isMissing ? [words] : []));
}

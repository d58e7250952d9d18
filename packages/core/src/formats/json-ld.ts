import type { FormulaDocument } from '../formula/index.js';
import { ingredientById, namesOf } from '../produce/index.js';
import { cutText, readAmount, type WritingHabit } from '../quantity/index.js';
import { readLine, WASTE_FORMS } from '../reading/index.js';
import { readStatedFormula, statedFormula } from './stated-formula.js';
import {
  LONGEST_LINE,
  MOST_LINES,
  withFoodsOfSteps,
  type FoundRecipe,
  type RecipeLine,
} from './recipe.js';

type Json = Readonly<Record<string, unknown>>;
const isObject = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const textOf = (value: unknown): string =>
  typeof value === 'string' || typeof value === 'number' ? String(value) : '';

function list(value: unknown): unknown[] {
  if (Array.isArray(value)) return value;
  return value === undefined ? [] : [value];
}

/** Objects nested deeper than this are not looked into. */
const DEEPEST = 12;

function* recipesIn(value: unknown, depth = 0): Generator<Json> {
  if (depth > DEEPEST) return;
  if (Array.isArray(value)) for (const each of value) yield* recipesIn(each, depth + 1);
  else if (isObject(value)) {
    if (list(value['@type']).includes('Recipe')) yield value;
    else for (const inner of Object.values(value)) yield* recipesIn(inner, depth + 1);
  }
}

function stepsOf(value: unknown, depth = 0): string[] {
  if (depth > DEEPEST) return [];
  return list(value).flatMap((step) => {
    if (typeof step === 'string') return step.split(/\r?\n/);
    if (!isObject(step)) return [];
    return step.itemListElement === undefined
      ? [textOf(step.text) || textOf(step.name)]
      : stepsOf(step.itemListElement, depth + 1);
  });
}

/**
 * The first schema.org Recipe in a JSON value, or undefined.
 * @param habitFor whose measures a recipe of these words is written in
 */
export function recipeFromJsonLd(
  value: unknown,
  habitFor: (words: string) => WritingHabit,
): FoundRecipe | undefined {
  const [recipe] = recipesIn(value);
  if (!recipe) return undefined;
  const clean = (text: string): string => plainText(text).replace(/\s+/g, ' ').trim();
  const yields = list(recipe.recipeYield ?? recipe.yield)
    .map(textOf)
    .filter((each) => each !== '');
  // "8" and "8 half-pints" are often both given: the longer says which jars.
  const statedYield = yields.toSorted((a, b) => b.length - a.length)[0];
  const ingredients = list(recipe.recipeIngredient ?? recipe.ingredients)
    .map((each) => clean(cutText(textOf(each), LONGEST_LINE)))
    .filter((each) => each !== '')
    .slice(0, MOST_LINES);
  const steps = stepsOf(recipe.recipeInstructions)
    .map(clean)
    .filter((each) => each !== '')
    .slice(0, MOST_LINES);
  const title = clean(textOf(recipe.name)) || 'A recipe';
  const keywords = textOf(recipe.keywords);
  const habit = habitFor([keywords, ...ingredients, ...steps].join('\n'));
  return {
    title,
    lines: withFoodsOfSteps(
      [
        { text: title, role: 'title' },
        ...ingredients.map((text): RecipeLine => ({
          text,
          role: 'ingredient',
          reading: readLine(text, habit),
        })),
        ...steps.map((text): RecipeLine => ({ text, role: 'step' })),
        ...(statedYield === undefined ? [] : [{ text: statedYield, role: 'yield' as const }]),
      ],
      habit,
    ),
    habit,
    statedYield,
    stated: readStatedFormula(keywords),
    notes: clean(textOf(recipe.description)) || undefined,
  };
}

const ENTITIES: Readonly<Record<string, string>> = {
  amp: '&',
  lt: '<',
  gt: '>',
  quot: '"',
  apos: "'",
  nbsp: ' ',
  frac12: '½',
  frac14: '¼',
  frac34: '¾',
  deg: '°',
  ndash: '–',
  mdash: '—',
  rsquo: '’',
  lsquo: '‘',
  ldquo: '“',
  rdquo: '”',
  eacute: 'é',
  egrave: 'è',
  uuml: 'ü',
  ouml: 'ö',
  auml: 'ä',
  frac13: '⅓',
  frac23: '⅔',
  frac18: '⅛',
  frac38: '⅜',
  frac58: '⅝',
  frac78: '⅞',
  times: '×',
  bull: '•',
  hellip: '…',
  ordm: 'º',
};

/**
 * The words of a piece of HTML, a line a block. Nothing in it is run; a tag ends at the next
 * bracket, so that no text takes long.
 */
export function plainText(html: string): string {
  return html
    .replace(
      /<(script|style|noscript|template|svg|nav|footer|aside|form|button|iframe)\b[\s\S]*?(?:<\/\1\s*>|$)/gi,
      ' ',
    )
    .replace(/<!--[\s\S]*?(?:-->|$)/g, ' ')
    .replace(/<\/?(?:p|div|li|ul|ol|br|tr|h[1-6]|section|article|header|table|hr)\b[^<>]*>/gi, '\n')
    .replace(/<\/?[a-z][^<>]*>/gi, ' ')
    .replace(
      /&(?:#(\d{1,6})|#x([\da-f]{1,6})|([a-z\d]{2,8}));/gi,
      (whole, decimal?: string, hex?: string, name?: string) => {
        const fromHex = hex === undefined ? undefined : parseInt(hex, 16);
        const code = decimal === undefined ? fromHex : Number(decimal);
        if (code !== undefined)
          return code > 31 && code < 0x110000 ? String.fromCodePoint(code) : ' ';
        return ENTITIES[name?.toLowerCase() ?? ''] ?? whole;
      },
    );
}

/** The JSON-LD blocks of a page of HTML, parsed; what is not JSON is left out. */
export function jsonLdBlocks(html: string): unknown[] {
  const blocks: unknown[] = [];
  const lower = html.toLowerCase();
  for (const { index, 0: tag } of html.matchAll(/<script\b[^<>]*ld\+json[^<>]*>/gi)) {
    const end = lower.indexOf('</script', index);
    if (end < 0) break;
    try {
      blocks.push(JSON.parse(html.slice(index + tag.length, end)));
    } catch {
      continue;
    }
  }
  return blocks;
}

const amountText = ({ amount }: FormulaDocument['lines'][number]): string =>
  typeof amount === 'string' ? amount : `${amount.value} ${amount.unit}`;

const FORM_NAMES: Readonly<Record<string, string>> = { 'peeled-cored': 'peeled and cored' };

/** Lines of a document as a cook reads them: "2.4 kg damsons", "1 lemon", "half a lemon". */
export const ingredientTexts = (document: FormulaDocument): string[] =>
  document.lines.map((line) => {
    const known = ingredientById(line.ingredient ?? '');
    const asWritten = line.name ?? line.ingredient ?? '';
    const [one, many] = known ? namesOf(known, line.variety) : [asWritten, asWritten];
    const written = amountText(line);
    const read = readAmount(written, document);
    const counted = read.ok && read.amount.unit.kind === 'piece';
    const amount = counted ? written.replace(/\s*\beach$/, '') : written;
    const name = counted && read.amount.value <= 1 ? one : many;
    // A count may have its noun with it.
    const text = counted && read.rest === one ? amount : `${amount} ${name}`.trim();
    if (line.form === undefined || line.form === known?.usualForm) return text;
    // "2 kg pitted plums" were weighed without their stones; "2 kg plums, pitted" with them.
    const form = FORM_NAMES[line.form] ?? line.form;
    return WASTE_FORMS.has(line.form) && text.endsWith(name)
      ? `${amount} ${form} ${name}`
      : `${text}, ${form}`;
  });

/**
 * The document as a schema.org Recipe. What only we know (kind, method, finish) goes in its
 * keywords and steps.
 */
export function toJsonLd(document: FormulaDocument, yieldText?: string): Json {
  return {
    '@context': 'https://schema.org',
    '@type': 'Recipe',
    name: document.title,
    recipeCategory: document.kind,
    keywords: statedFormula(document),
    ...(yieldText !== undefined && { recipeYield: yieldText }),
    recipeIngredient: ingredientTexts(document),
    ...(document.steps && {
      recipeInstructions: document.steps.map((text) => ({ '@type': 'HowToStep', text })),
    }),
    ...(document.notes !== undefined && { description: document.notes }),
  };
}

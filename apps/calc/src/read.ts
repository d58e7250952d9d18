import {
  claimsOf,
  foundRecipe,
  isUnderstood,
  readLine,
  yieldOf,
  type FoundRecipe,
  type LineReading,
  type LineRole,
} from '@idle-kettle/core';
import { CalcError, readArgs } from './args.js';
import type { Verb } from './verb.js';

/** One line as it was read, for scripts. */
interface ReadLineJson {
  readonly text: string;
  readonly role: LineRole;
  readonly ingredient: string | null;
  readonly form: string | null;
  readonly variety: string | null;
  readonly amount: string | null;
  readonly grams: { readonly low: number; readonly mid: number; readonly high: number } | null;
  readonly understood: boolean;
  readonly problem: string | null;
  readonly suggestions: readonly string[];
  /** Foods of a line that holds several. */
  readonly parts?: readonly { readonly ingredient: string; readonly amount: string }[];
  readonly fromStep?: true;
}

const NOT_FOOD = {
  ingredient: null,
  form: null,
  variety: null,
  amount: null,
  grams: null,
  problem: null,
  suggestions: [],
};

const GRAMS_PER_KG = 1000;

/** What the foods of a line weigh together, g; null where one has no weight. */
function gramsOf({ parts }: LineReading): ReadLineJson['grams'] {
  const masses = parts.flatMap(({ mass_kg }) => (mass_kg ? [mass_kg] : []));
  if (masses.length === 0 || masses.length < parts.length) return null;
  const sum = (end: 'low' | 'mid' | 'high'): number =>
    masses.reduce((total, mass) => total + mass[end] * GRAMS_PER_KG, 0);
  return { low: sum('low'), mid: sum('mid'), high: sum('high') };
}

function lineJson(text: string, role: LineRole, reading: LineReading | undefined): ReadLineJson {
  if (!reading) return { text, role, ...NOT_FOOD, understood: role !== 'unknown' };
  const { parts, named, problem, suggestions } = reading;
  const [first] = parts;
  const food = first ?? named;
  return {
    text,
    role,
    ingredient: food?.ingredient.id ?? null,
    form: food?.form ?? null,
    variety: food?.variety ?? null,
    amount: first?.written ?? null,
    grams: gramsOf(reading),
    understood: isUnderstood(reading),
    problem: problem?.message ?? null,
    suggestions: suggestions.map(({ id }) => id),
    ...(parts.length > 1 && {
      parts: parts.map(({ ingredient, written }) => ({
        ingredient: ingredient.id,
        amount: written,
      })),
    }),
  };
}

function recipeJson(recipe: FoundRecipe): unknown {
  const { kind, method, finish, otherFood, statedStop_C } = claimsOf(recipe);
  return {
    title: recipe.title,
    kind: kind ?? null,
    method: method ?? null,
    finish: finish ?? null,
    statedYield: yieldOf(recipe)?.text ?? recipe.statedYield ?? null,
    ...(otherFood !== undefined && { otherFood }),
    ...(statedStop_C !== undefined && { statedStop_C }),
    lines: recipe.lines.map(({ text, role, reading, fromStep }) => ({
      ...lineJson(text, role, reading),
      ...(fromStep && { fromStep }),
    })),
  };
}

/** Every line of the text as one ingredient line, as typed at Balance. */
function linesJson(text: string): unknown {
  const lines = text.split(/\r\n|\r|\n/).filter((line) => line.trim() !== '');
  return {
    title: null,
    kind: null,
    method: null,
    finish: null,
    statedYield: null,
    lines: lines.map((line) => lineJson(line, 'ingredient', readLine(line))),
  };
}

const ROUTES = ['paste', 'import'] as const;

export const readVerb: Verb = {
  help: `./kettle calc read FILE           how a recipe or a few lines are read ("-" reads standard input)

Prints one JSON object: title, kind, method, finish, statedYield and every line with its role and, of a food,
its ingredient, form, amount, grams and what was not understood.

  --lines          each line is one ingredient line, as typed at Balance
  --as paste       the text as it is pasted (the default): JSON, a page of HTML or plain text
  --as import      the text as a file that is brought in; read the same way`,
  run(argv, readText) {
    const asLines = argv.includes('--lines');
    const { words, options } = readArgs(
      argv.filter((word) => word !== '--lines'),
      ['as'],
    );
    const [file] = words;
    if (file === undefined || words.length > 1)
      throw new CalcError(['calc read needs one file, or "-" for standard input']);
    if (options.as !== undefined && !ROUTES.some((route) => route === options.as))
      throw new CalcError([
        `--as: "${options.as}" is not known; write one of ${ROUTES.join(', ')}`,
      ]);
    const text = readText(file);
    if (asLines) return { out: linesJson(text) };
    const found = foundRecipe(text);
    if (!found.ok) throw new CalcError([found.message]);
    return { out: recipeJson(found.recipe) };
  },
};

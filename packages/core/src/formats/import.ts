import { readAmount } from '../quantity/index.js';
import { ingredientById } from '../produce/index.js';
import {
  emptyFormula,
  lineFromText,
  readFormula,
  readJarCount,
  USUAL_FINISHES,
  type FormulaDocument,
  type FormulaLine,
  type Kind,
  type Method,
} from '../formula/index.js';
import { jsonLdBlocks, plainText, recipeFromJsonLd } from './json-ld.js';
import { LARGEST_IMPORT, recipeFromText, type FoundRecipe } from './recipe.js';

/** How one line of what was brought in was understood. */
export interface ImportedLine {
  readonly text: string;
  readonly line: FormulaLine & { amount: string };
  /** Why it is not understood. */
  readonly problem: string | undefined;
}

export type Imported =
  | {
      readonly ok: true;
      readonly from: 'formula' | 'json-ld' | 'text';
      readonly document: FormulaDocument;
      readonly lines: readonly ImportedLine[];
      /** Minutes of a process it asks for; not carried over, see `auditImport`. */
      readonly statedMinutes: number | undefined;
      /** What was left out, and why. */
      readonly notes: readonly string[];
    }
  | { readonly ok: false; readonly message: string };

/**
 * A formula from what a person pasted or a file holds: our own document, a schema.org Recipe as
 * JSON or within a page of HTML, or plain text. What cannot be understood stays as written, in its
 * line. A tested source is never taken from an import, nor a measured pH: both are of a person and
 * a batch.
 *
 * @param text at most 2 MB
 */
export function importFormula(text: string): Imported {
  if (text.length > LARGEST_IMPORT)
    return {
      ok: false,
      message: `that is ${(text.length / 1e6).toFixed(1)} MB; a recipe is at most 2 MB`,
    };
  const trimmed = text.trim();
  if (trimmed === '') return { ok: false, message: 'there is nothing in it' };
  const json = /^[[{]/.test(trimmed) ? parse(trimmed) : undefined;
  if (/^[[{]/.test(trimmed) && json === undefined)
    return { ok: false, message: 'it looks like JSON but cannot be read: it may be cut short' };
  if (json !== undefined) return fromJson(json);
  if (trimmed.includes('>') && /<[a-z!]/i.test(trimmed)) {
    const found = jsonLdBlocks(trimmed)
      .map(recipeFromJsonLd)
      .find((recipe) => recipe !== undefined);
    if (found) return draft(found, 'json-ld');
    return draft(recipeFromText(plainText(trimmed)), 'text');
  }
  return draft(recipeFromText(trimmed), 'text');
}

function parse(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return undefined;
  }
}

function fromJson(json: unknown): Imported {
  const own = json as Partial<FormulaDocument> | null;
  if (
    typeof own === 'object' &&
    own !== null &&
    (own.format === 'idle-kettle/formula' || Array.isArray(own.lines))
  )
    return fromDocument(own);
  const recipe = recipeFromJsonLd(json);
  return recipe
    ? draft(recipe, 'json-ld')
    : { ok: false, message: 'there is no formula and no recipe in this JSON' };
}

/** Fields of our own document that an import may carry. */
const KEPT = [
  'title',
  'kind',
  'method',
  'decimal',
  'finish',
  'jars',
  'processing',
  'preSterilised',
  'statedYield',
  'notes',
  'steps',
] as const;

function fromDocument(own: Partial<FormulaDocument>): Imported {
  const { problems } = readFormula(own);
  const structural = problems.find(({ path }) => !path.startsWith('lines[') && path !== 'lines');
  if (structural) return { ok: false, message: `${structural.path}: ${structural.message}` };
  const rawLines = own.lines ?? [];
  const lines = rawLines.map((line) => {
    const { amount } = line;
    return {
      ...line,
      amount: typeof amount === 'string' ? amount : `${amount.value} ${amount.unit}`,
    };
  });
  const document: FormulaDocument = {
    ...emptyFormula(own.title ?? 'A formula'),
    ...Object.fromEntries(KEPT.flatMap((key) => (own[key] === undefined ? [] : [[key, own[key]]]))),
    lines,
  };
  const notes: string[] = [];
  if (own.testedSource)
    notes.push('its tested source was left out: only the person who makes it can attest that');
  if (own.measuredPH) notes.push('its measured pH was left out: it belongs to another batch');
  return {
    ok: true,
    from: 'formula',
    document,
    lines: lines.map((line, i) => ({
      text: `${line.amount} ${line.ingredient ?? line.name ?? ''}`.trim(),
      line,
      problem: problems.find(({ path }) => path.startsWith(`lines[${i}]`))?.message,
    })),
    statedMinutes: own.processMinutes,
    notes,
  };
}

const LONGEST_INGREDIENT = 200;

/** Words of a title that tell the kind; the first that fits. */
const KIND_WORDS: readonly (readonly [RegExp, Kind])[] = [
  [/\bcurd\b/i, 'curd'],
  [/marmalade/i, 'marmalade'],
  [/\bbutter\b/i, 'fruit-butter'],
  [/syrup/i, 'syrup'],
  [/conserve|whole.fruit/i, 'conserve'],
  [/(pepper|onion|garlic|herb|rosemary|thyme|mint|wine|chill?i)\b.*\bjelly/i, 'savoury-jelly'],
  [/sauce/i, 'jellied-sauce'],
  [/jelly|gelée/i, 'jelly'],
];

const METHOD_OF_INGREDIENT: Readonly<Record<string, Method>> = {
  'pectin-powder': 'powdered-pectin',
  'pectin-low-sugar': 'powdered-pectin',
  'pectin-liquid': 'liquid-pectin',
  'pectin-calcium': 'calcium-pectin',
  'jam-sugar': 'jam-sugar',
  'jam-sugar-two-to-one': 'jam-sugar',
  'jam-sugar-three-to-one': 'jam-sugar',
};

/** What sets it follows from the kind alone. */
const METHOD_OF_KIND: Readonly<Partial<Record<Kind, Method>>> = {
  curd: 'egg',
  'fruit-butter': 'no-gel',
  syrup: 'no-gel',
};
/** Minutes of a hard boil, where not one; common practice. */
const HARD_BOIL_MIN: Readonly<Partial<Record<Method, number>>> = {
  'jam-sugar': 4,
  'calcium-pectin': 2,
};

/** "3 lb (about 6 cups) plums" as its amount and the second one. */
function twoAmounts(text: string): { text: string; alsoStated: string | undefined } {
  const found = /^(.*?)\s*[(,]\s*(?:about |approx\.? |or )?([^(),]+?)\s*[),]\s*(.*)$/i.exec(text);
  if (!found) return { text, alsoStated: undefined };
  const [, before = '', inside = '', after = ''] = found;
  const second = readAmount(inside);
  if (!second.ok || second.rest !== '' || second.amount.unit.kind === 'piece')
    return { text: `${before} ${after}`.trim(), alsoStated: undefined };
  return { text: `${before} ${after}`.trim(), alsoStated: inside };
}

function draft(recipe: FoundRecipe, from: 'json-ld' | 'text'): Imported {
  if (recipe.ingredients.length === 0)
    return { ok: false, message: 'no line with an amount was found, such as "2.4 kg damsons"' };
  const lines = recipe.ingredients.map((written): ImportedLine => {
    const text = written.slice(0, LONGEST_INGREDIENT);
    // A box is often given with its weight: the box is what counts.
    const boxed = /\b(box|boxes|pouch|pouches|packet)\b/i.test(text);
    const { text: cleaned, alsoStated } = twoAmounts(text);
    const whole = lineFromText(cleaned);
    const readable = ingredientById(whole.ingredient ?? '') !== undefined;
    const shorter = readable ? whole : lineFromText(cleaned.replace(/,.*$/, ''));
    const line = {
      ...(ingredientById(shorter.ingredient ?? '') ? shorter : whole),
      ...(alsoStated !== undefined && !boxed && { alsoStated }),
    };
    const problem = readFormula({ ...emptyFormula('line'), lines: [line] }).problems.find(
      ({ path }) => path.startsWith('lines'),
    );
    return { text, line, problem: problem?.message };
  });
  const methods = lines.flatMap(({ line }) => METHOD_OF_INGREDIENT[line.ingredient ?? ''] ?? []);
  const kind = KIND_WORDS.find(([words]) => words.test(recipe.title))?.[1] ?? 'jam';
  const method = METHOD_OF_KIND[kind] ?? methods[0] ?? 'long-boil';
  const type = USUAL_FINISHES[method][0] ?? 'gel-temperature';
  const claimed = recipe.statedYield === undefined ? undefined : readJarCount(recipe.statedYield);
  const notes =
    recipe.statedYield !== undefined && !claimed
      ? [`“${recipe.statedYield}” is not a number of jars, so the yield is not audited`]
      : [];
  const document: FormulaDocument = {
    ...emptyFormula(recipe.title.slice(0, 120), claimed?.jar.id),
    kind,
    method,
    finish: type === 'hard-boil' ? { type, minutes: HARD_BOIL_MIN[method] ?? 1 } : { type },
    lines: lines.map(({ line }) => line),
    ...(claimed && { statedYield: `${claimed.count} ${claimed.jar.id}` }),
    ...(recipe.steps.length > 0 && { steps: recipe.steps.map((step) => step.slice(0, 1000)) }),
    ...(recipe.notes !== undefined && { notes: recipe.notes.slice(0, 10_000) }),
  };
  return { ok: true, from, document, lines, statedMinutes: processMinutesIn(recipe.steps), notes };
}

/** Minutes of a process the steps ask for: "process 10 minutes in a boiling-water canner". */
function processMinutesIn(steps: readonly string[]): number | undefined {
  for (const step of steps) {
    const found =
      /\bprocess(?:ed|ing)?\b[^.]*?(\d{1,3})\s*(?:min|minutes)\b/i.exec(step) ??
      /\b(\d{1,3})\s*(?:min|minutes)\b[^.]*\b(?:canner|water bath)\b/i.exec(step);
    if (found) return Number(found[1]);
  }
  return undefined;
}

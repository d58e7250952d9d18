import {
  emptyFormula,
  FORMULA_FIELDS,
  givingJuice,
  linesFrom,
  readFormula,
  readRatio,
  stagesFromText,
  type FormulaDocument,
  type WrittenLine,
} from '../formula/index.js';
import { ingredientById } from '../produce/index.js';
import { parseAmount, readAmount, type WritingHabit, cutText } from '../quantity/index.js';
import { cleanLine, readLine, type LinePart, type LineReading } from '../reading/index.js';
import { ingredientTexts, jsonLdBlocks, plainText, recipeFromJsonLd } from './json-ld.js';
import { habitOf } from './measures.js';
import { claimsOf, yieldOf } from './recipe-claims.js';
import { sugarInOf } from './sugar-steps.js';
import {
  LARGEST_IMPORT,
  recipeFromText,
  type FoundRecipe,
  type LineRole,
  type RecipeLine,
} from './recipe.js';

/** How one line of what was brought in was understood. */
export interface ImportedLine {
  readonly text: string;
  readonly role: LineRole;
  /** Positions in the document's `lines` of what it became; none for what is no ingredient. */
  readonly became: readonly number[];
  /** How it was read as an ingredient. */
  readonly reading?: LineReading;
  /** A food that only a step names. */
  readonly fromStep?: boolean;
  /** Why it is not understood. */
  readonly problem: string | undefined;
  /** The words that stand for an ingredient no table knows. */
  readonly unknownWords?: string;
}

/** What a person says of a line that was not understood, or wrongly. */
export type Correction =
  | { readonly type: 'no-food' }
  /** The line written anew. */
  | { readonly type: 'rewritten'; readonly text: string }
  /** An ingredient for words that the table does not know. */
  | { readonly type: 'picked'; readonly ingredient: string };

/** Corrections by the position of the line among those found. */
export type Corrections = ReadonlyMap<number, Correction>;

export interface ImportOptions {
  /** Whose measures it is written in; found from its own words unless given. */
  readonly habit?: WritingHabit | undefined;
  /** Whose it is where its words do not say: the household's. */
  readonly usual?: WritingHabit | undefined;
  /** What a person said of single lines. */
  readonly corrections?: Corrections;
}

export type Imported =
  | {
      readonly ok: true;
      readonly from: 'formula' | 'json-ld' | 'text';
      readonly document: FormulaDocument;
      /** Every line that was brought in, in its order. */
      readonly lines: readonly ImportedLine[];
      /** Whose cups, spoons and pints it is measured in. */
      readonly habit: WritingHabit;
      /** "a recipe for chutney": what it is, where it is no fruit preserve. */
      readonly otherFood: string | undefined;
      /** Minutes of a process it asks for; not carried over, see `auditImport`. */
      readonly statedMinutes: number | undefined;
      /** Where it stops, as written for its own place, C. */
      readonly statedStop_C: number | undefined;
      /** What was left out, and why. */
      readonly notes: readonly string[];
    }
  | { readonly ok: false; readonly message: string };

type Found =
  | {
      readonly ok: true;
      readonly from: 'json-ld' | 'text';
      readonly recipe: FoundRecipe;
    }
  | { readonly ok: true; readonly from: 'formula'; readonly own: Partial<FormulaDocument> }
  | { readonly ok: false; readonly message: string };

/** What a text holds: our own document, a schema.org Recipe, or a recipe in words. */
function findIn(
  text: string,
  given: WritingHabit | undefined,
  usual: WritingHabit | undefined,
): Found {
  if (text.length > LARGEST_IMPORT)
    return {
      ok: false,
      message: `that is ${(text.length / 1e6).toFixed(1)} MB; a recipe is at most 2 MB`,
    };
  const trimmed = text.trim();
  if (trimmed === '') return { ok: false, message: 'there is nothing in it' };
  const habitFor = (words: string): WritingHabit => given ?? { ...usual, ...habitOf(words) };
  const looksLikeJson = /^(?:\{|\[\s*[[{"])/.test(trimmed);
  const json = looksLikeJson ? parse(trimmed) : undefined;
  if (looksLikeJson && json === undefined)
    return { ok: false, message: 'it looks like JSON but cannot be read: it may be cut short' };
  if (json !== undefined) return findInJson(json, habitFor);
  const isPage = trimmed.includes('>') && /<[a-z!]/i.test(trimmed);
  const found = isPage
    ? jsonLdBlocks(trimmed)
        .map((block) => recipeFromJsonLd(block, habitFor))
        .find((recipe) => recipe !== undefined)
    : undefined;
  if (found) return { ok: true, from: 'json-ld', recipe: found };
  const words = isPage ? plainText(trimmed) : trimmed;
  return { ok: true, from: 'text', recipe: recipeFromText(words, habitFor(words)) };
}

function findInJson(json: unknown, habitFor: (words: string) => WritingHabit): Found {
  const own = json as Partial<FormulaDocument> | null;
  const isOwn =
    typeof own === 'object' &&
    own !== null &&
    (own.format === 'idle-kettle/formula' || Array.isArray(own.lines));
  if (isOwn) return { ok: true, from: 'formula', own };
  const recipe = recipeFromJsonLd(json, habitFor);
  return recipe
    ? { ok: true, from: 'json-ld', recipe }
    : { ok: false, message: 'there is no formula and no recipe in this JSON' };
}

function parse(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return undefined;
  }
}

/**
 * A formula from what a person pasted or a file holds: our own document, a schema.org Recipe as
 * JSON or within a page of HTML, or plain text. What cannot be understood stays as written, in its
 * line. A tested source is never taken from an import, nor a measured pH: both are of a person and
 * a batch.
 *
 * @param text at most 2 MB
 */
export function importFormula(
  text: string,
  { habit, usual, corrections = new Map() }: ImportOptions = {},
): Imported {
  const found = findIn(text, habit, usual);
  if (!found.ok) return found;
  return found.from === 'formula'
    ? fromDocument(found.own)
    : draft(corrected(found.recipe, corrections), found.from);
}

/**
 * The recipe a text holds, every line with its role, before a formula is made of it. Our own
 * document counts as the list of its lines.
 */
export function foundRecipe(
  text: string,
  habit?: WritingHabit,
):
  | { readonly ok: true; readonly recipe: FoundRecipe }
  | { readonly ok: false; readonly message: string } {
  const found = findIn(text, habit, undefined);
  if (!found.ok) return found;
  if (found.from !== 'formula') return { ok: true, recipe: found.recipe };
  const imported = fromDocument(found.own);
  if (!imported.ok) return imported;
  const { document } = imported;
  return {
    ok: true,
    recipe: {
      title: document.title,
      habit: document,
      lines: ingredientTexts(document).map((line) => ({
        text: line,
        role: 'ingredient',
        reading: readLine(line, document),
      })),
      statedYield: document.statedYield,
      stated: { kind: document.kind, method: document.method, finish: document.finish },
      notes: document.notes,
    },
  };
}

/** Fields of our own document that an import may carry. */
const KEPT = [
  'title',
  'kind',
  'method',
  'decimal',
  'measures',
  'finish',
  'jars',
  'processing',
  'preSterilised',
  'statedYield',
  'notes',
  'steps',
  'leftOut',
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
      role: 'ingredient',
      became: [i],
      problem: problems.find(({ path }) => path.startsWith(`lines[${i}]`))?.message,
    })),
    habit: {},
    otherFood: undefined,
    statedMinutes: own.processMinutes,
    statedStop_C: undefined,
    notes,
  };
}

const LONGEST_INGREDIENT = 200;
const LONGEST_NAME = 120;

/**
 * "1.5 kg apples, peeled and cored" in a recipe was weighed as bought; "1.5 kg peeled apples" was
 * not. Common practice of recipe writing.
 */
const isWeighedAsBought = ({ named, amount, ingredient }: LinePart): boolean =>
  named.prepared === 'after-naming' &&
  amount.unit.kind === 'mass' &&
  ingredient.wastePercent !== undefined;

/** The lines of a document that an ingredient line stands for. */
function linesOfRecipe({ reading }: RecipeLine, habit: WritingHabit): readonly WrittenLine[] {
  if (!reading) return [];
  const lines = linesFrom(reading, habit);
  return lines.map((line, i) => {
    const part = reading.parts[i];
    const asBought = part && isWeighedAsBought(part) ? { form: 'as-bought' as const } : {};
    return {
      ...line,
      ...asBought,
      ...(reading.pickedFor !== undefined && {
        writtenAs: cutText(reading.pickedFor, LONGEST_NAME),
      }),
      ...(line.ingredient !== undefined && {
        ingredient: cutText(line.ingredient, LONGEST_NAME),
      }),
    };
  });
}

/** The recipe with the lines as a person corrected them; their own words stay. */
function corrected(recipe: FoundRecipe, corrections: Corrections): FoundRecipe {
  if (corrections.size === 0) return recipe;
  const lines = recipe.lines.map((line, i): RecipeLine => {
    const correction = corrections.get(i);
    return correction ? correctedLine(line, correction, recipe.habit) : line;
  });
  return { ...recipe, lines };
}

function correctedLine(
  { text, fromStep }: RecipeLine,
  correction: Correction,
  habit: WritingHabit,
): RecipeLine {
  switch (correction.type) {
    case 'no-food':
      return { text, role: 'note', leftOut: true };
    case 'rewritten':
      return {
        text,
        role: 'ingredient',
        reading: { ...readLine(correction.text, habit), text },
        ...(fromStep && { fromStep }),
      };
    case 'picked':
      return {
        text,
        role: 'ingredient',
        reading: pickedReading(text, correction.ingredient, habit),
      };
  }
}

/** The line without its amount: what the ingredient is called. */
function wordsAfterAmount(text: string, habit: WritingHabit): string {
  const line = cleanLine(text);
  const amount = readAmount(line, habit);
  return (amount.ok ? amount.rest : line).slice(0, LONGEST_NAME);
}

/** The line with an ingredient in place of the words after its amount. */
function pickedReading(text: string, id: string, habit: WritingHabit): LineReading {
  const amount = readAmount(cleanLine(text), habit);
  const name = ingredientById(id)?.name[1] ?? id;
  return {
    ...readLine(amount.ok ? `${amount.written} ${name}` : name, habit),
    text,
    pickedFor: wordsAfterAmount(text, habit),
  };
}

function draft(recipe: FoundRecipe, from: 'json-ld' | 'text'): Imported {
  const { habit } = recipe;
  const isFood = ({ role, reading }: RecipeLine): boolean =>
    role === 'ingredient' || (role === 'unknown' && reading !== undefined);
  if (!recipe.lines.some(isFood))
    return { ok: false, message: 'no line with an amount was found, such as "2.4 kg damsons"' };
  const lines: WrittenLine[] = [];
  const imported = recipe.lines.map((found): ImportedLine => {
    const written = isFood(found) ? linesOfRecipe(found, habit) : [];
    const became = written.map((line) => lines.push(line) - 1);
    const { text, role, reading, fromStep } = found;
    return {
      text,
      role,
      became,
      ...(reading && { reading }),
      ...(fromStep && { fromStep }),
      problem: isFood(found) ? problemOf(written, reading) : undefined,
      ...(reading?.problem?.code === 'unknown-ingredient' && {
        unknownWords: wordsAfterAmount(text, habit),
      }),
    };
  });
  const { kind = 'jam', method = 'long-boil', finish, otherFood, statedStop_C } = claimsOf(recipe);
  const claimed = yieldOf(recipe);
  const steps = recipe.lines.filter(({ role }) => role === 'step').map(({ text }) => text);
  const stages = kind === 'fruit-butter' ? stagesFromText(steps.join('\n'), habit.decimal) : [];
  const sugarIn = sugarInOf(steps.join('\n'));
  const leftOut = recipe.lines
    .filter((line) => line.leftOut)
    .map(({ text }) => text.slice(0, LONGEST_INGREDIENT));
  const document: FormulaDocument = {
    ...emptyFormula(
      recipe.title.slice(0, 120),
      claimed?.type === 'jars' ? claimed.jar.id : undefined,
    ),
    kind,
    method,
    ...(finish && { finish }),
    ...(habit.decimal === ',' && { decimal: ',' as const }),
    ...(habit.measures !== undefined && { measures: habit.measures }),
    lines: kind === 'jelly' ? givingJuice(lines) : lines,
    ...(stages.length > 0 && stages.length <= MOST_STAGES && { stages }),
    ...(sugarIn && { sugarIn }),
    ...(claimed?.type === 'jars' && { statedYield: claimed.text }),
    ...(steps.length > 0 && { steps: steps.map((step) => step.slice(0, 1000)) }),
    ...(recipe.notes !== undefined && { notes: recipe.notes.slice(0, 10_000) }),
    ...(leftOut.length > 0 && { leftOut }),
  };
  return {
    ok: true,
    from,
    document,
    lines: imported,
    habit,
    otherFood,
    statedMinutes: processMinutesIn(steps),
    statedStop_C,
    notes: notesOn(recipe, claimed === undefined, otherFood),
  };
}

const MOST_STAGES = FORMULA_FIELDS.document.stages.most;

/** An amount that follows from other lines. */
const isFollowed = (amount: string): boolean => {
  const ratio = readRatio(amount);
  return ratio !== undefined && ratio.type !== 'to-taste' && !parseAmount(amount).ok;
};

/** Why the lines cannot be computed, in the words of the first thing that is wrong. */
function problemOf(
  written: readonly WrittenLine[],
  reading: LineReading | undefined,
): string | undefined {
  // A ratio follows from the other lines: what is wrong with it is said of the whole document.
  if (written.length > 0 && written.every(({ amount }) => isFollowed(amount))) return undefined;
  if (reading?.problem) return reading.problem.message;
  return readFormula({ ...emptyFormula('line'), lines: written }).problems.find(({ path }) =>
    path.startsWith('lines'),
  )?.message;
}

function notesOn(
  { statedYield }: FoundRecipe,
  yieldUnclear: boolean,
  otherFood: string | undefined,
): string[] {
  return [
    ...(otherFood === undefined
      ? []
      : [
          `this is ${otherFood}, not a fruit spread; it needs a tested recipe of its own, and no storage here is for it`,
        ]),
    ...(statedYield !== undefined && yieldUnclear
      ? [`“${statedYield}” is not a number of jars, so the yield is not audited`]
      : []),
  ];
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

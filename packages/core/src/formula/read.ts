import {
  ingredientById,
  isProduce,
  JUICE_METHODS,
  namesOf,
  type JuiceMethod,
} from '../produce/index.js';
import { MEASURES, parseAmount, type WritingHabit } from '../quantity/index.js';
import type { Place } from '../water/index.js';
import {
  KINDS,
  METHODS,
  METHODS_OF_KIND,
  type FormulaDocument,
  type Kind,
  type Method,
  SUGAR_IN,
  type SugarIn,
} from './document.js';
import { FORMULA_FIELDS } from './fields.js';
import {
  finishAt,
  readFinish,
  readJars,
  readPlace,
  type Finish,
  type PotJar,
} from './pot-finish.js';
import { OWN_INGREDIENT, readLine, type PotLine } from './pot-line.js';
import { claimsOf, readClaims, type Claims } from './claims.js';
import { fingerprint } from './fingerprint.js';
import { placeIn, type Kitchen, type Learned, type Pan } from './kitchen.js';
import { isObject, quoted, Reader, type Json, type Problem } from './reader.js';
import { juicedLines } from './juiced.js';
import { readRatio, type Ratio, type RatioContext } from './ratio.js';
import { readStages, type CookStage } from './stages.js';
import type { Warning } from './warning.js';

/** A formula in SI units, with every line that could be understood. */
export interface PotFormula {
  readonly kind: Kind;
  readonly method: Method;
  readonly lines: readonly PotLine[];
  /** How the juice of fruit that gives it is won. */
  readonly juiceBy: JuiceMethod;
  readonly finish: Finish;
  readonly sugarIn: SugarIn;
  /** How it cooks; empty where the document does not say. */
  readonly stages: readonly CookStage[];
  readonly place: Place;
  /** The kitchen's usual pan, as far as it is known. */
  readonly pan?: Pan;
  readonly learned?: Learned;
  readonly jars: readonly PotJar[];
  readonly claims: Claims;
  readonly warnings: readonly Warning[];
}

export interface Reading {
  readonly formula: PotFormula;
  /** Empty when the whole document was understood. */
  readonly problems: readonly Problem[];
}

const MOST_LINES = FORMULA_FIELDS.document.lines.most;

/** The envelope of a document: that it is one, of a version that is known. */
function readEnvelope(reader: Reader, document: unknown): Json {
  if (!isObject(document)) {
    reader.problem(
      '',
      `${quoted(document)}: a formula is a JSON object with "kind", "method" and "lines"`,
    );
    return {};
  }
  for (const key of ['format', 'version'] as const) {
    const { value, write } = FORMULA_FIELDS.document[key];
    if (document[key] !== undefined && document[key] !== value)
      reader.problem(key, `${quoted(document[key])}: ${write}`);
  }
  if (document.decimal === ',') reader.decimal = ',';
  const measures = MEASURES.find((each) => each === document.measures);
  if (measures) reader.measures = measures;
  return document;
}

/** Kind and method, and whether they go together. */
function readKind(reader: Reader, doc: Json): { readonly kind: Kind; readonly method: Method } {
  const kind = reader.oneOf('kind', doc.kind, KINDS, 'jam');
  const methods = METHODS_OF_KIND[kind];
  const method = reader.oneOf('method', doc.method, METHODS, methods[0] ?? 'long-boil');
  if (!methods.includes(method))
    reader.problem(
      'method',
      `"${method}" does not go with ${kind}; write one of ${methods.join(', ')}`,
    );
  return { kind, method };
}

/** "1 tsp to 4 cups" is no range: nobody leaves an amount open that far. */
const WIDEST_RANGE = 8;

/** Whether an amount is one by itself, and not the beginning of a ratio. */
function isPlain(text: string, habit: WritingHabit): boolean {
  const reading = parseAmount(text, habit);
  if (!reading.ok) return false;
  const { between, unit } = reading.amount;
  // "half the fruit's weight" reads as half of a piece too.
  if (unit.kind === 'piece') return readRatio(text, habit) === undefined;
  return between === undefined || between[1] <= WIDEST_RANGE * between[0];
}

/** The ratio an amount is written as, where it is one. */
function ratioIn(reader: Reader, line: unknown): Ratio | undefined {
  const amount = isObject(line) ? line.amount : undefined;
  return typeof amount === 'string' && !isPlain(amount, reader)
    ? readRatio(amount, reader)
    : undefined;
}

/** The measured mixture, ml. */
function readMixture(reader: Reader, value: unknown): number | undefined {
  if (value === undefined) return undefined;
  const reading = typeof value === 'string' ? parseAmount(value, reader) : undefined;
  if (reading?.ok && reading.amount.unit.kind === 'volume')
    return reading.amount.value * reading.amount.unit.si;
  reader.problem('mixture', `${quoted(value)}: ${FORMULA_FIELDS.document.mixture.write}`);
  return undefined;
}

const readJuiceBy = (reader: Reader, value: unknown): JuiceMethod =>
  value === undefined ? 'drip' : reader.oneOf('juiceBy', value, JUICE_METHODS, 'drip');

function readLines(
  reader: Reader,
  doc: Json,
  kind: Kind,
  kitchen: Kitchen,
  juiceBy: JuiceMethod,
): PotLine[] {
  const given = doc.lines;
  if (!Array.isArray(given)) {
    reader.problem('lines', `${quoted(given)}: write a list of { "ingredient", "amount" }`);
    return [];
  }
  if (given.length === 0)
    reader.problem('lines', 'nothing is in the pan; add a fruit and its amount');
  if (given.length > MOST_LINES)
    reader.problem('lines', `${given.length} lines; at most ${MOST_LINES} are computed`);
  const some = given.slice(0, MOST_LINES) as unknown[];
  const ratios = some.map((line) => ratioIn(reader, line));
  const written = some.flatMap((line, index) =>
    ratios[index] ? [] : (readLine(reader, index, line, kitchen) ?? []),
  );
  const lines = juicedLines(written, juiceBy);
  const mixture_ml = readMixture(reader, doc.mixture);
  const context: RatioContext = {
    lines,
    waitsForMixture: kind === 'marmalade',
    ...(mixture_ml !== undefined && { mixture_ml }),
  };
  const followed = some.flatMap((line, index) => {
    const ratio = ratios[index];
    return ratio ? (readLine(reader, index, line, kitchen, { ratio, context }) ?? []) : [];
  });
  return [...lines, ...followed].sort((a, b) => a.index - b.index);
}

const isFruitLike = ({ ingredient }: PotLine): boolean =>
  isProduce(ingredient) || ingredient.category === 'juice' || ingredient.id === OWN_INGREDIENT;

/** What is odd about an understood document as a whole. */
function warnOfWhole(
  { warnings }: Reader,
  kind: Kind,
  lines: readonly PotLine[],
  { altitude_m, pressure_kPa, boilingPoint_C }: Place,
): void {
  if (altitude_m === undefined)
    warnings.push({
      code: 'altitude-needed',
      text: 'the process time comes from the altitude alone; state it',
    });
  if (altitude_m === undefined && pressure_kPa === undefined && boilingPoint_C === undefined)
    warnings.push({
      code: 'sea-level-assumed',
      text: 'no altitude is known, so sea level is assumed; the pan boils cooler higher up',
    });
  if (lines.length > 0 && kind !== 'curd' && !lines.some(isFruitLike))
    warnings.push({ code: 'no-fruit', text: 'there is no fruit or juice in the pan' });
}

/**
 * Reads a formula document, as much of it as can be understood.
 *
 * @param document anything, such as parsed JSON; never throws for what it holds
 * @param kitchen its pectins, measured jars and pan; its place when the document names none
 * @returns the understood part in SI units, and one problem for everything that was not, with its
 * path
 */
export function readFormula(document: unknown, kitchen: Kitchen = {}): Reading {
  const reader = new Reader();
  const doc = readEnvelope(reader, document);
  const { kind, method } = readKind(reader, doc);
  const juiceBy = readJuiceBy(reader, doc.juiceBy);
  const lines = readLines(reader, doc, kind, kitchen, juiceBy);
  const wanted = readFinish(reader, doc.finish, kind, method);
  const stages = readStages(reader, doc.stages);
  const sugarIn =
    doc.sugarIn === undefined
      ? 'at-once'
      : reader.oneOf('sugarIn', doc.sugarIn, SUGAR_IN, 'at-once');
  const place = readPlace(reader, doc.place, placeIn(kitchen));
  const finish = finishAt(reader, wanted, place);
  const jars = readJars(reader, doc.jars, kind, kitchen.jars);
  const claims = readClaims(reader, doc);
  warnOfWhole(reader, kind, lines, place);
  const formula: PotFormula = {
    kind,
    method,
    lines,
    juiceBy,
    finish,
    sugarIn,
    stages,
    place,
    jars,
    claims,
    warnings: reader.warnings,
    ...(kitchen.pan && { pan: kitchen.pan }),
    ...(kitchen.learned && { learned: kitchen.learned }),
  };
  return {
    formula: { ...formula, claims: claimsOf(claims, () => fingerprint(formula)) },
    problems: reader.problems,
  };
}

/**
 * What of a document was not understood, as the person wrote it: the lines with a problem, words that
 * an ingredient was picked for, and what else is wrong.
 */
export function notUnderstoodIn(document: FormulaDocument, problems: readonly Problem[]): string[] {
  const told = problems.map(({ path, message }) => {
    const index = /^lines\[(\d+)\]/.exec(path)?.[1];
    const line = index === undefined ? undefined : document.lines[Number(index)];
    if (!line) return message;
    const amount =
      typeof line.amount === 'string' ? line.amount : `${line.amount.value} ${line.amount.unit}`;
    const known = ingredientById(line.ingredient ?? '');
    const name = known ? namesOf(known, line.variety)[1] : (line.ingredient ?? line.name ?? '');
    return (amount.includes(name) ? amount : `${amount} ${name}`.trim()) || message;
  });
  const picked = document.lines.flatMap(({ writtenAs, ingredient }) =>
    writtenAs === undefined ? [] : [`${writtenAs} (taken for ${ingredient ?? 'something'})`],
  );
  return [...new Set([...told, ...picked])];
}

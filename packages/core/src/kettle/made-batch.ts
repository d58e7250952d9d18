import { balance, type Balance } from '../balance/index.js';
import {
  lineFromText,
  notUnderstoodIn,
  readFormula,
  withoutPlace,
  type Kitchen,
  type FormulaDocument,
  type PotFormula,
  type Problem,
} from '../formula/index.js';
import { assessKeeping, type Keeping } from '../keeping/index.js';
import { findJar } from '../jars/index.js';
import { boilingPointAt } from '../water/index.js';
import type { Boil } from './boil.js';

/** A batch as it was made: the formula, what the log of its boil adds to it, and what comes of that. */
export interface MadeBatch<D extends FormulaDocument = FormulaDocument> {
  readonly document: D;
  readonly formula: PotFormula;
  readonly problems: readonly Problem[];
  /** Null while nothing in the pot is understood. */
  readonly balance: Balance | null;
  readonly keeping: Keeping;
}

export interface MadeOptions {
  /** The day it was made, as "2026-11-23"; see `assessKeeping`. */
  readonly on?: string;
  /**
   * Before the jars are put away the process is still to come, and the verdict is how they will keep after it. Otherwise a
   * process that is not in the log was not run.
   */
  readonly planned?: boolean;
  /** Only the jars of this size, as the document or the count names it. */
  readonly size?: string;
}

/**
 * A batch with everything computed from it. The verdict is of what is in the jars: the formula as written, every addition in
 * the log, the jars that were filled, and the process they went through at the altitude stated then.
 *
 * @param kitchen where it is made and with what; the place a formula was written for does not count
 */
export function madeBatch<D extends FormulaDocument>(
  written: D,
  boil: Boil,
  kitchen: Kitchen,
  { on, planned = false, size }: MadeOptions = {},
): MadeBatch<D> {
  const filled = boil.jarred.filter(({ full, part }) => full + part > 0).map((jar) => jar.size);
  const { document, notUnderstood } = asMade(
    withoutPlace(written),
    boil,
    size === undefined ? filled : [...filled, size],
  );
  const { formula, problems } = readFormula(document, placeOf(boil, kitchen));
  const made = balance(formula);
  const { processed } = boil;
  const { claims } = formula;
  const judged: PotFormula = {
    ...formula,
    jars: size === undefined ? formula.jars : formula.jars.filter((jar) => isSame(jar.size, size)),
    claims: processed
      ? { ...claims, processing: processed.method, processMinutes: processed.minutes }
      : planned || claims.processing === 'hot-fill'
        ? claims
        : { ...claims, processing: 'none' },
  };
  return {
    document,
    formula,
    problems,
    balance: made,
    keeping: assessKeeping(
      judged,
      {
        notUnderstood: [...notUnderstood, ...notUnderstoodIn(document, problems)],
        ...(on !== undefined && { on }),
      },
      made,
    ),
  };
}

const isSame = (one: string, other: string): boolean =>
  one === other || (findJar(one) !== undefined && findJar(one) === findJar(other));

/**
 * The formula with everything the log adds to it: each addition as a line of its own, and jars that were filled though they
 * were not planned. A claim that does not say of which formula it is does not pass on to another one.
 */
function asMade<D extends FormulaDocument>(
  document: D,
  boil: Boil,
  filled: readonly string[],
): { readonly document: D; readonly notUnderstood: readonly string[] } {
  const notUnderstood: string[] = [];
  const added: D['lines'] = [];
  for (const { event, undone } of boil.log) {
    if (undone || event.type !== 'addition') continue;
    const line = lineFromText(event.body.text, document.decimal);
    if (readFormula({ ...document, lines: [line] }).problems.some(({ path }) => path.startsWith('lines')))
      notUnderstood.push(event.body.text);
    else added.push(line);
  }
  const unplanned = [...new Set(filled)]
    .filter((size) => !document.jars.some((jar) => isSame(jar.size, size)))
    .map((size) => ({ size }));
  if (added.length + notUnderstood.length + unplanned.length === 0) return { document, notUnderstood };
  const made = {
    ...document,
    lines: [...document.lines, ...added],
    jars: [...document.jars, ...unplanned],
  };
  if (made.testedSource?.of === undefined || notUnderstood.length > 0) delete made.testedSource;
  if (made.measuredPH?.of === undefined) delete made.measuredPH;
  return { document: made, notUnderstood };
}

/** Boiling points closer than this are one measurement, rounded, K. */
const SAME_POINT_K = 0.05;

/** A boil keeps the boiling point it was lit with, and a process the altitude it was run at, whatever the kitchen says since. */
function placeOf({ boilingPoint_C, processed }: Boil, kitchen: Kitchen): Kitchen {
  const place = { ...kitchen };
  if (processed) {
    delete place.altitude_m;
    if (processed.altitude_m !== null) place.altitude_m = processed.altitude_m;
  }
  if (
    boilingPoint_C !== undefined &&
    Math.abs(boilingPointAt(kitchen).boilingPoint_C.mid - boilingPoint_C) >= SAME_POINT_K
  )
    place.boilingPoint_C = boilingPoint_C;
  return place;
}

import { balance, type Balance } from '../balance/index.js';
import {
  linesFrom,
  notUnderstoodIn,
  readFormula,
  RISE_LIMITS_K,
  withoutPlace,
  type Kitchen,
  type FormulaDocument,
  type PotFormula,
  type Problem,
} from '../formula/index.js';
import { readLine } from '../reading/index.js';
import { assessKeeping, KEEPING_VERDICTS, type Keeping } from '../keeping/index.js';
import { findJar } from '../jars/index.js';
import { boilingPointAt } from '../water/index.js';
import type { Boil } from '../boil-log/index.js';
import { withoutOmitted } from './pan-contents.js';
import { MINUTE_MS } from '../quantity/index.js';

/**
 * A batch as it was made: the formula, what the log of its boil adds to it, and what comes of that.
 */
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
   * Before the jars are put away the process is still to come, and the verdict is how they will
   * keep after it. Otherwise a process that is not in the log was not run.
   */
  readonly planned?: boolean;
  /** Only the jars of this size, as the document or the count names it. */
  readonly size?: string;
}

/**
 * A batch with everything computed from it. The verdict is of what is in the jars: the formula as
 * written, every addition in the log, the jars that were filled, and the process they went through
 * at the altitude stated then.
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
  const { document: mixed, notUnderstood } = asMade(
    withoutPlace(written),
    boil,
    size === undefined ? filled : [...filled, size],
  );
  const place = placeOf(boil, kitchen);
  const finish = actualFinish(boil, mixed, place);
  const document: D = finish ? withoutLooseClaims({ ...mixed, finish }) : mixed;
  const { formula, problems } = readFormula(document, place);
  const made = balance(formula);
  const { processed } = boil;
  const { claims } = formula;
  const keepsClaim = planned || claims.processing === 'hot-fill';
  const judged: PotFormula = {
    ...formula,
    jars: size === undefined ? formula.jars : formula.jars.filter((jar) => isSame(jar.size, size)),
    claims: {
      ...claims,
      ...(!processed && !keepsClaim && { processing: 'none' as const }),
      ...(processed && { processing: processed.method, processMinutes: processed.minutes }),
    },
  };
  const options = {
    notUnderstood: [...notUnderstood, ...notUnderstoodIn(document, problems)],
    leftOut: document.leftOut ?? [],
    ...(on !== undefined && { on }),
  };
  const keeping = assessKeeping(judged, options, made);
  const result = { document, formula, problems, balance: made };
  if (!finish) return { ...result, keeping };
  // Where it was really stopped can make the verdict, the process and the storage stricter, never
  // kinder: it is a measurement of the maker's.
  const asPlanned = readFormula(mixed, place).formula;
  const meantBalance = balance(asPlanned);
  const asMeant = assessKeeping(
    { ...asPlanned, jars: judged.jars, claims: judged.claims },
    options,
    meantBalance,
  );
  const strictness = ({ verdict }: Keeping): number => KEEPING_VERDICTS.indexOf(verdict);
  const thinner =
    (made?.finish.solubleSolidsPercent.mid ?? 0) <
    (meantBalance?.finish.solubleSolidsPercent.mid ?? 0);
  const meant =
    strictness(asMeant) > strictness(keeping) ||
    (strictness(asMeant) === strictness(keeping) && !thinner);
  return { ...result, keeping: meant ? asMeant : keeping };
}

/** A observation at the pot this long before the end is still one of the finish, ms. Common practice. */
export const AT_THE_END_MS = 4 * MINUTE_MS;
/**
 * Nearer to the planned finish than this it was meant to be there: K, per cent of solids, share of
 * the weight. Common practice.
 */
const AS_MEANT = { K: 0.5, percent: 1.5, mass: 0.03 } as const;

/**
 * Where it was really stopped, as a finish of the document, when the last observation before the end says
 * it was elsewhere than planned: the weight before the refractometer before the thermometer.
 */
function actualFinish(
  boil: Boil,
  document: FormulaDocument,
  place: Kitchen,
): FormulaDocument['finish'] | undefined {
  const { endedAt, boilingPoint_C } = boil;
  if (endedAt === undefined) return undefined;
  const { formula } = readFormula(document, place);
  const planned = balance(formula);
  if (!planned || ['hard-boil', 'curd'].includes(formula.finish.type)) return undefined;
  const lately = <T extends { readonly at: number }>(observations: readonly T[]): T | undefined =>
    observations.findLast(({ at }) => at <= endedAt && endedAt - at <= AT_THE_END_MS);
  const weighed = lately(boil.weighings)?.value;
  if (weighed !== undefined) {
    const off = weighed / planned.finish.mass_kg.mid - 1;
    return Math.abs(off) > AS_MEANT.mass
      ? { type: 'weight', mass: `${weighed.toFixed(3)} kg` }
      : undefined;
  }
  const percent = lately(boil.brix)?.value;
  if (percent !== undefined) {
    const off = percent - planned.finish.solubleSolidsPercent.mid;
    return Math.abs(off) > AS_MEANT.percent
      ? { type: 'soluble-solids', percent: Math.round(percent * 10) / 10 }
      : undefined;
  }
  const reading = lately(boil.readings)?.temperature_C;
  if (
    reading === undefined ||
    boilingPoint_C === undefined ||
    formula.finish.type !== 'gel-temperature'
  )
    return undefined;
  const rise = Math.min(
    Math.max(reading - boilingPoint_C, RISE_LIMITS_K.least),
    RISE_LIMITS_K.most,
  );
  return Math.abs(rise - formula.finish.rise_K) > AS_MEANT.K
    ? { type: 'gel-temperature', rise: `${rise.toFixed(1)} C` }
    : undefined;
}

const isSame = (one: string, other: string): boolean =>
  one === other || (findJar(one) !== undefined && findJar(one) === findJar(other));

/**
 * The formula with everything the log adds to it: each addition as a line of its own, without what
 * was left out, and jars that were filled though they were not planned. A claim that does not say
 * of which formula it is does not pass on to another one.
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
    const lines = linesFrom(readLine(event.body.text, document), document);
    if (readFormula({ ...document, lines }).problems.some(({ path }) => path.startsWith('lines')))
      notUnderstood.push(event.body.text);
    else added.push(...lines);
  }
  const unplanned = [...new Set(filled)]
    .filter((size) => !document.jars.some((jar) => isSame(jar.size, size)))
    .map((size) => ({ size }));
  const left = withoutOmitted(document, boil).lines;
  if (left === document.lines && added.length + notUnderstood.length + unplanned.length === 0)
    return { document, notUnderstood };
  const made = withoutLooseClaims({
    ...document,
    lines: [...left, ...added],
    jars: [...document.jars, ...unplanned],
  });
  if (notUnderstood.length > 0) delete made.testedSource;
  return { document: made, notUnderstood };
}

/** A claim that does not say of which formula it is falls with any change. */
function withoutLooseClaims<D extends FormulaDocument>(document: D): D {
  const made = { ...document };
  if (made.testedSource?.of === undefined) delete made.testedSource;
  if (made.measuredPH?.of === undefined) delete made.measuredPH;
  return made;
}

/** Boiling points closer than this are one measurement, rounded, K. */
const SAME_POINT_K = 0.05;

/**
 * A boil keeps the boiling point it was lit with, and a process the altitude it was run at,
 * whatever the kitchen says since.
 */
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

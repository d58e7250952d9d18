import { balance, type Balance } from '../balance/index.js';
import {
  linesFrom,
  notUnderstoodIn,
  readFormula,
  isToTaste,
  RISE_LIMITS_K,
  withoutPlace,
  type Kitchen,
  type FormulaDocument,
  type PotFormula,
  type Problem,
} from '../formula/index.js';
import { readLine } from '../reading/index.js';
import {
  assessKeeping,
  isStricter,
  KEEPING_VERDICTS,
  reason,
  type Keeping,
  type KeepingOptions,
} from '../keeping/index.js';
import { findJar } from '../jars/index.js';
import { boilingPointAt } from '../water/index.js';
import type { BatchEvent, Boil } from '../boil-log/index.js';
import { pHReadingOf } from './measured-ph.js';
import { withoutOmitted } from './pan-contents.js';
import { filledFrom, statementsAfterFilling } from './statements.js';
import { throughHeatAndProcess } from './through-process.js';
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
  /**
   * While it stands off the heat and was weighed there: what comes of it as it is, should it be
   * filled now.
   */
  readonly asWeighed?: Balance;
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
  /** So many jars of this size are meant for the shelf; all full ones where it does not say. */
  readonly count?: number;
}

/**
 * A batch with everything computed from it. The verdict is of what is in the jars: the formula as it
 * was when the first was filled, every addition in the log, the jars that were filled, and the
 * process they went through at the altitude stated then. What is stated after the first jar was
 * filled is taken, and can only make the verdict stricter.
 *
 * @param kitchen where it is made and with what; the place a formula was written for does not count
 */
export function madeBatch<D extends FormulaDocument>(
  written: D,
  boil: Boil,
  kitchen: Kitchen,
  options: MadeOptions = {},
): MadeBatch<D> {
  const filled = filledFrom(boil, written);
  const whole = asLogged(filled, boil, kitchen, options);
  const statements = statementsAfterFilling(boil);
  if (!statements) return whole;
  const judged = (log: Boil): Keeping => asLogged(filled, log, kitchen, options).keeping;
  let keeping = judged(statements.before);
  const counted: BatchEvent[] = [];
  for (const statement of statements.later) {
    const next = judged(statements.withSome([...counted, statement]));
    if (!isStricter(next, keeping)) continue;
    counted.push(statement);
    keeping = next;
  }
  if (isStricter(whole.keeping, keeping)) return whole;
  return {
    ...whole,
    keeping:
      counted.length === statements.later.length
        ? keeping
        : { ...keeping, reasons: [...keeping.reasons, STATED_AFTERWARDS] },
  };
}

const STATED_AFTERWARDS = reason(
  'stated-afterwards',
  'what was stated after the first jar was filled is in the log; it can make the storage stricter, and does not make it kinder',
);

/** Everything computed from a formula and one log of it. */
function asLogged<D extends FormulaDocument>(
  written: D,
  boil: Boil,
  kitchen: Kitchen,
  options: MadeOptions,
): MadeBatch<D> {
  const { on, planned = false, size, count } = options;
  const filled = boil.jarred.filter(({ full, part }) => full + part > 0).map((jar) => jar.size);
  const { document: mixed, notUnderstood } = asMade(
    withoutPlace(written),
    boil,
    size === undefined ? filled : [...filled, size],
  );
  const place = placeOf(boil, kitchen);
  const finish = actualFinish(boil, mixed, place);
  const document: D = finish ? stoppedAt(mixed, finish) : mixed;
  const { formula, problems } = readFormula(document, place);
  const made = balance(formula);
  const judgedAs = (pot: PotFormula): PotFormula => ({
    ...pot,
    jars: size === undefined ? pot.jars : pot.jars.filter((jar) => isSame(jar.size, size)),
    claims: claimsAsMade(pot, boil, planned),
  });
  const reading = pHReadingOf(boil);
  const keepingOptions: KeepingOptions = {
    notUnderstood: [...notUnderstood, ...notUnderstoodIn(document, problems)],
    leftOut: document.leftOut ?? [],
    ...(on !== undefined && { on }),
    ...(reading && { measuredPH: reading }),
  };
  const keepingOf = (pot: PotFormula, potBalance: Balance | null): Keeping => {
    const judged = judgedAs(pot);
    return throughHeatAndProcess(assessKeeping(judged, keepingOptions, potBalance), {
      boil,
      formula: judged,
      made: potBalance,
      size,
      count,
    });
  };
  const keeping = keepingOf(formula, made);
  const asWeighed = balanceAsWeighed(boil, mixed, place);
  const result = { document, formula, problems, balance: made, ...(asWeighed && { asWeighed }) };
  if (!finish) return { ...result, keeping };
  // Where it was really stopped can make the verdict, the process and the storage stricter, never
  // kinder: it is a measurement of the maker's.
  const asPlanned = readFormula(mixed, place).formula;
  const meantBalance = balance(asPlanned);
  const asMeant = keepingOf(asPlanned, meantBalance);
  const strictness = ({ verdict }: Keeping): number => KEEPING_VERDICTS.indexOf(verdict);
  const thinner =
    (made?.finish.solubleSolidsPercent.mid ?? 0) <
    (meantBalance?.finish.solubleSolidsPercent.mid ?? 0);
  const meant =
    strictness(asMeant) > strictness(keeping) ||
    (strictness(asMeant) === strictness(keeping) && !thinner);
  return { ...result, keeping: meant ? asMeant : keeping };
}

/** What comes of a batch that stands off the heat, by what it weighed there. */
function balanceAsWeighed(
  { phase, heat, weighings }: Boil,
  document: FormulaDocument,
  place: Kitchen,
): Balance | undefined {
  const offSince = heat.at(-1)?.to;
  if (phase !== 'off-heat' || offSince === undefined) return undefined;
  const weighed = weighings.findLast(({ at }) => at >= offSince);
  if (!weighed) return undefined;
  const finish = { type: 'weight', mass: `${weighed.value.toFixed(3)} kg` } as const;
  return balance(readFormula(stoppedAt(document, finish), place).formula) ?? undefined;
}

/** The document as stopped at what was measured, however its stages were planned. */
function stoppedAt<D extends FormulaDocument>(document: D, finish: FormulaDocument['finish']): D {
  const stopped = { ...document, finish };
  delete stopped.stages;
  return withoutLooseClaims(stopped);
}

/** The claims of a formula with the process its jars really had. */
function claimsAsMade(
  { claims }: PotFormula,
  { processRuns }: Boil,
  planned: boolean,
): PotFormula['claims'] {
  if (processRuns.length > 0) {
    const processing = processRuns.some(({ method }) => method === 'steam')
      ? 'steam'
      : 'boiling-water';
    return { ...claims, processing, processMinutes: undefined };
  }
  return planned || claims.processing === 'hot-fill' ? claims : { ...claims, processing: 'none' };
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
    if (undone || event.type !== 'addition' || event.body.planned) continue;
    const lines = linesFrom(readLine(event.body.text, document), document);
    if (readFormula({ ...document, lines }).problems.some(({ path }) => path.startsWith('lines')))
      notUnderstood.push(event.body.text);
    else added.push(...lines);
  }
  const unplanned = [...new Set(filled)]
    .filter((size) => !document.jars.some((jar) => isSame(jar.size, size)))
    .map((size) => ({ size }));
  const { document: put, missed } = withoutOmitted(document, boil);
  // What was to taste went in at the end: the log says how much.
  const tasted = new Set(added.map(({ ingredient }) => ingredient));
  const left = put.lines.filter(
    ({ ingredient, amount }) => !(isToTaste(amount) && tasted.has(ingredient)),
  );
  notUnderstood.push(...missed.map((name) => `left out: ${name}`));
  if (
    left.length === document.lines.length &&
    added.length + notUnderstood.length + unplanned.length === 0
  )
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

/**
 * A batch belongs to a place: it keeps the altitude and the boiling point it was lit with, or what
 * was stated for it since, whatever kitchen is looked at. A process is judged by the higher of that
 * altitude and the one stated at the canner.
 */
function placeOf(boil: Boil, kitchen: Kitchen): Kitchen {
  const { boilingPoint_C, altitude_m: lit, altitudes_m, processRuns } = boil;
  const place = { ...kitchen };
  const own = altitudes_m.at(-1) ?? lit;
  const atTheCanner = processRuns.map((run) => run.altitude_m);
  // An older log has the altitude with its process alone.
  const base = own ?? (processRuns.length > 0 ? undefined : kitchen.altitude_m);
  const stated = [base, ...atTheCanner].flatMap((altitude_m) => altitude_m ?? []);
  delete place.altitude_m;
  if (stated.length > 0) place.altitude_m = Math.max(...stated);
  if (
    boilingPoint_C !== undefined &&
    Math.abs(boilingPointAt(kitchen).boilingPoint_C.mid - boilingPoint_C) >= SAME_POINT_K
  )
    place.boilingPoint_C = boilingPoint_C;
  return place;
}

/** Boiling points closer than this are one measurement, rounded, K. */
const SAME_POINT_K = 0.05;

import {
  boilFrom,
  jarsAfter,
  jarsFilled,
  type BatchEvent,
  type Boil,
  type JarTally,
  type LogEntry,
} from '../boil-log/index.js';
import type { FormulaDocument } from '../formula/index.js';
import { MINUTE_MS } from '../quantity/index.js';

/** What is taken back within so long was a slip of the thumb, ms. A choice of ours. */
const SLIP_MS = 10 * MINUTE_MS;

/** When an entry was taken back, or undefined. */
function takenBackAt({ log }: Boil, id: string): number | undefined {
  return log.find(
    ({ event, undone }) => event.type === 'undo' && !undone && event.body.eventId === id,
  )?.at;
}

/** Whether an entry was a slip: taken back within minutes. */
function isSlip(boil: Boil, { event, at }: LogEntry): boolean {
  const back = takenBackAt(boil, event.id);
  return back !== undefined && back - at <= SLIP_MS;
}

/** Counts of jars in order, and how many there were after each: full ones, and parts of one. */
export function jarCounts(
  entries: readonly LogEntry[],
): { readonly at: number; readonly full: number; readonly part: number }[] {
  let tally: JarTally = new Map();
  return entries.flatMap(({ event, at }) => {
    if (event.type !== 'jarred') return [];
    tally = jarsAfter(tally, event.id, event.body);
    const jars = jarsFilled(tally);
    return [
      {
        at,
        full: jars.reduce((sum, { full }) => sum + full, 0),
        part: jars.reduce((sum, { part }) => sum + part, 0),
      },
    ];
  });
}

/**
 * When the first jar was filled, milliseconds since 1970; undefined while none is. A count that went
 * back to none within minutes was a slip; later, what was filled stays filled.
 */
export function firstFilledAt(boil: Boil): number | undefined {
  let first: number | undefined;
  const counts = boil.log.filter((entry) => entry.event.type === 'jarred' && !isSlip(boil, entry));
  for (const { at, full, part } of jarCounts(counts)) {
    if (full + part > 0) first ??= at;
    else if (first !== undefined && at - first <= SLIP_MS) first = undefined;
  }
  return first;
}

/** The formula the first jars were filled from, where the log has it. */
export function filledFrom<D extends FormulaDocument>(boil: Boil, written: D): D {
  const first = firstFilledAt(boil);
  if (first === undefined) return written;
  const entry = boil.log.find(
    ({ event, at }) =>
      event.type === 'formula-filled' && at >= first - SAME_MOMENT_MS && at <= first + SLIP_MS,
  );
  // Its name is free: it is in no jar.
  return entry?.event.type === 'formula-filled'
    ? { ...written, ...entry.event.body.document, title: written.title }
    : written;
}
/** The count and the formula it was filled from are logged one after the other, ms. */
const SAME_MOMENT_MS = 2000;

/** Entries that say what is in the pan and where it was made; the others say what happened to it. */
const STATEMENTS: ReadonlySet<BatchEvent['type']> = new Set(['addition', 'omission', 'altitude']);
/** Entries that, taken back, change what was stated. */
const TAKEN_BACK_AS_STATEMENT: ReadonlySet<BatchEvent['type']> = new Set([
  ...STATEMENTS,
  'heat-stated',
  'undo',
]);

/** What an undo takes back. */
const targetOf = (boil: Boil, { event }: LogEntry): LogEntry | undefined =>
  event.type === 'undo'
    ? boil.log.find((entry) => entry.event.id === event.body.eventId)
    : undefined;

/** Whether an entry, or what it takes back, says what is in the pan or where it was made. */
function isStatement(boil: Boil, entry: LogEntry): boolean {
  if (entry.event.type !== 'undo') return STATEMENTS.has(entry.event.type);
  const target = targetOf(boil, entry);
  return target !== undefined && TAKEN_BACK_AS_STATEMENT.has(target.event.type);
}

/** What a log says of the past once jars are filled. */
export interface Statements {
  /** The log without what was stated after the first jar was filled. */
  readonly before: Boil;
  /** Each later statement by itself, in order. */
  readonly later: readonly BatchEvent[];
  /** The log up to `before` with some of the later statements. */
  readonly withSome: (some: readonly BatchEvent[]) => Boil;
}

/**
 * Splits a log at the first filled jar. A slip that was taken back within minutes is neither here
 * nor there.
 *
 * @returns undefined where nothing was stated afterwards
 */
export function statementsAfterFilling(boil: Boil): Statements | undefined {
  const first = firstFilledAt(boil);
  if (first === undefined) return undefined;
  const isLate = (entry: LogEntry): boolean => {
    if (entry.at <= first || !isStatement(boil, entry)) return false;
    const target = targetOf(boil, entry);
    return !isSlip(boil, entry) && !(target && entry.at - target.at <= SLIP_MS);
  };
  const later = boil.log.filter(isLate).map(({ event }) => event);
  if (later.length === 0) return undefined;
  const early = boil.log.filter((entry) => !isLate(entry)).map(({ event }) => event);
  return {
    before: boilFrom(early),
    later,
    withSome: (some) => boilFrom([...early, ...some]),
  };
}

import type { Boil, JarCount, ProcessRun } from '../boil-log/index.js';
import { HOUR_MS, MINUTE_MS } from '../quantity/index.js';
import { firstFilledAt, jarCounts } from './statements.js';

/** An hour from the first jar into the canner, and half an hour until it boils, ms. docs/safety.md, rule 9. */
const LATEST_BOIL_MS = 90 * MINUTE_MS;
/** What the clock shows as the last second is the whole time, ms. */
const ROUNDING_MS = MINUTE_MS / 4;
/** Within this a fault can be made good: fridge, or the whole process again, ms. Same rule. */
export const MADE_GOOD_MS = 24 * HOUR_MS;

/** Why jars that went through the canner are not for the shelf. */
export type RunFault = 'short' | 'late' | 'uncounted';

/** How the jars of one size came through the canner. */
export interface SizeProcessed {
  /** Undefined where every full jar went through a load that counts. */
  readonly fault: RunFault | undefined;
  /** Minutes that count of the load that fell short, or of the last. */
  readonly minutes: number;
  /** Full jars that were in no load that counts. */
  readonly missing: number;
  /** Nobody's clock counted it: it was stated. */
  readonly isStated: boolean;
  /** The fault came to light more than a day after the process, when it cannot be made good. */
  readonly isFoundLate: boolean;
}

/** Minutes of a load that count: what was said, and never more than passed. */
export const minutesOf = ({ minutes, begunAt, endedAt }: ProcessRun): number =>
  endedAt - begunAt + ROUNDING_MS >= minutes * MINUTE_MS
    ? minutes
    : Math.max(Math.floor((endedAt - begunAt) / MINUTE_MS), 0);

/** When the first of the jars of a load was filled: by the last count before it, else when it was done. */
function filledBefore(boil: Boil, { begunAt }: ProcessRun): number | undefined {
  const counts = jarCounts(boil.log.filter(({ undone }) => !undone));
  const before = counts.filter(({ at }) => at <= begunAt);
  const earlier = boil.processRuns.filter(({ endedAt }) => endedAt <= begunAt).at(-1)?.begunAt;
  // Jars that were counted after an earlier load are those of this one.
  const since = before.findIndex(
    (count, i) =>
      earlier !== undefined && count.at > earlier && count.full > (before[i - 1] ?? count).full,
  );
  const first = since >= 0 ? before[since]?.at : firstFilledAt(boil);
  return first !== undefined && first <= begunAt ? first : boil.endedAt;
}

/**
 * Whether the jars of a load were no longer hot. After a process that failed they may go through
 * again within a day of filling: reboiled, filled hot, with new lids.
 */
function isLate(boil: Boil, run: ProcessRun, isAgain: boolean): boolean {
  const filled = filledBefore(boil, run);
  if (filled === undefined) return false;
  const first = firstFilledAt(boil) ?? filled;
  return isAgain
    ? run.begunAt - Math.min(first, filled) > MADE_GOOD_MS
    : run.begunAt - filled > LATEST_BOIL_MS;
}

const countIn = (jars: readonly JarCount[] | undefined, size: string): number | undefined =>
  jars?.filter((jar) => jar.size === size).reduce((sum, { count }) => sum + count, 0);

/**
 * How the jars of one size came through the canner, load by load.
 *
 * @param needed minutes by the table for the jars of a load, the longest of its sizes
 * @param foundAt when a fault came to light, milliseconds since 1970
 * @param meant so many of its full jars are meant for the shelf; all where it is left out
 */
export function sizeProcessed(
  boil: Boil,
  size: string,
  needed: (run: ProcessRun) => number,
  foundAt: number,
  meant?: number,
): SizeProcessed {
  const runs = boil.processRuns.filter(({ jars }) => (countIn(jars, size) ?? 1) > 0);
  const filled = boil.jarred.find((jar) => jar.size === size)?.full ?? 0;
  const full = Math.min(meant ?? filled, filled);
  const isShort = (run: ProcessRun): boolean => minutesOf(run) < needed(run);
  const faultOf = (run: ProcessRun, i: number): RunFault | undefined => {
    if (isShort(run)) return 'short';
    return isLate(boil, run, runs.slice(0, i).some(isShort)) ? 'late' : undefined;
  };
  const faults = runs.map(faultOf);
  const good = runs.filter((_, i) => faults[i] === undefined);
  const counted = good.reduce((sum, { jars }) => sum + (countIn(jars, size) ?? full), 0);
  const missing = Math.max(full - counted, 0);
  const bad = runs.findLast((_, i) => faults[i] !== undefined);
  const last = runs.at(-1);
  const enough = good.length > 0 && missing === 0;
  const decides = enough || !bad ? last : bad;
  return {
    fault: enough ? undefined : (faults.findLast((fault) => fault !== undefined) ?? 'uncounted'),
    minutes: decides ? minutesOf(decides) : 0,
    missing,
    isStated: runs.some(({ isStated }) => isStated),
    isFoundLate: decides !== undefined && foundAt - decides.endedAt > MADE_GOOD_MS,
  };
}

/** Full jars that were in no load of the canner, by size. */
export function unprocessedJars({ jarred, processRuns }: Boil): readonly JarCount[] {
  return jarred.flatMap(({ size, full }) => {
    const through = processRuns.reduce((sum, { jars }) => sum + (countIn(jars, size) ?? full), 0);
    return full > through ? [{ size, count: full - through }] : [];
  });
}

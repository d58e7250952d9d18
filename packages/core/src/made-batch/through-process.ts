import type { Balance } from '../balance/index.js';
import type { Boil, ProcessRun } from '../boil-log/index.js';
import type { PotFormula } from '../formula/index.js';
import { findJar } from '../jars/index.js';
import {
  madeStricter,
  processByTable,
  reason,
  type Keeping,
  type KeepingReason,
} from '../keeping/index.js';
import { heatReached } from './heat-reached.js';
import { DAY_MS } from '../quantity/index.js';
import { sizeProcessed, type SizeProcessed } from './process-runs.js';
import { firstFilledAt } from './statements.js';

/** A batch whose contents are judged, and how its jars went on from there. */
interface Jarred {
  readonly boil: Boil;
  readonly formula: PotFormula;
  readonly made: Balance | null;
  /** Only the jars of this size. */
  readonly size: string | undefined;
  /** So many of them are meant for the shelf. */
  readonly count: number | undefined;
}

const AGAIN =
  'within 24 hours refrigerate, or process again in full: contents brought back to the boil, filled hot into clean jars, new lids';
const FOUND_LATE =
  'it came to light more than a day later: not for the shelf. Throw these jars away without tasting';
const FOUND_LATE_ACID =
  'it came to light more than a day later: not for the shelf. It is acid enough and sweet enough to refrigerate: use these first';
/** Soluble solids from which acid fruit that stood may still go in the fridge, per cent. docs/safety.md, rule 9. */
const SWEET_ENOUGH = 60;

/** How the heat before filling, and the canner after it, leave the verdict of the contents. */
export function throughHeatAndProcess(keeping: Keeping, jarred: Jarred): Keeping {
  return throughProcess(throughHeat(keeping, jarred), jarred);
}

function throughHeat(keeping: Keeping, { boil, formula, made }: Jarred): Keeping {
  if (firstFilledAt(boil) === undefined || keeping.verdict !== 'shelf') return keeping;
  const heat = heatReached(boil, formula.kind);
  if (heat.answer === 'yes') return keeping;
  const why =
    heat.answer === 'no'
      ? reason('heat-not-reached', `${heat.why}: refrigerate`)
      : reason(
          'heat-unknown',
          'no reading tells whether it reached its heat and went into the jars hot: until you say so, refrigerate',
        );
  return madeStricter(keeping, formula, made, 'fridge', why);
}

/** Minutes by the table for the jars of a load: the longest of its sizes. */
function neededFor({ boil, formula, made }: Jarred): (run: ProcessRun) => number {
  const known = new Map<string, number>();
  const minutesOf = (size: string): number => {
    const found = known.get(size);
    if (found !== undefined) return found;
    const jars = formula.jars.filter(
      (jar) => jar.size === size || findJar(jar.size) === findJar(size),
    );
    const minutes = processByTable({ ...formula, jars }, made)?.minutes ?? 0;
    known.set(size, minutes);
    return minutes;
  };
  const whole = processByTable(formula, made)?.minutes ?? 0;
  const filled = boil.jarred.filter(({ full }) => full > 0).map(({ size }) => size);
  return ({ jars }) =>
    Math.max(whole, ...(jars?.map(({ size }) => size) ?? filled).map((size) => minutesOf(size)));
}

/** When what was known of a process last changed: a correction, or a process taken back. */
function lastCorrection({ log }: Boil): number {
  const processed = new Set(
    log.flatMap(({ event }) => (event.type === 'processed' ? [event.id] : [])),
  );
  const corrections = log.filter(
    ({ event, undone }) =>
      !undone &&
      (event.type === 'altitude' ||
        event.type === 'process-lost' ||
        (event.type === 'undo' && processed.has(event.body.eventId))),
  );
  return corrections.at(-1)?.at ?? -Infinity;
}

function throughProcess(keeping: Keeping, jarred: Jarred): Keeping {
  const { boil, size, count } = jarred;
  if (boil.processRuns.length === 0) return withoutRuns(keeping, jarred);
  const needed = neededFor(jarred);
  const filled = boil.jarred.filter(({ full }) => full > 0).map((jar) => jar.size);
  const sizes = size === undefined ? filled : [size];
  const found = lastCorrection(boil);
  const each = (sizes.length === 0 ? [''] : sizes).map((one) =>
    sizeProcessed(boil, one, needed, found, count),
  );
  const faulty =
    each.find(({ fault, isFoundLate }) => fault !== undefined && isFoundLate) ??
    each.find(({ fault }) => fault !== undefined);
  const longest = Math.max(...boil.processRuns.map(needed));
  if (faulty) return withFault(keeping, jarred, faulty, longest);
  return each.some(({ isStated }) => isStated)
    ? { ...keeping, reasons: [...keeping.reasons, STATED] }
    : { ...keeping, ...(keeping.process && { process: { ...keeping.process, minutes: longest } }) };
}

const STATED = reason(
  'stated-not-timed',
  'the process is as you stated it: no clock here counted it',
);

/** A process that was logged, and taken back a day later: what stood as processed was not. */
function withoutRuns(keeping: Keeping, jarred: Jarred): Keeping {
  const last = jarred.boil.log.findLast(({ event }) => event.type === 'processed');
  const back = lastCorrection(jarred.boil);
  return last?.undone && back - last.at > DAY_MS
    ? withFault(
        keeping,
        jarred,
        { fault: 'uncounted', minutes: 0, missing: 0, isStated: false, isFoundLate: true },
        0,
      )
    : keeping;
}

function faultWords({ fault, minutes, missing }: SizeProcessed, needed: number): string {
  switch (fault) {
    case 'short':
      return `processed ${minutes} min, of the ${needed} min the table gives here`;
    case 'late':
      return 'the process began long after the jars were filled, when they were no longer hot';
    case 'uncounted':
    case undefined:
      return missing > 0
        ? `${missing} of the full ${missing === 1 ? 'jars was' : 'jars were'} in no load of the canner`
        : 'the jars did not go through the canner';
  }
}

const CODE = {
  short: 'process-short',
  late: 'process-late',
  uncounted: 'not-in-a-load',
} as const;

/** Jars that were not processed as they must be: to be made good in a day, or lost. */
function withFault(
  keeping: Keeping,
  { formula, made }: Jarred,
  processed: SizeProcessed,
  needed: number,
): Keeping {
  const isAcid =
    keeping.limitPH !== null &&
    keeping.worstPH <= keeping.limitPH &&
    (made?.finish.solubleSolidsPercent.low ?? 0) >= SWEET_ENOUGH;
  const isLost = processed.isFoundLate && !isAcid;
  const late = isAcid ? FOUND_LATE_ACID : FOUND_LATE;
  const why: KeepingReason = reason(
    CODE[processed.fault ?? 'uncounted'],
    `${faultWords(processed, needed)}: ${processed.isFoundLate ? late : AGAIN}`,
  );
  return madeStricter(keeping, formula, made, isLost ? 'stop' : 'fridge', why);
}

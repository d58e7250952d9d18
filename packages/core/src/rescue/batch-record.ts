import { balance, type Balance, preparePot, type PreparedPot } from '../balance/index.js';
import type { Boil } from '../boil-log/index.js';
import {
  readFormula,
  withoutPlace,
  type FormulaDocument,
  type Kitchen,
  type PotFormula,
} from '../formula/index.js';
import { sealsOf } from '../jarring/index.js';
import type { Keeping } from '../keeping/index.js';
import {
  AT_THE_END_MS,
  firstFilledAt,
  kitchenOfBoil,
  madeBatch,
  outcomeOf,
} from '../made-batch/index.js';
import { HOUR_MS, MINUTE_MS } from '../quantity/index.js';
import type { Range } from '../range/index.js';

/** What a log cannot hold and a person is asked. */
export interface StoredWhere {
  /** The jars stood warmer than 21 °C. */
  readonly warm?: boolean;
  readonly inLight?: boolean;
}

/** What was meant and what was seen at the end of the cook. */
interface Finish {
  /** K over boiling water by the last reading before the end, and as wanted. */
  readonly rise_K: { readonly wanted: number; readonly seen: number } | undefined;
  /** Per cent of solids, by the scale or the refractometer. */
  readonly solids: { readonly wanted: number; readonly seen: number } | undefined;
}

/**
 * What the record of a batch says, worked out once for all causes; what it does not say is
 * undefined. Durations in minutes.
 */
export interface BatchRecord {
  /** The formula as made, with everything that was added. */
  readonly document: FormulaDocument;
  readonly formula: PotFormula;
  /** The pan as it was to be: everything that went in, to the finish of the formula. */
  readonly meant: PreparedPot;
  readonly meantBalance: Balance;
  /** As its log tells it came out. */
  readonly made: PreparedPot;
  readonly madeBalance: Balance;
  readonly keeping: Keeping;
  readonly finish: Finish;
  /** At the boil with the sugar in. */
  readonly boil_min: { readonly forecast: Range; readonly actual: number } | undefined;
  /** The timed boil: as the method has it, and from its start to the end of the cook. */
  readonly timedBoil_min: { readonly wanted: number; readonly actual: number } | undefined;
  readonly hottest_C: number | undefined;
  /** From the end of the cook to the first filled jar. */
  readonly rest_min: number | undefined;
  /** The longest time on the heat without stirring; undefined where no stirring was logged. */
  readonly unstirred_min: number | undefined;
  /** The heat was turned up in the last part of the cook; undefined where it was never logged. */
  readonly heatedUpLate: boolean | undefined;
  /** Share of the pan's depth before the boil, where the pan is known. */
  readonly panFill: number | undefined;
  /** Share of the jars that were expected. */
  readonly yieldShare: number | undefined;
  readonly seals: ReturnType<typeof sealsOf>;
  readonly boil: Boil;
  /** Since the first jar was filled. */
  readonly age_h: number | undefined;
  readonly stored: StoredWhere;
}

export interface RecordInput {
  readonly document: FormulaDocument;
  readonly boil: Boil;
  readonly kitchen: Kitchen;
  /** Milliseconds since 1970. */
  readonly now: number;
  readonly stored?: StoredWhere;
}

/** The last part of a cook, in which what is turned up catches, minutes. A choice of ours. */
const LATE_MIN = 15;

/** @returns undefined where nothing of the formula is understood */
export function batchRecord(input: RecordInput): BatchRecord | undefined {
  const { document, boil, kitchen, now, stored = {} } = input;
  const made = madeBatch(document, boil, kitchen);
  const place = kitchenOfBoil(boil, kitchen);
  // What was added belongs to what was meant: only where it ended may differ.
  const toFinish = { ...made.document, finish: document.finish };
  if (document.stages) toFinish.stages = document.stages;
  const { formula } = readFormula(withoutPlace(toFinish), place);
  const meantPot = preparePot(formula);
  const madePot = preparePot(made.formula);
  const meantBalance = balance(formula);
  if (!meantPot || !madePot || !made.balance || !meantBalance) return undefined;
  const outcome = outcomeOf(document, boil, kitchen, now);
  const filledAt = firstFilledAt(boil);
  return {
    document: made.document,
    formula,
    meant: meantPot,
    meantBalance,
    made: madePot,
    madeBalance: made.balance,
    keeping: made.keeping,
    finish: finishOf(boil, meantPot, formula),
    boil_min:
      outcome.boil.actual === undefined || outcome.boil.planned === undefined
        ? undefined
        : { forecast: outcome.boil.planned, actual: outcome.boil.actual },
    timedBoil_min: timedBoilOf(boil, formula),
    hottest_C: hottestOf(boil),
    rest_min: minutesBetween(boil.endedAt, filledAt),
    unstirred_min: unstirredOf(boil),
    heatedUpLate: heatedUpLateOf(boil),
    panFill: panFillOf(formula, meantBalance),
    yieldShare: yieldShareOf(outcome.yield_ml),
    seals: sealsOf(boil, now),
    boil,
    age_h: filledAt === undefined ? undefined : (now - filledAt) / HOUR_MS,
    stored,
  };
}

const minutesBetween = (from: number | undefined, to: number | undefined): number | undefined =>
  from === undefined || to === undefined || to < from ? undefined : (to - from) / MINUTE_MS;

function finishOf(boil: Boil, meant: PreparedPot, { finish }: PotFormula): Finish {
  const { endedAt, boilingPoint_C } = boil;
  if (endedAt === undefined) return { rise_K: undefined, solids: undefined };
  const lately = <T extends { readonly at: number }>(seen: readonly T[]): T | undefined =>
    seen.findLast(({ at }) => at <= endedAt && endedAt - at <= AT_THE_END_MS);
  const reading = lately(boil.readings)?.temperature_C;
  const weighed = lately(boil.weighings)?.value;
  const brix = lately(boil.brix)?.value;
  const { soluble, insoluble } = meant.contents;
  const byWeight =
    weighed === undefined || weighed <= insoluble
      ? undefined
      : (soluble / (weighed - insoluble)) * 100;
  const seen = byWeight ?? brix;
  return {
    rise_K:
      reading === undefined || boilingPoint_C === undefined || finish.type !== 'gel-temperature'
        ? undefined
        : { wanted: finish.rise_K, seen: reading - boilingPoint_C },
    solids: seen === undefined ? undefined : { wanted: meant.outcome.solids, seen },
  };
}

function timedBoilOf(
  { minute, endedAt }: Boil,
  { finish }: PotFormula,
): BatchRecord['timedBoil_min'] {
  const actual = minutesBetween(minute?.startedAt, endedAt);
  return finish.type !== 'hard-boil' || actual === undefined
    ? undefined
    : { wanted: finish.minutes, actual };
}

const hottestOf = ({ readings }: Boil): number | undefined =>
  readings.length === 0
    ? undefined
    : Math.max(...readings.map(({ temperature_C }) => temperature_C));

/** Stirring, or a question about it, was answered at least once: then a gap says something. */
function unstirredOf({ log, startedAt, endedAt, sugarInAt }: Boil): number | undefined {
  if (startedAt === undefined || endedAt === undefined) return undefined;
  const stirs = log.flatMap(({ event, at, undone }) =>
    event.type === 'stirred' && !undone ? [at] : [],
  );
  if (stirs.length === 0) return undefined;
  const from = sugarInAt ?? startedAt;
  const marks = [from, ...stirs.filter((at) => at > from && at < endedAt), endedAt];
  const gaps = marks.slice(1).map((at, i) => at - (marks[i] ?? at));
  return Math.max(...gaps) / MINUTE_MS;
}

function heatedUpLateOf({ flameTurned, endedAt }: Boil): boolean | undefined {
  if (endedAt === undefined || flameTurned.length === 0) return undefined;
  return flameTurned.some(
    ({ at, turned }) => turned === 'up' && endedAt - at <= LATE_MIN * MINUTE_MS,
  );
}

function panFillOf({ pan }: PotFormula, { pot_l }: Balance): number | undefined {
  return pan?.capacity_l === undefined ? undefined : pot_l.fill / pan.capacity_l;
}

const yieldShareOf = ({
  planned,
  actual,
}: {
  readonly planned: Range | undefined;
  readonly actual: number | undefined;
}): number | undefined =>
  planned === undefined || actual === undefined || planned.mid <= 0
    ? undefined
    : actual / planned.mid;

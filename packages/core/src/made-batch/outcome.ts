import { balance } from '../balance/index.js';
import {
  withPanAndBurner,
  readFormula,
  withoutPlace,
  type FormulaDocument,
  type Kitchen,
  type FinishType,
} from '../formula/index.js';
import type { Range } from '../range/index.js';
import { type Boil, SHOW_RESULTS } from '../boil-log/index.js';
import { isSettledUnsealed, sealsOf } from '../jarring/index.js';
import { volumeFilled_ml, volumePlanned_ml } from './volumes.js';
import { MINUTE_MS } from '../quantity/index.js';

/** What was expected of a batch and what came of it; undefined where it is not known. */
export interface BatchOutcome {
  /** Where to stop, and the last reading before the end, C. */
  readonly stop: { readonly planned_C: number | undefined; readonly actual_C: number | undefined };
  /**
   * Minutes at the boil with the sugar in; planned only where the log says when the sugar went in,
   * and never for a butter.
   */
  readonly boil: { readonly planned: Range | undefined; readonly actual: number | undefined };
  /** Millilitres of jars, to their headspace. */
  readonly yield_ml: { readonly planned: Range | undefined; readonly actual: number | undefined };
  /** Full jars, and how many of them sealed in the end or did not. */
  readonly seals: { readonly jars: number; readonly sealed: number; readonly failed: number };
  readonly tests: readonly {
    readonly at: number;
    readonly way: string;
    readonly verdict: string;
  }[];
  readonly notes: readonly { readonly at: number; readonly text: string }[];
  /**
   * The sheet of a show as it was last filled in, and the entries at shows, the best result first.
   */
  readonly judged: Boil['judged'];
  readonly shows: Boil['shows'];
  /** The last score after a jar was opened. */
  readonly score: { readonly set: number; readonly taste: number } | undefined;
}

/** Entries at shows, the best result first. */
export const byResult = (shows: Boil['shows']): Boil['shows'] =>
  shows.toSorted((a, b) => SHOW_RESULTS.indexOf(a.result) - SHOW_RESULTS.indexOf(b.result));

/** Finishes a thermometer decides; at the others it shows something too, but nobody stops by it. */
const STOPPED_AT_A_TEMPERATURE: ReadonlySet<FinishType> = new Set(['gel-temperature', 'curd']);

/** This near to boiling water the pot boils, K: its first bubbles are local. Common practice. */
export const AT_THE_BOIL_K = 0.5;

/** The kitchen as the log of a boil has it: its pan and burner, and where water boiled then. */
export function kitchenOfBoil({ panAndBurner, boilingPoint_C }: Boil, kitchen: Kitchen): Kitchen {
  const here = withPanAndBurner(kitchen, panAndBurner);
  return boilingPoint_C === undefined ? here : { ...here, boilingPoint_C };
}

/**
 * A batch's plan against what happened: the formula as it was written, in the kitchen as its log
 * has it, against the log.
 *
 * @param now milliseconds since 1970
 */
export function outcomeOf(
  document: FormulaDocument,
  boil: Boil,
  kitchen: Kitchen,
  now: number,
): BatchOutcome {
  const place = kitchenOfBoil(boil, kitchen);
  const { formula } = readFormula(withoutPlace(document), place);
  const planned = balance(formula);
  const { endedAt, readings, heat, jarred, boilingPoint_C, gelTemperature_C, sugarInAt } = boil;
  const last = endedAt === undefined ? undefined : readings.findLast(({ at }) => at <= endedAt);
  const boiled =
    boilingPoint_C === undefined
      ? undefined
      : readings.find((each) => each.temperature_C >= boilingPoint_C - AT_THE_BOIL_K)?.at;
  const began = boiled === undefined ? undefined : Math.max(boiled, sugarInAt ?? 0);
  const toldOfSugar = sugarInAt !== undefined && formula.kind !== 'fruit-butter';
  const onHeat = (from: number, to: number): number =>
    heat.reduce(
      (sum, span) => sum + Math.max(Math.min(span.to ?? to, to) - Math.max(span.from, from), 0),
      0,
    );
  const states = sealsOf(boil, now).sizes.flatMap(({ jars }) => jars.map(({ state }) => state));
  const told = boil.log.filter(({ undone }) => !undone);
  return {
    stop: {
      planned_C: STOPPED_AT_A_TEMPERATURE.has(formula.finish.type)
        ? (gelTemperature_C ?? planned?.finish.temperature_C?.mid)
        : undefined,
      actual_C: last?.temperature_C,
    },
    boil: {
      planned: toldOfSugar ? planned?.boilMinutes : undefined,
      actual:
        began === undefined || endedAt === undefined
          ? undefined
          : onHeat(began, endedAt) / MINUTE_MS,
    },
    yield_ml: {
      planned: volumePlanned_ml(formula, planned),
      actual: volumeFilled_ml(boil, formula),
    },
    seals: {
      jars: jarred.reduce((sum, { full }) => sum + full, 0),
      sealed: states.filter((state) => state === 'sealed').length,
      failed: states.filter((state) => state === 'open' || isSettledUnsealed(state)).length,
    },
    tests: told.flatMap(({ event, at }) => (event.type === 'test' ? [{ at, ...event.body }] : [])),
    notes: told.flatMap(({ event, at }) =>
      event.type === 'note' ? [{ at, text: event.body.text }] : [],
    ),
    judged: boil.judged,
    shows: byResult(boil.shows),
    score: boil.score,
  };
}

/** What was foretold of a thing, and what came; both in the unit of that thing. */
export interface ForecastResult {
  readonly planned: Range;
  readonly actual: number;
}

/** How right a number of foretellings were. */
export interface ForecastAccuracy {
  readonly count: number;
  /** How many came out within their range, which is meant to hold nine of ten. */
  readonly within: number;
  /**
   * By how much the middle one of them missed the middle of its range, as a share of it; 0 where
   * there is none.
   */
  readonly missed: number;
}

/** Forecast and actual, where both are known. */
export const forecastResult = ({
  planned,
  actual,
}: {
  readonly planned: Range | undefined;
  readonly actual: number | undefined;
}): ForecastResult | undefined =>
  planned === undefined || actual === undefined ? undefined : { planned, actual };

export const isWithin = ({ planned, actual }: ForecastResult): boolean =>
  actual >= planned.low && actual <= planned.high;

/** @param foretold with a middle above 0 */
export function forecastAccuracy(foretold: readonly ForecastResult[]): ForecastAccuracy {
  const missed = foretold
    .map(({ planned, actual }) => Math.abs(actual / planned.mid - 1))
    .sort((a, b) => a - b);
  const half = Math.floor(missed.length / 2);
  const middle =
    missed.length % 2 === 0
      ? ((missed[half - 1] ?? 0) + (missed[half] ?? 0)) / 2
      : (missed[half] ?? 0);
  return { count: foretold.length, within: foretold.filter(isWithin).length, missed: middle };
}

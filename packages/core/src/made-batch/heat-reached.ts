import type { Boil } from '../boil-log/index.js';
import type { Kind } from '../formula/index.js';
import { HOUR_MS, MINUTE_MS } from '../quantity/index.js';
import { firstFilledAt } from './statements.js';

/** Hottest a curd must have been at least: 170 F, C. National Center for Home Food Preservation, from memory. */
export const CURD_C = 76.6;
/** Filled hot: brought back to this where it stood or cooked cooler, C. Common practice. */
export const FILLED_HOT_C = 85;
/** This near to boiling water the pan boils, on a thermometer that lags, K. Common practice. */
const NEARLY_BOILING_K = 2;
/** The same where the maker saw the full rolling boil and timed it, K: a probe lags a quick boil. */
const SEEN_BOILING_K = 4;
/** A reading this long before the end still tells of it, ms. A choice of ours. */
const STILL_TELLS_MS = 10 * MINUTE_MS;
/** Filled this long after the heat it is still hot, ms. docs/safety.md, rule 9. */
const STILL_HOT_MS = HOUR_MS;

/** Whether a batch was as hot as its kind must be before it was filled. */
export type HeatReached =
  | { readonly answer: 'yes' }
  /** Nothing tells; the person is asked once. */
  | { readonly answer: 'unknown' }
  | { readonly answer: 'no'; readonly why: string };

const YES: HeatReached = { answer: 'yes' };
const UNKNOWN: HeatReached = { answer: 'unknown' };

const SEA_LEVEL_C = 100;

/** Temperature a kind must have reached on this thermometer, C. */
function neededFor(kind: Kind, { boilingPoint_C = SEA_LEVEL_C, minute }: Boil): number {
  if (kind === 'curd') return CURD_C;
  if (kind === 'fruit-butter') return FILLED_HOT_C;
  return boilingPoint_C - (minute ? SEEN_BOILING_K : NEARLY_BOILING_K);
}

/** What the readings tell of the heat; unknown where there are none that reach to the end. */
function byReadings(boil: Boil, kind: Kind, end: number): HeatReached {
  const readings = boil.readings.filter(({ at }) => at <= end);
  const last = readings.at(-1);
  if (!last) return boil.minute && kind !== 'curd' ? YES : UNKNOWN;
  const needed_C = neededFor(kind, boil);
  const hottest_C = Math.max(...readings.map(({ temperature_C }) => temperature_C));
  if (hottest_C >= needed_C) return YES;
  // A butter cooks cooler and is brought back to heat before it is filled.
  if (kind === 'fruit-butter') return UNKNOWN;
  if (end - last.at > STILL_TELLS_MS) return UNKNOWN;
  const word = kind === 'curd' ? 'thickened safely' : 'at a boil';
  return {
    answer: 'no',
    why: `by its readings it reached ${hottest_C.toFixed(1)} °C and not the ${needed_C.toFixed(1)} °C at which it is ${word}`,
  };
}

/**
 * Whether a batch was brought to the heat its kind must reach (a curd 170 F, a butter 85 C, else a
 * boil) and filled hot, by its readings or, where they do not tell, by what was stated.
 */
export function heatReached(boil: Boil, kind: Kind): HeatReached {
  const filledAt = firstFilledAt(boil);
  const end = boil.endedAt ?? filledAt ?? Infinity;
  const told = byReadings(boil, kind, end);
  if (told.answer === 'no') return told;
  if (boil.heatStated && !boil.heatStated.reached)
    return { answer: 'no', why: 'it was not brought to that heat, as you stated' };
  // Brought back to heat after it stood: readings after the end are of the log alone.
  const lastHot = boil.log.findLast(
    ({ event, at, undone }) =>
      !undone &&
      event.type === 'reading' &&
      event.body.temperature_C >= FILLED_HOT_C &&
      (filledAt === undefined || at <= filledAt),
  )?.at;
  const stood_ms =
    filledAt === undefined
      ? 0
      : filledAt - Math.max(boil.endedAt ?? filledAt, lastHot ?? -Infinity);
  const isStillHot = kind === 'curd' || stood_ms <= STILL_HOT_MS;
  const isHotAgain = kind === 'fruit-butter' && lastHot !== undefined;
  if ((told.answer === 'yes' || isHotAgain) && isStillHot) return YES;
  return boil.heatStated ? YES : UNKNOWN;
}

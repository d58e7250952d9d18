import type { Range } from '../range/index.js';
import { readNumber, type Decimal } from './number.js';
import { DAY_MIN, HOUR_MIN } from './time.js';

/** Units of a length of time as people write them, with their minutes. The longer words first. */
const UNITS: readonly (readonly [RegExp, number])[] = [
  [/^\s*(?:minutes?|mins?|m|')(?![a-z])\.?/i, 1],
  [/^\s*(?:hours?|hrs?|h)(?![a-z])\.?/i, HOUR_MIN],
  [/^\s*(?:days?|d)(?![a-z])\.?/i, DAY_MIN],
];

/** A night on the counter or in a slow cooker, minutes. Common practice. */
const OVERNIGHT_MIN: Range = { low: 8 * HOUR_MIN, mid: 10 * HOUR_MIN, high: 12 * HOUR_MIN };

/** A length of time and what follows it. */
export interface WrittenDuration {
  readonly minutes: Range;
  readonly rest: string;
}

/**
 * A length of time at the start of a text: "10 h", "45 min", "8-10 hours", "2 h 30 min", "half an hour",
 * "overnight".
 *
 * @returns undefined where the text does not begin with one
 */
export function readDuration(text: string, decimal: Decimal = '.'): WrittenDuration | undefined {
  const trimmed = text.trimStart();
  const night = /^over ?night\b|^all night\b/i.exec(trimmed);
  if (night) return { minutes: OVERNIGHT_MIN, rest: trimmed.slice(night[0].length) };
  const halfHour = /^(?:(?:an?|one)\s+)?half[\s-]+(?:an?\s+)?hour\b/i.exec(trimmed);
  if (halfHour) return { minutes: between(30, 30), rest: trimmed.slice(halfHour[0].length) };
  const number = readNumber(
    trimmed.replace(/^(?:about|around|some|another|roughly)\s+/i, ''),
    decimal,
  );
  if (!number) return undefined;
  const unit = UNITS.find(([word]) => word.test(number.rest));
  if (!unit) return undefined;
  const [word, minutes] = unit;
  const rest = number.rest.replace(word, '');
  // "2 h 30 min": what follows is a smaller unit of the same time.
  const more =
    minutes > 1 && /^\s*(?:and\s+)?\d/.test(rest)
      ? readDuration(rest.replace(/^\s*and\s+/, ''), decimal)
      : undefined;
  const added = more && more.minutes.mid < minutes ? more : undefined;
  const extra = added?.minutes.mid ?? 0;
  return {
    minutes: between(number.least * minutes + extra, number.most * minutes + extra),
    rest: added ? added.rest : rest,
  };
}

/** "8-10 h" is taken as its ends; one number is meant as it is. */
const between = (least: number, most: number): Range => ({
  low: least,
  mid: (least + most) / 2,
  high: most,
});

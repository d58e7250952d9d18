import { celsius, fahrenheit, DAY_MS, HOUR_MS, MINUTE_MS, SECOND_MS } from '../quantity/index.js';

export interface LoggedReading {
  readonly id: string;
  /** Milliseconds since 1970. */
  readonly at: number;
  readonly temperature_C: number;
  /** Id of the instrument it came from; undefined when a hand typed it. */
  readonly instrument: string | undefined;
  /** Milliseconds since 1970 by the server's clock when an instrument sent it. */
  readonly heardAt: number | undefined;
}

/** A reading that stays in the log but is not used, and why. */
export interface RejectedReading extends LoggedReading {
  readonly reason: string;
}

/** What is known of a boil when its readings are filtered. Times in milliseconds since 1970. */
export interface BoilContext {
  readonly startedAt: number | undefined;
  readonly endedAt: number | undefined;
  /** When something was done that cools the pan at once: an addition, off the heat. */
  readonly cooledAt: readonly number[];
  /** The batch's clock is not the kitchen's. */
  readonly simulated: boolean;
}

/**
 * A pan of spread is between freezing and toffee; anything else is a slip of the finger or of the
 * unit. Celsius; common practice.
 */
const PLAUSIBLE_C = { least: 0, most: 130 } as const;
/** Up to here a reading past toffee may have been meant in Fahrenheit: 130 C is 266 F. */
const MOST_FAHRENHEIT = fahrenheit(PLAUSIBLE_C.most);
/** An instrument's clock may be this far ahead of the server's. A choice of ours. */
const CLOCK_AHEAD_MS = 2 * MINUTE_MS;
/** Readings from before this are of another pan. A choice of ours. */
const BEFORE_START_MS = 6 * HOUR_MS;
/** A pan that is done may be measured a little longer. A choice of ours. */
const AFTER_END_MS = 15 * MINUTE_MS;
/** A full pan changes by no more than this in {@link MOMENT_MS}, K. Common practice. */
const JUMP_K = 8;
const MOMENT_MS = 3 * MINUTE_MS;
/** A value meant in the other unit is this near to the reading before it, K. Common practice. */
const OTHER_UNIT_WITHIN_K = 6;

function inWords(span_ms: number): string {
  if (span_ms < 2 * HOUR_MS) return `${Math.round(span_ms / MINUTE_MS)} min`;
  if (span_ms < 2 * DAY_MS) return `${Math.round(span_ms / HOUR_MS)} h`;
  return `${Math.round(span_ms / DAY_MS)} days`;
}

/** One way in which a reading cannot be of this pan: the reason in words, or undefined. */
type RejectionRule = (
  reading: LoggedReading,
  before: LoggedReading | undefined,
  context: BoilContext,
) => string | undefined;

const implausibleTemperature: RejectionRule = ({ temperature_C }) => {
  const shown = `${temperature_C.toFixed(0)} °C`;
  if (temperature_C > PLAUSIBLE_C.most && temperature_C <= MOST_FAHRENHEIT)
    return `${shown} is past toffee; was it °F (${celsius(temperature_C).toFixed(1)} °C)?`;
  return temperature_C < PLAUSIBLE_C.least || temperature_C > PLAUSIBLE_C.most
    ? `${shown} is not a temperature a pan of fruit has`
    : undefined;
};

const instrumentClockAhead: RejectionRule = ({ at, heardAt }, _, { simulated }) =>
  !simulated && heardAt !== undefined && at - heardAt > CLOCK_AHEAD_MS
    ? `it is stamped ${inWords(at - heardAt)} after it was sent: is the clock of the instrument set?`
    : undefined;

const longBeforeTheHeat: RejectionRule = ({ at }, _, { startedAt }) =>
  startedAt !== undefined && startedAt - at > BEFORE_START_MS
    ? `it is from ${inWords(startedAt - at)} before this pan went on the heat`
    : undefined;

const longAfterTheEnd: RejectionRule = ({ at }, _, { endedAt }) =>
  endedAt !== undefined && at - endedAt > AFTER_END_MS
    ? `it is from ${inWords(at - endedAt)} after this pan was done`
    : undefined;

/** Whether a reading differs from the one just before it by more than a full pan can change. */
const jumped = (
  { at, temperature_C }: LoggedReading,
  before: LoggedReading | undefined,
): before is LoggedReading =>
  before !== undefined &&
  at - before.at <= MOMENT_MS &&
  Math.abs(temperature_C - before.temperature_C) > JUMP_K;

/** Typed in the other unit: 101 on a Fahrenheit bench, or 68 for a Celsius one that shows 20. */
const typedInOtherUnit: RejectionRule = (reading, before) => {
  if (reading.instrument !== undefined || !jumped(reading, before)) return undefined;
  const { temperature_C } = reading;
  const [inF, inC] = [fahrenheit(temperature_C), celsius(temperature_C)];
  const typed = `${temperature_C.toFixed(1)} °C right after ${before.temperature_C.toFixed(1)} °C`;
  if (Math.abs(inF - before.temperature_C) <= OTHER_UNIT_WITHIN_K)
    return `${typed}: did you mean ${inF.toFixed(0)} °C?`;
  return Math.abs(inC - before.temperature_C) <= OTHER_UNIT_WITHIN_K
    ? `${typed}: did you mean ${temperature_C.toFixed(0)} °F (${inC.toFixed(1)} °C)?`
    : undefined;
};

/** A probe that slipped out, or was rinsed: unless the pan itself was cooled. */
const probeOutOfThePan: RejectionRule = (reading, before, { cooledAt }) => {
  const { at, temperature_C, instrument } = reading;
  if (instrument === undefined || !jumped(reading, before)) return undefined;
  const rose = temperature_C > before.temperature_C;
  const cooled = cooledAt.some((each) => each <= at && at - each < MOMENT_MS);
  if (rose || instrument !== before.instrument || cooled) return undefined;
  return `it fell from ${before.temperature_C.toFixed(0)} to ${temperature_C.toFixed(0)} °C in ${Math.round((at - before.at) / SECOND_MS)} s: is the tip out of the pan?`;
};

/** The first that applies gives the reason. */
const REJECTION_RULES: readonly RejectionRule[] = [
  implausibleTemperature,
  instrumentClockAhead,
  longBeforeTheHeat,
  longAfterTheEnd,
  typedInOtherUnit,
  probeOutOfThePan,
];

/**
 * Readings that can be of this pan, and those that cannot, each with its reason. Nothing is thrown
 * away. Limits are common practice, no source.
 *
 * @param all every reading, by time
 */
export function filterReadings(
  all: readonly LoggedReading[],
  context: BoilContext,
): { readonly readings: LoggedReading[]; readonly rejectedReadings: RejectedReading[] } {
  const readings: LoggedReading[] = [];
  const rejectedReadings: RejectedReading[] = [];
  for (const reading of all) {
    const reason = rejectionOf(reading, readings.at(-1), context);
    if (reason === undefined) readings.push(reading);
    else rejectedReadings.push({ ...reading, reason });
  }
  return { readings, rejectedReadings };
}

function rejectionOf(...given: Parameters<RejectionRule>): string | undefined {
  for (const rule of REJECTION_RULES) {
    const reason = rule(...given);
    if (reason !== undefined) return reason;
  }
  return undefined;
}

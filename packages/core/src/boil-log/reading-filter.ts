import { celsius, fahrenheit } from '../quantity/index.js';

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

/** A reading that is kept but not used, and why. */
export interface RejectedReading extends LoggedReading {
  readonly reason: string;
}

/**
 * What is known of a boil when its readings are looked through. Times in milliseconds since 1970.
 */
export interface BoilContext {
  readonly startedAt: number | undefined;
  readonly endedAt: number | undefined;
  /** When something was done that cools the pot at once: an addition, off the heat. */
  readonly disturbed: readonly number[];
  /** The batch's clock is not the kitchen's. */
  readonly simulated: boolean;
}

const SECOND_MS = 1000;
const MINUTE_MS = 60 * SECOND_MS;
const HOUR_MS = 60 * MINUTE_MS;
/**
 * A pot of spread is between freezing and toffee; anything else is a slip of the finger or of the
 * unit.
 */
const BELIEVABLE_C = { least: 0, most: 130 } as const;
/** An instrument's clock may be this far ahead of the server's. */
const AHEAD_MS = 2 * MINUTE_MS;
/** Readings from before this are of another pot. */
const BEFORE_MS = 6 * HOUR_MS;
/** A pot that is done may be looked at a little longer. */
const AFTER_MS = 15 * MINUTE_MS;
/** A full pot changes by no more than this in a moment, unless something was done to it, K. */
const JUMP_K = 8;
const MOMENT_MS = 3 * MINUTE_MS;
/** The other unit fits the reading before within this, K. */
const FITS_K = 6;

const ago = (ms: number): string =>
  ms < 2 * HOUR_MS
    ? `${Math.round(ms / MINUTE_MS)} min`
    : ms < 48 * HOUR_MS
      ? `${Math.round(ms / HOUR_MS)} h`
      : `${Math.round(ms / (24 * HOUR_MS))} days`;

/**
 * Readings that can be of this pot, and those that cannot, each with its reason. Nothing is thrown
 * away. Limits are common practice, no source.
 *
 * @param observations by time
 */
export function filterReadings(
  observations: readonly LoggedReading[],
  around: BoilContext,
): { readonly readings: LoggedReading[]; readonly rejectedReadings: RejectedReading[] } {
  const readings: LoggedReading[] = [];
  const rejectedReadings: RejectedReading[] = [];
  for (const observation of observations) {
    const reason = whySetApart(observation, readings.at(-1), around);
    if (reason === undefined) readings.push(observation);
    else rejectedReadings.push({ ...observation, reason });
  }
  return { readings, rejectedReadings };
}

function whySetApart(
  { at, temperature_C, instrument, heardAt }: LoggedReading,
  before: LoggedReading | undefined,
  { startedAt, endedAt, disturbed, simulated }: BoilContext,
): string | undefined {
  const told = `${temperature_C.toFixed(0)} °C`;
  if (temperature_C < BELIEVABLE_C.least || temperature_C > BELIEVABLE_C.most)
    return temperature_C > BELIEVABLE_C.most && temperature_C <= 266
      ? `${told} is past toffee; was it °F (${celsius(temperature_C).toFixed(1)} °C)?`
      : `${told} is not a temperature a pot of fruit has`;
  if (!simulated && heardAt !== undefined && at - heardAt > AHEAD_MS)
    return `it is stamped ${ago(at - heardAt)} after it was sent: is the clock of the instrument set?`;
  if (startedAt !== undefined && startedAt - at > BEFORE_MS)
    return `it is from ${ago(startedAt - at)} before this pot went on the heat`;
  if (endedAt !== undefined && at - endedAt > AFTER_MS)
    return `it is from ${ago(at - endedAt)} after this pot was done`;
  if (!before || at - before.at > MOMENT_MS) return undefined;
  const jump = temperature_C - before.temperature_C;
  if (Math.abs(jump) <= JUMP_K) return undefined;
  if (instrument === undefined) {
    // Typed in the other unit: 101 on a Fahrenheit bench, or 68 for a Celsius one that shows 20.
    const [asF, asC] = [fahrenheit(temperature_C), celsius(temperature_C)];
    if (Math.abs(asF - before.temperature_C) <= FITS_K)
      return `${temperature_C.toFixed(1)} °C right after ${before.temperature_C.toFixed(1)} °C: did you mean ${asF.toFixed(0)} °C?`;
    if (Math.abs(asC - before.temperature_C) <= FITS_K)
      return `${temperature_C.toFixed(1)} °C right after ${before.temperature_C.toFixed(1)} °C: did you mean ${temperature_C.toFixed(0)} °F (${asC.toFixed(1)} °C)?`;
    return undefined;
  }
  // A probe that slipped out, or was rinsed: unless the pot itself was cooled.
  if (
    jump > 0 ||
    instrument !== before.instrument ||
    disturbed.some((each) => each <= at && at - each < MOMENT_MS)
  )
    return undefined;
  return `it fell from ${before.temperature_C.toFixed(0)} to ${told} in ${Math.round((at - before.at) / SECOND_MS)} s: is the tip out of the pot?`;
}

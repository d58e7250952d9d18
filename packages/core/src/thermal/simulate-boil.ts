import { HOUR_S } from '../quantity/index.js';
import { seeded, type Random } from '../random/index.js';
import {
  advance,
  massOfPot,
  shortOfBoil_K,
  solidsOf,
  type PanModel,
  type PotState,
} from './heat-balance.js';

/** How the instruments of a simulated boil err. */
export interface Instruments {
  /** Normal noise of one reading, K. */
  readonly noise_K: number;
  readonly offset_K: number;
  readonly drift_KPerH: number;
  readonly scaleNoise_kg: number;
  readonly brixNoise_percent: number;
  /** The thermometer follows the pot with this time constant, s; 0 unless given. */
  readonly lag_s?: number;
  /** Share of whole minutes in which nothing is said, 0 to 1; 0 unless given. */
  readonly dropouts?: number;
}

/** Something done to the pot, in place. */
export interface Change {
  readonly time_s: number;
  readonly make: (state: PotState) => void;
}

export const GOOD_INSTRUMENTS: Instruments = {
  noise_K: 0.1,
  offset_K: 0,
  drift_KPerH: 0,
  scaleNoise_kg: 0.005,
  brixNoise_percent: 0.3,
};

export interface SimulateOptions {
  /** Heat into the pot, W, by time in seconds. */
  readonly net_W: (time_s: number) => number;
  /** Standard deviation of a slow wander of the heat, share of it. */
  readonly fluctuation?: number;
  readonly instruments?: Instruments;
  readonly changes?: readonly Change[];
  readonly seed: number;
  readonly readEvery_s: number;
  readonly step_s?: number;
  /** Longest boil followed, s. */
  readonly most_s?: number;
  /** Ends when it is done. */
  readonly until?: (state: Readonly<PotState>, time_s: number) => boolean;
}

export interface SimulatedReading {
  readonly time_s: number;
  readonly temperature_C: number;
  readonly mass_kg: number;
  readonly solidsPercent: number;
  /** What was so, without the instruments. */
  readonly trueTemperature_C: number;
  readonly trueMass_kg: number;
  readonly boiling: boolean;
}

export interface Simulation {
  readonly readings: readonly SimulatedReading[];
  readonly end_s: number;
  readonly finished: boolean;
  /** First second on the boil, or undefined. */
  readonly boilFrom_s: number | undefined;
  readonly state: PotState;
}

/** Instruments that fall silent do so for a whole minute, s. A guess. */
const SILENT_S = 60;
/** The wander of a flame forgets itself in about this time, s. */
const WANDER_S = 60;

/** A slow wander about 0 with standard deviation 1, a value a step. */
function wanderOf(random: Random, step_s: number): () => number {
  const keep = Math.exp(-step_s / WANDER_S);
  const stir = Math.sqrt(1 - keep * keep);
  let wander = 0;
  return () => (wander = wander * keep + random.normal() * stir);
}

/** A thermometer that follows the pan with its time constant, a temperature a step. */
function laggingThermometer(
  lag_s: number,
  step_s: number,
  start_C: number,
): (temperature_C: number) => number {
  if (lag_s <= 0) return (temperature_C) => temperature_C;
  const follow = 1 - Math.exp(-step_s / lag_s);
  let shown_C = start_C;
  return (temperature_C) => (shown_C += (temperature_C - shown_C) * follow);
}

/** Whether the instruments say nothing at a time; decided anew for every minute. */
function silence(random: Random, dropouts: number): (time_s: number) => boolean {
  let minute = -1;
  let silent = false;
  return (time_s) => {
    // A number is drawn for every reading, so that a boil does not depend on the minutes.
    const drawn = dropouts > 0 ? random.uniform() : 1;
    if (Math.floor(time_s / SILENT_S) === minute) return silent;
    minute = Math.floor(time_s / SILENT_S);
    silent = drawn < dropouts;
    return silent;
  };
}

/** What the instruments say of a pan. */
function readPan(
  state: Readonly<PotState>,
  time_s: number,
  shown_C: number,
  boiling: boolean,
  { offset_K, drift_KPerH, noise_K, scaleNoise_kg, brixNoise_percent }: Instruments,
  random: Random,
): SimulatedReading {
  const drift_K = (drift_KPerH * time_s) / HOUR_S;
  return {
    time_s,
    temperature_C: shown_C + offset_K + drift_K + random.normal() * noise_K,
    mass_kg: massOfPot(state) + random.normal() * scaleNoise_kg,
    solidsPercent: solidsOf(state) * 100 + random.normal() * brixNoise_percent,
    trueTemperature_C: state.temperature_C,
    trueMass_kg: massOfPot(state),
    boiling,
  };
}

/**
 * Follows a pan on the heat in steps, with a heat that wanders and instruments that err, the same
 * for the same seed.
 *
 * @param pan the same all the time, or by time in seconds where a lid is laid on or off
 * @param options `step_s` is 1 unless given; Euler's method, since a pan changes by less than a
 * hundredth in a step
 */
export function simulateBoil(
  start: PotState,
  pan: PanModel | ((time_s: number) => PanModel),
  {
    net_W,
    fluctuation = 0,
    instruments = GOOD_INSTRUMENTS,
    changes: unordered = [],
    seed,
    readEvery_s,
    step_s = 1,
    most_s = 3 * HOUR_S,
    until,
  }: SimulateOptions,
): Simulation {
  const panAt = typeof pan === 'function' ? pan : () => pan;
  const changes = unordered.toSorted((a, b) => a.time_s - b.time_s);
  const random = seeded(seed);
  const state = { ...start };
  const readings: SimulatedReading[] = [];
  const wander = fluctuation > 0 ? wanderOf(random, step_s) : () => 0;
  const thermometer = laggingThermometer(instruments.lag_s ?? 0, step_s, start.temperature_C);
  const isSilent = silence(random, instruments.dropouts ?? 0);
  let boilFrom_s: number | undefined;
  let finished = false;
  let time = 0;
  let nextReading = 0;
  let made = 0;
  for (; time <= most_s; time += step_s) {
    for (let next = changes[made]; next && next.time_s <= time; next = changes[++made])
      next.make(state);
    const here = panAt(time);
    const shown_C = thermometer(state.temperature_C);
    const heat = net_W(time) * (1 + fluctuation * wander());
    const boiling = heat > 0 && shortOfBoil_K(state, here) <= 0;
    if (boiling) boilFrom_s ??= time;
    if (time >= nextReading - 1e-9) {
      const reading = readPan(state, time, shown_C, boiling, instruments, random);
      if (!isSilent(time)) readings.push(reading);
      nextReading += readEvery_s;
    }
    if (until?.(state, time)) {
      finished = true;
      break;
    }
    advance(state, heat, here, step_s);
  }
  return { readings, end_s: time, finished, boilFrom_s, state };
}

import { seeded } from '../random/index.js';
import { advance, massOfPot, solidsOf, type PanModel, type PotState } from './heat-balance.js';

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

/**
 * Follows a pot on the heat in steps, with a heat that wanders and instruments that err, the same
 * for the same seed.
 *
 * @param kettle the same all the time, or by time in seconds where a lid is laid on or off
 * @param step_s 1 unless given; Euler's method, since a pot changes by less than a hundredth in a
 * step
 */
export function simulateBoil(
  start: PotState,
  kettle: PanModel | ((time_s: number) => PanModel),
  options: SimulateOptions,
): Simulation {
  const {
    net_W,
    fluctuation = 0,
    instruments = GOOD_INSTRUMENTS,
    seed,
    readEvery_s,
    step_s = 1,
    most_s = 3 * 3600,
    until,
  } = options;
  const { lag_s = 0, dropouts = 0 } = instruments;
  const kettleAt = typeof kettle === 'function' ? kettle : () => kettle;
  const changes = [...(options.changes ?? [])].sort((a, b) => a.time_s - b.time_s);
  const random = seeded(seed);
  const state = { ...start };
  const readings: SimulatedReading[] = [];
  const keep = Math.exp(-step_s / WANDER_S);
  const stir = Math.sqrt(1 - keep * keep);
  let wander = 0;
  let boilFrom: number | undefined;
  let finished = false;
  let time = 0;
  let nextReading = 0;
  let done = 0;
  let shown = state.temperature_C;
  let minute = -1;
  let silent = false;
  for (; time <= most_s; time += step_s) {
    for (let next = changes[done]; next && next.time_s <= time; next = changes[++done])
      next.make(state);
    const here = kettleAt(time);
    shown =
      lag_s > 0
        ? shown + (state.temperature_C - shown) * (1 - Math.exp(-step_s / lag_s))
        : state.temperature_C;
    if (fluctuation > 0) wander = wander * keep + random.normal() * stir;
    const heat = net_W(time) * (1 + fluctuation * wander);
    const boiling =
      heat > 0 && state.temperature_C >= here.curve.at(solidsOf(state), state.invertShare) - 0.05;
    if (boiling) boilFrom ??= time;
    if (time >= nextReading - 1e-9) {
      const reading = {
        time_s: time,
        temperature_C:
          shown +
          instruments.offset_K +
          (instruments.drift_KPerH * time) / 3600 +
          random.normal() * instruments.noise_K,
        mass_kg: massOfPot(state) + random.normal() * instruments.scaleNoise_kg,
        solidsPercent: solidsOf(state) * 100 + random.normal() * instruments.brixNoise_percent,
        trueTemperature_C: state.temperature_C,
        trueMass_kg: massOfPot(state),
        boiling,
      };
      const gone = dropouts > 0 ? random.uniform() : 1;
      if (Math.floor(time / SILENT_S) !== minute)
        [minute, silent] = [Math.floor(time / SILENT_S), gone < dropouts];
      if (!silent) readings.push(reading);
      nextReading += readEvery_s;
    }
    if (until?.(state, time)) {
      finished = true;
      break;
    }
    advance(state, heat, here, step_s);
  }
  return { readings, end_s: time, finished, boilFrom_s: boilFrom, state };
}

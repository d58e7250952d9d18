import { Z90, type Range } from '../range/index.js';
import {
  BoilingCurve,
  boilingCurve,
  advance,
  type AddedMidBoil,
  massOfPot,
  PAN_DIAMETER_M,
  putInto,
  solidsOf,
  type PanModel,
  type PotState,
} from '../thermal/index.js';
import { binObservations, type Bin, type Observation } from './observations.js';

/**
 * When the flame was changed; `share` of the heat before it if the cook knows, 0 for off the heat.
 */
export interface HeatChange {
  readonly time_s: number;
  readonly share?: number;
}

export type BoilTarget =
  /** On the thermometer in use. */
  | { readonly type: 'temperature'; readonly reading_C: number }
  | { readonly type: 'mass'; readonly mass_kg: number }
  | { readonly type: 'solids'; readonly percent: number }
  /** So many seconds after it comes to the full boil. */
  | { readonly type: 'boil'; readonly then_s: number };

export interface ForecastInput {
  /** The pot when the clock began. Its range of mass is how well the amounts are known. */
  readonly start: PotState;
  /** How warm the pot is at the start was read on the thermometer in use, and errs with it. */
  readonly startWasRead?: boolean;
  /** Doubt of the soluble solids at the start, share, 5-95 %. */
  readonly startDoubt: number;
  readonly pressure_kPa: number;
  readonly pH: number;
  readonly diameter_m?: number;
  /** What this kitchen's burner puts into the pot, W, from its past boils or a guess. */
  readonly net_W: Range;
  /** Error of the thermometer against the boiling water it was checked in, K. */
  readonly offset_K: Range;
  readonly observations: readonly Observation[];
  readonly heatChanges?: readonly HeatChange[];
  readonly added?: readonly AddedMidBoil[];
  readonly target: BoilTarget;
  readonly now_s: number;
  /** How far ahead the target is looked for, s; {@link MOST_AHEAD_S} unless given. */
  readonly mostAhead_s?: number;
}

/** Thermometers drift as they steam up, K an hour, standard deviation. A guess. */
const DRIFT_SD_K_PER_H = 0.6;
/** Vukov's rate is good to a factor of two: standard deviation of its logarithm. */
const INVERSION_SD = 0.42;
/**
 * Which curve of sucrose is right: 0 to 1, standard deviation about the middle. Handbooks lie
 * between the two.
 */
const CURVE_SD = 0.35;
/**
 * Vapour off the open surface before the boil: factor, standard deviation of its logarithm.
 * Draughts and lids; a guess.
 */
const SURFACE_SD = 0.35;
/**
 * A change of flame whose size is not known: factor, standard deviation of its logarithm. A guess.
 */
const CHANGE_SD = 0.5;
/** A pot this near its boiling point boils. */
const AT_BOIL_K = 0.05;
/** The pot changes by less than a hundredth in this, s. */
const STEP_S = 15;
export const MOST_AHEAD_S = 4 * 3600;

/** What is fitted, each with a normal prior of mean 0 and standard deviation 1 in its own unit. */
export const FITTED = [
  'solids',
  'power',
  'offset',
  'drift',
  'inversion',
  'curve',
  'surface',
] as const;

/** Follows the pot for one set of parameters and compares it with the observations. */
export class ForecastModel {
  private readonly kettleLow: PanModel;
  private readonly kettleHigh: PanModel;
  /**
   * Looks closer together than this are compared as one, with their mean and their count: twice a
   * step.
   */
  private readonly bins: readonly Bin[];

  constructor(
    private readonly input: ForecastInput,
    observations: readonly Observation[],
    private readonly changes: readonly HeatChange[],
  ) {
    const { pressure_kPa, pH, diameter_m = PAN_DIAMETER_M } = input;
    this.kettleLow = { curve: boilingCurve(pressure_kPa, 0), diameter_m, pH };
    this.kettleHigh = { curve: boilingCurve(pressure_kPa, 1), diameter_m, pH };
    this.bins = binObservations(observations);
  }

  power = (t: number): number => {
    const { low, mid, high } = this.input.net_W;
    return mid * Math.exp((t * Math.log(high / low)) / (2 * Z90));
  };
  offset = (t: number): number => {
    const { low, mid, high } = this.input.offset_K;
    return mid + (t * Math.max(high - low, 0.02)) / (2 * Z90);
  };
  startSolids = (t: number): number => {
    const solids = solidsOf(this.input.start);
    return Math.min(Math.max(solids * Math.exp((t * this.input.startDoubt) / Z90), 0.01), 0.85);
  };

  /** The fitted solids in the mass that was weighed in. */
  private begin(theta: Float64Array): PotState {
    const { start, startWasRead = false, offset_K } = this.input;
    const liquid = start.water + start.soluble;
    const soluble = this.startSolids(theta[0] ?? 0) * liquid;
    // More or fewer solids are the fruit's own or the sugar's in the same measure.
    const temperature_C =
      start.temperature_C - (startWasRead ? this.offset(theta[2] ?? 0) - offset_K.mid : 0);
    return { ...start, soluble, water: liquid - soluble, temperature_C };
  }

  private follow(
    theta: Float64Array,
    until_s: number,
    see: (time: number, state: PotState, reading: number, curve: BoilingCurve) => boolean,
  ): void {
    const { added = [] } = this.input;
    const state = this.begin(theta);
    const power = this.power(theta[1] ?? 0);
    const offset = this.offset(theta[2] ?? 0);
    const drift = ((theta[3] ?? 0) * DRIFT_SD_K_PER_H) / 3600;
    const faster = Math.exp((theta[4] ?? 0) * INVERSION_SD);
    const curve = Math.min(Math.max(0.5 + (theta[5] ?? 0) * CURVE_SD, -0.3), 1.3);
    const blended: PanModel = {
      ...this.kettleLow,
      diameter_m: this.kettleLow.diameter_m * Math.exp(((theta[6] ?? 0) * SURFACE_SD) / 2),
      curve: BoilingCurve.between(this.kettleLow.curve, this.kettleHigh.curve, curve),
    };
    let change = 0;
    let unknown = 0;
    let factor = 1;
    let put = 0;
    for (let time = 0; time <= until_s; time += STEP_S) {
      for (
        let next = this.changes[change];
        next && next.time_s <= time;
        next = this.changes[++change]
      ) {
        if (next.share !== undefined) factor = next.share;
        else factor *= Math.exp((theta[FITTED.length + unknown++] ?? 0) * CHANGE_SD);
      }
      for (let next = added[put]; next && next.time_s <= time; next = added[++put]) {
        putInto(state, next.water_kg, next.soluble_kg);
        if (next.cooledTo_C !== undefined) state.temperature_C = next.cooledTo_C;
      }
      if (!see(time, state, state.temperature_C + offset + drift * time, blended.curve)) return;
      advance(state, power * factor, blended, STEP_S, faster);
    }
  }

  residuals(theta: Float64Array): Float64Array {
    const { bins } = this;
    const values = new Float64Array(bins.length);
    const last = bins.at(-1)?.time_s;
    if (last === undefined) return values;
    let i = 0;
    let before = { time: 0, reading: 0, mass: 0, solids: 0 };
    this.follow(theta, last + STEP_S, (time, state, reading) => {
      const here = { time, reading, mass: massOfPot(state), solids: solidsOf(state) * 100 };
      for (let bin = bins[i]; bin && bin.time_s <= time; bin = bins[++i]) {
        const f = time === before.time ? 1 : (bin.time_s - before.time) / (time - before.time);
        const mix = (a: number, b: number): number => (i === 0 && time === 0 ? b : a + (b - a) * f);
        const model =
          bin.kind === 'temperature'
            ? mix(before.reading, here.reading)
            : bin.kind === 'mass'
              ? mix(before.mass, here.mass)
              : mix(before.solids, here.solids);
        const off = (model - bin.value) / bin.sd;
        // One wild reading must not steer: beyond three deviations it pulls no harder (Huber).
        const size = Math.abs(off);
        values[i] = size <= 3 ? off : Math.sign(off) * Math.sqrt(6 * size - 9);
      }
      before = here;
      return i < bins.length;
    });
    return values;
  }

  jacobian(theta: Float64Array, base: Float64Array): Float64Array[] {
    return Array.from(theta, (value, i) => {
      const moved = Float64Array.from(theta);
      moved[i] = value + 0.05;
      const there = this.residuals(moved);
      return there.map((r, k) => (r - (base[k] ?? 0)) / 0.05);
    });
  }

  timeToTarget(theta: Float64Array): number {
    const { target, now_s, mostAhead_s = MOST_AHEAD_S } = this.input;
    let before: { time: number; short: number } | undefined;
    let found = now_s + mostAhead_s;
    const shortOf = (state: PotState, reading: number, curve: BoilingCurve): number => {
      switch (target.type) {
        case 'temperature':
          return target.reading_C - reading;
        case 'mass':
          return massOfPot(state) - target.mass_kg;
        case 'solids':
          return target.percent - solidsOf(state) * 100;
        case 'boil':
          return curve.at(solidsOf(state), state.invertShare) - AT_BOIL_K - state.temperature_C;
      }
    };
    this.follow(theta, now_s + mostAhead_s, (time, state, reading, curve) => {
      const short = shortOf(state, reading, curve);
      if (short <= 0) {
        found =
          before && before.short > 0
            ? before.time + ((time - before.time) * before.short) / (before.short - short)
            : time;
        return false;
      }
      before = { time, short };
      return true;
    });
    return target.type === 'boil' ? found + target.then_s : found;
  }

  stateAt(theta: Float64Array, time_s: number): PotState {
    let last: PotState = this.begin(theta);
    this.follow(theta, Math.max(time_s, 0), (_, state) => {
      last = { ...state };
      return true;
    });
    return last;
  }

  path(theta: Float64Array, until_s: number): { time_s: number; reading_C: number }[] {
    const points: { time_s: number; reading_C: number }[] = [];
    const every = Math.max(Math.round(until_s / STEP_S / 120), 1) * STEP_S;
    this.follow(theta, until_s, (time_s, _, reading_C) => {
      if (time_s % every === 0) points.push({ time_s, reading_C });
      return true;
    });
    return points;
  }
}

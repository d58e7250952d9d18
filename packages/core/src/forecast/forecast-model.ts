import { HOUR_S } from '../quantity/index.js';
import { Z90, type Range } from '../range/index.js';
import {
  BoilingCurve,
  boilingCurve,
  advance,
  type AddedMidBoil,
  type Heating,
  massOfPot,
  PAN_DIAMETER_M,
  putInto,
  shortOfBoil_K,
  solidsOf,
  type PanModel,
  type PotState,
} from '../thermal/index.js';
import { binObservations, type Bin, type Observation } from './observations.js';

/** A change of the heat. */
export interface HeatChange {
  readonly time_s: number;
  /** Of the heat before it, if the cook knows: 0 for off the heat, 1 for on again. */
  readonly share?: number;
  /** It goes on at another place, or under another lid, from here. */
  readonly heating?: Heating;
}

export type BoilTarget =
  /** On the thermometer in use. */
  | { readonly type: 'temperature'; readonly reading_C: number }
  | { readonly type: 'mass'; readonly mass_kg: number }
  | { readonly type: 'solids'; readonly percent: number }
  /** So many seconds after it comes to the full boil. */
  | { readonly type: 'boil'; readonly then_s: number }
  /** By the clock of the boil, whatever is in the pan then. */
  | { readonly type: 'clock'; readonly time_s: number };

export interface ForecastInput {
  /** The pot when the clock began. Its range of mass is how well the amounts are known. */
  readonly start: PotState;
  /** How warm the pot is at the start was read on the thermometer in use, and errs with it. */
  readonly startWasRead?: boolean;
  /** Doubt of the soluble solids at the start, share, 5-95 %. */
  readonly startDoubt: number;
  readonly pressure_kPa: number;
  readonly pH: number;
  readonly pan?: Heating['pan'];
  /** What this kitchen's burner puts into the pot, W, from its past boils or a guess. */
  readonly net_W: Range;
  /** Error of the thermometer against the boiling water it was checked in, K. */
  readonly offset_K: Range;
  readonly observations: readonly Observation[];
  readonly heatChanges?: readonly HeatChange[];
  readonly added?: readonly AddedMidBoil[];
  readonly target: BoilTarget;
  readonly now_s: number;
  /** How far ahead the target is looked for, s; `MOST_AHEAD_S` unless given. */
  readonly mostAhead_s?: number;
  /** Step of the model, s: a pan at a fast boil changes by less than a hundredth in 15 s. */
  readonly step_s?: number;
  /** What will be in the pan then is wanted, s. */
  readonly lookAt_s?: readonly number[];
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
const STEP_S = 15;
export const MOST_AHEAD_S = 4 * HOUR_S;

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
export type Fitted = (typeof FITTED)[number];

/** Where each fitted parameter is in the vector; factors of unknown heat changes come after. */
export const indexOf = Object.fromEntries(FITTED.map((name, i) => [name, i])) as Readonly<
  Record<Fitted, number>
>;

/** The fitted parameters by name, each in standard deviations of its prior. */
type Deviations = Readonly<Record<Fitted, number>>;
const byName = (parameters: Float64Array): Deviations =>
  Object.fromEntries(FITTED.map((name, i) => [name, parameters[i] ?? 0])) as Record<Fitted, number>;

/** A curve of sucrose may lie a little beyond either of the two that are known. A choice of ours. */
const CURVE_LIMITS = { least: -0.3, most: 1.3 } as const;
/** Solids a pan may begin with, mass fraction. */
const START_SOLIDS_LIMITS = { least: 0.01, most: 0.85 } as const;
/** A thermometer is never surer than this, K, width of its range. */
const LEAST_OFFSET_RANGE_K = 0.02;
/**
 * One wild reading must not steer: beyond this many deviations it pulls no harder (Huber 1964).
 */
const HUBER = 3;
/** The jacobian is taken over this, in deviations of a parameter. */
const JACOBIAN_STEP = 0.05;
/** The drawn curve has about so many points. */
const PATH_POINTS = 120;

/** Follows the pan for one set of parameters and compares it with the observations. */
export class ForecastModel {
  private readonly curves: { readonly low: BoilingCurve; readonly high: BoilingCurve };
  private readonly step_s: number;
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
    const { pressure_kPa, step_s = STEP_S } = input;
    this.curves = { low: boilingCurve(pressure_kPa, 0), high: boilingCurve(pressure_kPa, 1) };
    this.step_s = step_s;
    this.bins = binObservations(observations);
  }

  /** Heat into the pan, W, so many deviations from its prior. */
  readonly power = (t: number): number => heatAt_W(this.input.net_W, t);
  /** Error of the thermometer, K, so many deviations from its prior. */
  readonly offset = (t: number): number => {
    const { low, mid, high } = this.input.offset_K;
    return mid + (t * Math.max(high - low, LEAST_OFFSET_RANGE_K)) / (2 * Z90);
  };
  /** Soluble solids at the start, mass fraction, so many deviations from its prior. */
  readonly startSolids = (t: number): number => {
    const solids = solidsOf(this.input.start);
    return Math.min(
      Math.max(solids * Math.exp((t * this.input.startDoubt) / Z90), START_SOLIDS_LIMITS.least),
      START_SOLIDS_LIMITS.most,
    );
  };

  /** The fitted solids in the mass that was weighed in. */
  private begin({ solids, offset }: Deviations): PotState {
    const { start, startWasRead = false, offset_K } = this.input;
    const liquid = start.water + start.soluble;
    const soluble = this.startSolids(solids) * liquid;
    // More or fewer solids are the fruit's own or the sugar's in the same measure.
    const temperature_C =
      start.temperature_C - (startWasRead ? this.offset(offset) - offset_K.mid : 0);
    return { ...start, soluble, water: liquid - soluble, temperature_C };
  }

  /** The pan of a place, with its surface and its boiling curve between the two known ones. */
  private panAt({ diameter_m, gentle }: Heating['pan'], { curve, surface }: Deviations): PanModel {
    const share = Math.min(Math.max(0.5 + curve * CURVE_SD, CURVE_LIMITS.least), CURVE_LIMITS.most);
    return {
      pH: this.input.pH,
      // A factor on the area is its root on the diameter.
      diameter_m: diameter_m * Math.exp((surface * SURFACE_SD) / 2),
      curve: BoilingCurve.between(this.curves.low, this.curves.high, share),
      ...(gentle && { gentle }),
    };
  }

  /** Follows the pan second by second, until `see` says that it has seen enough. */
  private follow(
    parameters: Float64Array,
    until_s: number,
    see: (time: number, state: PotState, reading: number, pan: PanModel) => boolean,
  ): void {
    const { added = [], pan: firstPan = { diameter_m: PAN_DIAMETER_M } } = this.input;
    const { step_s } = this;
    const deviations = byName(parameters);
    const state = this.begin(deviations);
    let power = this.power(deviations.power);
    const offset = this.offset(deviations.offset);
    const drift_KPerS = (deviations.drift * DRIFT_SD_K_PER_H) / HOUR_S;
    const inversion = Math.exp(deviations.inversion * INVERSION_SD);
    let pan = this.panAt(firstPan, deviations);
    let change = 0;
    let unknown = 0;
    let factor = 1;
    let put = 0;
    for (let time = 0; time <= until_s; time += step_s) {
      for (
        let next = this.changes[change];
        next && next.time_s <= time;
        next = this.changes[++change]
      ) {
        if (next.share !== undefined) {
          factor = next.share;
          continue;
        }
        const deviation = parameters[FITTED.length + unknown++] ?? 0;
        if (next.heating) {
          power = heatAt_W(next.heating.heat_W, deviation);
          pan = this.panAt(next.heating.pan, deviations);
          factor = Math.min(factor, 1);
        } else factor *= Math.exp(deviation * CHANGE_SD);
      }
      for (let next = added[put]; next && next.time_s <= time; next = added[++put]) {
        putInto(state, next.water_kg, next.soluble_kg, next.temperature_C);
        if (next.cooledTo_C !== undefined) state.temperature_C = next.cooledTo_C;
      }
      if (!see(time, state, state.temperature_C + offset + drift_KPerS * time, pan)) return;
      advance(state, power * factor, pan, step_s, inversion);
    }
  }

  /** What is left of each observation, in its standard deviations. */
  readonly residuals = (parameters: Float64Array): Float64Array => {
    const { bins } = this;
    const values = new Float64Array(bins.length);
    const last = bins.at(-1)?.time_s;
    if (last === undefined) return values;
    let i = 0;
    let before = { time: 0, temperature: 0, mass: 0, solids: 0 };
    this.follow(parameters, last + this.step_s, (time, state, reading) => {
      const here = {
        time,
        temperature: reading,
        mass: massOfPot(state),
        solids: solidsOf(state) * 100,
      };
      for (let bin = bins[i]; bin && bin.time_s <= time; bin = bins[++i]) {
        const f = time === before.time ? 1 : (bin.time_s - before.time) / (time - before.time);
        const mix = (a: number, b: number): number => (i === 0 && time === 0 ? b : a + (b - a) * f);
        const off = (mix(before[bin.kind], here[bin.kind]) - bin.value) / bin.sd;
        values[i] = huber(off);
      }
      before = here;
      return i < bins.length;
    });
    return values;
  };

  /** How each parameter moves the residuals `base`: a column a parameter. */
  readonly jacobian = (parameters: Float64Array, base: Float64Array): Float64Array[] => {
    return Array.from(parameters, (value, i) => {
      const moved = Float64Array.from(parameters);
      moved[i] = value + JACOBIAN_STEP;
      const there = this.residuals(moved);
      return there.map((r, k) => (r - (base[k] ?? 0)) / JACOBIAN_STEP);
    });
  };

  /** When the target is reached, s; at the latest when the model looks no further. */
  timeToTarget(parameters: Float64Array): number {
    const { target, now_s, mostAhead_s = MOST_AHEAD_S } = this.input;
    let before: { time: number; short: number } | undefined;
    let found = now_s + mostAhead_s;
    this.follow(parameters, now_s + mostAhead_s, (time, state, reading, pan) => {
      const short = shortOf(target, state, reading, pan, time);
      if (short > 0) {
        before = { time, short };
        return true;
      }
      found =
        before && before.short > 0
          ? before.time + ((time - before.time) * before.short) / (before.short - short)
          : time;
      return false;
    });
    return target.type === 'boil' ? found + target.then_s : found;
  }

  /** The pan at a time, s. */
  stateAt(parameters: Float64Array, time_s: number): PotState {
    let last: PotState = this.begin(byName(parameters));
    this.follow(parameters, Math.max(time_s, 0), (_, state) => {
      last = { ...state };
      return true;
    });
    return last;
  }

  /** What thermometer and scale show from the start to `until_s`, for a curve to draw. */
  path(parameters: Float64Array, until_s: number): PathPoint[] {
    const points: PathPoint[] = [];
    const every = Math.max(Math.round(until_s / this.step_s / PATH_POINTS), 1) * this.step_s;
    this.follow(parameters, until_s, (time_s, state, reading_C) => {
      if (time_s % every === 0) points.push({ time_s, reading_C, mass_kg: massOfPot(state) });
      return true;
    });
    return points;
  }
}

/** What the instruments show at a time of the model. */
export interface PathPoint {
  readonly time_s: number;
  readonly reading_C: number;
  readonly mass_kg: number;
}

/** How far the pan is from its target, in the target's unit; 0 or less when it is there. */
function shortOf(
  target: BoilTarget,
  state: PotState,
  reading_C: number,
  pan: PanModel,
  time: number,
): number {
  switch (target.type) {
    case 'temperature':
      return target.reading_C - reading_C;
    case 'mass':
      return massOfPot(state) - target.mass_kg;
    case 'solids':
      return target.percent - solidsOf(state) * 100;
    case 'boil':
      return shortOfBoil_K(state, pan);
    case 'clock':
      return target.time_s - time;
  }
}

/** A heat, W, so many deviations from the middle of its range. */
const heatAt_W = ({ low, mid, high }: Range, deviations: number): number =>
  mid * Math.exp((deviations * Math.log(high / low)) / (2 * Z90));

/** A deviation as it counts in a sum of squares: beyond {@link HUBER} it grows by its root only. */
function huber(deviation: number): number {
  const size = Math.abs(deviation);
  return size <= HUBER
    ? deviation
    : Math.sign(deviation) * Math.sqrt(2 * HUBER * size - HUBER * HUBER);
}

import type { Range } from '../range/index.js';
import { BoilingCurve, boilingCurve } from './boiling-curve.js';
import { advance, massOfPot, solidsOf, type Kettle, type PotState } from './heat.js';

/** One look at the pot; any mix of instruments. Seconds from any fixed moment. */
export type Look =
  | { readonly time_s: number; readonly temperature_C: number }
  | { readonly time_s: number; readonly mass_kg: number }
  | { readonly time_s: number; readonly solidsPercent: number };

/** When the flame was changed; `share` of the heat before it if the cook knows, 0 for off the heat. */
export interface HeatChange {
  readonly time_s: number;
  readonly share?: number;
}

/** Something that went into the pot in mid-boil. */
export interface Added {
  readonly time_s: number;
  readonly water_kg: number;
  readonly soluble_kg: number;
}

export type Target =
  /** On the thermometer in use. */
  | { readonly type: 'temperature'; readonly reading_C: number }
  | { readonly type: 'mass'; readonly mass_kg: number }
  | { readonly type: 'solids'; readonly percent: number };

export interface ForecastInput {
  /** The pot when the clock began. Its range of mass is how well the amounts are known. */
  readonly start: PotState;
  /** Doubt of the soluble solids at the start, share, 5-95 %. */
  readonly startDoubt: number;
  readonly pressure_kPa: number;
  readonly pH: number;
  readonly diameter_m?: number;
  /** What this kitchen's burner puts into the pot, W, from its past boils or a guess. */
  readonly net_W: Range;
  /** Error of the thermometer against the boiling water it was checked in, K. */
  readonly offset_K: Range;
  readonly looks: readonly Look[];
  readonly heatChanges?: readonly HeatChange[];
  readonly added?: readonly Added[];
  readonly target: Target;
  readonly now_s: number;
}

export interface Forecast {
  /** Seconds left; 0 when it is there. The range is 5-95 %. */
  readonly left_s: Range;
  /** What was fitted. */
  readonly net_W: Range;
  readonly startSolidsPercent: Range;
  readonly offset_K: Range;
  readonly invertShare: Range;
  /** The pot now, by the fit. */
  readonly now: { readonly mass_kg: number; readonly solidsPercent: number; readonly temperature_C: number };
  /** Where the curve is going: reading against time, for the band that is drawn. */
  readonly path: readonly { readonly time_s: number; readonly reading_C: number }[];
  /** Root mean square of what the fit leaves, in standard deviations of the instruments. */
  readonly misfit: number;
}

/** Standard deviations of one look. A thermometer in a moving pot wanders by more than it is read to. Common practice. */
const SD = { temperature_K: 0.32, mass_kg: 0.02, solids_percent: 0.7 } as const;
/** Thermometers drift as they steam up, K an hour, standard deviation. */
const DRIFT_SD_K_PER_H = 0.6;
/** Vukov's rate is good to a factor of two. */
const INVERSION_SD = 0.42;
/** Which curve of sucrose is right: 0 to 1, standard deviation about the middle. */
const CURVE_SD = 0.35;
/** Vapour off the open surface before the boil: factor, standard deviation of its logarithm. Draughts and lids. */
const SURFACE_SD = 0.35;
/** A change of flame whose size is not known: factor, standard deviation of its logarithm. */
const CHANGE_SD = 0.5;
/** A flame wanders; over the minutes left it does not average out fully. Share, standard deviation. */
const WANDER_SD = 0.03;
/** The pot changes by less than a hundredth in this, s. */
const STEP_S = 15;
const MOST_AHEAD_S = 4 * 3600;
const Z90 = 1.645;

/** What is fitted, each with a normal prior of mean 0 and standard deviation 1 in its own unit. */
const FITTED = ['solids', 'power', 'offset', 'drift', 'inversion', 'curve', 'surface'] as const;

/**
 * Time left from the readings so far: maximum a posteriori fit of the kettle model (starting solids, heat, thermometer
 * offset and drift, inversion, curve, surface, and one factor for every change of flame), by Gauss-Newton steps with damping; the
 * range by the fit's covariance, carried to the time left. With no readings it is the prior alone.
 *
 * @param input see its fields; looks in any order
 * @returns never a straight line through readings: the pot is followed to the target by the same model
 */
export function forecast(input: ForecastInput): Forecast {
  const looks = [...input.looks]
    .filter(({ time_s }) => Number.isFinite(time_s) && time_s <= input.now_s + 1)
    .sort((a, b) => a.time_s - b.time_s);
  const changes = [...(input.heatChanges ?? [])].sort((a, b) => a.time_s - b.time_s);
  const free = changes.filter(({ share }) => share === undefined).length;
  const n = FITTED.length + free;
  const model = new Model(input, looks, changes);
  let theta = new Float64Array(n);
  let residuals = model.residuals(theta);
  let cost = square(residuals) + square(theta);
  // A pot that boils early by a strong flame or late by a draughty one look alike at first: begin at the best of a few.
  if (looks.length > 2)
    for (const power of [-1.6, -0.8, 0, 0.8, 1.6])
      for (const surface of [-1, 0, 1]) {
        const other = new Float64Array(n);
        other[1] = power;
        other[6] = surface;
        const there = model.residuals(other);
        const otherCost = square(there) + square(other);
        if (otherCost < cost) [theta, residuals, cost] = [other, there, otherCost];
      }
  let damping = 1e-2;
  let jacobian = model.jacobian(theta, residuals);
  for (let round = 0; round < 20; round++) {
    const step = solveNormal(jacobian, residuals, theta, damping, n);
    const next = theta.map((value, i) => Math.min(Math.max(value + (step[i] ?? 0), -4), 4));
    const nextResiduals = model.residuals(next);
    const nextCost = square(nextResiduals) + square(next);
    if (nextCost < cost) {
      const gain = cost - nextCost;
      theta = next;
      residuals = nextResiduals;
      cost = nextCost;
      damping = Math.max(damping / 8, 1e-6);
      if (gain < 0.01) break;
      jacobian = model.jacobian(theta, residuals);
    } else {
      damping *= 6;
      if (damping > 1e3) break;
    }
  }
  const covariance = inverseNormal(jacobian, n);
  const end = model.timeToTarget(theta);
  const left = Math.max(end - input.now_s, 0);
  // Time is nearer lognormal than normal: its doubt is carried as a factor on what is left.
  const logLeft = (t: Float64Array): number =>
    Math.log(Math.max(model.timeToTarget(t) - input.now_s, 1) + FLOOR_S);
  const middle = logLeft(theta);
  const gradient = theta.map((_, i) => {
    const up = Float64Array.from(theta);
    up[i] = (up[i] ?? 0) + 0.4;
    return (logLeft(up) - middle) / 0.4;
  });
  let variance = WANDER_SD ** 2;
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++)
      variance += (gradient[i] ?? 0) * (covariance[i * n + j] ?? 0) * (gradient[j] ?? 0);
  const spread = Z90 * Math.sqrt(Math.max(variance, 0));
  const at = (z: number): number => Math.max(Math.exp(middle + z * spread) - FLOOR_S, 0);
  const sd = (i: number): number => Math.sqrt(Math.max(covariance[i * n + i] ?? 1, 0));
  const now = model.stateAt(theta, input.now_s);
  const fittedRange = (i: number, value: (t: number) => number): Range => {
    const mid = theta[i] ?? 0;
    const ends = [value(mid - Z90 * sd(i)), value(mid + Z90 * sd(i))];
    return { low: Math.min(...ends), mid: value(mid), high: Math.max(...ends) };
  };
  return {
    left_s:
      left <= 0
        ? { low: 0, mid: 0, high: Math.max(at(1), 0) }
        : { low: Math.min(at(-1), left), mid: left, high: Math.max(at(1), left) },
    net_W: fittedRange(1, (t) => model.power(t)),
    startSolidsPercent: fittedRange(0, (t) => model.startSolids(t) * 100),
    offset_K: fittedRange(2, (t) => model.offset(t)),
    invertShare: {
      low: Math.max(now.invertShare - 0.1, 0),
      mid: now.invertShare,
      high: Math.min(now.invertShare + 0.1, 1),
    },
    now: { mass_kg: massOfPot(now), solidsPercent: solidsOf(now) * 100, temperature_C: now.temperature_C },
    path: model.path(theta, Math.min(Math.max(end, input.now_s) + 300, input.now_s + MOST_AHEAD_S)),
    misfit: looks.length > 0 ? Math.sqrt(square(residuals) / looks.length) : 0,
  };
}

/** Doubt does not shrink below this as the target comes near, s. */
const FLOOR_S = 45;

const square = (values: Float64Array): number => {
  let sum = 0;
  for (let i = 0; i < values.length; i++) sum += (values[i] ?? 0) * (values[i] ?? 0);
  return sum;
};

/** Follows the pot for one set of parameters and compares it with the looks. */
class Model {
  private readonly kettleLow: Kettle;
  private readonly kettleHigh: Kettle;
  /** Looks closer together than this are compared as one, with their mean and their count: twice a step. */
  private readonly bins: readonly Bin[];

  constructor(
    private readonly input: ForecastInput,
    looks: readonly Look[],
    private readonly changes: readonly HeatChange[],
  ) {
    const { pressure_kPa, pH, diameter_m = 0.28 } = input;
    this.kettleLow = { curve: boilingCurve(pressure_kPa, 0), diameter_m, pH };
    this.kettleHigh = { curve: boilingCurve(pressure_kPa, 1), diameter_m, pH };
    this.bins = binned(looks);
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
    const { start } = this.input;
    const liquid = start.water + start.soluble;
    const soluble = this.startSolids(theta[0] ?? 0) * liquid;
    // More or fewer solids are the fruit's own or the sugar's in the same measure.
    return { ...start, soluble, water: liquid - soluble };
  }

  private follow(
    theta: Float64Array,
    until_s: number,
    see: (time: number, state: PotState, reading: number) => boolean,
  ): void {
    const { added = [] } = this.input;
    const state = this.begin(theta);
    const power = this.power(theta[1] ?? 0);
    const offset = this.offset(theta[2] ?? 0);
    const drift = ((theta[3] ?? 0) * DRIFT_SD_K_PER_H) / 3600;
    const faster = Math.exp((theta[4] ?? 0) * INVERSION_SD);
    const curve = Math.min(Math.max(0.5 + (theta[5] ?? 0) * CURVE_SD, -0.3), 1.3);
    const blended: Kettle = {
      ...this.kettleLow,
      diameter_m: this.kettleLow.diameter_m * Math.exp(((theta[6] ?? 0) * SURFACE_SD) / 2),
      curve: BoilingCurve.between(this.kettleLow.curve, this.kettleHigh.curve, curve),
    };
    let change = 0;
    let unknown = 0;
    let factor = 1;
    let put = 0;
    for (let time = 0; time <= until_s; time += STEP_S) {
      for (let next = this.changes[change]; next && next.time_s <= time; next = this.changes[++change]) {
        if (next.share !== undefined) factor = next.share;
        else factor *= Math.exp((theta[FITTED.length + unknown++] ?? 0) * CHANGE_SD);
      }
      for (let next = added[put]; next && next.time_s <= time; next = added[++put]) {
        const before = massOfPot(state);
        state.water += next.water_kg;
        state.soluble += next.soluble_kg;
        state.temperature_C =
          (state.temperature_C * before + 20 * (next.water_kg + next.soluble_kg)) / massOfPot(state);
      }
      if (!see(time, state, state.temperature_C + offset + drift * time)) return;
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
    const { target, now_s } = this.input;
    let before: { time: number; short: number } | undefined;
    let found = now_s + MOST_AHEAD_S;
    this.follow(theta, now_s + MOST_AHEAD_S, (time, state, reading) => {
      const short =
        target.type === 'temperature'
          ? target.reading_C - reading
          : target.type === 'mass'
            ? massOfPot(state) - target.mass_kg
            : target.percent - solidsOf(state) * 100;
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
    return found;
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

interface Bin {
  readonly kind: 'temperature' | 'mass' | 'solids';
  readonly time_s: number;
  readonly value: number;
  readonly sd: number;
}

/** Errors of a thermometer held in the same place are alike for about this long, s: readings closer together count as one. */
const ALIKE_S = 24;

function binned(looks: readonly Look[]): Bin[] {
  const open = new Map<Bin['kind'], { from: number; time: number; sum: number; count: number }>();
  const bins: Bin[] = [];
  const close = (kind: Bin['kind']): void => {
    const group = open.get(kind);
    if (!group) return;
    const one = kind === 'temperature' ? SD.temperature_K : kind === 'mass' ? SD.mass_kg : SD.solids_percent;
    // Half of the error is of the moment and averages out, half is not.
    bins.push({
      kind,
      time_s: group.time / group.count,
      value: group.sum / group.count,
      sd: one * Math.sqrt(0.5 + 0.5 / group.count),
    });
    open.delete(kind);
  };
  for (const look of looks) {
    const kind = 'temperature_C' in look ? 'temperature' : 'mass_kg' in look ? 'mass' : 'solids';
    const value =
      'temperature_C' in look ? look.temperature_C : 'mass_kg' in look ? look.mass_kg : look.solidsPercent;
    if (!Number.isFinite(value) || look.time_s < 0) continue;
    const group = open.get(kind);
    if (group && look.time_s - group.from <= ALIKE_S) {
      group.time += look.time_s;
      group.sum += value;
      group.count += 1;
    } else {
      close(kind);
      open.set(kind, { from: look.time_s, time: look.time_s, sum: value, count: 1 });
    }
  }
  for (const kind of ['temperature', 'mass', 'solids'] as const) close(kind);
  return bins.sort((a, b) => a.time_s - b.time_s);
}

/** JtJ + I (the priors) as rows. */
function normalMatrix(jacobian: readonly Float64Array[], n: number): Float64Array {
  const matrix = new Float64Array(n * n);
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++) {
      let sum = i === j ? 1 : 0;
      const a = jacobian[i];
      const b = jacobian[j];
      if (a && b) for (let k = 0; k < a.length; k++) sum += (a[k] ?? 0) * (b[k] ?? 0);
      matrix[i * n + j] = sum;
      matrix[j * n + i] = sum;
    }
  return matrix;
}

function solveNormal(
  jacobian: readonly Float64Array[],
  residuals: Float64Array,
  theta: Float64Array,
  damping: number,
  n: number,
): Float64Array {
  const matrix = normalMatrix(jacobian, n);
  const right = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    matrix[i * n + i] = (matrix[i * n + i] ?? 0) * (1 + damping);
    let sum = theta[i] ?? 0;
    const column = jacobian[i];
    if (column) for (let k = 0; k < residuals.length; k++) sum += (column[k] ?? 0) * (residuals[k] ?? 0);
    right[i] = -sum;
  }
  const inverse = inverted(matrix, n);
  return right.map((_, i) => {
    let sum = 0;
    for (let j = 0; j < n; j++) sum += (inverse[i * n + j] ?? 0) * (right[j] ?? 0);
    return sum;
  });
}

const inverseNormal = (jacobian: readonly Float64Array[], n: number): Float64Array =>
  inverted(normalMatrix(jacobian, n), n);

/** Inverse of a symmetric positive matrix, by Gauss and Jordan; n is below ten. */
function inverted(matrix: Float64Array, n: number): Float64Array {
  const a = Float64Array.from(matrix);
  const b = new Float64Array(n * n);
  for (let i = 0; i < n; i++) b[i * n + i] = 1;
  for (let i = 0; i < n; i++) {
    const pivot = a[i * n + i] ?? 1;
    for (let j = 0; j < n; j++) {
      a[i * n + j] = (a[i * n + j] ?? 0) / pivot;
      b[i * n + j] = (b[i * n + j] ?? 0) / pivot;
    }
    for (let k = 0; k < n; k++) {
      if (k === i) continue;
      const factor = a[k * n + i] ?? 0;
      for (let j = 0; j < n; j++) {
        a[k * n + j] = (a[k * n + j] ?? 0) - factor * (a[i * n + j] ?? 0);
        b[k * n + j] = (b[k * n + j] ?? 0) - factor * (b[i * n + j] ?? 0);
      }
    }
  }
  return b;
}

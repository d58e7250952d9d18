import { Z90, type Range } from '../range/index.js';
import { FITTED, ForecastModel, MOST_AHEAD_S, type ForecastInput } from './forecast-model.js';
import { massOfPot, solidsOf } from '../thermal/index.js';
import { inverseNormal, solveNormal } from './normal-equations.js';

export interface Forecast {
  /** Seconds left; 0 when it is there. The range is 5-95 %. */
  readonly left_s: Range;
  /** What was fitted. */
  readonly net_W: Range;
  readonly startSolidsPercent: Range;
  readonly offset_K: Range;
  readonly invertShare: Range;
  /** The pot now, by the fit. */
  readonly now: {
    readonly mass_kg: number;
    readonly solidsPercent: number;
    readonly temperature_C: number;
  };
  /** Where the curve is going: reading against time, for the band that is drawn. */
  readonly path: readonly { readonly time_s: number; readonly reading_C: number }[];
  /** Root mean square of what the fit leaves, in standard deviations of the instruments. */
  readonly misfit: number;
}

/**
 * A flame wanders; over the minutes left it does not average out fully. Share, standard deviation;
 * a guess.
 */
const WANDER_SD = 0.05;

/**
 * Time left from the readings so far: maximum a posteriori fit of the kettle model (starting
 * solids, heat, thermometer offset and drift, inversion, curve, surface, and one factor for every
 * change of flame), by Gauss-Newton steps with damping; the range by the fit's covariance, carried
 * to the time left. With no readings it is the prior alone.
 *
 * @param input see its fields; observations in any order
 * @returns never a straight line through readings: the pot is followed to the target by the same
 * model
 */
export function forecast(input: ForecastInput): Forecast {
  const observations = [...input.observations]
    .filter(({ time_s }) => Number.isFinite(time_s) && time_s <= input.now_s + 1)
    .sort((a, b) => a.time_s - b.time_s);
  const changes = [...(input.heatChanges ?? [])].sort((a, b) => a.time_s - b.time_s);
  const free = changes.filter(({ share }) => share === undefined).length;
  const n = FITTED.length + free;
  const model = new ForecastModel(input, observations, changes);
  let theta = new Float64Array(n);
  let residuals = model.residuals(theta);
  let cost = square(residuals) + square(theta);
  // A pot that boils early by a strong flame or late by a draughty one look alike at first: begin
  // at the best of a few.
  if (observations.length > 2)
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
    now: {
      mass_kg: massOfPot(now),
      solidsPercent: solidsOf(now) * 100,
      temperature_C: now.temperature_C,
    },
    path: model.path(
      theta,
      Math.min(Math.max(end, input.now_s) + 300, input.now_s + (input.mostAhead_s ?? MOST_AHEAD_S)),
    ),
    misfit: observations.length > 0 ? Math.sqrt(square(residuals) / observations.length) : 0,
  };
}

/** Doubt does not shrink below this as the target comes near, s. A guess. */
const FLOOR_S = 45;

const square = (values: Float64Array): number => {
  let sum = 0;
  for (let i = 0; i < values.length; i++) sum += (values[i] ?? 0) * (values[i] ?? 0);
  return sum;
};

import { Z90, type Range } from '../range/index.js';
import { massOfPot, solidsOf } from '../thermal/index.js';
import { costOf, fitModel, sumOfSquares, type Fit } from './fit.js';
import {
  FITTED,
  ForecastModel,
  indexOf,
  MOST_AHEAD_S,
  type ForecastInput,
  type Fitted,
  type PathPoint,
} from './forecast-model.js';

export interface Forecast {
  /** Seconds left; 0 when it is there. The range is 5-95 %. */
  readonly left_s: Range;
  /** The heat does not bring it there, as far as is looked ahead. */
  readonly isOutOfReach: boolean;
  /** What was fitted. */
  readonly net_W: Range;
  readonly startSolidsPercent: Range;
  readonly offset_K: Range;
  readonly invertShare: Range;
  /** The pan now, by the fit. */
  readonly now: {
    readonly mass_kg: number;
    readonly solidsPercent: number;
    readonly temperature_C: number;
  };
  /** What will be in the pan at the times that were asked for. */
  readonly looks: readonly { readonly time_s: number; readonly mass_kg: Range }[];
  /** Where the curve is going: reading against time, for the band that is drawn. */
  readonly path: readonly PathPoint[];
  /** In the pan at the likely end, of a cook that is looked ahead for hours. */
  readonly atEnd_kg?: Range;
  /** Root mean square of what the fit leaves, in standard deviations of the instruments. */
  readonly misfit: number;
}

/**
 * A flame wanders; over the minutes left it does not average out fully. Share, standard deviation;
 * a guess.
 */
const WANDER_SD = 0.05;
/** Doubt does not shrink below this as the target comes near, s. A guess. */
const FLOOR_S = 45;
/** The invert share is known to about this, either way. A guess. */
const INVERT_DOUBT = 0.1;
/** The gradient of the time left is taken over this, in deviations of a parameter. */
const GRADIENT_STEP = 0.4;
/** The curve is drawn on for so long past the target, s. */
const DRAWN_PAST_S = 300;

/**
 * A pan that boils early by a strong burner or late by a draughty one look alike at first: the
 * search begins at the best of these, in deviations of the prior.
 */
const STARTS = { power: [-1.6, -0.8, 0, 0.8, 1.6], surface: [-1, 0, 1] } as const;
/** With fewer observations than this there is nothing to choose a start by. */
const OBSERVATIONS_TO_CHOOSE = 3;

function bestStart(model: ForecastModel, parameters: number, observations: number): Float64Array {
  const prior = new Float64Array(parameters);
  if (observations < OBSERVATIONS_TO_CHOOSE) return prior;
  let best = { start: prior, cost: costOf(prior, model.residuals(prior)) };
  for (const power of STARTS.power)
    for (const surface of STARTS.surface) {
      const start = new Float64Array(parameters);
      start[indexOf.power] = power;
      start[indexOf.surface] = surface;
      const cost = costOf(start, model.residuals(start));
      if (cost < best.cost) best = { start, cost };
    }
  return best.start;
}

/** What the fit says of one parameter, carried into its own unit. */
function rangeOf(
  { parameters, covariance }: Fit,
  name: Fitted,
  value: (deviations: number) => number,
): Range {
  const i = indexOf[name];
  const mid = parameters[i] ?? 0;
  const sd = Math.sqrt(Math.max(covariance[i * parameters.length + i] ?? 1, 0));
  const ends = [value(mid - Z90 * sd), value(mid + Z90 * sd)];
  return { low: Math.min(...ends), mid: value(mid), high: Math.max(...ends) };
}

/** Standard deviation of a figure by the fit's covariance, carried through its gradient. */
function deviationOf(
  { parameters, covariance }: Fit,
  figure: (parameters: Float64Array) => number,
): number {
  const n = parameters.length;
  const middle = figure(parameters);
  const gradient = parameters.map((_, i) => {
    const up = Float64Array.from(parameters);
    up[i] = (up[i] ?? 0) + GRADIENT_STEP;
    return (figure(up) - middle) / GRADIENT_STEP;
  });
  let variance = 0;
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++)
      variance += (gradient[i] ?? 0) * (covariance[i * n + j] ?? 0) * (gradient[j] ?? 0);
  return Math.sqrt(Math.max(variance, 0));
}

/** What will be in the pan at a time, kg, with the doubt of the fit and of the wandering heat. */
function massAt_kg(model: ForecastModel, fit: Fit, now_s: number, time_s: number): Range {
  const massOf = (at: Float64Array): number => massOfPot(model.stateAt(at, time_s));
  const mid = massOf(fit.parameters);
  const goes_kg = massOfPot(model.stateAt(fit.parameters, now_s)) - mid;
  const doubt = Z90 * Math.hypot(deviationOf(fit, massOf), WANDER_SD * goes_kg);
  return { low: Math.max(mid - doubt, 0), mid, high: mid + doubt };
}

/**
 * Seconds to the target with the doubt of the fit. Time is nearer lognormal than normal: its doubt
 * is carried as a factor on what is left.
 */
function timeLeft_s(
  model: ForecastModel,
  fit: Fit,
  { now_s, target }: Pick<ForecastInput, 'now_s' | 'target'>,
): Range {
  const { parameters } = fit;
  if (target.type === 'clock') {
    const left = Math.max(target.time_s - now_s, 0);
    return { low: left, mid: left, high: left };
  }
  const logLeft = (at: Float64Array): number =>
    Math.log(Math.max(model.timeToTarget(at) - now_s, 1) + FLOOR_S);
  const middle = logLeft(parameters);
  const spread = Z90 * Math.hypot(WANDER_SD, deviationOf(fit, logLeft));
  const end = (side: number): number => Math.max(Math.exp(middle + side * spread) - FLOOR_S, 0);
  const left = Math.max(model.timeToTarget(parameters) - now_s, 0);
  return left <= 0
    ? { low: 0, mid: 0, high: end(1) }
    : { low: Math.min(end(-1), left), mid: left, high: Math.max(end(1), left) };
}

/**
 * Time left from the readings so far: the pan model (starting solids, heat, thermometer offset and
 * drift, inversion, curve, surface, and one factor for every change of heat) fitted to them, see
 * `fitModel`; the range by the fit's covariance, carried to the time left. With no readings
 * it is the prior alone.
 *
 * @param input see its fields; observations in any order
 * @returns never a straight line through readings: the pan is followed to the target by the same
 * model
 */
export function forecast(input: ForecastInput): Forecast {
  const { now_s, mostAhead_s = MOST_AHEAD_S } = input;
  const observations = input.observations
    .filter(({ time_s }) => Number.isFinite(time_s) && time_s <= now_s + 1)
    .sort((a, b) => a.time_s - b.time_s);
  const changes = [...(input.heatChanges ?? [])].sort((a, b) => a.time_s - b.time_s);
  const unknownChanges = changes.filter(({ share }) => share === undefined).length;
  const model = new ForecastModel(input, observations, changes);
  const start = bestStart(model, FITTED.length + unknownChanges, observations.length);
  const fit = fitModel(model, start);
  const now = model.stateAt(fit.parameters, now_s);
  const end_s = Math.max(model.timeToTarget(fit.parameters), now_s);
  return {
    isOutOfReach: end_s >= now_s + mostAhead_s,
    left_s: timeLeft_s(model, fit, input),
    net_W: rangeOf(fit, 'power', model.power),
    startSolidsPercent: rangeOf(fit, 'solids', (z) => model.startSolids(z) * 100),
    offset_K: rangeOf(fit, 'offset', model.offset),
    invertShare: {
      low: Math.max(now.invertShare - INVERT_DOUBT, 0),
      mid: now.invertShare,
      high: Math.min(now.invertShare + INVERT_DOUBT, 1),
    },
    now: {
      mass_kg: massOfPot(now),
      solidsPercent: solidsOf(now) * 100,
      temperature_C: now.temperature_C,
    },
    looks: (input.lookAt_s ?? []).map((time_s) => ({
      time_s,
      mass_kg: massAt_kg(model, fit, now_s, time_s),
    })),
    ...(input.mostAhead_s !== undefined && {
      atEnd_kg: massAt_kg(model, fit, now_s, Math.min(end_s, now_s + mostAhead_s)),
    }),
    path: model.path(fit.parameters, Math.min(end_s + DRAWN_PAST_S, now_s + mostAhead_s)),
    misfit:
      observations.length > 0 ? Math.sqrt(sumOfSquares(fit.residuals) / observations.length) : 0,
  };
}

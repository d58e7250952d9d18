import { inverseNormal, solveNormal } from './normal-equations.js';

/** A model whose parameters are fitted: each has a normal prior of mean 0 and deviation 1. */
export interface FittedModel {
  /** What is left of each observation at these parameters, in standard deviations of it. */
  readonly residuals: (parameters: Float64Array) => Float64Array;
  /** How each parameter moves the residuals: a column a parameter. */
  readonly jacobian: (parameters: Float64Array, residuals: Float64Array) => Float64Array[];
}

/** How a fit searches. Choices of ours, found on trial boils; the answer hardly depends on them. */
export interface FitOptions {
  /** Damping of the first step, as a share added to the diagonal. @default 0.01 */
  readonly damping?: number;
  /** The damping is divided by this after a step that helped. @default 8 */
  readonly dampingStepDown?: number;
  /** The damping is multiplied by this after a step that did not. @default 6 */
  readonly dampingStepUp?: number;
  /** The damping never falls below this. @default 1e-6 */
  readonly leastDamping?: number;
  /** With more damping than this nothing helps any more, and the search ends. @default 1000 */
  readonly mostDamping?: number;
  /** A parameter goes no further from its prior than this, in deviations. @default 4 */
  readonly bound?: number;
  /** The search ends when a step gains less than this of the cost. @default 0.01 */
  readonly leastGain?: number;
  /** The search ends after so many steps. @default 20 */
  readonly mostSteps?: number;
}

/** Where a fit ended. */
export interface Fit {
  readonly parameters: Float64Array;
  readonly residuals: Float64Array;
  /** Covariance of the parameters, row by row. */
  readonly covariance: Float64Array;
}

/** Sum of squares. */
export const sumOfSquares = (values: Float64Array): number => {
  let sum = 0;
  for (let i = 0; i < values.length; i++) sum += (values[i] ?? 0) * (values[i] ?? 0);
  return sum;
};

/** Misfit of the observations and distance from the prior together. */
export const costOf = (parameters: Float64Array, residuals: Float64Array): number =>
  sumOfSquares(residuals) + sumOfSquares(parameters);

/**
 * Maximum a posteriori parameters of a model, by Gauss-Newton steps with damping (Levenberg 1944,
 * Marquardt 1963), and their covariance.
 *
 * @param start where the search begins
 */
export function fitModel(
  model: FittedModel,
  start: Float64Array,
  {
    damping: firstDamping = 1e-2,
    dampingStepDown = 8,
    dampingStepUp = 6,
    leastDamping = 1e-6,
    mostDamping = 1e3,
    bound = 4,
    leastGain = 0.01,
    mostSteps = 20,
  }: FitOptions = {},
): Fit {
  const n = start.length;
  let parameters = start;
  let residuals = model.residuals(parameters);
  let cost = costOf(parameters, residuals);
  let jacobian = model.jacobian(parameters, residuals);
  let damping = firstDamping;
  for (let step = 0; step < mostSteps; step++) {
    const change = solveNormal(jacobian, residuals, parameters, damping, n);
    const next = parameters.map((value, i) =>
      Math.min(Math.max(value + (change[i] ?? 0), -bound), bound),
    );
    const nextResiduals = model.residuals(next);
    const nextCost = costOf(next, nextResiduals);
    if (nextCost >= cost) {
      damping *= dampingStepUp;
      if (damping > mostDamping) break;
      continue;
    }
    const gain = cost - nextCost;
    parameters = next;
    residuals = nextResiduals;
    cost = nextCost;
    damping = Math.max(damping / dampingStepDown, leastDamping);
    if (gain < leastGain) break;
    jacobian = model.jacobian(parameters, residuals);
  }
  return { parameters, residuals, covariance: inverseNormal(jacobian, n) };
}

/*
 * Least squares with a normal prior of mean 0 and standard deviation 1 on every parameter: a step
 * is the solution of (JtJ + I) x = -(Jtr + theta), and the inverse of the matrix is the covariance.
 * A column of `jacobian` is a parameter.
 */

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

/** The damped step. @param damping share added to the diagonal, 0 for the full step */
export function solveNormal(
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
    if (column)
      for (let k = 0; k < residuals.length; k++) sum += (column[k] ?? 0) * (residuals[k] ?? 0);
    right[i] = -sum;
  }
  const inverse = inverted(matrix, n);
  return right.map((_, i) => {
    let sum = 0;
    for (let j = 0; j < n; j++) sum += (inverse[i * n + j] ?? 0) * (right[j] ?? 0);
    return sum;
  });
}

/** The covariance of the parameters. */
export const inverseNormal = (jacobian: readonly Float64Array[], n: number): Float64Array =>
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

import fc from 'fast-check';
import { inverseNormal, solveNormal } from './normal-equations.js';

const { Matrix, inverse, solve } = jest.requireActual<{
  Matrix: new (rows: number[][]) => {
    transpose: () => never;
    mmul: (other: unknown) => { add: (m: unknown) => never };
  };
  inverse: (m: unknown) => { get: (i: number, j: number) => number };
  solve: (a: unknown, b: unknown) => { get: (i: number, j: number) => number };
}>('ml-matrix');

const number = fc.double({ min: -5, max: 5, noNaN: true });
const problem = fc
  .tuple(fc.integer({ min: 1, max: 7 }), fc.integer({ min: 1, max: 12 }))
  .chain(([n, m]) =>
    fc.record({
      n: fc.constant(n),
      columns: fc.array(fc.array(number, { minLength: m, maxLength: m }), {
        minLength: n,
        maxLength: n,
      }),
      residuals: fc.array(number, { minLength: m, maxLength: m }),
      theta: fc.array(number, { minLength: n, maxLength: n }),
    }),
  );

/** J'J + I by the library ml-matrix. */
const reference = (columns: number[][], n: number): never => {
  const transposed = new Matrix(columns);
  const identity = new Matrix(
    Array.from({ length: n }, (_, i) => Array.from({ length: n }, (__, j) => (i === j ? 1 : 0))),
  );
  return transposed.mmul(new Matrix(columns).transpose()).add(identity);
};

test('covariance and full step agree with ml-matrix', () => {
  fc.assert(
    fc.property(problem, ({ n, columns, residuals, theta }) => {
      const jacobian = columns.map((column) => Float64Array.from(column));
      const covariance = inverseNormal(jacobian, n);
      const wanted = inverse(reference(columns, n));
      for (let i = 0; i < n; i++)
        for (let j = 0; j < n; j++) expect(covariance[i * n + j]).toBeCloseTo(wanted.get(i, j), 6);
      const step = solveNormal(
        jacobian,
        Float64Array.from(residuals),
        Float64Array.from(theta),
        0,
        n,
      );
      const right = columns.map((column, i) => [
        -(column.reduce((sum, value, k) => sum + value * (residuals[k] ?? 0), 0) + (theta[i] ?? 0)),
      ]);
      const solution = solve(reference(columns, n), new Matrix(right));
      for (let i = 0; i < n; i++) expect(step[i]).toBeCloseTo(solution.get(i, 0), 6);
    }),
    { numRuns: 200 },
  );
});

test('damping shortens the step', () => {
  const jacobian = [Float64Array.of(1, 2, 3), Float64Array.of(0, 1, -1)];
  const length = (damping: number): number =>
    Math.hypot(
      ...solveNormal(jacobian, Float64Array.of(1, -1, 2), Float64Array.of(0, 0), damping, 2),
    );
  expect(length(10)).toBeLessThan(length(0));
});

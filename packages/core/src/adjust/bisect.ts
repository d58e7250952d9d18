/**
 * Where a condition that holds for small numbers and not for large ones stops holding, by halving.
 *
 * @param holds monotone: true up to some number, false beyond it
 * @returns the last number tried on either side: `holds` it does, `fails` it does not
 */
export function bisect(
  low: number,
  high: number,
  steps: number,
  holds: (x: number) => boolean,
): { readonly holds: number; readonly fails: number } {
  let [a, b] = [low, high];
  for (let i = 0; i < steps; i++) {
    const middle = (a + b) / 2;
    if (holds(middle)) a = middle;
    else b = middle;
  }
  return { holds: a, fails: b };
}

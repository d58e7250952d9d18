/**
 * Prints what a model's error against its reference is; docs/accuracy.md holds the same figures.
 */
export const report = (text: string): void => void process.stdout.write(`${text}\n`);

/**
 * Collects the errors of a table of cases, and prints the worst of them when all have run.
 *
 * @returns what takes an error and gives back its size
 */
export function errorsAgainst(reference: string, unit: string): (error: number) => number {
  const errors: number[] = [];
  afterAll(() =>
    report(
      `${reference}, ${errors.length} values: worst ${Math.max(...errors).toPrecision(2)} ${unit}`,
    ),
  );
  return (error) => {
    errors.push(Math.abs(error));
    return Math.abs(error);
  };
}

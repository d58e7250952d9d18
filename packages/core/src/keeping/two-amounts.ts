import type { PotFormula, PotLine } from '../formula/index.js';

/** Two amounts of one line that differ by more than this are two statements. docs/safety.md, rule 3. */
const DISAGREE = 1.25;

/** So many disagreeing lines are tried in every combination. */
const MOST_SUBSETS_OF = 4;

/** A formula with the other amount of some of its lines. */
export interface OtherAmounts {
  readonly formula: PotFormula;
  /** The lines that disagree with themselves. */
  readonly lines: readonly PotLine[];
}

function disagrees({ mass_kg, alsoStated_kg }: PotLine): boolean {
  if (!alsoStated_kg) return false;
  const ratio = mass_kg.mid / alsoStated_kg.mid;
  return ratio > DISAGREE || ratio < 1 / DISAGREE;
}

const swapped = (formula: PotFormula, lines: readonly PotLine[]): PotFormula => ({
  ...formula,
  lines: formula.lines.map((line) =>
    lines.includes(line) ? { ...line, mass_kg: line.alsoStated_kg ?? line.mass_kg } : line,
  ),
});

/**
 * Every line whose two amounts disagree by over a quarter taken by its other amount: each alone,
 * and all of them together with every subset while they are few.
 */
export function withOtherAmounts(formula: PotFormula): readonly OtherAmounts[] {
  const odd = formula.lines.filter(disagrees);
  const subsets =
    odd.length <= MOST_SUBSETS_OF
      ? Array.from({ length: 2 ** odd.length - 1 }, (_, i) =>
          odd.filter((__, k) => ((i + 1) >> k) % 2 === 1),
        )
      : [...odd.map((line) => [line]), odd];
  return subsets.map((lines) => ({ formula: swapped(formula, lines), lines }));
}

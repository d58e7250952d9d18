import { firmnessSaid, jarsExpected, type Balance } from '../balance/index.js';
import type { FormulaDocument, Kitchen } from '../formula/index.js';
import {
  computeFormula,
  STORAGE_SAID,
  type Keeping,
  type KeepingOptions,
} from '../keeping/index.js';

export interface AssessmentOptions extends KeepingOptions {
  readonly kitchen?: Kitchen;
}

/** A formula with what it gives and how it keeps. */
export interface Assessment {
  readonly balance: Balance;
  readonly keeping: Keeping;
}

/** @returns undefined while something in the formula is not understood or nothing is in the pot */
export function assess(
  document: FormulaDocument,
  { kitchen = {}, on }: AssessmentOptions,
): Assessment | undefined {
  const { problems, balance, keeping } = computeFormula(
    document,
    kitchen,
    on === undefined ? {} : { on },
  );
  return balance && problems.length === 0 ? { balance, keeping } : undefined;
}

/**
 * What a change does, in a line: "pH 3.6 → 3.3, firmness soft → medium, yield +0.1 jar"; empty where
 * nothing much moves.
 */
export function effectOf(before: Assessment, after: Assessment): string {
  const parts: string[] = [];
  const [b, a] = [before.balance, after.balance];
  if (before.keeping.verdict !== after.keeping.verdict)
    parts.push(
      `storage ${STORAGE_SAID[before.keeping.verdict]} → ${STORAGE_SAID[after.keeping.verdict]}`,
    );
  if (Math.abs(a.pH.mid - b.pH.mid) >= 0.05)
    parts.push(`pH ${b.pH.mid.toFixed(1)} → ${a.pH.mid.toFixed(1)}`);
  const word = ({ set }: Balance): string => firmnessSaid(set.verdict, set.model);
  if (word(a) !== word(b)) parts.push(`firmness ${word(b)} → ${word(a)}`);
  else if (Math.abs(a.set.firmness.mid - b.set.firmness.mid) >= 0.05)
    parts.push(a.set.firmness.mid > b.set.firmness.mid ? 'a little firmer' : 'a little softer');
  const [solidsBefore, solidsAfter] = [b, a].map((x) =>
    x.finish.solubleSolidsPercent.mid.toFixed(0),
  );
  if (solidsBefore !== solidsAfter) parts.push(`${solidsBefore} → ${solidsAfter} °Brix`);
  const more = jarsExpected(a) - jarsExpected(b);
  // Counts of different jars cannot be compared.
  const sizes = (x: Balance): string => x.jars.map(({ size }) => size).join();
  if (sizes(a) === sizes(b) && Math.abs(more) >= 0.05)
    parts.push(
      `yield ${more > 0 ? '+' : '−'}${Math.abs(more).toFixed(1)} ${Math.abs(more) > 1 ? 'jars' : 'jar'}`,
    );
  return parts.join(', ');
}

/** What turning one formula into another does, or undefined where one of them is not understood. */
export function effectOfChange(
  before: FormulaDocument,
  after: FormulaDocument,
  options: AssessmentOptions = {},
): string | undefined {
  const [was, is] = [assess(before, options), assess(after, options)];
  return was && is ? effectOf(was, is) : undefined;
}

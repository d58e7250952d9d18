import { balance, type Balance } from '../balance/index.js';
import {
  notUnderstoodIn,
  readFormula,
  type FormulaDocument,
  type PotFormula,
  type Problem,
  type Kitchen,
} from '../formula/index.js';
import { assessKeeping, type Keeping } from './assess.js';
import type { KeepingOptions } from './rules.js';

/** A formula with everything that comes of it in a kitchen. */
export interface Computed {
  readonly formula: PotFormula;
  readonly problems: readonly Problem[];
  /** Null while nothing in the pot is understood. */
  readonly balance: Balance | null;
  /** Of the whole document: what is not understood in it gets no kind word. */
  readonly keeping: Keeping;
}

/**
 * Reads a document and computes it: what will come out and how it will keep.
 *
 * @param kitchen the place to use when the document names none
 */
export function computeFormula(
  document: FormulaDocument,
  kitchen: Kitchen = {},
  options: KeepingOptions = {},
): Computed {
  const { formula, problems } = readFormula(document, kitchen);
  const made = balance(formula);
  const notUnderstood = [...(options.notUnderstood ?? []), ...notUnderstoodIn(document, problems)];
  return {
    formula,
    problems,
    balance: made,
    keeping: assessKeeping(
      formula,
      { ...options, notUnderstood, leftOut: document.leftOut ?? [] },
      made,
    ),
  };
}

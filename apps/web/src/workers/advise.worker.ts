import { expose } from 'comlink';
import {
  balance,
  readFormula,
  remedies,
  whatMatters,
  type FormulaDocument,
  type Matter,
  type Remedy,
  type RemedyOptions,
} from '@idle-kettle/core';

export interface Advice {
  /** What to change, the most useful first. */
  readonly remedies: readonly Remedy[];
  /** What to measure better. */
  readonly matters: readonly Matter[];
}

/** Tries changes in full balances: tens of milliseconds, so it runs beside the page and not in it. */
function advise(document: FormulaDocument, options: RemedyOptions): Advice {
  const { formula } = readFormula(document, options.kitchen);
  const made = balance(formula);
  return { remedies: remedies(document, options), matters: made ? whatMatters(formula, made) : [] };
}

export type Advise = typeof advise;
expose(advise);

import { expose } from 'comlink';
import {
  adviceFor,
  boilFrom,
  madeBatch,
  reviewRun,
  scenarioOfBatch,
  watchBoil,
  weighEvidence,
  type Advice,
  type Balance,
  type BatchEvent,
  type FormulaDocument,
  type Keeping,
  type Kitchen,
  type PotFormula,
} from '@idle-kettle/core';
import type { TimeTold } from '../batch/time-left.js';

/** What the app says of a practice pan: the same as of a real one, from its log alone. */
export interface PracticeForecast {
  readonly told: TimeTold | undefined;
  readonly next: Pick<Advice, 'text' | 'why' | 'tick' | 'lines'> | undefined;
  readonly formula: PotFormula;
  readonly balance: Balance | null;
  readonly keeping: Keeping;
}

function foretell(
  document: FormulaDocument,
  log: readonly BatchEvent[],
  kitchen: Kitchen,
  now: number,
): PracticeForecast {
  const boil = boilFrom(log);
  const watched = watchBoil(boil, document, kitchen, now);
  const { formula, balance, keeping } = madeBatch(document, boil, kitchen, { planned: true });
  const evidence = watched && weighEvidence(boil, formula, watched, now);
  const next = adviceFor({ boil, formula, watched, evidence, now });
  return {
    told: watched && { now: watched.now, forecast: watched.forecast },
    next,
    formula,
    balance,
    keeping,
  };
}

/**
 * Fits, balances and plays again beside the page: from some tens of milliseconds to a second on a
 * slow tablet.
 */
const practice = { foretell, reviewRun, scenarioOfBatch };
export type Practice = typeof practice;
expose(practice);

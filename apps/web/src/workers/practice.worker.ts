import { expose } from 'comlink';
import {
  adviceFor,
  boilFrom,
  madeBatch,
  reviewRun,
  scenarioOfBatch,
  watchBoil,
  weighEvidence,
  readFormula,
  type Advice,
  type BatchEvent,
  type FormulaDocument,
  type Kitchen,
  type MadeBatch,
} from '@idle-kettle/core';
import type { TimeTold } from '../batch/time-left.js';

/** What the app says of a practice pan now: the same as of a real one, from its log alone. */
export interface PracticeForecast {
  readonly timeTold: TimeTold | undefined;
  readonly next: Pick<Advice, 'text' | 'why' | 'tick' | 'lines'> | undefined;
}

function forecast(
  document: FormulaDocument,
  log: readonly BatchEvent[],
  kitchen: Kitchen,
  now: number,
): PracticeForecast {
  const boil = boilFrom(log);
  const watched = watchBoil(boil, document, kitchen, now);
  const { formula } = readFormula(document, kitchen);
  const evidence = watched && weighEvidence(boil, formula, watched, now);
  return {
    timeTold: watched && {
      now,
      forecast: {
        left_s: watched.forecast.left_s,
        isOutOfReach: watched.forecast.isOutOfReach,
      },
    },
    next: adviceFor({ boil, formula, watched, evidence, now }),
  };
}

/** What will come of a practice pan, as the panel shows it. */
export type PracticeOutlook = Pick<MadeBatch, 'formula' | 'balance' | 'keeping'>;

function outlook(
  document: FormulaDocument,
  log: readonly BatchEvent[],
  kitchen: Kitchen,
): PracticeOutlook {
  const { formula, balance, keeping } = madeBatch(document, boilFrom(log), kitchen, {
    planned: true,
  });
  return { formula, balance, keeping };
}

/**
 * Fits, balances and plays again beside the page: from some tens of milliseconds to a second on a
 * slow tablet.
 */
const practice = { forecast, outlook, reviewRun, scenarioOfBatch };
export type Practice = typeof practice;
expose(practice);

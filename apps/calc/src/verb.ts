import type { ReadText } from './document.js';

/**
 * What a verb answers: an object is printed as JSON, text as it is. `notes` go to standard error.
 */
export interface Answer {
  readonly out: unknown;
  readonly notes?: readonly string[];
}

export interface Verb {
  readonly help: string;
  /** @param today the day it is run, as "2026-11-23" */
  readonly run: (argv: readonly string[], readText: ReadText, today: string) => Answer;
}

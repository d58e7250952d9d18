import { bestDeciders, drive } from './drive.js';
import type { PracticeRun } from './practice-run.js';
import { resultOf, type PracticeResult } from './result.js';
import type { PracticeScenario } from './scenario.js';

/** A run with what came of it. */
export interface FinishedRun {
  readonly run: PracticeRun;
  readonly result: PracticeResult;
}

/** Every choice of what is within reach. */
function choicesOf(items: readonly number[]): readonly (readonly number[])[] {
  return items.reduce<readonly (readonly number[])[]>(
    (choices, item) => [...choices, ...choices.map((choice) => [...choice, item])],
    [[]],
  );
}

/**
 * The best run of a pan: cooked by one who sees what is so, with whatever within reach helps most.
 * It is what a run is compared with; nobody could know enough to cook so.
 */
export function bestRun(scenario: PracticeScenario, seed: number): FinishedRun {
  const own = scenario.formula.lines.length;
  const reached = (scenario.within ?? []).map((_, i) => own + i);
  const runs = choicesOf(reached).map((more): FinishedRun => {
    const run = drive(scenario, seed, bestDeciders(more));
    return { run, result: resultOf(run) };
  });
  // Of two alike, the one with less put in: the first.
  return runs.reduce((best, each) => (each.result.score > best.result.score ? each : best));
}

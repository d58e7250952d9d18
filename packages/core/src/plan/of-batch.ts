import type { Boil } from '../boil-log/index.js';
import type { MadeBatch } from '../made-batch/index.js';
import { schedule, type Schedule, type Wish } from './schedule.js';
import { planSteps, type PlanOptions, type PlanStep } from './steps.js';

/** The plan of a batch as its log has it. */
export interface BatchPlan {
  readonly steps: readonly PlanStep[];
  /** What was wished; where nothing was, it began when it went on the heat, or begins soon. */
  readonly wish: Wish;
  readonly schedule: Schedule;
}

/**
 * Lays out a batch from what was wished, ticked and done in its log.
 *
 * @param soon when it begins if nobody said, milliseconds since 1970
 * @param now milliseconds since 1970
 * @returns undefined while nothing in the pot is understood
 */
export function planOfBatch(
  { formula, balance, keeping }: Pick<MadeBatch, 'formula' | 'balance' | 'keeping'>,
  { wish: wished, vessels, startedAt, stepsDone }: Boil,
  options: Pick<PlanOptions, 'people' | 'load'>,
  soon: number,
  now: number,
): BatchPlan | undefined {
  if (!balance) return undefined;
  const vessel = vessels.at(-1)?.vessel;
  const steps = planSteps(formula, balance, keeping, {
    ...options,
    ...(vessel && { vessel }),
    ...(wished?.with && { with: wished.with }),
  });
  const wish: Wish = wished ?? { by: 'start', at: startedAt ?? soon };
  return { steps, wish, schedule: schedule(steps, wish, stepsDone, now) };
}

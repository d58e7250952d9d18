import { balance as balanceOf } from '../balance/index.js';
import type { Boil } from '../boil-log/index.js';
import type { PotFormula } from '../formula/index.js';
import type { MadeBatch } from '../made-batch/index.js';
import { schedule, type Schedule, type Wish } from './schedule.js';
import type { PlanStep } from './plan-step.js';
import { planSteps, type PlanOptions } from './steps.js';

/** The plan of a batch as its log has it. */
export interface BatchPlan {
  readonly steps: readonly PlanStep[];
  /** What was wished; where nothing was, it began when it went on the heat, or begins soon. */
  readonly wish: Wish;
  readonly schedule: Schedule;
}

/** A formula that names no stages, cooked where the log says it is. */
function asCooked(formula: PotFormula, { places }: Boil): PotFormula {
  const last = places.at(-1);
  if (formula.stages.length > 0 || last === undefined) return formula;
  const { where, lid, heat } = last;
  return { ...formula, stages: [{ where, lid, heat, end: { type: 'finish' } }] };
}

/**
 * Lays out a batch from what was wished, ticked and done in its log.
 *
 * @param soon when it begins if nobody said, milliseconds since 1970
 * @param now milliseconds since 1970
 * @returns undefined while nothing in the pot is understood
 */
export function planOfBatch(
  {
    formula: written,
    balance: asWritten,
    keeping,
  }: Pick<MadeBatch, 'formula' | 'balance' | 'keeping'>,
  boil: Boil,
  options: Pick<PlanOptions, 'people' | 'load'>,
  soon: number,
  now: number,
): BatchPlan | undefined {
  const { wish: wished, startedAt, stepsDone } = boil;
  const formula = asCooked(written, boil);
  const balance = formula === written ? asWritten : balanceOf(formula);
  if (!balance) return undefined;
  const steps = planSteps(formula, balance, keeping, {
    ...options,
    ...(wished?.with && { with: wished.with }),
  });
  const wish: Wish = wished ?? { by: 'start', at: startedAt ?? soon };
  return { steps, wish, schedule: schedule(steps, wish, stepsDone, now) };
}

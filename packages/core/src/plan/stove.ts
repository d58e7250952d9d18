import { schedule, type Schedule, type Timed, type Wish } from './schedule.js';
import type { PlanStep } from './plan-step.js';
import { MINUTE_MS } from '../quantity/index.js';

/** A stretch at which the cook, or the one canner, is taken by a batch. Milliseconds since 1970. */
export interface Busy {
  readonly of: 'cook' | 'canner';
  readonly from: number;
  readonly to: number;
  /** Which batch, and what of it: "Damson jam: boil". */
  readonly what: string;
}

export interface Clash {
  readonly step: Timed;
  readonly with: Busy;
}

const SHIFT_MS = 5 * MINUTE_MS;
/** Further apart than this they are not one evening. */
const FURTHEST_MS = 16 * 60 * MINUTE_MS;

function takes({ code, attention }: PlanStep): Busy['of'] | undefined {
  if (code.startsWith('process-')) return 'canner';
  return attention === 'cannot-leave' ? 'cook' : undefined;
}

/**
 * When a plan needs a cook who does not leave, and when the canner. What is done is over.
 * @param name of the batch
 */
export function busyOf(plan: Schedule, name: string): Busy[] {
  return plan.steps.flatMap((step) => {
    const of = takes(step);
    return of === undefined || step.doneAt !== undefined
      ? []
      : [
          {
            of,
            from: step.start,
            to: step.end,
            what: `${name}: ${step.code.replace(/-\d+$/, '').replaceAll('-', ' ')}`,
          },
        ];
  });
}

/** Where two batches on one stove want the same cook or the same canner at once. */
export function clashesOf(plan: Schedule, busy: readonly Busy[]): Clash[] {
  return plan.steps.flatMap((step) => {
    const of = takes(step);
    if (of === undefined || step.doneAt !== undefined) return [];
    const taken = busy.find(
      (each) => each.of === of && each.from < step.end && step.start < each.to,
    );
    return taken ? [{ step, with: taken }] : [];
  });
}

/**
 * The wish nearest to the one given at which nothing clashes: earlier for jars wanted by a time, as
 * long as that is still to come, else later. A batch on the heat is not moved.
 *
 * @returns undefined when there is none within `FURTHEST_MS`
 */
export function clearOf(
  steps: readonly PlanStep[],
  wish: Wish,
  done: ReadonlyMap<string, number>,
  now: number,
  busy: readonly Busy[],
): Wish | undefined {
  for (let by = 0; by <= FURTHEST_MS; by += SHIFT_MS)
    for (const shift of wish.by === 'ready' ? [-by, by] : [by]) {
      const moved: Wish = { ...wish, at: wish.at + shift };
      const plan = schedule(steps, moved, done, now);
      // Pressed against the present it would not move at all.
      if (shift < 0 && plan.late > 0) continue;
      if (clashesOf(plan, busy).length === 0) return moved;
    }
  return undefined;
}

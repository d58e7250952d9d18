import type { PlanStep } from './plan-step.js';
import { MINUTE_MS } from '../quantity/index.js';

/**
 * What the cook wants: jars standing on the counter by then, or to begin then. Milliseconds since
 * 1970.
 */
export interface Wish {
  readonly by: 'ready' | 'start';
  readonly at: number;
}

export interface Timed extends PlanStep {
  readonly start: number;
  readonly end: number;
  /** When it was ticked, milliseconds since 1970. */
  readonly doneAt: number | undefined;
}

export interface Schedule {
  /** In the order they begin. */
  readonly steps: readonly Timed[];
  readonly begins: number;
  /** When the jars stand on the counter: soonest, likely, latest. */
  readonly ready: { readonly low: number; readonly mid: number; readonly high: number };
  /** Minutes later than wished; negative when there is time in hand. */
  readonly late: number;
}

/** The step at whose end the jars stand on the counter. */
const READY = 'lift';

const usual = ({ least, most }: PlanStep): number => ((least + most) / 2) * MINUTE_MS;

/** What a stand can give up when time is short, ms. */
const give = ({ elastic, least, most }: PlanStep): number =>
  elastic === true ? ((most - least) / 2) * MINUTE_MS : 0;

/**
 * The steps laid out in time: backwards from when the jars should be ready, or forwards from the
 * start. What is done is where it was, and the rest follows from the last of it; what should have
 * begun is begun now. A soak or a drip is cut down towards its least when time is short, and its
 * range is not a doubt of when the jars are ready: it is ended when it suits.
 *
 * @param done when steps were ticked, by their code
 * @param now milliseconds since 1970
 */
export function schedule(
  steps: readonly PlanStep[],
  wish: Wish,
  done: ReadonlyMap<string, number>,
  now: number,
): Schedule {
  const plan = laidOut(steps, wish, done, now, 0);
  const short_ms = plan.late * MINUTE_MS;
  if (wish.by === 'start' || short_ms <= 0) return plan;
  const lastDone = steps.findLastIndex(
    ({ code, before }) => before === undefined && done.has(code),
  );
  const spare = steps.slice(lastDone + 1).reduce((sum, step) => sum + give(step), 0);
  return spare > 0 ? laidOut(steps, wish, done, now, Math.min(short_ms / spare, 1)) : plan;
}

/** @param cut how much of what stands could give up it does, 0 to 1 */
function laidOut(
  steps: readonly PlanStep[],
  wish: Wish,
  done: ReadonlyMap<string, number>,
  now: number,
  cut: number,
): Schedule {
  const middle = (step: PlanStep): number => usual(step) - give(step) * cut;
  const chain = steps.filter(({ before }) => before === undefined);
  const untilReady = chain.slice(0, chain.findIndex(({ code }) => code === READY) + 1);
  const whole = untilReady.reduce((sum, step) => sum + middle(step), 0);
  const planned = wish.by === 'ready' ? wish.at - whole : wish.at;
  const lastDone = chain.findLastIndex(({ code }) => done.has(code));

  const timed: Timed[] = [];
  let at = lastDone < 0 ? Math.max(planned, now) : planned;
  chain.forEach((step, i) => {
    const doneAt = done.get(step.code);
    const start = i === lastDone + 1 && lastDone >= 0 ? Math.max(at, 0) : at;
    let end = start + middle(step);
    if (doneAt !== undefined) end = doneAt;
    // A step that was passed over was done without being ticked.
    else if (i < lastDone) end = Math.min(end, done.get(chain[lastDone]?.code ?? '') ?? end);
    // One that should be over is still going on.
    else if (i === lastDone + 1 && lastDone >= 0) end = Math.max(end, now);
    timed.push({ ...step, start: Math.min(start, end), end, doneAt });
    at = end;
  });
  const startOf = (code: string): number => timed.find((step) => step.code === code)?.start ?? at;
  const beside = steps.flatMap((step): Timed[] => {
    if (!step.before) return [];
    const doneAt = done.get(step.code);
    const start = startOf(step.before.code) - step.before.minutes * MINUTE_MS;
    return [{ ...step, start: doneAt ?? start, end: (doneAt ?? start) + middle(step), doneAt }];
  });
  const ready = timed.find(({ code }) => code === READY)?.end ?? at;
  const open = untilReady.slice(Math.max(lastDone + 1, 0));
  const spread = (pick: (step: PlanStep) => number): number =>
    open.reduce(
      (sum, step) => (step.elastic === true ? sum : sum + pick(step) * MINUTE_MS - middle(step)),
      0,
    );
  const late =
    wish.by === 'ready' ? (ready - wish.at) / MINUTE_MS : (ready - wish.at - whole) / MINUTE_MS;
  return {
    steps: [...timed, ...beside].sort((a, b) => a.start - b.start),
    begins: timed[0]?.start ?? now,
    ready: {
      low: ready + spread(({ least }) => least),
      mid: ready,
      high: ready + spread(({ most }) => most),
    },
    late: Math.round(late),
  };
}

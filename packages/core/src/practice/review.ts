import type { Aspect, PracticeAction } from './actions.js';
import { bestRun, type FinishedRun } from './best-run.js';
import { asPlayed, bestDeciders, drive, replay } from './drive.js';
import { medalsOf, type Medal, type PracticeMode } from './medals.js';
import type { PracticeRun } from './practice-run.js';
import { resultOf, type PracticeResult } from './result.js';
import type { PracticeScenario } from './scenario.js';
import { isTelling, signsOfPan, type PanSign } from './signs.js';

/** What one choice cost: the same run again with this one thing done as well as it could be. */
export interface ChoiceCost {
  readonly aspect: Aspect;
  /** What would have been, less what was. */
  readonly points: number;
  readonly jars: number;
  readonly firmness: number;
  readonly minutes: number;
  readonly tryNext: string;
}

/** A point of the curve of a run: seconds, and degrees the pan boils at or stands at. */
export interface CurvePoint {
  readonly time_s: number;
  readonly temperature_C: number;
}

/** When a sign was first there, seconds. */
export interface SeenSign {
  readonly time_s: number;
  readonly sign: PanSign;
}

/** A run that is over, beside the best of its pan, with what each choice cost. */
export interface PracticeReview {
  readonly result: PracticeResult;
  readonly best: PracticeResult;
  readonly curve: readonly CurvePoint[];
  readonly bestCurve: readonly CurvePoint[];
  /** Where it truly sets today, C; undefined where heat tells nothing. */
  readonly setsAt_C: number | undefined;
  /** Every sign that told something, in the order they came. */
  readonly signs: readonly SeenSign[];
  /** The dearest first; those that cost next to nothing are left out. */
  readonly costs: readonly ChoiceCost[];
  readonly medals: readonly Medal[];
}

/** Choices that can be played again by themselves. */
const CHOICES = ['add', 'heat', 'stir', 'finish', 'fill', 'storage'] as const;
/** Costs under this are left out, points. A choice of ours. */
const LEAST_COST = 1;

/** What to try next, by the choice that cost most. Common practice, no source. */
const TRY_NEXT: Readonly<Record<(typeof CHOICES)[number], (result: PracticeResult) => string>> = {
  add: () =>
    'Next time, look first at what the fruit lacks, and put things in in their order: acid and powdered pectin before the sugar.',
  heat: ({ spilled_kg }) =>
    spilled_kg > 0
      ? 'Next time, turn the heat down when the foam is close to the rim, before it runs over.'
      : 'Next time, simmer the fruit until it is soft, then boil as hard as the pan allows.',
  stir: () =>
    'Next time, stir more often: until the sugar is dissolved, then every few minutes, and every two near the end.',
  finish: ({ finish: { by } }) =>
    by < 0
      ? 'Next time, wait: test again before you stop, and stop at the setting point.'
      : 'Next time, test earlier and more often near the end, with the pan off the heat while you look.',
  fill: ({ floats }) =>
    floats
      ? 'Next time, let it rest 5 to 10 minutes and stir, so that the fruit does not float.'
      : 'Next time, fill while it is hot: at 85 °C (185 °F) or more.',
  storage: () =>
    'Next time, store the jars as this batch allows: on the shelf only after the full time in the canner.',
};

function costOfChoice(
  scenario: PracticeScenario,
  run: PracticeRun,
  best: FinishedRun,
  result: PracticeResult,
  aspect: (typeof CHOICES)[number],
): ChoiceCost {
  const more = best.run.actions.flatMap((action) =>
    action.type === 'add' && action.item >= scenario.formula.lines.length ? [action.item] : [],
  );
  const again = drive(scenario, run.seed, {
    ...asPlayed(run.actions),
    [aspect]: bestDeciders(more)[aspect],
  });
  const otherwise = resultOf(again, best.result.jars);
  return {
    aspect,
    points: otherwise.score - result.score,
    jars: otherwise.jars - result.jars,
    firmness: otherwise.firmness - result.firmness,
    minutes: otherwise.minutes - result.minutes,
    tryNext: TRY_NEXT[aspect](result),
  };
}

/** A point every so many steps of the pan. */
const CURVE_EVERY = 15;

/** Runs deeds again and keeps the curve, and when each sign was first seen. */
function watched(scenario: PracticeScenario, seed: number, actions: readonly PracticeAction[]) {
  const curve: CurvePoint[] = [];
  const seen = new Map<string, SeenSign>();
  let step = 0;
  const run = replay(scenario, seed, actions, ({ phase, time_s, pan }) => {
    if (phase !== 'stove' || step++ % CURVE_EVERY !== 0) return;
    curve.push({ time_s, temperature_C: pan.pot.temperature_C });
    for (const sign of signsOfPan(pan))
      if (isTelling(sign) && !seen.has(sign.code)) seen.set(sign.code, { time_s, sign });
  });
  return { curve, run, signs: [...seen.values()] };
}

/**
 * What came of deeds at a pan: played again from the seed, beside the best run.
 *
 * @param mode whether the forecast was shown at any time
 */
export function reviewRun(
  scenario: PracticeScenario,
  seed: number,
  actions: readonly PracticeAction[],
  mode: PracticeMode,
): PracticeReview {
  const best = bestRun(scenario, seed);
  const { curve, run, signs } = watched(scenario, seed, actions);
  const result = resultOf(run, best.result.jars);
  const { curve: bestCurve } = watched(scenario, seed, best.run.actions);
  const costs = CHOICES.map((aspect) => costOfChoice(scenario, run, best, result, aspect))
    .filter(({ points }) => points >= LEAST_COST)
    .toSorted((a, b) => b.points - a.points);
  const sets_C = run.finishAt_C();
  return {
    result,
    best: best.result,
    curve,
    bestCurve,
    setsAt_C: Number.isFinite(sets_C) ? sets_C : undefined,
    signs,
    costs,
    medals: medalsOf({ run, result, best: best.result, mode }),
  };
}

import { ASPECTS, type Aspect, type Deed, type PracticeAction } from './actions.js';
import { doDeed, aspectOf } from './deeds.js';
import { ADD_WHEN, type AddWhen } from '../formula/index.js';
import { FILLED_HOT_C } from '../made-batch/index.js';
import { MINUTE_S } from '../quantity/index.js';
import { PracticeRun } from './practice-run.js';
import { finishError, hasPieces } from './result.js';
import type { PracticeScenario } from './scenario.js';

/** Decides one aspect of a run: what to do about it now. */
export type Decider = (run: PracticeRun) => readonly Deed[];
export type Deciders = Readonly<Record<Aspect, Decider>>;

/** Nobody practises longer, s: on a burner, and where it cooks for hours. */
const LONGEST_S = 3 * 3600;
const LONGEST_GENTLE_S = 40 * 3600;

/** Lets deciders cook, to the end. */
export function drive(scenario: PracticeScenario, seed: number, deciders: Deciders): PracticeRun {
  const run = new PracticeRun(scenario, seed);
  const longest_s = run.pan.isGentle ? LONGEST_GENTLE_S : LONGEST_S;
  while (run.phase !== 'over' && run.time_s < longest_s) {
    for (const aspect of ASPECTS) for (const deed of deciders[aspect](run)) doDeed(run, deed);
    run.advance(run.pan.step_s);
  }
  return run;
}

/** Turned down as the foam comes near the rim, up again once it has gone down: shares of the depth. */
const FOAM = { down: 0.86, up: 0.6 } as const;
/** A curd is cooked gently near its end, K under its finish. Common practice. */
const CURD_GENTLE_K = 6;

/** Whether everything that goes in before the hard boil is in. */
const isAllIn = (run: PracticeRun): boolean =>
  run.items.every(
    ({ isPlanned, when, index }) =>
      !isPlanned || when === 'off-heat' || when === 'near-end' || run.isIn(index),
  );

/**
 * Fruit softens at a simmer: a hard boil would take the water it needs. Level of the burner, and when
 * it is turned up again, C.
 */
const SIMMER = { level: 2, upAgainUnder_C: 85 } as const;
const isSoftening = (run: PracticeRun): boolean =>
  run.items.some(
    ({ isPlanned, when, index }) => isPlanned && when === 'skins-soft' && !run.isIn(index),
  );

const bestHeat: Decider = (run) => {
  const { pan, formula } = run;
  if (run.phase !== 'stove') return [];
  const level = (wanted: number): readonly Deed[] =>
    pan.heat === wanted ? [] : [{ type: 'heat', level: wanted }];
  if (!pan.hasPower) return level(0);
  if (formula.finish.type === 'curd') {
    const left_K = run.finishAt_C() - pan.pot.temperature_C;
    return level(left_K > CURD_GENTLE_K ? 3 : 2);
  }
  if (pan.isGentle) return level(4);
  if (isSoftening(run) && pan.isBoiling) return level(SIMMER.level);
  if (
    isSoftening(run) &&
    pan.heat === SIMMER.level &&
    pan.pot.temperature_C > SIMMER.upAgainUnder_C
  )
    return [];
  if (pan.foam > FOAM.down && pan.heat > 1) return level(pan.heat - 1);
  if (pan.heat === 0 || (pan.foam < FOAM.up && pan.heat < 4)) return level(pan.heat + 1);
  return [];
};

/** Stirred so often, s: as the base needs it, and while sugar dissolves. Common practice. */
const STIRS_S = { sugar: 20, curd: 15, usual: 75, gentle: 3600 } as const;

function stirsEvery_s({ pan, formula }: PracticeRun): number {
  if (formula.finish.type === 'curd') return STIRS_S.curd;
  if (pan.isGentle) return STIRS_S.gentle;
  return pan.grains_kg > 0 ? STIRS_S.sugar : STIRS_S.usual;
}

const bestStir: Decider = (run) =>
  run.phase === 'stove' && run.pan.unstirred_s >= stirsEvery_s(run) ? [{ type: 'stir' }] : [];

/** Fruit softens for so long before its sugar, min. Common practice. */
const SOFTENS_MIN = 10;

/**
 * Sugar and spice of a fruit butter go in this far from its finish, per cent of its concentration. A
 * choice of ours.
 */
const NEAR_END_PERCENT = -50;

/** The butter of a curd melts in from here on, K under its finish. Common practice. */
const CURD_BUTTER_K = 12;

/** Puts what the formula has in at its time, and of what is within reach what is named. */
export const addsInTime =
  (more: readonly number[] = []): Decider =>
  (run) => {
    const { pan } = run;
    const due = run.items.filter(({ index, when, isPlanned, isWithinReach }) => {
      if (run.isIn(index) || !isWithinReach) return false;
      if (!isPlanned) return more.includes(index);
      switch (when) {
        case 'start':
        case 'before-sugar':
          return true;
        case 'skins-soft':
          return pan.softened_min >= SOFTENS_MIN;
        case 'full-boil':
        case 'after-sugar':
          return (
            pan.isBoiling &&
            run.items.every(
              (each) => !each.isPlanned || !comesBefore(each.when, when) || run.isIn(each.index),
            )
          );
        case 'near-end':
          return run.formula.finish.type === 'curd'
            ? pan.pot.temperature_C > run.finishAt_C() - CURD_BUTTER_K
            : finishError(run).by > NEAR_END_PERCENT;
        case 'off-heat':
          return run.phase === 'rest';
      }
    });
    return due.map(({ index }): Deed => ({ type: 'add', item: index }));
  };

const comesBefore = (one: AddWhen, other: AddWhen): boolean =>
  ADD_WHEN.indexOf(one) < ADD_WHEN.indexOf(other);

const bestFinish: Decider = (run) =>
  run.phase === 'stove' && isAllIn(run) && finishError(run).by >= 0 && run.pan.grains_kg <= 0
    ? [{ type: 'finish' }]
    : [];

/** Off the heat for so long, min, so that fruit does not float. Common practice: 5 to 10 minutes. */
const RESTS_MIN = 4.8;
/** And filled a little before it is too cool for the jar, K. A choice of ours. */
const FILLS_ABOVE_K = 0.5;
const bestFill: Decider = (run) => {
  if (run.phase !== 'rest') return [];
  const isIn = run.items.every(({ isPlanned, index }) => !isPlanned || run.isIn(index));
  const rested_s = run.time_s - (run.finishedAt_s ?? 0);
  const hasRested =
    !hasPieces(run) ||
    rested_s >= RESTS_MIN * MINUTE_S ||
    run.pan.pot.temperature_C < FILLED_HOT_C + FILLS_ABOVE_K;
  return isIn && hasRested ? [{ type: 'fill' }] : [];
};

const bestStorage: Decider = (run) => {
  if (run.phase === 'jars') {
    if (run.processMinutes > 0) return [{ type: 'process' }];
    return [{ type: 'store', keptIn: run.coldStorage }];
  }
  if (run.phase !== 'canner') return [];
  if (run.cannerBoilsFrom_s === undefined) return [{ type: 'canner-up' }];
  if (run.cannerStoppedAt_s !== undefined) return [{ type: 'restart' }];
  const timed_s = run.time_s - (run.timerFrom_s ?? run.time_s);
  return timed_s >= run.processMinutes * MINUTE_S ? [{ type: 'lift' }] : [];
};

/** Nobody looks: what is so is known. */
const knowsWithoutLooking: Decider = () => [];

/** A cook looks up every so often, s. */
const LOOKS_UP_S = 5;
const nowAndThen =
  (decide: Decider): Decider =>
  (run) =>
    run.time_s % LOOKS_UP_S === 0 ? decide(run) : [];

/** The best cook there is: one that sees what is so. */
export const bestDeciders = (more: readonly number[] = []): Deciders => ({
  add: nowAndThen(addsInTime(more)),
  heat: nowAndThen(bestHeat),
  stir: nowAndThen(bestStir),
  look: knowsWithoutLooking,
  finish: nowAndThen(bestFinish),
  fill: nowAndThen(bestFill),
  storage: nowAndThen(bestStorage),
});

/** The run of these deeds, in their order. */
export function replay(
  scenario: PracticeScenario,
  seed: number,
  actions: readonly PracticeAction[],
  look: (run: PracticeRun) => void = () => undefined,
): PracticeRun {
  const run = new PracticeRun(scenario, seed);
  for (const action of actions) {
    while (run.time_s < action.time_s - 1e-6 && run.phase !== 'over') {
      look(run);
      run.advance(run.pan.step_s);
    }
    doDeed(run, action);
  }
  return run;
}

/** What the moment of a deed is counted from: the heat on, the heat off, or the jars filled. */
type CountedFrom = 'begin' | 'finish' | 'fill';

/** A deed of a run and how long after that it was done, s. */
interface PlayedDeed {
  readonly deed: Deed;
  readonly from: CountedFrom;
  readonly after_s: number;
}

/** Deeds with what their moments are counted from: jars go where they went as long after they were filled. */
function countedFrom(actions: readonly PracticeAction[]): readonly PlayedDeed[] {
  const finish = actions.findIndex(({ type }) => type === 'finish');
  const starts: Readonly<Record<CountedFrom, number>> = {
    begin: 0,
    finish: actions[finish]?.time_s ?? 0,
    fill: actions.find(({ type }) => type === 'fill')?.time_s ?? 0,
  };
  return actions.map((action, i) => {
    const isAfter = finish >= 0 && i > finish;
    const ofJars = aspectOf(action.type) === 'storage' ? 'fill' : 'finish';
    const from = isAfter ? ofJars : 'begin';
    return { deed: action, from, after_s: action.time_s - starts[from] };
  });
}

/**
 * Does again what was done, an aspect at a time, at the same moments; what came after the pan was off
 * the heat, or after the jars were filled, as long after it now.
 */
export function asPlayed(actions: readonly PracticeAction[]): Deciders {
  const played = countedFrom(actions);
  const deciderOf = (aspect: Aspect): Decider => {
    const own = played.filter(({ deed }) => aspectOf(deed.type) === aspect);
    let next = 0;
    return (run) => {
      const starts = { begin: 0, finish: run.finishedAt_s, fill: run.filledAt_s };
      const due: Deed[] = [];
      for (let each = own[next]; each; each = own[next]) {
        const start_s = starts[each.from];
        if (start_s === undefined || start_s + each.after_s > run.time_s + 1e-6) break;
        due.push(each.deed);
        next += 1;
      }
      return due;
    };
  };
  return Object.fromEntries(ASPECTS.map((aspect) => [aspect, deciderOf(aspect)])) as Record<
    Aspect,
    Decider
  >;
}

import { boilFrom } from '../boil-log/index.js';
import { watchBoil } from '../forecast/index.js';
import { MINUTE_S } from '../quantity/index.js';
import {
  bestDeciders,
  drive,
  type Decider,
  doDeed,
  type PracticeRun,
  type PracticeScenario,
} from '../practice/index.js';

/*
 * Cooks for the tests of practice. They all add, stir and turn the heat as they should; they differ
 * in how they know when it is done.
 */

const DONE = [{ type: 'finish' }] as const;
const isSugarIn = (run: PracticeRun): boolean =>
  run.items.every(
    ({ isPlanned, when, index }) =>
      !isPlanned || when === 'off-heat' || when === 'near-end' || run.isIn(index),
  );

/** Stops when the card says so. */
export const byClock: Decider = (run) =>
  run.phase === 'stove' && run.time_s >= run.scenario.cardMinutes * MINUTE_S && isSugarIn(run)
    ? DONE
    : [];

/** So long a spoonful cools before it is pushed, s. Common practice. */
const COOLS_S = 100;
/** Between two spoonfuls, s: of a curd, of a boil, over hours. */
const BETWEEN_PLATES_S = { curd: 45, boil: 210, gentle: 5400 } as const;
/** The first spoonful is taken once it looks thick: soluble solids, mass fraction. */
const LOOKS_THICK = 0.5;

const betweenPlates_s = ({ formula, pan }: PracticeRun): number => {
  if (formula.finish.type === 'curd') return BETWEEN_PLATES_S.curd;
  return pan.isGentle ? BETWEEN_PLATES_S.gentle : BETWEEN_PLATES_S.boil;
};

const isWorthAPlate = ({ formula: { finish }, pan }: PracticeRun): boolean => {
  if (finish.type === 'hard-boil') return pan.boiled_min > 0.3;
  return pan.isGentle || finish.type === 'curd' || pan.solids > LOOKS_THICK;
};

/** Looks at a spoonful on the cold plate every few minutes, and stops when it wrinkles. */
export function byEye(): Decider {
  let next_s = 0;
  return (run) => {
    if (run.phase !== 'stove' || !isSugarIn(run)) return [];
    if (run.onPlate) {
      if (run.time_s - run.onPlate.takenAt_s < COOLS_S) return [];
      const shows = run.plateShows();
      next_s = run.time_s + betweenPlates_s(run);
      const isDone = shows === 'wrinkles' || shows === 'stiff';
      return isDone ? [{ type: 'push' }, ...DONE] : [{ type: 'push' }];
    }
    return isWorthAPlate(run) && run.time_s >= next_s ? [{ type: 'plate' }] : [];
  };
}

/** How it looks at the forecast: no sooner again than, no later again than, and done with so much left, s. */
const LOOKS_S = {
  boil: { least: 10, most: 240, done: 8 },
  gentle: { least: 300, most: 5400, done: 150 },
} as const;
/** It comes back after this share of the time that is left. */
const LOOKS_AGAIN_AFTER = 0.5;

/** Reads the thermometer, and looks at the forecast: less often while there is long to go. */
export function byForecast(): Decider {
  let next_s = 0;
  return (run) => {
    if (run.phase !== 'stove' || !isSugarIn(run) || run.time_s < next_s) return [];
    const { least, most, done } = run.pan.isGentle ? LOOKS_S.gentle : LOOKS_S.boil;
    doDeed(run, { type: 'check' });
    doDeed(run, { type: 'read' });
    if (run.pan.isGentle) doDeed(run, { type: 'weigh' });
    const isTimed = run.log.some(({ type }) => type === 'minute');
    if (run.pan.boiled_min > 0.05 && !isTimed) doDeed(run, { type: 'time' });
    const watched = watchBoil(boilFrom(run.log), run.document, run.kitchen, run.now_ms);
    if (!watched) return [];
    const { mid } = watched.forecast.left_s;
    next_s = run.time_s + Math.min(Math.max(mid * LOOKS_AGAIN_AFTER, least), most);
    return mid <= done ? DONE : [];
  };
}

/** They differ at the stove: all put their jars into the fridge, which saves the time of a canner. */
const intoTheFridge: Decider = ({ phase }) =>
  phase === 'jars' ? [{ type: 'store', keptIn: 'fridge' }] : [];

/** Cooks with one of them. */
export const cookedBy = (scenario: PracticeScenario, seed: number, finish: Decider): PracticeRun =>
  drive(scenario, seed, { ...bestDeciders(), storage: intoTheFridge, finish });

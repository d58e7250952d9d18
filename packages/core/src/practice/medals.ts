import type { Deed } from './actions.js';
import { aspectOf } from './deeds.js';
import type { PracticeRun } from './practice-run.js';
import { MOST_POINTS_FOR, type PracticeResult } from './result.js';

/** By eye, or with the forecast shown: two scores. */
export const PRACTICE_MODES = ['eye', 'forecast'] as const;
export type PracticeMode = (typeof PRACTICE_MODES)[number];

/** What a medal is given by. */
interface MedalInput {
  readonly run: PracticeRun;
  readonly result: PracticeResult;
  readonly best: PracticeResult;
  readonly mode: PracticeMode;
}

/** A medal: for something done, never for something that came by itself. */
interface MedalRule {
  readonly code: string;
  readonly title: string;
  readonly why: string;
  readonly isEarned: (input: MedalInput) => boolean;
}

/** A look this long before the end still tells of it, s. */
const STILL_TELLS_S = 240;
/** Over hours a look tells for so long, s. */
const STILL_TELLS_GENTLE_S = 2 * 3600;
/** A thermometer errs by what matters from here on, K. */
const ERRS_K = 1;
/** The pan was near to running over: foam, share of the depth. */
const NEAR_RIM = 0.8;
const GOOD_SCORE = 85;

const looked = ({ actions, finishedAt_s = Infinity, pan }: PracticeRun): boolean =>
  actions.some(
    ({ type, time_s }) =>
      aspectOf(type) === 'look' &&
      type !== 'check' &&
      type !== 'note' &&
      time_s <= finishedAt_s &&
      finishedAt_s - time_s <= (pan.isGentle ? STILL_TELLS_GENTLE_S : STILL_TELLS_S),
  );
const hasFull = (part: keyof PracticeResult['points'], { points }: PracticeResult): boolean =>
  points[part] >= MOST_POINTS_FOR[part] * 0.97;
const did = ({ actions }: PracticeRun, type: Deed['type']): boolean =>
  actions.some((action) => action.type === type);

export const MEDALS: readonly MedalRule[] = [
  {
    code: 'on-the-point',
    title: 'On the point',
    why: 'stopped where it should be, and looked just before',
    isEarned: ({ run, result }) => hasFull('finish', result) && looked(run),
  },
  {
    code: 'steady-hand',
    title: 'Steady hand',
    why: 'foam came close to the rim and never ran over',
    isEarned: ({ run }) =>
      run.pan.highestFoam > NEAR_RIM &&
      run.pan.spilled_kg === 0 &&
      run.actions.filter(({ type }) => type === 'heat').length > 1,
  },
  {
    code: 'clean-base',
    title: 'Clean base',
    why: 'stirred in time from the first sugar to the end',
    isEarned: ({ run, result }) =>
      result.caught < 0.02 &&
      result.solidsPercent > 50 &&
      run.actions.filter(({ type }) => type === 'stir').length >= 4,
  },
  {
    code: 'checked-first',
    title: 'Checked first',
    why: 'checked the thermometer, which reads wrong, and stopped at the right place',
    isEarned: ({ run, result }) =>
      Math.abs(run.truth.thermometer_K) >= ERRS_K &&
      run.actions.some(
        ({ type, time_s }) => type === 'check' && time_s < (run.finishedAt_s ?? 0),
      ) &&
      hasFull('finish', result),
  },
  {
    code: 'right-order',
    title: 'In the right order',
    why: 'the pectin went in when it could dissolve, and set',
    isEarned: ({ run, result }) =>
      run.pan.contents.highMethoxyl + run.pan.contents.lowMethoxyl > 0 &&
      run.actions.some(
        (action) =>
          action.type === 'add' && run.formula.lines[action.item]?.ingredient.category === 'pectin',
      ) &&
      run.pan.pectinUsed() > 0.8 &&
      hasFull('set', result),
  },
  {
    code: 'safe-jars',
    title: 'Safe jars',
    why: 'something went wrong on the way, and the jars still went where they keep',
    isEarned: ({ run, result }) =>
      hasFull('storage', result) &&
      (did(run, 'restart') || run.notices.some(({ code }) => code === 'helper-added')),
  },
  {
    code: 'cool-head',
    title: 'Cool head',
    why: 'the power went out, and the batch was saved',
    isEarned: ({ run, result }) =>
      run.notices.some(({ code }) => code === 'power-off') && result.score >= GOOD_SCORE,
  },
  {
    code: 'every-jar',
    title: 'Every jar',
    why: 'as many jars as the best cook, and a good set',
    isEarned: ({ run, result, best }) =>
      result.jars >= 0.97 * best.jars &&
      hasFull('set', result) &&
      hasFull('finish', result) &&
      looked(run),
  },
  {
    code: 'by-eye',
    title: 'By eye',
    why: 'as good as with the forecast, without it',
    isEarned: ({ run, result, mode }) =>
      mode === 'eye' && result.score >= GOOD_SCORE && looked(run),
  },
];

/** A medal that was earned. */
export type Medal = Pick<MedalRule, 'code' | 'title' | 'why'>;

export const medalsOf = (input: MedalInput): readonly Medal[] =>
  MEDALS.filter(({ isEarned }) => isEarned(input)).map(({ code, title, why }) => ({
    code,
    title,
    why,
  }));

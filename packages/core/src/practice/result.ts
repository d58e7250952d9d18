import { madeBatch } from '../made-batch/index.js';
import { boilFrom } from '../boil-log/index.js';
import { KEEPING_VERDICTS, type KeepingVerdict } from '../keeping/index.js';
import { firmnessWord, type FirmnessWord } from '../pectin/index.js';
import { isProduce } from '../produce/index.js';
import { softens } from '../formula/index.js';
import { MINUTE_S } from '../quantity/index.js';
import type { PracticeRun } from './practice-run.js';

/** What the points of a run are for. */
export const SCORE_PARTS = ['set', 'finish', 'jars', 'taste', 'storage'] as const;
export type ScorePart = (typeof SCORE_PARTS)[number];

/** Points of a perfect run; 100 in all. A choice of ours: what can hurt, and what cannot be mended, weighs most. */
export const MOST_POINTS_FOR: Readonly<Record<ScorePart, number>> = {
  set: 30,
  finish: 20,
  jars: 15,
  taste: 15,
  storage: 20,
};

/** How far from its finish a run ended, in the unit its finish is watched in. */
export interface FinishError {
  readonly unit: 'K' | 'percent' | 'minutes';
  /** Under 0: stopped early. */
  readonly by: number;
}

/** What came of a run. */
export interface PracticeResult {
  readonly firmness: number;
  readonly firmnessWord: FirmnessWord;
  readonly solidsPercent: number;
  readonly finish: FinishError;
  /** Fractional jars of the first size and the others together. */
  readonly jars: number;
  readonly spilled_kg: number;
  readonly caught: number;
  readonly darkened: number;
  readonly curdled: number;
  /** Sugar that was never dissolved, share of the pan. */
  readonly grainShare: number;
  /** Minutes it stood off the heat before it was filled. */
  readonly rested_min: number;
  readonly floats: boolean;
  readonly filledAt_C: number;
  /** Minutes from the heat on to the heat off. */
  readonly minutes: number;
  readonly storedIn: 'shelf' | 'fridge' | 'freezer';
  /** The kindest storage that the rules allow what is in these jars, as it was made. */
  readonly allowed: KeepingVerdict;
  readonly points: Readonly<Record<ScorePart, number>>;
  /** 0 to 100. */
  readonly score: number;
}

/** A share that is 1 within the inner bounds and falls to 0 at the outer ones. */
function shareWithin(
  value: number,
  [none, from, to, gone]: readonly [number, number, number, number],
): number {
  if (value >= from && value <= to) return 1;
  const share = value < from ? (value - none) / (from - none) : (gone - value) / (gone - to);
  return Math.min(Math.max(share, 0), 1);
}

/** Firmness of a set: none of the points, all, all, none. Guesses about what makers call right. */
const SET_BOUNDS = [0.3, 0.8, 1.7, 3.2] as const;
/** Soluble solids, per cent, at which a gel is a spread and no toffee: none, all, all, none. Guesses. */
const SPREAD_BOUNDS = [-1, 0, 71, 84] as const;
/** How far from the finish: early none, all, all, late none. Guesses; by the unit of the error. */
const FINISH_BOUNDS: Readonly<
  Record<FinishError['unit'], readonly [number, number, number, number]>
> = {
  K: [-2, -0.35, 0.45, 2.2],
  percent: [-22, -3, 4, 22],
  minutes: [-0.8, -0.1, 0.8, 5],
};
/** A curd thickens to its finish and a little over; beyond, it curdles. */
const CURD_BOUNDS = [-6, -0.4, 3, 8] as const;

/** How far from its finish the pan is now. */
export function finishError(run: PracticeRun): FinishError {
  const { formula, pan } = run;
  const { finish } = formula;
  switch (finish.type) {
    case 'gel-temperature':
      // What it came to, not how hot it is: it may have cooled since.
      return { unit: 'K', by: pan.boilsAt_C - run.finishAt_C() };
    case 'curd':
      return { unit: 'K', by: pan.hottest_C - finish.temperature_C };
    case 'hard-boil':
      return { unit: 'minutes', by: pan.boiled_min - finish.minutes };
    case 'soluble-solids':
      return { unit: 'percent', by: (pan.solids * 100 * 100) / finish.percent.mid - 100 };
    case 'weight':
      return { unit: 'percent', by: (1 - pan.mass_kg / finish.mass_kg.mid) * 100 };
    case 'consistency':
      return { unit: 'percent', by: (pan.solids * 100 * 100) / run.wantedSolidsPercent - 100 };
  }
}

/** A rest this long keeps fruit from floating, min. Common practice: 5 to 10 minutes. */
const REST_MIN = 4.5;

/** Whether pieces of fruit float: filled at once, they are lighter than the syrup. */
export const hasPieces = ({ formula }: PracticeRun): boolean =>
  formula.kind !== 'jelly' &&
  formula.kind !== 'curd' &&
  formula.kind !== 'fruit-butter' &&
  formula.lines.some(
    ({ ingredient, form }) => isProduce(ingredient) && softens(form) && form !== 'crushed',
  );

/** A whiff of caramel, and burnt; a deep colour, and brown. The scales are those of `pan-effects`. */
const CAUGHT_BOUNDS = [-1, 0, 0.12, 1] as const;
const DARKENED_BOUNDS = [-1, 0, 0.75, 2] as const;
/** Sugar left undissolved grows into crystals: nothing of it, and so much. */
const GRAINS_BOUNDS = [-1, 0, 0.003, 0.05] as const;
/** Floating fruit costs this share of the points for taste and looks. */
const FLOATS_COSTS = 0.35;

/** What of a storage that is not the right one is left: too kind is nothing. */
const STRICTER_THAN_NEEDED = [1, 0.55, 0.4] as const;

function storageShare(stored: PracticeResult['storedIn'], allowed: KeepingVerdict): number {
  const stricter = KEEPING_VERDICTS.indexOf(stored) - KEEPING_VERDICTS.indexOf(allowed);
  return STRICTER_THAN_NEEDED[stricter] ?? 0;
}

/** Jars as a share of the best run's: none of the points, all, all, and no more for thin jars. */
const JARS_BOUNDS = [0.55, 0.96, 9, 10] as const;

/** What came of a run as far as the stove and the ladle decide it. */
export type StoveResult = Omit<PracticeResult, 'storedIn' | 'allowed' | 'points' | 'score'> & {
  readonly points: Readonly<Record<Exclude<ScorePart, 'storage'>, number>>;
};

/**
 * What came of a run before its jars went anywhere.
 *
 * @param bestJars jars of the best run of the same pan; its own where it is the best
 */
export function stoveResultOf(run: PracticeRun, bestJars?: number): StoveResult {
  const { pan, formula, finishedAt_s = run.time_s, filledAt_s = run.time_s } = run;
  const firmness = pan.firmness();
  const finish = finishError(run);
  const jars = run.jars.reduce((sum, count) => sum + count, 0);
  const rested_min = (filledAt_s - finishedAt_s) / MINUTE_S;
  const floats = hasPieces(run) && rested_min < REST_MIN;
  const grainShare = pan.grains_kg / Math.max(pan.mass_kg, 1e-6);
  const bounds = formula.finish.type === 'curd' ? CURD_BOUNDS : FINISH_BOUNDS[finish.unit];
  const taste =
    shareWithin(pan.caught, CAUGHT_BOUNDS) *
    shareWithin(pan.darkened, DARKENED_BOUNDS) *
    shareWithin(grainShare, GRAINS_BOUNDS) *
    (1 - pan.curdled) *
    (floats ? 1 - FLOATS_COSTS : 1);
  const isSpread = shareWithin(pan.solids * 100, SPREAD_BOUNDS);
  return {
    firmness,
    firmnessWord: firmnessWord(firmness),
    solidsPercent: pan.solids * 100,
    finish,
    jars,
    spilled_kg: pan.spilled_kg,
    caught: pan.caught,
    darkened: pan.darkened,
    curdled: pan.curdled,
    grainShare,
    rested_min,
    floats,
    filledAt_C: run.filledAt_C ?? pan.pot.temperature_C,
    minutes: finishedAt_s / MINUTE_S,
    points: {
      set: MOST_POINTS_FOR.set * shareWithin(firmness, SET_BOUNDS) * isSpread,
      finish: MOST_POINTS_FOR.finish * shareWithin(finish.by, bounds),
      jars:
        MOST_POINTS_FOR.jars *
        (bestJars === undefined ? 1 : shareWithin(jars / bestJars, JARS_BOUNDS)),
      taste: MOST_POINTS_FOR.taste * taste,
    },
  };
}

/**
 * What came of a run that is over, its jars stored.
 *
 * @param bestJars jars of the best run of the same pan; its own where it is the best
 */
export function resultOf(run: PracticeRun, bestJars?: number): PracticeResult {
  const stove = stoveResultOf(run, bestJars);
  const storedIn = run.storedIn ?? 'fridge';
  const { verdict: allowed } = madeBatch(run.document, boilFrom(run.log), run.kitchen, {
    planned: storedIn !== 'shelf',
  }).keeping;
  const points = {
    ...stove.points,
    storage: MOST_POINTS_FOR.storage * storageShare(storedIn, allowed),
  };
  const score = Math.round(SCORE_PARTS.reduce((sum, part) => sum + points[part], 0));
  return { ...stove, storedIn, allowed, points, score };
}

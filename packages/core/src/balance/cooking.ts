import type { CookStage, PotFormula, StageEnd } from '../formula/index.js';
import { MINUTE_S } from '../quantity/index.js';
import { propagate, type Range } from '../range/index.js';
import {
  boilingCurve,
  cookOf,
  cookThrough,
  heatingOf,
  LONGEST_COOK_S,
  PAN_DIAMETER_M,
  PANTRY_C,
  type BoilingCurve,
  type Cooked,
  type Heating,
  type PanModel,
  type PotState,
  type Stretch,
} from '../thermal/index.js';
import { addInto, nothing, type Contents } from './contents.js';

/** What is in a pan, as warm as said. @param temperature_C as warm as the kitchen unless given */
export function panOf(contents: Contents, temperature_C = PANTRY_C): PotState {
  const { mass, soluble, insoluble, hexose } = contents;
  return {
    water: Math.max(mass - soluble - insoluble, 0.01),
    soluble,
    insoluble,
    invertShare: soluble > 0 ? Math.min(hexose / soluble, 1) : 0,
    temperature_C,
  };
}

/** How a batch cooks, with what does not change while its amounts are moved. */
export interface BatchCook {
  readonly stages: readonly CookStage[];
  /** How it is heated in each of them. */
  readonly heatings: readonly Heating[];
  readonly curve: BoilingCurve;
  /** What goes in at the start of each stage but the first, as in the middle of its range. */
  readonly later: readonly Contents[];
}

/**
 * @param parts contents of each line of the formula, in their order
 * @param pressure_kPa of the place
 */
export function batchCook(
  formula: PotFormula,
  contents: Contents,
  parts: readonly Contents[],
  pressure_kPa: number,
): BatchCook {
  const stages = cookOf(formula);
  const later = stages.map((_, i) => {
    const sum = nothing();
    if (i > 0)
      formula.lines.forEach((line, k) => {
        const part = parts[k];
        // A stage that is not there is the last one.
        if (part && Math.min(line.stage, stages.length) === i + 1) addInto(sum, part);
      });
    return sum;
  });
  return {
    stages,
    heatings: stages.map((stage) => heatingOf(formula, stage, contents.mass)),
    curve: boilingCurve(pressure_kPa),
    later,
  };
}

/** Whether the clock, or what is in the pan by then, ends it, and no finish. */
export const endsByItself = ({ stages }: Pick<BatchCook, 'stages'>): boolean =>
  stages.at(-1)?.end.type !== 'finish';

/** pH hardly matters for how fast water leaves; the pan model asks for one. */
const ANY_PH = 3.3;

/** The pan of a stage. */
export const panOfStage = ({ heatings, curve }: BatchCook, i: number): PanModel => ({
  curve,
  pH: ANY_PH,
  diameter_m: PAN_DIAMETER_M,
  ...heatings[i]?.pan,
});

/** A value of a range so far from its middle: -1 is its low end, 1 its high one. */
export const atShare = ({ low, mid, high }: Range, share: number): number =>
  Math.max(mid + (share > 0 ? high - mid : mid - low) * share, 0);

function stretchEnd(end: StageEnd, share: number, finished_kg: number): Stretch['end'] {
  switch (end.type) {
    case 'time':
      return { type: 'time', seconds: atShare(end.minutes, share) * MINUTE_S };
    case 'finish':
      return { type: 'mass', mass_kg: finished_kg };
    case 'mass':
    case 'share':
    case 'volume':
      return end;
  }
}

/**
 * Follows a batch through its stages.
 *
 * @param share how far heat and times are from their middle: -1 cooks away the least, 1 the most
 * @param finished_kg where a stage ends at the finish
 */
export function cookBatch(
  cook: BatchCook,
  contents: Contents,
  share: number,
  finished_kg: number,
): Cooked {
  const { stages, heatings, later } = cook;
  const first = { ...contents };
  for (const part of later) addInto(first, part, -1);
  const stretches = stages.map((stage, i): Stretch => {
    const part = later[i];
    return {
      heat_W: atShare(heatings[i]?.heat_W ?? { low: 0, mid: 0, high: 0 }, share),
      pan: panOfStage(cook, i),
      end: stretchEnd(stage.end, share, finished_kg),
      ...(part &&
        part.mass > 0 && {
          added: {
            soluble_kg: part.soluble,
            insoluble_kg: part.insoluble,
            water_kg: part.mass - part.soluble - part.insoluble,
          },
        }),
    };
  });
  return cookThrough(panOf(first), stretches);
}

/** A stage as it is expected. */
export interface StageForecast {
  readonly minutes: Range;
  /** In the pan at its end. */
  readonly mass_kg: Range;
}

/** A cook as it is expected, from the heat going on to the finish. */
export interface CookForecast {
  readonly stages: readonly StageForecast[];
  readonly minutes: Range;
  /** The heat is never enough for the finish, or not for days. */
  readonly neverReached: boolean;
}

/**
 * What each stage takes and leaves.
 *
 * @param finished_kg at the finish, 5-95 %
 */
export function cookForecast(
  cook: BatchCook,
  contents: Contents,
  finished_kg: Range,
): CookForecast {
  const figuresAt = ([share = 0, finished = 0]: number[]): number[] => {
    const { stretches } = cookBatch(cook, contents, share, finished);
    const minutes = stretches.map(({ seconds }) => Math.min(seconds, LONGEST_COOK_S) / MINUTE_S);
    return [
      ...minutes,
      ...stretches.map(({ mass_kg }) => mass_kg),
      minutes.reduce((sum, each) => sum + each, 0),
    ];
  };
  const count = cook.stages.length;
  const ranges = propagate([{ low: -1, mid: 0, high: 1 }, finished_kg], figuresAt);
  const none: Range = { low: 0, mid: 0, high: 0 };
  const atLeast0 = ({ low, mid, high }: Range): Range => ({ low: Math.max(low, 0), mid, high });
  const minutes = atLeast0(ranges[2 * count] ?? none);
  return {
    stages: cook.stages.map((_, i) => ({
      minutes: atLeast0(ranges[i] ?? none),
      mass_kg: atLeast0(ranges[count + i] ?? none),
    })),
    minutes,
    neverReached: minutes.mid >= LONGEST_COOK_S / MINUTE_S,
  };
}

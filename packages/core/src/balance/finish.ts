import { times, within, type Range } from '../range/index.js';
import { boilingPointAt, saturationPressure_kPa, saturationTemperature_C } from '../water/index.js';
import { MEAN_CURVE, NORRISH, solidsAtActivity, STARZAK_PEACOCK } from '../syrup/index.js';
import type { PotFormula } from '../formula/index.js';
import { massOfPot } from '../thermal/index.js';
import type { Contents } from './contents.js';
import { cookBatch, endsByItself, type BatchCook } from './cooking.js';

/** Doubt of reading a thermometer in a moving pot, kelvin, 5-95 %. Common practice. */
const READING_DOUBT_K = 0.3;

/**
 * Water lost while a timed boil is brought up, and per minute of it, share of the pot. Common
 * practice, no source.
 */
const TIMED_BOIL = { upTo: 0.045, eachMinute: 0.01, doubt: 0.55 } as const;

/** A curd thickens; next to nothing boils off, share of the pot. Common practice, no source. */
const CURD_LOSS: Range = { low: 0, mid: 0.015, high: 0.04 };

/**
 * Soluble solids of a pot stopped at a rise above water, as a function of that rise, of how much of
 * the sugar is invert, and of which curve of sucrose is right.
 *
 * The boiling curve is solved at seven points and bent through them by parabolas; within the ranges
 * asked for it is within 0.15 per cent solids of the solver (see the tests), at a thousandth of its
 * cost.
 */
export interface GelCurve {
  readonly solidsAt: (rise_K: number, invertShare: number, curve: number) => number;
}

export function gelCurve(rise: Range, invertShare: number, pressure_kPa: number): GelCurve {
  const water = saturationTemperature_C(pressure_kPa);
  const solve = (rise_K: number, invert: number, curve: number): number => {
    const temperature = water + Math.max(rise_K, 0.1);
    return solidsAtActivity(
      Math.log(pressure_kPa / saturationPressure_kPa(temperature)),
      temperature,
      invert,
      curve,
    );
  };
  const [i0, i1, i2] = [
    Math.max(invertShare - 0.2, 0),
    invertShare,
    Math.min(invertShare + 0.25, 1),
  ];
  const middle = solve(rise.mid, i1, MEAN_CURVE);
  const byInvert = parabola(
    [i0, solve(rise.mid, i0, MEAN_CURVE)],
    [i1, middle],
    [i2, solve(rise.mid, i2, MEAN_CURVE)],
  );
  const byRise = parabola(
    [rise.low, solve(rise.low, i1, MEAN_CURVE)],
    [rise.mid, middle],
    [rise.high, solve(rise.high, i1, MEAN_CURVE)],
  );
  const byCurve = parabola(
    [STARZAK_PEACOCK, solve(rise.mid, i1, STARZAK_PEACOCK)],
    [MEAN_CURVE, middle],
    [NORRISH, solve(rise.mid, i1, NORRISH)],
  );
  return {
    solidsAt: (rise_K, invert, curve) =>
      Math.min(
        Math.max(byInvert(invert) + byRise(rise_K) + byCurve(curve) - 2 * middle, 0.02),
        0.95,
      ),
  };
}

type Point = readonly [x: number, y: number];
/** The parabola through three points; a line or a constant where points coincide. */
function parabola([x0, y0]: Point, [x1, y1]: Point, [x2, y2]: Point): (x: number) => number {
  const left = x1 === x0 ? 0 : (y1 - y0) / (x1 - x0);
  const right = x2 === x1 ? left : (y2 - y1) / (x2 - x1);
  const first = x1 === x0 ? right : left;
  const bend = x2 === x0 ? 0 : (right - first) / (x2 - x0);
  return (x) => y1 + (x - x1) * (first + bend * (x - x0));
}

/** How the finish turns a pot into a finished mass, with its one uncertain number. */
export interface FinishRule {
  readonly type: PotFormula['finish']['type'] | 'stages';
  /**
   * A rise in kelvin, a mass fraction of solids or of water lost, kilograms, or for stages how far
   * their heat is from its middle, by type.
   */
  readonly value: Range;
  readonly cook: BatchCook;
  readonly gel: GelCurve | undefined;
  /** The boil goes on until the finish is there; otherwise it is timed and this is its length. */
  readonly timedMinutes: number | undefined;
  readonly pressure_kPa: number;
  readonly boilingPoint_C: Range;
}

/**
 * @param invertGuess share of the solids that is invert sugar by the end of the boil, for the gel
 * curve's middle
 */
export function finishRule(
  formula: PotFormula,
  contents: Contents,
  cook: BatchCook,
  invertGuess: number,
): FinishRule {
  const { finish } = formula;
  const { boilingPoint_C, pressure_kPa } = boilingPointAt(formula.place);
  const rule = (value: Range, timedMinutes?: number, gel?: GelCurve): FinishRule => ({
    type: finish.type,
    value,
    cook,
    gel,
    timedMinutes,
    pressure_kPa,
    boilingPoint_C,
  });
  if (endsByItself(cook)) return { ...rule(FROM_LEAST_TO_MOST), type: 'stages' };
  switch (finish.type) {
    case 'gel-temperature': {
      const doubt = Math.hypot(boilingPoint_C.high - boilingPoint_C.mid, READING_DOUBT_K);
      const rise = {
        low: Math.max(finish.rise_K - doubt, 0.1),
        mid: finish.rise_K,
        high: finish.rise_K + doubt,
      };
      return rule(rise, undefined, gelCurve(rise, invertGuess, pressure_kPa));
    }
    case 'soluble-solids':
      return rule(times(finish.percent, 0.01));
    case 'consistency':
      return rule(finish.percent ? times(finish.percent, 0.01) : solidsOfButter(contents));
    case 'hard-boil':
      return rule(
        within(
          Math.min(TIMED_BOIL.upTo + TIMED_BOIL.eachMinute * finish.minutes, 0.35),
          TIMED_BOIL.doubt,
        ),
        finish.minutes,
      );
    case 'weight':
      return rule(finish.mass_kg);
    case 'curd':
      return rule(CURD_LOSS, 15);
  }
}

/** Of the water that stages cook away: the least, the likely, the most. */
const FROM_LEAST_TO_MOST: Range = { low: -1, mid: 0, high: 1 };

const solidsOfButter = ({ soluble, addedSugar }: Contents): Range =>
  solidsAtConsistency(soluble > 0 ? addedSugar / soluble : 0);

/** Kilograms left at the finish, never more than went in. */
export function finishedMass(
  rule: FinishRule,
  value: number,
  invertShare: number,
  curve: number,
  contents: Contents,
): number {
  const wanted = Math.min(wantedMass(rule, value, invertShare, curve, contents), contents.mass);
  // Stages by the clock may be past the finish before the last of them.
  return rule.type !== 'stages' && rule.cook.stages.length > 1
    ? massOfPot(cookBatch(rule.cook, contents, 0, wanted).state)
    : wanted;
}

function wantedMass(
  { type, gel, cook }: FinishRule,
  value: number,
  invertShare: number,
  curve: number,
  contents: Contents,
): number {
  const { mass, soluble, insoluble } = contents;
  switch (type) {
    case 'stages': {
      const mounds_kg = soluble / solidsOfButter(contents).mid + insoluble;
      return massOfPot(cookBatch(cook, contents, value, mounds_kg).state);
    }
    case 'gel-temperature':
      return soluble / (gel?.solidsAt(value, invertShare, curve) ?? 0.65) + insoluble;
    case 'soluble-solids':
    case 'consistency':
      return soluble / value + insoluble;
    case 'hard-boil':
    case 'curd':
      return mass * (1 - value);
    case 'weight':
      return value;
  }
}

/**
 * Soluble solids at which makers stop a butter, mass fraction: unsweetened ones thicken by their
 * own pulp, sweetened ones are stopped later. Common practice, no source; wide because taste
 * decides.
 *
 * @param addedSugarShare share of the soluble solids that was added as sugar, 0 to 1
 */
export function solidsAtConsistency(addedSugarShare: number): Range {
  const sweetened = Math.min(addedSugarShare / 0.5, 1);
  const between = (plain: number, sweet: number): number => plain + (sweet - plain) * sweetened;
  return { low: between(0.2, 0.32), mid: between(0.275, 0.425), high: between(0.35, 0.53) };
}

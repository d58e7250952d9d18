import { within, type Range } from '../range/index.js';
import { titratablePercentOf } from '../acid/index.js';
import { INVERSION_FACTOR, inversionRate_perMin, syrupDensity_kgPerM3 } from '../syrup/index.js';
import {
  butterFirmness,
  curdFirmness,
  highMethoxylFirmness,
  lowMethoxylFirmness,
  NATURAL_GRADE,
  pectinLeft,
} from '../pectin/index.js';
import { fillInOrder } from '../jars/index.js';
import { MINUTE_S } from '../quantity/index.js';
import { boilDownTime_s, LONGEST_COOK_S } from '../thermal/index.js';
import type { PotFormula } from '../formula/index.js';
import { pHOfContents, type Contents } from './contents.js';
import { panOf, panOfStage } from './cooking.js';
import { finishedMass, type FinishRule } from './finish.js';

/** Left on the pan and the ladle, kg. Common practice, no source; one figure for every pot. */
export const FILM_KG: Range = { low: 0.01, mid: 0.03, high: 0.08 };
/** Skimmed as foam, share of the finished mass. Common practice, no source. */
export const FOAM_SHARE: Range = { low: 0, mid: 0.015, high: 0.03 };
/** Air in the jarred spread, share of its volume. Common practice, no source. */
export const AIR_SHARE: Range = { low: 0.01, mid: 0.02, high: 0.03 };
/** Spread goes into the jar at about this temperature. Common practice. */
export const FILL_C = 90;
/** Doubt of a jar's volume, and of filling to the headspace, share. */
export const JAR_DOUBT = 0.03;
/**
 * Minutes the fruit softens before the sugar goes in; it costs pectin and some of the water. Common
 * practice.
 */
const SOFTENING_MIN = 15;
/**
 * Longest boil with the sugar in: what has more water than that is simmered down first, as
 * marmalade peel is. Common practice.
 */
const LONGEST_SUGAR_BOIL_MIN = 30;
const SHORTEST_SUGAR_BOIL_MIN = 4;
/**
 * What softening takes off the boil that follows, minutes; how long and how briskly it is done
 * differs by the hand. Common practice.
 */
export const SOFTENING_SAVES_MIN: Range = { low: 4, mid: 12, high: 20 };
/** No gel is reached sooner once it boils, minutes. */
export const LEAST_BOIL_MIN = 2;
/**
 * A timed boil is brought up over some minutes with the sugar in; cooling in the jar counts as some
 * more. Vukov 1965 with common practice.
 */
const BRINGING_UP_MIN = 5;
export const COOLING_MIN = 7;
/**
 * The pot climbs to its finish; as far as inversion goes it stood this share of the rise above
 * water.
 */
const MEAN_RISE = 0.55;

/** Of the fruit's own pectin so much is drawn out in a timed boil, which softens no skins. A guess. */
const DRAWN_IN_TIMED_BOIL = 0.6;

/** Which set decides the firmness. */
export type SetModel = 'high-methoxyl' | 'low-methoxyl' | 'consistency' | 'egg' | 'none';

/** The doubts of the whole pot, beside those of its lines. */
export type PotInput =
  | 'finish'
  | 'curve'
  | 'inversion'
  | 'heat'
  | 'film'
  | 'foam'
  | 'air'
  | 'jar'
  | 'pectinModel'
  | 'pHModel';

/**
 * Ranges of the pot's own doubts. `finish` is what {@link FinishRule} says.
 * @param yieldShare as past batches of this kitchen tell
 */
export const potInputs = (
  rule: FinishRule,
  heat_W: Range,
  yieldShare?: Range,
): Record<PotInput, Range> => ({
  finish: rule.value,
  curve: { low: 0, mid: 0.5, high: 1 },
  inversion: INVERSION_FACTOR,
  heat: heat_W,
  film: FILM_KG,
  foam: FOAM_SHARE,
  air: AIR_SHARE,
  jar: within(1, yieldShare ? (yieldShare.high - yieldShare.low) / 2 / yieldShare.mid : JAR_DOUBT),
  // Natural pectin that takes part varies by more than its amount does.
  pectinModel: { low: 0.75, mid: 1, high: 1.3 },
  // Charge balance against a meter in a thick spread.
  pHModel: { low: -0.05, mid: 0, high: 0.05 },
});

export interface JarFill {
  readonly fill_ml: number;
  readonly available?: number;
}

/** What does not change while the inputs are moved. */
export interface PotRules {
  readonly rule: FinishRule;
  readonly model: SetModel;
  readonly jars: readonly JarFill[];
  readonly curdTemperature_C: number;
  /** Fruit is softened before the sugar goes in. */
  readonly softens: boolean;
  /**
   * What comes to the jars as a share of what is computed, as past batches of this kitchen tell.
   */
  readonly yieldShare: number;
}

/** Which set decides, by kind and by what is in the pot. */
export function setModelOf(formula: PotFormula, contents: Contents): SetModel {
  if (formula.kind === 'curd') return 'egg';
  if (contents.lowMethoxyl > contents.highMethoxyl && contents.lowMethoxyl > 0)
    return 'low-methoxyl';
  if (formula.kind === 'fruit-butter') return 'consistency';
  if (formula.kind === 'syrup') return 'none';
  return formula.method === 'calcium-pectin' ? 'low-methoxyl' : 'high-methoxyl';
}

/** One outcome; every number for one set of inputs. */
export interface Outcome {
  mass: number;
  soluble: number;
  insoluble: number;
  /** Of the liquid, per cent. */
  solids: number;
  finished: number;
  volume_ml: number;
  waterOff: number;
  losses: number;
  pH: number;
  firmness: number;
  /** Share of the sucrose that was split. */
  inversion: number;
  /** Share of the soluble solids that is invert sugar at the end. */
  invertShare: number;
  /** Minutes at the boil with the sugar in. */
  boilMinutes: number;
  /** Minutes acid and heat act on the sugar; see `SugarBoil`. */
  sugared_min: number;
  pectinPercent: number;
  counts: number[];
  fillMass_g: number[];
}

/** Share of the sucrose that an ordinary boil splits, for first guesses. Trade texts, from memory. */
export const ORDINARY_INVERSION = 0.3;

/** Share of the soluble solids that is invert sugar before the boil. */
export const hexoseShare = ({ soluble, hexose }: Contents): number =>
  soluble > 0 ? Math.min(hexose / soluble, 1) : 0;

/** How long a pan boils with the sugar in. */
interface SugarBoil {
  /** As a cook counts it, minutes. */
  readonly minutes: number;
  /** What acid and heat have to act in: a longer boil is simmered down before the sugar, minutes. */
  readonly sugared_min: number;
}

function sugarBoil(
  contents: Contents,
  finished: number,
  heat_W: number,
  { rule: { timedMinutes, cook }, softens }: Pick<PotRules, 'rule' | 'softens'>,
): SugarBoil {
  if (timedMinutes !== undefined) {
    const minutes = timedMinutes + BRINGING_UP_MIN;
    return { minutes, sugared_min: minutes };
  }
  const pan = panOfStage(cook, cook.stages.length - 1);
  const toBoilOff_s = Math.min(
    boilDownTime_s(panOf(contents), heat_W, pan, finished),
    LONGEST_COOK_S,
  );
  const saved_min = softens ? SOFTENING_SAVES_MIN.mid : 0;
  const minutes = Math.max(toBoilOff_s / MINUTE_S - saved_min, LEAST_BOIL_MIN);
  return {
    minutes,
    sugared_min: Math.min(Math.max(minutes, SHORTEST_SUGAR_BOIL_MIN), LONGEST_SUGAR_BOIL_MIN),
  };
}

/** How far acid and heat have split the sugar. */
interface SplitSugar {
  /** Share of the soluble solids that is invert sugar when the heat goes off. */
  readonly atFinish: number;
  /** Share of the sucrose that is split in the jar, and of the solids that is invert sugar there. */
  readonly inJar: number;
  readonly shareInJar: number;
}

function splitSugar(
  contents: Contents,
  finished: number,
  { sugared_min }: SugarBoil,
  pH: number,
  factor: number,
  { rule, curdTemperature_C }: Pick<PotRules, 'rule' | 'curdTemperature_C'>,
): SplitSugar {
  const { soluble, insoluble } = contents;
  const solids = Math.min(soluble / Math.max(finished - insoluble, soluble, 1e-9), 0.9);
  const rise_K = rule.type === 'gel-temperature' ? rule.value.mid : 10 * solids * solids;
  const hot_C =
    rule.type === 'curd' ? curdTemperature_C : rule.boilingPoint_C.mid + MEAN_RISE * rise_K;
  const rate = inversionRate_perMin(1 - solids * 0.9, hot_C, pH) * factor;
  const atFinish = 1 - Math.exp(-rate * sugared_min);
  const inJar = 1 - Math.exp(-rate * (sugared_min + COOLING_MIN));
  const hexose = hexoseShare(contents);
  return {
    atFinish: hexose + (1 - hexose) * atFinish,
    inJar,
    shareInJar: hexose + (1 - hexose) * inJar,
  };
}

/** What a firmness is computed from. Pectin in per cent of the finished spread. */
export interface SetFigures {
  readonly contents: Contents;
  readonly pectinModel: number;
  readonly curdTemperature_C: number;
  readonly solidsPercent: number;
  readonly insolublePercent: number;
  readonly invertShare: number;
  readonly pH: number;
  readonly highMethoxyl: number;
  readonly lowMethoxyl: number;
}

function gelFirmness({
  contents,
  pectinModel,
  solidsPercent,
  invertShare,
  pH,
  highMethoxyl,
  lowMethoxyl,
}: SetFigures): number {
  const high = highMethoxylFirmness({
    solidsPercent,
    pH,
    pectinPercent: highMethoxyl,
    invertShare,
  });
  if (lowMethoxyl <= 0) return high;
  const calcium_mgPerG = contents.freeCalcium_mg / (contents.lowMethoxyl * 1000);
  const low = lowMethoxylFirmness(
    { solidsPercent, pH, pectinPercent: lowMethoxyl },
    calcium_mgPerG,
    contents.oxalate / contents.mass,
  );
  return high + low * pectinModel;
}

/** Firmness by what sets the spread; 1 is a good set. */
export function firmnessOf(model: SetModel, figures: SetFigures): number {
  switch (model) {
    case 'egg':
      return curdFirmness(figures.contents.egg / figures.contents.mass, figures.curdTemperature_C);
    case 'consistency':
      return (
        butterFirmness(figures.solidsPercent, figures.insolublePercent) *
        Math.sqrt(figures.pectinModel)
      );
    case 'none':
      return 0;
    case 'high-methoxyl':
    case 'low-methoxyl':
      return gelFirmness(figures);
  }
}

/** The pH of another outcome of the pot, before the model's own doubt. */
export interface KnownPH {
  readonly pH: number;
  /** Whether acids were moved since; where only masses or losses were it stays as it was. */
  readonly moves: boolean;
}

/**
 * Everything about a pot for one set of numbers: the one place the parts of the computation meet.
 *
 * @param known of an outcome that these numbers are near to
 */
export function evaluate(
  contents: Contents,
  pot: Readonly<Record<PotInput, number>>,
  rules: PotRules,
  known?: KnownPH,
): Outcome {
  const { rule, model, jars, curdTemperature_C, yieldShare } = rules;
  const { mass, soluble, insoluble } = contents;
  // Buffers hardly notice how far the pan is boiled down, and how long it boils hardly depends on
  // its inversion: both are taken at a first guess of the finished mass.
  const hexose = hexoseShare(contents);
  const guess = finishedMass(
    rule,
    pot.finish,
    hexose + (1 - hexose) * ORDINARY_INVERSION,
    pot.curve,
    contents,
  );
  const pHOfModel = known?.moves === false ? known.pH : pHOfContents(contents, guess, known?.pH);
  const pH = Math.max(pHOfModel + pot.pHModel, 0);
  const boil = sugarBoil(contents, guess, pot.heat, rules);
  const split = splitSugar(contents, guess, boil, pH, pot.inversion, rules);
  const finished = Math.max(
    finishedMass(rule, pot.finish, split.atFinish, pot.curve, contents),
    1e-9,
  );
  const solids = Math.min(soluble / Math.max(finished - insoluble, soluble, 1e-9), 0.95);
  const density = syrupDensity_kgPerM3(Math.min(solids, 0.85), FILL_C) * (1 - pot.air);
  const jarred = Math.max(finished - pot.film, 0) * (1 - pot.foam);
  const volume_ml = (jarred / density) * 1e6;

  const left = pectinLeft(
    boil.sugared_min + (rule.timedMinutes === undefined ? SOFTENING_MIN : 0),
    pH,
  );
  const addedLeft = pectinLeft(Math.max(boil.minutes, boil.sugared_min), pH);
  const drawn = rule.timedMinutes === undefined ? 1 : DRAWN_IN_TIMED_BOIL;
  const natural = contents.pectin * NATURAL_GRADE * drawn * left * pot.pectinModel;
  const highMethoxyl = ((natural + contents.highMethoxyl * addedLeft) / finished) * 100;
  const lowMethoxyl = (contents.lowMethoxyl / finished) * 100;
  const firmness = firmnessOf(model, {
    contents,
    pectinModel: pot.pectinModel,
    curdTemperature_C,
    solidsPercent: solids * 100,
    insolublePercent: (insoluble / finished) * 100,
    invertShare: split.shareInJar,
    pH,
    highMethoxyl,
    lowMethoxyl,
  });
  return {
    mass,
    soluble,
    insoluble,
    solids: solids * 100,
    finished,
    volume_ml: (finished / density) * 1e6,
    waterOff: mass - finished,
    losses: finished - jarred,
    pH,
    firmness,
    inversion: split.inJar,
    invertShare: split.shareInJar,
    boilMinutes: boil.minutes,
    sugared_min: boil.sugared_min,
    pectinPercent: highMethoxyl + lowMethoxyl,
    counts: fillInOrder((volume_ml * yieldShare) / pot.jar, jars),
    fillMass_g: jars.map((jar) => jar.fill_ml * pot.jar * density * 1e-3),
  };
}

/**
 * Titratable acidity of the finished spread as citric acid, per cent; apart, since it is wanted
 * seldom.
 */
export const acidityOf = (contents: Contents, outcome: Outcome): number =>
  titratablePercentOf(
    contents,
    Math.max(outcome.finished - contents.insoluble, outcome.finished * 0.2),
    outcome.pH,
  ) * Math.max(1 - contents.insoluble / outcome.finished, 0.2);

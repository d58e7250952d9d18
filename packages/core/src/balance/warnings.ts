import {
  softeningIn,
  ADD_WHEN,
  usualAddWhen,
  type PotFormula,
  type PotLine,
  type Warning,
  type WarningCode,
} from '../formula/index.js';
import { HALF_PINT_ML } from '../jars/index.js';
import type { Range } from '../range/index.js';
import { inHalfPints } from './bracket.js';
import { panForFoam_l, volumeInPan_l } from './pan-fill.js';
import { batchesForPectin } from './pectin-measure.js';
import type { PreparedPot } from './prepare.js';

/** One thing that may be odd about a pan: its text where it is, undefined where it is not. */
interface PotWarningRule {
  readonly code: WarningCode;
  readonly text: (pot: PreparedPot) => string | undefined;
}

const timed = ({ rule }: PreparedPot): boolean => rule.type === 'hard-boil' || rule.type === 'curd';

const finishBelowSolids: PotWarningRule = {
  code: 'finish-below-solids',
  text: ({ rule, contents: { soluble, insoluble } }) =>
    rule.type === 'weight' && rule.value.mid < soluble + insoluble
      ? `the pan cannot be boiled to ${rule.value.mid.toFixed(2)} kg: ${(soluble + insoluble).toFixed(2)} kg of it is not water`
      : undefined,
};

/** Gel curves are asked at the middle of their doubt: an ordinary share of invert, the mean curve. */
const ORDINARY_INVERT = 0.3;
const MEAN_CURVE = 0.5;
/** Solids at the setting point where no curve is known, mass fraction. Common practice. */
const USUAL_GEL_SOLIDS = 0.65;

function solidsAtFinish({ rule }: PreparedPot): number {
  if (rule.type !== 'gel-temperature') return rule.value.mid;
  return rule.gel?.solidsAt(rule.value.mid, ORDINARY_INVERT, MEAN_CURVE) ?? USUAL_GEL_SOLIDS;
}

const alreadyPastFinish: PotWarningRule = {
  code: 'already-past-finish',
  text: (pot) => {
    const { rule, formula, contents } = pot;
    const { mass, soluble, insoluble } = contents;
    if (timed(pot) || rule.type === 'stages') return undefined;
    if (rule.type === 'weight') {
      const wanted = rule.value.mid;
      return wanted < mass || wanted < soluble + insoluble
        ? undefined
        : `${mass.toFixed(2)} kg goes in, less than the ${wanted.toFixed(2)} kg wanted at the finish; nothing would boil off`;
    }
    const finish = solidsAtFinish(pot);
    const now = soluble / Math.max(mass - insoluble, 1e-9);
    if (now < finish) return undefined;
    const sweetened = formula.lines.some(({ ingredient }) => ingredient.category === 'sweetener');
    return `the pan holds ${(now * 100).toFixed(0)} % soluble solids before it boils, past the ${(finish * 100).toFixed(0)} % of the finish; take out ${sweetened ? 'sugar' : 'what sweetens it'}, or add fruit or water`;
  },
};

/** A pan this thick burns on its base: it is taken as boiled dry, per cent of solids. Common practice. */
const DRY_FROM = 80;

const boilsDry: PotWarningRule = {
  code: 'boils-dry',
  text: ({ rule, outcome }) =>
    rule.type === 'stages' && outcome.solids > DRY_FROM
      ? 'it boils dry and burns before these stages are over: less time, less heat, or the lid on'
      : undefined,
};

/** High-methoxyl pectin sets from about here, per cent of solids. Common practice. */
const FULL_SUGAR_FROM = 58;

const sugarCut: PotWarningRule = {
  code: 'sugar-cut',
  text: ({ formula: { method }, contents, outcome }) =>
    contents.highMethoxyl > 0 &&
    (method === 'powdered-pectin' || method === 'liquid-pectin') &&
    outcome.solids < FULL_SUGAR_FROM
      ? `${outcome.solids.toFixed(0)} % solids at the finish: this pectin needs its full sugar to set; use the low-sugar or calcium kind to cut it`
      : undefined,
};

const batchDoubled: PotWarningRule = {
  code: 'batch-doubled',
  text: ({ formula }) =>
    batchesForPectin(formula) > 1
      ? 'more than one measure of pectin at once: a doubled batch heats unevenly and often does not set; cook it in two'
      : undefined,
};

const pectinInLongBoil: PotWarningRule = {
  code: 'pectin-in-long-boil',
  text: ({ formula, contents }) =>
    formula.method === 'long-boil' && contents.highMethoxyl + contents.lowMethoxyl > 0
      ? 'added pectin loses its strength in a long boil; computed as written'
      : undefined,
};

const noCalciumPectin: PotWarningRule = {
  code: 'no-calcium-pectin',
  text: ({ formula, contents }) =>
    formula.method === 'calcium-pectin' && contents.lowMethoxyl <= 0
      ? 'the method sets by calcium pectin, but none is in the pan'
      : undefined,
};

const noJamSugar: PotWarningRule = {
  code: 'no-jam-sugar',
  text: ({ formula: { method, lines } }) =>
    method === 'jam-sugar' && !lines.some(({ ingredient }) => ingredient.id.startsWith('jam-sugar'))
      ? 'the method uses sugar with pectin in it, but none is in the pan'
      : undefined,
};

const sweetWithoutSolids: PotWarningRule = {
  code: 'sweet-without-solids',
  text: ({ formula, contents }) =>
    formula.lines.some(({ ingredient }) => ingredient.id === 'sucralose') &&
    contents.highMethoxyl > 0 &&
    contents.lowMethoxyl <= 0
      ? 'sucralose adds sweetness but no solids: only calcium pectin sets with it'
      : undefined,
};

/**
 * Sweetener by which powdered pectin may be mixed before it goes in, kg: a quarter cup. Common
 * practice.
 */
const MIXING_SUGAR_KG = 0.06;

/** When each line goes in, as its place in {@link ADD_WHEN}; what the maker says beats the method. */
function addedWhen({ kind, method, lines }: PotFormula): (line: PotLine) => number {
  const softening = softeningIn(lines);
  return ({ ingredient, goesIn }) =>
    ADD_WHEN.indexOf(goesIn ?? usualAddWhen(kind, method, ingredient, softening));
}
/** A maker who does not say when follows the method. */
const saysWhen = ({ lines }: PotFormula): boolean =>
  lines.some(({ goesIn }) => goesIn !== undefined);
const sugarOf = ({ lines }: PotFormula): PotLine[] =>
  lines.filter(
    ({ ingredient, mass_kg }) =>
      ingredient.category === 'sweetener' && mass_kg.mid > MIXING_SUGAR_KG,
  );
const pectinOf = ({ lines }: PotFormula): PotLine[] =>
  lines.filter(({ ingredient }) => ingredient.category === 'pectin');

const sugarBeforePectin: PotWarningRule = {
  code: 'sugar-before-pectin',
  text: ({ formula }) => {
    if (formula.method !== 'powdered-pectin' || !saysWhen(formula)) return undefined;
    const when = addedWhen(formula);
    const tooEarly = pectinOf(formula).some((pectin) =>
      sugarOf(formula).some((sugar) => when(sugar) <= when(pectin)),
    );
    return tooEarly
      ? 'the sugar goes in before the powdered pectin: it then takes the water and the pectin stays in lumps. Pectin first, full rolling boil, then all the sugar at once'
      : undefined;
  },
};

const sugarByDegrees: PotWarningRule = {
  code: 'sugar-by-degrees',
  text: ({ formula: { method, sugarIn } }) =>
    sugarIn === 'by-degrees' && (method === 'powdered-pectin' || method === 'jam-sugar')
      ? 'with this pectin all the sugar goes in at once: by degrees the pectin is boiled too long, and the set is weak'
      : undefined,
};

const liquidPectinFirst: PotWarningRule = {
  code: 'liquid-pectin-first',
  text: ({ formula }) => {
    if (formula.method !== 'liquid-pectin' || !saysWhen(formula)) return undefined;
    const when = addedWhen(formula);
    const first = pectinOf(formula).some(
      (pectin) => !sugarOf(formula).some((sugar) => when(sugar) < when(pectin)),
    );
    return first
      ? 'liquid pectin goes in last, when fruit and sugar are at a full rolling boil; boiled with the fruit it loses its strength'
      : undefined;
  },
};

const sugarBeforeSoft: PotWarningRule = {
  code: 'sugar-before-soft',
  text: ({ formula }) => {
    if (formula.method !== 'long-boil' || !saysWhen(formula) || !softeningIn(formula.lines))
      return undefined;
    const when = addedWhen(formula);
    return sugarOf(formula).some((sugar) => when(sugar) < ADD_WHEN.indexOf('skins-soft'))
      ? 'sugar toughens skins that are not soft yet: simmer the fruit first, then the sugar'
      : undefined;
  },
};

const panTooSmall: PotWarningRule = {
  code: 'pan-too-small',
  text: ({ formula: { pan, kind }, contents }) => {
    const capacity_l = pan?.capacity_l;
    if (capacity_l === undefined || kind === 'curd' || kind === 'fruit-butter') return undefined;
    const fill_l = volumeInPan_l(contents);
    const { least } = panForFoam_l(fill_l);
    return least <= capacity_l
      ? undefined
      : `${fill_l.toFixed(1)} l in a ${capacity_l.toFixed(1)} l pan: foam rises three to four times and boils over. Fill it to a third at most: a larger pan, or ${Math.ceil(least / capacity_l)} batches`;
  },
};

/**
 * Sucrose that stays dissolved in a cool cupboard, share of sucrose and water at 20 C. Sugar
 * technology, from memory.
 */
const SOLUBLE_SUCROSE = 0.666;
/** Above this many per cent of solids grains form unless enough of the sugar is inverted. */
const GRAINY_SOLIDS = { percent: 68, leastInversion: 0.15 } as const;

const mayCrystallise: PotWarningRule = {
  code: 'may-crystallise',
  text: ({ formula, contents, outcome }) => {
    if (formula.kind === 'curd') return undefined;
    const water = Math.max(outcome.finished - contents.soluble - contents.insoluble, 1e-9);
    const sucrose = contents.soluble * (1 - outcome.invertShare);
    const grainy =
      sucrose / (sucrose + water) > SOLUBLE_SUCROSE + 0.02 ||
      (outcome.solids > GRAINY_SOLIDS.percent && outcome.inversion < GRAINY_SOLIDS.leastInversion);
    return grainy
      ? `${outcome.solids.toFixed(0)} % solids with ${(outcome.inversion * 100).toFixed(0)} % of the sugar inverted: grains may form in the jar; a little more acid or stopping sooner helps`
      : undefined;
  },
};

/** A gel that is sharper than this, or firm with much invert sugar, weeps. Common practice. */
const WEEPS = { pH: 2.75, firmness: 0.8, inversion: 0.6, firmWithInvert: 1.4 } as const;

const mayWeep: PotWarningRule = {
  code: 'may-weep',
  text: ({ formula, outcome: { firmness, pH, inversion }, rules }) =>
    formula.kind !== 'curd' &&
    rules.model === 'high-methoxyl' &&
    firmness > WEEPS.firmness &&
    (pH < WEEPS.pH || (inversion > WEEPS.inversion && firmness > WEEPS.firmWithInvert))
      ? `pH ${pH.toFixed(1)} and a firm set: the gel may weep in the jar`
      : undefined,
};

/** In the order they are shown. */
const POT_WARNINGS: readonly PotWarningRule[] = [
  finishBelowSolids,
  alreadyPastFinish,
  boilsDry,
  sugarCut,
  batchDoubled,
  pectinInLongBoil,
  noCalciumPectin,
  noJamSugar,
  sweetWithoutSolids,
  sugarBeforePectin,
  sugarByDegrees,
  liquidPectinFirst,
  sugarBeforeSoft,
  panTooSmall,
  mayCrystallise,
  mayWeep,
];

/** What is odd about a pan: past its finish, methods mixed, grains or weeping to come. */
export const potWarnings = (pot: PreparedPot): Warning[] =>
  POT_WARNINGS.flatMap(({ code, text }) => {
    const found = text(pot);
    return found === undefined ? [] : [{ code, text: found }];
  });

/** What a recipe's claims are held against. */
export interface Audited {
  /** Half-pints no physics can leave. */
  readonly yieldBracket: { readonly least: number; readonly most: number };
  readonly solubleSolids_kg: Range;
  readonly massIn_kg: Range;
  readonly finish: { readonly volume_ml: Range };
}

/** Likely yields go a little lower than computed: what stays in pan and ladle. Common practice. */
const LEFT_BEHIND = 0.05;
/** A stated yield within this share of the likely one is not remarked on. A choice of ours. */
const YIELD_WITHIN = 0.1;

/** Whether the yield a recipe states can be, and whether it is likely. */
function statedYieldWarning(
  { claims: { statedYield } }: PotFormula,
  { yieldBracket, solubleSolids_kg, massIn_kg, finish }: Audited,
): Warning | undefined {
  if (!statedYield) return undefined;
  const claimed = inHalfPints(statedYield.count, statedYield.jar);
  const says = `the recipe says ${statedYield.count} ${statedYield.jar.name[1]}`;
  const inJars = (halfPints: number): string =>
    ((halfPints * statedYield.count) / claimed).toFixed(1);
  if (claimed < yieldBracket.least)
    return {
      code: 'stated-yield-impossible',
      text: `${says}; the ${solubleSolids_kg.mid.toFixed(2)} kg of sugar and fruit solids in it fill ${inJars(yieldBracket.least)} even when boiled to toffee (72 %)`,
    };
  if (claimed > yieldBracket.most)
    return {
      code: 'stated-yield-impossible',
      text: `${says}; all ${massIn_kg.mid.toFixed(2)} kg that goes in would fill ${inJars(yieldBracket.most)} with nothing boiled away`,
    };
  const low = (finish.volume_ml.low / HALF_PINT_ML) * (1 - LEFT_BEHIND);
  const high = finish.volume_ml.high / HALF_PINT_ML;
  return claimed < low * (1 - YIELD_WITHIN) || claimed > high * (1 + YIELD_WITHIN)
    ? {
        code: 'stated-yield-unlikely',
        text: `${says}; ${inJars(low)} to ${inJars(high)} is likely`,
      }
    : undefined;
}

/**
 * Two amounts of one line count as the same within this share: cups are not scales. Common
 * practice.
 */
const SAME_AMOUNT = 0.12;

/** Whether two amounts of one line say different things. */
function twoAmountsWarning(line: PotLine): Warning | undefined {
  const also = line.alsoStated_kg;
  if (!also) return undefined;
  const agree =
    also.low <= line.mass_kg.high * (1 + SAME_AMOUNT) &&
    also.high >= line.mass_kg.low * (1 - SAME_AMOUNT);
  return agree
    ? undefined
    : {
        code: 'stated-amounts-disagree',
        text: `${line.amount.value} ${line.amount.unit.name[1]} of ${line.label} is ${line.mass_kg.mid.toFixed(2)} kg, but the other amount given is ${also.mid.toFixed(2)} kg; weigh it`,
      };
}

/** What a recipe claims against what can be. */
export const auditWarnings = (formula: PotFormula, audited: Audited): Warning[] =>
  [statedYieldWarning(formula, audited), ...formula.lines.map(twoAmountsWarning)].filter(
    (warning) => warning !== undefined,
  );

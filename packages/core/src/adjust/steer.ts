import { preparePot, type PreparedPot } from '../balance/index.js';
import { readFormula, type FormulaDocument, type Kitchen } from '../formula/index.js';
import { ingredientById, isProduce } from '../produce/index.js';
import type { UnitSystem } from '../quantity/index.js';
import { amountFor } from './addition.js';
import { bisect } from './bisect.js';
import { amountOf, edited, scaledAmount, type Edit } from './edit.js';

/** What can be steered, with the span a maker would go over. Common practice, no source. */
export const STEERED = {
  /** pH, by bottled lemon juice. */
  sharpness: { least: 2.9, most: 4.2 },
  /** Kilograms of sweetener to one of fruit. */
  sweetness: { least: 0.1, most: 1.6 },
  /** The set, 1 for a good one, by where it is stopped or by its pectin. */
  firmness: { least: 0.2, most: 2 },
} as const;
export type Steered = keyof typeof STEERED;

export interface SteerOptions {
  readonly kitchen?: Kitchen;
  readonly units?: UnitSystem;
}

/** Lemon beyond this share of the pot is not steering. A choice of ours. */
const MOST_LEMON = 0.1;
const LEMON = 'lemon-juice-bottled';
const STEPS = 18;

/** Where a formula stands on each of the three, or undefined where it has none. */
export function steeredValue(pot: PreparedPot, what: Steered): number | undefined {
  switch (what) {
    case 'sharpness':
      return pot.outcome.pH;
    case 'sweetness': {
      const mass = (of: (line: PreparedPot['formula']['lines'][number]) => boolean): number =>
        pot.formula.lines.reduce((sum, line) => sum + (of(line) ? line.mass_kg.mid : 0), 0);
      const fruit = mass(
        ({ ingredient }) => isProduce(ingredient) || ingredient.category === 'juice',
      );
      const sweet = mass(({ ingredient }) => ingredient.category === 'sweetener');
      return fruit > 0 && sweet > 0 ? sweet / fruit : undefined;
    }
    case 'firmness':
      return pot.rules.model === 'none' || pot.rules.model === 'egg'
        ? undefined
        : pot.outcome.firmness;
  }
}

/**
 * The formula brought as near as it goes to a sharpness, a sweetness or a firmness, by the one
 * thing that moves it: lemon juice, the sweeteners, or where it is stopped (its pectin, where the
 * boil is timed).
 *
 * @param to see {@link STEERED} for the unit and the span
 * @returns the changed document, or undefined where the formula has nothing to move
 */
export function steer(
  document: FormulaDocument,
  what: Steered,
  to: number,
  { kitchen = {}, units = 'metric' }: SteerOptions = {},
): FormulaDocument | undefined {
  const { formula, problems } = readFormula(document, kitchen);
  const pot = problems.length === 0 ? preparePot(formula) : null;
  if (!pot || steeredValue(pot, what) === undefined) return undefined;
  const lever = LEVERS[what]({ document, pot, units });
  if (!lever) return undefined;
  const at = (x: number): FormulaDocument => edited(document, lever.edits(x));
  const value = (x: number): number => {
    const next = preparePot(readFormula(at(x), kitchen).formula);
    return (next && steeredValue(next, what)) ?? NaN;
  };
  const rising = value(lever.most) >= value(lever.least);
  const { holds, fails } = bisect(lever.least, lever.most, STEPS, (x) => value(x) < to === rising);
  return at((holds + fails) / 2);
}

/** What is moved to steer a formula, from its least to its most, and the edits that set it. */
interface Lever {
  readonly least: number;
  readonly most: number;
  readonly edits: (x: number) => readonly Edit[];
}

/** What is steered in. */
interface Steering {
  readonly document: FormulaDocument;
  readonly pot: PreparedPot;
  readonly units: UnitSystem;
}

/** Less lemon than this is none, g. */
const LEAST_LEMON_G = 2;
/** How far a finish is moved: the rise in K, solids of a gel, solids of a butter. Common practice. */
const RISE_SPAN_K = { least: 2.5, most: 6.5 } as const;
const SOLIDS_SPAN_PERCENT = { least: 50, most: 72 } as const;
const CONSISTENCY_SPAN_PERCENT = { least: 15, most: 60 } as const;
/** Added pectin is moved to so many times what it is. */
const PECTIN_SPAN = { least: 0.2, most: 2.5 } as const;

function lemonLever({ document, pot, units }: Steering): Lever {
  const line = document.lines.findIndex(({ ingredient }) => ingredient === LEMON);
  return {
    least: 0,
    most: pot.contents.mass * 1000 * MOST_LEMON,
    edits: (grams) => {
      if (grams < LEAST_LEMON_G) return line < 0 ? [] : [{ op: 'remove', line }];
      const amount = amountFor(LEMON, grams, units);
      return line < 0 ? [{ op: 'add', ingredient: LEMON, amount }] : [{ op: 'set', line, amount }];
    },
  };
}

function sweetenerLever({ document, pot }: Steering): Lever | undefined {
  const sweeteners = document.lines.flatMap((each, line) => {
    const amount = amountOf(each, document);
    return amount && ingredientById(each.ingredient ?? '')?.category === 'sweetener'
      ? [{ line, amount }]
      : [];
  });
  const now = steeredValue(pot, 'sweetness');
  if (sweeteners.length === 0 || now === undefined) return undefined;
  return {
    least: STEERED.sweetness.least / now,
    most: STEERED.sweetness.most / now,
    edits: (times) =>
      sweeteners.map(({ line, amount }) => ({
        op: 'set',
        line,
        amount: scaledAmount(amount, times),
      })),
  };
}

/** The finish where the boil goes on until it is there, otherwise the pectin. */
function finishLever({ document, pot }: Steering): Lever | undefined {
  const { finish } = document;
  // Stages that the clock ends are steered by their hours alone.
  if (pot.rule.type === 'stages') return undefined;
  const byPercent = (percent: number): readonly Edit[] => [
    { op: 'finish', finish: { ...finish, percent: Number(percent.toFixed(1)) } },
  ];
  switch (finish.type) {
    case 'gel-temperature':
      return {
        ...RISE_SPAN_K,
        edits: (rise) => [
          { op: 'finish', finish: { type: finish.type, rise: `${rise.toFixed(2)} C` } },
        ],
      };
    case 'soluble-solids':
      return { ...SOLIDS_SPAN_PERCENT, edits: byPercent };
    case 'consistency':
      return { ...CONSISTENCY_SPAN_PERCENT, edits: byPercent };
    case 'hard-boil':
    case 'weight':
    case 'curd':
      return pectinLever(document);
  }
}

/** Added pectin; calcium pectin with its calcium water, since it sets by both. */
function pectinLever(document: FormulaDocument): Lever | undefined {
  const moved = document.lines.flatMap((each, line) => {
    const amount = amountOf(each, document);
    const isMoved = /^pectin-|^calcium-water$/.test(each.ingredient ?? '');
    return amount && isMoved ? [{ line, amount }] : [];
  });
  if (moved.length === 0) return undefined;
  return {
    ...PECTIN_SPAN,
    edits: (times) =>
      moved.map(({ line, amount }) => ({
        op: 'set' as const,
        line,
        amount: scaledAmount(amount, times),
      })),
  };
}

/** The one thing that moves each; undefined where the formula has it not. */
const LEVERS: Readonly<Record<Steered, (steering: Steering) => Lever | undefined>> = {
  sharpness: lemonLever,
  sweetness: sweetenerLever,
  firmness: finishLever,
};

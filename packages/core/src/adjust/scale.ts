import {
  batchesForPectin,
  FILL_BEFORE_FOAM,
  fillOfPan,
  panForFoam_l,
  preparePot,
  volumeInPan_l,
} from '../balance/index.js';
import { massOf } from '../produce/index.js';
import { parseAmount } from '../quantity/index.js';
import {
  readFormula,
  type FormulaDocument,
  type PotFormula,
  type Kitchen,
  documentStageTimes,
  stageTimes,
} from '../formula/index.js';
import { fillVolume_ml, QUARTER_INCH_MM, type JarSize } from '../jars/index.js';
import { times as rangeTimes } from '../range/index.js';
import { amountOf, edited, scaledAmount } from './edit.js';

export type ScaleTarget =
  | { readonly by: 'factor'; readonly factor: number }
  /** Full jars of one size, which become the jars of the formula. */
  | { readonly by: 'jars'; readonly count: number; readonly jar: JarSize }
  /** All of a line: what is on the table. */
  | { readonly by: 'line'; readonly line: number; readonly to: string }
  /**
   * The largest batch the pot takes: a sugar boil fills it to a third, since the foam climbs three
   * to four times; a butter simmers in a fuller one.
   */
  | { readonly by: 'pot'; readonly pot_l: number };

export type ScaleResult =
  | {
      readonly ok: true;
      readonly document: FormulaDocument;
      readonly factor: number;
      /** What to know: batches to split into, a pot that is too small. */
      readonly notes: readonly string[];
    }
  | { readonly ok: false; readonly path: string; readonly message: string };

/** Factors beyond these are slips of the pen. */
const LEAST = 0.02;
const MOST = 50;

/**
 * Scales a whole formula; ratios stay as they are, and amounts are written as a kitchen measures
 * them.
 *
 * @param kitchen where the kettle stands, when the document does not say
 */
export function scaleFormula(
  document: FormulaDocument,
  target: ScaleTarget,
  kitchen: Kitchen = {},
): ScaleResult {
  const { formula, problems } = readFormula(document, kitchen);
  const first = problems[0];
  if (first) return { ok: false, ...first };
  const factor = factorFor(document, formula, target);
  if (typeof factor !== 'number') return { ok: false, ...factor };
  if (!(factor >= LEAST && factor <= MOST))
    return {
      ok: false,
      path: target.by === 'line' ? `lines[${target.line}].amount` : '',
      message: `that is ${factor > 1 ? factor.toFixed(0) : factor.toPrecision(1)} times the formula; write one from ${LEAST} to ${MOST} times`,
    };
  const scaled = times(document, formula, factor);
  if (target.by === 'jars') {
    const { id } = target.jar;
    scaled.jars = [document.jars.find(({ size }) => size === id) ?? { size: id }].map(
      ({ count: _, ...jar }) => jar,
    );
  }
  return { ok: true, document: scaled, factor, notes: notesOn(scaled, target, kitchen) };
}

type Fault = { readonly path: string; readonly message: string };

function factorFor(
  document: FormulaDocument,
  formula: PotFormula,
  target: ScaleTarget,
): number | Fault {
  switch (target.by) {
    case 'factor':
      return target.factor;
    case 'jars': {
      const fill = fillVolume_ml(target.jar, formula.jars[0]?.headspace_mm ?? QUARTER_INCH_MM);
      const wanted = target.count * fill;
      return solveFactor(
        formula,
        (pot) =>
          pot.outcome.counts.reduce(
            (sum, count, i) => sum + count * (pot.rules.jars[i]?.fill_ml ?? 0),
            0,
          ) / wanted,
      );
    }
    case 'line': {
      const line = formula.lines.find(({ index }) => index === target.line);
      if (!line)
        return {
          path: `lines[${target.line}]`,
          message: `there is no such line; write one from 0 to ${document.lines.length - 1}`,
        };
      const amount = parseAmount(target.to, document);
      if (!amount.ok) return { path: '--to', message: amount.message };
      const mass = massOf(amount.amount, line.ingredient, line.form);
      if (!mass.ok) return { path: '--to', message: mass.message };
      return mass.mass_kg.mid / line.mass_kg.mid;
    }
    case 'pot': {
      const pot = preparePot(formula);
      if (!pot) return { path: 'lines', message: 'nothing is in the pan' };
      return (target.pot_l * fillOfPan(formula)) / volumeInPan_l(pot.contents);
    }
  }
}

/** A factor is looked for this far beyond those that are taken, so that a slip is told by its size. */
const LOOKED_BEYOND = 1000;
const BISECTIONS = 34;

/** A formula so many times over, with what its stages and its finish weigh. */
function potTimes(formula: PotFormula, factor: number): ReturnType<typeof preparePot> {
  const lines = formula.lines.map((line) => ({
    ...line,
    mass_kg: rangeTimes(line.mass_kg, factor),
  }));
  const finish =
    formula.finish.type === 'weight'
      ? { ...formula.finish, mass_kg: rangeTimes(formula.finish.mass_kg, factor) }
      : formula.finish;
  const stages = formula.stages.map((stage) => stageTimes(stage, factor));
  return preparePot({ ...formula, lines, finish, stages });
}

/**
 * The factor at which `share` is 1, by bisection: what is lost is not in proportion. Film is lost once
 * however large the pot, and an open slow cooker gives off as much of a small batch as of a large one.
 *
 * @returns infinite where no factor is enough
 */
function solveFactor(
  formula: PotFormula,
  share: (pot: NonNullable<ReturnType<typeof preparePot>>) => number,
): number {
  const shareAt = (logFactor: number): number => {
    const pot = potTimes(formula, Math.exp(logFactor));
    return pot ? share(pot) : 0;
  };
  let low = Math.log(LEAST / LOOKED_BEYOND);
  let high = Math.log(MOST * LOOKED_BEYOND);
  if (shareAt(high) < 1) return Infinity;
  for (let i = 0; i < BISECTIONS; i++) {
    const middle = (low + high) / 2;
    if (shareAt(middle) < 1) low = middle;
    else high = middle;
  }
  return Math.exp((low + high) / 2);
}

function times(document: FormulaDocument, formula: PotFormula, factor: number): FormulaDocument {
  const edits = document.lines.flatMap((line, i) => {
    const amount = amountOf(line, document);
    return amount ? [{ op: 'set' as const, line: i, amount: scaledAmount(amount, factor) }] : [];
  });
  const scaled = { ...edited(document, edits) };
  delete scaled.statedYield;
  if (scaled.stages)
    scaled.stages = scaled.stages.map((stage) => documentStageTimes(stage, factor));
  // Amounts are written with a decimal point.
  if (scaled.decimal === ',') scaled.decimal = '.';
  if (formula.finish.type === 'weight')
    scaled.finish = {
      ...scaled.finish,
      mass: `${Number((formula.finish.mass_kg.mid * factor).toPrecision(4))} kg`,
    };
  return scaled;
}

function notesOn(document: FormulaDocument, target: ScaleTarget, kitchen: Kitchen): string[] {
  const { formula } = readFormula(document, kitchen);
  const notes: string[] = [];
  const batches = batchesForPectin(formula);
  if (batches > 1)
    notes.push(
      `cook this in ${batches} equal batches: with added pectin a doubled batch often does not set`,
    );
  const pot = preparePot(formula);
  if (pot && target.by !== 'pot') {
    const litres = volumeInPan_l(pot.contents);
    const fill = fillOfPan(formula);
    const { least, easy } = panForFoam_l(litres);
    notes.push(
      fill === FILL_BEFORE_FOAM
        ? `needs a pan of ${least.toFixed(0)} to ${easy.toFixed(0)} l, for the foam`
        : `needs a pan of ${Math.ceil(litres / fill)} l, or less when it is loaded in stages`,
    );
  }
  return notes;
}

import { preparePot, type PreparedPot } from '../balance/index.js';
import { readFormula, type FormulaDocument, type Kitchen } from '../formula/index.js';
import { parseAmount, writeAmount, type UnitSystem } from '../quantity/index.js';
import { addition } from './addition.js';
import { bisect } from './bisect.js';
import { edited, type Edit } from './edit.js';

/** What a formula would be after some edits; undefined where it is not understood then. */
export type Trial = PreparedPot | undefined;

/** Tries changes of one formula, each in a pan of its own. */
export interface TrialBench {
  readonly document: FormulaDocument;
  readonly kitchen: Kitchen;
  readonly units: UnitSystem;
  /** The pan is on the heat: an addition is a line of its own. */
  readonly onHeat: boolean;
  /** What is in the pan now, kg. */
  readonly mass_kg: number;
}

export function tried({ document, kitchen }: TrialBench, edits: readonly Edit[]): Trial {
  const { formula, problems } = readFormula(edited(document, edits), kitchen);
  return (problems.length === 0 ? preparePot(formula) : null) ?? undefined;
}

/** The search begins at this share of the most. */
const FIRST_SHARE = 0.006;
const HALVINGS = { adding: 12, lessening: 10 } as const;
/** Nothing is added beyond this share of the pan unless a remedy says less. */
const MOST_ADDED = 0.6;

/**
 * The least of an ingredient that makes `enough` true, as an edit in the amounts a kitchen measures.
 *
 * @param mostShare no more than this share of the pan
 * @returns undefined where no amount up to that does
 */
export function leastAddition(
  bench: TrialBench,
  ingredient: string,
  enough: (pot: PreparedPot) => boolean,
  mostShare = MOST_ADDED,
): Edit[] | undefined {
  const { document, units, onHeat, mass_kg } = bench;
  const adding = (grams: number): Edit[] => [addition(document, ingredient, grams, units, onHeat)];
  const works = (grams: number): boolean => {
    const pot = tried(bench, adding(grams));
    return pot !== undefined && enough(pot);
  };
  const most_g = mass_kg * 1000 * mostShare;
  let high = most_g * FIRST_SHARE;
  while (!works(high)) {
    if (high >= most_g) return undefined;
    high = Math.min(high * 2, most_g);
  }
  return adding(bisect(0, high, HALVINGS.adding, (grams) => !works(grams)).fails);
}

/** A remedy takes away no more than leaves this share of a line. */
const LEAST_LEFT = 0.25;

/**
 * The most of a line that still makes `enough` true.
 *
 * @returns undefined where no reduction down to a quarter does, or its amount is not a text
 */
export function reducedLine(
  bench: TrialBench,
  line: number,
  enough: (pot: PreparedPot) => boolean,
): Edit[] | undefined {
  const { document } = bench;
  const text = document.lines[line]?.amount;
  const had = typeof text === 'string' ? parseAmount(text, document) : undefined;
  if (!had?.ok) return undefined;
  const { amount } = had;
  const at = (share: number): Edit[] => [
    { op: 'set', line, amount: writeAmount(amount.value * share, amount.unit) },
  ];
  const works = (share: number): boolean => {
    const pot = tried(bench, at(share));
    return pot !== undefined && enough(pot);
  };
  return works(LEAST_LEFT) ? at(bisect(LEAST_LEFT, 1, HALVINGS.lessening, works).holds) : undefined;
}

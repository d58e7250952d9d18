import { FORMS, ingredientById, massOf, waterPercent, type Ingredient } from '../produce/index.js';
import { writeAmount, unitById } from '../quantity/index.js';
import { readFormula, type FormulaDocument, type FormulaLine } from '../formula/index.js';
import { amountOf, edited } from './edit.js';

/**
 * The formula with one ingredient in place of another: in the same measure where the new one has
 * it, else by the same weight. What was measured of the old one, an attestation and a measured pH
 * do not pass on.
 *
 * @param line position of the line
 * @param id the ingredient to put in its place
 * @returns undefined where the line or the ingredient is not known
 */
export function swapped(
  document: FormulaDocument,
  line: number,
  id: string,
): FormulaDocument | undefined {
  const old = document.lines[line];
  const ingredient = ingredientById(id);
  const pot = readFormula(document).formula.lines.find(({ index }) => index === line);
  const amount = old && amountOf(old, document);
  if (!old || !ingredient || !pot || !amount) return undefined;
  const wanted = pot.form;
  const form =
    wanted in ingredient.gramsPerCup || wanted === 'as-bought' ? wanted : ingredient.usualForm;
  const mass = massOf(amount, ingredient, form);
  // Pieces differ too much in size to count one for another.
  const sameMeasure = mass.ok && amount.unit.kind !== 'piece';
  const next: FormulaLine = {
    ingredient: id,
    amount:
      sameMeasure && typeof old.amount === 'string'
        ? old.amount
        : writeAmount(pot.mass_kg.mid, unitById('kg')),
    ...(form !== ingredient.usualForm && FORMS.includes(form) && { form }),
  };
  // Through `edited`, so that what rests on the old formula goes.
  const cleared = edited(document, [
    { op: 'set', line, amount: typeof next.amount === 'string' ? next.amount : '' },
  ]);
  return { ...cleared, lines: cleared.lines.map((each, i) => (i === line ? next : each)) };
}

/** Under half solids a sweetener does not stand in for sugar: nothing holds the water. A guess. */
const LEAST_SOLIDS_PERCENT = 50;

/** What stands in for a kilogram of white sugar. */
export interface SugarInstead {
  readonly mass_kg: number;
  /** Of it, to be boiled off. */
  readonly water_kg: number;
}

/**
 * How much of a sweetener brings the soluble solids of a kilogram of white sugar.
 *
 * @returns undefined where it has too few solids to stand in for it
 */
export function insteadOfSugar(sweetener: Ingredient): SugarInstead | undefined {
  const percent = sweetener.solubleSolidsPercent.mid;
  if (percent < LEAST_SOLIDS_PERCENT) return undefined;
  const mass_kg = 100 / percent;
  return { mass_kg, water_kg: (mass_kg * waterPercent(sweetener)) / 100 };
}

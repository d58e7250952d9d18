import { ingredientById, massOf } from '../produce/index.js';
import {
  parseAmount,
  unitById,
  writeAddition,
  writeAmount,
  type UnitSystem,
} from '../quantity/index.js';
import type { FormulaDocument } from '../formula/index.js';
import type { Edit } from './edit.js';

/** Parts that a measure is rounded up to; the others are whole. */
const FINEST: Readonly<Record<string, number>> = {
  cup: 8,
  kg: 100,
  l: 100,
  lb: 100,
  quart: 100,
  tbsp: 2,
  tsp: 2,
};

/**
 * So many grams of an ingredient as a kitchen measures it: what pours by volume, the rest by
 * weight. Rounded up.
 */
export function amountFor(id: string, grams: number, units: UnitSystem): string {
  const ingredient = ingredientById(id);
  const perCup = ingredient?.gramsPerCup[ingredient.usualForm];
  const poured = ingredient?.liquid === true && perCup !== undefined;
  return writeAddition(grams, poured ? perCup / unitById('cup').si : undefined, units);
}

/**
 * Adds to the line that has the ingredient already, if it is measured the same way; else, or with
 * `apart`, a new line.
 */
export function addition(
  document: FormulaDocument,
  id: string,
  grams: number,
  units: UnitSystem,
  apart: boolean,
): Edit {
  const ingredient = ingredientById(id);
  const line = apart
    ? -1
    : document.lines.findIndex((other) => other.ingredient === id && other.form === undefined);
  const text = document.lines[line]?.amount;
  const had = typeof text === 'string' ? parseAmount(text, document) : undefined;
  if (
    ingredient &&
    line >= 0 &&
    had?.ok &&
    (had.amount.unit.kind === 'mass' || had.amount.unit.kind === 'volume')
  ) {
    const mass = massOf(had.amount, ingredient, ingredient.usualForm);
    const each = mass.ok ? (mass.mass_kg.mid * 1000) / had.amount.value : undefined;
    if (each !== undefined && each > 0) {
      const total = had.amount.value + grams / each;
      // Rounded up, so that it stays enough.
      if (had.amount.unit.id === 'tbsp' && total > (units === 'metric' ? 5 : 8))
        return { op: 'set', line, amount: amountFor(id, total * each, units) };
      const fine = FINEST[had.amount.unit.id] ?? 1;
      return {
        op: 'set',
        line,
        amount: writeAmount(Math.ceil(total * fine - 1e-9) / fine, had.amount.unit),
      };
    }
  }
  return { op: 'add', ingredient: id, amount: amountFor(id, grams, units) };
}

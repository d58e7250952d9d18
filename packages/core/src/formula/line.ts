import { readAmount, type Decimal } from '../quantity/index.js';
import { readName } from '../produce/index.js';
import type { FormulaLine } from './document.js';

/**
 * Turns one typed line, "2 1/2 cups blackcurrants", into a line of a document. What cannot be understood stays as
 * typed in the field it belongs to, where {@link readFormula} names it.
 */
export function lineFromText(text: string, decimal: Decimal = '.'): FormulaLine & { amount: string } {
  const reading = readAmount(text, decimal);
  if (!reading.ok) return { amount: '', ingredient: text.trim() };
  const typed = text.trim();
  const said = reading.rest === '' ? '' : reading.rest;
  const amount =
    said === ''
      ? typed
      : typed
          .slice(0, Math.max(typed.toLowerCase().lastIndexOf(said.toLowerCase()), 0))
          .replace(/\s+of\s*$/i, '')
          .trim();
  const named = readName(said);
  if (!named.ok) return { amount, ingredient: said };
  const { ingredient, form } = named;
  return { amount, ingredient: ingredient.id, ...(form === ingredient.usualForm ? {} : { form }) };
}

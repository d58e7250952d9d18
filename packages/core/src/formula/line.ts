import { readAmount, type Decimal } from '../quantity/index.js';
import { readName, type Form, type NameReading } from '../produce/index.js';
import type { FormulaLine } from './document.js';

/**
 * Turns one typed line, "2 1/2 cups blackcurrants", into a line of a document. What cannot be
 * understood stays as typed in the field it belongs to, where {@link readFormula} names it.
 */
export function lineFromText(
  text: string,
  decimal: Decimal = '.',
): FormulaLine & { amount: string } {
  const reading = readAmount(text, decimal);
  if (!reading.ok) return { amount: '', ingredient: text.trim() };
  const typed = text.trim();
  const said = reading.rest;
  const amount =
    said === ''
      ? typed
      : typed
          .slice(0, Math.max(typed.toLowerCase().lastIndexOf(said.toLowerCase()), 0))
          .replace(/\s+of\s*$/i, '')
          .trim();
  const named = readName(said);
  if (!named.ok) {
    // "1.8 cupz sugar": a known name after one unknown word means that the word was meant as the
    // unit.
    const [word = '', ...rest] = said.split(/\s+/);
    const afterUnit =
      reading.amount.unit.kind === 'piece' && rest.length > 0 ? readName(rest.join(' ')) : named;
    return afterUnit.ok
      ? { amount: `${amount} ${word}`, ...idAndForm(afterUnit) }
      : { amount, ingredient: said };
  }
  return { amount, ...idAndForm(named) };
}

const idAndForm = ({
  ingredient,
  form,
}: NameReading & { ok: true }): { ingredient: string; form?: Form } => ({
  ingredient: ingredient.id,
  ...(form === ingredient.usualForm ? {} : { form }),
});

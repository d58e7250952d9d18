import {
  parseAmount,
  readAmount,
  type Decimal,
  type WritingHabit,
  cutText,
} from '../quantity/index.js';
import {
  readLine,
  readName,
  type LinePart,
  type LineReading,
  type OpenAmount,
} from '../reading/index.js';
import type { FormulaLine } from './document.js';

/** A line of a document whose amount is as it was written. */
export type WrittenLine = Omit<FormulaLine, 'madeOf'> & { readonly amount: string };

/** One food that was read, as a line of a document. */
function lineOf(part: LinePart, habit: Decimal | WritingHabit): WrittenLine {
  const { written, alsoStated, ingredient, form, variety, ripeness } = part;
  const [also] = alsoStated.filter((text) => parseAmount(text, habit).ok);
  return {
    amount: written,
    ingredient: ingredient.id,
    ...(form !== ingredient.usualForm && { form }),
    ...(variety !== undefined && { variety }),
    ...(ripeness && ripeness !== 'ripe' && { ripeness }),
    ...(also !== undefined && { alsoStated: also }),
  };
}

/** Amounts that have words of their own; of the others the line itself is kept. */
const OPEN_WORDS: Readonly<Partial<Record<OpenAmount, string>>> = {
  'to-taste': 'to taste',
  'to-cover': 'to cover',
};
const LONGEST_OPEN_AMOUNT = 60;

/**
 * The lines of a document that one line of text stands for: usually one; two for "zest and juice of
 * 1 lemon". What is not understood stays as typed in the field it belongs to, where
 * {@link readFormula} names it.
 */
export function linesFrom(
  reading: LineReading,
  habit: Decimal | WritingHabit = '.',
): readonly WrittenLine[] {
  if (reading.parts.length > 0) return reading.parts.map((part) => lineOf(part, habit));
  const { named, openAmount, openWritten, text } = reading;
  if (named && openAmount) {
    const { ingredient, form, variety } = named;
    const isName = text.trim().split(/\s+/).length <= 1;
    const words =
      OPEN_WORDS[openAmount] ??
      openWritten ??
      (isName ? '' : cutText(text.trim(), LONGEST_OPEN_AMOUNT));
    return [
      {
        amount: words,
        ingredient: ingredient.id,
        ...(form !== ingredient.usualForm && { form }),
        ...(variety !== undefined && { variety }),
      },
    ];
  }
  return [notUnderstood(text, habit)];
}

/** What was typed, in the fields it seems to belong to. */
function notUnderstood(text: string, habit: Decimal | WritingHabit): WrittenLine {
  const typed = text.trim();
  const reading = readAmount(typed, habit);
  if (!reading.ok || reading.rest === '')
    return { amount: reading.ok ? typed : '', ingredient: reading.ok ? '' : typed };
  const { amount, rest } = reading;
  const at = typed.lastIndexOf(rest);
  const written = (at < 0 ? reading.written : typed.slice(0, at)).replace(/\s+of\s*$/i, '').trim();
  // "1.8 cupz sugar": a known name after one unknown word means that the word was meant as the unit.
  const [word = '', ...after] = rest.split(/\s+/);
  const named =
    amount.unit.kind === 'piece' && after.length > 0 ? readName(after.join(' ')) : undefined;
  return named?.ok
    ? {
        amount: `${written} ${word}`,
        ingredient: named.ingredient.id,
        ...(named.form !== named.ingredient.usualForm && { form: named.form }),
      }
    : { amount: written, ingredient: rest };
}

/** The first line of {@link linesFrom} for a typed text: "2 1/2 cups blackcurrants". */
export function lineFromText(text: string, habit: Decimal | WritingHabit = '.'): WrittenLine {
  return linesFrom(readLine(text, habit), habit)[0] ?? notUnderstood(text, habit);
}

import {
  parseAmount,
  unitById,
  writeAmount,
  type Amount,
  type Decimal,
  type WritingHabit,
} from '../quantity/index.js';
import type { FormulaDocument, FormulaLine } from '../formula/index.js';

/** One step of a change to a document, as it can be shown and undone. */
export type Edit =
  | { readonly op: 'add'; readonly ingredient: string; readonly amount: string }
  | { readonly op: 'set'; readonly line: number; readonly amount: string }
  | { readonly op: 'remove'; readonly line: number }
  | { readonly op: 'finish'; readonly finish: FormulaDocument['finish'] }
  | {
      readonly op: 'method';
      readonly method: FormulaDocument['method'];
      readonly finish: FormulaDocument['finish'];
    }
  | { readonly op: 'jars'; readonly jars: FormulaDocument['jars'] };

/** What an attestation and a measured pH rest on is gone after any edit of the formula. */
function voided(document: FormulaDocument): FormulaDocument {
  const copy = { ...document };
  delete copy.testedSource;
  delete copy.measuredPH;
  return copy;
}

/**
 * The document with the edits done. Attestation, measured pH and stated yield belong to the old
 * formula and go.
 */
export function edited(document: FormulaDocument, edits: readonly Edit[]): FormulaDocument {
  if (edits.length === 0) return document;
  let next = voided(document);
  for (const edit of edits) {
    switch (edit.op) {
      case 'add':
        next = {
          ...next,
          lines: [...next.lines, { ingredient: edit.ingredient, amount: edit.amount }],
        };
        break;
      case 'set':
        next = {
          ...next,
          lines: next.lines.map((line, i) =>
            i === edit.line ? withAmount(line, edit.amount) : line,
          ),
        };
        break;
      case 'remove':
        next = { ...next, lines: next.lines.filter((_, i) => i !== edit.line) };
        break;
      case 'finish':
        next = { ...next, finish: edit.finish };
        break;
      case 'method':
        next = { ...next, method: edit.method, finish: edit.finish };
        break;
      case 'jars':
        next = { ...next, jars: edit.jars };
        break;
    }
  }
  return next;
}

function withAmount(line: FormulaLine, amount: string): FormulaLine {
  const copy = { ...line, amount };
  delete copy.alsoStated;
  return copy;
}

/** The amount of a line, read; undefined where it cannot be. */
export function amountOf(
  line: FormulaLine,
  habit: Decimal | WritingHabit = '.',
): Amount | undefined {
  const text =
    typeof line.amount === 'string' ? line.amount : `${line.amount.value} ${line.amount.unit}`;
  const reading = parseAmount(text, habit);
  return reading.ok ? reading.amount : undefined;
}

/**
 * Kinds of unit that are written again after scaling; a "pinch" stays a pinch up to three of them.
 */
export function scaledAmount(amount: Amount, factor: number): string {
  const packed = amount.packed ? ' packed' : '';
  if (amount.unit.kind === 'piece') return `${Number((amount.value * factor).toPrecision(3))} each`;
  if (amount.unit.kind === 'pinch' && amount.value * factor > 4)
    return writeAmount(
      (amount.value * factor * amount.unit.si) / unitById('tsp').si,
      unitById('tsp'),
    );
  return writeAmount(amount.value * factor, amount.unit) + packed;
}

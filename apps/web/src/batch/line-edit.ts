import type { FormulaBody, FormulaLineBody } from '@idle-kettle/contract';
import {
  displayName,
  givingJuice,
  ingredientById,
  linesFrom,
  readLine,
  readName,
} from '@idle-kettle/core';

/** What the ingredient field shows: the trade's name of a known ingredient, else what was typed. */
export function nameOfLine({ ingredient, name, form, variety }: FormulaLineBody): string {
  if (ingredient === undefined) return name ?? '';
  const known = ingredientById(ingredient);
  return known ? displayName(known, form ?? known.usualForm, variety) : ingredient;
}

/** The line with another ingredient, as typed: understood when it can be, kept as text when not. */
export function withName(line: FormulaLineBody, text: string): FormulaLineBody {
  const reading = readName(text);
  const kept = {
    amount: line.amount,
    ...(line.overrides && { overrides: line.overrides }),
    ...(line.goesIn && { goesIn: line.goesIn }),
  };
  if (!reading.ok) return { ...kept, ingredient: text };
  const { ingredient, form, variety } = reading;
  return {
    ...kept,
    ingredient: ingredient.id,
    ...(form !== ingredient.usualForm && { form }),
    ...(variety !== undefined && { variety }),
  };
}

/** The typed text as lines of the formula: one, or two for "zest and juice of 1 lemon". */
export const addLine =
  (text: string) =>
  (document: FormulaBody): FormulaBody => {
    const read = linesFrom(readLine(text, document), document);
    // The fruit of a jelly gives its juice.
    const added = document.kind === 'jelly' ? givingJuice(read) : read;
    return { ...document, lines: [...document.lines, ...added] };
  };

export const changeLine =
  (index: number, make: (line: FormulaLineBody) => FormulaLineBody) =>
  (document: FormulaBody): FormulaBody => ({
    ...document,
    lines: document.lines.map((line, i) => (i === index ? make(line) : line)),
  });

export const removeLine =
  (index: number) =>
  (document: FormulaBody): FormulaBody => ({
    ...document,
    lines: document.lines.filter((_, i) => i !== index),
  });

/** The line at another place in the list; there is no place beyond its ends. */
export const moveLine =
  (from: number, to: number) =>
  (document: FormulaBody): FormulaBody => {
    const line = document.lines[from];
    if (!line || from === to || to < 0 || to >= document.lines.length) return document;
    const lines = document.lines.toSpliced(from, 1);
    lines.splice(to, 0, line);
    return { ...document, lines };
  };

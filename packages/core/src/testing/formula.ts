import {
  readFormula,
  type FormulaDocument,
  type FormulaLine,
  type PotFormula,
} from '../formula/index.js';
import type { Place } from '../water/index.js';

export type Lines = readonly (readonly [amount: string, ingredient: string, form?: string])[];

/** A document for a test: a long-boil jam in half-pints unless said otherwise. */
export const documentOf = (lines: Lines, rest: Partial<FormulaDocument> = {}): FormulaDocument => ({
  format: 'idle-kettle/formula',
  version: 1,
  title: 'test',
  kind: 'jam',
  method: 'long-boil',
  finish: { type: 'gel-temperature' },
  jars: [{ size: 'half-pint' }],
  lines: lines.map(
    ([amount, ingredient, form]) =>
      ({ amount, ingredient, ...(form !== undefined && { form }) }) as FormulaLine,
  ),
  ...rest,
});

export const POWDER = {
  method: 'powdered-pectin',
  finish: { type: 'hard-boil', minutes: 1 },
} as const;
export const LIQUID = {
  method: 'liquid-pectin',
  finish: { type: 'hard-boil', minutes: 1 },
} as const;
export const CALCIUM = {
  method: 'calcium-pectin',
  finish: { type: 'hard-boil', minutes: 2 },
} as const;
export const BUTTER = {
  kind: 'fruit-butter',
  method: 'no-gel',
  finish: { type: 'consistency' },
} as const;
export const CURD = { kind: 'curd', method: 'egg', finish: { type: 'curd' } } as const;

/** The document understood, at 300 m unless it says where. @throws when it is not understood */
export function pot(document: FormulaDocument, place: Place = { altitude_m: 300 }): PotFormula {
  const { formula, problems } = readFormula(document, place);
  if (problems.length > 0)
    throw new Error(problems.map(({ path, message }) => `${path}: ${message}`).join('\n'));
  return formula;
}

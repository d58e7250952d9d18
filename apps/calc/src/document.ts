import { readFormula, type PotFormula } from '@idle-kettle/core';
import type { FormulaDocument } from '@idle-kettle/core';
import { CalcError } from './args.js';

/** Reads a file's text; "-" is standard input. */
export type ReadText = (name: string) => string;

/** The JSON of a file, or a mistake that names it. @throws CalcError */
function readDocument(name: string, readText: ReadText): unknown {
  let text: string;
  try {
    text = readText(name);
  } catch {
    throw new CalcError([
      `${name}: cannot be read; write the name of a formula file, or - for standard input`,
    ]);
  }
  try {
    return JSON.parse(text) as unknown;
  } catch (error) {
    throw new CalcError([
      `${name}: not JSON: ${error instanceof Error ? error.message : String(error)}`,
    ]);
  }
}

/** The one FILE of a verb, understood throughout. @throws CalcError with one line a problem */
export function readOneFormula(
  verb: string,
  words: readonly string[],
  readText: ReadText,
): { readonly document: FormulaDocument; readonly formula: PotFormula } {
  const [name, ...more] = words;
  if (name === undefined || more.length > 0)
    throw new CalcError([`calc ${verb} needs one FILE, or - for standard input`]);
  const document = readDocument(name, readText);
  const { formula, problems } = readFormula(document);
  if (problems.length > 0)
    throw new CalcError(
      problems.map(({ path, message }) => (path === '' ? message : `${path}: ${message}`)),
    );
  return { document: document as FormulaDocument, formula };
}

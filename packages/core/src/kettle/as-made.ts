import {
  lineFromText,
  notUnderstoodIn,
  readFormula,
  withoutPlace,
  type FormulaDocument,
} from '../formula/index.js';
import { assessKeeping, type Keeping } from '../keeping/index.js';
import type { Place } from '../water/index.js';
import type { Boil } from './boil.js';

/** A batch as it was made, which is what its keeping is judged by. */
export interface AsMade<D extends FormulaDocument = FormulaDocument> {
  readonly document: D;
  /** Additions from the log that could not be understood, as typed. Whatever they were, they are in the jar. */
  readonly notUnderstood: readonly string[];
}

/**
 * The formula with everything the log adds to it, each addition as a line of its own. An addition makes it another formula,
 * so an attestation to a tested source no longer holds.
 */
export function asMade<D extends FormulaDocument>(document: D, boil: Boil): AsMade<D> {
  const notUnderstood: string[] = [];
  const added: D['lines'] = [];
  for (const { event, undone } of boil.log) {
    if (undone || event.type !== 'addition') continue;
    const line = lineFromText(event.body.text, document.decimal);
    if (readFormula({ ...document, lines: [line] }).problems.some(({ path }) => path.startsWith('lines')))
      notUnderstood.push(event.body.text);
    else added.push(line);
  }
  if (added.length + notUnderstood.length === 0) return { document, notUnderstood };
  const made = { ...document, lines: [...document.lines, ...added] };
  delete made.testedSource;
  return { document: made, notUnderstood };
}

/**
 * How the full jars of a batch keep: by what is in them, and by the process they went through. Jars with no process in the
 * log were not processed; one that was shorter than the table's is no process for the shelf.
 *
 * @param kitchen where it was made; a process in the log keeps the altitude it was run at
 */
export function keepingOfJars(document: FormulaDocument, boil: Boil, kitchen: Place, on?: string): Keeping {
  const { document: made, notUnderstood } = asMade(withoutPlace(document), boil);
  const { processed } = boil;
  const place = { ...kitchen };
  if (processed) {
    delete place.altitude_m;
    if (processed.altitude_m !== null) place.altitude_m = processed.altitude_m;
  }
  const { formula, problems } = readFormula(
    processed
      ? { ...made, processing: processed.method, processMinutes: processed.minutes }
      : { ...made, processing: made.processing === 'hot-fill' ? 'hot-fill' : 'none' },
    place,
  );
  return assessKeeping(formula, {
    notUnderstood: [...notUnderstood, ...notUnderstoodIn(made, problems)],
    ...(on !== undefined && { on }),
  });
}

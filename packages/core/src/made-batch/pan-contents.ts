import { preparePot, type PreparedPot } from '../balance/index.js';
import {
  linesFrom,
  readFormula,
  softeningIn,
  ADD_WHEN,
  usualAddWhen,
  withoutPlace,
  type FormulaDocument,
  type Kitchen,
  type PotFormula,
  type PotLine,
} from '../formula/index.js';
import { readLine } from '../reading/index.js';
import type { Boil, CookingClock, EventBodies } from '../boil-log/index.js';
import type { AddedMidBoil } from '../thermal/index.js';

/** What stands in the pot of a batch, and what went in after. */
export interface PanContents {
  /** All that belongs in it. */
  readonly whole: PreparedPot;
  /** What was in it at first. */
  readonly first: PreparedPot;
  /** What went in later, by the pot's clock. */
  readonly added: readonly AddedMidBoil[];
}

/** Lines of sweetener that wait for soft skins or for the full boil. */
export function laterSugar({ kind, method, lines }: PotFormula): readonly PotLine[] {
  const softening = softeningIn(lines);
  return lines.filter(
    ({ ingredient, goesIn }) =>
      ingredient.category === 'sweetener' &&
      ADD_WHEN.indexOf(goesIn ?? usualAddWhen(kind, method, ingredient, softening)) > 0,
  );
}

/** The lines of a document that were put in, and what was left out without being one of them. */
export interface WithoutOmitted<D extends FormulaDocument> {
  readonly document: D;
  readonly missed: readonly string[];
}

/**
 * Where in `lines` what was left out stands: at its own place, else at the first place with such a
 * line that is not gone yet; -1 where there is none.
 */
function omittedAt(
  lines: FormulaDocument['lines'],
  gone: ReadonlySet<number>,
  { ingredient, line }: EventBodies['omission'],
): number {
  const places = lines.flatMap((each, i) =>
    (each.ingredient ?? each.name) === ingredient ? [i] : [],
  );
  if (line !== undefined && places.includes(line)) return line;
  return places.find((i) => !gone.has(i)) ?? places[0] ?? -1;
}

/** A document without the lines the log says were left out. */
export function withoutOmitted<D extends FormulaDocument>(
  document: D,
  { log }: Pick<Boil, 'log'>,
): WithoutOmitted<D> {
  const gone = new Set<number>();
  const missed: string[] = [];
  for (const { event, undone } of log) {
    if (undone || event.type !== 'omission') continue;
    const at = omittedAt(document.lines, gone, event.body);
    if (at >= 0) gone.add(at);
    else missed.push(event.body.ingredient);
  }
  if (gone.size === 0) return { document, missed };
  const lines = document.lines.filter((_, i) => !gone.has(i));
  return { document: { ...document, lines }, missed };
}

/**
 * The pot of a batch as its log has it.
 *
 * @param written the formula as it was put on the heat
 * @param from_ms what is in by then is in it at first, milliseconds since 1970
 * @param unsaid sugar that waits for its moment, and of which the log says nothing: is it in?
 * @returns undefined while nothing in it is understood
 */
export function panContents(
  boil: Boil,
  written: FormulaDocument,
  kitchen: Kitchen,
  clock: CookingClock,
  from_ms: number,
  unsaid: 'in' | 'out',
): PanContents | undefined {
  const { formula } = readFormula(withoutOmitted(withoutPlace(written), boil).document, kitchen);
  const whole = preparePot(formula);
  const { sugarInAt } = boil;
  const isIn = sugarInAt === undefined ? unsaid === 'in' : sugarInAt <= from_ms;
  const later = isIn ? [] : laterSugar(formula);
  const first =
    later.length === 0
      ? whole
      : preparePot({ ...formula, lines: formula.lines.filter((line) => !later.includes(line)) });
  if (!whole || !first) return undefined;
  const added: AddedMidBoil[] = [];
  if (sugarInAt !== undefined && later.length > 0) {
    const soluble_kg = whole.contents.soluble - first.contents.soluble;
    const insoluble = whole.contents.insoluble - first.contents.insoluble;
    added.push({
      time_s: clock.seconds(sugarInAt),
      soluble_kg,
      water_kg: whole.contents.mass - first.contents.mass - soluble_kg - insoluble,
    });
  }
  for (const { event, at, undone } of boil.log)
    if (!undone && event.type === 'addition' && !event.body.planned)
      added.push({
        time_s: Math.max(clock.seconds(at), 0),
        ...additionOf(event.body.text, written, kitchen),
      });
  return { whole, first, added };
}

/** What an addition in the log brings; what cannot be understood brings nothing here. */
function additionOf(
  text: string,
  written: FormulaDocument,
  kitchen: Kitchen,
): Pick<AddedMidBoil, 'water_kg' | 'soluble_kg'> {
  const { formula } = readFormula(
    { ...withoutPlace(written), lines: [...linesFrom(readLine(text, written), written)] },
    kitchen,
  );
  const contents = preparePot(formula)?.contents;
  return contents
    ? {
        water_kg: contents.mass - contents.soluble - contents.insoluble,
        soluble_kg: contents.soluble,
      }
    : { water_kg: 0, soluble_kg: 0 };
}

import { preparePot, type PreparedPot } from '../balance/index.js';
import { readFormula, withoutPlace, type FormulaDocument, type Kitchen } from '../formula/index.js';
import type { Boil, CookingClock, EventBodies } from '../boil-log/index.js';
import type { AddedMidBoil } from '../thermal/index.js';
import { additionsIn, laterSugar, type PanAddition } from './additions.js';

/** What stands in the pot of a batch, and what went in after. */
export interface PanContents {
  /** All that belongs in it. */
  readonly whole: PreparedPot;
  /** What was in it at first. */
  readonly first: PreparedPot;
  /** What went in later, by the pot's clock. */
  readonly added: readonly AddedMidBoil[];
  /** Of that, what is more than the formula has. */
  readonly more: readonly AddedMidBoil[];
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
  const additions = additionsIn(boil, written, kitchen);
  const isByParts = additions.some(({ isPlanned, isSweetener }) => isPlanned && isSweetener);
  const isIn = sugarInAt === undefined ? unsaid === 'in' && !isByParts : sugarInAt <= from_ms;
  const later = isIn ? [] : laterSugar(formula);
  const first =
    later.length === 0
      ? whole
      : preparePot({ ...formula, lines: formula.lines.filter((line) => !later.includes(line)) });
  if (!whole || !first) return undefined;
  const timeOf_s = (at: number): number => Math.max(clock.seconds(at), 0);
  const more = additions
    .filter(({ isPlanned }) => !isPlanned)
    .map(({ at, water_kg, soluble_kg }) => ({ time_s: timeOf_s(at), water_kg, soluble_kg }));
  if (later.length === 0) return { whole, first, added: more, more };
  const soluble_kg = whole.contents.soluble - first.contents.soluble;
  const insoluble_kg = whole.contents.insoluble - first.contents.insoluble;
  const water_kg = whole.contents.mass - first.contents.mass - soluble_kg - insoluble_kg;
  const temperature_C = formula.sugarIn === 'warmed' ? WARMED_SUGAR_C : undefined;
  const planned = partsOfSugar(additions, soluble_kg, sugarInAt).map(({ at, share }) => ({
    time_s: timeOf_s(at),
    soluble_kg: soluble_kg * share,
    water_kg: water_kg * share,
    ...(temperature_C !== undefined && { temperature_C }),
  }));
  return { whole, first, added: [...planned, ...more], more };
}

/** Sugar that was warmed in a low oven is about so warm as it goes in, C. Common practice. */
const WARMED_SUGAR_C = 80;

/**
 * When the planned sugar went in, and how much of it: the parts that were logged, and at "the sugar
 * is in" what was left of it.
 */
function partsOfSugar(
  additions: readonly PanAddition[],
  planned_kg: number,
  sugarInAt: number | undefined,
): readonly { readonly at: number; readonly share: number }[] {
  let left = 1;
  const parts = additions
    .filter(({ isPlanned, isSweetener }) => isPlanned && isSweetener)
    .filter(({ at }) => sugarInAt === undefined || at <= sugarInAt)
    .map(({ at, soluble_kg }) => {
      const share = Math.min(soluble_kg / Math.max(planned_kg, 1e-9), left);
      left -= share;
      return { at, share };
    });
  return sugarInAt === undefined ? parts : [...parts, { at: sugarInAt, share: left }];
}

import type { Boil } from '../boil-log/index.js';
import {
  softeningIn,
  usualAddWhen,
  type AddWhen,
  type PotFormula,
  type PotLine,
} from '../formula/index.js';

/** When a line goes in: as the maker says, else as the setting method has it. */
export function addWhenOf({ kind, method, lines }: PotFormula): (line: PotLine) => AddWhen {
  const softening = softeningIn(lines);
  return ({ ingredient, goesIn }) => goesIn ?? usualAddWhen(kind, method, ingredient, softening);
}

/** Places of the lines that the log says are in. */
function linesIn({ log }: Pick<Boil, 'log'>): ReadonlySet<number> {
  const places = new Set<number>();
  for (const { event, undone } of log)
    if (!undone && event.type === 'addition' && event.body.planned && event.body.line !== undefined)
      places.add(event.body.line);
  return places;
}

/**
 * Lines that go in at one of these times, and of which the log says neither that they are in nor that
 * they were left out. Sweetener counts as in once "the sugar is in" is logged.
 */
export function linesDue(
  formula: PotFormula,
  boil: Pick<Boil, 'log' | 'sugarInAt'>,
  ...times: readonly AddWhen[]
): readonly PotLine[] {
  const when = addWhenOf(formula);
  const isIn = linesIn(boil);
  const isOut = new Set(
    boil.log.flatMap(({ event, undone }) =>
      !undone && event.type === 'omission' && event.body.line !== undefined
        ? [event.body.line]
        : [],
    ),
  );
  return formula.lines.filter(
    (line) =>
      times.includes(when(line)) &&
      !isIn.has(line.index) &&
      !isOut.has(line.index) &&
      !(line.ingredient.category === 'sweetener' && boil.sugarInAt !== undefined),
  );
}

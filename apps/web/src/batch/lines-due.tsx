import { ingredientById, linesDue } from '@idle-kettle/core';
import { logEvent } from '../data/log-event.js';
import { useBatch } from './batch-context.js';
import { nameOfLine } from './line-edit.js';

/** Logs that lines of the formula are in: sweetener as "the sugar is in", the rest one by one. */
export function useLogIn(): (isSugar: boolean, places: readonly number[]) => void {
  const { id, document } = useBatch();
  return (isSugar, places) => {
    if (isSugar) logEvent(id, 'sugar-in', {});
    for (const place of places) {
      const line = document.lines[place];
      if (!line || (isSugar && ingredientById(line.ingredient ?? '')?.category === 'sweetener'))
        continue;
      logEvent(id, 'addition', {
        text: `${line.amount} ${nameOfLine(line)}`.slice(0, 2000),
        planned: true,
        line: place,
      });
    }
  };
}

/** What goes in off the heat and is not in yet: asked for when the boil is over, and again at the jars. */
export function OffHeatDue() {
  const { formula, boil, document } = useBatch();
  const logIn = useLogIn();
  if (boil.phase !== 'done' && boil.phase !== 'off-heat') return null;
  const due = linesDue(formula, boil, 'near-end', 'off-heat').filter(
    ({ ingredient }) => ingredient.category !== 'sweetener',
  );
  if (due.length === 0) return null;
  return (
    <section
      aria-label="Goes in off the heat"
      className="flex flex-wrap items-center gap-3 rounded-[14px] border-2 border-secondary px-5 py-3"
    >
      <p className="display text-[22px]">Stir in, before the jars</p>
      {due.map(({ index }) => {
        const line = document.lines[index];
        return (
          line && (
            <button
              key={index}
              type="button"
              className="btn btn-secondary h-14 text-lg"
              onClick={() => logIn(false, [index])}
            >
              {line.amount} {nameOfLine(line)}: in
            </button>
          )
        );
      })}
    </section>
  );
}

import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type Announcements,
  type DragEndEvent,
} from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { useCallback, useDeferredValue, useMemo } from 'react';
import { isProduce, softens, usualAddWhen, type PotLine, type UnitSystem } from '@idle-kettle/core';
import { useBatch } from '../../batch/batch-context.js';
import { moveLine, nameOfLine } from '../../batch/line-edit.js';
import { NewLine } from '../../batch/new-line.js';
import { useFormats, usePreferences } from '../../ui/preferences.js';
import { COLUMNS, idOf, Line, SharesContext } from './line.js';

/** What a screen reader says while a line is moved. */
function announcementsOf(names: readonly string[], ids: readonly string[]): Announcements {
  const named = (id: string | number): string => names[ids.indexOf(String(id))] || 'the line';
  return {
    onDragStart: ({ active }) => `${named(active.id)} is taken up`,
    onDragOver: ({ active, over }) =>
      over
        ? `${named(active.id)} is at place ${ids.indexOf(String(over.id)) + 1} of ${ids.length}`
        : undefined,
    onDragEnd: ({ active }) => `${named(active.id)} is put down`,
    onDragCancel: ({ active }) => `${named(active.id)} is left where it was`,
  };
}

/** What goes into the pot: each line edited in place, a new one typed at the foot. */
export function Lines() {
  const { document, formula, problems, balance, change } = useBatch();
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const formats = useFormats();
  const { units } = usePreferences();
  const count = document.lines.length;
  const ids = useMemo(() => Array.from({ length: count }, (_, index) => idOf(index)), [count]);
  // A list of drag and drop whose settings are new each time draws every line again.
  const names = document.lines.map(nameOfLine).join('\n');
  const accessibility = useMemo(
    () => ({
      announcements: announcementsOf(names.split('\n'), ids),
      screenReaderInstructions: {
        draggable:
          'Space takes the line up, the arrows move it, Space puts it down, Escape leaves it.',
      },
    }),
    [names, ids],
  );
  const move = useCallback(
    ({ active, over }: DragEndEvent) => {
      if (over) change('', moveLine(ids.indexOf(String(active.id)), ids.indexOf(String(over.id))));
    },
    [change, ids],
  );
  const softening = formula.lines.some(
    ({ ingredient, form }) => isProduce(ingredient) && softens(form),
  );
  const usualTimes = new Map(
    formula.lines.map((line) => [
      line.index,
      usualAddWhen(formula.kind, formula.method, line.ingredient, softening),
    ]),
  );
  // They follow what the panel says.
  const shares = useDeferredValue(
    useMemo(() => new Map(balance?.lines.map((line) => [line.index, line.share])), [balance]),
  );
  const pot = new Map(formula.lines.map((line) => [line.index, line]));
  return (
    <section aria-label="In the pan" className="panel px-3 pt-1 pb-2">
      <div
        aria-hidden="true"
        className={`hidden border-b border-line px-2 py-2.5 text-sm text-soft ${COLUMNS}`}
      >
        <span />
        <span>Amount</span>
        <span>In the pan</span>
        <span className="text-right">also</span>
        <span className="text-right">share</span>
        <span>goes in</span>
      </div>
      <DndContext
        sensors={sensors}
        accessibility={accessibility}
        collisionDetection={closestCenter}
        onDragEnd={move}
      >
        <SortableContext items={ids} strategy={verticalListSortingStrategy}>
          <SharesContext value={shares}>
            <ul>
              {document.lines.map((line, index) => {
                const known = pot.get(index);
                return (
                  <Line
                    key={index}
                    index={index}
                    line={line}
                    ingredient={known?.ingredient}
                    also={
                      known
                        ? `${known.fruit_kg ? 'juice ' : ''}${isOwnMass(known, units) && !known.fruit_kg ? '' : `${formats.mass(known.mass_kg.mid)} · `}${formats.otherMass(known.mass_kg.mid)}`
                        : ''
                    }
                    usualTime={usualTimes.get(index)}
                    stages={document.stages?.length ?? 0}
                    problems={problems.filter((problem) =>
                      problem.path.startsWith(`lines[${index}]`),
                    )}
                    change={change}
                  />
                );
              })}
            </ul>
          </SharesContext>
        </SortableContext>
      </DndContext>
      <NewLine />
    </section>
  );
}

/**
 * Typed as a weight in the person's own system, so that only the other system is worth showing
 * beside it.
 */
const isOwnMass = ({ amount }: PotLine, units: UnitSystem): boolean =>
  amount.unit.kind === 'mass' &&
  ['g', 'kg', 'mg'].includes(amount.unit.id) === (units === 'metric');

import {
  closestCenter,
  type Announcements,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { ChevronDown, GripVertical, X } from 'lucide-react';
import { useId, useState } from 'react';
import type { FormulaLineBody } from '@idle-kettle/contract';
import { isProduce, nearestIngredients, softens, STAGES, usualStage, type PotLine, type Problem, type Stage, type UnitSystem } from '@idle-kettle/core'; // prettier-ignore
import { useBatch } from '../../batch/batch-context.js';
import { LineMore } from '../../batch/line-more.js';
import { NewLine } from '../../batch/new-line.js';
import { useFormats, useHabit } from '../../ui/habit.js';
import { sentence } from '../../ui/sentence.js';
import { changeLine, moveLine, nameOfLine, removeLine, withName } from '../../batch/line-edit.js';
import { STAGE_WORDS } from '../../batch/words.js';

const COLUMNS =
  'md:grid md:grid-cols-[28px_6rem_minmax(0,1fr)_7.2rem_3.4rem_8rem_44px_44px] md:items-center md:gap-x-3';

/** What goes into the pot: each line edited in place, a new one typed at the foot. */
export function Lines() {
  const { document, formula, problems, balance, change } = useBatch();
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const ids = document.lines.map((_, index) => idOf(index));
  const named = (id: string | number): string => {
    const line = document.lines[ids.indexOf(String(id))];
    return line ? nameOfLine(line) : 'the line';
  };
  const announcements: Announcements = {
    onDragStart: ({ active }) => `${named(active.id)} is taken up`,
    onDragOver: ({ active, over }) =>
      over
        ? `${named(active.id)} is at place ${ids.indexOf(String(over.id)) + 1} of ${ids.length}`
        : undefined,
    onDragEnd: ({ active }) => `${named(active.id)} is put down`,
    onDragCancel: ({ active }) => `${named(active.id)} is left where it was`,
  };
  const softening = formula.lines.some(({ ingredient, form }) => isProduce(ingredient) && softens(form));
  const stages = new Map(
    formula.lines.map((line) => [
      line.index,
      usualStage(formula.kind, formula.method, line.ingredient, softening),
    ]),
  );
  const shares = new Map(balance?.lines.map((line) => [line.index, line.share]));
  const pot = new Map(formula.lines.map((line) => [line.index, line]));
  return (
    <section aria-label="In the pot" className="panel px-3 pt-1 pb-2">
      <div
        aria-hidden="true"
        className={`hidden border-b border-line px-2 py-2.5 text-sm text-soft ${COLUMNS}`}
      >
        <span />
        <span>Amount</span>
        <span>In the pot</span>
        <span className="text-right">also</span>
        <span className="text-right">share</span>
        <span>goes in</span>
      </div>
      <DndContext
        sensors={sensors}
        accessibility={{
          announcements,
          screenReaderInstructions: {
            draggable: 'Space takes the line up, the arrows move it, Space puts it down, Escape leaves it.',
          },
        }}
        collisionDetection={closestCenter}
        onDragEnd={({ active, over }) => {
          if (over) change('', moveLine(ids.indexOf(String(active.id)), ids.indexOf(String(over.id))));
        }}
      >
        <SortableContext items={ids} strategy={verticalListSortingStrategy}>
          <ul>
            {document.lines.map((line, index) => (
              <Line
                key={index}
                index={index}
                line={line}
                pot={pot.get(index)}
                stage={stages.get(index)}
                share={shares.get(index)}
                problems={problems.filter((problem) => problem.path.startsWith(`lines[${index}]`))}
              />
            ))}
          </ul>
        </SortableContext>
      </DndContext>
      <NewLine />
    </section>
  );
}

const idOf = (index: number): string => `line-${index}`;

interface LineProps {
  readonly index: number;
  readonly line: FormulaLineBody;
  readonly pot: PotLine | undefined;
  /** When it usually goes in. */
  readonly stage: Stage | undefined;
  readonly share: number | undefined;
  readonly problems: readonly Problem[];
}

function Line({ index, line, pot, stage, share, problems }: LineProps) {
  const { setNodeRef, transform, transition, attributes, listeners, isDragging } = useSortable({
    id: idOf(index),
  });
  const { change } = useBatch();
  const formats = useFormats();
  const { units } = useHabit();
  const problemId = useId();
  const [more, setMore] = useState(false);
  const name = nameOfLine(line);
  const amountWrong = problems.some((problem) => problem.path.endsWith('.amount'));
  const nameWrong = problems.some(
    (problem) => problem.path.endsWith('.ingredient') || problem.path.endsWith('.form'),
  );
  const percent = share === undefined ? '' : `${(share * 100).toFixed(share < 0.01 ? 1 : 0)} %`;
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`border-b border-line py-1 ${isDragging ? 'relative z-10 rounded-xl bg-base-300' : ''}`}
    >
      <div className={`relative grid grid-cols-[28px_6rem_minmax(0,1fr)] items-center gap-x-1 ${COLUMNS}`}>
        <button
          type="button"
          className="flex h-11 w-7 cursor-grab touch-none items-center justify-center rounded-lg text-soft"
          {...attributes}
          {...listeners}
          aria-label={`Drag ${name || 'line ' + (index + 1)}`}
        >
          <GripVertical aria-hidden="true" className="size-5" />
        </button>
        <input
          aria-label={`Amount of ${name || 'line ' + (index + 1)}`}
          aria-invalid={amountWrong}
          aria-describedby={amountWrong ? problemId : undefined}
          className="quiet-input font-semibold"
          value={line.amount}
          maxLength={80}
          placeholder="amount"
          onChange={(event) =>
            change(
              `amount ${index}`,
              changeLine(index, (was) => ({ ...was, amount: event.target.value })),
            )
          }
        />
        <NameInput
          label={`Ingredient ${index + 1}`}
          value={name}
          wrong={nameWrong}
          describedBy={nameWrong ? problemId : undefined}
          onChange={(text) =>
            change(
              `name ${index}`,
              changeLine(index, (was) => withName(was, text)),
            )
          }
        />
        <span className="col-span-3 flex items-center gap-x-1.5 pl-2 text-sm md:contents">
          <span className="w-20 grow text-sm text-soft md:w-auto md:text-right md:whitespace-nowrap">
            {pot && (
              <>
                {!isOwnMass(pot, units) && `${formats.mass(pot.mass_kg.mid)} · `}
                {formats.otherMass(pot.mass_kg.mid)}
              </>
            )}
          </span>
          <span className="relative hidden text-sm md:block md:text-right">
            {share !== undefined && (
              <>
                {percent}
                <span
                  aria-hidden="true"
                  className="absolute inset-x-0 -bottom-1 hidden h-1 rounded-full bg-base-300 md:block"
                >
                  <span
                    className="block h-1 rounded-full"
                    style={{ width: `${Math.max(share * 100, 1.5)}%`, background: 'var(--fruit)' }}
                  />
                </span>
              </>
            )}
          </span>
          <span className="text-sm">
            {stage !== undefined && (
              <select
                aria-label={`When ${name} goes in`}
                className={`select w-32 pr-6 md:w-full pl-2 text-sm ${line.goesIn === undefined || line.goesIn === stage ? 'text-soft' : ''}`}
                value={line.goesIn ?? stage}
                onChange={(event) =>
                  change(
                    '',
                    changeLine(index, ({ goesIn: _, ...was }) => {
                      const goesIn = event.target.value as Stage;
                      return goesIn === stage ? was : { ...was, goesIn };
                    }),
                  )
                }
              >
                {STAGES.map((each) => (
                  <option key={each} value={each}>
                    {STAGE_WORDS[each]}
                  </option>
                ))}
              </select>
            )}
          </span>
          <button
            type="button"
            aria-label={`More about ${name || 'line ' + (index + 1)}`}
            aria-expanded={more}
            disabled={!pot}
            className="btn btn-ghost btn-square size-11"
            onClick={() => setMore(!more)}
          >
            <ChevronDown aria-hidden="true" className={`size-5 ${more ? 'rotate-180' : ''}`} />
          </button>
          <button
            type="button"
            aria-label={`Take out ${name || 'line ' + (index + 1)}`}
            className="btn btn-ghost btn-square size-11"
            onClick={() => change('', removeLine(index))}
          >
            <X aria-hidden="true" className="size-5" />
          </button>
        </span>
      </div>
      {more && pot && (
        <LineMore
          line={line}
          ingredient={pot.ingredient}
          index={index}
          onChange={(next) =>
            change(
              `more ${index}`,
              changeLine(index, () => next),
            )
          }
        />
      )}
      {problems.length > 0 && (
        <div id={problemId} className="px-2 pb-2 text-sm text-bad">
          {problems.map(({ path, message }) => (
            <p key={path}>{sentence(message)}</p>
          ))}
          {nameWrong && line.ingredient !== undefined && (
            <p className="mt-1 flex flex-wrap gap-2">
              {nearestIngredients(line.ingredient).map((guess) => (
                <button
                  key={guess.id}
                  type="button"
                  className="btn btn-sm min-h-[44px]"
                  onClick={() =>
                    change(
                      `guess ${index}`,
                      changeLine(index, (was) => withName(was, guess.id)),
                    )
                  }
                >
                  Use {guess.name[1]}
                </button>
              ))}
            </p>
          )}
        </div>
      )}
    </li>
  );
}

interface NameInputProps {
  readonly label: string;
  readonly value: string;
  readonly wrong: boolean;
  readonly describedBy: string | undefined;
  readonly onChange: (text: string) => void;
}

/** Typed as a weight in the person's own system, so that only the other system is worth showing beside it. */
const isOwnMass = ({ amount }: PotLine, units: UnitSystem): boolean =>
  amount.unit.kind === 'mass' && ['g', 'kg', 'mg'].includes(amount.unit.id) === (units === 'metric');

/** Shows the trade's name, and while it is being typed exactly what is typed. */
function NameInput({ label, value, wrong, describedBy, onChange }: NameInputProps) {
  const [typing, setTyping] = useState<string | null>(null);
  return (
    <input
      aria-label={label}
      aria-invalid={wrong}
      aria-describedby={describedBy}
      list="ingredients"
      className="quiet-input"
      value={typing ?? value}
      maxLength={120}
      placeholder="fruit, sugar, acid…"
      onFocus={() => setTyping(value)}
      onBlur={() => setTyping(null)}
      onChange={(event) => {
        setTyping(event.target.value);
        onChange(event.target.value);
      }}
    />
  );
}

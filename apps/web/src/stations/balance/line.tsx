import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { ChevronDown, GripVertical, X } from 'lucide-react';
import { createContext, memo, useContext, useId, useState } from 'react';
import type { FormulaLineBody } from '@idle-kettle/contract';
import {
  similarIngredients,
  ADD_WHEN,
  type Ingredient,
  type Problem,
  type AddWhen,
} from '@idle-kettle/core';
import { changeLine, nameOfLine, removeLine, withName } from '../../batch/line-edit.js';
import { LineMore } from '../../batch/line-more.js';
import type { EditedDocument } from '../../batch/use-document.js';
import { ROLE_WORDS, ADD_WHEN_WORDS } from '../../batch/words.js';
import { sentence } from '../../ui/sentence.js';

export const COLUMNS =
  'lg:grid lg:grid-cols-[28px_6rem_minmax(0,1fr)_7.2rem_3.4rem_8rem_44px_44px] lg:items-center lg:gap-x-3';

export const idOf = (index: number): string => `line-${index}`;

interface LineProps {
  readonly index: number;
  readonly line: FormulaLineBody;
  /** Undefined while it is not understood. */
  readonly ingredient: Ingredient | undefined;
  /** Its mass in the units it was not typed in. */
  readonly also: string;
  /** When it usually goes in. */
  readonly usualTime: AddWhen | undefined;
  /** How many stages its cook has. */
  readonly stages: number;
  readonly problems: readonly Problem[];
  readonly change: EditedDocument['change'];
}

/** What is shown of the problems of a line; the list itself is a new one each time. */
const told = (problems: readonly Problem[]): string =>
  problems.map(({ path, message }) => `${path} ${message}`).join('\n');

/**
 * One line of the pot, drawn again only when something of it changed: with thirty of them a key
 * must not wait for all.
 */
export const Line = memo(
  Row,
  (was, now) =>
    was.index === now.index &&
    was.line === now.line &&
    was.ingredient === now.ingredient &&
    was.also === now.also &&
    was.usualTime === now.usualTime &&
    was.stages === now.stages &&
    was.change === now.change &&
    told(was.problems) === told(now.problems),
);

function Row({ index, line, ingredient, also, usualTime, stages, problems, change }: LineProps) {
  const { setNodeRef, transform, transition, attributes, listeners, isDragging } = useSortable({
    id: idOf(index),
  });
  const problemId = useId();
  const [more, setMore] = useState(false);
  const name = nameOfLine(line);
  const amountWrong = problems.some((problem) => problem.path.endsWith('.amount'));
  const nameWrong = problems.some(
    (problem) => problem.path.endsWith('.ingredient') || problem.path.endsWith('.form'),
  );
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`border-b border-line py-1 ${isDragging ? 'relative z-10 rounded-xl bg-base-300' : ''}`}
    >
      <div
        className={`relative grid grid-cols-[28px_6rem_minmax(0,1fr)] items-center gap-x-1 ${COLUMNS}`}
      >
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
          title={line.amount}
          maxLength={80}
          placeholder="amount"
          onChange={(event) =>
            change(
              `amount ${index}`,
              changeLine(index, (was) => ({ ...was, amount: event.target.value })),
            )
          }
        />
        <span className="relative block">
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
          {ingredient && (
            <span className="pointer-events-none absolute bottom-0 left-2 text-[12.5px] leading-none text-soft">
              {ROLE_WORDS[ingredient.category]}
            </span>
          )}
        </span>
        <span className="col-span-3 flex items-center gap-x-1.5 pl-2 text-sm lg:contents">
          <span className="w-20 grow text-sm text-soft lg:w-auto lg:text-right lg:whitespace-nowrap">
            {also}
          </span>
          <span className="relative hidden text-sm lg:block lg:text-right">
            <Share index={index} />
          </span>
          <span className="text-sm">
            {usualTime !== undefined && (
              <WhenItGoesIn
                name={name}
                line={line}
                usualTime={usualTime}
                stages={stages}
                onChange={(edit) => change('', changeLine(index, edit))}
              />
            )}
          </span>
          <button
            type="button"
            aria-label={`More about ${name || 'line ' + (index + 1)}`}
            aria-expanded={more}
            disabled={!ingredient}
            className="btn btn-ghost btn-square size-11"
            onClick={() => setMore(!more)}
          >
            <ChevronDown aria-hidden="true" className={`size-5 ${more ? 'rotate-180' : ''}`} />
          </button>
          <button
            type="button"
            aria-label={`Delete ${name || 'line ' + (index + 1)}`}
            className="btn btn-ghost btn-square size-11"
            onClick={() => change('', removeLine(index))}
          >
            <X aria-hidden="true" className="size-5" />
          </button>
        </span>
      </div>
      {more && ingredient && (
        <LineMore
          line={line}
          ingredient={ingredient}
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
              {similarIngredients(line.ingredient).map((guess) => (
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

/** Share of the pan by the line's index, 0 to 1. Any amount changes all of them, so no line waits for its own. */
export const SharesContext = createContext<ReadonlyMap<number, number>>(new Map());

function Share({ index }: { readonly index: number }) {
  const share = useContext(SharesContext).get(index);
  if (share === undefined) return null;
  return (
    <>
      {`${(share * 100).toFixed(share < 0.01 ? 1 : 0)} %`}
      <span
        aria-hidden="true"
        className="absolute inset-x-0 -bottom-1 hidden h-1 rounded-full bg-base-300 lg:block"
      >
        <span
          className="block h-1 rounded-full"
          style={{ width: `${Math.max(share * 100, 1.5)}%`, background: 'var(--fruit)' }}
        />
      </span>
    </>
  );
}

interface NameInputProps {
  readonly label: string;
  readonly value: string;
  readonly wrong: boolean;
  readonly describedBy: string | undefined;
  readonly onChange: (text: string) => void;
}

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

interface WhenItGoesInProps {
  readonly name: string;
  readonly line: FormulaLineBody;
  readonly usualTime: AddWhen;
  readonly stages: number;
  readonly onChange: (edit: (line: FormulaLineBody) => FormulaLineBody) => void;
}

/** When a line goes in: as the setting method has it, or with a later stage of the cook. */
function WhenItGoesIn({ name, line, usualTime, stages, onChange }: WhenItGoesInProps) {
  const { goesIn = usualTime, stage = 1 } = line;
  const later = Array.from({ length: Math.max(stages - 1, 0) }, (_, i) => i + 2);
  const isUsual = goesIn === usualTime && stage === 1;
  return (
    <select
      aria-label={`When ${name} goes in`}
      className={`select w-32 pr-6 pl-2 text-sm lg:w-full ${isUsual ? 'text-soft' : ''}`}
      value={later.includes(stage) ? String(stage) : goesIn}
      onChange={({ target: { value } }) =>
        onChange(({ goesIn: _, stage: __, ...was }) => {
          const chosen = ADD_WHEN.find((each) => each === value);
          if (chosen === undefined) return { ...was, stage: Number(value) };
          return chosen === usualTime ? was : { ...was, goesIn: chosen };
        })
      }
    >
      {ADD_WHEN.map((each) => (
        <option key={each} value={each}>
          {ADD_WHEN_WORDS[each]}
        </option>
      ))}
      {later.map((each) => (
        <option key={each} value={each}>
          stage {each}
        </option>
      ))}
    </select>
  );
}

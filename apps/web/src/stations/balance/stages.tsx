import { Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import type { StageBody } from '@idle-kettle/contract';
import {
  cookOf,
  placeOfStage,
  stagesFromText,
  STAGE_WORK,
  type StageWork,
} from '@idle-kettle/core';
import { useBatch } from '../../batch/batch-context.js';
import { PlaceFields } from '../../batch/cooking-place.js';
import { WORK_WORDS } from '../../batch/words.js';
import { spanWords } from '../../ui/length-words.js';
import { useFormats } from '../../ui/preferences.js';
import { sentence } from '../../ui/sentence.js';

/** How it cooks, stage by stage: typed or chosen, with what each takes and leaves. */
export function Stages() {
  const { document, formula, change, problems } = useBatch();
  const [isOpen, setIsOpen] = useState(false);
  const stages = document.stages ?? [];
  const isLongCook = formula.finish.type === 'consistency' || formula.method === 'no-gel';
  if (stages.length === 0 && !isLongCook && !isOpen)
    return formula.kind === 'curd' ? null : (
      <button type="button" className="btn btn-ghost btn-sm" onClick={() => setIsOpen(true)}>
        <Plus aria-hidden="true" className="size-4" /> Cooking in stages
      </button>
    );
  const set = (next: StageBody[]): void =>
    change('stages', ({ stages: _, ...was }) => (next.length > 0 ? { ...was, stages: next } : was));
  const wrong = problems.filter(({ path }) => path.startsWith('stages'));
  return (
    <section aria-label="Cooking" className="panel mt-3 p-4">
      <h2 className="text-xl">Cooking</h2>
      {stages.length === 0 ? (
        <p className="text-soft">
          As usual: one stage, to its finish. Add stages to say where it cooks, with which lid and
          how long; hours and jars follow.
        </p>
      ) : (
        <ol className="mt-2 flex flex-col gap-3">
          {stages.map((stage, i) => (
            <StageRow
              key={i}
              number={i + 1}
              stage={stage}
              isLast={i === stages.length - 1}
              onChange={(next) => set(stages.map((each, k) => (k === i ? next : each)))}
              onRemove={() => set(stages.filter((_, k) => k !== i))}
            />
          ))}
        </ol>
      )}
      {wrong.map(({ path, message }) => (
        <p key={path} className="mt-1 text-sm text-bad">
          {sentence(message)}
        </p>
      ))}
      <TypedStages onStages={(more) => set([...stages, ...more])} />
      <Total />
    </section>
  );
}

interface StageRowProps {
  readonly number: number;
  readonly stage: StageBody;
  readonly isLast: boolean;
  readonly onChange: (stage: StageBody) => void;
  readonly onRemove: () => void;
}

function StageRow({ number, stage, isLast, onChange, onRemove }: StageRowProps) {
  const { formula, balance } = useBatch();
  const formats = useFormats();
  const place = formula.stages[number - 1] ?? placeOfStage(stage, formula.stages[number - 2]);
  const forecast = balance?.cook.stages[number - 1];
  const text = (key: 'time' | 'until', label: string, placeholder: string) => (
    <label className="flex items-center gap-2 text-sm text-soft">
      {label}
      <input
        className="input w-36 text-base-content"
        value={stage[key] ?? ''}
        placeholder={placeholder}
        maxLength={80}
        onChange={(event) => {
          const { [key]: _, ...rest } = stage;
          const value = event.target.value;
          onChange(value === '' ? rest : { ...rest, [key]: value });
        }}
      />
    </label>
  );
  return (
    <li aria-label={`Stage ${number}`} className="flex flex-wrap items-center gap-2">
      <strong className="w-6">{number}</strong>
      <PlaceFields
        place={place}
        onChange={({ where, lid, heat }) => onChange({ ...stage, where, lid, heat })}
      />
      {text('time', 'for', '10 h')}
      {text('until', 'until', isLast ? 'done' : 'down by a third')}
      <select
        aria-label="Before it"
        className="select w-36"
        value={stage.work ?? ''}
        onChange={(event) => {
          const { work: _, ...rest } = stage;
          const work = event.target.value as StageWork | '';
          onChange(work === '' ? rest : { ...rest, work });
        }}
      >
        <option value="">nothing first</option>
        {STAGE_WORK.map((work) => (
          <option key={work} value={work}>
            {WORK_WORDS[work]}
          </option>
        ))}
      </select>
      <button
        type="button"
        className="btn btn-ghost btn-square"
        aria-label={`Delete stage ${number}`}
        onClick={onRemove}
      >
        <Trash2 aria-hidden="true" className="size-5" />
      </button>
      {forecast && formula.stages[number - 1] && (
        <span className="text-sm text-soft">
          {spanWords(forecast.minutes.low, forecast.minutes.high)}, then{' '}
          {formats.mass(forecast.mass_kg.mid)}
        </span>
      )}
    </li>
  );
}

/** Stages as a recipe says them. */
function TypedStages({ onStages }: { readonly onStages: (stages: StageBody[]) => void }) {
  const { document } = useBatch();
  const [text, setText] = useState('');
  const [isWrong, setIsWrong] = useState(false);
  return (
    <form
      className="mt-3 flex flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        const found = stagesFromText(text, document.decimal);
        setIsWrong(found.length === 0);
        if (found.length === 0) return;
        onStages(found);
        setText('');
      }}
    >
      <label className="flex min-w-0 flex-1 flex-col gap-1 text-sm text-soft">
        Add stages as a recipe says them
        <input
          className="input w-full text-base-content"
          value={text}
          placeholder="10 hours on low, lid on; blend; 2 hours on high, lid off"
          aria-invalid={isWrong}
          aria-describedby="stages-wrong"
          maxLength={1000}
          onChange={(event) => {
            setText(event.target.value);
            setIsWrong(false);
          }}
        />
      </label>
      <button type="submit" className="btn" disabled={text.trim() === ''}>
        Add
      </button>
      <p id="stages-wrong" role="alert" className="w-full text-sm text-bad empty:hidden">
        {isWrong && 'No stage was found. Write how long or until what: “10 hours on low, lid on”.'}
      </p>
    </form>
  );
}

/** The whole cook: hours and what is left. */
function Total() {
  const { balance, formula } = useBatch();
  const formats = useFormats();
  if (!balance) return null;
  const { cook, finish, massIn_kg } = balance;
  const endsByClock = cookOf(formula).at(-1)?.end.type !== 'finish';
  return (
    <p role="status" className="mt-3">
      {cook.neverReached ? (
        <span className="text-watch">
          The heat is not enough to reach this finish: use more heat, or take the lid off.
        </span>
      ) : (
        <>
          In all <strong>{spanWords(cook.minutes.low, cook.minutes.high)}</strong>
          {endsByClock && ', ended by the clock'}: of {formats.mass(massIn_kg.mid)},{' '}
          {formats.mass(finish.mass_kg.low)} to {formats.mass(finish.mass_kg.high)} are left.
        </>
      )}
    </p>
  );
}

import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { JUDGED, MOST_POINTS, SHOW_RESULTS, type Judged, type ShowResult } from '@idle-kettle/core';
import { RESULT_WORDS } from '../../batch/words.js';
import { today } from '../../data/clock.js';
import { logEvent } from '../../data/log-event.js';
import type { BatchStory } from './use-batch-story.js';
import * as dates from '../../ui/dates.js';
import { isoDay } from '../../data/iso-day.js';

/** What judges look for. Common practice, no source. */
const LOOKED_FOR: Readonly<Record<Judged, string>> = {
  headspace: 'even, and as the table has it',
  jar: 'clean, lid and band of a kind, labelled',
  clarity: 'no foam, no pulp in a jelly, no grains',
  colour: 'bright, and of the fruit',
  set: 'holds its shape, does not weep',
  flavour: 'of the fruit; neither flat nor scorched',
};
const LABEL = 'flex min-w-[9rem] flex-1 flex-col gap-1 text-sm text-soft';
const POINTS = Array.from({ length: MOST_POINTS + 1 }, (_, i) => MOST_POINTS - i);

/** A jar held against a judge's sheet, and what became of entries at shows. */
export function ShowSheet({ told }: { readonly told: BatchStory }) {
  if (told.outcome.yield_ml.actual === undefined) return null;
  return (
    <section aria-label="For the show" className="flex flex-col gap-3">
      <h3 className="text-lg">For the show</h3>
      <Entries told={told} />
      <details>
        <summary className="cursor-pointer py-2.5">
          {told.outcome.judged
            ? `The judge’s sheet: ${JUDGED.reduce((sum, each) => sum + (told.outcome.judged?.[each] ?? 0), 0)} of ${JUDGED.length * MOST_POINTS} points`
            : 'Hold a jar against the judge’s sheet'}
        </summary>
        <Sheet told={told} />
      </details>
    </section>
  );
}

function Sheet({ told: { batch, outcome } }: { readonly told: BatchStory }) {
  const [draft, setDraft] = useState<Partial<Record<Judged, number>>>({});
  const points = { ...outcome.judged, ...draft };
  const missing = JUDGED.filter((which) => points[which] === undefined);
  const judge = (which: Judged, given: number): void => {
    const next = { ...points, [which]: given };
    setDraft(next);
    if (isWhole(next)) logEvent(batch.id, 'judged', next);
  };
  return (
    <ul className="mt-1">
      {JUDGED.map((which) => (
        <li key={which} className="flex flex-wrap items-center gap-x-3 border-t border-line py-2">
          <label htmlFor={`judged-${which}`} className="w-24 shrink-0 first-letter:uppercase">
            {which}
          </label>
          <select
            id={`judged-${which}`}
            className="select w-24"
            value={points[which] ?? ''}
            onChange={(event) => judge(which, Number(event.target.value))}
          >
            {points[which] === undefined && <option value="" />}
            {POINTS.map((each) => (
              <option key={each} value={each}>
                {each}
              </option>
            ))}
          </select>
          <span className="text-sm text-soft">{LOOKED_FOR[which]}</span>
        </li>
      ))}
      {missing.length > 0 && missing.length < JUDGED.length && (
        <li className="py-2 text-watch">
          Saved once {missing.join(', ')} {missing.length === 1 ? 'has its' : 'have their'} points.
        </li>
      )}
    </ul>
  );
}

const isWhole = (points: Partial<Record<Judged, number>>): points is Record<Judged, number> =>
  JUDGED.every((which) => points[which] !== undefined);

function Entries({ told: { batch, outcome } }: { readonly told: BatchStory }) {
  const [adding, setAdding] = useState(false);
  const [best] = outcome.shows;
  return (
    <>
      {best && best.result !== 'entered' && (
        <p className="rounded-[12px] border border-line px-3 py-2 font-bold">
          {best.result === 'first' ? 'The winning version' : 'Prize'}: {RESULT_WORDS[best.result]},{' '}
          {best.show}
        </p>
      )}
      {outcome.shows.length > 0 && (
        <ul aria-label="Entries">
          {outcome.shows.map(({ id, show, class: of, on, result }) => (
            <li key={id} className="flex flex-wrap items-center gap-x-3 border-t border-line py-1">
              <span className="flex-1">
                {show}, {of}, {dates.day(on)}: {RESULT_WORDS[result]}
              </span>
              <button
                type="button"
                className="btn btn-ghost"
                aria-label={`Delete ${show}, ${of}`}
                onClick={() => void logEvent(batch.id, 'undo', { eventId: id })}
              >
                Delete
              </button>
            </li>
          ))}
        </ul>
      )}
      {adding ? (
        <Entry batchId={batch.id} onDone={() => setAdding(false)} />
      ) : (
        <button type="button" className="btn self-start" onClick={() => setAdding(true)}>
          Add an entry
        </button>
      )}
    </>
  );
}

/** An entry as it is typed. */
interface EntryForm {
  readonly show: string;
  readonly class: string;
  readonly on: string;
  readonly result: ShowResult;
}

function Entry({ batchId, onDone }: { readonly batchId: string; readonly onDone: () => void }) {
  const { register, handleSubmit, formState } = useForm<EntryForm>({
    defaultValues: { show: '', class: '', on: isoDay(today()), result: 'entered' },
  });
  const { show: wrong } = formState.errors;
  const submit = handleSubmit((entry) => {
    logEvent(batchId, 'shown', {
      ...entry,
      show: entry.show.trim(),
      class: entry.class.trim() === '' ? 'open class' : entry.class.trim(),
    });
    onDone();
  });
  const isWritten = (text: string): true | string =>
    text.trim() !== '' || 'write where it was shown';
  return (
    <form
      noValidate
      onSubmit={(event) => void submit(event)}
      aria-label="An entry at a show"
      className="flex flex-wrap items-start gap-2"
    >
      <label className={LABEL}>
        show
        <input
          className={`input w-full text-base-content ${wrong ? 'input-error' : ''}`}
          maxLength={80}
          aria-invalid={wrong !== undefined}
          {...register('show', { validate: isWritten })}
        />
        {wrong && <span className="text-bad">{wrong.message}</span>}
      </label>
      <label className={LABEL}>
        class
        <input className="input w-full text-base-content" maxLength={80} {...register('class')} />
      </label>
      <label className="flex flex-col gap-1 text-sm text-soft">
        on
        <input
          type="date"
          className="input text-base-content"
          {...register('on', { required: true })}
        />
      </label>
      <label className="flex flex-col gap-1 text-sm text-soft">
        result
        <select className="select w-40 text-base-content" {...register('result')}>
          {SHOW_RESULTS.map((each) => (
            <option key={each} value={each}>
              {RESULT_WORDS[each]}
            </option>
          ))}
        </select>
      </label>
      <div className="flex gap-2 self-end">
        <button type="submit" className="btn btn-primary">
          Save
        </button>
        <button type="button" className="btn btn-ghost" onClick={onDone}>
          Not now
        </button>
      </div>
    </form>
  );
}

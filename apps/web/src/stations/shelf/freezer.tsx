import { useQuery } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import { toast } from 'sonner';
import type { FrozenFruitView, SaveFrozenFruit } from '@idle-kettle/contract';
import { ingredientById, lineFromText, readFormula } from '@idle-kettle/core';
import { ApiProblem, request } from '../../data/api.js';
import { today } from '../../data/clock.js';
import { keys, queryClient } from '../../data/queries.js';
import { useFormats } from '../../ui/preferences.js';
import { sentence } from '../../ui/sentence.js';
import { newId } from '../../data/ids.js';
import * as dates from '../../ui/dates.js';
import { isoDay } from '../../data/iso-day.js';

/** Fruit as it is typed: an amount that weighs something, and what it is. */
function readFruit(text: string): Pick<SaveFrozenFruit, 'ingredient' | 'mass_kg'> | string {
  const { formula, problems } = readFormula({
    format: 'idle-kettle/formula',
    version: 1,
    title: '',
    kind: 'jam',
    method: 'long-boil',
    finish: { type: 'gel-temperature' },
    jars: [{ size: '340-g' }],
    lines: [lineFromText(text)],
  });
  const [line] = formula.lines;
  const [problem] = problems;
  if (!line || problem)
    return problem?.message ?? 'write an amount and a fruit, such as "1.8 kg damsons"';
  return { ingredient: line.ingredient.id, mass_kg: Math.round(line.mass_kg.mid * 1000) / 1000 };
}

async function change(
  act: () => Promise<unknown>,
  done: string,
  back: () => Promise<unknown>,
): Promise<boolean> {
  const ask = (): Promise<void> => queryClient.invalidateQueries({ queryKey: keys.freezer });
  try {
    await act();
    await ask();
    toast(done, {
      action: { label: 'Undo', onClick: () => void back().then(ask) },
      duration: 8000,
    });
    return true;
  } catch (error) {
    toast.error(
      error instanceof ApiProblem
        ? (error.problem.errors?.[0]?.message ?? error.message)
        : 'The server does not answer; nothing was changed',
    );
    return false;
  }
}

/** Fruit that waits in the freezer for a quiet day. */
export function Freezer() {
  const formats = useFormats();
  const fruit = useQuery({
    queryKey: keys.freezer,
    queryFn: () => request<FrozenFruitView[]>('GET', '/freezer'),
  });
  const { register, handleSubmit, reset, setError, formState } = useForm({
    defaultValues: { text: '', note: '' },
  });
  const problem = formState.errors.text?.message;
  const save = (id: string, body: SaveFrozenFruit): Promise<unknown> =>
    request('PUT', `/freezer/${id}`, body);
  const add = handleSubmit(async ({ text, note }) => {
    const read = readFruit(text);
    if (typeof read === 'string') return setError('text', { message: read });
    const id = newId();
    const body = { ...read, note: note.trim(), frozenOn: isoDay(today()) };
    const done = await change(
      () => save(id, body),
      `${text.trim()} in the freezer`,
      () => request('DELETE', `/freezer/${id}`),
    );
    if (done) reset();
  });
  const nameOf = (id: string): string => ingredientById(id)?.name[1] ?? id;
  return (
    <section aria-label="In the freezer" className="panel mt-4 p-4">
      <h2 className="text-xl">Fruit waiting in the freezer</h2>
      <p className="text-soft">Part-thaw it, and count the drip: it is juice of the fruit.</p>
      <ul>
        {fruit.data?.map(({ id, ...body }) => (
          <li key={id} className="flex flex-wrap items-center gap-3 border-b border-line py-2">
            <span className="min-w-[12rem] flex-1">
              <span className="font-semibold">
                {formats.mass(body.mass_kg)} {nameOf(body.ingredient)}
              </span>
              <span className="block text-sm text-soft">
                since {dates.day(body.frozenOn)}
                {body.note !== '' && `, ${body.note}`}
              </span>
            </span>
            <button
              type="button"
              className="btn"
              aria-label={`${formats.mass(body.mass_kg)} ${nameOf(body.ingredient)} used`}
              onClick={() =>
                void change(
                  () => request('DELETE', `/freezer/${id}`),
                  `${nameOf(body.ingredient)} used`,
                  () => save(id, body),
                )
              }
            >
              Used
            </button>
          </li>
        ))}
      </ul>
      <form className="mt-3 flex flex-wrap items-end gap-3" onSubmit={(event) => void add(event)}>
        <label className="flex min-w-[12rem] flex-1 flex-col gap-1 text-sm text-soft">
          how much of which fruit
          <input
            className={`input w-full text-base-content ${problem === undefined ? '' : 'input-error'}`}
            aria-invalid={problem !== undefined}
            maxLength={100}
            placeholder="1.8 kg damsons"
            {...register('text')}
          />
        </label>
        <label className="flex min-w-[10rem] flex-1 flex-col gap-1 text-sm text-soft">
          note
          <input
            className="input w-full text-base-content"
            maxLength={100}
            placeholder="pitted, lower drawer"
            {...register('note')}
          />
        </label>
        <button type="submit" className="btn btn-secondary" disabled={!formState.dirtyFields.text}>
          Put it in
        </button>
      </form>
      {problem !== undefined && (
        <p role="alert" className="mt-1 text-bad">
          {sentence(problem)}
        </p>
      )}
    </section>
  );
}

import { useState } from 'react';
import type { PracticeRunView } from '@idle-kettle/contract';
import { setPlayer, usePlayer } from '../../data/practice.js';

/** Who cooks: every name that is known, or another. */
export function Who({ runs }: { readonly runs: readonly PracticeRunView[] }) {
  const player = usePlayer();
  const known = [
    ...new Set([...runs.map((run) => run.player), ...(player ? [player] : [])]),
  ].sort();
  const [typed, setTyped] = useState('');
  return (
    <section aria-label="Who cooks" className="mb-4 flex flex-wrap items-end gap-3">
      {known.length > 0 && (
        <label className="flex flex-col gap-1 text-sm text-soft">
          Who cooks
          <select
            className="select text-base-content"
            value={player}
            onChange={({ target }) => setPlayer(target.value)}
          >
            <option value="">nobody yet</option>
            {known.map((name) => (
              <option key={name}>{name}</option>
            ))}
          </select>
        </label>
      )}
      <form
        className="flex flex-wrap items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (typed.trim() === '') return;
          setPlayer(typed.trim());
          setTyped('');
        }}
      >
        <label className="flex flex-col gap-1 text-sm text-soft">
          {known.length > 0 ? 'Somebody new' : 'Who cooks'}
          <input
            className="input text-base-content"
            maxLength={40}
            placeholder="name"
            value={typed}
            onChange={({ target }) => setTyped(target.value)}
          />
        </label>
        <button type="submit" className="btn" disabled={typed.trim() === ''}>
          Cook as this person
        </button>
      </form>
    </section>
  );
}

import { useState } from 'react';
import { MINUTE_MS } from '@idle-kettle/core';
import { now } from '../data/clock.js';
import { newId } from '../data/ids.js';
import { askToNotify } from '../ui/notify.js';
import { startTimer } from '../ui/timers.js';
import { useBatch } from './batch-context.js';

/** Minutes that are one tap. */
const MINUTES = [1, 5, 10, 15, 30, 60] as const;

/** A named timer; it shows and rings on every screen. */
export function NewTimer() {
  const { document } = useBatch();
  const [name, setName] = useState('rest');
  const start = (minutes: number): void => {
    askToNotify();
    startTimer({
      id: newId(),
      name: `${document.title}: ${name.trim() === '' ? 'timer' : name.trim()}`.slice(0, 80),
      endsAt: now() + minutes * MINUTE_MS,
    });
  };
  return (
    <section aria-label="New timer" className="panel flex flex-wrap items-end gap-2 p-3">
      <label className="flex flex-col gap-1 text-sm text-soft">
        timer for
        <input
          className="input w-40 text-base-content"
          value={name}
          maxLength={40}
          onChange={(event) => setName(event.target.value)}
        />
      </label>
      {MINUTES.map((minutes) => (
        <button
          key={minutes}
          type="button"
          className="btn h-14 text-lg"
          onClick={() => start(minutes)}
        >
          {minutes} min
        </button>
      ))}
    </section>
  );
}

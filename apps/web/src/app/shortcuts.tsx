import { useEffectEvent, useLayoutEffect, useState } from 'react';
import { useNewBatch } from '../batch/new-batch.js';

/**
 * Keys with Alt: the letter, and what it does. What it reaches carries `data-key` with the letter.
 */
const KEYS = [
  ['b', 'a new batch'],
  ['l', 'type a line'],
  ['k', 'kind of preserve'],
  ['w', 'way to a set'],
  ['g', 'finish by'],
  ['i', 'make it fit'],
  ['j', 'jar size'],
  ['r', 'do the first remedy'],
  ['u', 'undo'],
  ['s', 'keep the formula'],
  ['x', 'set aside to compare'],
] as const;

/**
 * Alt with a letter goes to a field or does what a button does; a question mark outside a field
 * shows the list.
 */
export function Shortcuts() {
  const [shown, setShown] = useState(false);
  const newBatch = useNewBatch();
  const onKey = useEffectEvent((event: KeyboardEvent): void => {
    if (event.key === 'Escape') setShown(false);
    const typing =
      event.target instanceof Element && event.target.closest('input, textarea, select') !== null;
    if (event.key === '?' && !typing) return setShown((was) => !was);
    if (!event.altKey || event.ctrlKey || event.metaKey || !event.code.startsWith('Key')) return;
    const letter = event.code.slice(3).toLowerCase();
    if (letter === 'b') {
      event.preventDefault();
      return void newBatch();
    }
    const found = document.querySelector<HTMLElement>(`[data-key="${letter}"]:not(:disabled)`);
    if (!found || !KEYS.some(([key]) => key === letter)) return;
    event.preventDefault();
    found.focus();
    if (found instanceof HTMLInputElement) found.select();
    else if (!(found instanceof HTMLSelectElement)) found.click();
  });
  // Before the first paint: a key pressed as soon as the screen is seen is not lost.
  useLayoutEffect(() => {
    const listen = (event: KeyboardEvent): void => onKey(event);
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, []);
  if (!shown) return null;
  return (
    <section aria-label="Keys" className="panel fixed right-4 bottom-20 z-40 w-72 p-4 md:bottom-4">
      <div className="flex items-center justify-between">
        <h2 className="text-lg">Keys, with Alt</h2>
        <button
          type="button"
          className="btn btn-ghost btn-sm min-h-[44px]"
          onClick={() => setShown(false)}
        >
          Close
        </button>
      </div>
      <dl className="mt-1 grid grid-cols-[2.5rem_1fr] gap-y-1">
        {KEYS.map(([key, words]) => (
          <div key={key} className="contents">
            <dt className="font-bold">{key.toUpperCase()}</dt>
            <dd>{words}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}

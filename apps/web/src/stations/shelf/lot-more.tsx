import { useState } from 'react';
import type { LotView } from '@idle-kettle/contract';
import { canGo } from '@idle-kettle/core';
import { takeOffList } from '../../data/shelf.js';
import { take, transfer } from '../../batch/jar-moves.js';

const COLD = [
  ['fridge', 'To the fridge'],
  ['freezer', 'Freeze'],
] as const;

interface LotMoreProps {
  readonly lot: LotView;
  readonly onDone: () => void;
}

/** Several at once, to whom, why, and where to. */
export function LotMore({ lot, onDone }: LotMoreProps) {
  const [count, setCount] = useState('1');
  const [whom, setWhom] = useState('');
  const [why, setWhy] = useState('');
  const [place, setPlace] = useState('');
  const many = Number(count);
  const good = /^\d{1,4}$/.test(count) && many >= 1 && many <= lot.count;
  const done = (act: () => void) => (): void => {
    act();
    onDone();
  };
  const field = (name: string, value: string, change: (text: string) => void, most: number) => (
    <label className="flex min-w-[9rem] flex-1 flex-col gap-1 text-sm text-soft">
      {name}
      <input
        className="input w-full text-base-content"
        maxLength={most}
        value={value}
        onChange={(event) => change(event.target.value)}
      />
    </label>
  );
  return (
    <div
      className="mt-3 rounded-[12px] border border-line p-3"
      role="group"
      aria-label={`More for ${lot.title}`}
    >
      <label className="flex items-center gap-2">
        how many
        <input
          inputMode="numeric"
          className={`input w-20 ${good ? '' : 'input-error'}`}
          aria-invalid={!good}
          value={count}
          onChange={(event) => setCount(event.target.value)}
        />
        <span className={good ? 'text-soft' : 'text-bad'}>
          {good ? `of ${lot.count}` : `write 1 to ${lot.count}`}
        </span>
      </label>
      <div className="mt-2 flex flex-wrap items-end gap-2">
        {field('to whom', whom, setWhom, 60)}
        <button
          type="button"
          className="btn"
          disabled={!good}
          onClick={done(() => take(lot, many, 'given', { whom: whom.trim() }))}
        >
          Give away
        </button>
      </div>
      <div className="mt-2 flex flex-wrap items-end gap-2">
        {field('to which place', place, setPlace, 60)}
        <button
          type="button"
          className="btn"
          disabled={!good || place.trim() === ''}
          onClick={done(() => transfer(lot, many, lot.keptIn, place.trim()))}
        >
          Move there
        </button>
        {COLD.filter(([kept]) => kept !== lot.keptIn && canGo(lot.keptIn, kept)).map(
          ([kept, words]) => (
            <button
              key={kept}
              type="button"
              className="btn"
              disabled={!good}
              onClick={done(() => transfer(lot, many, kept, ''))}
            >
              {words}
            </button>
          ),
        )}
      </div>
      <p className="mt-1 text-sm text-soft">
        Frozen in straight-sided jars with half an inch of room; never in a shouldered one.
      </p>
      <div className="mt-2 flex flex-wrap items-end gap-2">
        {field('what was wrong with it', why, setWhy, 200)}
        <button
          type="button"
          className="btn"
          disabled={!good}
          onClick={done(() => take(lot, many, 'discarded', { note: why.trim() }))}
        >
          Throw away
        </button>
        <button
          type="button"
          className="btn"
          disabled={!good}
          onClick={done(() => take(lot, many, 'eaten'))}
        >
          Eaten
        </button>
      </div>
      <p className="mt-1 text-sm text-soft">
        A bulging lid, spurting, an off smell, mould or ferment: throw it away without tasting.
      </p>
      <button type="button" className="btn btn-ghost mt-2" onClick={done(() => takeOffList([lot]))}>
        On the shelf by mistake: remove from the list
      </button>
    </div>
  );
}

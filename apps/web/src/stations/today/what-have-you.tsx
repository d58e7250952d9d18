import { useState } from 'react';
import { Link } from 'react-router';
import type { FormulaBody } from '@idle-kettle/contract';
import { firstFruit, ingredientById, inSeason, STARTERS } from '@idle-kettle/core';
import { useNewBatch } from '../../batch/new-batch.js';
import { KIND_WORDS } from '../../batch/words.js';
import { today } from '../../data/clock.js';
import { fruitStyle } from '../../ui/fruit-colour.js';
import { usePreferences } from '../../ui/preferences.js';
import { useTheme } from '../../ui/theme.js';

/** Starters of what is in season now, the rest one tap away. */
export default function WhatHaveYou() {
  const theme = useTheme();
  const { southern } = usePreferences();
  const newBatch = useNewBatch();
  const month = today().getMonth() + 1;
  const [fruit, setFruit] = useState<string>();
  const isNow = (id: string | undefined): boolean =>
    id !== undefined && inSeason(id, month, southern);
  const fruits = [...new Set(STARTERS.flatMap((each) => firstFruit(each) ?? []))].toSorted(
    (a, b) => Number(isNow(b)) - Number(isNow(a)),
  );
  const starters = STARTERS.filter((each) => firstFruit(each) === fruit);
  return (
    <>
      <p className="mt-1 text-soft">
        Tap a fruit for amounts to begin with, or{' '}
        <Link to="/quick" className="underline">
          paste a recipe
        </Link>
        .
      </p>
      <div className="mt-3 flex flex-wrap gap-2">
        {fruits.map((id) => (
          <button
            key={id}
            type="button"
            aria-pressed={fruit === id}
            style={fruitStyle(id, theme)}
            className={`btn ${fruit === id ? 'btn-neutral' : ''}`}
            onClick={() => setFruit(id)}
          >
            <span
              aria-hidden="true"
              className="size-4 rounded-full"
              style={{ background: 'var(--fruit)' }}
            />
            {ingredientById(id)?.name[1] ?? id}
            {isNow(id) && <span className="text-sm font-normal">in season</span>}
          </button>
        ))}
      </div>
      {starters.length > 0 && (
        <ul className="mt-3">
          {starters.map((document) => (
            <li
              key={document.title}
              className="flex items-center justify-between gap-3 border-t border-line py-2"
            >
              <span className="leading-tight">
                <span className="block font-semibold">{document.title}</span>
                <span className="text-sm text-soft">{KIND_WORDS[document.kind]}</span>
              </span>
              <button
                type="button"
                className="btn btn-primary"
                aria-label={`Start with ${document.title}`}
                onClick={() => void newBatch({ document: document as FormulaBody })}
              >
                Start with this
              </button>
            </li>
          ))}
        </ul>
      )}
      <button type="button" className="btn btn-ghost mt-3" onClick={() => void newBatch()}>
        Something else: an empty pan
      </button>
    </>
  );
}

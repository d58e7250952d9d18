import { useMemo } from 'react';
import { useLocation } from 'react-router';
import {
  firstFilledAt,
  HOUR_MS,
  KEEPING_ADVICE_WORDS,
  keepingAdviceNow,
  kitchenFraction,
  outcomeOf,
  outcomeRows,
} from '@idle-kettle/core';
import { useLotsOf } from '../data/shelf.js';
import { jarsOf } from '../ui/jar-picture.js';
import { useFormats, usePreferences } from '../ui/preferences.js';
import { useBatch, useBatchNow } from './batch-context.js';
import { OutcomeTable } from './outcome-table.js';
import { Storage } from './readouts.js';
import * as dates from '../ui/dates.js';

/**
 * Whether the batch on the bench is finished and in its jars: then the panel shows what it is. Balance
 * is for the next one, and shows what that will be.
 */
export function useIsFinished(): boolean {
  const { boil, balance } = useBatch();
  const isNext = useLocation().pathname.endsWith('/balance');
  return !isNext && balance !== null && boil.phase === 'done' && firstFilledAt(boil) !== undefined;
}

/** What a finished batch is: how it is stored, what was made, what is left, and how it was forecast. */
export function FinishedBatch() {
  const { id, boil, balance, keeping, formula, document } = useBatch();
  const { kitchen } = usePreferences();
  const formats = useFormats();
  const { lots } = useLotsOf(id);
  const hour = Math.floor(useBatchNow() / HOUR_MS) * HOUR_MS;
  const rows = useMemo(
    () => outcomeRows(outcomeOf(document, boil, kitchen, hour), formats),
    [document, boil, kitchen, hour, formats],
  );
  const advice = keepingAdviceNow(keeping, boil, useBatchNow());
  if (!balance) return null;
  const made = boil.jarred
    .filter(({ full, part }) => full + part > 0)
    .map(({ size, full, part }) => jarsOf(kitchenFraction(full + part), size, full + part));
  const left = lots.reduce((sum, { count, partFill }) => sum + count * (partFill ?? 1), 0);
  return (
    <aside aria-label="What it is" className="px-4 pb-6 sm:px-6 xl:px-5 xl:py-4">
      <h2 className="sr-only">What it is</h2>
      {keeping.verdict !== 'shelf' && (
        <p className="mb-2 font-semibold text-watch">{KEEPING_ADVICE_WORDS[advice]}</p>
      )}
      <Storage
        keeping={keeping}
        balance={balance}
        altitude_m={formula.place.altitude_m}
        isFilled
        isProcessed={boil.processRuns.length > 0}
      />
      <dl className="grid grid-cols-[5rem_1fr] gap-y-2 border-b border-line py-3">
        <dt className="text-soft">Made</dt>
        <dd>
          <span className="display block text-[20px] leading-tight">{made.join(', ')}</span>
          {boil.endedAt !== undefined && dates.longDayAndYear(boil.endedAt)}
        </dd>
        <dt className="text-soft">Left</dt>
        <dd>
          <span className="display block text-[20px] leading-tight">
            {lots.length === 0 ? 'not on the shelf yet' : `${kitchenFraction(left)} jars`}
          </span>
        </dd>
      </dl>
      <h3 className="mt-3 text-lg">Forecast and actual</h3>
      <OutcomeTable rows={rows} />
    </aside>
  );
}

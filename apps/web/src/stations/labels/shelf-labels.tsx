import { useQueries, type UseQueryResult } from '@tanstack/react-query';
import { useCallback, useDeferredValue, useState } from 'react';
import { Link } from 'react-router';
import type { FormulaBody, LotView } from '@idle-kettle/contract';
import { boilFrom, madeBatch, type BatchEvent, type Kitchen } from '@idle-kettle/core';
import { now } from '../../data/clock.js';
import { isoDay } from '../../data/iso-day.js';
import { batchQuery, eventsQuery, keys, queryClient } from '../../data/queries.js';
import { useLotPages } from '../../data/shelf.js';
import * as dates from '../../ui/dates.js';
import { jarName } from '../../ui/jar-picture.js';
import { Empty, Loading, Page } from '../../ui/page.js';
import { usePreferences } from '../../ui/preferences.js';
import { labelChoice } from './label-choice.js';
import { labelRun, type LabelledBatch } from './label-run.js';
import { HowMany, PrintLabels } from './print-labels.js';

interface BatchAndLog {
  readonly id: string;
  readonly document: FormulaBody;
  readonly events: readonly BatchEvent[];
}

async function fetchBatchAndLog(id: string): Promise<BatchAndLog> {
  const [{ document }, { events }] = await Promise.all([
    queryClient.fetchQuery(batchQuery(id)),
    queryClient.fetchQuery(eventsQuery(id)),
  ]);
  return { id, document, events };
}

/** The batch as it was made. */
function asMade({ id, document, events }: BatchAndLog, kitchen: Kitchen): LabelledBatch {
  const boil = boilFrom(events);
  const on = isoDay(boil.endedAt ?? now());
  const made = madeBatch(document, boil, kitchen, { on });
  return { id, document: made.document, formula: made.formula, balance: made.balance, boil };
}

/** The batches these jars are of; those that are not here yet are left out. */
function useLabelledBatches(ids: readonly string[], kitchen: Kitchen): LabelledBatch[] {
  const combine = useCallback(
    (results: readonly UseQueryResult<BatchAndLog>[]) =>
      results.flatMap(({ data }) => (data ? [asMade(data, kitchen)] : [])),
    [kitchen],
  );
  return useQueries({
    queries: ids.map((id) => ({
      queryKey: [...keys.batch(id), 'with its log'],
      queryFn: () => fetchBatchAndLog(id),
    })),
    combine,
  });
}

/** Lots that are listed at first, and with each "Show older". */
const FIRST = 6;
const MORE = 20;

/** Labels for jars of several batches, one sheet after the other. */
export function ShelfLabels() {
  const { kitchen, units } = usePreferences();
  const choice = labelChoice.use();
  const [typed, setTyped] = useState('');
  const [most, setMost] = useState(FIRST);
  const search = useDeferredValue(typed.trim());
  const pages = useLotPages({ left: 'yes', ...(search !== '' && { search }) });
  const [ticked, setTicked] = useState<ReadonlyMap<string, LotView>>(new Map());
  const [counts, setCounts] = useState<Readonly<Record<string, string>>>({});
  const lots = pages.lots.filter((lot) => lot.count > 0 && lot.keptIn !== 'opened');
  const tick = (which: readonly LotView[], on: boolean): void => {
    const next = new Map(ticked);
    for (const lot of which) {
      if (on) next.set(lot.id, lot);
      else next.delete(lot.id);
    }
    setTicked(next);
  };
  // What is ticked stays in sight.
  const shown = lots.filter(({ id }, i) => i < most || ticked.has(id));
  const wanted = [...ticked.values()];
  const batches = useLabelledBatches([...new Set(wanted.map(({ batchId }) => batchId))], kitchen);
  const countOf = (lot: LotView): string => counts[lot.id] ?? String(lot.count);
  const labelled = wanted.flatMap((lot) => {
    const batch = batches.find(({ id }) => id === lot.batchId);
    return batch ? [{ batch, lot }] : [];
  });
  const runs = labelled.flatMap(
    ({ batch, lot }) => labelRun(batch, lot, countOf(lot), choice, units) ?? [],
  );
  return (
    <Page
      title="Labels"
      isWide
      lead="Tick the jars; their labels follow each other on the sheets."
      actions={
        <Link to="/shelf" className="btn">
          Back to the shelf
        </Link>
      }
    >
      {pages.isPending && <Loading />}
      {!pages.isPending && lots.length === 0 && search === '' && (
        <Empty title="No jars to label">
          Labels are for jars that were counted and put on the shelf.
        </Empty>
      )}
      {(lots.length > 0 || search !== '') && (
        <PrintLabels lots={labelled.map(({ lot }) => lot)} runs={runs} file="labels">
          <input
            type="search"
            aria-label="Search the shelf"
            className="input w-full"
            placeholder="Search the shelf"
            maxLength={80}
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
          />
          <ul aria-label="Jars" className="divide-y divide-line rounded-xl border border-line px-3">
            {shown.map((lot) => (
              <li key={lot.id} className="py-1">
                <label className="flex min-h-[44px] items-center gap-3">
                  <input
                    type="checkbox"
                    className="checkbox"
                    checked={ticked.has(lot.id)}
                    onChange={(event) => tick([lot], event.target.checked)}
                  />
                  <span className="min-w-0">
                    {lot.title === '' ? 'Unnamed batch' : lot.title}
                    <span className="block text-sm text-soft">
                      {lot.count} × {jarName(lot.size, lot.count)}, made {dates.day(lot.madeOn)}
                    </span>
                  </span>
                </label>
                {ticked.has(lot.id) && (
                  <HowMany
                    lot={lot}
                    count={countOf(lot)}
                    onCount={(text) => setCounts({ ...counts, [lot.id]: text })}
                  />
                )}
              </li>
            ))}
            {lots.length === 0 && (
              <li className="py-3 text-soft">Nothing on the shelf has that name.</li>
            )}
          </ul>
          <div className="flex flex-wrap gap-2">
            <button type="button" className="btn" onClick={() => tick(shown, true)}>
              Tick all shown
            </button>
            {ticked.size > 0 && (
              <button type="button" className="btn" onClick={() => tick(wanted, false)}>
                Clear
              </button>
            )}
            {(pages.more ?? lots.length > shown.length) && (
              <button
                type="button"
                className="btn btn-ghost"
                disabled={pages.isFetchingMore}
                onClick={() => {
                  setMost(most + MORE);
                  if (lots.length < most + MORE) pages.more?.();
                }}
              >
                Show older
              </button>
            )}
          </div>
          {ticked.size > 0 && (
            <p role="status" className="text-sm text-soft">
              {runs.reduce((sum, { count }) => sum + count, 0)} labels of {wanted.length}{' '}
              {wanted.length === 1 ? 'lot' : 'lots'}
              {labelled.length < wanted.length && ', some still being fetched'}
            </p>
          )}
        </PrintLabels>
      )}
    </Page>
  );
}

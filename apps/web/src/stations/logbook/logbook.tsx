import { useInfiniteQuery } from '@tanstack/react-query';
import { deleteBatches } from '../../batch/delete-batches.js';
import { useMakeAgain } from '../../batch/new-batch.js';
import { Suspense, useDeferredValue, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import type { BatchSummary } from '@idle-kettle/contract';
import { KINDS, kitchenFraction, type Kind } from '@idle-kettle/core';
import { useTheme } from '../../ui/theme.js';
import { KIND_WORDS, RESULT_WORDS, SET_WORDS } from '../../batch/words.js';
import { request } from '../../data/api.js';
import { keys } from '../../data/queries.js';
import { fruitStyle } from '../../ui/fruit-colour.js';
import { Notice } from '../../ui/notice.js';
import { Empty, Loading, Page } from '../../ui/page.js';
import { fetchedPart } from '../../ui/fetched-part.js';
import * as dates from '../../ui/dates.js';

const LogbookCharts = fetchedPart(() => import('./logbook-charts.js'));

const PAGE = 40;
/** Side by side on one screen. */
const MOST_COMPARED = 4;

/** Every batch there was: found by its name or a note, and compared. */
export function Logbook() {
  const navigate = useNavigate();
  const [typed, setTyped] = useState('');
  const search = useDeferredValue(typed.trim());
  const [kind, setKind] = useState<Kind | ''>('');
  const theme = useTheme();
  const [right, setRight] = useState(false);
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const batches = useInfiniteQuery({
    queryKey: [...keys.batches, 'logbook', search, kind],
    queryFn: ({ pageParam }) => {
      const query = new URLSearchParams({
        limit: String(PAGE),
        ...(search !== '' && { search }),
        ...(kind !== '' && { kind }),
        ...(pageParam !== '' && { after: pageParam }),
      });
      return request<BatchSummary[]>('GET', `/batches?${query.toString()}`);
    },
    initialPageParam: '',
    getNextPageParam: (last) => (last.length < PAGE ? undefined : last.at(-1)?.id),
    placeholderData: (before) => before,
  });
  const all = batches.data?.pages.flat() ?? [];
  const again = useMakeAgain();
  const choose = (id: string): void =>
    setChosen((was) =>
      was.includes(id) ? was.filter((each) => each !== id) : [...was, id].slice(-MOST_COMPARED),
    );
  return (
    <Page
      title="Logbook"
      lead="Every batch as it went: what was planned, what happened, how it tasted."
      actions={
        <span className="flex flex-wrap gap-2">
          {chosen.length > 0 && (
            <button
              type="button"
              className="btn"
              onClick={() => {
                void deleteBatches(all.filter(({ id }) => chosen.includes(id)));
                setChosen([]);
              }}
            >
              Delete {chosen.length}
            </button>
          )}
          {chosen.length === 1 && (
            <button type="button" className="btn" onClick={() => void again(chosen[0] ?? '')}>
              Make again
            </button>
          )}
          <button
            type="button"
            className="btn btn-secondary"
            disabled={chosen.length < 2}
            onClick={() => void navigate(`/logbook/${chosen.join(',')}`)}
          >
            {chosen.length < 2 ? 'Select two' : `Compare ${chosen.length}`}
          </button>
        </span>
      }
    >
      <div className="mb-3 flex flex-wrap items-center gap-3">
        <input
          type="search"
          aria-label="Search the logbook"
          placeholder="Name or note"
          className="input w-64"
          maxLength={80}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
        <select
          aria-label="Kind"
          className="select w-48"
          value={kind}
          onChange={(event) => setKind(event.target.value as Kind | '')}
        >
          <option value="">every kind</option>
          {KINDS.map((each) => (
            <option key={each} value={each}>
              {KIND_WORDS[each]}
            </option>
          ))}
        </select>
        <button
          type="button"
          className="btn"
          aria-expanded={right}
          onClick={() => setRight(!right)}
        >
          {right ? 'Hide charts' : 'Charts'}
        </button>
      </div>
      {right && (
        <div className="mb-4">
          <Suspense fallback={<Loading />}>
            <LogbookCharts theme={theme} />
          </Suspense>
        </div>
      )}
      {batches.isPending && !batches.isError && <Loading />}
      {batches.isError && all.length === 0 && (
        <Notice title="The logbook cannot be fetched" tone="care">
          The server does not answer. It is tried again when you come back to this page.
        </Notice>
      )}
      {batches.isSuccess && all.length === 0 && (
        <Empty
          title={search === '' && kind === '' ? 'Nothing made yet' : 'No such batch'}
          action={
            <Link to="/" className="btn btn-primary">
              To today
            </Link>
          }
        >
          {search === '' && kind === ''
            ? 'Every batch is listed here once it is started.'
            : 'No name or note matches.'}
        </Empty>
      )}
      {all.length > 0 && (
        <ul className="panel px-4">
          {all.map((batch) => (
            <Line
              key={batch.id}
              batch={batch}
              chosen={chosen.includes(batch.id)}
              onChoose={() => choose(batch.id)}
            />
          ))}
        </ul>
      )}
      {batches.hasNextPage && (
        <button
          type="button"
          className="btn mt-3 w-full"
          disabled={batches.isFetchingNextPage}
          onClick={() => void batches.fetchNextPage()}
        >
          Earlier ones
        </button>
      )}
    </Page>
  );
}

interface LineProps {
  readonly batch: BatchSummary;
  readonly chosen: boolean;
  readonly onChoose: () => void;
}

function Line({ batch, chosen, onChoose }: LineProps) {
  const theme = useTheme();
  const title = batch.title === '' ? 'Unnamed batch' : batch.title;
  const day = dates.day(batch.endedAt ?? batch.startedAt ?? batch.createdAt);
  return (
    <li
      style={fruitStyle(batch.fruit, theme)}
      className="flex items-center gap-3 border-b border-line last:border-b-0"
    >
      <label className="flex min-h-[44px] min-w-[32px] items-center">
        <input
          type="checkbox"
          className="checkbox"
          aria-label={`Compare ${title}, ${day}`}
          checked={chosen}
          onChange={onChoose}
        />
      </label>
      <span
        aria-hidden="true"
        className="h-9 w-1.5 rounded-full"
        style={{ background: 'var(--fruit)' }}
      />
      <Link
        to={`/logbook/${batch.id}`}
        className="flex min-w-0 flex-1 flex-wrap items-baseline gap-x-4 py-3"
      >
        <span className="display min-w-[10rem] flex-1 truncate text-lg">{title}</span>
        <span className="text-sm text-soft">
          {KIND_WORDS[batch.kind as Kind]} · {day}
          {batch.jarsFilled > 0 && ` · ${kitchenFraction(batch.jarsFilled)} jars`}
          {batch.phase !== 'done' && ` · ${batch.phase === 'cold' ? 'planned' : 'on the stove'}`}
          {batch.best !== null && ` · ${RESULT_WORDS[batch.best.result]}, ${batch.best.show}`}
          {batch.score !== null &&
            ` · set ${SET_WORDS[batch.score.set + 2] ?? ''}, taste ${batch.score.taste} of 5`}
        </span>
      </Link>
    </li>
  );
}

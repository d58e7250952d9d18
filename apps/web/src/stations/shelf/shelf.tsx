import { useDeferredValue, useState } from 'react';
import { Link } from 'react-router';
import { type LotState } from '@idle-kettle/contract';
import { useLotPages, useShelfOverview } from '../../data/shelf.js';
import { Notice } from '../../ui/notice.js';
import { Empty, Loading, Page } from '../../ui/page.js';
import { Lots } from './lots.js';
import { Story } from './story.js';
import { Stricter } from './stricter.js';

const plural = (n: number): string => `${n} ${n === 1 ? 'jar' : 'jars'}`;

const STATE_WORDS: Readonly<Record<LotState, string>> = {
  all: 'all jars',
  shelf: 'on the shelf',
  cold: 'in the cold',
  opened: 'opened and part jars',
};

/** What is there: what to eat first, where it stands, how many. */
export function Shelf() {
  const [typed, setTyped] = useState('');
  const search = useDeferredValue(typed.trim());
  const [state, setState] = useState<LotState>('all');
  const [place, setPlace] = useState('');
  const [emptied, setEmptied] = useState(false);
  const [counting, setCounting] = useState(false);
  const { overview, isError: noOverview } = useShelfOverview();
  const { lots, isPending, isError, more, isFetchingMore } = useLotPages({
    ...(search !== '' && { search }),
    ...(state !== 'all' && { state }),
    ...(place !== '' && { place }),
    ...(!emptied && { left: 'yes' }),
  });
  const {
    jars = 0,
    cold = 0,
    places = [],
    hadJars = false,
    eatFirst = [],
    stricter = [],
    pending = 0,
  } = overview ?? {};
  const narrowed = search !== '' || state !== 'all' || place !== '';
  const first = counting || narrowed ? [] : eatFirst;
  const asked = new Set(first.map(({ id }) => id));
  // What was just moved is elsewhere at once, before the list is fetched anew.
  const others = lots.filter(
    (lot) =>
      !asked.has(lot.id) && (emptied || lot.count > 0) && (place === '' || lot.place === place),
  );
  // Where everything was eaten there are still lots to put a jar back to.
  const something = hadJars || lots.length > 0;
  return (
    <Page
      title="Shelf"
      lead={overview && `${plural(jars)}${cold > 0 ? `, ${cold} of them for the fridge` : ''}.`}
      actions={
        <span className="flex flex-wrap gap-2">
          <Link to="/shelf/year" className="btn">
            The year
          </Link>
          {jars > 0 && (
            <button
              type="button"
              className="btn"
              aria-pressed={counting}
              onClick={() => setCounting(!counting)}
            >
              {counting ? 'Done counting' : 'Take stock'}
            </button>
          )}
        </span>
      }
    >
      {isPending && <Loading />}
      {(isError || noOverview) && lots.length === 0 && (
        <Notice title="The shelf list cannot be fetched" tone="care">
          The server does not answer. It is tried again when you come back to this page.
        </Notice>
      )}
      {something && (
        <div className="mb-3 flex flex-wrap items-center gap-3">
          <input
            type="search"
            aria-label="Search the shelf"
            className="input w-60"
            placeholder="Search the shelf"
            maxLength={80}
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
          />
          <select
            aria-label="Which jars"
            className="select w-48"
            value={state}
            onChange={(event) => setState(event.target.value as LotState)}
          >
            {Object.entries(STATE_WORDS).map(([key, name]) => (
              <option key={key} value={key}>
                {name}
              </option>
            ))}
          </select>
          {places.length > 0 && (
            <select
              aria-label="Place"
              className="select w-44"
              value={place}
              onChange={(event) => setPlace(event.target.value)}
            >
              <option value="">everywhere</option>
              {places.map((name) => (
                <option key={name}>{name}</option>
              ))}
            </select>
          )}
          <label className="flex min-h-[44px] items-center gap-2">
            <input
              type="checkbox"
              className="checkbox"
              checked={emptied}
              onChange={(event) => setEmptied(event.target.checked)}
            />{' '}
            Emptied lots too
          </label>
        </div>
      )}
      {pending > 0 && (
        <p role="status" className="mb-3 text-soft">
          How the jars of {pending === 1 ? 'one batch keep' : `${pending} batches keep`} is being
          worked out again; until then they are listed for the fridge.
        </p>
      )}
      {something && (
        <p className="mb-3 text-sm text-soft">
          Throw away without tasting what bulges, spurts, smells off, moulds or ferments.
        </p>
      )}
      {counting && (
        <p className="mb-3 text-soft">
          Go along the shelf: write how many stand there and press Enter. What you count replaces
          what is in the list; each one can be taken back.
        </p>
      )}
      <Stricter lots={stricter} />
      {first.length > 0 && (
        <section aria-label="Eat first" className="mb-5">
          <h2 className="mb-2 text-xl">Eat first</h2>
          <Lots lots={first} />
        </section>
      )}
      {others.length > 0 && (
        <section aria-label="The jars">
          {first.length > 0 && <h2 className="mb-2 text-xl">In store</h2>}
          <Lots lots={others} counting={counting} />
        </section>
      )}
      {more && (
        <button type="button" className="btn mt-3 w-full" disabled={isFetchingMore} onClick={more}>
          Older ones
        </button>
      )}
      <Story />
      {!isPending && !isError && !something && (
        <Empty
          title="Nothing on the shelf yet"
          action={
            <Link to="/" className="btn btn-primary">
              To today
            </Link>
          }
        >
          Jars come here from the Jar station of a batch.
        </Empty>
      )}
      {!isPending && !isError && something && !narrowed && lots.length === 0 && (
        <Empty title="Every jar is eaten or given away">
          Their lots are still there: tick “Emptied lots too”.
        </Empty>
      )}
      {!isPending && narrowed && lots.length === 0 && (
        <Empty title="No such jar">
          {search === ''
            ? 'There is none of these here.'
            : `Nothing on the shelf is called “${search}”.`}
        </Empty>
      )}
    </Page>
  );
}

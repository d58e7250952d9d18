import { useState } from 'react';
import { Link } from 'react-router';
import type { LotView } from '@idle-kettle/contract';
import { today } from '../../data/clock.js';
import { useShelf } from '../../data/queries.js';
import { jarName } from '../../ui/jar-picture.js';
import { Notice } from '../../ui/notice.js';
import { Empty, Loading, Page } from '../../ui/page.js';
import { eatFirst } from './eat-first.js';
import { Lots } from './lots.js';
import { Story } from './story.js';

const plural = (n: number): string => `${n} ${n === 1 ? 'jar' : 'jars'}`;

const STATES = {
  all: () => true,
  shelf: ({ keeping }: LotView) => keeping.verdict === 'shelf',
  cold: ({ keeping, keptIn }: LotView) => ['fridge', 'freezer'].includes(keeping.verdict) && keptIn !== 'opened',
  opened: ({ keptIn, partFill }: LotView) => keptIn === 'opened' || partFill !== null,
} as const; // prettier-ignore

const STATE_WORDS: Readonly<Record<keyof typeof STATES, string>> = {
  all: 'all jars',
  shelf: 'on the shelf',
  cold: 'in the cold',
  opened: 'opened and part jars',
};

/** What is there: what to eat first, where it stands, how many. */
export function Shelf() {
  const { lots, isPending, isError } = useShelf();
  const [search, setSearch] = useState('');
  const [state, setState] = useState<keyof typeof STATES>('all');
  const [place, setPlace] = useState('');
  const [emptied, setEmptied] = useState(false);
  const [counting, setCounting] = useState(false);
  const words = search.trim().toLowerCase();
  const places = [...new Set(lots.flatMap((lot) => (lot.place === '' || lot.count === 0 ? [] : [lot.place])))].sort(); // prettier-ignore
  const here = lots.filter(
    (lot) =>
      (emptied || lot.count > 0) &&
      STATES[state](lot) &&
      (place === '' || lot.place === place) &&
      `${lot.title} ${lot.place} ${jarName(lot.size, 2)}`.toLowerCase().includes(words),
  );
  const total = lots.reduce((sum, lot) => sum + lot.count, 0);
  const fridge = lots.reduce((sum, lot) => sum + (lot.keeping.verdict === 'shelf' ? 0 : lot.count), 0);
  const first = counting || words !== '' || state !== 'all' || place !== '' ? [] : eatFirst(lots, today());
  const asked = new Set(first.map(({ id }) => id));
  const others = here.filter(({ id }) => !asked.has(id));
  return (
    <Page
      title="Shelf"
      lead={
        isPending
          ? undefined
          : `${plural(total)}${fridge > 0 ? `, ${fridge} of them for the fridge` : ''}.`
      }
      actions={
        <span className="flex flex-wrap gap-2">
          <Link to="/shelf/year" className="btn">
            The year
          </Link>
          {total > 0 && (
          <button type="button" className="btn" aria-pressed={counting} onClick={() => setCounting(!counting)}>
            {counting ? 'Done counting' : 'Take stock'}
          </button>
        )}
        </span>
      }
    >
      {isPending && <Loading />}
      {isError && lots.length === 0 && (
        <Notice title="The shelf list cannot be fetched" tone="care">
          The server does not answer. It is tried again when you come back to this page.
        </Notice>
      )}
      {lots.length > 0 && (
        <div className="mb-3 flex flex-wrap items-center gap-3">
          <input
            type="search"
            aria-label="Search the shelf"
            className="input w-60"
            placeholder="Search the shelf"
            value={search}
            onChange={(event) => setSearch(event.target.value)}
          />
          <select aria-label="Which jars" className="select w-48" value={state} onChange={(event) => setState(event.target.value as keyof typeof STATES)}>
            {Object.entries(STATE_WORDS).map(([key, name]) => (
              <option key={key} value={key}>
                {name}
              </option>
            ))}
          </select>
          {places.length > 0 && (
            <select aria-label="Place" className="select w-44" value={place} onChange={(event) => setPlace(event.target.value)}>
              <option value="">everywhere</option>
              {places.map((name) => (
                <option key={name}>{name}</option>
              ))}
            </select>
          )}
          <label className="flex min-h-[44px] items-center gap-2">
            <input type="checkbox" className="checkbox" checked={emptied} onChange={(event) => setEmptied(event.target.checked)} /> Emptied lots too
          </label>
        </div>
      )}
      {lots.length > 0 && (
        <p className="mb-3 text-sm text-soft">
          Throw away without tasting what bulges, spurts, smells off, moulds or ferments.
        </p>
      )}
      {counting && (
        <p className="mb-3 text-soft">
          Go along the shelf: write how many stand there and press Enter. What you count replaces what is in the list; each one can be taken
          back.
        </p>
      )}
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
      {lots.length > 0 && <Story lots={lots} />}
      {!isPending && !isError && lots.length === 0 && (
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
      {lots.length > 0 && here.length === 0 && first.length === 0 && (
        <Empty title="No such jar">
          {search === '' ? 'There is none of these here.' : `Nothing on the shelf is called “${search}”.`}
        </Empty>
      )}
    </Page>
  );
} // prettier-ignore

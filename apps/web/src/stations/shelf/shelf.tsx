import { useState } from 'react';
import { Link } from 'react-router';
import { useShelf } from '../../data/queries.js';
import { Notice } from '../../ui/notice.js';
import { Empty, Loading, Page } from '../../ui/page.js';
import { Lots } from './lots.js';

const plural = (n: number): string => `${n} ${n === 1 ? 'jar' : 'jars'}`;

/** What is there. */
export function Shelf() {
  const { lots, isPending, isError } = useShelf();
  const [search, setSearch] = useState('');
  const [emptied, setEmptied] = useState(false);
  const here = lots.filter(
    (lot) => (emptied || lot.count > 0) && lot.title.toLowerCase().includes(search.trim().toLowerCase()),
  );
  const total = lots.reduce((sum, lot) => sum + lot.count, 0);
  const fridge = lots.reduce((sum, lot) => sum + (lot.keeping.verdict === 'shelf' ? 0 : lot.count), 0);
  return (
    <Page
      title="Shelf"
      lead={
        isPending
          ? undefined
          : `${plural(total)}${fridge > 0 ? `, ${fridge} of them for the fridge` : ''}. Throw away without tasting what bulges, spurts, smells off, moulds or ferments.`
      }
    >
      {isPending && <Loading />}
      {isError && lots.length === 0 && (
        <Notice title="The shelf list cannot be fetched" tone="care">
          The server does not answer. It is tried again when you come back to this page.
        </Notice>
      )}
      {lots.length > 0 && (
        <div className="mb-3 flex flex-wrap items-center gap-4">
          <input
            type="search"
            aria-label="Search the shelf"
            className="input w-60"
            placeholder="Search the shelf"
            value={search}
            onChange={(event) => setSearch(event.target.value)}
          />
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
      {here.length > 0 && <Lots lots={here} />}
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
      {lots.length > 0 && here.length === 0 && (
        <Empty title="No such jar">
          {search === '' ? 'Every lot has been emptied.' : `Nothing on the shelf is called “${search}”.`}
        </Empty>
      )}
    </Page>
  );
}

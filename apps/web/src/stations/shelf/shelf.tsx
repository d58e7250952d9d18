import { useDeferredValue, useState, type ReactNode } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { LotState, LotView } from '@idle-kettle/contract';
import { browserStore, oneOf } from '../../data/browser-store.js';
import { useLotPages, useShelfOverview } from '../../data/shelf.js';
import { Notice } from '../../ui/notice.js';
import { Empty, Loading, Page } from '../../ui/page.js';
import { useMedia } from '../../ui/use-media.js';
import { DrawnShelf } from './drawn-shelf.js';
import { LotDetail } from './lot-detail.js';
import { grouped, GROUPINGS, isCold, type Grouping } from './lot-groups.js';
import { LotTable } from './lot-table.js';
import { Lots } from './lots.js';
import { Story } from './story.js';
import { Stricter } from './stricter.js';

const plural = (n: number): string => `${n} ${n === 1 ? 'jar' : 'jars'}`;

const STATE_WORDS: Readonly<Record<LotState, string>> = {
  all: 'all jars',
  shelf: 'on the shelf',
  cold: 'refrigerated or frozen',
  opened: 'opened and part jars',
};

const VIEWS = ['shelves', 'table'] as const;
type View = (typeof VIEWS)[number];
/** How this person looks at the shelf. */
const view = browserStore<View>({
  key: 'kettle.shelf-view',
  parse: oneOf(VIEWS),
  otherwise: () => 'shelves',
});
const grouping = browserStore<Grouping>({
  key: 'kettle.shelf-grouping',
  parse: oneOf(Object.keys(GROUPINGS) as Grouping[]),
  otherwise: () => 'none',
});

/** What is there: what to eat first, where it stands, how many. */
export function Shelf() {
  const [typed, setTyped] = useState('');
  const search = useDeferredValue(typed.trim());
  const [state, setState] = useState<LotState>('all');
  const [place, setPlace] = useState('');
  const [emptied, setEmptied] = useState(false);
  const [counting, setCounting] = useState(false);
  const [asked, setAsked] = useSearchParams();
  const [selected, setSelected] = useState(asked.get('lot') ?? undefined);
  const shown = view.use();
  const by = grouping.use();
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
    stricter = [],
    pending = 0,
  } = overview ?? {};
  const narrowed = search !== '' || state !== 'all' || place !== '';
  // What was just moved is elsewhere at once, before the list is fetched anew.
  const all = lots.filter(
    (lot) => (emptied || lot.count > 0) && (place === '' || lot.place === place),
  );
  const lot = useShownLot(lots, selected);
  // Where everything was eaten there are still lots to put a jar back to.
  const something = hadJars || lots.length > 0;
  return (
    <Page
      title="Shelf"
      isWide
      lead={
        overview
          ? `${plural(jars)}${cold > 0 ? `, ${cold} of them refrigerated` : ''}`
          : // Its line is kept free until it is known.
            '\u00a0'
      }
      actions={
        <span className="flex flex-wrap gap-2">
          {VIEWS.map((each) => (
            <button
              key={each}
              type="button"
              aria-pressed={shown === each}
              className={`btn ${shown === each ? 'btn-neutral' : ''}`}
              onClick={() => view.set(each)}
            >
              {each === 'shelves' ? 'Shelves' : 'Table'}
            </button>
          ))}
          <Link to="/shelf/year" className="btn">
            The year
          </Link>
          {(jars > 0 || !overview) && (
            <Link to="/shelf/labels" className="btn">
              Labels
            </Link>
          )}
          {(jars > 0 || !overview) && (
            <button
              type="button"
              className="btn"
              aria-pressed={counting}
              onClick={() => setCounting(!counting)}
            >
              {counting ? 'Finish counting' : 'Count'}
            </button>
          )}
        </span>
      }
    >
      {(isError || noOverview) && lots.length === 0 && (
        <Notice title="The shelf list cannot be fetched" tone="care">
          The server does not answer. It is tried again when you come back to this page.
        </Notice>
      )}
      {(something || isPending) && (
        <div className="mb-3 grid grid-cols-2 items-center gap-2 sm:flex sm:flex-wrap sm:gap-3 print:hidden">
          <input
            type="search"
            aria-label="Search the shelf"
            className="input col-span-2 w-full sm:w-60"
            placeholder="Search the shelf"
            maxLength={80}
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
          />
          <select
            aria-label="Which jars"
            className="select w-full sm:w-48"
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
              className="select w-full sm:w-44"
              value={place}
              onChange={(event) => setPlace(event.target.value)}
            >
              <option value="">everywhere</option>
              {places.map((name) => (
                <option key={name}>{name}</option>
              ))}
            </select>
          )}
          <select
            aria-label="Groups"
            className="select w-full sm:w-36"
            value={by}
            onChange={(event) => grouping.set(event.target.value as Grouping)}
          >
            {Object.entries(GROUPINGS).map(([key, name]) => (
              <option key={key} value={key}>
                {name}
              </option>
            ))}
          </select>
          <label className="flex min-h-[44px] items-center gap-2">
            <input
              type="checkbox"
              className="checkbox"
              checked={emptied}
              onChange={(event) => setEmptied(event.target.checked)}
            />{' '}
            Empty ones too
          </label>
        </div>
      )}
      {pending > 0 && (
        <p role="status" className="mb-3 text-soft">
          The storage of {pending === 1 ? 'one batch' : `${pending} batches`} is being worked out
          again; until then the jars are listed as refrigerated.
        </p>
      )}
      {isPending && <Loading />}
      {something && (
        <p className="mb-3 text-sm text-soft">
          Throw away, without tasting, what bulges, spurts, smells off, moulds or ferments.
        </p>
      )}
      {counting && (
        <p className="mb-3 text-soft">
          Go along the shelf: write how many are there and press Enter. What you count replaces what
          is in the list; each count can be undone.
        </p>
      )}
      <Stricter lots={stricter} />
      {all.length > 0 && counting && (
        <section aria-label="The jars">
          <Lots lots={all} counting />
        </section>
      )}
      {all.length > 0 && !counting && (
        <WithDetail
          lot={lot}
          onClose={() => {
            setSelected(undefined);
            if (asked.has('lot')) setAsked({}, { replace: true });
          }}
        >
          {more && by !== 'none' && (
            <p className="pb-2 text-sm text-soft">
              Counted over the latest {all.length} lots; “Show older ones” adds the rest.
            </p>
          )}
          {grouped(all, by).map(({ name, lots: of, jars: total }) => (
            <section key={name} aria-label={name === '' ? 'The jars' : name} className="mb-2">
              {name !== '' && (
                <h2 className="text-lg">
                  {name} <span className="font-sans text-sm text-soft">{plural(total)}</span>
                </h2>
              )}
              {shown === 'table' ? (
                <LotTable
                  name={name === '' ? 'The jars' : name}
                  lots={of}
                  selected={selected}
                  onSelect={setSelected}
                />
              ) : (
                <Drawn lots={of} selected={selected} onSelect={setSelected} />
              )}
            </section>
          ))}
        </WithDetail>
      )}
      {more && (
        <button type="button" className="btn mt-3 w-full" disabled={isFetchingMore} onClick={more}>
          Show older ones
        </button>
      )}
      <Story />
      {!isPending && !isError && !something && (
        <Empty
          title="No jars yet"
          action={
            <Link to="/formulas" className="btn btn-primary">
              What is in season?
            </Link>
          }
        >
          Jars come here from the Jar station of a batch, once they are filled and counted.
        </Empty>
      )}
      {!isPending && !isError && something && !narrowed && lots.length === 0 && (
        <Empty title="Every jar is eaten or given away">
          They are still in the list: tick “Empty ones too”.
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

/**
 * The lot whose story is open. Once its last jar is gone the list leaves it out; its story stays, so
 * that a slip can be undone there.
 */
function useShownLot(lots: readonly LotView[], id: string | undefined): LotView | undefined {
  const found = lots.find((each) => each.id === id);
  const [last, setLast] = useState<LotView>();
  if (found && found !== last) setLast(found);
  if (found || last?.id !== id) return found;
  return last && { ...last, count: 0 };
}

/** The shelves of a group: the cool dark one, and the cold one. */
function Drawn({
  lots,
  selected,
  onSelect,
}: {
  readonly lots: readonly LotView[];
  readonly selected: string | undefined;
  readonly onSelect: (id: string) => void;
}) {
  const cold = lots.filter(isCold);
  return (
    <>
      <DrawnShelf
        name="On the shelf"
        lots={lots.filter((lot) => !isCold(lot))}
        selected={selected}
        onSelect={onSelect}
      />
      {cold.length > 0 && (
        <>
          <h2 className="mt-1 text-[17px]">Refrigerated, opened or frozen: use first</h2>
          <DrawnShelf
            name="Refrigerated, opened or frozen"
            lots={cold}
            isCold
            selected={selected}
            onSelect={onSelect}
          />
        </>
      )}
    </>
  );
}

interface WithDetailProps {
  readonly lot: LotView | undefined;
  readonly onClose: () => void;
  readonly children: ReactNode;
}

/** The shelves, and beside them the story of the lot that was tapped; over them where it is narrow. */
function WithDetail({ lot, onClose, children }: WithDetailProps) {
  const isBeside = useMedia('(min-width: 64rem)');
  return (
    <div className={lot && isBeside ? 'grid grid-cols-[minmax(0,1fr)_316px] gap-5' : ''}>
      <div className="min-w-0">{children}</div>
      {lot && (
        <div
          className={
            isBeside
              ? 'panel sticky top-[calc(var(--head,0px)+12px)] max-h-[calc(100dvh-var(--head,0px)-24px)] self-start overflow-y-auto'
              : 'fixed inset-x-0 bottom-[66px] z-30 max-h-[72dvh] overflow-y-auto border-t border-line bg-base-100 md:bottom-0 md:left-[88px]'
          }
        >
          <LotDetail key={lot.id} lot={lot} onClose={onClose} />
        </div>
      )}
    </div>
  );
}

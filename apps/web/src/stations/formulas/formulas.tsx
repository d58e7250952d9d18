import { useMemo, useState } from 'react';
import { Star, Upload } from 'lucide-react';
import { Link, useSearchParams } from 'react-router';
import {
  computeFormula,
  firstFruit,
  ingredientById,
  inSeason,
  KINDS,
  METHODS,
  withoutPlace,
  type Kind,
  type Method,
} from '@idle-kettle/core';
import { KIND_WORDS, METHOD_WORDS } from '../../batch/words.js';
import { layInStarters } from '../../data/formulas.js';
import { useFormulas } from '../../data/queries.js';
import { usePreferences } from '../../ui/preferences.js';
import { Notice } from '../../ui/notice.js';
import { Empty, Loading, Page } from '../../ui/page.js';
import { FormulaCard } from './formula-card.js';
import { browserStore, oneOf } from '../../data/browser-store.js';
import { today } from '../../data/clock.js';
import { ARRANGEMENTS, grouped, type Arrangement } from './formula-groups.js';

interface Filters {
  readonly search: string;
  readonly kind: Kind | '';
  readonly method: Method | '';
  readonly fruit: string;
  readonly keeping: '' | 'shelf' | 'fridge';
  readonly season: boolean;
  readonly favourites: boolean;
  readonly putAway: boolean;
}
const NONE: Filters = {
  search: '',
  kind: '',
  method: '',
  fruit: '',
  keeping: '',
  season: false,
  favourites: false,
  putAway: false,
};

/** How this person lays the library out. */
const arrangement = browserStore<Arrangement>({
  key: 'kettle.formulas-by',
  parse: oneOf(Object.keys(ARRANGEMENTS) as Arrangement[]),
  otherwise: () => 'season',
});

/** Formulas kept to be made again. */
export function Formulas() {
  const formulas = useFormulas();
  const [asked] = useSearchParams();
  const [filters, setFilters] = useState({ ...NONE, fruit: asked.get('fruit') ?? '' });
  const { kitchen: place, southern } = usePreferences();
  const [month] = useState(() => today().getMonth() + 1);
  const { data } = formulas;
  const all = useMemo(
    () =>
      (data ?? []).map((view) => ({
        view,
        fruit: firstFruit(view.document),
        made: computeFormula(withoutPlace(view.document), place),
      })),
    [data, place],
  );
  const wanted = filters.search.trim().toLowerCase();
  const found = all.filter(
    ({ view: { document, favourite, archivedAt }, fruit, made: { keeping } }) =>
      (archivedAt !== null) === filters.putAway &&
      (!filters.favourites || favourite) &&
      `${document.title} ${document.kind} ${document.notes ?? ''} ${document.lines.map((line) => line.ingredient).join(' ')}`
        .toLowerCase()
        .includes(wanted) &&
      (filters.kind === '' || document.kind === filters.kind) &&
      (filters.method === '' || document.method === filters.method) &&
      (filters.fruit === '' ||
        document.lines.some(({ ingredient }) => ingredient === filters.fruit)) &&
      (filters.keeping === '' ||
        (keeping.verdict === 'shelf' ? 'shelf' : 'fridge') === filters.keeping) &&
      (!filters.season || fruit === undefined || inSeason(fruit, month, southern)),
  );
  const by = arrangement.use();
  const groups = grouped(
    found.map(({ view, fruit, made }) => ({
      view,
      made,
      fruit,
      title: view.document.title,
      favourite: view.favourite,
    })),
    by,
    { month, southern },
  );
  const fruits = [...new Set(all.flatMap(({ fruit }) => fruit ?? []))].toSorted();
  const set = (change: Partial<Filters>): void => setFilters((was) => ({ ...was, ...change }));
  return (
    <Page
      title="Formulas"
      lead="Each with what it gives in this kitchen. Starting one makes a copy."
      actions={
        <Link to="/quick" className="btn">
          <Upload aria-hidden="true" className="size-5" /> Import a recipe
        </Link>
      }
    >
      {formulas.isPending && !formulas.isError && <Loading />}
      {formulas.isError && !data && (
        <Notice title="The formulas cannot be fetched" tone="care">
          The server does not answer. They are tried again when you come back to this page.
        </Notice>
      )}
      {data && data.length > 0 && (
        <div role="search" aria-label="Formulas" className="mb-3 flex flex-wrap gap-2">
          <input
            type="search"
            aria-label="Search the formulas"
            className="input w-64"
            placeholder="Fruit, name, kind or note"
            value={filters.search}
            onChange={(event) => set({ search: event.target.value })}
          />
          <Choice
            label="Kind"
            all="every kind"
            value={filters.kind}
            options={KINDS.map((each) => [each, KIND_WORDS[each]])}
            onChange={(kind) => set({ kind: kind as Kind | '' })}
          />
          <Choice
            label="Setting method"
            all="every way"
            value={filters.method}
            options={METHODS.map((each) => [each, METHOD_WORDS[each]])}
            onChange={(method) => set({ method: method as Method | '' })}
          />
          <Choice
            label="Fruit"
            all="every fruit"
            value={filters.fruit}
            options={[
              ...new Set([...fruits, ...(filters.fruit === '' ? [] : [filters.fruit])]),
            ].map((each) => [each, ingredientById(each)?.name[1] ?? each])}
            onChange={(fruit) => set({ fruit })}
          />
          <Choice
            label="Storage"
            all="any storage"
            value={filters.keeping}
            options={[
              ['shelf', 'for the shelf'],
              ['fridge', 'refrigerate'],
            ]}
            onChange={(keeping) => set({ keeping: keeping as Filters['keeping'] })}
          />
          <select
            aria-label="Order"
            className="select w-52"
            value={by}
            onChange={(event) => arrangement.set(event.target.value as Arrangement)}
          >
            {Object.entries(ARRANGEMENTS).map(([key, words]) => (
              <option key={key} value={key}>
                {words}
              </option>
            ))}
          </select>
          <Toggle on={filters.season} onChange={(season) => set({ season })}>
            in season now
          </Toggle>
          <Toggle on={filters.favourites} onChange={(favourites) => set({ favourites })}>
            <Star aria-hidden="true" className="size-5" /> favourites
          </Toggle>
          <Toggle on={filters.putAway} onChange={(putAway) => set({ putAway })}>
            archived
          </Toggle>
        </div>
      )}
      {data?.length === 0 && (
        <Empty
          title="No formulas yet"
          action={
            <button type="button" className="btn btn-primary" onClick={() => void layInStarters()}>
              Add starter formulas
            </button>
          }
        >
          At the Balance station of a batch, “Save as a formula” puts a copy here. Or begin with one
          of ours of every kind and every setting method.
        </Empty>
      )}
      {data && data.length > 0 && found.length === 0 && (
        <Empty
          title="No such formula"
          action={
            filters === NONE ? undefined : (
              <button type="button" className="btn" onClick={() => setFilters(NONE)}>
                Show them all
              </button>
            )
          }
        >
          {filters.putAway ? 'No archived formula matches.' : 'Nothing here is like that.'}
        </Empty>
      )}
      {groups.map(({ name, formulas: its }) => (
        <section key={name} aria-label={name === '' ? 'Formulas' : name} className="mb-5">
          {name !== '' && <h2 className="mb-2 text-lg text-soft">{name}</h2>}
          <div className="grid gap-3 md:grid-cols-2">
            {its.map(({ view, made }) => (
              <FormulaCard key={view.id} view={view} made={made} />
            ))}
          </div>
        </section>
      ))}
      {data && data.length > 0 && data.length < 12 && (
        <button type="button" className="btn btn-ghost mt-4" onClick={() => void layInStarters()}>
          Add the starter formulas beside them
        </button>
      )}
    </Page>
  );
}

interface ChoiceProps {
  readonly label: string;
  readonly all: string;
  readonly value: string;
  readonly options: readonly (readonly [string, string])[];
  readonly onChange: (value: string) => void;
}

const Choice = ({ label, all, value, options, onChange }: ChoiceProps) => (
  <select
    aria-label={label}
    className="select w-40"
    value={value}
    onChange={(event) => onChange(event.target.value)}
  >
    <option value="">{all}</option>
    {options.map(([id, words]) => (
      <option key={id} value={id}>
        {words}
      </option>
    ))}
  </select>
);

const Toggle = ({
  on,
  onChange,
  children,
}: {
  readonly on: boolean;
  readonly onChange: (on: boolean) => void;
  readonly children: React.ReactNode;
}) => (
  <button
    type="button"
    className={`btn ${on ? 'btn-neutral' : ''}`}
    aria-pressed={on}
    onClick={() => onChange(!on)}
  >
    {children}
  </button>
);

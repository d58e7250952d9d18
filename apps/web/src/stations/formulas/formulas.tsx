import { useMemo, useState } from 'react';
import { Trash2, Upload } from 'lucide-react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import type { FormulaView } from '@idle-kettle/contract';
import {
  computeFormula,
  firstFruit,
  jarWords,
  KINDS,
  withoutPlace,
  type Computed,
  type Kind,
} from '@idle-kettle/core';
import { useTheme } from '../../app/theme.js';
import { useNewBatch } from '../../batch/new-batch.js';
import { KEEPING_WORDS } from '../../batch/readouts.js';
import { KIND_WORDS, METHOD_WORDS, stopWords } from '../../batch/words.js';
import { ApiProblem, request } from '../../data/api.js';
import { keys, queryClient, useFormulas } from '../../data/queries.js';
import { fruitStyle } from '../../ui/fruit-colour.js';
import { useFormats, useHabit } from '../../ui/habit.js';
import { jarsOf } from '../../ui/jar-picture.js';
import { Notice } from '../../ui/notice.js';
import { Empty, Loading, Page } from '../../ui/page.js';
import { TakeOut } from './take-out.js';

/** Formulas kept to be made again. */
export function Formulas() {
  const formulas = useFormulas();
  const [search, setSearch] = useState('');
  const [kind, setKind] = useState<Kind | ''>('');
  const [verdict, setVerdict] = useState<'' | 'shelf' | 'fridge'>('');
  const { place } = useHabit();
  const wanted = search.trim().toLowerCase();
  const { data } = formulas;
  const all = useMemo(
    () => (data ?? []).map((view) => ({ view, made: computeFormula(withoutPlace(view.document), place) })),
    [data, place],
  );
  const found = all.filter(
    ({ view: { document }, made: { keeping } }) =>
      `${document.title} ${document.kind} ${document.lines.map((line) => line.ingredient).join(' ')}`
        .toLowerCase()
        .includes(wanted) &&
      (kind === '' || document.kind === kind) &&
      (verdict === '' || (keeping.verdict === 'shelf' ? 'shelf' : 'fridge') === verdict),
  );
  return (
    <Page
      title="Formulas"
      lead="Each with what it gives in this kitchen. Making one lays a copy on the bench."
      actions={
        <Link to="/quick" className="btn">
          <Upload aria-hidden="true" className="size-5" /> Bring one in
        </Link>
      }
    >
      {formulas.isPending && !formulas.isError && <Loading />}
      {formulas.isError && !formulas.data && (
        <Notice title="The formulas cannot be fetched" tone="care">
          The server does not answer. They are tried again when you come back to this page.
        </Notice>
      )}
      {formulas.data && formulas.data.length > 0 && (
        <div className="mb-3 flex flex-wrap gap-3">
          <input
            type="search"
            aria-label="Search the formulas"
            className="input w-72"
            placeholder="Fruit, name or kind"
            value={search}
            onChange={(event) => setSearch(event.target.value)}
          />
          <select
            aria-label="Kind"
            className="select w-40"
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
          <select
            aria-label="Keeping"
            className="select w-40"
            value={verdict}
            onChange={(event) => setVerdict(event.target.value as '' | 'shelf' | 'fridge')}
          >
            <option value="">however it keeps</option>
            <option value="shelf">for the shelf</option>
            <option value="fridge">for the fridge</option>
          </select>
        </div>
      )}
      {formulas.data?.length === 0 && (
        <Empty title="No formula kept yet">
          At the Balance station of a batch, “Keep as a formula” puts a copy here.
        </Empty>
      )}
      {formulas.data && formulas.data.length > 0 && found.length === 0 && (
        <Empty title="No such formula">
          {wanted === ''
            ? 'Nothing here is of that kind and keeps that way.'
            : `Nothing here has “${search}” in its name or its pot${kind === '' && verdict === '' ? '' : ', and is of that kind and keeping'}.`}
        </Empty>
      )}
      <div className="grid gap-3 md:grid-cols-2">
        {found.map(({ view, made }) => (
          <FormulaCard key={view.id} view={view} made={made} />
        ))}
      </div>
    </Page>
  );
}

interface FormulaCardProps {
  readonly view: FormulaView;
  readonly made: Computed;
}

function FormulaCard({ view, made: { formula: pot, balance: result, keeping } }: FormulaCardProps) {
  const newBatch = useNewBatch();
  const theme = useTheme();
  const formats = useFormats();
  const { id, document } = view;
  const stop = result && stopWords(pot, result, formats);
  const fruit = firstFruit(document);
  const jars = result?.jars
    .filter((jar) => jar.count.mid > 0.05)
    .map((jar) => jarsOf(jarWords(jar.count.mid), jar.size));
  const remove = async (): Promise<void> => {
    try {
      await request('DELETE', `/formulas/${id}`);
      await queryClient.invalidateQueries({ queryKey: keys.formulas });
      const bringBack = async (): Promise<void> => {
        await request('PUT', `/formulas/${id}`, { document, revision: 0 });
        await queryClient.invalidateQueries({ queryKey: keys.formulas });
      };
      toast(`“${document.title}” is taken out`, {
        action: { label: 'Bring it back', onClick: () => void bringBack() },
        duration: 10_000,
      });
    } catch (error) {
      toast.error(
        error instanceof ApiProblem ? error.message : 'The server does not answer; nothing was taken out',
      );
    }
  };
  return (
    <article style={fruitStyle(fruit, theme)} className="panel flex overflow-hidden">
      <span aria-hidden="true" className="w-2 shrink-0" style={{ background: 'var(--fruit)' }} />
      <div className="flex min-w-0 flex-1 flex-col p-4">
        <h2 className="text-xl">{document.title}</h2>
        <p className="text-sm text-soft">
          {KIND_WORDS[document.kind]}, {METHOD_WORDS[document.method]}
        </p>
        {result && stop && (
          <p className="mt-2">
            {stop.lead.charAt(0).toUpperCase() + stop.lead.slice(1)} <strong>{stop.words}</strong>,{' '}
            {formats.mass(result.massIn_kg.mid)} in, gives {jars?.join(' and ')}
          </p>
        )}
        {result && (
          <p className={`mt-1 text-sm ${keeping.verdict === 'shelf' ? 'text-good' : 'text-watch'}`}>
            {KEEPING_WORDS[keeping.verdict].word}
            {keeping.process ? `, ${keeping.process.minutes} min` : ''}
          </p>
        )}
        <div className="mt-3 flex items-center gap-2">
          <button type="button" className="btn btn-secondary" onClick={() => void newBatch({ id, document })}>
            Make it
          </button>
          <TakeOut formula={document} />
          <button
            type="button"
            aria-label={`Take ${document.title} out of the formulas`}
            className="btn btn-ghost btn-square ml-auto"
            onClick={() => void remove()}
          >
            <Trash2 aria-hidden="true" className="size-5" />
          </button>
        </div>
      </div>
    </article>
  );
}

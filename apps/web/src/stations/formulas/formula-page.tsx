import { Archive, ArchiveRestore, Printer, Star } from 'lucide-react';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { toast } from 'sonner';
import { computeFormula, firstFruit, withoutPlace } from '@idle-kettle/core';
import type { FormulaBody, FormulaView } from '@idle-kettle/contract';
import { useTheme } from '../../ui/theme.js';
import { nameOfLine } from '../../batch/line-edit.js';
import { useNewBatch } from '../../batch/new-batch.js';
import { Readouts } from '../../batch/readouts.js';
import { SideBySide, type Side } from '../../batch/side-by-side.js';
import { KIND_WORDS, METHOD_WORDS } from '../../batch/words.js';
import { keepFormula, markFormula, putAway } from '../../data/formulas.js';
import { useFormulas } from '../../data/queries.js';
import { fruitStyle } from '../../ui/fruit-colour.js';
import { usePreferences } from '../../ui/preferences.js';
import { Notice } from '../../ui/notice.js';
import { Loading, Page } from '../../ui/page.js';
import { ExportFormula } from './export-formula.js';
import { Versions } from './versions.js';

/** One kept formula: what it is, its notes, what it has been, and how it compares. */
export function FormulaPage() {
  const { formulaId = '' } = useParams();
  const formulas = useFormulas();
  const view = formulas.data?.find(({ id }) => id === formulaId);
  if (view) return <Opened key={view.id} view={view} others={formulas.data ?? []} />;
  if (formulas.isPending && !formulas.isError) return <Loading />;
  return (
    <Page
      title={formulas.isError ? 'The formula cannot be fetched' : 'No such formula'}
      lead={
        formulas.isError
          ? 'The server does not answer.'
          : 'It may have been removed, or the link is incomplete.'
      }
    >
      <Link to="/formulas" className="btn btn-primary">
        All formulas
      </Link>
    </Page>
  );
}

function Opened({
  view,
  others,
}: {
  readonly view: FormulaView;
  readonly others: readonly FormulaView[];
}) {
  const newBatch = useNewBatch();
  const navigate = useNavigate();
  const theme = useTheme();
  const { kitchen } = usePreferences();
  const { id, document, revision, favourite, archivedAt } = view;
  const [other, setOther] = useState<Side>();
  const made = computeFormula(withoutPlace(document), kitchen);
  const next = async (changed: FormulaBody, words: string): Promise<void> => {
    const saved = await keepFormula(id, changed, revision);
    if (saved && saved.revision > revision) toast.success(`${words}: version ${saved.revision}`);
  };
  return (
    <div style={fruitStyle(firstFruit(document), theme)}>
      <Page
        title={document.title}
        lead={`${KIND_WORDS[document.kind]}, ${METHOD_WORDS[document.method]} · version ${revision}`}
        actions={
          <button
            type="button"
            className="btn btn-primary"
            onClick={() => void newBatch({ id, document })}
          >
            Make it
          </button>
        }
      >
        {archivedAt !== null && (
          <div className="mb-4">
            <Notice
              title="Archived"
              actions={
                <button
                  type="button"
                  className="btn"
                  onClick={() => void markFormula(id, { archived: false })}
                >
                  <ArchiveRestore aria-hidden="true" className="size-5" /> Unarchive
                </button>
              }
            >
              It is not in the list of formulas.
            </Notice>
          </div>
        )}
        <div className="mb-4 flex flex-wrap gap-2">
          <button
            type="button"
            className="btn"
            aria-pressed={favourite}
            onClick={() => void markFormula(id, { favourite: !favourite })}
          >
            <Star
              aria-hidden="true"
              className={`size-5 ${favourite ? 'fill-current text-secondary' : ''}`}
            />{' '}
            Favourite
          </button>
          <Link to={`/formulas/${id}/card`} className="btn">
            <Printer aria-hidden="true" className="size-5" /> Card to print
          </Link>
          <ExportFormula formula={document} />
          {archivedAt === null && (
            <button
              type="button"
              className="btn btn-ghost ml-auto"
              onClick={() => void Promise.all([putAway(view), navigate('/formulas')])}
            >
              <Archive aria-hidden="true" className="size-5" /> Archive
            </button>
          )}
        </div>
        <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,1fr)_340px]">
          <div className="flex flex-col gap-4">
            <section aria-label="In the pan" className="panel p-4">
              <h2 className="text-xl">In the pan</h2>
              <ul className="mt-2">
                {document.lines.map((line, i) => (
                  <li key={i} className="flex gap-4 border-b border-line py-2 last:border-b-0">
                    <strong className="w-28 shrink-0">{line.amount}</strong>
                    <span>
                      {nameOfLine(line)}
                      {line.variety !== undefined && (
                        <span className="text-soft"> · {line.variety}</span>
                      )}
                    </span>
                  </li>
                ))}
              </ul>
              <Notes
                key={document.notes ?? ''}
                notes={document.notes ?? ''}
                onKeep={(notes) => {
                  const { notes: _, ...rest } = document;
                  void next(notes === '' ? rest : { ...rest, notes }, 'Notes saved');
                }}
              />
            </section>
            {other && (
              <section aria-label="Side by side" className="panel p-4">
                <div className="flex items-start justify-between gap-3">
                  <h2 className="text-xl">Side by side</h2>
                  <button
                    type="button"
                    className="btn btn-ghost btn-sm min-h-[44px]"
                    onClick={() => setOther(undefined)}
                  >
                    Close
                  </button>
                </div>
                <SideBySide before={other} after={{ name: `version ${revision}, now`, document }} />
              </section>
            )}
            <Versions
              view={view}
              onCompare={setOther}
              onBringBack={(version) =>
                void next(version.document, `Version ${version.revision} is back`)
              }
            />
            <label className="flex flex-wrap items-center gap-2 text-sm text-soft">
              beside another formula
              <select
                className="select w-64 text-base-content"
                value=""
                onChange={(event) => {
                  const found = others.find((each) => each.id === event.target.value);
                  if (found) setOther({ name: found.document.title, document: found.document });
                }}
              >
                <option value="" disabled>
                  choose
                </option>
                {others
                  .filter((each) => each.id !== id)
                  .map((each) => (
                    <option key={each.id} value={each.id}>
                      {each.document.title}
                    </option>
                  ))}
              </select>
            </label>
          </div>
          <section aria-label="What comes of it here" className="panel px-4 pt-3 pb-4">
            <h2 className="text-xl">What comes of it here</h2>
            {made.balance && (
              <Readouts balance={made.balance} keeping={made.keeping} formula={made.formula} />
            )}
          </section>
        </div>
      </Page>
    </div>
  );
}

/** Notes, kept when asked; each keeping is a version. */
function Notes({
  notes,
  onKeep,
}: {
  readonly notes: string;
  readonly onKeep: (notes: string) => void;
}) {
  const [text, setText] = useState(notes);
  return (
    <div className="mt-4">
      <label className="flex flex-col gap-1 text-sm text-soft">
        notes
        <textarea
          className="textarea min-h-24 w-full text-base text-base-content"
          value={text}
          maxLength={10_000}
          placeholder="What to do differently next time, who liked it, where the fruit came from"
          onChange={(event) => setText(event.target.value)}
        />
      </label>
      {text !== notes && (
        <div className="mt-2 flex gap-2">
          <button type="button" className="btn btn-primary" onClick={() => onKeep(text.trim())}>
            Save the notes
          </button>
          <button type="button" className="btn btn-ghost" onClick={() => setText(notes)}>
            Undo changes
          </button>
        </div>
      )}
    </div>
  );
}

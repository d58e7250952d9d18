import { ArchiveRestore, Star } from 'lucide-react';
import { Link } from 'react-router';
import { firstFruit, jarWords, type Computed } from '@idle-kettle/core';
import type { FormulaView } from '@idle-kettle/contract';
import { useTheme } from '../../ui/theme.js';
import { useNewBatch } from '../../batch/new-batch.js';
import { STORAGE_WORDS } from '../../batch/readouts.js';
import { KIND_WORDS, METHOD_WORDS, stopWords } from '../../batch/words.js';
import { markFormula } from '../../data/formulas.js';
import { fruitStyle } from '../../ui/fruit-colour.js';
import { useFormats } from '../../ui/preferences.js';
import { jarsOf } from '../../ui/jar-picture.js';
import { capital } from '../../ui/sentence.js';

interface FormulaCardProps {
  readonly view: FormulaView;
  readonly made: Computed;
}

/** A kept formula in the library: what it is, what it gives in this kitchen, and how it keeps. */
export function FormulaCard({
  view,
  made: { formula: pot, balance: result, keeping },
}: FormulaCardProps) {
  const newBatch = useNewBatch();
  const theme = useTheme();
  const formats = useFormats();
  const { id, document, favourite, archivedAt } = view;
  const stop = result && stopWords(pot, result, formats);
  const jars = result?.jars
    .filter((jar) => jar.count.mid > 0.05)
    .map((jar) => jarsOf(jarWords(jar.count.mid), jar.size));
  return (
    <article style={fruitStyle(firstFruit(document), theme)} className="panel flex overflow-hidden">
      <span aria-hidden="true" className="w-2 shrink-0" style={{ background: 'var(--fruit)' }} />
      <div className="flex min-w-0 flex-1 flex-col p-4">
        <div className="flex items-start justify-between gap-2">
          <h3 className="text-xl">
            <Link
              to={`/formulas/${id}`}
              className="inline-block min-h-[44px] content-center hover:underline"
            >
              {document.title}
            </Link>
          </h3>
          <button
            type="button"
            className="btn btn-ghost btn-square shrink-0"
            aria-pressed={favourite}
            aria-label={`${document.title} is a favourite`}
            onClick={() => void markFormula(id, { favourite: !favourite })}
          >
            <Star
              aria-hidden="true"
              className={`size-5 ${favourite ? 'fill-current text-secondary' : 'text-soft'}`}
            />
          </button>
        </div>
        <p className="text-sm text-soft">
          {KIND_WORDS[document.kind]}, {METHOD_WORDS[document.method]}
          {view.revision > 1 && ` · version ${view.revision}`}
        </p>
        {result && stop && (
          <p className="mt-2">
            {capital(stop.lead)} <strong>{stop.words}</strong>, {formats.mass(result.massIn_kg.mid)}{' '}
            in, gives {jars?.join(' and ')}
          </p>
        )}
        {result && (
          <p className={`mt-1 text-sm ${keeping.verdict === 'shelf' ? 'text-good' : 'text-watch'}`}>
            {STORAGE_WORDS[keeping.verdict].word}
            {keeping.process ? `, ${keeping.process.minutes} min` : ''}
          </p>
        )}
        <div className="mt-3 flex flex-wrap items-center gap-2">
          <button
            type="button"
            className="btn btn-secondary"
            onClick={() => void newBatch({ id, document })}
          >
            Make it
          </button>
          <Link to={`/formulas/${id}`} className="btn btn-ghost">
            Open
          </Link>
          {archivedAt !== null && (
            <button
              type="button"
              className="btn btn-ghost"
              onClick={() => void markFormula(id, { archived: false })}
            >
              <ArchiveRestore aria-hidden="true" className="size-5" /> Unarchive
            </button>
          )}
        </div>
      </div>
    </article>
  );
}

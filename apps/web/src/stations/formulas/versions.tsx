import { Award } from 'lucide-react';
import { Link } from 'react-router';
import { differences } from '@idle-kettle/core';
import type { FormulaVersion, FormulaView } from '@idle-kettle/contract';
import type { Side } from '../../batch/side-by-side.js';
import { RESULT_WORDS } from '../../batch/words.js';
import { useVersions } from '../../data/queries.js';
import { sentence } from '../../ui/sentence.js';
import * as dates from '../../ui/dates.js';

interface VersionsProps {
  readonly view: FormulaView;
  readonly onCompare: (side: Side) => void;
  readonly onBringBack: (version: FormulaVersion) => void;
}

/** What the formula has been, the newest first, each with what it changed. */
export function Versions({ view, onCompare, onBringBack }: VersionsProps) {
  const { data: versions } = useVersions(view.id);
  return (
    <section aria-label="Versions" className="panel p-4">
      <h2 className="text-xl">Versions</h2>
      <ol className="mt-1" reversed>
        {versions?.map((version, i) => {
          const before = versions[i + 1];
          const changes = before ? differences(before.document, version.document) : [];
          const now = version.revision === view.revision;
          return (
            <li key={version.revision} className="border-b border-line py-3 last:border-b-0">
              <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
                <strong>Version {version.revision}</strong>
                <span className="text-sm text-soft">
                  {dates.dayYearAndTime(version.savedAt)}
                  {now && ' · the one that counts'}
                </span>
                {!now && (
                  <span className="ml-auto flex gap-2">
                    <button
                      type="button"
                      className="btn btn-sm min-h-[44px]"
                      onClick={() =>
                        onCompare({
                          name: `version ${version.revision}`,
                          document: version.document,
                        })
                      }
                    >
                      Compare
                    </button>
                    <button
                      type="button"
                      className="btn btn-sm min-h-[44px]"
                      onClick={() => onBringBack(version)}
                    >
                      Restore
                    </button>
                  </span>
                )}
              </div>
              {version.prizes.map((prize) => (
                <p key={prize.batchId} className="mt-0.5">
                  <Link
                    to={`/logbook/${prize.batchId}`}
                    className="flex min-h-[44px] items-center gap-2 font-bold underline"
                  >
                    <Award aria-hidden="true" className="size-5 shrink-0 text-secondary" />
                    {prize.result === 'first' ? 'The winning version: ' : ''}
                    {RESULT_WORDS[prize.result]}, {prize.class}, {prize.show}
                  </Link>
                </p>
              ))}
              <p className="mt-0.5">
                {!before && 'As first saved.'}
                {before && changes.length === 0 && 'Saved again, nothing changed.'}
                {before && changes.map(sentence).join(' ')}
              </p>
            </li>
          );
        })}
      </ol>
    </section>
  );
}

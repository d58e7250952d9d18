import { useState } from 'react';
import { useBatch } from '../../batch/batch-context.js';
import { SideBySide, type Side } from '../../batch/side-by-side.js';
import { useFormulas, useVersions } from '../../data/queries.js';
import { shortcutTarget } from '../../ui/shortcuts.js';

/** The formula as it was set aside, or a kept one, beside the one on the bench. */
export function Compare() {
  const { document, formulaId } = useBatch();
  const [other, setOther] = useState<Side>();
  return (
    <section aria-label="Compare" className="mt-3">
      <div className="flex flex-wrap items-center gap-2">
        <button
          type="button"
          {...shortcutTarget('compare')}
          className="btn btn-ghost"
          onClick={() => setOther({ name: 'the snapshot', document })}
        >
          {other ? 'Save another snapshot' : 'Save snapshot'}
        </button>
        {formulaId !== null && <FromVersions id={formulaId} onChoose={setOther} />}
        <FromFormulas not={formulaId} onChoose={setOther} />
        {other && (
          <button type="button" className="btn btn-ghost" onClick={() => setOther(undefined)}>
            Close
          </button>
        )}
      </div>
      {other && (
        <div className="panel mt-2 p-4">
          <h2 className="mb-1 text-xl">Side by side</h2>
          <SideBySide before={other} after={{ name: 'as it is now', document }} />
        </div>
      )}
    </section>
  );
}

interface FromProps {
  readonly onChoose: (side: Side) => void;
}

function FromVersions({ id, onChoose }: FromProps & { readonly id: string }) {
  const versions = useVersions(id).data ?? [];
  if (versions.length === 0) return null;
  return (
    <select
      aria-label="Compare with a version"
      className="select w-56"
      value=""
      onChange={(event) => {
        const found = versions.find(({ revision }) => revision === Number(event.target.value));
        if (found) onChoose({ name: `version ${found.revision}`, document: found.document });
      }}
    >
      <option value="" disabled>
        compare with version…
      </option>
      {versions.map(({ revision }) => (
        <option key={revision} value={revision}>
          version {revision}
        </option>
      ))}
    </select>
  );
}

function FromFormulas({ not, onChoose }: FromProps & { readonly not: string | null }) {
  const formulas =
    useFormulas().data?.filter(({ id, archivedAt }) => id !== not && archivedAt === null) ?? [];
  if (formulas.length === 0) return null;
  return (
    <select
      aria-label="Compare with a formula"
      className="select w-48"
      value=""
      onChange={(event) => {
        const found = formulas.find(({ id }) => id === event.target.value);
        if (found) onChoose({ name: found.document.title, document: found.document });
      }}
    >
      <option value="" disabled>
        beside formula…
      </option>
      {formulas.map(({ id, document }) => (
        <option key={id} value={id}>
          {document.title}
        </option>
      ))}
    </select>
  );
}

import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { KINDS, type Kind } from '@idle-kettle/core';
import { KIND_WORDS } from '../../batch/words.js';
import { useBatches } from '../../data/queries.js';
import { Page } from '../../ui/page.js';
import { BatchRescue } from './batch-rescue.js';
import { LookFirst } from './look-first.js';
import { Findings } from './findings.js';

/** What to do with a batch or a jar that is not as wanted. */
export function Rescue() {
  const { batchId } = useParams();
  return (
    <Page
      title="Rescue"
      lead="What is wrong, why, and what to do about it."
      actions={
        batchId !== undefined && (
          <Link to="/rescue" className="btn">
            Another batch
          </Link>
        )
      }
    >
      {/* Another batch is looked at anew. */}
      <LookFirst key={batchId ?? ''}>
        {batchId === undefined ? <WhichBatch /> : <BatchRescue id={batchId} />}
      </LookFirst>
    </Page>
  );
}

/** At most so many batches to choose from; the logbook has the rest. */
const BATCHES_SHOWN = 8;

/** Which batch it is; or none of those that are written down. */
function WhichBatch() {
  const batches = useBatches().data;
  const [kind, setKind] = useState<Kind>();
  const begun = batches?.filter(({ phase }) => phase !== 'cold').slice(0, BATCHES_SHOWN) ?? [];
  return (
    <>
      <section aria-label="Which batch" className="panel p-5">
        <h2 className="text-xl">Which batch?</h2>
        <p className="text-soft">From its own record the cause can be told.</p>
        {begun.length > 0 && (
          <ul className="mt-2 grid gap-2 sm:grid-cols-2">
            {begun.map(({ id, title }) => (
              <li key={id}>
                <Link to={`/rescue/${id}`} className="btn h-auto min-h-[44px] w-full py-2">
                  {title === '' ? 'Unnamed batch' : title}
                </Link>
              </li>
            ))}
          </ul>
        )}
        <p className="mt-2">
          <Link to="/logbook" className="inline-flex min-h-[44px] items-center underline">
            All batches, in the logbook
          </Link>
        </p>
        <label className="mt-2 flex max-w-xs flex-col gap-1 text-sm text-soft">
          or not written down here: what it is
          <select
            className="select text-base-content"
            value={kind ?? ''}
            onChange={({ target }) => setKind(KINDS.find((each) => each === target.value))}
          >
            <option value="">choose</option>
            {KINDS.map((each) => (
              <option key={each} value={each}>
                {KIND_WORDS[each]}
              </option>
            ))}
          </select>
        </label>
      </section>
      {kind !== undefined && <Findings key={kind} kind={kind} />}
    </>
  );
}

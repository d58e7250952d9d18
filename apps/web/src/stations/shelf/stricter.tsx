import { Link } from 'react-router';
import type { StricterLot } from '@idle-kettle/contract';
import { request } from '../../data/api.js';
import { keys, queryClient } from '../../data/queries.js';
import { FILLED_STORAGE_WORDS } from '../../batch/readouts.js';
import { jarsOf } from '../../ui/jar-picture.js';
import { Notice } from '../../ui/notice.js';
import { sentence } from '../../ui/sentence.js';
import * as dates from '../../ui/dates.js';

/**
 * Jars that keep less well than was thought when they were put away: which, where, to whom some were
 * given, and new labels.
 */
export function Stricter({ lots }: { readonly lots: readonly StricterLot[] }) {
  return (
    <>
      {lots.map((each) => (
        <div key={each.lot.id} className="mb-3">
          <StricterNotice {...each} />
        </div>
      ))}
    </>
  );
}

function StricterNotice({ was, lot, given }: StricterLot) {
  const seen = async (): Promise<void> => {
    await request('POST', `/shelf/${lot.id}/seen`, {});
    await queryClient.invalidateQueries({ queryKey: keys.shelf });
  };
  const isStop = lot.keeping.verdict === 'stop';
  const where = lot.place === '' ? '' : `, ${lot.place}`;
  return (
    <Notice
      title={`${lot.title}: ${isStop ? 'throw these jars away, do not taste' : 'no longer for the shelf'}`}
      tone="care"
      actions={
        <>
          {!isStop && lot.count > 0 && (
            <Link to={`/batches/${lot.batchId}/labels`} className="btn btn-primary">
              Print new labels
            </Link>
          )}
          <Link to={`/batches/${lot.batchId}/jar`} className="btn">
            See why
          </Link>
          <button type="button" className="btn" onClick={() => void seen()}>
            I have seen to it
          </button>
        </>
      }
    >
      <p>
        {jarsOf(String(lot.count), lot.size, lot.count)} of {dates.day(lot.madeOn)}
        {where}: was {FILLED_STORAGE_WORDS[was].word.toLowerCase()}, now{' '}
        <strong>{FILLED_STORAGE_WORDS[lot.keeping.verdict].word.toLowerCase()}</strong>.{' '}
        {sentence(lot.keeping.reason)}
      </p>
      {given.length > 0 && (
        <p className="mt-1">
          Given away, tell them:{' '}
          {given
            .map(
              ({ whom, count }) =>
                `${jarsOf(String(count), lot.size, count)} to ${whom === '' ? 'somebody' : whom}`,
            )
            .join(', ')}
          .
        </p>
      )}
    </Notice>
  );
}

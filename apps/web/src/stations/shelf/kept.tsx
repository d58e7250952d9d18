import { Link } from 'react-router';
import type { LotView } from '@idle-kettle/contract';
import { daysLeft } from '../../batch/days-left.js';
import { today } from '../../data/clock.js';
import { sentence } from '../../ui/sentence.js';
import * as dates from '../../ui/dates.js';

/** Where the jars belong and until when, and why where it is not the shelf. */
export function Kept({ lot }: { readonly lot: LotView }) {
  const { verdict, reason, bestBefore } = lot.keeping;
  if (verdict === 'stop')
    return <p className="text-sm text-bad">Throw away, do not taste: {sentence(reason)}</p>;
  const past = daysLeft(lot, today()) < 0;
  const until =
    bestBefore === null
      ? ''
      : ` ${past ? 'Past its best since' : 'Best before'} ${dates.day(bestBefore)}.`;
  if (verdict === 'shelf')
    return (
      <p className={`text-sm ${past ? 'text-watch' : 'text-good'}`}>
        Shelf: cool, dark, dry.{until}
      </p>
    );
  if (verdict === 'freezer') return <p className="text-sm text-good">Frozen.{until}</p>;
  return (
    <p className="text-sm text-watch">
      Refrigerate or freeze: {sentence(reason)}
      {until}
    </p>
  );
}

/** Lids that are to be pressed, or did not seal. */
export function SealWords({ lot: { seals, batchId } }: { readonly lot: LotView }) {
  if (seals.open === 0 && (seals.state === 'none' || seals.state === 'sealed')) return null;
  const cooling = seals.state === 'due' ? 'Lids to check' : 'Cooling: check the lids tomorrow';
  return (
    <p className="text-sm">
      <Link to={`/batches/${batchId}/jar`} className="underline">
        {seals.open > 0 ? 'Not all have sealed: see to it' : cooling}
      </Link>
    </p>
  );
}

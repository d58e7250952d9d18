import { useState } from 'react';
import { Link } from 'react-router';
import type { LotView } from '@idle-kettle/contract';
import { useBatch } from '../../batch/batch-context.js';
import { useLotsOf } from '../../data/shelf.js';
import { fileName } from '../../ui/file-name.js';
import { Empty, Loading } from '../../ui/page.js';
import { usePreferences } from '../../ui/preferences.js';
import { labelChoice } from './label-choice.js';
import { labelRun } from './label-run.js';
import { HowMany, PrintLabels } from './print-labels.js';

/**
 * Labels for the jars of this batch: what they say follows from how it was made, and the preview is
 * the file itself.
 */
export function Labels() {
  const batch = useBatch();
  const { units } = usePreferences();
  const choice = labelChoice.use();
  const { lots: all, isPending } = useLotsOf(batch.id);
  const lots = all.filter((lot) => lot.count > 0 && lot.keptIn !== 'opened');
  const [counts, setCounts] = useState<Readonly<Record<string, string>>>({});
  const countOf = (lot: LotView): string => counts[lot.id] ?? String(lot.count);
  const runs = lots.flatMap((lot) => labelRun(batch, lot, countOf(lot), choice, units) ?? []);
  if (isPending && lots.length === 0) return <Loading />;
  if (lots.length === 0) return <NoJars />;
  return (
    <PrintLabels lots={lots} runs={runs} file={`${fileName(batch.document.title)}-labels`}>
      {runs.map(({ lot }) => (
        <HowMany
          key={lot.id}
          lot={lot}
          count={countOf(lot)}
          onCount={(text) => setCounts({ ...counts, [lot.id]: text })}
        />
      ))}
      <p className="text-sm">
        <Link to="/shelf/labels" className="link">
          Jars of several batches on one sheet
        </Link>
      </p>
    </PrintLabels>
  );
}

function NoJars() {
  return (
    <Empty
      title="No jars to label"
      action={
        <Link to="../jar" className="btn btn-primary">
          To the jars
        </Link>
      }
    >
      Labels are for jars that were counted and put on the shelf.
    </Empty>
  );
}

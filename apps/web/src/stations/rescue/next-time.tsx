import { NotebookPen } from 'lucide-react';
import { toast } from 'sonner';
import type { LikelyCause } from '@idle-kettle/core';
import type { FormulaView } from '@idle-kettle/contract';
import { keepFormula } from '../../data/formulas.js';
import { logEvent } from '../../data/log-event.js';
import { useFormulas } from '../../data/queries.js';
import type { RecordedBatch } from './recorded-batch.js';

/** What to change the next time, and where to write it so that it is there then. */
export function NextTime({
  batch: { id, formulaId },
  causes,
}: {
  readonly batch: RecordedBatch;
  readonly causes: readonly LikelyCause[];
}) {
  const formula = useFormulas().data?.find((each) => each.id === formulaId);
  const [likeliest] = causes;
  if (!likeliest) return null;
  return (
    <section aria-label="Next time" className="panel p-5">
      <h2 className="text-xl">Next time</h2>
      <ul className="mt-1 max-w-prose list-disc space-y-1 pl-5">
        {causes.map(({ code, nextTime }) => (
          <li key={code}>{nextTime}</li>
        ))}
      </ul>
      <button
        type="button"
        className="btn btn-secondary mt-3"
        onClick={() => void write(likeliest, id, formula)}
      >
        <NotebookPen aria-hidden="true" className="size-5" />
        {formula ? 'Add to the notes of the formula' : 'Add to the log of this batch'}
      </button>
    </section>
  );
}

/** Writes it where it is read before the next batch, with a way back. */
async function write(
  { name, nextTime }: LikelyCause,
  batchId: string,
  formula: FormulaView | undefined,
): Promise<void> {
  const text = `${name}. Next time: ${nextTime}`;
  if (!formula) {
    logEvent(batchId, 'note', { text });
    toast.success('It is in the log of this batch');
    return;
  }
  const { id, document, revision } = formula;
  const notes = [document.notes ?? '', text].filter((each) => each !== '').join('\n');
  const saved = await keepFormula(id, { ...document, notes }, revision);
  if (saved)
    toast.success(`It is in the notes of “${document.title}”`, {
      action: { label: 'Undo', onClick: () => void keepFormula(id, document, saved.revision) },
      duration: 10_000,
    });
}

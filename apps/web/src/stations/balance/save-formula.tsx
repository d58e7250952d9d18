import { BookmarkPlus } from 'lucide-react';
import { toast } from 'sonner';
import { differences } from '@idle-kettle/core';
import { useBatch } from '../../batch/batch-context.js';
import { keepFormula } from '../../data/formulas.js';
import { useFormulas } from '../../data/queries.js';
import { shortcutTarget } from '../../ui/shortcuts.js';
import { newId } from '../../data/ids.js';

/**
 * Keeps the formula for another day: as a new one, or as the next version of the one the batch was
 * made from.
 */
export function SaveFormula() {
  const { document, problems, formulaId, belongTo } = useBatch();
  const formulas = useFormulas().data;
  const from = formulas?.find(({ id }) => id === formulaId);
  // Its formula is on its way: the room of its button is kept.
  const isComing = formulaId != null && formulas === undefined;
  const changed = from && differences(from.document, document).length > 0;
  const asNew = async (): Promise<void> => {
    const id = newId();
    const saved = await keepFormula(id, document, 0);
    if (!saved) return;
    belongTo(id);
    toast.success(`“${saved.document.title}” is in your formulas`);
  };
  const asNext = async (): Promise<void> => {
    if (!from) return;
    const saved = await keepFormula(from.id, document, from.revision);
    if (saved) toast.success(`“${saved.document.title}” is saved as version ${saved.revision}`);
  };
  return (
    <>
      {isComing && (
        <button type="button" className="btn btn-ghost" disabled>
          <BookmarkPlus aria-hidden="true" className="size-5" /> Saved
        </button>
      )}
      {from && (
        <button
          type="button"
          {...shortcutTarget('save')}
          className="btn btn-ghost"
          disabled={problems.length > 0 || !changed}
          onClick={() => void asNext()}
        >
          <BookmarkPlus aria-hidden="true" className="size-5" />
          {changed ? `Save as version ${from.revision + 1}` : `Saved as version ${from.revision}`}
        </button>
      )}
      <button
        type="button"
        {...(!from && shortcutTarget('save'))}
        className="btn btn-ghost"
        disabled={problems.length > 0}
        onClick={() => void asNew()}
      >
        {!from && !isComing && <BookmarkPlus aria-hidden="true" className="size-5" />}
        {from || isComing ? 'Save as another formula' : 'Save as a formula'}
      </button>
    </>
  );
}

import { useNavigate } from 'react-router';
import { emptyFormula } from '@idle-kettle/core';
import type { FormulaBody } from '@idle-kettle/contract';
import { outbox } from '../data/outbox.js';
import { batchQuery, queryClient } from '../data/queries.js';
import { usePreferences } from '../ui/preferences.js';
import { now } from '../data/clock.js';
import { newId } from '../data/ids.js';

/** Lays a new batch on the bench, from a formula or empty. Works with the server away. */
export function useNewBatch(): (from?: { id?: string; document: FormulaBody }) => Promise<void> {
  const navigate = useNavigate();
  const { units, measures } = usePreferences();
  return async (from) => {
    const batchId = newId();
    const document =
      from?.document ??
      ({
        ...emptyFormula('New batch', units === 'us' ? 'half-pint' : '340-g'),
        ...(measures && { measures }),
      } as FormulaBody);
    const kept = outbox.saveDraft({
      batchId,
      document,
      revision: 0,
      formulaId: from?.id ?? null,
      editedAt: now(),
    });
    // The batch is in the outbox at once; the bench does not wait for the disk.
    await Promise.all([kept, navigate(`/batches/${batchId}/balance`)]);
  };
}

/** Starts a new batch of what another batch was made of, and of its formula where it had one. */
export function useMakeAgain(): (batchId: string) => Promise<void> {
  const newBatch = useNewBatch();
  return async (batchId) => {
    const { document, formulaId } = await queryClient.fetchQuery(batchQuery(batchId));
    await newBatch({ document, ...(formulaId !== null && { id: formulaId }) });
  };
}

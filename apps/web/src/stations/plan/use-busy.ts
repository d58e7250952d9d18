import { useQueries } from '@tanstack/react-query';
import { useMemo } from 'react';
import { boilFrom, busyOf, madeBatch, planOfBatch, type Busy } from '@idle-kettle/core';
import { batchQuery, eventsQuery, useBatches } from '../../data/queries.js';
import { usePreferences } from '../../ui/preferences.js';

/** More pots than this no stove has. */
const MOST = 6;

/**
 * When the other batches that are planned, or on the heat, want the cook or the canner.
 * @param now to the minute
 */
export function useBusy(batchId: string, now: number): readonly Busy[] {
  const { kitchen } = usePreferences();
  const others = (useBatches().data ?? [])
    .filter(({ id, phase }) => id !== batchId && phase !== 'done')
    .slice(0, MOST);
  const batches = useQueries({
    queries: others.map(({ id }) => batchQuery(id)),
    combine: (answers) => answers.map(({ data }) => data),
  });
  const logs = useQueries({
    queries: others.map(({ id }) => eventsQuery(id)),
    combine: (answers) => answers.map(({ data }) => data),
  });
  return useMemo(
    () =>
      batches.flatMap((batch, i) => {
        const boil = boilFrom(logs[i]?.events ?? []);
        // One that is neither planned nor on the heat takes nobody's evening.
        if (!batch || (!boil.wish && boil.startedAt === undefined)) return [];
        const plan = planOfBatch(
          madeBatch(batch.document, boil, kitchen, { planned: true }),
          boil,
          {},
          now,
          now,
        );
        return plan ? busyOf(plan.schedule, batch.document.title) : [];
      }),
    [batches, logs, kitchen, now],
  );
}

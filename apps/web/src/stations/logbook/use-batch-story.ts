import { useQuery } from '@tanstack/react-query';
import type { BatchView } from '@idle-kettle/contract';
import { boilFrom, outcomeOf, type BatchOutcome, type Boil } from '@idle-kettle/core';
import { now } from '../../data/clock.js';
import { batchQuery, useEvents } from '../../data/queries.js';
import { usePreferences } from '../../ui/preferences.js';
import { useMemo } from 'react';

/** A batch as its log tells it. */
export interface BatchStory {
  readonly batch: BatchView;
  readonly boil: Boil;
  readonly outcome: BatchOutcome;
}

/** The story of a batch; undefined while it is fetched. */
export function useBatchStory(id: string): { told: BatchStory | undefined; failed: boolean } {
  const { kitchen } = usePreferences();
  const batch = useQuery(batchQuery(id));
  const { events, isPending } = useEvents(id);
  const told = useMemo(() => {
    if (!batch.data || isPending) return undefined;
    const boil = boilFrom(events);
    return {
      batch: batch.data,
      boil,
      outcome: outcomeOf(batch.data.document, boil, kitchen, now()),
    };
  }, [batch.data, events, isPending, kitchen]);
  return { told, failed: batch.isError };
}

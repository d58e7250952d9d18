import { useQuery } from '@tanstack/react-query';
import type { BatchView } from '@idle-kettle/contract';
import { boilFrom, outcomeOf, type BatchOutcome, type Boil } from '@idle-kettle/core';
import { now } from '../../data/clock.js';
import { batchQuery, useEvents } from '../../data/queries.js';
import { useHabit } from '../../ui/habit.js';
import { useMemo } from 'react';

/** A batch as its log tells it. */
export interface Told {
  readonly batch: BatchView;
  readonly boil: Boil;
  readonly outcome: BatchOutcome;
}

/** The story of a batch; undefined while it is fetched. */
export function useTold(id: string): { told: Told | undefined; failed: boolean } {
  const { place } = useHabit();
  const batch = useQuery(batchQuery(id));
  const { events, isPending } = useEvents(id);
  const told = useMemo(() => {
    if (!batch.data || isPending) return undefined;
    const boil = boilFrom(events);
    return { batch: batch.data, boil, outcome: outcomeOf(batch.data.document, boil, place, now()) };
  }, [batch.data, events, isPending, place]);
  return { told, failed: batch.isError };
}

import { toast } from 'sonner';
import type { SavePreparedWeight } from '@idle-kettle/contract';
import { ApiProblem, request } from './api.js';
import { keys, queryClient } from './queries.js';
import { today } from './clock.js';
import { newId } from './ids.js';

/** Keeps a weighing of fruit before and after, so that the next estimate is better. */
export async function keepWeighing(weighing: Omit<SavePreparedWeight, 'at'>): Promise<void> {
  try {
    const id = newId();
    await request('PUT', `/prepared-weights/${id}`, { ...weighing, at: today().toISOString() });
    await queryClient.invalidateQueries({ queryKey: keys.prepared });
    toast.success('Saved for next time', {
      action: {
        label: 'Delete it',
        onClick: () =>
          void request('DELETE', `/prepared-weights/${id}`).then(() =>
            queryClient.invalidateQueries({ queryKey: keys.prepared }),
          ),
      },
    });
  } catch (error) {
    toast.error('Used here, but not saved for next time', {
      description:
        error instanceof ApiProblem
          ? (error.problem.errors?.[0]?.message ?? error.message)
          : 'The server does not answer.',
    });
  }
}

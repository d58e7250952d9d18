import { toast } from 'sonner';
import {
  emptyGear,
  type KitchenGear,
  type KitchenSettings,
  type KitchenView,
} from '@idle-kettle/contract';
import { ApiProblem } from '../data/api.js';
import { saveKitchen, useKitchenInUse } from '../data/kitchens.js';
import { keys, queryClient } from '../data/queries.js';

/**
 * What stands in the kitchen in use, and how to change it: shown at once, kept when the server has
 * it.
 */
export function useGear(): {
  readonly kitchen: KitchenView | undefined;
  readonly gear: KitchenGear;
  readonly change: (
    make: (gear: KitchenGear) => KitchenGear,
    more?: Partial<KitchenSettings>,
  ) => void;
} {
  const kitchen = useKitchenInUse();
  const send = async (next: KitchenView): Promise<void> => {
    try {
      await saveKitchen(next);
    } catch (error) {
      toast.error(
        error instanceof ApiProblem
          ? (error.problem.errors?.[0]?.message ?? error.message)
          : 'Not saved: the server does not answer. Try again when it is back.',
      );
    }
  };
  const change = (
    make: (gear: KitchenGear) => KitchenGear,
    more: Partial<KitchenSettings> = {},
  ): void => {
    // The latest there is: a change made a moment ago may not have been drawn yet.
    const latest = queryClient.getQueryData<KitchenView[]>(keys.kitchens)?.[0];
    if (latest) void send({ ...latest, ...more, gear: make(latest.gear) });
  };
  return { kitchen, gear: kitchen?.gear ?? emptyGear(), change };
}

/** The list with one entry changed. */
export const withEntry = <T extends { id: string }>(list: readonly T[], entry: T): T[] =>
  list.some(({ id }) => id === entry.id)
    ? list.map((each) => (each.id === entry.id ? entry : each))
    : [...list, entry];
export const withoutEntry = <T extends { id: string }>(list: readonly T[], id: string): T[] =>
  list.filter((each) => each.id !== id);

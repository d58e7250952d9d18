import { toast } from 'sonner';
import { emptyGear, type KitchenGear, type KitchenSettings, type KitchenView } from '@idle-kettle/contract';
import { ApiProblem } from '../../data/api.js';
import { keys, queryClient, useKitchens, useSaveKitchen } from '../../data/queries.js';

/** The settings of a kitchen as the wire takes them. */
export const settingsOf = ({ id: _id, updatedAt: _updatedAt, ...settings }: KitchenView): KitchenSettings =>
  settings;

/** What stands in the kitchen in use, and how to change it: shown at once, kept when the server has it. */
export function useGear(): {
  readonly kitchen: KitchenView | undefined;
  readonly gear: KitchenGear;
  readonly change: (make: (gear: KitchenGear) => KitchenGear, more?: Partial<KitchenSettings>) => void;
} {
  const kitchen = useKitchens().data?.[0];
  const save = useSaveKitchen();
  const change = (make: (gear: KitchenGear) => KitchenGear, more: Partial<KitchenSettings> = {}): void => {
    if (!kitchen) return;
    const next: KitchenView = { ...kitchen, ...more, gear: make(kitchen.gear) };
    queryClient.setQueryData<KitchenView[]>(keys.kitchens, (was) =>
      was?.map((each) => (each.id === next.id ? next : each)),
    );
    save.mutate(
      { id: next.id, settings: settingsOf(next) },
      {
        onError: (error) => {
          toast.error(
            error instanceof ApiProblem
              ? (error.problem.errors?.[0]?.message ?? error.message)
              : 'Not kept: the server does not answer. Try again when it is back.',
          );
          void queryClient.invalidateQueries({ queryKey: keys.kitchens });
        },
      },
    );
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

import { toast } from 'sonner';
import { emptyGear, type KitchenGear, type KitchenSettings, type KitchenView } from '@idle-kettle/contract';
import { ApiProblem } from '../../data/api.js';
import { keys, queryClient, useKitchens, useSaveKitchen } from '../../data/queries.js';

/** The settings of a kitchen as the wire takes them. */
export const settingsOf = ({ id: _id, updatedAt: _updatedAt, ...settings }: KitchenView): KitchenSettings =>
  settings;

/** Kitchens as they were last changed here, while that is on its way to the server: an answer that is older must not undo it. */
const onTheirWay = new Map<string, KitchenView>();

/** What stands in the kitchen in use, and how to change it: shown at once, kept when the server has it. */
export function useGear(): {
  readonly kitchen: KitchenView | undefined;
  readonly gear: KitchenGear;
  readonly change: (make: (gear: KitchenGear) => KitchenGear, more?: Partial<KitchenSettings>) => void;
} {
  const stored = useKitchens().data?.[0];
  const latest = (): KitchenView | undefined => stored && (onTheirWay.get(stored.id) ?? stored);
  const save = useSaveKitchen();
  const send = async (next: KitchenView): Promise<void> => {
    try {
      await save.mutateAsync({ id: next.id, settings: settingsOf(next) });
    } catch (error) {
      toast.error(
        error instanceof ApiProblem
          ? (error.problem.errors?.[0]?.message ?? error.message)
          : 'Not kept: the server does not answer. Try again when it is back.',
      );
    }
    // What was changed meanwhile is on its way by itself.
    if (onTheirWay.get(next.id) === next) onTheirWay.delete(next.id);
    await queryClient.invalidateQueries({ queryKey: keys.kitchens });
  };
  const change = (make: (gear: KitchenGear) => KitchenGear, more: Partial<KitchenSettings> = {}): void => {
    const kitchen = latest();
    if (!kitchen) return;
    const next: KitchenView = { ...kitchen, ...more, gear: make(kitchen.gear) };
    onTheirWay.set(next.id, next);
    queryClient.setQueryData<KitchenView[]>(keys.kitchens, (was) =>
      was?.map((each) => (each.id === next.id ? next : each)),
    );
    void send(next);
  };
  const kitchen = latest();
  return { kitchen, gear: kitchen?.gear ?? emptyGear(), change };
}

/** The list with one entry changed. */
export const withEntry = <T extends { id: string }>(list: readonly T[], entry: T): T[] =>
  list.some(({ id }) => id === entry.id)
    ? list.map((each) => (each.id === entry.id ? entry : each))
    : [...list, entry];
export const withoutEntry = <T extends { id: string }>(list: readonly T[], id: string): T[] =>
  list.filter((each) => each.id !== id);

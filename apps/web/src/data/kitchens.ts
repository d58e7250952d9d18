import { useQuery, type UseQueryResult } from '@tanstack/react-query';
import type { KitchenSettings, KitchenView } from '@idle-kettle/contract';
import { get, request } from './api.js';
import { keys, queryClient } from './queries.js';

/** The settings of a kitchen as the wire takes them. */
export const settingsOf = ({
  id: _id,
  updatedAt: _updatedAt,
  ...settings
}: KitchenView): KitchenSettings => settings;

/**
 * Kitchens as they were last changed here, while that is on its way: an answer that is older must
 * not undo it.
 */
const onTheirWay = new Map<string, KitchenView>();
const withChanges = (kitchens: readonly KitchenView[]): KitchenView[] =>
  kitchens.map((each) => onTheirWay.get(each.id) ?? each);

/** One after the other: what was changed last is what stays. */
let sending: Promise<unknown> = Promise.resolve();
/** When the server last saved each from here: what is changed next is built on that. */
const savedAt = new Map<string, string>();
const laterOf = (a: string, b: string): string => (a > b ? a : b);

export const kitchensQuery = {
  queryKey: keys.kitchens,
  queryFn: async (): Promise<KitchenView[]> => withChanges(await get<KitchenView[]>('/kitchens')),
};
export const useKitchens = (): UseQueryResult<KitchenView[]> => useQuery(kitchensQuery);

/** The kitchen everything is computed for: the one used last, which comes first in the list. */
export const useKitchenInUse = (): KitchenView | undefined => useKitchens().data?.[0];

/**
 * Keeps a kitchen: shown at once, sent after what was changed before it.
 *
 * @param seenAt when the settings were saved that the person was shown; where another device has
 * changed them since, the server refuses
 * @returns the kitchen as the server has it now
 * @throws ApiProblem where the server refuses; what is shown is the server's again
 */
export async function saveKitchen(
  next: KitchenView,
  seenAt = next.updatedAt,
): Promise<KitchenView> {
  onTheirWay.set(next.id, next);
  queryClient.setQueryData<KitchenView[]>(keys.kitchens, (was) => was && withChanges(was));
  const sent = sending.then(async () => {
    const saved = await request<KitchenView>('PUT', `/kitchens/${next.id}`, {
      ...settingsOf(next),
      seenAt: laterOf(seenAt, savedAt.get(next.id) ?? ''),
    });
    savedAt.set(saved.id, saved.updatedAt);
    return saved;
  });
  sending = sent.catch(() => undefined);
  try {
    return await sent;
  } finally {
    // What was changed meanwhile is on its way by itself.
    if (onTheirWay.get(next.id) === next) onTheirWay.delete(next.id);
    void queryClient.invalidateQueries({ queryKey: keys.kitchens });
  }
}

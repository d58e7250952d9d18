import { emptyGear, type FoodNameBody, type KitchenView } from '@idle-kettle/contract';
import { saveKitchen } from '../../data/kitchens.js';
import { keys, queryClient } from '../../data/queries.js';

/** Names a household keeps; the oldest goes. */
const MOST_NAMES = 40;

/** The names with one more, or with what its words mean now. */
export const withFoodName = (names: readonly FoodNameBody[], name: FoodNameBody): FoodNameBody[] =>
  [...names.filter(({ words }) => words !== name.words), name].slice(-MOST_NAMES);

/**
 * Keeps what the household takes unknown words for, to be offered when they come again. Without the
 * server the correction holds for this text only.
 */
export async function rememberFoodName(name: FoodNameBody): Promise<void> {
  const kitchen = queryClient.getQueryData<KitchenView[]>(keys.kitchens)?.[0];
  if (!kitchen) return;
  const gear = kitchen.gear ?? emptyGear();
  const names = withFoodName(gear.writing?.names ?? [], name);
  try {
    await saveKitchen({ ...kitchen, gear: { ...gear, writing: { ...gear.writing, names } } });
  } catch {
    // The person goes on reading; the words are asked about again next time.
  }
}

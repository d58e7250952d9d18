import type { KitchenGear } from '@idle-kettle/contract';
import type { JarStock } from '@idle-kettle/core';

/** The jars of the kitchen: how many there are, as far as they were counted, and what they hold. */
export const stockOf = (gear: Pick<KitchenGear, 'jars'> | undefined): JarStock[] =>
  (gear?.jars ?? []).map(({ size, stock, volume_ml }) => ({
    size,
    count: stock,
    ...(volume_ml !== undefined && { measured_ml: volume_ml }),
  }));

import type { CookingPlace } from '../formula/index.js';

/** Cookers with their lids, as logs named them before a cook had stages; see `CookingPlace`. */
export const VESSELS = [
  'pan',
  'slow-cooker-lid-on',
  'slow-cooker-lid-ajar',
  'slow-cooker-lid-off',
  'oven',
  'low-stove',
] as const;
export type Vessel = (typeof VESSELS)[number];

/** Where each of them is. The heat is the one at which people use them so. Common practice. */
export const PLACE_OF_VESSEL: Readonly<Record<Vessel, CookingPlace>> = {
  pan: { where: 'burner', lid: 'off', heat: 'low' },
  'slow-cooker-lid-on': { where: 'slow-cooker', lid: 'on', heat: 'low' },
  'slow-cooker-lid-ajar': { where: 'slow-cooker', lid: 'ajar', heat: 'high' },
  'slow-cooker-lid-off': { where: 'slow-cooker', lid: 'off', heat: 'high' },
  oven: { where: 'oven', lid: 'off', heat: 'low' },
  'low-stove': { where: 'burner', lid: 'off', heat: 'low' },
};

import type { Boil } from './boil-state.js';

/**
 * The clock of a batch: the kitchen's own, unless simulated instruments boil it faster.
 *
 * @param realNow milliseconds since 1970 by the device's clock
 * @returns milliseconds since 1970, by which the batch's events are stamped
 */
export function batchNow({ simulated }: Pick<Boil, 'simulated'>, realNow: number): number {
  if (!simulated) return realNow;
  return simulated.at + (realNow - Date.parse(simulated.realAt)) * simulated.speed;
}

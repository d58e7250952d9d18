import { checkPlace, parseMeasure, type UnitSystem } from '@idle-kettle/core';

/**
 * Metres from "1180 m" or "3870 ft" as typed in these units, or undefined where no kitchen stands
 * so high.
 */
export function metresIn(text: string, units: UnitSystem): number | undefined {
  const height = parseMeasure('length', text, '.', units === 'metric' ? 'm' : 'ft');
  return height.ok && checkPlace({ altitude_m: height.value }).length === 0
    ? height.value
    : undefined;
}

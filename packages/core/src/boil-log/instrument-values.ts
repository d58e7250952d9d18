import type { EventBodies } from './boil-events.js';

/**
 * What an instrument shows: of the pot's temperature, of what is in it on a scale, of a cooled drop
 * in a refractometer.
 */
export interface PotValues {
  readonly temperature_C?: number;
  readonly mass_kg?: number;
  readonly percent?: number;
}
export type ValueName = keyof PotValues;

/**
 * Values beyond these no instrument shows, and none is taken; what a pot cannot have is kept and
 * set apart. Common practice.
 */
export const VALUE_LIMITS = {
  temperature_C: [-100, 1000],
  mass_kg: [0.01, 200],
  percent: [0, 95],
} as const;

/** The event of a log that a value is. */
export type ValueEvent = {
  [T in 'reading' | 'weighed' | 'brix']: { readonly type: T; readonly body: EventBodies[T] };
}['reading' | 'weighed' | 'brix'];

/** What was measured, an event a value. */
export function valueEvents({ temperature_C, mass_kg, percent }: PotValues): ValueEvent[] {
  const events: ValueEvent[] = [];
  if (temperature_C !== undefined) events.push({ type: 'reading', body: { temperature_C } });
  if (mass_kg !== undefined) events.push({ type: 'weighed', body: { mass_kg } });
  if (percent !== undefined) events.push({ type: 'brix', body: { percent } });
  return events;
}

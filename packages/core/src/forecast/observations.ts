/** One observation at the pot; any mix of instruments. Seconds from any fixed moment. */
export type Observation =
  | { readonly time_s: number; readonly temperature_C: number }
  | { readonly time_s: number; readonly mass_kg: number; readonly sd_kg?: number }
  | { readonly time_s: number; readonly solidsPercent: number };

/**
 * Standard deviations of one observation. A thermometer in a moving pot wanders by more than it is read
 * to. Common practice.
 */
const SD = { temperature_K: 0.32, mass_kg: 0.02, solids_percent: 0.7 } as const;
/** An observation as its kind, its value and the standard deviation of it. */
function measured(observation: Observation): {
  kind: 'temperature' | 'mass' | 'solids';
  value: number;
  sd: number;
} {
  if ('temperature_C' in observation)
    return { kind: 'temperature', value: observation.temperature_C, sd: SD.temperature_K };
  if ('mass_kg' in observation)
    return { kind: 'mass', value: observation.mass_kg, sd: observation.sd_kg ?? SD.mass_kg };
  return { kind: 'solids', value: observation.solidsPercent, sd: SD.solids_percent };
}

/** Looks close together, taken as one: their mean and its standard deviation. */
export interface Bin {
  readonly kind: 'temperature' | 'mass' | 'solids';
  readonly time_s: number;
  readonly value: number;
  readonly sd: number;
}

/**
 * Errors of a thermometer held in the same place are alike for about this long, s: readings closer
 * together count as one.
 */
const ALIKE_S = 24;

/**
 * The observations, a bin a kind of instrument and a spell of {@link ALIKE_S}, by time. What is no number
 * is left out.
 * @param observations by time
 */
export function binObservations(observations: readonly Observation[]): Bin[] {
  const open = new Map<
    Bin['kind'],
    { from: number; time: number; sum: number; count: number; one: number }
  >();
  const bins: Bin[] = [];
  const close = (kind: Bin['kind']): void => {
    const group = open.get(kind);
    if (!group) return;
    // Half of the error is of the moment and averages out, half is not.
    bins.push({
      kind,
      time_s: group.time / group.count,
      value: group.sum / group.count,
      sd: group.one * Math.sqrt(0.5 + 0.5 / group.count),
    });
    open.delete(kind);
  };
  for (const observation of observations) {
    const { kind, value, sd } = measured(observation);
    if (!Number.isFinite(value) || observation.time_s < 0) continue;
    const group = open.get(kind);
    if (group && observation.time_s - group.from <= ALIKE_S) {
      group.time += observation.time_s;
      group.sum += value;
      group.count += 1;
    } else {
      close(kind);
      open.set(kind, {
        from: observation.time_s,
        time: observation.time_s,
        sum: value,
        count: 1,
        one: sd,
      });
    }
  }
  for (const kind of ['temperature', 'mass', 'solids'] as const) close(kind);
  return bins.sort((a, b) => a.time_s - b.time_s);
}

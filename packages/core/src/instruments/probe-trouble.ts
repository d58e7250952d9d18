import type { LoggedReading, Boil } from '../boil-log/index.js';
import { SECOND_MS, MINUTE_MS } from '../quantity/index.js';

/** What is wrong with an instrument in the pot. */
export interface ProbeTrouble {
  readonly instrument: string;
  readonly code: 'silent' | 'sticks' | 'out' | 'drifts';
  /** In words, for the person at the stove. */
  readonly text: string;
}

/** As many usual gaps without a word, and at least so long, are silence. Common practice. */
const SILENT_GAPS = 6;
const SILENT_MS = 45 * SECOND_MS;
/**
 * The very same figure for so long, with so many readings, is a probe that sticks; a coarse one may
 * stand longer. Common practice.
 */
const STICKS = { fine: 2 * MINUTE_MS, coarse: 12 * MINUTE_MS, readings: 10 } as const;
/** Off from what a hand read beside it, K. Common practice. */
const DRIFTS_K = 1.5;
const BESIDE_MS = 45 * SECOND_MS;
const LATELY_MS = 15 * MINUTE_MS;

/**
 * Instruments in a pot on the heat that have gone silent, stick, have slipped out or have drifted
 * from what was read by hand.
 *
 * @param now milliseconds since 1970
 */
export function probeTroubles(boil: Boil, now: number): ProbeTrouble[] {
  if (boil.phase !== 'on-heat') return [];
  const since = boil.heat.at(-1)?.from ?? 0;
  const byProbe = new Map<string, LoggedReading[]>();
  for (const reading of boil.readings)
    if (reading.instrument !== undefined && reading.at >= since)
      byProbe
        .set(reading.instrument, byProbe.get(reading.instrument) ?? [])
        .get(reading.instrument)
        ?.push(reading);
  // One that slipped out may have said nothing else since the pot went on.
  for (const { instrument, at } of boil.rejectedReadings)
    if (instrument !== undefined && now - at < MINUTE_MS && !byProbe.has(instrument))
      byProbe.set(instrument, []);
  const byHand = boil.readings.filter(
    ({ instrument, at }) => instrument === undefined && now - at < LATELY_MS,
  );
  return [...byProbe].flatMap(([instrument, readings]): ProbeTrouble[] => {
    const last = readings.at(-1);
    const trouble = (code: ProbeTrouble['code'], text: string): ProbeTrouble[] => [
      { instrument, code, text },
    ];
    const apart = boil.rejectedReadings.findLast((each) => each.instrument === instrument);
    if (apart && apart.at > (last?.at ?? 0) && now - apart.at < MINUTE_MS)
      return trouble('out', apart.reason);
    if (!last) return [];
    const quiet = now - last.at;
    if (readings.length > 1 && quiet > Math.max(SILENT_GAPS * usualGap(readings), SILENT_MS))
      return trouble(
        'silent',
        `nothing heard for ${Math.round(quiet / SECOND_MS)} s: is it on, and in reach?`,
      );
    const from =
      readings.findLastIndex(({ temperature_C }) => temperature_C !== last.temperature_C) + 1;
    const stood = last.at - (readings[from]?.at ?? last.at);
    const coarse = readings.every(({ temperature_C }) => Number.isInteger(temperature_C * 2));
    if (readings.length - from >= STICKS.readings && stood > (coarse ? STICKS.coarse : STICKS.fine))
      return trouble(
        'sticks',
        `it has said ${last.temperature_C.toFixed(1)} °C for ${Math.round(stood / MINUTE_MS)} min: does it stick? Read another one beside it`,
      );
    const off = byHand.flatMap((hand) => {
      const beside = readings.filter(({ at }) => Math.abs(at - hand.at) <= BESIDE_MS);
      return beside.length === 0
        ? []
        : [
            beside.reduce((sum, each) => sum + each.temperature_C, 0) / beside.length -
              hand.temperature_C,
          ];
    });
    const mean =
      off.slice(-2).reduce((sum, each) => sum + each, 0) / Math.max(off.slice(-2).length, 1);
    if (off.length >= 2 && Math.abs(mean) > DRIFTS_K)
      return trouble(
        'drifts',
        `it shows ${Math.abs(mean).toFixed(1)} °C ${mean > 0 ? 'more' : 'less'} than what was read by hand: check it in boiling water`,
      );
    return [];
  });
}

/** Median of the gaps between readings, ms. */
function usualGap(readings: readonly LoggedReading[]): number {
  const gaps = readings
    .slice(-60)
    .map(({ at }, i, all) => at - (all[i - 1]?.at ?? at))
    .slice(1)
    .sort((a, b) => a - b);
  return gaps[Math.floor(gaps.length / 2)] ?? 0;
}

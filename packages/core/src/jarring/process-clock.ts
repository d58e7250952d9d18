import type { Boil } from '../boil-log/index.js';
import { MINUTE_MS } from '../quantity/index.js';

/** Where the process of the filled jars stands. */
export interface ProcessClock {
  /**
   * `waiting` for the full boil or the steam's mark; `running`; `rest` with the heat off and the
   * lid off; `over`.
   */
  readonly phase: 'waiting' | 'running' | 'rest' | 'over';
  /** What is left of it, ms; 0 where nothing runs. */
  readonly left_ms: number;
  /** Minutes it runs in full. */
  readonly minutes: number;
  /** How often the boil was lost, and the count begun from zero again. */
  readonly lost: number;
}

/**
 * Jars rest in the canner with the heat off before they are lifted. Common practice, as in the
 * guides.
 */
const REST_MS = 5 * MINUTE_MS;

/**
 * The process as the log has it: it counts from the full rolling boil, or from the steam's mark,
 * and from zero again when that was lost. It never runs shorter than the table says now, nor than
 * it said when it was begun.
 *
 * @param minutes by the table, for the altitude stated
 * @param now milliseconds since 1970
 */
export function processClock(
  { process }: Pick<Boil, 'process'>,
  minutes: number,
  now: number,
): ProcessClock {
  const { begun, lost } = process;
  const whole = Math.max(minutes, begun?.minutes ?? 0);
  if (!begun) return { phase: 'waiting', left_ms: 0, minutes: whole, lost };
  const left_ms = begun.at + whole * MINUTE_MS - now;
  if (left_ms > 0) return { phase: 'running', left_ms, minutes: whole, lost };
  return left_ms > -REST_MS
    ? { phase: 'rest', left_ms: left_ms + REST_MS, minutes: whole, lost }
    : { phase: 'over', left_ms: 0, minutes: whole, lost };
}

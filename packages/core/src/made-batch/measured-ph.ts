import type { Boil } from '../boil-log/index.js';
import type { PHReading } from '../keeping/index.js';
import { HOUR_MS } from '../quantity/index.js';
import { firstFilledAt } from './statements.js';

/** A pH is of this batch within so long of its first jar, ms. docs/safety.md, rule 3. */
export const MEASURED_WITHIN_MS = 48 * HOUR_MS;

/** Whether anything was said to have gone in, or not, after a moment. */
const isChangedAfter = ({ log }: Boil, at: number): boolean =>
  log.some(
    (entry) =>
      !entry.undone &&
      entry.at > at &&
      (entry.event.type === 'addition' || entry.event.type === 'omission'),
  );

/** Why a reading does not count by when and how it was taken, or undefined. */
function whyVoid(boil: Boil, { at, twoBuffers }: Boil['measuredPHs'][number]): string | undefined {
  const filled = firstFilledAt(boil);
  if (filled === undefined || at < filled) return 'it was taken before the jars were filled';
  if (at - filled > MEASURED_WITHIN_MS)
    return 'it was taken more than two days after the jars were filled';
  if (!twoBuffers) return 'the meter was not set in two buffers that day';
  return isChangedAfter(boil, at)
    ? 'something was added or left out after it was taken'
    : undefined;
}

/** The pH that was measured in a batch: of several the highest, and a void one where one is void. */
export function pHReadingOf(boil: Boil): PHReading | undefined {
  const [first, ...rest] = boil.measuredPHs;
  if (!first) return undefined;
  const highest = rest.reduce((a, b) => (b.value > a.value ? b : a), first);
  const voided = whyVoid(boil, highest);
  return { value: highest.value, ...(voided !== undefined && { void: voided }) };
}

import type { Boil } from '../boil-log/index.js';
import { keepingAdviceOn, type Keeping, type KeepingAdvice } from '../keeping/index.js';
import { MEASURED_WITHIN_MS } from './measured-ph.js';
import { MADE_GOOD_MS } from './process-runs.js';
import { firstFilledAt } from './statements.js';

/**
 * The one advice on the jars of a batch at a moment: what can no longer be measured or made good is
 * not advised.
 *
 * @param now milliseconds since 1970
 */
export function keepingAdviceNow(keeping: Keeping, boil: Boil, now: number): KeepingAdvice {
  const filled = firstFilledAt(boil);
  if (filled === undefined) return keepingAdviceOn(keeping, 'formula');
  return keepingAdviceOn(keeping, boil.processRuns.length > 0 ? 'processed' : 'filled', {
    canBeMeasured: now - filled <= MEASURED_WITHIN_MS,
    canBeMadeGood: now - filled <= MADE_GOOD_MS,
  });
}

import { heatReached } from '@idle-kettle/core';
import { useBatch } from '../../batch/batch-context.js';
import { logEvent } from '../../data/log-event.js';
import { useFormats } from '../../ui/preferences.js';
import { Notice } from '../../ui/notice.js';

/** Hot enough to kill what would spoil it: a curd at 170 F, a butter as it is filled, C. */
const CURD_C = 77;
const BUTTER_C = 85;

/**
 * Asked once, where no reading tells it: whether the pan reached its heat and went hot into the
 * jars. Without an answer the jars are for the fridge.
 */
export function HeatQuestion() {
  const { id, boil, formula } = useBatch();
  const { temperature: exact } = useFormats();
  const temperature = (C: number): string => exact(C).replace('.0', '');
  const isFilled = boil.jarred.some(({ full, part }) => full + part > 0);
  if (!isFilled || heatReached(boil, formula.kind).answer !== 'unknown') return null;
  const questions: Partial<Record<typeof formula.kind, string>> = {
    curd: `Did the curd reach ${temperature(CURD_C)}, and was it filled at once?`,
    'fruit-butter': `Was the butter at ${temperature(BUTTER_C)} or hotter when it went into the jars?`,
  };
  const question =
    questions[formula.kind] ??
    `Did the pan come to a full boil, and was it still ${temperature(BUTTER_C)} or hotter when filled?`;
  const answer = (reached: boolean): void => void logEvent(id, 'heat-stated', { reached });
  return (
    <Notice
      title={question}
      tone="care"
      actions={
        <>
          <button type="button" className="btn btn-primary h-14" onClick={() => answer(true)}>
            Yes, it was that hot
          </button>
          <button type="button" className="btn h-14" onClick={() => answer(false)}>
            No
          </button>
        </>
      }
    >
      No reading tells it. Until you answer, these jars go in the fridge.
    </Notice>
  );
}

import { processClock, type JarCount } from '@idle-kettle/core';
import { useBatch, useBatchNow } from '../../batch/batch-context.js';
import { logEvent } from '../../data/log-event.js';
import { clock } from '../../ui/now.js';
import { shortcutTarget } from '../../ui/shortcuts.js';
import { askToNotify } from '../../ui/notify.js';

interface ProcessTimerProps {
  readonly minutes: number;
  readonly steam: boolean;
  /** The jars of this load, where they are not all. */
  readonly jars?: readonly JarCount[];
}

/**
 * The time of the process: begun at the right sign, from zero again when the boil is lost, then the
 * rest.
 */
export function ProcessTimer({ minutes, steam, jars }: ProcessTimerProps) {
  const { id, boil } = useBatch();
  const now = useBatchNow();
  const { phase, left_ms, minutes: whole, lost } = processClock(boil, minutes, now);
  const { begun } = boil.process;
  const begin = (): void => {
    askToNotify();
    logEvent(id, 'process-begun', { minutes: whole, ...(jars && { jars }) });
  };
  const sign = steam ? 'The steam is at its mark' : 'It is at a full rolling boil';
  return (
    <div
      role="group"
      aria-label="Clock of the process"
      className="mt-3 rounded-[12px] border-2 border-secondary p-4"
    >
      {phase === 'waiting' && (
        <>
          {lost > 0 && (
            <p className="mb-2 text-watch">The boil stopped: back to it, and from zero again.</p>
          )}
          <button
            type="button"
            className="btn btn-primary h-16 w-full text-lg"
            {...shortcutTarget('process')}
            onClick={begin}
          >
            {sign}: start the {whole} min
          </button>
        </>
      )}
      {phase === 'running' && (
        <div className="flex flex-wrap items-center justify-between gap-3">
          <div>
            <p className="text-soft">processing, {whole} min; remaining</p>
            <p role="timer" className="display text-[58px] leading-none">
              {clock(left_ms + 999)}
            </p>
            {begun !== undefined && begun.minutes !== minutes && (
              <p className="mt-1 text-watch">
                The altitude was changed while it ran: {minutes} min by the table now,{' '}
                {begun.minutes} when it began. The longer one counts.
              </p>
            )}
            <p className="mt-1 text-soft">
              {steam
                ? 'The steam stays at its mark, the vent turned away.'
                : 'An inch of water over the jars: top it up boiling, never cold.'}
            </p>
          </div>
          <button
            type="button"
            className="btn h-16 text-lg"
            onClick={() => logEvent(id, 'process-lost', {})}
          >
            {steam ? 'Steam fell: restart the timer' : 'Boil stopped: restart the timer'}
          </button>
        </div>
      )}
      {phase === 'rest' && (
        <>
          <p className="display text-2xl">Heat off, lid off away from the face</p>
          <p className="text-soft">
            The jars rest in there. Left: <span role="timer">{clock(left_ms + 999)}</span>
          </p>
        </>
      )}
      {phase === 'over' && (
        <>
          <p className="display text-2xl">Lift them straight up</p>
          <p className="text-soft">
            Upright, apart, on wood or a towel; untouched for 12 to 24 hours.
          </p>
        </>
      )}
    </div>
  );
}

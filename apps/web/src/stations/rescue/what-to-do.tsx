import type { RescueAdvice } from '@idle-kettle/core';
import { useOpenedFocus } from '../../ui/use-opened-focus.js';
import { Notice } from '../../ui/notice.js';
import * as dates from '../../ui/dates.js';

function headingOf(waitUntil: number | undefined, isThrownAway: boolean): string {
  if (isThrownAway) return 'Throw it away, do not taste it';
  return waitUntil === undefined
    ? 'What to do'
    : `Wait until ${dates.weekdayDayAndTime(waitUntil)}`;
}

/** What to do now, or how long to wait. */
export function WhatToDo({
  advice: { steps, waitUntil, use, caution, source, isThrownAway = false },
}: {
  readonly advice: RescueAdvice;
}) {
  const panel = useOpenedFocus<HTMLElement>();
  return (
    <section ref={panel} tabIndex={-1} aria-label="What to do" className="panel p-5 outline-none">
      <h2 className="text-xl">{headingOf(waitUntil, isThrownAway)}</h2>
      <ol className="mt-2 max-w-prose list-decimal space-y-1 pl-5">
        {steps.map((step) => (
          <li key={step}>{step}</li>
        ))}
      </ol>
      {use !== undefined && (
        <p className="mt-2 max-w-prose">
          <strong>Or use it as it is.</strong> {use}
        </p>
      )}
      {caution !== undefined && (
        <div className="mt-3">
          <Notice title={caution} tone="care" />
        </div>
      )}
      <p className="mt-2 text-sm text-soft">Source: {source}.</p>
    </section>
  );
}

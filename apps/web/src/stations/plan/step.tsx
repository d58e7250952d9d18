import { addMinutes } from 'date-fns';
import { Check, TriangleAlert } from 'lucide-react';
import type { Timed } from '@idle-kettle/core';
import { sentence } from '../../ui/sentence.js';
import { lengthWords, spanWords } from '../../ui/length-words.js';
import { clockOf } from './clock-of.js';
import { ATTENTION_WORDS } from './plan-strip.js';
import { MINUTE_MS } from '@idle-kettle/core';

interface StepProps {
  readonly step: Timed;
  readonly now: number;
  readonly amounts: readonly string[];
  readonly onTick: () => void;
}

/** One step with its time, what goes in, and its caution; ticked with one tap. */
export function Step({ step, now, amounts, onTick }: StepProps) {
  const done = step.doneAt !== undefined;
  const due = !done && step.start <= now && now < addMinutes(step.end, 1).getTime();
  return (
    <li
      className={`flex items-start gap-3 border-b border-line py-2 last:border-b-0 ${due ? 'font-semibold' : ''}`}
    >
      <button
        type="button"
        className={`btn btn-square mt-0.5 size-11 shrink-0 print:hidden ${done ? 'btn-neutral' : ''}`}
        aria-pressed={done}
        aria-label={`Done: ${step.text}`}
        onClick={onTick}
      >
        {done && <Check aria-hidden="true" className="size-5" />}
      </button>
      <span className="w-20 shrink-0 pt-2 text-right text-sm whitespace-nowrap text-soft">
        {clockOf(step.doneAt ?? step.start, now)}
      </span>
      <div className="min-w-0 flex-1 pt-1.5">
        <p className={done ? 'text-soft line-through' : ''}>{sentence(step.text)}</p>
        {amounts.length > 0 && <p className="text-sm font-semibold">{amounts.join(', ')}</p>}
        <p className="text-sm font-normal text-soft">
          {ATTENTION_WORDS[step.attention]}
          {step.cue !== undefined && ` until ${step.cue}`}
          {`, ${spanWords(step.least, step.most)}`}
          {step.attended_min !== undefined &&
            step.attention === 'needs-watching' &&
            `, of it stirring ${lengthWords(step.attended_min)}`}
          {due && `; ${Math.max(Math.ceil((step.end - now) / MINUTE_MS), 0)} min to go`}
        </p>
        {step.caution !== undefined && !done && (
          <p className="flex items-start gap-1.5 text-sm font-normal text-watch">
            <TriangleAlert aria-hidden="true" className="mt-0.5 size-4 shrink-0" />
            {sentence(step.caution)}
          </p>
        )}
      </div>
    </li>
  );
}

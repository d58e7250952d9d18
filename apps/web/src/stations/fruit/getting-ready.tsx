import { addMinutes, isSameDay } from 'date-fns';
import { Hourglass, TriangleAlert } from 'lucide-react';
import { preparationOf, type PreparationStep } from '@idle-kettle/core';
import { useBatch } from '../../batch/batch-context.js';
import { useHour } from '../../ui/now.js';
import { sentence } from '../../ui/sentence.js';
import * as dates from '../../ui/dates.js';

const HOUR = 60;

/** "12 to 18 h", "8 to 16 min". */
function span({ least, most }: PreparationStep['minutes']): string {
  const hours = least >= 2 * HOUR;
  const [a, b] = hours ? [Math.round(least / HOUR), Math.round(most / HOUR)] : [least, most];
  return `${a === b ? a : `${a} to ${b}`} ${hours ? 'h' : 'min'}`;
}

/** "today from 21:00", "tomorrow from 07:30". */
function readyFrom(minutes: number, now: number): string {
  const at = addMinutes(now, minutes);
  const from = `from ${dates.time(at)}`;
  if (isSameDay(at, now)) return `today ${from}`;
  if (isSameDay(at, addMinutes(now, 24 * HOUR))) return `tomorrow ${from}`;
  return `${dates.weekday(at)} ${from}`;
}

/** What is done before the pot goes on, with the time it takes one pair of hands. */
export function GettingReady() {
  const { formula } = useBatch();
  const hour = useHour();
  const steps = preparationOf(formula);
  if (steps.length === 0) return null;
  const hands = steps.filter(({ handsOff }) => !handsOff);
  const total = {
    least: hands.reduce((sum, { minutes }) => sum + minutes.least, 0),
    most: hands.reduce((sum, { minutes }) => sum + minutes.most, 0),
  };
  return (
    <section aria-label="Getting ready" className="panel p-4">
      <h2 className="text-xl">Getting ready</h2>
      {hands.length > 0 && <p className="mt-1 text-soft">{span(total)} for one person.</p>}
      <ol className="mt-1">
        {steps.map(({ code, text, minutes, handsOff, optional, caution }) => (
          <li key={code} className="border-b border-line py-2.5 last:border-b-0">
            <div className="flex justify-between gap-3">
              <span>
                {sentence(text)}
                {optional && <span className="text-soft"> If you like.</span>}
              </span>
              <span className="shrink-0 font-semibold whitespace-nowrap">{span(minutes)}</span>
            </div>
            {handsOff && (
              <p className="mt-0.5 flex items-center gap-1.5 text-sm text-soft">
                <Hourglass aria-hidden="true" className="size-4 shrink-0" />
                unattended; started this hour it is ready {readyFrom(minutes.least, hour)}
              </p>
            )}
            {caution !== undefined && (
              <p className="mt-0.5 flex items-start gap-1.5 text-sm text-watch">
                <TriangleAlert aria-hidden="true" className="mt-0.5 size-4 shrink-0" />
                {sentence(caution)}
              </p>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}

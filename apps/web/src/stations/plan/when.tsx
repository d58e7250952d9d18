import { CalendarPlus, Printer, TriangleAlert } from 'lucide-react';
import { useMemo } from 'react';
import { toast } from 'sonner';
import {
  clashesOf,
  clearOf,
  needsWatchingAtNight,
  preparationOf,
  USUAL_OPTIONAL_STEPS,
  type BatchPlan,
  type Busy,
  type Wish,
} from '@idle-kettle/core';
import { useBatch } from '../../batch/batch-context.js';
import { CookingPlaceChoice } from '../../batch/cooking-place.js';
import { logEvent } from '../../data/log-event.js';
import { fileName } from '../../ui/file-name.js';
import { saveFile } from '../../ui/save-file.js';
import { sentence } from '../../ui/sentence.js';
import { asCalendar } from './calendar.js';
import { Clashes } from './clashes.js';
import { clockOf } from './clock-of.js';
import { PlanStrip } from './plan-strip.js';
import * as dates from '../../ui/dates.js';

interface WhenProps {
  readonly plan: BatchPlan;
  readonly crew: readonly string[];
  readonly busy: readonly Busy[];
  /** To the minute. */
  readonly now: number;
  readonly onCrew: (crew: readonly string[]) => void;
}

/** What is wished, by whose hands, with which stands, and how that lies in the hours ahead. */
export function When({ plan: { steps, wish, schedule }, crew, busy, now, onCrew }: WhenProps) {
  const { id, document, formula, boil } = useBatch();
  const taken = boil.wish?.with ?? USUAL_OPTIONAL_STEPS;
  const optional = useMemo(() => preparationOf(formula).filter((each) => each.optional), [formula]);
  const clashes = useMemo(() => clashesOf(schedule, busy), [schedule, busy]);
  const atNight = schedule.steps.filter(
    (step) =>
      step.doneAt === undefined && needsWatchingAtNight(step, (at) => new Date(at).getHours()),
  );
  const set = (next: Wish, with_: readonly string[] = taken): void =>
    void logEvent(id, 'planned', {
      by: next.by,
      at: new Date(next.at).toISOString(),
      with: [...with_],
    });
  const calendar = async (): Promise<void> => {
    saveFile(
      `${fileName(document.title)}-plan.ics`,
      'text/calendar',
      await asCalendar(document.title, schedule),
    );
    toast.success('The plan is saved as a calendar file');
  };
  const { low, high } = schedule.ready;
  return (
    <section aria-label="When" className="panel p-4">
      <div className="flex flex-wrap items-end gap-3 print:hidden">
        <label className="flex flex-col gap-1 text-sm text-soft">
          Start or finish
          <select
            className="select w-56 text-base-content"
            value={wish.by}
            onChange={(event) =>
              set({
                ...wish,
                by: event.target.value as Wish['by'],
                at: event.target.value === 'ready' ? schedule.ready.mid : schedule.begins,
              })
            }
          >
            <option value="start">start at</option>
            <option value="ready">jars on the counter by</option>
          </select>
        </label>
        <label className="flex flex-col gap-1 text-sm text-soft">
          day and time
          <input
            type="datetime-local"
            className="input w-56 text-base-content"
            value={dates.fieldValue(wish.at)}
            onChange={(event) => {
              const at = new Date(event.target.value).getTime();
              if (Number.isFinite(at)) set({ ...wish, at });
            }}
          />
        </label>
        <label className="flex flex-col gap-1 text-sm text-soft">
          people
          <input
            type="number"
            min={1}
            max={12}
            className="input w-24 text-base-content"
            value={crew.length}
            onChange={(event) => {
              const count = Math.min(Math.max(Math.round(event.target.valueAsNumber) || 1, 1), 12);
              onCrew(Array.from({ length: count }, (_, i) => crew[i] ?? ''));
            }}
          />
        </label>
        <div className="ml-auto flex gap-2 print:hidden">
          <button type="button" className="btn" onClick={() => void calendar()}>
            <CalendarPlus aria-hidden="true" className="size-5" /> Calendar
          </button>
          <button type="button" className="btn" onClick={() => window.print()}>
            <Printer aria-hidden="true" className="size-5" /> Print
          </button>
        </div>
      </div>
      <div className="mt-2 empty:hidden">
        <CookingPlaceChoice />
      </div>
      {optional.map(({ code, text }) => (
        <label key={code} className="mt-2 flex min-h-[44px] items-center gap-3">
          <input
            type="checkbox"
            className="checkbox"
            checked={taken.includes(code)}
            onChange={(event) =>
              set(
                { ...wish, at: wish.by === 'ready' ? wish.at : schedule.begins },
                event.target.checked ? [...taken, code] : taken.filter((each) => each !== code),
              )
            }
          />
          <span>{sentence(text)}</span>
        </label>
      ))}
      <p className="mt-3" role="status">
        Begin <strong>{clockOf(schedule.begins, now)}</strong>; jars on the counter{' '}
        <strong>
          {clockOf(low, now)} to {clockOf(high, now)}
        </strong>
        .
      </p>
      {schedule.late > 5 && (
        <p className="mt-1 flex items-center gap-2 text-watch">
          <TriangleAlert aria-hidden="true" className="size-5 shrink-0" />
          That is about {schedule.late} min later than planned. More people, fewer jars, or another
          day.
        </p>
      )}
      {atNight.length > 0 && (
        <p className="mt-1 flex items-start gap-2 text-watch">
          <TriangleAlert aria-hidden="true" className="mt-0.5 size-5 shrink-0" />
          <span>
            Falls in the night and may not be left alone:{' '}
            {atNight.map(({ text }) => text).join('; ')}. Only a slow cooker, a soak or a drip goes
            on overnight. Choose another time, or pause it for the night.
          </span>
        </p>
      )}
      <Clashes
        clashes={clashes}
        now={now}
        onMove={() => {
          const clear = clearOf(steps, wish, boil.stepsDone, now, busy);
          if (clear) set(clear);
          else toast.error('There is no hour within a day at which they do not clash');
        }}
      />
      <div className="mt-3">
        <PlanStrip plan={schedule} now={now} />
      </div>
    </section>
  );
}

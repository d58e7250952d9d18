import { addMinutes, format, isSameDay } from 'date-fns';
import { CalendarPlus, Check, Printer, TriangleAlert } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { gearFor, planSteps, schedule, type Timed, type Wish } from '@idle-kettle/core';
import { useBatch } from '../../batch/batch-context.js';
import { nameOfLine } from '../../batch/line-edit.js';
import { logEvent } from '../../data/log-event.js';
import { useKitchens } from '../../data/queries.js';
import { fileName } from '../../ui/file-name.js';
import { useNow } from '../../ui/now.js';
import { Notice } from '../../ui/notice.js';
import { Empty } from '../../ui/page.js';
import { saveFile } from '../../ui/save-file.js';
import { capital, sentence } from '../../ui/sentence.js';
import { asCalendar } from './calendar.js';
import { HANDS_WORDS, PlanStrip } from './plan-strip.js';

const MINUTE_MS = 60_000;
const QUARTER_MS = 15 * MINUTE_MS;

/** The evening laid out backwards from when the jars should stand on the counter. */
export function Plan() {
  const { balance } = useBatch();
  if (!balance)
    return (
      <Empty title="Nothing to plan yet">
        <Link to="../balance" className="underline">
          Put something in the pot
        </Link>
        , and its evening is laid out here.
      </Empty>
    );
  return <Laid />;
}

const clockOf = (at: number, now: number): string => format(at, isSameDay(at, now) ? 'HH:mm' : 'EEE HH:mm');

function Laid() {
  const { id, document, asMade, formula, balance, keeping, boil } = useBatch();
  const kitchen = useKitchens().data?.[0];
  const [hands, setHands] = useState(1);
  // A plan is good to the minute.
  const now = Math.floor(useNow() / MINUTE_MS) * MINUTE_MS;
  const load = kitchen?.gear.canners
    .flatMap(({ loads }) => loads)
    .find(({ size }) => size === document.jars[0]?.size)?.jars;
  const steps = useMemo(
    () =>
      balance ? planSteps(formula, balance, keeping, { hands, ...(load !== undefined && { load }) }) : [],
    [formula, balance, keeping, hands, load],
  );
  const [soon] = useState<Wish>(() => ({ by: 'start', at: Math.ceil(Date.now() / QUARTER_MS) * QUARTER_MS }));
  const wish = boil.wish ?? soon;
  const plan = useMemo(() => schedule(steps, wish, boil.stepsDone, now), [steps, wish, boil.stepsDone, now]);
  if (!balance) return null;
  const set = (next: Wish): void =>
    void logEvent(id, 'planned', { by: next.by, at: new Date(next.at).toISOString() });
  const tick = (step: Timed): void => {
    const done = boil.log.findLast(
      ({ event, undone }) => !undone && event.type === 'step' && event.body.code === step.code,
    );
    if (done) logEvent(id, 'undo', { eventId: done.event.id });
    else if (step.doneAt === undefined) logEvent(id, 'step', { code: step.code });
  };
  const calendar = async (): Promise<void> => {
    saveFile(`${fileName(document.title)}-plan.ics`, 'text/calendar', await asCalendar(document.title, plan));
    toast.success('The plan is saved as a calendar file');
  };
  const { low, high } = plan.ready;
  return (
    <div className="flex flex-col gap-4">
      <section aria-label="When" className="panel p-4">
        <div className="flex flex-wrap items-end gap-3">
          <label className="flex flex-col gap-1 text-sm text-soft">
            I wish
            <select
              className="select w-56 text-base-content"
              value={wish.by}
              onChange={(event) =>
                set({
                  by: event.target.value as Wish['by'],
                  at: event.target.value === 'ready' ? plan.ready.mid : plan.begins,
                })
              }
            >
              <option value="start">to begin at</option>
              <option value="ready">jars on the counter by</option>
            </select>
          </label>
          <label className="flex flex-col gap-1 text-sm text-soft">
            day and time
            <input
              type="datetime-local"
              className="input w-56 text-base-content"
              value={format(wish.at, "yyyy-MM-dd'T'HH:mm")}
              onChange={(event) => {
                const at = new Date(event.target.value).getTime();
                if (Number.isFinite(at)) set({ by: wish.by, at });
              }}
            />
          </label>
          <label className="flex flex-col gap-1 text-sm text-soft">
            pairs of hands
            <input
              type="number"
              min={1}
              max={12}
              className="input w-24 text-base-content"
              value={hands}
              onChange={(event) =>
                setHands(Math.min(Math.max(Math.round(event.target.valueAsNumber) || 1, 1), 12))
              }
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
        <p className="mt-3" role="status">
          Begin <strong>{clockOf(plan.begins, now)}</strong>; jars on the counter{' '}
          <strong>
            {clockOf(low, now)} to {clockOf(high, now)}
          </strong>
          .
        </p>
        {plan.late > 5 && (
          <p className="mt-1 flex items-center gap-2 text-watch">
            <TriangleAlert aria-hidden="true" className="size-5 shrink-0" />
            That is about {plan.late} min later than wished. More hands, fewer jars, or another day.
          </p>
        )}
        <div className="mt-3">
          <PlanStrip plan={plan} now={now} />
        </div>
      </section>
      <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,2fr)_minmax(0,1fr)]">
        <section aria-label="Steps" className="panel px-4 py-2">
          <h2 className="sr-only">Steps</h2>
          <ol>
            {plan.steps.map((step) => (
              <Step
                key={step.code}
                step={step}
                now={now}
                amounts={step.lines.flatMap((index) => {
                  const line = asMade.lines[index];
                  return line ? [`${line.amount} ${nameOfLine(line)}`] : [];
                })}
                onTick={() => tick(step)}
              />
            ))}
          </ol>
        </section>
        <div className="flex flex-col gap-4">
          <Notice title="Standing ready">
            <ul className="mt-1 list-disc space-y-1 pl-5">
              {gearFor(formula, balance, keeping).map((each) => (
                <li key={each}>{capital(each)}</li>
              ))}
            </ul>
          </Notice>
          <Notice title="To buy or fetch">
            <ul className="mt-1 list-disc space-y-1 pl-5">
              {document.lines.map((line, i) => (
                <li key={i}>
                  {line.amount} {nameOfLine(line)}
                </li>
              ))}
            </ul>
          </Notice>
          <Link to="../boil" className="btn btn-primary print:hidden">
            To the stove
          </Link>
        </div>
      </div>
    </div>
  );
}

interface StepProps {
  readonly step: Timed;
  readonly now: number;
  readonly amounts: readonly string[];
  readonly onTick: () => void;
}

/** One step with its time, what goes in, and its caution; ticked with one tap. */
function Step({ step, now, amounts, onTick }: StepProps) {
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
          {HANDS_WORDS[step.hands]}
          {step.least === step.most ? `, ${step.least} min` : `, ${span(step.least, step.most)}`}
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

const span = (least: number, most: number): string =>
  least >= 120 ? `${Math.round(least / 60)} to ${Math.round(most / 60)} h` : `${least} to ${most} min`;

import { useMemo, useState } from 'react';
import { shortcutTarget } from '../../ui/shortcuts.js';
import { Link } from 'react-router';
import { gearFor, planOfBatch, type Timed, MINUTE_MS } from '@idle-kettle/core';
import { useBatch, useBatchNow } from '../../batch/batch-context.js';
import { nameOfLine } from '../../batch/line-edit.js';
import { now as clock } from '../../data/clock.js';
import { logEvent } from '../../data/log-event.js';
import { useKitchenInUse } from '../../data/kitchens.js';
import { Notice } from '../../ui/notice.js';
import { Empty } from '../../ui/page.js';
import { capital } from '../../ui/sentence.js';
import { Crew } from './crew.js';
import { Step } from './step.js';
import { useBusy } from './use-busy.js';
import { When } from './when.js';

const QUARTER_MS = 15 * MINUTE_MS;

/** The evening laid out backwards from when the jars should stand on the counter. */
export function Plan() {
  const { balance } = useBatch();
  if (!balance)
    return (
      <Empty title="Nothing to plan yet">
        <Link to="../balance" className="underline">
          Put something in the pan
        </Link>
        , and its evening is laid out here.
      </Empty>
    );
  return <Laid />;
}

function Laid() {
  const { id, document, asMade, formula, balance, keeping, boil } = useBatch();
  const kitchen = useKitchenInUse();
  const [crew, setCrew] = useState<readonly string[]>(['']);
  // A plan is good to the minute.
  const now = Math.floor(useBatchNow() / MINUTE_MS) * MINUTE_MS;
  const load = kitchen?.gear.canners
    .flatMap(({ loads }) => loads)
    .find(({ size }) => size === document.jars[0]?.size)?.jars;
  const [soon] = useState(() => Math.ceil(clock() / QUARTER_MS) * QUARTER_MS);
  const plan = useMemo(
    () =>
      planOfBatch(
        { formula, balance, keeping },
        boil,
        { people: crew.length, ...(load !== undefined && { load }) },
        soon,
        now,
      ),
    [formula, balance, keeping, boil, crew.length, load, soon, now],
  );
  const busy = useBusy(id, now);
  const names = useMemo(
    () => crew.map((name, i) => (name.trim() === '' ? `helper ${i + 1}` : name.trim())),
    [crew],
  );
  if (!balance || !plan) return null;
  const tick = (step: Timed): void => {
    const done = boil.log.findLast(
      ({ event, undone }) => !undone && event.type === 'step' && event.body.code === step.code,
    );
    if (done) logEvent(id, 'undo', { eventId: done.event.id });
    else if (step.doneAt === undefined) logEvent(id, 'step', { code: step.code });
  };
  return (
    <div className="flex flex-col gap-4">
      <When plan={plan} crew={crew} busy={busy} now={now} onCrew={setCrew} />
      <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,2fr)_minmax(0,1fr)]">
        <section aria-label="Steps" className="panel px-4 py-2">
          <h2 className="sr-only">Steps</h2>
          <ol>
            {plan.schedule.steps.map((step) => (
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
          {crew.length > 1 && (
            <Crew crew={crew} names={names} plan={plan.schedule} now={now} onCrew={setCrew} />
          )}
          <Notice title="Equipment">
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
            <Link to="/shopping" className="link mt-2 inline-block print:hidden">
              Shopping list of all planned batches
            </Link>
          </Notice>
          <Link to="../boil" className="btn btn-primary print:hidden" {...shortcutTarget('start')}>
            Start cooking
          </Link>
        </div>
      </div>
    </div>
  );
}

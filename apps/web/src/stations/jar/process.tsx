import { useState } from 'react';
import {
  cannerLoads,
  KEEPING_ADVICE_WORDS,
  keepingAdviceNow,
  PROCESS_BANDS,
  PROCESS_ROWS,
  unprocessedJars,
  type JarCount,
  type Keeping,
  type KeepingAdvice,
  type Process,
  type ProcessRun,
} from '@idle-kettle/core';
import { useBatch, useBatchNow } from '../../batch/batch-context.js';
import { PROCESS_CHECKS, signedRow } from '../../batch/checked-rows.js';
import { PROCESS_WORDS } from '../../batch/words.js';
import { logEvent } from '../../data/log-event.js';
import { useKitchenInUse } from '../../data/kitchens.js';
import { jarName, jarsOf } from '../../ui/jar-picture.js';
import { useFormats } from '../../ui/preferences.js';
import { Notice } from '../../ui/notice.js';
import { sentence } from '../../ui/sentence.js';
import { BatchAltitude } from './batch-altitude.js';
import { ClockedProcess, StatedProcess } from './process-record.js';
import { ProcessTimer } from './process-timer.js';
import * as dates from '../../ui/dates.js';

/** What to do about the jars of the batch on the bench, now. */
export function useKeepingAdvice(): KeepingAdvice {
  const { boil, keeping } = useBatch();
  return keepingAdviceNow(keeping, boil, useBatchNow());
}

/**
 * What the filled jars go through, from the published table at the batch\u2019s altitude, load by load,
 * and the record that they did.
 */
export function ProcessOfJars({ keeping }: { readonly keeping: Keeping }) {
  const { boil } = useBatch();
  const advice = useKeepingAdvice();
  const left = unprocessedJars(boil);
  const process = keeping.process ?? keeping.processMeanwhile;
  const isFinished = boil.processRuns.length > 0 && left.length === 0;
  const again = advice === 'process-again';
  const isRun = process !== null && (!isFinished || again) && advice !== 'throw-away';
  return (
    <>
      {boil.processRuns.length > 0 && <Processed keeping={keeping} />}
      {keeping.verdict !== 'shelf' && boil.processRuns.length === 0 && advice !== 'say-heat' && (
        <NotForTheShelf keeping={keeping} />
      )}
      {isRun && <ToProcess process={process} left={left} again={again && isFinished} />}
    </>
  );
}

/** Why these jars are not for the shelf, and the one thing to do. */
function NotForTheShelf({ keeping }: { readonly keeping: Keeping }) {
  const advice = useKeepingAdvice();
  const [first] = keeping.reasons;
  return (
    <Notice title={KEEPING_ADVICE_WORDS[advice]} tone="care">
      {first && sentence(first.text)} {keeping.verdict !== 'stop' && sentence(keeping.storage.text)}
      {advice === 'enter-altitude' && <BatchAltitude />}
    </Notice>
  );
}

interface ToProcessProps {
  readonly process: Process;
  /** Full jars that were in no load yet. */
  readonly left: readonly JarCount[];
  /** All of them go through a second time, after a process that failed. */
  readonly again: boolean;
}

function ToProcess({ process, left, again }: ToProcessProps) {
  const { id, boil, formula } = useBatch();
  const formats = useFormats();
  const { altitude_m } = formula.place;
  const waiting = again
    ? boil.jarred.filter(({ full }) => full > 0).map(({ size, full }) => ({ size, count: full }))
    : left;
  const [chosen, setChosen] = useState<Readonly<Record<string, number>>>({});
  const suggested = useFirstLoad(waiting, process.method);
  const load = waiting
    .map(({ size, count }) => ({
      size,
      count: Math.min(chosen[size] ?? suggested[size] ?? count, count),
    }))
    .filter(({ count }) => count > 0);
  const total = waiting.reduce((sum, { count }) => sum + count, 0);
  const isWhole = load.reduce((sum, { count }) => sum + count, 0) === total;
  const isOnly = isWhole && boil.processRuns.length === 0;
  const jars = isOnly ? {} : { jars: boil.process.begun?.jars ?? load };
  const ran = (minutes: number, startedAt?: number): void =>
    void logEvent(id, 'processed', {
      method: process.method,
      minutes,
      altitude_m: altitude_m ?? null,
      ...jars,
      ...(startedAt !== undefined && { startedAt: new Date(startedAt).toISOString() }),
    });
  return (
    <section aria-label="Process" className="panel p-4">
      <h2 className="text-xl">{again ? 'Process again' : 'Process'}</h2>
      <p className="mt-1">
        <span className="display text-[40px] leading-none">{process.minutes} min</span>{' '}
        <span className="text-soft">
          {PROCESS_WORDS[process.method]}
          {altitude_m !== undefined && `, at ${formats.altitude(altitude_m)}`}
        </span>
      </p>
      <BatchAltitude />
      <HowToProcess process={process} />
      {total > 1 && boil.process.begun === undefined && (
        <LoadChoice
          waiting={waiting}
          load={load}
          onChange={(size, count) => setChosen((was) => ({ ...was, [size]: count }))}
        />
      )}
      {boil.jarred.length === 0 ? (
        <p className="mt-2 text-sm text-soft">Count the jars first.</p>
      ) : (
        <>
          <ProcessTimer
            minutes={process.minutes}
            steam={process.method === 'steam'}
            {...(!isOnly && { jars: load })}
          />
          <ClockedProcess minutes={process.minutes} onRan={(minutes) => ran(minutes)} />
          {boil.process.begun === undefined && <StatedProcess process={process} onRan={ran} />}
        </>
      )}
    </section>
  );
}

/** How many of each size fit in the first load of the canner, where it is written down at Kitchen. */
function useFirstLoad(
  waiting: readonly JarCount[],
  method: Process['method'],
): Readonly<Record<string, number>> {
  const gear = useKitchenInUse()?.gear;
  const canner = gear?.canners.find((each) => each.method === method);
  const found = canner && cannerLoads(canner, waiting);
  const [only, ...more] = waiting;
  return found && only && more.length === 0 ? { [only.size]: found.first } : {};
}

function HowToProcess({ process }: { readonly process: Process }) {
  const { formula } = useBatch();
  const gear = useKitchenInUse()?.gear;
  const band = PROCESS_BANDS.find(({ label }) => label === process.band)?.id;
  const row = Object.values(PROCESS_ROWS).find(({ name }) => name === process.row);
  const toCheck = PROCESS_CHECKS.find(({ id }) => id === row?.id);
  const check = toCheck && signedRow(toCheck, gear?.tableChecks);
  // A steam canner's dial has bands of its own; the maker wrote down what theirs shows.
  const mark =
    process.method === 'steam'
      ? gear?.canners.flatMap(({ marks }) => marks).find((each) => each.band === band)?.mark
      : undefined;
  return (
    <>
      <ul className="mt-2 list-disc space-y-1.5 pl-5">
        <li>
          {process.preSterilise
            ? `Jars sterilised first, ${process.sterilise_min} minutes here: this time is too short to do it.`
            : 'Clean hot jars, new lids, bands to fingertip tight.'}
        </li>
        {formula.kind === 'curd' && (
          <li>
            Curd: the jars into water of 82 °C (180 °F), a towel over them, brought up to the boil
            slowly over 25 to 30 minutes.
          </li>
        )}
        <li>
          The time starts {process.startWhen}.
          {mark !== undefined && ` Its own mark for here: “${mark}”.`}
        </li>
        <li>
          Then heat off, lid off away from the face, 5 minutes’ rest. Lift straight up, do not
          retighten, leave 12 to 24 hours.
        </li>
        <li>
          Into the canner within an hour of filling the first jar. Never shorter. A jar that is
          dropped or cracked is thrown away, glass and all.
        </li>
      </ul>
      <p className="mt-2 text-sm text-soft">
        Table: {process.row}, {process.band}. {process.source}
        {check && `, checked against ${check.against} on ${check.on} by ${check.by}`}. Not a tested
        recipe: your extension service or food authority has the last word.
      </p>
    </>
  );
}

interface LoadChoiceProps {
  readonly waiting: readonly JarCount[];
  readonly load: readonly JarCount[];
  readonly onChange: (size: string, count: number) => void;
}

/** Which full jars go into the canner together; the others are a load of their own. */
function LoadChoice({ waiting, load, onChange }: LoadChoiceProps) {
  const { boil } = useBatch();
  const number = boil.processRuns.length + 1;
  return (
    <fieldset className="mt-3 flex flex-wrap items-end gap-3">
      <legend className="text-sm text-soft">Jars in load {number}</legend>
      {waiting.map(({ size, count }) => (
        <label key={size} className="flex items-center gap-2">
          <input
            type="number"
            inputMode="numeric"
            min={0}
            max={count}
            aria-label={`${jarName(size, 2)} in this load`}
            className="input w-20"
            value={load.find((jar) => jar.size === size)?.count ?? 0}
            onChange={(event) =>
              onChange(size, Math.max(0, Math.min(count, Math.floor(Number(event.target.value)))))
            }
          />
          of {jarsOf(String(count), size, count)}
        </label>
      ))}
    </fieldset>
  );
}

/** One load in words: "7 × 340 g jars, 15 min in boiling water, from 18:40". */
function loadWords({ jars, minutes, method, begunAt, isStated }: ProcessRun): string {
  const which = jars?.map(({ size, count }) => jarsOf(String(count), size, count)).join(', ');
  return `${which === undefined ? '' : `${which}: `}${minutes} min ${PROCESS_WORDS[method]}, from ${dates.time(begunAt)}${isStated ? ', stated, not timed' : ''}`;
}

function Processed({ keeping }: { readonly keeping: Keeping }) {
  const { id, boil, formula } = useBatch();
  const formats = useFormats();
  const advice = useKeepingAdvice();
  const entry = boil.log.findLast(
    ({ event, undone }) => event.type === 'processed' && !event.body.again && !undone,
  );
  if (!entry) return null;
  const [first] = keeping.reasons;
  const isShelf = keeping.verdict === 'shelf';
  const { altitude_m } = formula.place;
  return (
    <Notice
      title={isShelf ? 'Processed: for the shelf' : KEEPING_ADVICE_WORDS[advice]}
      tone={isShelf ? 'plain' : 'care'}
      actions={
        <button
          type="button"
          className="btn"
          onClick={() => logEvent(id, 'undo', { eventId: entry.event.id })}
        >
          Undo the processing
        </button>
      }
    >
      <ul>
        {boil.processRuns.map((run) => (
          <li key={run.endedAt}>
            {loadWords(run)}
            {altitude_m !== undefined && `, at ${formats.altitude(altitude_m)}`}.
          </li>
        ))}
      </ul>
      {first && sentence(first.text)}{' '}
      {isShelf &&
        `${sentence(keeping.storage.text)} Press every lid in 12 to 24 hours; above it says what to do with one that has not sealed.`}
    </Notice>
  );
}

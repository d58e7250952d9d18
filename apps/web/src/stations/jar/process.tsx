import { useState } from 'react';
import { PROCESS_BANDS, processClock, type Keeping, MINUTE_MS } from '@idle-kettle/core';
import { useBatch, useBatchNow } from '../../batch/batch-context.js';
import { PROCESS_WORDS } from '../../batch/words.js';
import { logEvent } from '../../data/log-event.js';
import { useKitchenInUse } from '../../data/kitchens.js';
import { useCallOut } from '../../ui/attention.js';
import { useFormats, usePreferences } from '../../ui/preferences.js';
import { Notice } from '../../ui/notice.js';
import { clock } from '../../ui/now.js';
import { capital, sentence } from '../../ui/sentence.js';

/** What the jars are once they were processed. */
const PROCESSED_WORDS: Readonly<Record<Keeping['verdict'], string>> = {
  shelf: 'Processed: for the shelf',
  fridge: 'Processed, yet for the fridge',
  freezer: 'Processed, yet for the fridge',
  stop: 'Processed too short',
};

/**
 * What the filled jars go through, from the published table at the stated altitude, and the record
 * that they did.
 */
export function ProcessOfJars({ keeping }: { readonly keeping: Keeping }) {
  const { boil } = useBatch();
  const [first] = keeping.reasons;
  if (boil.processed) return <Processed keeping={keeping} />;
  if (keeping.process) return <ToProcess process={keeping.process} keeping={keeping} />;
  return (
    <Notice
      title={
        keeping.verdict === 'stop' ? 'Do not keep it this way' : 'For the fridge or the freezer'
      }
      tone="care"
    >
      {first && sentence(first.text)} {sentence(keeping.storage.text)} No process makes these jars
      fit for the shelf.
    </Notice>
  );
}

function ToProcess({
  process,
  keeping,
}: {
  readonly process: NonNullable<Keeping['process']>;
  readonly keeping: Keeping;
}) {
  const { id, boil } = useBatch();
  const { kitchen } = usePreferences();
  const formats = useFormats();
  const gear = useKitchenInUse()?.gear;
  const band = PROCESS_BANDS.find(({ label }) => label === process.band)?.id;
  // A steam canner's dial has bands of its own; the maker wrote down what theirs shows.
  const mark =
    process.method === 'steam'
      ? gear?.canners.flatMap(({ marks }) => marks).find((each) => each.band === band)?.mark
      : undefined;
  const [minutes, setMinutes] = useState('');
  // While the clock runs it is the clock that says; a slip of the thumb must not make the jars fit
  // for the shelf.
  const counted = processClock(boil, process.minutes, useBatchNow());
  const byClock =
    counted.phase === 'running'
      ? Math.floor(counted.minutes - counted.left_ms / MINUTE_MS)
      : Math.max(counted.minutes, process.minutes);
  const ran = minutes === '' ? byClock : Number(minutes);
  const runs = Number.isFinite(ran) && ran >= 1 && ran <= 240;
  const stopped = runs ? `Stopped early, after ${ran} min` : 'It has only begun';
  const through = `The jars went through ${runs ? `${ran} min` : 'it'}`;
  return (
    <section aria-label="Process" className="panel p-4">
      <h2 className="text-xl">Process</h2>
      <p className="mt-1">
        <span className="display text-[40px] leading-none">{process.minutes} min</span>{' '}
        <span className="text-soft">
          {PROCESS_WORDS[process.method]}
          {kitchen.altitude_m !== undefined && `, at ${formats.altitude(kitchen.altitude_m)}`}
        </span>
      </p>
      <ul className="mt-2 list-disc space-y-1.5 pl-5">
        <li>
          {process.preSterilise
            ? `Jars boiled sterile first, ${process.sterilise_min} minutes here: this time is too short to do it.`
            : 'Clean hot jars, new flat lids, lids to fingertip tight.'}
        </li>
        <li>
          The time starts {process.startWhen}.
          {mark !== undefined && ` Its own mark for here: “${mark}”.`}
        </li>
        <li>
          Then heat off, lid off away from the face, 5 minutes’ rest. Lift straight up, do not
          retighten, leave 12 to 24 hours.
        </li>
        <li>Never shorter. {sentence(keeping.storage.text)}</li>
      </ul>
      <p className="mt-2 text-sm text-soft">
        Table: {process.row}, {process.band}. {process.source}. Not a tested recipe: your extension
        service or food authority has the last word.
      </p>
      {boil.jarred.length > 0 && (
        <ProcessTimer minutes={process.minutes} steam={process.method === 'steam'} />
      )}
      <form
        className="mt-3 flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          if (runs)
            logEvent(id, 'processed', {
              method: process.method,
              minutes: ran,
              altitude_m: kitchen.altitude_m ?? null,
            });
        }}
      >
        <label className="flex flex-col gap-1 text-sm text-soft">
          minutes it ran
          <input
            type="number"
            inputMode="numeric"
            min={1}
            max={240}
            className="input w-28 text-base-content"
            placeholder={String(byClock)}
            value={minutes}
            onChange={(event) => setMinutes(event.target.value)}
          />
        </label>
        <button
          type="submit"
          className="btn btn-secondary h-[56px] flex-1"
          disabled={!runs || boil.jarred.length === 0}
        >
          {counted.phase === 'running' && minutes === '' ? stopped : through}
        </button>
      </form>
      {boil.jarred.length === 0 && <p className="mt-1 text-sm text-soft">Count the jars first.</p>}
    </section>
  );
}

/**
 * The time of the process: begun at the right sign, from zero again when the boil is lost, then the
 * rest.
 */
export function ProcessTimer({
  minutes,
  steam,
}: {
  readonly minutes: number;
  readonly steam: boolean;
}) {
  const { id, boil } = useBatch();
  const now = useBatchNow();
  const { phase, left_ms, minutes: whole, lost } = processClock(boil, minutes, now);
  useCallOut({
    code: phase,
    text: phase === 'rest' ? 'Heat off, lid off away from the face' : 'Lift the jars',
  });
  const { begun } = boil.process;
  const begin = (): void => void logEvent(id, 'process-begun', { minutes: whole });
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
            <p className="mb-2 text-watch">The boil was lost: back to it, and from zero again.</p>
          )}
          <button type="button" className="btn btn-primary h-16 w-full text-lg" onClick={begin}>
            {sign}: start the {whole} min
          </button>
        </>
      )}
      {phase === 'running' && (
        <div className="flex flex-wrap items-center justify-between gap-3">
          <div>
            <p className="text-soft">of {whole} min, left</p>
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
            {steam ? 'The steam fell' : 'The boil was lost'}
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
        <div className="flex flex-wrap items-center justify-between gap-3">
          <div>
            <p className="display text-2xl">Lift them straight up</p>
            <p className="text-soft">
              Upright, apart, on wood or a towel; untouched for 12 to 24 hours.
            </p>
          </div>
          <button type="button" className="btn h-14" onClick={begin}>
            Another load: start again
          </button>
        </div>
      )}
    </div>
  );
}

function Processed({ keeping }: { readonly keeping: Keeping }) {
  const { id, boil } = useBatch();
  const formats = useFormats();
  const { processed } = boil;
  const entry = boil.log.findLast(
    ({ event, undone }) => event.type === 'processed' && !event.body.again && !undone,
  );
  if (!processed || !entry) return null;
  const [first] = keeping.reasons;
  const good = keeping.verdict === 'shelf';
  return (
    <Notice
      title={PROCESSED_WORDS[keeping.verdict]}
      tone={good ? 'plain' : 'care'}
      actions={
        <button
          type="button"
          className="btn"
          onClick={() => logEvent(id, 'undo', { eventId: entry.event.id })}
        >
          Take the process back
        </button>
      }
    >
      {processed.minutes} min {PROCESS_WORDS[processed.method]}
      {processed.altitude_m !== null && `, at ${formats.altitude(processed.altitude_m)}`}.{' '}
      {first && sentence(first.text)}{' '}
      {good
        ? `${capital(keeping.storage.text)}. Press every lid in 12 to 24 hours; above it says what to do with one that has not sealed.`
        : 'Keep these jars in the fridge, or process them again in full within 24 hours, with new lids.'}
    </Notice>
  );
}

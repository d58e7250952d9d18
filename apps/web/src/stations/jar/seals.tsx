import { useState } from 'react';
import {
  isSettledUnsealed,
  jarsThatAre,
  processClock,
  sealsOf,
  UNSEALED_PLACES,
  type JarSeal,
  type Seals,
  type UnsealedPlace,
} from '@idle-kettle/core';
import { useBatch, useBatchNow } from '../../batch/batch-context.js';
import { logEvent } from '../../data/log-event.js';
import { outbox } from '../../data/outbox.js';
import { useLotsOf } from '../../data/shelf.js';
import { usePreferences } from '../../ui/preferences.js';
import { jarName, jarsOf } from '../../ui/jar-picture.js';
import { today } from '../../data/clock.js';
import { ProcessTimer } from './process-timer.js';
import { newId } from '../../data/ids.js';
import * as dates from '../../ui/dates.js';

const STATE_WORDS: Readonly<Record<JarSeal['state'], string>> = {
  unknown: 'not pressed yet',
  sealed: 'sealed',
  open: 'not sealed',
  again: 'processed again',
  fridge: 'in the fridge',
  freezer: 'frozen',
  'thrown-out': 'thrown away',
};

const moment = (at: number): string => dates.weekdayDayAndTime(at);

function unsealedWords(place: UnsealedPlace, inTime: boolean): string {
  if (place === 'thrown-out') return 'Thrown away';
  return inTime ? `Into the ${place}` : `It was in the ${place} in time`;
}

/**
 * The lids: left alone while the jars cool, then pressed one by one; what has not sealed is seen to
 * within 24 hours.
 */
export function SealsOfJars({ minutes }: { readonly minutes: number | undefined }) {
  const { boil } = useBatch();
  const now = useBatchNow();
  const seals = sealsOf(boil, now);
  const [early, pressNow] = useState(false);
  if (seals.phase === 'none') return null;
  const waiting = seals.phase === 'cooling' && !early;
  return (
    <section aria-label="Seals" className="panel p-4">
      <h2 className="text-xl">Seals</h2>
      {seals.phase === 'cooling' && seals.dueAt !== undefined && (
        <>
          <p>
            The jars cool untouched. Press the lids from <strong>{moment(seals.dueAt)}</strong> on.
          </p>
          <p className="text-sm text-soft">
            {seals.tooEarly
              ? 'They were pressed before they had cooled: a lid can still go either way, so they are pressed again.'
              : 'A lid can go down, or come up, for twelve hours. Do not retighten the bands.'}
          </p>
          {!early && (
            <button type="button" className="btn mt-2" onClick={() => pressNow(true)}>
              Check anyway
            </button>
          )}
        </>
      )}
      {seals.phase === 'due' && (
        <p className="text-soft">
          Press the middle of each lid. No give: it has sealed. Tap every jar whose lid gives or
          clicks.
        </p>
      )}
      {seals.phase === 'settled' && (
        <p className="text-soft">
          Now the bands off, so that a false seal shows and nothing rusts on; wash the jars, label
          them, and store them cool, dark and dry. A vacuum alone does not prove the food safe.
        </p>
      )}
      {seals.sizes.map(({ size, jars }) => (
        <SizeSeals
          // What was tapped is of these states: it begins anew with what the log says next.
          key={`${size} ${jars.map(({ state }) => state).join(' ')}`}
          size={size}
          jars={jars}
          asks={!waiting && jars.some(({ state }) => state === 'unknown' || state === 'again')}
        />
      ))}
      {seals.sizes.map(({ size }) => {
        const open = jarsThatAre(seals, size, 'open');
        return open.length === 0 ? null : (
          <Open key={size} size={size} jars={open} seals={seals} minutes={minutes} />
        );
      })}
    </section>
  );
}

interface SizeSealsProps {
  readonly size: string;
  readonly jars: readonly JarSeal[];
  /** Some are to be pressed. */
  readonly asks: boolean;
}

/** The jars of one size: a tap for each that is not down, and one word for all. */
function SizeSeals({ size, jars, asks }: SizeSealsProps) {
  const { id } = useBatch();
  const [failed, setFailed] = useState<readonly number[]>(
    jars.flatMap(({ number, state }) => (state === 'open' ? [number] : [])),
  );
  const toggle = (number: number): void =>
    setFailed((was) =>
      was.includes(number) ? was.filter((each) => each !== number) : [...was, number],
    );
  const pressed = jars.filter(({ state }) => !isSettledUnsealed(state));
  const down = pressed.length - failed.length;
  return (
    <div className="mt-3">
      <p className="font-semibold">{jarName(size, 2)}</p>
      <ul className="mt-1 flex flex-wrap gap-2">
        {jars.map(({ number, state }) => {
          const isOpen = asks ? failed.includes(number) : state === 'open';
          const pressed = isOpen ? 'not sealed' : 'down';
          const words = asks && !isSettledUnsealed(state) ? pressed : STATE_WORDS[state];
          const settledTone = state === 'sealed' ? 'text-good' : 'text-soft';
          return (
            <li key={number}>
              <button
                type="button"
                aria-label={`Jar ${number}: ${words}`}
                aria-pressed={isOpen}
                disabled={!asks || isSettledUnsealed(state)}
                className={`btn h-auto min-h-[60px] w-[84px] flex-col gap-0 px-1 py-1.5 disabled:text-base-content ${isOpen ? 'border-2 border-error' : ''}`}
                onClick={() => toggle(number)}
              >
                <span className="text-lg font-bold">{number}</span>{' '}
                <span className={`text-xs ${isOpen ? 'text-bad' : settledTone}`}>{words}</span>
              </button>
            </li>
          );
        })}
      </ul>
      {asks && (
        <button
          type="button"
          className="btn btn-primary mt-2 h-14 w-full text-lg"
          onClick={() => logEvent(id, 'seals', { size, failed: [...failed].sort((a, b) => a - b) })}
        >
          {failed.length === 0
            ? `All ${pressed.length} are down`
            : `${down} down, ${failed.length} not`}
        </button>
      )}
    </div>
  );
}

interface OpenProps {
  readonly size: string;
  readonly jars: readonly number[];
  readonly seals: Seals;
  readonly minutes: number | undefined;
}

/** Jars whose lids are not down: processed again in full while there is time, or into the cold. */
function Open({ size, jars, seals: { reprocessUntil = 0 }, minutes }: OpenProps) {
  const { id, boil } = useBatch();
  const { kitchen } = usePreferences();
  const now = useBatchNow();
  const { lots } = useLotsOf(id);
  const [again, setAgain] = useState(false);
  const inTime = now <= reprocessUntil;
  const whole = Math.max(minutes ?? 0, boil.processed?.minutes ?? 0);
  const clock = processClock(boil, whole, now);
  const ran = clock.phase === 'rest' || clock.phase === 'over';
  const check = boil.log.findLast(
    ({ event, undone }) =>
      !undone && event.type === 'seals' && event.body.size === size && event.body.failed.length > 0,
  );
  const put = (kept: UnsealedPlace): void => {
    logEvent(id, 'unsealed', { size, jars, kept });
    // On the list too, from wherever the jars of this size stand.
    let left = jars.length;
    for (const lot of lots) {
      if (lot.size !== size || lot.partFill !== null || lot.keptIn !== null) continue;
      const count = Math.min(lot.count, left);
      if (count <= 0) continue;
      left -= count;
      const at = today().toISOString();
      if (kept === 'thrown-out')
        void outbox.addMove(lot.id, {
          id: newId(),
          change: -count,
          reason: 'discarded',
          note: 'did not seal',
          at,
        });
      else
        void outbox.addTransfer(lot.id, {
          id: newId(),
          arrivalId: newId(),
          to: newId(),
          count,
          keptIn: kept,
          place: '',
          at,
        });
    }
  };
  return (
    <div
      role="group"
      aria-label={`Not sealed: ${jarName(size, 2)}`}
      className="mt-3 rounded-[12px] border-2 border-error p-3"
    >
      <p className="text-lg font-semibold">
        {jarsOf(String(jars.length), size, jars.length)} not sealed:{' '}
        {jars.length === 1 ? 'jar' : 'jars'} {jars.join(', ')}
      </p>
      {inTime ? (
        <p className="text-soft">
          Until {moment(reprocessUntil)}: heat it up again, into a clean hot jar with a new lid and
          a clean rim, and the whole process once more. Look for a nick in the rim first.
        </p>
      ) : (
        <p className="text-watch">
          More than 24 hours have gone since the process: it is not processed again. If it stood at
          room temperature, throw it away without tasting; the fridge or freezer only for a jar that
          was put there in time.
        </p>
      )}
      {again && inTime && (
        <>
          <ProcessTimer minutes={whole} steam={boil.processed?.method === 'steam'} />
          <button
            type="button"
            className="btn btn-secondary mt-2 h-14 w-full"
            disabled={!ran}
            onClick={() => {
              logEvent(id, 'processed', {
                method: boil.processed?.method ?? 'boiling-water',
                minutes: whole,
                altitude_m: kitchen.altitude_m ?? null,
                again: { size, jars },
              });
              setAgain(false);
            }}
          >
            {ran
              ? `They went through the ${whole} min again`
              : `The whole ${whole} min, on the clock above`}
          </button>
        </>
      )}
      <div className="mt-2 flex flex-wrap gap-2">
        {inTime && !again && (
          <button
            type="button"
            className="btn btn-secondary h-14 flex-1"
            onClick={() => setAgain(true)}
          >
            Process again, {whole} min
          </button>
        )}
        {check && (
          <button
            type="button"
            className="btn btn-ghost h-14"
            onClick={() => logEvent(id, 'undo', { eventId: check.event.id })}
          >
            By mistake: undo
          </button>
        )}
        {UNSEALED_PLACES.map((kept) => (
          <button key={kept} type="button" className="btn h-14 flex-1" onClick={() => put(kept)}>
            {unsealedWords(kept, inTime)}
          </button>
        ))}
      </div>
    </div>
  );
}

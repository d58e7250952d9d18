import { useState } from 'react';
import { HOUR_MS, MINUTE_MS, processClock, type Process } from '@idle-kettle/core';
import { timeOfBatch, useBatch, useBatchNow } from '../../batch/batch-context.js';

/** What the clock saw, as a record: whole, or stopped early. Nothing after a lost boil. */
export function ClockedProcess({
  minutes,
  onRan,
}: {
  readonly minutes: number;
  readonly onRan: (minutes: number) => void;
}) {
  const { boil } = useBatch();
  const counted = processClock(boil, minutes, useBatchNow());
  if (counted.phase === 'waiting') return null;
  if (counted.phase === 'running') {
    const ran = Math.floor(counted.minutes - counted.left_ms / MINUTE_MS);
    return ran < 1 ? (
      <p className="mt-2 text-sm text-soft">It can be recorded once a minute has run.</p>
    ) : (
      <button type="button" className="btn btn-ghost mt-2 w-full" onClick={() => onRan(ran)}>
        Stopped early, after {ran} min
      </button>
    );
  }
  return (
    <button
      type="button"
      className="btn btn-secondary mt-3 h-[56px] w-full"
      onClick={() => onRan(counted.minutes)}
    >
      The jars went through {counted.minutes} min
    </button>
  );
}

/** The moment of today at a time of day; of yesterday where that is still to come. */
function momentAt(time: string, now: number): number {
  const [hours = 0, minutes = 0] = time.split(':').map(Number);
  const at = new Date(now);
  at.setHours(hours, minutes, 0, 0);
  return at.getTime() > now ? at.getTime() - 24 * HOUR_MS : at.getTime();
}

/** A process that no clock here counted: stated with its start. */
export function StatedProcess({
  process,
  onRan,
}: {
  readonly process: Process;
  readonly onRan: (minutes: number, startedAt: number) => void;
}) {
  const { boil } = useBatch();
  const [time, setTime] = useState('');
  const [minutes, setMinutes] = useState('');
  const ran = minutes === '' ? process.minutes : Number(minutes);
  const now = timeOfBatch(boil);
  const startedAt = time === '' ? undefined : momentAt(time, now);
  const isOver = startedAt !== undefined && startedAt + ran * MINUTE_MS <= now;
  const isRight = Number.isFinite(ran) && ran >= 1 && ran <= 240 && isOver;
  return (
    <details className="mt-3">
      <summary className="min-h-[44px] cursor-pointer pt-2 underline">
        Processed without this clock
      </summary>
      <form
        className="mt-1 flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          if (isRight) onRan(ran, startedAt);
        }}
      >
        <label className="flex flex-col gap-1 text-sm text-soft">
          full boil from
          <input
            type="time"
            className="input w-32 text-base-content"
            value={time}
            onChange={(event) => setTime(event.target.value)}
          />
        </label>
        <label className="flex flex-col gap-1 text-sm text-soft">
          minutes it ran
          <input
            type="number"
            inputMode="numeric"
            min={1}
            max={240}
            className="input w-28 text-base-content"
            placeholder={String(process.minutes)}
            value={minutes}
            onChange={(event) => setMinutes(event.target.value)}
          />
        </label>
        <button type="submit" className="btn h-[56px] flex-1" disabled={!isRight}>
          Record: {ran} min{time !== '' && ` from ${time}`}
        </button>
        {time !== '' && !isOver && (
          <p role="alert" className="w-full text-sm text-bad">
            {ran} min from {time} are not over yet.
          </p>
        )}
        <p className="w-full text-sm text-soft">It will read “stated, not timed”.</p>
      </form>
    </details>
  );
}

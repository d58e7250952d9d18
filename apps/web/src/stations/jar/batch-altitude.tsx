import { useState } from 'react';
import { ALTITUDE_RANGE_M, parseMeasure } from '@idle-kettle/core';
import { useBatch } from '../../batch/batch-context.js';
import { logEvent } from '../../data/log-event.js';
import { useFormats, usePreferences } from '../../ui/preferences.js';

/**
 * The altitude a batch is made at. It is fixed when the pan goes on; a correction is logged, and once
 * jars are filled only a higher one counts.
 */
export function BatchAltitude() {
  const { id, formula, boil } = useBatch();
  const formats = useFormats();
  const { units } = usePreferences();
  const [text, setText] = useState<string>();
  const { altitude_m } = formula.place;
  if (boil.startedAt === undefined) return null;
  const read =
    text === undefined
      ? undefined
      : parseMeasure('length', text, '.', units === 'metric' ? 'm' : 'ft');
  const isRight =
    read?.ok && read.value >= ALTITUDE_RANGE_M.least && read.value <= ALTITUDE_RANGE_M.most;
  if (text === undefined)
    return (
      <p className="mt-2 text-sm text-soft">
        {altitude_m === undefined
          ? 'The altitude of this batch is not entered.'
          : `Made at ${formats.altitude(altitude_m)}, whatever kitchen is open.`}{' '}
        <button type="button" className="link min-h-[44px]" onClick={() => setText('')}>
          {altitude_m === undefined ? 'Enter the altitude' : 'Correct it'}
        </button>
      </p>
    );
  return (
    <form
      className="mt-2 flex flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (!read?.ok || !isRight) return;
        logEvent(id, 'altitude', { altitude_m: Math.round(read.value) });
        setText(undefined);
      }}
    >
      <label className="flex flex-col gap-1 text-sm text-soft">
        altitude this batch is made at
        <input
          autoFocus
          className="input w-36 text-base-content"
          value={text}
          placeholder={formats.altitude(1200)}
          onChange={(event) => setText(event.target.value)}
        />
      </label>
      <button type="submit" className="btn" disabled={!isRight}>
        Save altitude
      </button>
      <button type="button" className="btn btn-ghost" onClick={() => setText(undefined)}>
        Cancel
      </button>
      {text !== '' && !isRight && (
        <p role="alert" className="w-full text-sm text-bad">
          {read && !read.ok
            ? read.message
            : `Write an altitude from ${formats.altitude(ALTITUDE_RANGE_M.least)} to ${formats.altitude(ALTITUDE_RANGE_M.most)}.`}
        </p>
      )}
      {boil.jarred.length > 0 && (
        <p className="w-full text-sm text-soft">
          Jars are filled: a higher altitude counts, a lower one no longer does.
        </p>
      )}
    </form>
  );
}

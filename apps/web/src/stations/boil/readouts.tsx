import { format } from 'date-fns';
import type { ReactNode } from 'react';
import { timeOnHeat_ms, type Boil } from '@idle-kettle/core';
import { useFormats } from '../../ui/habit.js';
import { clock, useNow } from '../../ui/now.js';

function Readout({
  name,
  tone = '',
  children,
}: {
  readonly name: string;
  readonly tone?: string;
  readonly children: ReactNode;
}) {
  return (
    <div className="min-w-0">
      <p className="text-soft">{name}</p>
      <p className={`text-[38px] leading-tight font-bold sm:text-[46px] ${tone}`}>{children}</p>
    </div>
  );
}

const DAY_MS = 24 * 3_600_000;

interface ReadoutsProps {
  readonly boil: Boil;
  /** Where to stop, or about where the finish will be when something else tells. */
  readonly gel_C: number;
  /** What tells the finish: "stop at 100.5 °C", "stop when it mounds on a spoon". */
  readonly stop: { readonly lead: string; readonly words: string };
  readonly byTemperature: boolean;
}

/** The figures one looks for from two metres: time on the heat, now, what is missing. */
export function Readouts({ boil, gel_C, stop, byTemperature }: ReadoutsProps) {
  const now = useNow();
  const formats = useFormats();
  const line = byTemperature ? 'gel line' : 'finish';
  const last = boil.readings.at(-1);
  const missing = last ? gel_C - last.temperature_C : undefined;
  const elapsed = timeOnHeat_ms(boil, now);
  const minuteLeft = boil.minute && boil.phase === 'on-heat' ? boil.minute.endsAt - now : 0;
  const ago = last ? Math.max(Math.floor((now - last.at) / 60_000), 0) : 0;
  return (
    <section
      aria-label="Where it stands"
      className="panel grid h-full grid-cols-2 content-between gap-x-4 gap-y-2 p-4"
    >
      <div className="col-span-2">
        <p className="text-soft">
          {minuteLeft > 0
            ? 'of the hard minute, left'
            : boil.phase === 'off-heat'
              ? 'on the heat, standing'
              : boil.phase === 'done'
                ? 'was on the heat'
                : 'on the heat'}
        </p>
        <p
          role="timer"
          className={`display text-[58px] leading-none sm:text-[76px] ${minuteLeft > 0 ? 'text-watch' : ''}`}
        >
          {minuteLeft > 0
            ? clock(minuteLeft + 999)
            : elapsed > DAY_MS && boil.startedAt !== undefined
              ? `since ${format(boil.startedAt, 'd MMM')}`
              : clock(elapsed)}
        </p>
      </div>
      <Readout
        name={
          last
            ? boil.phase === 'done' || ago > 90
              ? 'last reading'
              : ago === 0
                ? 'now'
                : `${ago} min ago`
            : 'no reading yet'
        }
      >
        {last ? formats.degrees(last.temperature_C) : '–'}
      </Readout>
      <Readout
        name={missing !== undefined && missing <= 0 ? line : `to the ${line}`}
        tone={missing !== undefined && missing <= 0 ? 'text-good' : 'text-secondary'}
      >
        {missing === undefined ? '–' : missing <= 0.05 ? 'reached' : formats.difference(missing)}
      </Readout>
      <p className="col-span-2 text-soft">
        {byTemperature ? 'stop at' : stop.lead}{' '}
        <strong className="text-base-content">
          {byTemperature ? formats.temperature(gel_C) : stop.words}
        </strong>
        {byTemperature ? ' on this thermometer' : `, near ${formats.temperature(gel_C)}`}
        {boil.boilingPoint_C !== undefined && (
          <> · water boils at {formats.temperature(boil.boilingPoint_C)}</>
        )}
      </p>
    </section>
  );
}

import { format } from 'date-fns';
import type { ReactNode } from 'react';
import { timeOnHeat_ms, type Boil, type WatchedBoil, MINUTE_MS, DAY_MS } from '@idle-kettle/core';
import { useFormats } from '../../ui/preferences.js';
import { useBatchNow } from '../../batch/batch-context.js';
import { clock } from '../../ui/now.js';

function Readout({
  name,
  tone = '',
  isWord = false,
  children,
}: {
  readonly name: string;
  readonly tone?: string;
  /** A word is wider than a number, and as high as fits. */
  readonly isWord?: boolean;
  readonly children: ReactNode;
}) {
  return (
    <div className="min-w-0">
      <p className="text-soft">{name}</p>
      <p
        className={`leading-tight font-bold ${isWord ? 'text-[32px]' : 'text-[38px] sm:text-[46px]'} ${tone}`}
      >
        {children}
      </p>
    </div>
  );
}

/**
 * "5 to 8 min", "about there", "50 min to 2.5 h", "3 to 5 h", "not at this heat": what is left by now,
 * since it was worked out a moment ago.
 * @param now by the batch's clock
 */
export function timeLeft(watched: WatchedBoil | undefined, now: number): string | undefined {
  if (!watched) return undefined;
  if (watched.forecast.isOutOfReach) return 'not at this heat';
  const since_s = Math.max(now - watched.now, 0) / 1000;
  const { low, high } = watched.forecast.left_s;
  const [least, most] = [Math.max(low - since_s, 0) / 60, Math.max(high - since_s, 0) / 60];
  if (most < 1) return 'about there';
  if (most < IN_HOURS_FROM_MIN) return `${Math.floor(least)} to ${Math.ceil(most)} min`;
  const to = `${Math.ceil(most / HALF_HOUR_MIN) / 2} h`;
  if (least < 60) return `${Math.floor(least)} min to ${to}`;
  return `${Math.floor(least / HALF_HOUR_MIN) / 2} to ${to}`;
}

/** Times from here on are told in hours, to the half. */
const IN_HOURS_FROM_MIN = 120;
const HALF_HOUR_MIN = 30;

/** Nearer to its line than this a reading has reached it, K. */
const REACHED_K = 0.05;

interface ReadoutsProps {
  readonly boil: Boil;
  /** Where to stop, or about where the finish will be when something else tells. */
  readonly gel_C: number;
  /** What tells the finish: "stop at 100.5 °C", "stop when it mounds on a spoon". */
  readonly stop: { readonly lead: string; readonly words: string };
  readonly byTemperature: boolean;
  /** What tells the time left, where it can be told. */
  readonly watched: WatchedBoil | undefined;
  /** Where the egg curdles, for a curd. */
  readonly curdles_C: number | undefined;
}

const PHASE_HEADS: Readonly<Record<Boil['phase'], string>> = {
  cold: 'on the heat',
  'on-heat': 'on the heat',
  paused: 'on the heat, put off now',
  'off-heat': 'on the heat, standing',
  done: 'was on the heat',
};

/** What the large clock counts: the hard minute, the time left, or the time on the heat. */
function headOf(phase: Boil['phase'], minuteLeft_ms: number, timeLeft: string | undefined): string {
  if (minuteLeft_ms > 0) return 'of the hard minute, left';
  return timeLeft === undefined ? PHASE_HEADS[phase] : 'time left';
}

/** A reading older than this is stale near the end; and what is near it, s. */
const STALE_MS = 2 * MINUTE_MS;
const NEAR_END_S = 5 * 60;

/** How old the last reading is, min. */
function ageOf(ago: number, phase: Boil['phase']): string {
  if (phase === 'done' || ago > 90) return 'last reading';
  return ago === 0 ? 'now' : `${ago} min ago`;
}

/** The figures one looks for from two metres: time on the heat, now, what is missing. */
export function Readouts({ boil, gel_C, stop, byTemperature, watched, curdles_C }: ReadoutsProps) {
  const now = useBatchNow();
  const formats = useFormats();
  const line = byTemperature ? 'setting point' : 'finish';
  const last = boil.readings.at(-1);
  const missing = last ? gel_C - last.temperature_C : undefined;
  const elapsed = timeOnHeat_ms(boil, now);
  const told = boil.phase === 'on-heat' ? timeLeft(watched, now) : undefined;
  const minuteLeft = boil.minute && boil.phase === 'on-heat' ? boil.minute.endsAt - now : 0;
  const onHeat =
    elapsed > DAY_MS && boil.startedAt !== undefined
      ? `since ${format(boil.startedAt, 'd MMM')}`
      : `${clock(elapsed)}${told !== undefined ? ' on the heat' : ''}`;
  const distance = (kelvin: number): string =>
    kelvin <= REACHED_K ? 'reached' : formats.difference(kelvin);
  // Near the end it climbs fast: a forecast from an old reading fades.
  const isStale =
    last !== undefined &&
    now - last.at > STALE_MS &&
    (watched?.forecast.left_s.mid ?? Infinity) < NEAR_END_S;
  const ago = last ? Math.max(Math.floor((now - last.at) / MINUTE_MS), 0) : 0;
  return (
    <section
      aria-label="Where it stands"
      className="panel grid h-full grid-cols-2 content-between gap-x-4 gap-y-2 p-4"
    >
      <div className="col-span-2">
        <p className="text-soft">{headOf(boil.phase, minuteLeft, told)}</p>
        {told !== undefined && minuteLeft <= 0 && (
          <p
            aria-label={`Time left: ${told}`}
            className={`display text-[44px] leading-[1.05] sm:text-[54px] ${isStale ? 'opacity-50' : ''}`}
          >
            {told}
          </p>
        )}
        <p
          role="timer"
          aria-label="on the heat"
          className={
            told !== undefined && minuteLeft <= 0
              ? 'mt-1 text-soft'
              : `display text-[58px] leading-none sm:text-[76px] ${minuteLeft > 0 ? 'text-watch' : ''}`
          }
        >
          {minuteLeft > 0 ? clock(minuteLeft + 999) : onHeat}
        </p>
      </div>
      <Readout name={last ? ageOf(ago, boil.phase) : 'no reading yet'}>
        {last ? formats.degrees(last.temperature_C) : '–'}
      </Readout>
      <Readout
        name={missing !== undefined && missing <= 0 ? line : `to the ${line}`}
        tone={missing !== undefined && missing <= 0 ? 'text-good' : 'text-secondary'}
        isWord={missing !== undefined && missing <= REACHED_K}
      >
        {missing === undefined ? '–' : distance(missing)}
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
        {curdles_C !== undefined && (
          <>
            {' '}
            · <span className="text-bad">it curdles from {formats.temperature(curdles_C)}</span>
          </>
        )}
      </p>
    </section>
  );
}

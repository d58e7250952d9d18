import { DAY_MS, timeOnHeat_ms, type Boil, type WatchedBoil } from '@idle-kettle/core';
import { useBatch, useBatchNow } from '../../batch/batch-context.js';
import { useIsLongCook } from '../../batch/cooking-place.js';
import { clock } from '../../ui/now.js';
import { useFormats } from '../../ui/preferences.js';
import { ageWords, isStaleForecast, timeLeft } from '../../batch/time-left.js';
import * as dates from '../../ui/dates.js';

/** One figure beside the time left. */
export interface StoveFigure {
  readonly name: string;
  readonly value: string;
  /** How it looks: reached, still to go, or neither. */
  readonly tone: 'good' | 'to-go' | 'plain';
}

/** What is read from afar at the stove. */
export interface StoveFigures {
  /** What the large figure is: "time left", "on the heat", "1-minute boil, remaining". */
  readonly head: string;
  readonly large: string;
  /** The large figure counts down a timed minute. */
  readonly isMinute: boolean;
  /** What the large figure is where it is a forecast. */
  readonly left: string | undefined;
  /** How long on the heat. */
  readonly onHeat: string;
  /** The forecast rests on a reading that is too old. */
  readonly isStale: boolean;
  /** How it is now, and what is to go. */
  readonly figures: readonly [StoveFigure, StoveFigure];
}

const PHASE_HEADS: Readonly<Record<Boil['phase'], string>> = {
  cold: 'on the heat',
  'on-heat': 'on the heat',
  paused: 'on the heat, paused now',
  'off-heat': 'on the heat, off it now',
  done: 'was on the heat',
};

/** Nearer to its line than this a reading has reached it, K. */
const REACHED_K = 0.05;

/** The figures one looks for from across the kitchen, of a boil or of a long cook. */
export function useStoveFigures(
  watched: WatchedBoil | undefined,
  line: { readonly at_C: number; readonly name: string },
): StoveFigures {
  const { boil } = useBatch();
  const now = useBatchNow();
  const isLongCook = useIsLongCook();
  const ofBoil = useBoilFigures(line, now);
  const ofCook = useCookFigures(watched);
  const left = boil.phase === 'on-heat' ? timeLeft(watched, now) : undefined;
  const elapsed_ms = timeOnHeat_ms(boil, now);
  const onHeat =
    elapsed_ms > DAY_MS && boil.startedAt !== undefined
      ? `since ${dates.dayAndMonth(boil.startedAt)}`
      : clock(elapsed_ms);
  const minute_ms = boil.minute && boil.phase === 'on-heat' ? boil.minute.endsAt - now : 0;
  const isMinute = minute_ms > 0;
  return {
    ...headOf(boil.phase, isMinute ? clock(minute_ms + 999) : undefined, left, onHeat),
    isMinute,
    left: isMinute ? undefined : left,
    onHeat,
    isStale: left !== undefined && isStaleForecast(boil, watched, now),
    figures: isLongCook ? ofCook : ofBoil,
  };
}

function headOf(
  phase: Boil['phase'],
  minute: string | undefined,
  left: string | undefined,
  onHeat: string,
): Pick<StoveFigures, 'head' | 'large'> {
  if (minute !== undefined) return { head: '1-minute boil, remaining', large: minute };
  if (left !== undefined) return { head: 'time left', large: left };
  return { head: PHASE_HEADS[phase], large: onHeat };
}

/** What the thermometer says, and what it has to climb. */
function useBoilFigures(
  line: { readonly at_C: number; readonly name: string },
  now: number,
): readonly [StoveFigure, StoveFigure] {
  const { boil } = useBatch();
  const formats = useFormats();
  const last = boil.readings.at(-1);
  if (!last)
    return [
      { name: 'no reading yet', value: '–', tone: 'plain' },
      { name: `to ${formats.temperature(line.at_C)}`, value: '–', tone: 'to-go' },
    ];
  const missing_K = line.at_C - last.temperature_C;
  const isPast = missing_K <= 0;
  return [
    {
      name: ageWords(last.at, now, boil.phase === 'done'),
      value: formats.degrees(last.temperature_C),
      tone: 'plain',
    },
    {
      name: isPast ? line.name : `to ${formats.temperature(line.at_C)}`,
      value: missing_K <= REACHED_K ? 'reached' : formats.difference(missing_K),
      tone: isPast ? 'good' : 'to-go',
    },
  ];
}

/** What is in the pan of a long cook, and what it has still to lose. */
function useCookFigures(watched: WatchedBoil | undefined): readonly [StoveFigure, StoveFigure] {
  const { boil, balance, formula } = useBatch();
  const formats = useFormats();
  const mass_kg = watched?.forecast.now.mass_kg ?? balance?.massIn_kg.mid;
  const finish_kg = watched?.finishMass_kg ?? balance?.finish.mass_kg.mid;
  const isByClock = formula.stages.length > 0 && formula.stages.at(-1)?.end.type === 'time';
  const isKnown = mass_kg !== undefined && finish_kg !== undefined && boil.phase !== 'done';
  return [
    {
      name: 'in the pan now, about',
      value: mass_kg === undefined ? '–' : formats.mass(mass_kg),
      tone: 'plain',
    },
    {
      name: isByClock ? 'will still lose' : 'still to lose',
      value: isKnown ? formats.mass(Math.max(mass_kg - finish_kg, 0)) : '–',
      tone: 'to-go',
    },
  ];
}

import { format } from 'date-fns';
import { isWithin, type BatchOutcome, type ForecastResult, type Range } from '@idle-kettle/core';
import { SET_WORDS } from '../../batch/words.js';
import type { Formats } from '../../ui/habit.js';
import type { Told } from './use-told.js';

/**
 * One thing that was planned and happened, in words; `off` where it went differently than was
 * expected.
 */
export interface OutcomeRow {
  readonly name: string;
  readonly planned: string;
  readonly happened: string;
  readonly off: boolean;
  /** To be drawn, where both are known. */
  readonly bar: ForecastResult | undefined;
}

const NOTHING = '—';
const foretelling = ({ planned, actual }: BatchOutcome['boil']): ForecastResult | undefined =>
  planned === undefined || actual === undefined ? undefined : { planned, actual };
const minutes = (value: number): string => `${Math.round(value)} min`;
const span = ({ low, high }: Range): string =>
  Math.round(low) === Math.round(high) ? minutes(high) : `${Math.round(low)}–${minutes(high)}`;
/** A number and its unit on one line. */
const together = (text: string): string => text.replaceAll(' ', '\u00a0');
/** Further from where it was meant to stop than a thermometer is read, K. */
const READ_K = 0.5;

/** What was planned of a batch against what happened. */
export function outcomeRows(
  { stop, boil, yield_ml, seals }: BatchOutcome,
  formats: Formats,
): OutcomeRow[] {
  const [inJars, atTheBoil] = [foretelling(yield_ml), foretelling(boil)];
  return [
    {
      name: 'stopped at',
      planned: stop.planned_C === undefined ? NOTHING : formats.temperature(stop.planned_C),
      happened: stop.actual_C === undefined ? NOTHING : formats.temperature(stop.actual_C),
      off:
        stop.planned_C !== undefined &&
        stop.actual_C !== undefined &&
        Math.abs(stop.planned_C - stop.actual_C) > READ_K,
      bar: undefined,
    },
    {
      name: 'at the boil',
      planned: boil.planned === undefined ? NOTHING : span(boil.planned),
      happened: boil.actual === undefined ? NOTHING : minutes(boil.actual),
      off: atTheBoil !== undefined && !isWithin(atTheBoil),
      bar: atTheBoil,
    },
    {
      name: 'in jars',
      planned:
        yield_ml.planned === undefined
          ? NOTHING
          : `${together(formats.volume(yield_ml.planned.low))} to ${together(formats.volume(yield_ml.planned.high))}`,
      happened: yield_ml.actual === undefined ? NOTHING : formats.volume(yield_ml.actual),
      off: inJars !== undefined && !isWithin(inJars),
      bar: inJars,
    },
    {
      name: 'sealed',
      planned: seals.jars === 0 ? NOTHING : `all ${seals.jars}`,
      happened:
        seals.jars === 0
          ? NOTHING
          : seals.sealed + seals.failed === 0
            ? 'not pressed'
            : `${seals.sealed}${seals.failed > 0 ? `, ${seals.failed} not` : ''}`,
      off: seals.failed > 0,
      bar: undefined,
    },
  ];
}

/** What was judged and said of it. */
export const saidRows = ({
  outcome: { tests, notes, score },
}: Told): { readonly name: string; readonly text: string }[] => [
  ...tests.map(({ at, way, verdict }) => ({
    name: `${format(at, 'HH:mm')}, ${way}`,
    text: verdict,
  })),
  ...notes.map(({ at, text }) => ({ name: format(at, 'd MMM, HH:mm'), text })),
  ...(score
    ? [{ name: 'opened', text: `set ${SET_WORDS[score.set + 2] ?? ''}, taste ${score.taste} of 5` }]
    : []),
];

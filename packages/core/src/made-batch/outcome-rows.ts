import type { Range } from '../range/index.js';
import { forecastResult, isWithin, type BatchOutcome, type ForecastResult } from './outcome.js';

/** One thing that was planned and happened, in words; undefined where it is not known. */
export interface OutcomeRow {
  readonly name: string;
  readonly planned: string | undefined;
  readonly happened: string | undefined;
  /** It went differently than was expected. */
  readonly isOff: boolean;
  /** To be drawn, where both are known. */
  readonly forecast: ForecastResult | undefined;
}

/** How the person has measures written. */
export interface OutcomeFormats {
  readonly temperature: (temperature_C: number) => string;
  readonly volume: (volume_ml: number) => string;
}

/** Further from where it was meant to stop than a thermometer is read, K. Common practice. */
const READ_TO_K = 0.5;

const ifKnown = <T>(value: T | undefined, write: (value: T) => string): string | undefined =>
  value === undefined ? undefined : write(value);

const minutes = (value: number): string => `${Math.round(value)} min`;
const minutesSpan = ({ low, high }: Range): string =>
  Math.round(low) === Math.round(high) ? minutes(high) : `${Math.round(low)} to ${minutes(high)}`;

function stopRow({ stop }: BatchOutcome, { temperature }: OutcomeFormats): OutcomeRow {
  const { planned_C, actual_C } = stop;
  return {
    name: 'stopped at',
    planned: ifKnown(planned_C, temperature),
    happened: ifKnown(actual_C, temperature),
    isOff:
      planned_C !== undefined &&
      actual_C !== undefined &&
      Math.abs(planned_C - actual_C) > READ_TO_K,
    forecast: undefined,
  };
}

function boilRow({ boil }: BatchOutcome): OutcomeRow {
  const forecast = forecastResult(boil);
  return {
    name: 'at the boil',
    planned: ifKnown(boil.planned, minutesSpan),
    happened: ifKnown(boil.actual, minutes),
    isOff: forecast !== undefined && !isWithin(forecast),
    forecast,
  };
}

function yieldRow({ yield_ml }: BatchOutcome, { volume }: OutcomeFormats): OutcomeRow {
  const forecast = forecastResult(yield_ml);
  const span = ({ low, high }: Range): string =>
    volume(low) === volume(high) ? volume(high) : `${volume(low)} to ${volume(high)}`;
  return {
    name: 'in jars',
    planned: ifKnown(yield_ml.planned, span),
    happened: ifKnown(yield_ml.actual, volume),
    isOff: forecast !== undefined && !isWithin(forecast),
    forecast,
  };
}

function sealsRow({ seals: { jars, sealed, failed } }: BatchOutcome): OutcomeRow {
  const pressed = failed > 0 ? `${sealed}, ${failed} not` : `${sealed}`;
  const happened = sealed + failed === 0 ? 'not pressed' : pressed;
  return {
    name: 'sealed',
    planned: jars === 0 ? undefined : `all ${jars}`,
    happened: jars === 0 ? undefined : happened,
    isOff: failed > 0,
    forecast: undefined,
  };
}

/** What was planned of a batch against what happened, in words. */
export const outcomeRows = (outcome: BatchOutcome, formats: OutcomeFormats): OutcomeRow[] => [
  stopRow(outcome, formats),
  boilRow(outcome),
  yieldRow(outcome, formats),
  sealsRow(outcome),
];

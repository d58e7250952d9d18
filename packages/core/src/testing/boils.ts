import type { Range } from '../range/index.js';
import { saturationTemperature_C, standardPressure_kPa } from '../water/index.js';
import { BoilingCurve, simulateBoil, type PotState, type Simulation } from '../thermal/index.js';
import {
  forecast,
  type Forecast,
  type ForecastInput,
  type Observation,
} from '../forecast/index.js';
import { seeded } from '../random/index.js';

/** One made-up kitchen and pot whose truth differs from the model that is fitted to it. */
export interface TrialBoil {
  readonly seed: number;
  readonly start: PotState;
  readonly pressure_kPa: number;
  readonly net_W: number;
  readonly offset_K: number;
  readonly drift_KPerH: number;
  readonly truth: Simulation;
  /** When the thermometer, without its noise, reaches the gel line. */
  readonly done_s: number;
  readonly input: Omit<ForecastInput, 'observations' | 'now_s'>;
}

/** Readings are 30 s apart with 0.3 C of noise; the heat wanders by 5 %. */
const READ_EVERY_S = 30;
const NOISE_K = 0.3;
const FLUCTUATION = 0.05;

/**
 * The boils of the trial: kitchens and seeds are fixed by the number alone, before any forecast is
 * run. The truth has a curve of sucrose of its own, weather the cook does not know, a thermometer
 * with offset and drift, amounts a few per cent from those written, and another inversion rate (by
 * its pH).
 */
export function trialBoil(seed: number): TrialBoil {
  const random = seeded(seed);
  const between = (low: number, high: number): number => low + (high - low) * random.uniform();
  const fruit = between(0.7, 3);
  const sugar = fruit * between(0.65, 1.1);
  const water = fruit * between(0, 0.3);
  const fruitSolids = between(0.08, 0.15);
  const soluble = sugar + fruit * fruitSolids;
  const insoluble = fruit * between(0.015, 0.045);
  const start: PotState = {
    soluble,
    insoluble,
    water: fruit + sugar + water - soluble - insoluble,
    invertShare: (fruit * fruitSolids * 0.8) / soluble,
    temperature_C: between(55, 75),
  };
  const altitude = between(0, 2500);
  const known = standardPressure_kPa(altitude);
  const pressure = known + random.normal() * 0.8;
  const net_W = between(1000, 2300);
  const offset = random.normal() * 0.35;
  const drift = random.normal() * 0.4;
  const pH = between(2.9, 3.6);
  const curve = BoilingCurve.solved(pressure, between(-0.1, 1.1));
  const target = saturationTemperature_C(pressure) + offset + 40 / 9;
  const truth = simulateBoil(
    start,
    { curve, diameter_m: between(0.22, 0.34), pH },
    {
      net_W: () => net_W,
      fluctuation: FLUCTUATION,
      instruments: {
        noise_K: NOISE_K,
        offset_K: offset,
        drift_KPerH: drift,
        scaleNoise_kg: 0.01,
        brixNoise_percent: 0.5,
      },
      seed: seed + 100_000,
      readEvery_s: READ_EVERY_S,
      until: (state, time) => state.temperature_C + offset + (drift * time) / 3600 >= target,
    },
  );
  // What the cook believes: amounts a little off, the usual fruit, the pressure of the altitude,
  // the kitchen's usual heat.
  const written = 1 + random.normal() * 0.02;
  const believed = sugar * written + fruit * 0.115;
  return {
    seed,
    start,
    pressure_kPa: pressure,
    net_W,
    offset_K: offset,
    drift_KPerH: drift,
    truth,
    done_s: truth.end_s,
    input: {
      start: {
        ...start,
        soluble: believed,
        insoluble: fruit * 0.03,
        water: fruit + sugar + water - believed - fruit * 0.03,
        invertShare: (fruit * 0.115 * 0.8) / believed,
      },
      startDoubt: 0.06,
      pressure_kPa: known,
      pH: 3.25,
      net_W: { low: 950, mid: 1550, high: 2500 },
      // The cook boiled water with this thermometer today: its error and the weather's are known
      // together.
      offset_K: around(target - 40 / 9 - saturationTemperature_C(known), 0.25),
      target: { type: 'temperature', reading_C: target },
    },
  };
}

const around = (mid: number, half: number): Range => ({ low: mid - half, mid, high: mid + half });

export interface TrialResult {
  readonly seed: number;
  readonly error_min: number;
  readonly width_min: number;
  readonly held: boolean;
  readonly forecast: Forecast;
}

/** The forecast so many minutes before the end, with the observations of the instruments named. */
export function forecastBefore(
  boil: TrialBoil,
  minutes: number,
  with_: { readonly temperature?: boolean; readonly mass?: boolean } = { temperature: true },
): TrialResult {
  const now_s = Math.max(boil.done_s - minutes * 60, 0);
  const observations: Observation[] = boil.truth.readings
    .filter(({ time_s }) => time_s <= now_s)
    .flatMap(({ time_s, temperature_C, mass_kg }) => [
      ...(with_.temperature ? [{ time_s, temperature_C }] : []),
      ...(with_.mass && time_s % 120 === 0 ? [{ time_s, mass_kg }] : []),
    ]);
  const made = forecast({ ...boil.input, observations, now_s });
  const left = (boil.done_s - now_s) / 60;
  return {
    seed: boil.seed,
    error_min: made.left_s.mid / 60 - left,
    width_min: (made.left_s.high - made.left_s.low) / 60,
    held: made.left_s.low / 60 <= left && left <= made.left_s.high / 60,
    forecast: made,
  };
}

/** The value below which the share `p` of the numbers lie. */
export function quantile(values: readonly number[], p: number): number {
  const sorted = [...values].sort((a, b) => a - b);
  const x = (sorted.length - 1) * p;
  const i = Math.floor(x);
  return (sorted[i] ?? NaN) + ((sorted[i + 1] ?? sorted[i] ?? NaN) - (sorted[i] ?? NaN)) * (x - i);
}

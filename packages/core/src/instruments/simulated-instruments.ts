import type { FormulaDocument, Kitchen } from '../formula/index.js';
import { Z90 } from '../range/index.js';
import { seeded } from '../random/index.js';
import { boilingPointAt } from '../water/index.js';
import { type Boil, CookingClock } from '../boil-log/index.js';
import {
  boilingCurve,
  PAN_DIAMETER_M,
  PANTRY_C,
  putInto,
  type PanModel,
  simulateBoil,
  type Change,
} from '../thermal/index.js';
import { panOf } from '../balance/index.js';
import { placesSoFar, type PlaceInTime } from '../forecast/index.js';
import { panContents } from '../made-batch/index.js';

/** What the simulated instruments say at one moment. */
export interface SimulatedObservation {
  /** Milliseconds since 1970, by the batch's clock. */
  readonly at: number;
  readonly temperature_C: number;
  /** The pot on the scale, and a drop in the refractometer. */
  readonly mass_kg: number;
  readonly solidsPercent: number;
}

/** The simulated probe speaks this often by the batch's clock, s. */
const SIMULATED_EVERY_S = 10;
/** A simulated pot is followed no further than this, s: longer than any butter cooks. */
const MOST_S = 40 * 3600;
/**
 * How far a hidden burner is from what the kitchen's is thought to give: share, standard deviation.
 * A guess.
 */
const HIDDEN_HEAT_SD = 0.15;
/** The flame wanders by this share, standard deviation. A guess. */
const WANDER_SD = 0.05;
/** A flame turned up or down gives so many times the heat. A guess. */
const TURNED = { up: 1.35, down: 0.7 } as const;
/** A pot that is put off cools to the room with this time constant, s. A guess. */
const COOLS_S = 7200;
/** A kitchen scale and a hand refractometer, standard deviations: kg, per cent. Common practice. */
const SCALE_NOISE_KG = 0.01;
const BRIX_NOISE_PERCENT = 0.4;

/** A number from an id, the same on every device. */
const seedOf = (id: string): number =>
  [...id].reduce((hash, letter) => (Math.imul(hash, 31) + letter.charCodeAt(0)) | 0, 17) >>> 0;

/**
 * What simulated instruments say of the very batch on the bench: its pot put on cold, heated by a
 * hidden burner, answering to everything in the log (sugar, additions, the flame, lids, off and on,
 * a pause). The same for the same log, on every device, so that a reload goes on where it was.
 *
 * @param until milliseconds since 1970 by the batch's clock
 * @returns observations since the pot went on, every `SIMULATED_EVERY_S` seconds while it is on the
 * heat or stands; none without simulated instruments
 */
export function simulatedObservations(
  boil: Boil,
  written: FormulaDocument,
  kitchen: Kitchen,
  until: number,
): SimulatedObservation[] {
  const { simulated, startedAt } = boil;
  if (!simulated || startedAt === undefined) return [];
  const clock = new CookingClock(boil, startedAt);
  const pot = panContents(boil, written, kitchen, clock, startedAt, 'out');
  if (!pot) return [];
  const { formula, outcome } = pot.whole;
  const places = placesSoFar(boil, pot.whole, clock);
  const placeAt = (time_s: number): PlaceInTime | undefined =>
    places.findLast((place) => place.time_s <= time_s) ?? places[0];
  const seed = seedOf(simulated.id);
  // The hidden cooker errs by the same many deviations wherever it cooks.
  const deviation = seeded(seed).normal();
  const hidden_W = ({ heating: { heat_W } }: PlaceInTime): number => {
    const sd = Math.min(HIDDEN_HEAT_SD, Math.log(heat_W.high / heat_W.low) / (2 * Z90));
    return heat_W.mid * Math.exp(deviation * sd);
  };
  const flame = (at: number): number =>
    boil.heat.some(({ from, to }) => from <= at && at < (to ?? Infinity))
      ? boil.flameTurned.reduce(
          (share, each) => (each.at <= at ? share * TURNED[each.turned] : share),
          1,
        )
      : 0;
  const curve = boilingCurve(boilingPointAt(formula.place).pressure_kPa);
  const panAt = (time_s: number): PanModel => ({
    curve,
    pH: outcome.pH,
    diameter_m: PAN_DIAMETER_M,
    ...placeAt(time_s)?.heating.pan,
  });
  const changes: Change[] = [
    ...pot.added.map(({ time_s, water_kg, soluble_kg, temperature_C }): Change => ({
      time_s,
      make: (state) => putInto(state, water_kg, soluble_kg, temperature_C),
    })),
    ...boil.pauses.flatMap(({ from, to }): Change[] => {
      const left = to === undefined ? 1 : Math.exp(-(to - from) / 1000 / COOLS_S);
      return [
        {
          time_s: clock.seconds(from),
          make: (state) =>
            void (state.temperature_C = PANTRY_C + (state.temperature_C - PANTRY_C) * left),
        },
      ];
    }),
  ];
  const { readings } = simulateBoil(panOf(pot.first.contents), panAt, {
    net_W: (time_s) => {
      const place = placeAt(time_s);
      return place ? hidden_W(place) * flame(clock.at(time_s)) : 0;
    },
    fluctuation: WANDER_SD,
    instruments: {
      ...simulated,
      drift_KPerH: 0,
      scaleNoise_kg: SCALE_NOISE_KG,
      brixNoise_percent: BRIX_NOISE_PERCENT,
    },
    changes,
    seed: seed + 1,
    readEvery_s: SIMULATED_EVERY_S,
    most_s: Math.min(clock.seconds(Math.min(until, boil.endedAt ?? until)), MOST_S),
  });
  return readings
    .filter(({ time_s }) => time_s > 0)
    .map(({ time_s, temperature_C, mass_kg, solidsPercent }) => ({
      at: clock.at(time_s),
      temperature_C: Math.round(temperature_C * 100) / 100,
      mass_kg: Math.max(mass_kg, 0.01),
      solidsPercent: Math.min(Math.max(solidsPercent, 0), 95),
    }));
}

import { panOf, type PreparedPot } from '../balance/index.js';
import { withPanAndBurner, type FormulaDocument, type Kitchen } from '../formula/index.js';
import { around, type Range } from '../range/index.js';
import {
  boilingPointAt,
  LATENT_J_PER_KG,
  saturationTemperature_C,
  type BoilingPoint,
} from '../water/index.js';
import { type Boil, CookingClock } from '../boil-log/index.js';
import { forecast, type Forecast } from './forecast.js';
import type { ForecastInput, HeatChange, BoilTarget } from './forecast-model.js';
import {
  type AddedMidBoil,
  massAtVolume_kg,
  massOfPot,
  PANTRY_C,
  type PotState,
  volumeOf_ml,
} from '../thermal/index.js';
import type { Observation } from './observations.js';
import { placesSoFar, placesToCome } from './places-in-time.js';
import { panContents } from '../made-batch/index.js';

/** A boil that is being watched: where the model says it is, and how long it will be. */
export interface WatchedBoil {
  /** When it was worked out, milliseconds since 1970. */
  readonly now: number;
  readonly forecast: Forecast;
  /** Where the thermometer will go, against time in milliseconds since 1970. */
  readonly path: readonly {
    readonly at: number;
    readonly reading_C: number;
    readonly mass_kg: number;
  }[];
  /** Weights and depths of the log, as what was in the pan, kg. */
  readonly weighed: readonly { readonly at: number; readonly mass_kg: number }[];
  /** Kilograms in the pot at the finish, for the scale. */
  readonly finishMass_kg: number;
  /** What the refractometer shows at the finish, per cent. */
  readonly finishSolidsPercent: number;
  /** In the pan at the time that was asked for, kg. */
  readonly leftThen_kg?: Range;
}

/**
 * Heat capacity of a pot of fruit and sugar, J/(kg K): sugar technology, 4187 (1 - 0.6 s) at a
 * third of solids. From memory.
 */
const HEAT_CAPACITY = 3350;
/** A cook of hours is watched this far ahead, s. */
const LONG_AHEAD_S = 40 * 3600;
/** Nothing changes quickly where no flame drives it: the model goes in steps of this, s. */
const GENTLE_STEP_S = 60;
/** Heat that goes into vapour there, W, at most. */
const GENTLE_W = 1000;
/**
 * How warm a pot is when it goes back on after a pause, where no reading tells: from the counter,
 * from the fridge, C. Common practice.
 */
const REWARMED_FROM_C = { cool: 25, fridge: 6 } as const;
/**
 * What is left in doubt of the thermometer: boiled in water that day, or only trusted with the
 * weather unknown, K. A guess.
 */
const CHECKED_K = 0.25;
const TRUSTED_K = 0.8;
/** Soluble solids of a pot weighed or measured by the cup, share, 5-95 %. A guess. */
const START_DOUBT = 0.06;

/** Of the water in a pot no more than this share is taken as gone before the first reading. A guess. */
const MOST_STEAMED_SHARE = 0.6;

/** What the finish is watched for; undefined where nothing is known of it. */
function targetOf(
  { formula, outcome, rule }: PreparedPot,
  boil: Boil,
  endsAt_s: number,
): BoilTarget | undefined {
  const { finish } = formula;
  if (rule.type === 'stages') return { type: 'clock', time_s: endsAt_s };
  switch (finish.type) {
    case 'gel-temperature':
      return boil.gelTemperature_C === undefined
        ? undefined
        : { type: 'temperature', reading_C: boil.gelTemperature_C };
    case 'soluble-solids':
      return { type: 'solids', percent: finish.percent.mid };
    case 'weight':
      return { type: 'mass', mass_kg: finish.mass_kg.mid };
    case 'consistency':
      return { type: 'solids', percent: outcome.solids };
    case 'hard-boil':
      return { type: 'boil', then_s: (rule.timedMinutes ?? finish.minutes) * 60 };
    case 'curd':
      return { type: 'temperature', reading_C: finish.temperature_C };
  }
}

/** What is wanted of a forecast besides the finish. */
export interface Asked {
  /** "How long until 7 pints": millilitres in the pan, hot, in place of the finish. */
  readonly untilVolume_ml?: number;
  /** "What is left at 22:00": milliseconds since 1970. */
  readonly leftAt?: number;
}

/**
 * Time left of a boil from everything in its log: readings, weights, refractometer, additions, and
 * what was done to the flame.
 *
 * @param written the formula as it was put on the heat; what the log adds is taken from the log, at
 * its time
 * @param kitchen as it is, with the place the boil was lit in
 * @param now milliseconds since 1970
 * @returns undefined before the heat, while it is put off, and after the end
 */
export function watchBoil(
  boil: Boil,
  written: FormulaDocument,
  kitchen: Kitchen,
  now: number,
  { untilVolume_ml, leftAt }: Asked = {},
): WatchedBoil | undefined {
  if (boil.phase === 'done' || boil.phase === 'paused') return undefined;
  const pot = modelledPot(boil, written, kitchen, now);
  if (!pot) return undefined;
  const { whole, clock, input } = pot;
  const { formula } = whole;
  const made = forecast({
    ...input,
    ...(untilVolume_ml !== undefined && {
      target: {
        type: 'mass' as const,
        mass_kg: massAtVolume_kg(panOf(whole.contents), untilVolume_ml),
      },
    }),
    ...(leftAt !== undefined && { lookAt_s: [Math.max(clock.seconds(leftAt), input.now_s)] }),
  });
  const [then] = made.looks;
  const { minute } = boil;
  const byClock =
    formula.finish.type === 'hard-boil' && minute !== undefined && boil.phase === 'on-heat';
  const clockLeft_s = byClock
    ? Math.max(
        (minute.startedAt - now) / 1000 + (whole.rule.timedMinutes ?? formula.finish.minutes) * 60,
        0,
      )
    : 0;
  return {
    now,
    // Once the timed boil runs, the clock knows.
    forecast: byClock
      ? { ...made, left_s: { low: clockLeft_s, mid: clockLeft_s, high: clockLeft_s } }
      : made,
    path: made.path.map(({ time_s, reading_C, mass_kg }) => ({
      at: clock.at(time_s),
      reading_C,
      mass_kg,
    })),
    weighed: input.observations.flatMap((each) =>
      'mass_kg' in each ? [{ at: clock.at(each.time_s), mass_kg: each.mass_kg }] : [],
    ),
    finishMass_kg: finishMass_kg(whole, pot.more),
    finishSolidsPercent: whole.outcome.solids,
    ...(then && { leftThen_kg: then.mass_kg }),
  };
}

/** What is in the pan at the finish: by the formula, and what was added to it. */
function finishMass_kg(
  { formula: { finish }, outcome, rule }: PreparedPot,
  more: readonly AddedMidBoil[],
): number {
  const soluble_kg = more.reduce((sum, each) => sum + each.soluble_kg, 0);
  const water_kg = more.reduce((sum, each) => sum + each.water_kg, 0);
  if (finish.type === 'weight') return outcome.finished;
  const isByClock = rule.type === 'stages' || ['hard-boil', 'curd'].includes(finish.type);
  // A finish by concentration is reached with all sugar in it; the water added is boiled off again.
  const added_kg = isByClock ? soluble_kg + water_kg : soluble_kg / (outcome.solids / 100);
  return outcome.finished + added_kg;
}

/** How well a depth tells the mass in the pan, share, standard deviation: an uneven base. A guess. */
const DEPTH_SD = 0.016;

/** Readings, weights, depths and refractometer values of a log, on the clock of its cooking. */
function observationsOf(boil: Boil, clock: CookingClock, start: PotState): Observation[] {
  const full_ml = volumeOf_ml(start);
  return [
    ...boil.readings.map(({ at, temperature_C }) => ({ time_s: clock.seconds(at), temperature_C })),
    ...boil.weighings.map(({ at, value }) => ({ time_s: clock.seconds(at), mass_kg: value })),
    ...boil.depths.map(({ at, value }) => {
      const mass_kg = massAtVolume_kg(start, full_ml * value);
      return { time_s: clock.seconds(at), mass_kg, sd_kg: DEPTH_SD * massOfPot(start) };
    }),
    ...boil.brix.map(({ at, value }) => ({ time_s: clock.seconds(at), solidsPercent: value })),
  ];
}

/** Pauses after a moment: the pot comes back on the heat cold, with nothing added. */
const coolings = (boil: Boil, clock: CookingClock, from_ms: number): AddedMidBoil[] =>
  boil.pauses.flatMap(({ from, to, kept }) => {
    if (to === undefined || from <= from_ms) return [];
    const back = boil.readings.find(({ at }) => at >= to);
    return {
      time_s: clock.seconds(to),
      water_kg: 0,
      soluble_kg: 0,
      cooledTo_C: back?.temperature_C ?? REWARMED_FROM_C[kept],
    };
  });

/** How much too high the thermometer reads, K: by boiling water where that is known of it. */
function thermometerOffset(
  boil: Boil,
  { pressure_kPa, boilingPoint_C, from }: BoilingPoint,
): Range {
  const water_C = saturationTemperature_C(pressure_kPa);
  if (from === 'measured')
    return around((boil.boilingPoint_C ?? boilingPoint_C.mid) - water_C, CHECKED_K);
  if (from === 'learned')
    return around(boilingPoint_C.mid - water_C, boilingPoint_C.high - boilingPoint_C.mid);
  return around(0, TRUSTED_K);
}

/** What the time on the heat that was not needed to warm the pot sent off as steam, kg. */
function steamedBefore(start: PotState, onHeat_s: number, pot_kg: number, net_W: number): number {
  const warming_s = (pot_kg * HEAT_CAPACITY * (start.temperature_C - PANTRY_C)) / net_W;
  return Math.min(
    (Math.max(onHeat_s - warming_s, 0) * net_W) / LATENT_J_PER_KG,
    start.water * MOST_STEAMED_SHARE,
  );
}

/** A boil as the kettle model takes it. */
export interface ModelledPot {
  readonly whole: PreparedPot;
  /** What went in beyond the formula. */
  readonly more: readonly AddedMidBoil[];
  readonly clock: CookingClock;
  readonly input: ForecastInput;
}

/**
 * What the model is given of a boil: its pot at the first reading, its observations, what was done to it.
 *
 * @param now milliseconds since 1970
 * @returns undefined before the heat, and where nothing in the pot, or no finish, is known
 */
export function modelledPot(
  boil: Boil,
  written: FormulaDocument,
  kitchen: Kitchen,
  now: number,
): ModelledPot | undefined {
  const { startedAt } = boil;
  if (startedAt === undefined) return undefined;
  const first = boil.readings[0];
  // The model begins where something is known: how warm the pot was put on, and whether it simmered
  // before, nobody wrote down.
  const from_ms = first?.at ?? startedAt;
  const clock = new CookingClock(boil, from_ms);
  const pot = panContents(
    boil,
    written,
    withPanAndBurner(kitchen, boil.panAndBurner),
    clock,
    from_ms,
    'in',
  );
  if (!pot) return undefined;
  const { whole, first: atFirst } = pot;
  const { formula } = whole;
  const toCome = placesToCome(boil, whole, clock);
  const places = [...placesSoFar(boil, whole, clock), ...toCome.places];
  const target = targetOf(whole, boil, toCome.endsAt_s);
  const here = places[0];
  if (!target || !here) return undefined;
  const water = boilingPointAt(formula.place);
  const offset_K = thermometerOffset(boil, water);
  const net_W = here.heating.heat_W;
  const isGentle = here.heating.pan.gentle !== undefined;
  const start = panOf(atFirst.contents, first ? first.temperature_C - offset_K.mid : PANTRY_C);
  const full = { ...start };
  // A gentle place gives next to nothing off while it warms: nothing is taken as gone before.
  const steamed_kg = isGentle
    ? 0
    : steamedBefore(start, (from_ms - startedAt) / 1000, atFirst.contents.mass, net_W.mid);
  start.water -= steamed_kg;
  const isGentleThroughout = places.every(
    ({ heating: { pan: at, heat_W } }) => at.gentle !== undefined && heat_W.high < GENTLE_W,
  );
  const input: ForecastInput = {
    start,
    startDoubt: Math.hypot(START_DOUBT, steamed_kg / (start.water + start.soluble)),
    pressure_kPa: water.pressure_kPa,
    pH: whole.outcome.pH,
    pan: here.heating.pan,
    net_W,
    offset_K,
    observations: observationsOf(boil, clock, full),
    // A bowl over water is warmed by its steam: the flame under it changes nothing.
    heatChanges: formula.kind === 'curd' ? [] : [...heatChanges(boil, clock), ...places.slice(1)],
    added: [...pot.added, ...coolings(boil, clock, from_ms)].sort((a, b) => a.time_s - b.time_s),
    target,
    ...((formula.stages.length > 0 || formula.finish.type === 'consistency') && {
      mostAhead_s: LONG_AHEAD_S,
    }),
    ...(isGentleThroughout && { step_s: GENTLE_STEP_S }),
    now_s: Math.max(clock.seconds(now), 0),
  };
  return { whole, more: pot.more, clock, input };
}

/**
 * Off the heat and on again as the clock has it, and every turn of the flame by an amount that is
 * fitted.
 */
function heatChanges({ heat, flameTurned }: Boil, { seconds }: CookingClock): HeatChange[] {
  const changes: HeatChange[] = flameTurned.map(({ at }) => ({ time_s: Math.max(seconds(at), 0) }));
  heat.forEach(({ from, to }, i) => {
    if (i > 0 && seconds(from) > 0) changes.push({ time_s: seconds(from), share: 1 });
    if (to !== undefined && seconds(to) > 0) changes.push({ time_s: seconds(to), share: 0 });
  });
  return changes;
}

import { syrupDensity_kgPerM3 } from '../syrup/index.js';
import {
  advance,
  holdsAt_C,
  massOfPot,
  putInto,
  rates,
  shortOfBoil_K,
  solidsOf,
  type PanModel,
  type PotState,
} from './heat-balance.js';

/** One stretch of a cook with the same heat. */
export interface Stretch {
  readonly heat_W: number;
  readonly pan: PanModel;
  readonly end:
    | { readonly type: 'time'; readonly seconds: number }
    | { readonly type: 'mass'; readonly mass_kg: number }
    /** Hot, in the pan. */
    | { readonly type: 'volume'; readonly volume_ml: number }
    /** The contents are down to this share of their volume at its start. */
    | { readonly type: 'share'; readonly left: number };
  /** What goes in at its start, kg. */
  readonly added?: {
    readonly water_kg: number;
    readonly soluble_kg: number;
    readonly insoluble_kg: number;
  };
}

/** What one stretch took, and what is in the pan at its end. */
export interface CookedStretch {
  /** Infinite where its end is never reached. */
  readonly seconds: number;
  readonly mass_kg: number;
}

/** Where a cook is after its stretches. */
export interface Cooked {
  readonly state: PotState;
  readonly stretches: readonly CookedStretch[];
}

/** Warming up is followed in steps of this, or of so many kelvin, and cut at the boil. */
const WARMING_STEP_S = 300;
const WARMING_STEP_K = 2;
/** A stretch at the boil is followed in so many steps: its rate changes by a few per cent in all. */
const BOILING_STEPS = 8;
/** Nothing cooks longer, s; what is not reached by then is not reached. */
export const LONGEST_COOK_S = 7 * 24 * 3600;
type Unclocked = Exclude<Stretch['end']['type'], 'time'>;

/** How warm the contents are when their volume is looked at, C. Common practice. */
const HOT_C = 95;
/** Density is taken no further than this, mass fraction of solids: beyond it is toffee. */
const DENSEST_SOLIDS = 0.8;
/** A pan is never boiled dry: this much water stays, kg. */
const LEAST_WATER_KG = 0.01;

/**
 * Warms the contents until they are hot, in place; a heat too low for that steams them down meanwhile.
 *
 * @param most_s it goes on no longer
 * @param least_kg nor once there is no more than this
 * @returns the seconds it took
 */
function warmUp(state: PotState, { heat_W, pan }: Stretch, most_s: number, least_kg = 0): number {
  let spent = 0;
  while (spent < most_s && shortOfBoil_K(state, pan) > 0 && massOfPot(state) > least_kg) {
    const { temperature, water } = rates(state, heat_W, pan);
    const toBoil =
      temperature > 0 ? (holdsAt_C(state, pan) - state.temperature_C) / temperature : Infinity;
    const toLeast = water < 0 ? (massOfPot(state) - least_kg) / -water : Infinity;
    const step = Math.min(
      WARMING_STEP_S,
      WARMING_STEP_K / Math.max(Math.abs(temperature), 1e-9),
      Math.max(Math.min(toBoil, toLeast), 1e-3),
      most_s - spent,
    );
    advance(state, heat_W, pan, step);
    spent += step;
  }
  return spent;
}

/** Kilograms of water a second that leave at this point of the boil. */
const lossRate = (state: PotState, { heat_W, pan }: Stretch): number =>
  -rates({ ...state, temperature_C: holdsAt_C(state, pan) }, heat_W, pan).water;

/** Boils for so long, in place, by the midpoint rule. */
function boilFor(state: PotState, stretch: Stretch, seconds: number): void {
  const step = seconds / BOILING_STEPS;
  for (let i = 0; i < BOILING_STEPS; i++) {
    const half = Math.max(state.water - (lossRate(state, stretch) * step) / 2, LEAST_WATER_KG);
    const middle = lossRate({ ...state, water: half }, stretch);
    state.water = Math.max(state.water - middle * step, LEAST_WATER_KG);
  }
  state.temperature_C = holdsAt_C(state, stretch.pan);
}

/** Boils down by so much water, in place. @returns the seconds it took; infinite where it never does */
function boilDown(state: PotState, stretch: Stretch, water_kg: number): number {
  const step = water_kg / BOILING_STEPS;
  let seconds = 0;
  for (let i = 0; i < BOILING_STEPS; i++) {
    const middle = { ...state, water: Math.max(state.water - step / 2, LEAST_WATER_KG) };
    const rate = lossRate(middle, stretch);
    seconds += rate > 0 ? step / rate : Infinity;
    state.water = Math.max(state.water - step, LEAST_WATER_KG);
  }
  state.temperature_C = holdsAt_C(state, stretch.pan);
  return seconds;
}

/** Millilitres the contents take up while they are hot. */
export const volumeOf_ml = (state: Readonly<PotState>): number =>
  (massOfPot(state) / syrupDensity_kgPerM3(Math.min(solidsOf(state), DENSEST_SOLIDS), HOT_C)) * 1e6;

/**
 * Kilograms at which the contents, more or less of their water gone, take up so much while they are
 * hot; found in a few steps, for density hardly moves.
 */
export function massAtVolume_kg(state: Readonly<PotState>, volume_ml: number): number {
  let mass = (massOfPot(state) * volume_ml) / volumeOf_ml(state);
  for (let i = 0; i < 3; i++) {
    const water = Math.max(mass - state.soluble - state.insoluble, LEAST_WATER_KG);
    mass *= volume_ml / volumeOf_ml({ ...state, water });
  }
  return mass;
}

/** Kilograms at which a stretch is over. */
function endMass_kg(state: Readonly<PotState>, end: Stretch['end'] & { type: Unclocked }): number {
  switch (end.type) {
    case 'mass':
      return end.mass_kg;
    case 'volume':
      return massAtVolume_kg(state, end.volume_ml);
    case 'share':
      return massAtVolume_kg(state, volumeOf_ml(state) * end.left);
  }
}

/** One stretch, in place. @returns the seconds it took */
function cookStretch(state: PotState, stretch: Stretch): number {
  const { end, added } = stretch;
  if (added) {
    putInto(state, added.water_kg, added.soluble_kg);
    state.insoluble += added.insoluble_kg;
  }
  if (end.type === 'time') {
    const warming = warmUp(state, stretch, end.seconds);
    if (warming < end.seconds) boilFor(state, stretch, end.seconds - warming);
    return end.seconds;
  }
  const wanted_kg = endMass_kg(state, end);
  if (massOfPot(state) <= wanted_kg) return 0;
  const warming = warmUp(state, stretch, LONGEST_COOK_S, wanted_kg);
  if (warming >= LONGEST_COOK_S) return Infinity;
  const over_kg = massOfPot(state) - wanted_kg;
  if (over_kg <= 0) return warming;
  if (state.water - over_kg < LEAST_WATER_KG) return Infinity;
  const seconds = warming + boilDown(state, stretch, over_kg);
  return seconds > LONGEST_COOK_S ? Infinity : seconds;
}

/** Seconds until the contents are hot; `LONGEST_COOK_S` where they never are. */
export const warmingTime_s = (start: Readonly<PotState>, heat_W: number, pan: PanModel): number => {
  const end = { type: 'time', seconds: LONGEST_COOK_S } as const;
  return warmUp({ ...start }, { heat_W, pan, end }, end.seconds);
};

/**
 * Seconds at the boil from one mass to another; 0 where it is there already, infinite where it never
 * comes there.
 */
export function boilDownTime_s(
  start: Readonly<PotState>,
  heat_W: number,
  pan: PanModel,
  mass_kg: number,
): number {
  const over_kg = massOfPot(start) - mass_kg;
  if (over_kg <= 0) return 0;
  const stretch: Stretch = { heat_W, pan, end: { type: 'mass', mass_kg } };
  return boilDown({ ...start }, stretch, over_kg);
}

/** Water in the pan so many seconds of boil before a state, kg. */
export function waterBefore_kg(
  end: Readonly<PotState>,
  heat_W: number,
  pan: PanModel,
  seconds: number,
): number {
  const state = { ...end };
  boilFor(state, { heat_W, pan, end: { type: 'time', seconds } }, -seconds);
  return state.water;
}

/**
 * Follows a cook through its stretches: the yield from the hours, and the hours from the yield. It is
 * the heat balance of `advance` in few, large steps: within half a per cent of it (see the tests).
 *
 * @param start what is in the pan when it goes on; not changed
 */
export function cookThrough(start: Readonly<PotState>, stretches: readonly Stretch[]): Cooked {
  const state = { ...start };
  const cooked = stretches.map((stretch): CookedStretch => {
    const seconds = cookStretch(state, stretch);
    return { seconds, mass_kg: massOfPot(state) };
  });
  return { state, stretches: cooked };
}

import { INVERSION_FACTOR, inversionRate_perMin } from '../syrup/index.js';
import { LATENT_J_PER_KG, LOSS_W_PER_K, ROOM_C, saturationPressure_kPa } from '../water/index.js';
import type { BoilingCurve } from './boiling-curve.js';

/**
 * What goes into a pot is as warm as this, and so is one that has not been on the heat, C. Common
 * practice.
 */
export const PANTRY_C = 20;
/** Open surface of a household preserving pan, m. Common practice. */
export const PAN_DIAMETER_M = 0.28;
/** Mass transfer from an open surface in still kitchen air, m/s. Common practice. */
const SURFACE_M_PER_S = 0.009;
/** J/(mol K) and kg/mol. */
const GAS = 8.314;
const WATER_KG_PER_MOL = 0.018015;

/** What is in the pot, kilograms; the state of the pan model. */
export interface PotState {
  water: number;
  soluble: number;
  insoluble: number;
  /** Share of the soluble solids that is invert sugar. */
  invertShare: number;
  temperature_C: number;
}

export interface PanModel {
  readonly curve: BoilingCurve;
  /** Diameter of the open surface, m. */
  readonly diameter_m: number;
  readonly pH: number;
  /**
   * A place that keeps its contents hot by itself: a slow cooker, an oven, a pan under its lid. The
   * heat of the model is then what goes into vapour, and the walls are seen to.
   */
  readonly gentle?: {
    /** Into the contents until they are hot, W. */
    readonly warmUp_W: number;
    /** They stay so far under their boiling point, K. */
    readonly holdsBelow_K: number;
  };
}

/** A pan this near to its boiling point boils, K. A choice of ours, for the steps of the model. */
const BOILS_WITHIN_K = 0.05;

/** Where the contents of a pan stay while it cooks: its boiling point, or a little under it, C. */
export const holdsAt_C = (state: Readonly<PotState>, { curve, gentle }: PanModel): number =>
  curve.at(solidsOf(state), state.invertShare) - (gentle?.holdsBelow_K ?? 0);

/** Kelvin a pan is short of the boil, or of where it holds; 0 or less while it is there. */
export const shortOfBoil_K = (state: Readonly<PotState>, pan: PanModel): number =>
  holdsAt_C(state, pan) - BOILS_WITHIN_K - state.temperature_C;

/** Soluble solids of the liquid, mass fraction. */
export const solidsOf = ({ water, soluble }: Readonly<PotState>): number =>
  soluble / Math.max(soluble + water, 1e-9);
export const massOfPot = ({ water, soluble, insoluble }: Readonly<PotState>): number =>
  water + soluble + insoluble;

/**
 * Heat capacity of a syrup with fruit, J/(kg K). Sugar technology, from memory: 4187 (1 - 0.6 s).
 */
const heatCapacity = (state: PotState): number =>
  4187 * (1 - 0.6 * (state.soluble / massOfPot(state)));

/** How fast a pot changes. */
export interface Rates {
  /** Water, kg/s; negative. */
  water: number;
  /** K/s. */
  temperature: number;
  /** Share of the soluble solids inverted a second. */
  invert: number;
  boiling: boolean;
}

/**
 * The pan's rates: how fast water leaves and the temperature climbs.
 *
 * Below the boil the heat warms the pot and the surface gives off vapour; on the boil the
 * temperature follows the boiling curve and the heat that is left over evaporates water.
 *
 * @param net_W heat into the pan; at a gentle place what goes into vapour
 * @param into an object to write into, for callers in a hurry
 */
export function rates(
  state: PotState,
  net_W: number,
  pan: PanModel,
  into: Rates = { water: 0, temperature: 0, invert: 0, boiling: false },
): Rates {
  const solids = solidsOf(state);
  const boilsAt = holdsAt_C(state, pan);
  const isGentle = pan.gentle !== undefined && net_W > 0;
  const heat = isGentle ? net_W : net_W - LOSS_W_PER_K * (state.temperature_C - ROOM_C);
  const capacity = massOfPot(state) * heatCapacity(state);
  into.boiling = state.temperature_C >= boilsAt - BOILS_WITHIN_K && heat > 0;
  into.invert =
    state.temperature_C > 60
      ? ((1 - state.invertShare) *
          INVERSION_FACTOR.mid *
          inversionRate_perMin(1 - solids * 0.9, state.temperature_C, pan.pH)) /
        60
      : 0;
  if (into.boiling) {
    // Part of the heat lifts the pot along the curve as it thickens: K for every kg that leaves.
    const climb =
      (pan.curve.slope(solids, state.invertShare) * solids) /
      Math.max(state.soluble + state.water, 1e-6);
    const water = heat / (LATENT_J_PER_KG + capacity * climb);
    into.water = -water;
    into.temperature = water * climb;
    return into;
  }
  if (isGentle) {
    // Vapour in the measure of its pressure, as soon as it is warm; the rest of the heat warms.
    const share =
      saturationPressure_kPa(Math.max(state.temperature_C, 1)) / saturationPressure_kPa(boilsAt);
    const vapour = (net_W / LATENT_J_PER_KG) * Math.min(share, 1);
    into.water = -vapour;
    into.temperature = (pan.gentle.warmUp_W - vapour * LATENT_J_PER_KG) / capacity;
    return into;
  }
  const area = (Math.PI / 4) * pan.diameter_m * pan.diameter_m;
  const vapour =
    state.temperature_C > 20
      ? (SURFACE_M_PER_S *
          area *
          saturationPressure_kPa(Math.min(state.temperature_C, 130)) *
          1000 *
          (1 - solids * 0.35) *
          WATER_KG_PER_MOL) /
        (GAS * (state.temperature_C + 273.15))
      : 0;
  into.water = -vapour;
  into.temperature = (heat - vapour * LATENT_J_PER_KG) / capacity;
  return into;
}

const scratch: Rates = { water: 0, temperature: 0, invert: 0, boiling: false };

/**
 * Moves a pot on by one step, in place: Euler's method, with the temperature put back onto the
 * boiling curve while it boils.
 *
 * @param step_s up to about 20
 * @param inversion factor on the rate of inversion
 * @returns whether it boiled
 */
export function advance(
  state: PotState,
  net_W: number,
  pan: PanModel,
  step_s: number,
  inversion = 1,
): boolean {
  const { water, temperature, invert, boiling } = rates(state, net_W, pan, scratch);
  if (!boiling && temperature > 0) {
    // It comes to the boil within the step: the rest of the step is spent boiling.
    const toBoil = (holdsAt_C(state, pan) - state.temperature_C) / temperature;
    if (toBoil >= 0 && toBoil < step_s) {
      state.water = Math.max(state.water + water * toBoil, 0.01);
      state.invertShare = Math.min(state.invertShare + invert * inversion * toBoil, 1);
      state.temperature_C = holdsAt_C(state, pan);
      if (step_s - toBoil > 1e-6) advance(state, net_W, pan, step_s - toBoil, inversion);
      return true;
    }
  }
  state.water = Math.max(state.water + water * step_s, 0.01);
  state.invertShare = Math.min(state.invertShare + invert * inversion * step_s, 1);
  state.temperature_C = boiling
    ? holdsAt_C(state, pan)
    : state.temperature_C + temperature * step_s;
  return boiling;
}

/** Something that went into the pot in mid-boil. */
export interface AddedMidBoil {
  readonly time_s: number;
  readonly water_kg: number;
  readonly soluble_kg: number;
  /** How warm it is as it goes in, C. @default PANTRY_C */
  readonly temperature_C?: number;
  /** The whole pot is this warm then: it comes back from a pause. */
  readonly cooledTo_C?: number;
}

/** Something goes into the pot, in place; as warm as the kitchen unless said. */
export function putInto(
  state: PotState,
  water_kg: number,
  soluble_kg: number,
  temperature_C = PANTRY_C,
): void {
  const before = massOfPot(state);
  state.water += water_kg;
  state.soluble += soluble_kg;
  state.temperature_C =
    (state.temperature_C * before + temperature_C * (water_kg + soluble_kg)) / massOfPot(state);
}

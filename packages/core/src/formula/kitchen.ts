import type { PectinProfile, PreparedWeight } from '../produce/index.js';
import type { Range } from '../range/index.js';
import type { Place } from '../water/index.js';
import type { CookingPlace } from './stages.js';

/** A jar measured by its owner: poured full of water to 1/4 in below the rim, and weighed. */
export interface MeasuredJar {
  readonly size: string;
  readonly volume_ml: number;
}

/** The pan used unless said otherwise. */
export interface Pan {
  /** Litres to the brim. */
  readonly capacity_l?: number;
  /** Water it drives off at a full boil on its burner, kilograms an hour. */
  readonly evaporation_kgPerH?: number;
  /** What the burner puts into it, W, where its evaporation was not measured. */
  readonly heat_W?: number;
}

/** Which pan on which ring, by their ids in the kitchen's gear. */
export interface PanAndBurner {
  readonly pan?: string;
  readonly ring?: string;
}

/** What past boils have told of a kitchen, for the next one; see the `learning` folder. */
export interface Learned {
  /** Into the usual pan on its ring, W, 5-95 %, for a pot of up to `ORDINARY_POT_KG`. */
  readonly heat_W?: Range;
  /** The same by pan and ring, where boils tell of them. */
  readonly stoves?: readonly (PanAndBurner & { readonly heat_W: Range })[];
  /** What comes to the jars, as a share of what is computed, 5-95 %. */
  readonly yieldShare?: Range;
  /** Water lost where long cooks were weighed, by place. */
  readonly losses?: readonly PlaceLoss[];
}

/** Water lost at a place from hot contents in a pan of ordinary size, kg an hour, 5-95 %. */
export interface PlaceLoss extends CookingPlace {
  readonly loss_kgPerH: Range;
}

export const isSamePlace = (one: CookingPlace, other: CookingPlace): boolean =>
  one.where === other.where && one.lid === other.lid && one.heat === other.heat;

/** A pot larger than this stands on a larger flame, kg. Common practice. */
export const ORDINARY_POT_KG = 6;

/** Where a formula is made, and what is known there that tables can only guess at. */
export interface Kitchen extends Place {
  readonly pectins?: readonly PectinProfile[];
  readonly jars?: readonly MeasuredJar[];
  readonly pan?: Pan;
  /** Every pan and ring there is, for a boil that says which it is on; see `withPanAndBurner`. */
  readonly pans?: readonly (Pan & { readonly id: string })[];
  readonly rings?: readonly { readonly id: string; readonly heat_W: number }[];
  /** What was left of bought fruit when it was prepared here. */
  readonly prepared?: readonly PreparedWeight[];
  readonly learned?: Learned;
}

/** A measured jar further than this from its name is another jar, share of its volume. */
export const MEASURED_JAR_DOUBT = 0.2;

export const isSamePanAndBurner = (one: PanAndBurner, other: PanAndBurner): boolean =>
  one.pan === other.pan && one.ring === other.ring;

/**
 * The kitchen with the pan and ring a boil is on in place of the usual ones, as far as they are
 * known, and what boils on them told.
 */
export function withPanAndBurner(kitchen: Kitchen, panAndBurner: PanAndBurner): Kitchen {
  if (panAndBurner.pan === undefined && panAndBurner.ring === undefined) return kitchen;
  const found = kitchen.pans?.find(({ id }) => id === panAndBurner.pan);
  const ring_W = kitchen.rings?.find(({ id }) => id === panAndBurner.ring)?.heat_W;
  const { id: _id, ...own } = found ?? { id: '', ...kitchen.pan };
  const strongest_W = kitchen.pan?.heat_W;
  const heat_W = ring_W ?? strongest_W;
  // A pan's evaporation was measured on the ring it is used on, the strongest.
  const weaker =
    ring_W !== undefined && strongest_W !== undefined ? Math.min(ring_W / strongest_W, 1) : 1;
  const pan: Pan = {
    ...own,
    ...(own.evaporation_kgPerH !== undefined && {
      evaporation_kgPerH: own.evaporation_kgPerH * weaker,
    }),
    ...(heat_W !== undefined && { heat_W }),
  };
  const told = kitchen.learned?.stoves?.find((each) =>
    isSamePanAndBurner(each, panAndBurner),
  )?.heat_W;
  return {
    ...kitchen,
    ...(Object.keys(pan).length > 0 && { pan }),
    ...(told && { learned: { ...kitchen.learned, heat_W: told } }),
  };
}

/** The place alone. */
export const placeIn = ({
  altitude_m,
  pressure_kPa,
  boilingPoint_C,
  offset_K,
}: Kitchen): Place => ({
  ...(altitude_m !== undefined && { altitude_m }),
  ...(pressure_kPa !== undefined && { pressure_kPa }),
  ...(boilingPoint_C !== undefined && { boilingPoint_C }),
  ...(offset_K !== undefined && { offset_K }),
});

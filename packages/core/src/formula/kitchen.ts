import type { PectinProfile, PreparedWeight } from '../produce/index.js';
import type { Range } from '../range/index.js';
import type { Place } from '../water/index.js';

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

/** What past boils have told of a kitchen, for the next one; see the `learning` folder. */
export interface Learned {
  /** Into the usual pan on its ring, W, 5-95 %, for a pot of up to {@link ORDINARY_POT_KG}. */
  readonly heat_W?: Range;
  /** What comes to the jars, as a share of what is computed, 5-95 %. */
  readonly yieldShare?: Range;
}

/** A pot larger than this stands on a larger flame, kg. Common practice. */
export const ORDINARY_POT_KG = 6;

/** Where a formula is made, and what is known there that tables can only guess at. */
export interface Kitchen extends Place {
  readonly pectins?: readonly PectinProfile[];
  readonly jars?: readonly MeasuredJar[];
  readonly pan?: Pan;
  /** What was left of bought fruit when it was prepared here. */
  readonly prepared?: readonly PreparedWeight[];
  readonly learned?: Learned;
}

/** A measured jar further than this from its name is another jar, share of its volume. */
export const MEASURED_JAR_DOUBT = 0.2;

/** The place alone. */
export const placeIn = ({ altitude_m, pressure_kPa, boilingPoint_C, offset_K }: Kitchen): Place => ({
  ...(altitude_m !== undefined && { altitude_m }),
  ...(pressure_kPa !== undefined && { pressure_kPa }),
  ...(boilingPoint_C !== undefined && { boilingPoint_C }),
  ...(offset_K !== undefined && { offset_K }),
});

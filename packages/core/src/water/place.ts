import { fahrenheit, FOOT_M } from '../quantity/index.js';
import { around, type Range } from '../range/index.js';
import { ALTITUDE_RANGE_M, standardPressure_kPa } from './atmosphere.js';
import { saturationPressure_kPa, saturationTemperature_C } from './saturation.js';

/** Where the kettle stands, as far as it is known. */
export interface Place {
  readonly altitude_m?: number;
  /** Station pressure, not the one a forecast reduces to sea level. */
  readonly pressure_kPa?: number;
  /** Boiling water as read on the thermometer in use. */
  readonly boilingPoint_C?: number;
  /**
   * How much too high the thermometer in use reads, as past boils tell, K, 5-95 %. Boiling water
   * measured with it beats this.
   */
  readonly offset_K?: Range;
}

/**
 * 8 F above boiling water: the usual rise to the gel point. Common practice; also USDA Complete
 * Guide to Home Canning, Guide 7 (from memory).
 */
export const GEL_RISE_C = (8 * 5) / 9;

export type BoilingPointFrom = 'measured' | 'learned' | 'pressure' | 'altitude' | 'sea-level';

export interface BoilingPoint {
  /**
   * On the thermometer in use when `from` is "measured" or "learned", otherwise true; 5-95 % for
   * the weather and the reading.
   */
  readonly boilingPoint_C: Range;
  readonly pressure_kPa: number;
  readonly from: BoilingPointFrom;
}

/**
 * Half the 5-95 % range of the boiling point, in kelvin, by how it is known. Weather +-2 kPa is
 * +-0.55 K.
 */
const DOUBT_K: Readonly<Record<Exclude<BoilingPointFrom, 'learned'>, number>> = {
  measured: 0.2,
  pressure: 0.2,
  altitude: 0.55,
  'sea-level': 0.55,
};

/**
 * The boiling point of water at a place. Order of trust: boiling water measured with the
 * thermometer in use, then station pressure, then altitude; with none of them sea level is assumed.
 * What past boils have told of the thermometer is added to the last three.
 *
 * @returns degrees Celsius with the range weather and reading leave, the pressure it implies, and
 * where it came from
 */
export function boilingPointAt(place: Place): BoilingPoint {
  const at = (mid: number, pressure_kPa: number, from: keyof typeof DOUBT_K): BoilingPoint => {
    const { offset_K } = place;
    if (offset_K === undefined || from === 'measured')
      return {
        boilingPoint_C: around(mid, DOUBT_K[from]),
        pressure_kPa,
        from,
      };
    const read = mid + offset_K.mid;
    const doubt = Math.hypot(DOUBT_K[from], (offset_K.high - offset_K.low) / 2);
    return {
      boilingPoint_C: around(read, doubt),
      pressure_kPa,
      from: 'learned',
    };
  };
  if (place.boilingPoint_C !== undefined) {
    // A thermometer that is wrong must not change the pressure the syrup boils at, if the altitude
    // is known.
    const pressure_kPa =
      place.pressure_kPa ??
      (place.altitude_m !== undefined
        ? standardPressure_kPa(place.altitude_m)
        : saturationPressure_kPa(place.boilingPoint_C));
    return at(place.boilingPoint_C, pressure_kPa, 'measured');
  }
  if (place.pressure_kPa !== undefined)
    return at(saturationTemperature_C(place.pressure_kPa), place.pressure_kPa, 'pressure');
  const pressure_kPa = standardPressure_kPa(place.altitude_m ?? 0);
  return at(
    saturationTemperature_C(pressure_kPa),
    pressure_kPa,
    place.altitude_m === undefined ? 'sea-level' : 'altitude',
  );
}

/**
 * Temperature at which the preserve has set, on the thermometer the boiling point was read on.
 * @param rise_K default 8 F
 */
export function gelTemperature_C(place: Place, rise_K: number = GEL_RISE_C): number {
  return boilingPointAt(place).boilingPoint_C.mid + rise_K;
}

export type PlaceField = keyof Place;
export interface PlaceProblem {
  readonly field: PlaceField;
  readonly message: string;
}

/** Station pressures of places people cook at, kPa. */
export const PRESSURE_LIMITS_KPA = { least: 48, most: 109 } as const;
/** What a thermometer may show in boiling water where people cook, C. */
export const BOILING_POINT_LIMITS_C = { least: 75, most: 108 } as const;

const isWithin = (value: number, { least, most }: { least: number; most: number }): boolean =>
  value >= least && value <= most;

/** What is wrong with a place, field by field; empty when it can be believed. */
export function checkPlace(place: Place): PlaceProblem[] {
  const problems: PlaceProblem[] = [];
  const { altitude_m, pressure_kPa, boilingPoint_C } = place;
  if (altitude_m !== undefined && !isWithin(altitude_m, ALTITUDE_RANGE_M)) {
    problems.push({
      field: 'altitude_m',
      message: `${Math.round(altitude_m)} m (${Math.round(altitude_m / FOOT_M)} ft) is not a height people cook at; write one from ${ALTITUDE_RANGE_M.least} to ${ALTITUDE_RANGE_M.most} m`,
    });
  }
  if (pressure_kPa !== undefined && !isWithin(pressure_kPa, PRESSURE_LIMITS_KPA)) {
    problems.push({
      field: 'pressure_kPa',
      message: `${pressure_kPa} kPa is not the pressure of air anywhere people cook; write the station pressure, 48 to 109 kPa (480 to 1090 hPa)`,
    });
  }
  if (boilingPoint_C !== undefined && !isWithin(boilingPoint_C, BOILING_POINT_LIMITS_C)) {
    problems.push({
      field: 'boilingPoint_C',
      message: `water boiling at ${boilingPoint_C.toFixed(1)} C (${fahrenheit(boilingPoint_C).toFixed(1)} F) is not believable; write what the thermometer shows in boiling water, 75 to 108 C (167 to 226 F)`,
    });
  }
  return problems;
}

/**
 * How far a measured boiling point is from what the altitude says, kelvin: the thermometer's error
 * plus the weather. Undefined unless both are known.
 */
export function thermometerOffset_K(place: Place): number | undefined {
  if (place.boilingPoint_C === undefined || place.altitude_m === undefined) return undefined;
  return place.boilingPoint_C - saturationTemperature_C(standardPressure_kPa(place.altitude_m));
}

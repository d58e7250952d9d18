import { IsBoolean, IsIn, IsNumber, IsOptional, Max, Min, ValidateIf } from 'class-validator';
import {
  ALTITUDE_RANGE_M,
  BOILING_POINT_LIMITS_C,
  PRESSURE_LIMITS_KPA,
  type UnitSystem,
  FOOT_M,
} from '@idle-kettle/core';
import { KitchenGear } from './gear.js';
import { Moment } from './moments.js';
import { Name, Within, IfPresent, PartOf } from './rules.js';

export const UNIT_SYSTEMS = ['metric', 'us'] as const satisfies UnitSystem[];
export const TEMPERATURE_UNITS = ['C', 'F'] as const;
export type TemperatureUnit = (typeof TEMPERATURE_UNITS)[number];

const metres = `write a height from ${ALTITUDE_RANGE_M.least} to ${ALTITUDE_RANGE_M.most} m (${Math.ceil(ALTITUDE_RANGE_M.least / FOOT_M)} to ${Math.floor(ALTITUDE_RANGE_M.most / FOOT_M)} ft)`;

/** The kitchen as its maker sets it. A value that is not known is null. */
export class KitchenSettings {
  @Name(80)
  name!: string;

  /** Metres above the sea, as stated by the maker. */
  @ValidateIf((k: KitchenSettings) => k.altitude_m !== null)
  @IsNumber({ allowNaN: false, allowInfinity: false }, { message: metres })
  @Min(ALTITUDE_RANGE_M.least, { message: metres })
  @Max(ALTITUDE_RANGE_M.most, { message: metres })
  altitude_m!: number | null;

  /** Boiling water as read on the thermometer in use, degrees Celsius. */
  @ValidateIf((k: KitchenSettings) => k.boilingPoint_C !== null)
  @IsNumber(
    { allowNaN: false, allowInfinity: false },
    { message: 'write what the thermometer shows in boiling water, 75 to 108 °C (167 to 226 °F)' },
  )
  @Min(BOILING_POINT_LIMITS_C.least, {
    message: 'water does not boil this cool where people live; write 75 to 108 °C (167 to 226 °F)',
  })
  @Max(BOILING_POINT_LIMITS_C.most, {
    message: 'water does not boil this hot in an open pan; write 75 to 108 °C (167 to 226 °F)',
  })
  boilingPoint_C!: number | null;

  @IsOptional()
  @Moment('write when it was measured, as 2026-09-12T18:00:00Z')
  boilingPointMeasuredAt!: string | null;

  /** Station pressure, kilopascals: not the one a forecast reduces to sea level. */
  @IsOptional()
  @Within(
    PRESSURE_LIMITS_KPA.least,
    PRESSURE_LIMITS_KPA.most,
    'write the pressure at your own height, 480 to 1090 hPa; a forecast gives it reduced to sea level, which is not it',
  )
  pressure_kPa?: number | null;

  @IsOptional()
  @Moment('write when it was read, as 2026-09-12T18:00:00Z')
  pressureReadAt?: string | null;

  /** South of the equator: the seasons are the other way round. */
  @IfPresent()
  @IsBoolean({ message: 'write true or false' })
  southern?: boolean;

  @IfPresent()
  @PartOf(() => KitchenGear, 'write what stands in the kitchen')
  gear?: KitchenGear;

  @IsIn(UNIT_SYSTEMS, { message: `write one of ${UNIT_SYSTEMS.join(', ')}` })
  units!: UnitSystem;

  @IsIn(TEMPERATURE_UNITS, { message: 'write C or F' })
  temperatureUnit!: TemperatureUnit;
}

/** Settings, and which ones they were made from: a form that is out of date is refused. */
export class SaveKitchen extends KitchenSettings {
  /** `updatedAt` of the settings that were changed; left out, whatever is there is replaced. */
  @IfPresent()
  @Moment('write when the settings were saved that were changed')
  seenAt?: string;
}

export interface KitchenView extends Required<KitchenSettings> {
  readonly id: string;
  readonly updatedAt: string;
}

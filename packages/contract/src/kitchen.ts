import {
  IsIn,
  IsISO8601,
  IsNumber,
  IsOptional,
  IsString,
  Length,
  Max,
  Min,
  ValidateIf,
} from 'class-validator';
import { ALTITUDE_RANGE_M, type UnitSystem } from '@idle-kettle/core';

export const UNIT_SYSTEMS = ['metric', 'us'] as const satisfies UnitSystem[];
export const TEMPERATURE_UNITS = ['C', 'F'] as const;
export type TemperatureUnit = (typeof TEMPERATURE_UNITS)[number];

const metres = `write a height from ${ALTITUDE_RANGE_M.least} to ${ALTITUDE_RANGE_M.most} m (${Math.ceil(ALTITUDE_RANGE_M.least / 0.3048)} to ${Math.floor(ALTITUDE_RANGE_M.most / 0.3048)} ft)`;

/** The kitchen as its maker sets it. A value that is not known is null. */
export class KitchenSettings {
  @IsString({ message: 'write a name' })
  @Length(1, 80, { message: 'write a name of 1 to 80 letters' })
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
  @Min(75, { message: 'water does not boil this cool where people live; write 75 to 108 °C (167 to 226 °F)' })
  @Max(108, { message: 'water does not boil this hot in an open pot; write 75 to 108 °C (167 to 226 °F)' })
  boilingPoint_C!: number | null;

  @IsOptional()
  @IsISO8601({ strict: true }, { message: 'write when it was measured, as 2026-09-12T18:00:00Z' })
  boilingPointMeasuredAt!: string | null;

  @IsIn(UNIT_SYSTEMS, { message: `write one of ${UNIT_SYSTEMS.join(', ')}` })
  units!: UnitSystem;

  @IsIn(TEMPERATURE_UNITS, { message: 'write C or F' })
  temperatureUnit!: TemperatureUnit;
}

export interface KitchenView extends KitchenSettings {
  readonly id: string;
  readonly updatedAt: string;
}

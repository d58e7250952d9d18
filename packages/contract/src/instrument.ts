import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsIn,
  IsUUID,
  registerDecorator,
  ValidateIf,
  type ValidationArguments,
} from 'class-validator';
import { VALUE_LIMITS, type ValueName } from '@idle-kettle/core';
import { isMoment, Moment } from './moments.js';
import { Name, PotValue, IfPresent, EachAnObject } from './rules.js';

export const INSTRUMENT_KINDS = ['thermometer', 'scale', 'refractometer', 'simulated'] as const;
export type InstrumentKind = (typeof INSTRUMENT_KINDS)[number];

export interface InstrumentView {
  readonly id: string;
  readonly name: string;
  readonly kind: InstrumentKind;
  /** The pot it stands in now, or null. */
  readonly batchId: string | null;
}

/** With the token it sends its values by, which is shown once. */
export interface InstrumentWithToken extends InstrumentView {
  readonly token: string;
}

export class NewInstrument {
  @IsUUID(undefined, { message: 'write a UUID' })
  id!: string;

  @Name(60)
  name!: string;

  @IsIn(INSTRUMENT_KINDS, { message: `write one of ${INSTRUMENT_KINDS.join(', ')}` })
  kind!: InstrumentKind;

  /** The pot it stands in. */
  @IfPresent()
  @IsUUID(undefined, { message: 'write the id of a batch' })
  batchId?: string;
}

export class ChangeInstrument {
  @IfPresent()
  @Name(60)
  name?: string;

  /** Null takes it out of its pot. */
  @ValidateIf((body: ChangeInstrument) => body.batchId !== undefined && body.batchId !== null)
  @IsUUID(undefined, { message: 'write the id of a batch, or null' })
  batchId?: string | null;
}

const VALUES = Object.keys(VALUE_LIMITS) as ValueName[];

/** Exactly one of the three values. */
function IsOneValue() {
  return (object: object, propertyName: string): void => {
    registerDecorator({
      name: 'isOneValue',
      target: object.constructor,
      propertyName,
      validator: {
        validate: (_: unknown, { object: reading }: ValidationArguments) =>
          VALUES.filter((key) => (reading as InstrumentReading)[key] !== undefined).length === 1,
        defaultMessage: () => `write one of ${VALUES.join(', ')} beside the time`,
      },
    });
  };
}

/** One value as an instrument sends it. */
export class InstrumentReading {
  /**
   * When it was taken, by the instrument's clock; the same moment and kind again is the same value.
   */
  @Moment('write when, as 2026-09-12T18:00:00.000Z')
  @IsOneValue()
  at!: string;

  @IfPresent()
  @PotValue('temperature_C')
  temperature_C?: number;

  @IfPresent()
  @PotValue('mass_kg')
  mass_kg?: number;

  @IfPresent()
  @PotValue('percent')
  percent?: number;
}

export class SendReadings {
  @IsArray({ message: 'write a list of readings' })
  @ArrayMinSize(1, { message: 'write at least one reading' })
  @ArrayMaxSize(500, { message: 'write at most 500 readings at once' })
  @EachAnObject()
  @Type(() => InstrumentReading)
  readings!: InstrumentReading[];
}

/**
 * The readings of a message as most probes send it, without the cost of the rules: a thousand come
 * every second. What it takes, the rules of {@link SendReadings} take too; what it does not take
 * may still be right, and the rules say.
 */
export function plainReadings(body: unknown): readonly InstrumentReading[] | undefined {
  const { readings, ...rest } = (typeof body === 'object' && body !== null ? body : {}) as {
    readings?: unknown;
  };
  if (
    !Array.isArray(readings) ||
    readings.length === 0 ||
    readings.length > 500 ||
    Object.keys(rest).length > 0
  )
    return undefined;
  const plain = (readings as unknown[]).every((reading) => {
    if (typeof reading !== 'object' || reading === null) return false;
    const entries = Object.entries(reading);
    const { at } = reading as { at?: unknown };
    if (entries.length !== 2 || !isMoment(at)) return false;
    const [key, value] = entries.find(([name]) => name !== 'at') ?? [''];
    const limits = key in VALUE_LIMITS ? VALUE_LIMITS[key as ValueName] : undefined;
    return (
      limits !== undefined && typeof value === 'number' && value >= limits[0] && value <= limits[1]
    );
  });
  return plain ? (readings as InstrumentReading[]) : undefined;
}

export interface IntakeResult {
  /** How many of the message are stored now, those that were there already with them. */
  readonly kept: number;
}

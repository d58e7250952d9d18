import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsIn,
  IsInt,
  IsISO8601,
  IsNumber,
  IsObject,
  IsString,
  IsUUID,
  Length,
  Matches,
  Max,
  Min,
  registerDecorator,
  ValidateIf,
  ValidateNested,
  validateSync,
  type ValidationArguments,
} from 'class-validator';
import { plainToInstance } from 'class-transformer';
import {
  EVENT_TYPES,
  TEST_VERDICTS,
  TEST_WAYS,
  type EventType,
  type TestVerdict,
  type TestWay,
} from '@idle-kettle/core';
import { flattenErrors } from './problem.js';

const celsius = { message: 'write a temperature in °C, -100 to 1000' };

export class PlannedBody {
  @IsIn(['ready', 'start'], { message: 'write ready or start' }) by!: 'ready' | 'start';
  @IsISO8601({ strict: true }, { message: 'write a time, as 2026-09-12T21:00:00Z' }) at!: string;
}

export class StepBody {
  @Matches(/^[a-z0-9-]{1,60}$/, { message: 'write the code of a step, such as "fill"' }) code!: string;
}

export class LightBody {
  @IsNumber({}, celsius) @Min(60, celsius) @Max(140, celsius) gelTemperature_C!: number;
  @IsNumber({}, celsius) @Min(60, celsius) @Max(120, celsius) boilingPoint_C!: number;
}

/** Kept as read; core sets apart what a pot cannot have. */
export class ReadingBody {
  @IsNumber({}, celsius) @Min(-100, celsius) @Max(1000, celsius) temperature_C!: number;
}

const weight = { message: 'write the weight of what is in the pot, 0.01 to 200 kg' };
export class WeighedBody {
  @IsNumber({}, weight) @Min(0.01, weight) @Max(200, weight) mass_kg!: number;
}

const brix = { message: 'write what the refractometer shows, 0 to 95 %' };
export class BrixBody {
  @IsNumber({}, brix) @Min(0, brix) @Max(95, brix) percent!: number;
}

export class HeatBody {
  @IsIn(['up', 'down'], { message: 'write up or down' }) turned!: 'up' | 'down';
}

export class TestBody {
  @IsIn(TEST_WAYS, { message: `write one of ${TEST_WAYS.join(', ')}` }) way!: TestWay;
  @IsIn(TEST_VERDICTS, { message: `write one of ${TEST_VERDICTS.join(', ')}` }) verdict!: TestVerdict;
}

export class TextBody {
  @IsString({ message: 'write some text' })
  @Length(1, 2000, { message: 'write 1 to 2000 letters' })
  text!: string;
}

export class JarsFilledBody {
  @IsString({ message: 'write a jar size' }) @Length(1, 20, { message: 'write a jar size' }) size!: string;
  @IsInt({ message: 'write a whole number of full jars' })
  @Min(0, { message: 'write 0 or more jars' })
  @Max(1000, { message: 'write at most 1000 jars' })
  full!: number;
  @IsNumber({}, { message: 'write how full the part jar is, 0 to 1' })
  @Min(0, { message: 'write 0 to 1' })
  @Max(0.99, { message: 'write less than 1; a full jar counts as full' })
  part!: number;
}

export class JarredBody {
  @IsArray({ message: 'write a list of jars' })
  @ArrayMaxSize(20, { message: 'write at most 20 sizes' })
  @ValidateNested({ each: true })
  @Type(() => JarsFilledBody)
  jars!: JarsFilledBody[];
}

export class ProcessedBody {
  @IsIn(['boiling-water', 'steam'], { message: 'write boiling-water or steam' })
  method!: 'boiling-water' | 'steam';
  @IsNumber({}, { message: 'write the minutes of the process' })
  @Min(1, { message: 'write at least one minute' })
  @Max(240, { message: 'write at most 240 minutes' })
  minutes!: number;
  @ValidateIf((body: ProcessedBody) => body.altitude_m !== null)
  @IsNumber({}, { message: 'write the altitude in metres, or null' })
  @Min(-430, { message: 'write an altitude from -430 m' })
  @Max(5500, { message: 'write an altitude to 5500 m' })
  altitude_m!: number | null;
}

export class UndoBody {
  @IsUUID(undefined, { message: 'write the id of the event to take back' }) eventId!: string;
}

export class NothingBody {}

const BODIES: Readonly<Record<EventType, new () => object>> = {
  planned: PlannedBody,
  step: StepBody,
  light: LightBody,
  reading: ReadingBody,
  weighed: WeighedBody,
  brix: BrixBody,
  'sugar-in': NothingBody,
  heat: HeatBody,
  test: TestBody,
  addition: TextBody,
  note: TextBody,
  minute: NothingBody,
  'off-heat': NothingBody,
  'on-heat': NothingBody,
  done: NothingBody,
  jarred: JarredBody,
  processed: ProcessedBody,
  undo: UndoBody,
};

/** What is wrong with a body, for the type it came with. */
function bodyProblems(type: unknown, body: unknown): string[] {
  const shape = BODIES[type as EventType] as (new () => object) | undefined;
  if (!shape || typeof body !== 'object' || body === null) return [];
  const errors = validateSync(plainToInstance(shape, body), {
    whitelist: true,
    forbidNonWhitelisted: true,
    forbidUnknownValues: false,
  });
  return flattenErrors(errors).map(({ path, message }) => `${path}: ${message}`);
}

/** The body must be the one its event type carries. */
function IsBodyOfItsType() {
  return (object: object, propertyName: string): void => {
    registerDecorator({
      name: 'isBodyOfItsType',
      target: object.constructor,
      propertyName,
      validator: {
        validate: (body: unknown, args: ValidationArguments) =>
          bodyProblems((args.object as EventBody).type, body).length === 0,
        defaultMessage: (args: ValidationArguments) =>
          bodyProblems((args.object as EventBody).type, args.value).join('; '),
      },
    });
  };
}

/** One thing that happened, as the device that saw it tells it. */
export class EventBody {
  /** Made by the device; the same id again changes nothing. */
  @IsUUID(undefined, { message: 'write a UUID' })
  id!: string;

  @IsIn(EVENT_TYPES, { message: `write one of ${EVENT_TYPES.join(', ')}` })
  type!: EventType;

  @IsISO8601(
    { strict: true, strictSeparator: true },
    { message: 'write when it happened, as 2026-09-12T18:00:00.000Z' },
  )
  at!: string;

  @IsString({ message: 'write the device' })
  @Length(1, 60, { message: 'write a device name of 1 to 60 letters' })
  device!: string;

  @IsObject({ message: 'write what happened as an object' })
  @IsBodyOfItsType()
  body!: object;
}

export class AppendEvents {
  @IsArray({ message: 'write a list of events' })
  @ArrayMinSize(1, { message: 'write at least one event' })
  @ArrayMaxSize(500, { message: 'write at most 500 events at once' })
  @ValidateNested({ each: true })
  @Type(() => EventBody)
  events!: EventBody[];
}

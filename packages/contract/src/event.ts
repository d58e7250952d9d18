import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsObject,
  IsOptional,
  IsString,
  IsUUID,
  Length,
  Matches,
  registerDecorator,
  ValidateIf,
  validateSync,
  type ValidationArguments,
} from 'class-validator';
import { plainToInstance } from 'class-transformer';
import {
  EVENT_TYPES,
  FORMULA_FIELDS,
  HEATS,
  LIDS,
  PAUSES,
  TEST_VERDICTS,
  TEST_WAYS,
  VESSELS,
  WHERE_COOKED,
  type EventType,
  type Heat,
  type Lid,
  type Pause,
  type TestVerdict,
  type TestWay,
  type Vessel,
  type WhereCooked,
} from '@idle-kettle/core';
import { flattenErrors, RULE_OF_PARTS, type FieldProblem } from './problem.js';
import {
  HeatStatedBody,
  JarredBody,
  JudgedBody,
  LidsBody,
  MeasuredPHEventBody,
  ProcessBegunBody,
  ProcessedBody,
  ScoredBody,
  SealsBody,
  ShownBody,
  UnsealedBody,
} from './jar-events.js';
import { FormulaBody, LONGEST_TEXT, MOST_LINES } from './formula.js';
import { Moment } from './moments.js';
import { Altitude, Count, PotValue, Within, IfPresent, PartOf, EachAnObject } from './rules.js';

export class PlannedBody {
  @IsIn(['ready', 'start'], { message: 'write ready or start' }) by!: 'ready' | 'start';
  @Moment('write a time, as 2026-09-12T21:00:00Z') at!: string;

  @IfPresent()
  @IsArray({ message: 'write a list of codes of steps' })
  @ArrayMaxSize(20, { message: 'write at most 20 steps' })
  @Matches(/^[a-z0-9-]{1,60}$/, { each: true, message: 'write the code of a step, such as "soak"' })
  with?: string[];
}

export class StepBody {
  @Matches(/^[a-z0-9-]{1,60}$/, { message: 'write the code of a step, such as "fill"' })
  code!: string;
}

export class LightBody {
  @Within(60, 140, 'write where to stop, 60 to 140 °C') gelTemperature_C!: number;
  @Within(60, 120, 'write where water boils, 60 to 120 °C') boilingPoint_C!: number;

  @IsOptional()
  @ValidateIf((body: LightBody) => body.altitude_m !== null)
  @Altitude()
  altitude_m?: number | null;

  @IfPresent()
  @IsUUID(undefined, { message: 'write the id of the pan it is in' })
  pan?: string;

  @IfPresent()
  @IsUUID(undefined, { message: 'write the id of the burner it is on' })
  ring?: string;
}

/** What an instrument's value carries besides; the server fills it in. */
class ByInstrumentBody {
  @IfPresent()
  @IsUUID(undefined, { message: 'write the id of the instrument' })
  instrument?: string;

  @IfPresent()
  @Moment('write a time, as 2026-09-12T21:00:00Z')
  heardAt?: string;
}

/** Kept as read; core sets apart what a pot cannot have. */
export class ReadingBody extends ByInstrumentBody {
  @PotValue('temperature_C') temperature_C!: number;
}

export class WeighedBody extends ByInstrumentBody {
  @PotValue('mass_kg') mass_kg!: number;
}

export class BrixBody extends ByInstrumentBody {
  @PotValue('percent') percent!: number;
}

export class HeatBody {
  @IsIn(['up', 'down'], { message: 'write up or down' }) turned!: 'up' | 'down';
}

export class TestBody {
  @IsIn(TEST_WAYS, { message: `write one of ${TEST_WAYS.join(', ')}` }) way!: TestWay;
  @IsIn(TEST_VERDICTS, { message: `write one of ${TEST_VERDICTS.join(', ')}` })
  verdict!: TestVerdict;
}

export class TextBody {
  @IsString({ message: 'write some text' })
  @Length(1, 2000, { message: 'write 1 to 2000 letters' })
  text!: string;
}

export class AdditionBody extends TextBody {
  @IfPresent()
  @IsBoolean({ message: 'write true where it is a part of what the formula has' })
  planned?: boolean;

  @IfPresent()
  @Count(0, MOST_LINES - 1, 'write its place in the lines, from 0')
  line?: number;
}

export class AltitudeBody {
  @Altitude() altitude_m!: number;
}

export class FormulaFilledBody {
  @PartOf(() => FormulaBody, 'write a formula document')
  document!: FormulaBody;
}

export class OmissionBody {
  @IfPresent()
  @Count(0, MOST_LINES - 1, 'write its place in the lines, from 0')
  line?: number;

  @IsString({ message: 'write the ingredient' })
  @Length(1, LONGEST_TEXT, {
    message: 'write the id of an ingredient of the formula, such as "lemon-juice-bottled"',
  })
  ingredient!: string;
}

export class CookerBody {
  @IsIn(VESSELS, { message: `write one of ${VESSELS.join(', ')}` }) vessel!: Vessel;
}

/** Where it cooks from now on. */
export class CookingBody {
  @IsIn(WHERE_COOKED, { message: `write one of ${WHERE_COOKED.join(', ')}` }) where!: WhereCooked;
  @IsIn(LIDS, { message: `write one of ${LIDS.join(', ')}` }) lid!: Lid;
  @IsIn(HEATS, { message: `write one of ${HEATS.join(', ')}` }) heat!: Heat;

  @IfPresent()
  @Count(1, FORMULA_FIELDS.document.stages.most, 'write the number of a stage, from 1')
  stage?: number;
}

export class DepthBody {
  @Within(0.02, 1.5, 'write the share of the depth that is left, such as 0.67') left!: number;
}

export class PausedBody {
  @IsIn(PAUSES, { message: `write one of ${PAUSES.join(', ')}` }) kept!: Pause;
}

export class SimulatedBody {
  @Within(1, 60, 'write how many times as fast, 1 to 60') speed!: number;
  @Moment('write a time, as 2026-09-12T21:00:00Z')
  realAt!: string;
  @Within(0, 5, 'write the noise in K, 0 to 5') noise_K!: number;
  @Within(-20, 20, 'write the offset in K, -20 to 20') offset_K!: number;
  @Within(0, 300, 'write the lag in seconds, 0 to 300') lag_s!: number;
  @Within(0, 0.5, 'write the share of time it is silent, 0 to 0.5') dropouts!: number;
}

export class UndoBody {
  @IsUUID(undefined, { message: 'write the id of the event to undo' }) eventId!: string;
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
  altitude: AltitudeBody,
  'formula-filled': FormulaFilledBody,
  'heat-stated': HeatStatedBody,
  'measured-ph': MeasuredPHEventBody,
  addition: AdditionBody,
  omission: OmissionBody,
  note: TextBody,
  minute: NothingBody,
  vessel: CookerBody,
  cooking: CookingBody,
  depth: DepthBody,
  stirred: NothingBody,
  paused: PausedBody,
  simulated: SimulatedBody,
  'off-heat': NothingBody,
  'on-heat': NothingBody,
  done: NothingBody,
  jarred: JarredBody,
  'process-begun': ProcessBegunBody,
  'process-lost': NothingBody,
  processed: ProcessedBody,
  lids: LidsBody,
  seals: SealsBody,
  unsealed: UnsealedBody,
  scored: ScoredBody,
  judged: JudgedBody,
  shown: ShownBody,
  undo: UndoBody,
};

/** What is wrong with a body, for the type it came with. */
function bodyProblems(type: unknown, body: unknown): FieldProblem[] {
  const shape = BODIES[type as EventType] as (new () => object) | undefined;
  if (!shape || typeof body !== 'object' || body === null) return [];
  const errors = validateSync(plainToInstance(shape, body), {
    whitelist: true,
    forbidNonWhitelisted: true,
    forbidUnknownValues: false,
  });
  return flattenErrors(errors);
}

/** The body must be the one its event type carries. */
function IsBodyOfItsType() {
  return (object: object, propertyName: string): void => {
    registerDecorator({
      name: RULE_OF_PARTS,
      target: object.constructor,
      propertyName,
      validator: {
        validate: (body: unknown, args: ValidationArguments) =>
          bodyProblems((args.object as EventBody).type, body).length === 0,
        defaultMessage: (args: ValidationArguments) =>
          JSON.stringify(bodyProblems((args.object as EventBody).type, args.value)),
      },
    });
  };
}

/** The longest name of a device, letters. */
export const LONGEST_DEVICE = 60;

/** One thing that happened, as the device that saw it tells it. */
export class EventBody {
  /** Made by the device; the same id again changes nothing. */
  @IsUUID(undefined, { message: 'write a UUID' })
  id!: string;

  @IsIn(EVENT_TYPES, { message: `write one of ${EVENT_TYPES.join(', ')}` })
  type!: EventType;

  @Moment('write when it happened, as 2026-09-12T18:00:00.000Z')
  at!: string;

  /** What the clock of the device showed, where `at` was corrected. */
  @IfPresent()
  @Moment('write what the clock showed, as 2026-09-12T18:00:00.000Z')
  saidAt?: string;

  @IsString({ message: 'write the device' })
  @Length(1, LONGEST_DEVICE, { message: `write a device name of 1 to ${LONGEST_DEVICE} letters` })
  device!: string;

  @IsObject({ message: 'write what happened as an object' })
  @IsBodyOfItsType()
  body!: object;
}

export class AppendEvents {
  @IsArray({ message: 'write a list of events' })
  @ArrayMinSize(1, { message: 'write at least one event' })
  @ArrayMaxSize(500, { message: 'write at most 500 events at once' })
  @EachAnObject()
  @Type(() => EventBody)
  events!: EventBody[];
}

import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayUnique,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNumber,
  IsString,
  Length,
  Max,
  Min,
  ValidateIf,
} from 'class-validator';
import {
  MOST_POINTS,
  SHOW_RESULTS,
  UNSEALED_PLACES,
  type Judged,
  type ShowResult,
  type UnsealedPlace,
} from '@idle-kettle/core';
import { MOST_JAR_SIZES } from './formula.js';
import { Day, Moment } from './moments.js';
import {
  Altitude,
  all,
  Count,
  JarNumbers,
  Name,
  Text,
  Within,
  IfPresent,
  PartOf,
  EachAnObject,
} from './rules.js';

/**
 * Letters of a jar's id: one that was counted without an id of its own is known by the id of the count,
 * its size and its number.
 */
const LONGEST_JAR_ID = 80;

/** Full jars by the ids they were given where each was tapped. */
export function JarIds(): PropertyDecorator {
  const message = 'write the ids of jars, each once';
  return all(
    IfPresent(),
    IsArray({ message }),
    ArrayUnique({ message }),
    ArrayMaxSize(1000, { message: 'write at most 1000 jars' }),
    IsString({ each: true, message }),
    Length(1, LONGEST_JAR_ID, { each: true, message }),
  );
}

export class JarsFilledBody {
  @IsString({ message: 'write a jar size' })
  @Length(1, 20, { message: 'write a jar size' })
  size!: string;
  @IsInt({ message: 'write a whole number of full jars' })
  @Min(0, { message: 'write 0 or more jars' })
  @Max(1000, { message: 'write at most 1000 jars' })
  full!: number;
  @IsNumber({}, { message: 'write how full the part jar is, 0 to 1' })
  @Min(0, { message: 'write 0 to 1' })
  @Max(0.99, { message: 'write less than 1; a full jar counts as full' })
  part!: number;

  @JarIds() added?: string[];
  @JarIds() removed?: string[];

  @IfPresent()
  @Within(10, 5000, 'write what a full jar holds, 10 to 5000 g, without its glass and lid')
  net_g?: number;
}

export class JarredBody {
  @IsArray({ message: 'write a list of jars' })
  @ArrayMaxSize(MOST_JAR_SIZES, { message: `write at most ${MOST_JAR_SIZES} sizes` })
  @EachAnObject()
  @Type(() => JarsFilledBody)
  jars!: JarsFilledBody[];
}

export class JarCountBody {
  @Text(20, 'write a jar size such as "half-pint"') size!: string;
  @Count(1, 1000, 'write how many jars, 1 to 1000') count!: number;
}

/** The full jars of one load of the canner, by size; all of them where it is left out. */
function JarsOfLoad(): PropertyDecorator {
  return all(
    IfPresent(),
    IsArray({ message: 'write a list of jars' }),
    ArrayMaxSize(MOST_JAR_SIZES, { message: `write at most ${MOST_JAR_SIZES} sizes` }),
    EachAnObject(),
    Type(() => JarCountBody),
  );
}

export class ProcessBegunBody {
  @Within(1, 240, 'write the minutes of the process, 1 to 240') minutes!: number;
  @JarsOfLoad() jars?: JarCountBody[];
}

export class HeatStatedBody {
  @IsBoolean({ message: 'write true where it reached its heat and was filled hot' })
  reached!: boolean;
}

export class MeasuredPHEventBody {
  @Within(1.5, 9, 'write a pH from 1.5 to 9') value!: number;
  @IsBoolean({ message: 'write true where the meter was set in two buffers that day' })
  twoBuffers!: boolean;
}

export class SomeJarsBody {
  @Text(20, 'write a jar size such as "half-pint"') size!: string;
  @JarNumbers() jars!: number[];
}

export class ProcessedBody {
  @IsIn(['boiling-water', 'steam'], { message: 'write boiling-water or steam' })
  method!: 'boiling-water' | 'steam';
  @IsNumber({}, { message: 'write the minutes of the process' })
  @Min(1, { message: 'write at least one minute' })
  @Max(240, { message: 'write at most 240 minutes' })
  minutes!: number;
  @ValidateIf((body: ProcessedBody) => body.altitude_m !== null)
  @Altitude()
  altitude_m!: number | null;
  @JarsOfLoad() jars?: JarCountBody[];
  @IfPresent()
  @Moment('write a time, as 2026-09-12T21:00:00Z')
  startedAt?: string;
  @IfPresent()
  @PartOf(() => SomeJarsBody, 'write { "size", "jars" }')
  again?: SomeJarsBody;
}

export class LidsBody {
  @Count(0, 2000, 'write how many lids were laid out, 0 to 2000') out!: number;
  @Count(0, 2000, 'write how many lids are left, 0 to 2000') left!: number;
}

export class SealsBody {
  @Text(20, 'write a jar size such as "half-pint"') size!: string;
  @JarNumbers() failed!: number[];
}

export class ScoredBody {
  @Count(-2, 2, 'write the set from -2 (runs) to 2 (stiff)') set!: number;
  @Count(1, 5, 'write the taste from 1 to 5') taste!: number;
}

const POINTS = `write points from 0 to ${MOST_POINTS}`;

export class JudgedBody implements Record<Judged, number> {
  @Count(0, MOST_POINTS, POINTS) headspace!: number;
  @Count(0, MOST_POINTS, POINTS) jar!: number;
  @Count(0, MOST_POINTS, POINTS) clarity!: number;
  @Count(0, MOST_POINTS, POINTS) colour!: number;
  @Count(0, MOST_POINTS, POINTS) set!: number;
  @Count(0, MOST_POINTS, POINTS) flavour!: number;
}

export class ShownBody {
  @Name(80) show!: string;
  @Text(80, 'write the class, such as "jellies"') class!: string;
  @Day() on!: string;
  @IsIn(SHOW_RESULTS, { message: `write one of ${SHOW_RESULTS.join(', ')}` }) result!: ShowResult;
}

export class UnsealedBody extends SomeJarsBody {
  @IsIn(UNSEALED_PLACES, { message: `write one of ${UNSEALED_PLACES.join(', ')}` })
  kept!: UnsealedPlace;
}

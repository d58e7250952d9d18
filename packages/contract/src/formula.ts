import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  Equals,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNumber,
  IsOptional,
  IsString,
  Length,
  Max,
  MaxLength,
  Min,
  ValidateNested,
} from 'class-validator';
import {
  FINISHES,
  FORMS,
  KINDS,
  MAIN_ACIDS,
  METHODS,
  PROCESSINGS,
  RIPENESS,
  STAGES,
  type Decimal,
  type FinishType,
  type Form,
  type Kind,
  type MainAcid,
  type Method,
  type Processing,
  type Ripeness,
  type ShowResult,
  type Stage,
} from '@idle-kettle/core';
import { Day, Percent, PH, Text, Within } from './rules.js';

/*
 * The formula document on the wire. Only its shape is checked here, so that a half-typed formula
 * can be kept; whether it can be computed is core's `readFormula`.
 */

export class CustomCompositionBody {
  @Percent()
  solubleSolidsPercent!: number;

  @IsOptional()
  @Percent()
  insolubleSolidsPercent?: number;

  @IsOptional()
  @PH()
  pH?: number;

  @IsOptional()
  @Percent()
  titratableAcidityPercent?: number;

  @IsOptional()
  @IsIn(MAIN_ACIDS, { message: `write one of ${MAIN_ACIDS.join(', ')}` })
  acid?: MainAcid;

  @IsOptional()
  @Percent()
  pectinPercent?: number;

  @IsOptional()
  @IsNumber({}, { message: 'write a density in kg/m3' })
  densityKgPerM3?: number;
}

export class OverridesBody {
  @IsOptional()
  @Percent()
  solubleSolidsPercent?: number;

  @IsOptional()
  @PH()
  pH?: number;

  @IsOptional()
  @Percent()
  titratableAcidityPercent?: number;

  @IsOptional()
  @Percent()
  pectinPercent?: number;
}

export class FormulaLineBody {
  @IsOptional()
  @Text(120, 'write the ingredient as text')
  ingredient?: string;

  @IsOptional()
  @Text(80, 'write the name as text')
  name?: string;

  @IsOptional()
  @ValidateNested()
  @Type(() => CustomCompositionBody)
  composition?: CustomCompositionBody;

  @IsOptional()
  @IsIn(FORMS, { message: `write one of ${FORMS.join(', ')}` })
  form?: Form;

  @IsOptional()
  @IsIn(RIPENESS, { message: `write one of ${RIPENESS.join(', ')}` })
  ripeness?: Ripeness;

  @IsOptional()
  @Text(60, 'write the variety as text')
  variety?: string;

  @IsOptional()
  @IsIn(STAGES, { message: `write one of ${STAGES.join(', ')}` })
  goesIn?: Stage;

  @Text(80, 'write the amount as text with its unit, such as "1.2 kg"')
  amount!: string;

  @IsOptional()
  @Text(80, 'write a second amount as text, such as "6 cups"')
  alsoStated?: string;

  @IsOptional()
  @ValidateNested()
  @Type(() => OverridesBody)
  overrides?: OverridesBody;
}

export class FinishBody {
  @IsIn(FINISHES, { message: `write one of ${FINISHES.join(', ')}` })
  type!: FinishType;

  @IsOptional()
  @Text(20, 'write a rise such as "8 F"')
  rise?: string;

  @IsOptional()
  @IsNumber({}, { message: 'write a per cent' })
  percent?: number;

  @IsOptional()
  @IsNumber({}, { message: 'write minutes' })
  minutes?: number;

  @IsOptional()
  @Text(20, 'write a weight such as "1.7 kg"')
  mass?: string;

  @IsOptional()
  @Text(20, 'write a temperature such as "170 F"')
  temperature?: string;
}

export class PlaceBody {
  @IsOptional()
  @Text(20, 'write a height such as "310 m"')
  altitude?: string;

  @IsOptional()
  @Text(20, 'write a pressure such as "842 hPa"')
  pressure?: string;

  @IsOptional()
  @Text(20, 'write a temperature such as "201.5 F"')
  boilingPoint?: string;
}

export class JarBody {
  @Text(20, 'write a jar size such as "half-pint"')
  size!: string;

  @IsOptional()
  @Text(20, 'write a headspace such as "1/4 in"')
  headspace?: string;

  @IsOptional()
  @IsInt({ message: 'write a whole number of jars' })
  @Min(0, { message: 'write a whole number of jars, not below zero' })
  @Max(10_000, { message: 'write at most 10,000 jars' })
  count?: number;
}

/** A tested formula, attested by the maker. */
export class TestedSourceBody {
  @IsString({ message: 'write who published it' })
  @Length(1, 120, { message: 'write who published it, in 1 to 120 letters' })
  publisher!: string;

  @IsInt({ message: 'write the year it was published' })
  @Min(1900, { message: 'write a year from 1900 on' })
  @Max(2200, { message: 'write the year it was published' })
  year!: number;

  @IsBoolean({ message: 'write true when it is made unchanged' })
  unchanged!: boolean;

  @IsOptional()
  @Text(32, 'write the fingerprint as text')
  of?: string;
}

export class MeasuredPHBody {
  @PH()
  value!: number;

  @Day()
  meterCalibratedOn!: string;

  @Day()
  measuredOn!: string;

  @IsOptional()
  @Text(32, 'write the fingerprint as text')
  of?: string;
}

export class FormulaBody {
  @Equals('idle-kettle/formula', { message: 'write "idle-kettle/formula"' })
  format!: 'idle-kettle/formula';

  @Equals(1, { message: 'only version 1 is known' })
  version!: 1;

  @IsString({ message: 'write a title' })
  @Length(1, 120, { message: 'write a title of 1 to 120 letters' })
  title!: string;

  @IsIn(KINDS, { message: `write one of ${KINDS.join(', ')}` })
  kind!: Kind;

  @IsIn(METHODS, { message: `write one of ${METHODS.join(', ')}` })
  method!: Method;

  @IsOptional()
  @IsIn(['.', ','], { message: 'write "." or ","' })
  decimal?: Decimal;

  @IsArray({ message: 'write a list of lines' })
  @ArrayMaxSize(200, { message: 'write at most 200 lines' })
  @ValidateNested({ each: true })
  @Type(() => FormulaLineBody)
  lines!: FormulaLineBody[];

  @ValidateNested()
  @Type(() => FinishBody)
  finish!: FinishBody;

  @IsOptional()
  @ValidateNested()
  @Type(() => PlaceBody)
  place?: PlaceBody;

  @IsArray({ message: 'write a list of jars' })
  @ArrayMaxSize(20, { message: 'write at most 20 jar sizes' })
  @ValidateNested({ each: true })
  @Type(() => JarBody)
  jars!: JarBody[];

  @IsOptional()
  @IsIn(PROCESSINGS, { message: `write one of ${PROCESSINGS.join(', ')}` })
  processing?: Processing;

  @IsOptional()
  @IsBoolean({ message: 'write true or false' })
  preSterilised?: boolean;

  @IsOptional()
  @Within(0, 240, 'write minutes, from 0 to 240')
  processMinutes?: number;

  @IsOptional()
  @ValidateNested()
  @Type(() => TestedSourceBody)
  testedSource?: TestedSourceBody;

  @IsOptional()
  @ValidateNested()
  @Type(() => MeasuredPHBody)
  measuredPH?: MeasuredPHBody;

  @IsOptional()
  @Text(60, 'write a yield such as "6 half-pint"')
  statedYield?: string;

  @IsOptional()
  @IsArray({ message: 'write a list of steps' })
  @ArrayMaxSize(200, { message: 'write at most 200 steps' })
  @IsString({ each: true, message: 'write each step as text' })
  @MaxLength(1_000, { each: true, message: 'write steps of at most 1,000 letters' })
  steps?: string[];

  @IsOptional()
  @Text(10_000, 'write notes as text')
  notes?: string;
}

/**
 * Keeps a document. `revision` is the one last seen, 0 for a new document, so that two devices
 * cannot overwrite each other unseen.
 */
export class SaveDocument {
  @ValidateNested({ message: 'write a formula document' })
  @Type(() => FormulaBody)
  document!: FormulaBody;

  @IsInt({ message: 'write the revision last seen, 0 for a new one' })
  @Min(0, { message: 'write the revision last seen, 0 for a new one' })
  revision!: number;
}

/** What is said of a kept formula beside its document. What is not named stays as it is. */
export class MarkFormula {
  @IsOptional()
  @IsBoolean({ message: 'write true or false' })
  favourite?: boolean;

  @IsOptional()
  @IsBoolean({ message: 'write true or false' })
  archived?: boolean;
}

/** A formula as it once was. */
export interface FormulaVersion {
  readonly revision: number;
  readonly document: FormulaBody;
  readonly savedAt: string;
  /** What batches that were laid out by it won at shows, the best of each. */
  readonly prizes: readonly {
    readonly batchId: string;
    readonly show: string;
    readonly class: string;
    readonly result: ShowResult;
  }[];
}

export interface FormulaView {
  readonly id: string;
  readonly document: FormulaBody;
  /** The version that counts, from 1. */
  readonly revision: number;
  readonly favourite: boolean;
  /** Put away, or null. */
  readonly archivedAt: string | null;
  readonly createdAt: string;
  readonly updatedAt: string;
}

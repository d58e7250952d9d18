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
  Matches,
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
  type Decimal,
  type FinishType,
  type Form,
  type Kind,
  type MainAcid,
  type Method,
  type Processing,
  type Ripeness,
} from '@idle-kettle/core';

/*
 * The formula document on the wire. Only its shape is checked here, so that a half-typed formula can be kept; whether
 * it can be computed is core's `readFormula`.
 */

const PER_CENT = 'write a per cent from 0 to 100';

export class CustomCompositionBody {
  @IsNumber({}, { message: 'write soluble solids in per cent' })
  @Min(0, { message: PER_CENT })
  @Max(100, { message: PER_CENT })
  solubleSolidsPercent!: number;

  @IsOptional()
  @IsNumber({}, { message: 'write insoluble solids in per cent' })
  @Min(0, { message: PER_CENT })
  @Max(100, { message: PER_CENT })
  insolubleSolidsPercent?: number;

  @IsOptional()
  @IsNumber({}, { message: 'write a pH from 0 to 14' })
  @Min(0, { message: 'write a pH from 0 to 14' })
  @Max(14, { message: 'write a pH from 0 to 14' })
  pH?: number;

  @IsOptional()
  @IsNumber({}, { message: 'write the acidity in per cent' })
  @Min(0, { message: PER_CENT })
  @Max(100, { message: PER_CENT })
  titratableAcidityPercent?: number;

  @IsOptional()
  @IsIn(MAIN_ACIDS, { message: `write one of ${MAIN_ACIDS.join(', ')}` })
  acid?: MainAcid;

  @IsOptional()
  @IsNumber({}, { message: 'write the pectin in per cent' })
  @Min(0, { message: PER_CENT })
  @Max(100, { message: PER_CENT })
  pectinPercent?: number;

  @IsOptional()
  @IsNumber({}, { message: 'write a density in kg/m3' })
  densityKgPerM3?: number;
}

export class OverridesBody {
  @IsOptional()
  @IsNumber({}, { message: 'write soluble solids in per cent' })
  @Min(0, { message: PER_CENT })
  @Max(100, { message: PER_CENT })
  solubleSolidsPercent?: number;

  @IsOptional()
  @IsNumber({}, { message: 'write a pH from 0 to 14' })
  @Min(0, { message: 'write a pH from 0 to 14' })
  @Max(14, { message: 'write a pH from 0 to 14' })
  pH?: number;

  @IsOptional()
  @IsNumber({}, { message: 'write the acidity in per cent' })
  @Min(0, { message: PER_CENT })
  @Max(100, { message: PER_CENT })
  titratableAcidityPercent?: number;

  @IsOptional()
  @IsNumber({}, { message: 'write the pectin in per cent' })
  @Min(0, { message: PER_CENT })
  @Max(100, { message: PER_CENT })
  pectinPercent?: number;
}

export class FormulaLineBody {
  @IsOptional()
  @IsString({ message: 'write the ingredient as text' })
  @MaxLength(120, { message: 'write an ingredient of at most 120 letters' })
  ingredient?: string;

  @IsOptional()
  @IsString({ message: 'write the name as text' })
  @MaxLength(80, { message: 'write a name of at most 80 letters' })
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

  @IsString({ message: 'write the amount as text with its unit, such as "1.2 kg"' })
  @MaxLength(80, { message: 'write an amount of at most 80 letters' })
  amount!: string;

  @IsOptional()
  @IsString({ message: 'write a second amount as text, such as "6 cups"' })
  @MaxLength(80, { message: 'write an amount of at most 80 letters' })
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
  @IsString({ message: 'write a rise such as "8 F"' })
  @MaxLength(20, { message: 'write a rise such as "8 F"' })
  rise?: string;

  @IsOptional()
  @IsNumber({}, { message: 'write a per cent' })
  percent?: number;

  @IsOptional()
  @IsNumber({}, { message: 'write minutes' })
  minutes?: number;

  @IsOptional()
  @IsString({ message: 'write a weight such as "1.7 kg"' })
  @MaxLength(20, { message: 'write a weight such as "1.7 kg"' })
  mass?: string;

  @IsOptional()
  @IsString({ message: 'write a temperature such as "170 F"' })
  @MaxLength(20, { message: 'write a temperature such as "170 F"' })
  temperature?: string;
}

export class PlaceBody {
  @IsOptional()
  @IsString({ message: 'write a height such as "310 m"' })
  @MaxLength(20, { message: 'write a height such as "310 m"' })
  altitude?: string;

  @IsOptional()
  @IsString({ message: 'write a pressure such as "842 hPa"' })
  @MaxLength(20, { message: 'write a pressure such as "842 hPa"' })
  pressure?: string;

  @IsOptional()
  @IsString({ message: 'write a temperature such as "201.5 F"' })
  @MaxLength(20, { message: 'write a temperature such as "201.5 F"' })
  boilingPoint?: string;
}

export class JarBody {
  @IsString({ message: 'write a jar size such as "half-pint"' })
  @MaxLength(20, { message: 'write a jar size such as "half-pint"' })
  size!: string;

  @IsOptional()
  @IsString({ message: 'write a headspace such as "1/4 in"' })
  @MaxLength(20, { message: 'write a headspace such as "1/4 in"' })
  headspace?: string;

  @IsOptional()
  @IsInt({ message: 'write a whole number of jars' })
  @Min(0, { message: 'write a whole number of jars, not below zero' })
  @Max(10_000, { message: 'write at most 10,000 jars' })
  count?: number;
}

const A_DAY = 'write a day such as "2026-11-23"';

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
  @IsString({ message: 'write the fingerprint as text' })
  @MaxLength(32, { message: 'write a fingerprint of at most 32 letters' })
  of?: string;
}

export class MeasuredPHBody {
  @IsNumber({}, { message: 'write a pH from 0 to 14' })
  @Min(0, { message: 'write a pH from 0 to 14' })
  @Max(14, { message: 'write a pH from 0 to 14' })
  value!: number;

  @Matches(/^\d{4}-\d{2}-\d{2}$/, { message: A_DAY })
  meterCalibratedOn!: string;

  @Matches(/^\d{4}-\d{2}-\d{2}$/, { message: A_DAY })
  measuredOn!: string;
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
  @IsNumber({}, { message: 'write minutes' })
  @Min(0, { message: 'write minutes, not below zero' })
  @Max(240, { message: 'write at most 240 minutes' })
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
  @IsString({ message: 'write a yield such as "6 half-pint"' })
  @MaxLength(60, { message: 'write a yield such as "6 half-pint"' })
  statedYield?: string;

  @IsOptional()
  @IsArray({ message: 'write a list of steps' })
  @ArrayMaxSize(200, { message: 'write at most 200 steps' })
  @IsString({ each: true, message: 'write each step as text' })
  @MaxLength(1_000, { each: true, message: 'write steps of at most 1,000 letters' })
  steps?: string[];

  @IsOptional()
  @IsString({ message: 'write notes as text' })
  @MaxLength(10_000, { message: 'write notes of at most 10,000 letters' })
  notes?: string;
}

/** Keeps a document. `revision` is the one last seen, 0 for a new document, so that two devices cannot overwrite each other unseen. */
export class SaveDocument {
  @ValidateNested({ message: 'write a formula document' })
  @Type(() => FormulaBody)
  document!: FormulaBody;

  @IsInt({ message: 'write the revision last seen, 0 for a new one' })
  @Min(0, { message: 'write the revision last seen, 0 for a new one' })
  revision!: number;
}

export interface FormulaView {
  readonly id: string;
  readonly document: FormulaBody;
  readonly revision: number;
  readonly createdAt: string;
  readonly updatedAt: string;
}

import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  Equals,
  IsArray,
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
  METHODS,
  type Decimal,
  type FinishType,
  type Form,
  type Kind,
  type Method,
} from '@idle-kettle/core';

/*
 * The formula document on the wire. Only its shape is checked here, so that a half-typed formula can be kept; whether
 * it can be computed is core's `readFormula`.
 */

export class CustomCompositionBody {
  @IsNumber({}, { message: 'write soluble solids in per cent' })
  @Min(0, { message: 'write a per cent from 0 to 100' })
  @Max(100, { message: 'write a per cent from 0 to 100' })
  solubleSolidsPercent!: number;

  @IsOptional()
  @IsNumber({}, { message: 'write insoluble solids in per cent' })
  insolubleSolidsPercent?: number;

  @IsOptional()
  @IsNumber({}, { message: 'write a density in kg/m3' })
  densityKgPerM3?: number;
}

export class OverridesBody {
  @IsOptional()
  @IsNumber({}, { message: 'write soluble solids in per cent' })
  solubleSolidsPercent?: number;
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

  @IsString({ message: 'write the amount as text with its unit, such as "1.2 kg"' })
  @MaxLength(80, { message: 'write an amount of at most 80 letters' })
  amount!: string;

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

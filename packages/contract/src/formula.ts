import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  Equals,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNumber,
  IsObject,
  IsString,
  Max,
  MaxLength,
  Min,
  ValidateNested,
} from 'class-validator';
import {
  FORMULA_FIELDS,
  type Decimal,
  type Measures,
  type Field,
  type FieldsOf,
  type FinishType,
  type Form,
  type FormulaDocument,
  type Gives,
  type JuiceMethod,
  type Heat,
  type Kind,
  type Lid,
  type MainAcid,
  type Method,
  type Part,
  type Processing,
  type Ripeness,
  type ShowResult,
  type SourceKind,
  type SourceMethod,
  type StageWork,
  type WhereCooked,
  type AddWhen,
  type SugarIn,
} from '@idle-kettle/core';
import { Day } from './moments.js';
import { all, Text, IfPresent, PartOf, Count, EachAnObject } from './rules.js';

/*
 * The formula document on the wire. Only its shape is checked here, so that a half-typed formula
 * can be kept; whether it can be computed is core's `readFormula`. The rules are those of core's
 * table of fields.
 */

/** A choice that is kept though it is not one of its list is no longer than this. */
const LONGEST_CHOICE = 20;

/*
 * The wire takes more than the document may hold: what is too long, or too much, is a problem of
 * the document, shown where it stands. It is never a reason to lose what was typed.
 */

/** The longest text of a document on the wire, letters; choices of ours, as the next. */
export const LONGEST_TEXT = 10_000;
/** So many times as long as a list of the document may be. */
const LONGER_LISTS = 5;
/** Lines, and jar sizes, of a document on the wire. */
export const MOST_LINES = LONGER_LISTS * FORMULA_FIELDS.document.lines.most;
export const MOST_JAR_SIZES = LONGER_LISTS * FORMULA_FIELDS.document.jars.most;

function numberRules({
  least,
  most,
  whole,
  lenient,
  write: message,
}: Field & { type: 'number' }): PropertyDecorator {
  const kind = whole ? IsInt({ message }) : IsNumber({}, { message });
  return lenient ? kind : all(kind, Min(least, { message }), Max(most, { message }));
}

/** The rules of a field, from core's table of the document. */
function rulesOf(field: Field): PropertyDecorator {
  switch (field.type) {
    case 'text':
    case 'amount':
      return Text(LONGEST_TEXT, field.write);
    case 'number':
      return numberRules(field);
    case 'choice':
      return field.lenient
        ? Text(LONGEST_CHOICE, 'write it as text')
        : IsIn([...field.of], { message: `write one of ${field.of.join(', ')}` });
    case 'yes-no':
      return IsBoolean({ message: field.write });
    case 'day':
      return Day();
    case 'constant':
      return Equals(field.value, { message: field.write });
    case 'object':
      return all(IsObject({ message: field.write }), ValidateNested());
    case 'list':
      return all(
        IsArray({ message: field.write }),
        ArrayMaxSize(LONGER_LISTS * field.most, { message: `write at most ${field.most}` }),
        EachAnObject(),
      );
    case 'texts':
      return all(
        IsArray({ message: field.write }),
        ArrayMaxSize(LONGER_LISTS * field.most, { message: `write at most ${field.most}` }),
        IsString({ each: true, message: field.write }),
        MaxLength(LONGEST_TEXT, {
          each: true,
          message: `${field.write}, of at most ${LONGEST_TEXT} letters`,
        }),
      );
  }
}

const fieldOf = <P extends Part>(part: P, name: keyof FieldsOf<P>): Field =>
  (FORMULA_FIELDS[part] as FieldsOf<P>)[name];
/** A field of the document that is always sent. */
const Needed = <P extends Part>(part: P, name: keyof FieldsOf<P>): PropertyDecorator =>
  rulesOf(fieldOf(part, name));
/** A field of the document that may be missing. */
const Optional = <P extends Part>(part: P, name: keyof FieldsOf<P>): PropertyDecorator =>
  all(IfPresent(), rulesOf(fieldOf(part, name)));

export class CustomCompositionBody {
  @Needed('composition', 'solubleSolidsPercent')
  solubleSolidsPercent!: number;

  @Optional('composition', 'insolubleSolidsPercent')
  insolubleSolidsPercent?: number;

  @Optional('composition', 'pH')
  pH?: number;

  @Optional('composition', 'titratableAcidityPercent')
  titratableAcidityPercent?: number;

  @Optional('composition', 'acid')
  acid?: MainAcid;

  @Optional('composition', 'pectinPercent')
  pectinPercent?: number;

  @Optional('composition', 'densityKgPerM3')
  densityKgPerM3?: number;
}

export class OverridesBody {
  @Optional('overrides', 'solubleSolidsPercent')
  solubleSolidsPercent?: number;

  @Optional('overrides', 'pH')
  pH?: number;

  @Optional('overrides', 'titratableAcidityPercent')
  titratableAcidityPercent?: number;

  @Optional('overrides', 'pectinPercent')
  pectinPercent?: number;
}

export class MadeOfBody {
  @Needed('madeOf', 'mass')
  mass!: string;

  @Needed('madeOf', 'lines')
  @ValidateNested({ each: true })
  @Type(() => FormulaLineBody)
  lines!: FormulaLineBody[];

  @Optional('madeOf', 'batch')
  batch?: string;
}

export class FormulaLineBody {
  @Optional('line', 'ingredient')
  ingredient?: string;

  @Optional('line', 'name')
  name?: string;

  @Optional('line', 'composition')
  @Type(() => CustomCompositionBody)
  composition?: CustomCompositionBody;

  @Optional('line', 'madeOf')
  @Type(() => MadeOfBody)
  madeOf?: MadeOfBody;

  @Optional('line', 'form')
  form?: Form;

  @Optional('line', 'ripeness')
  ripeness?: Ripeness;

  @Optional('line', 'variety')
  variety?: string;

  @Optional('line', 'writtenAs')
  writtenAs?: string;

  @Optional('line', 'goesIn')
  goesIn?: AddWhen;

  @Optional('line', 'gives')
  gives?: Gives;

  @Optional('line', 'stage')
  stage?: number;

  @Needed('line', 'amount')
  amount!: string;

  @Optional('line', 'alsoStated')
  alsoStated?: string;

  @Optional('line', 'overrides')
  @Type(() => OverridesBody)
  overrides?: OverridesBody;
}

export class FinishBody {
  @Needed('finish', 'type')
  type!: FinishType;

  @Optional('finish', 'rise')
  rise?: string;

  @Optional('finish', 'percent')
  percent?: number;

  @Optional('finish', 'minutes')
  minutes?: number;

  @Optional('finish', 'mass')
  mass?: string;

  @Optional('finish', 'temperature')
  temperature?: string;
}

export class StageBody {
  @Optional('stage', 'where')
  where?: WhereCooked;

  @Optional('stage', 'lid')
  lid?: Lid;

  @Optional('stage', 'heat')
  heat?: Heat;

  @Optional('stage', 'work')
  work?: StageWork;

  @Optional('stage', 'time')
  time?: string;

  @Optional('stage', 'until')
  until?: string;

  @Optional('stage', 'loss')
  loss?: string;
}

export class PlaceBody {
  @Optional('place', 'altitude')
  altitude?: string;

  @Optional('place', 'pressure')
  pressure?: string;

  @Optional('place', 'boilingPoint')
  boilingPoint?: string;
}

export class JarBody {
  @Needed('jar', 'size')
  size!: string;

  @Optional('jar', 'headspace')
  headspace?: string;

  @Optional('jar', 'count')
  count?: number;
}

/** A tested formula, attested by the maker. */
export class TestedSourceBody {
  @Optional('testedSource', 'kind')
  kind?: SourceKind;

  @Optional('testedSource', 'title')
  title?: string;

  @Needed('testedSource', 'year')
  year!: number;

  @Optional('testedSource', 'page')
  page?: string;

  @Optional('testedSource', 'jar')
  jar?: string;

  @Optional('testedSource', 'minutes')
  minutes?: number;

  @Optional('testedSource', 'method')
  method?: SourceMethod;

  @Needed('testedSource', 'unchanged')
  unchanged!: boolean;

  @Optional('testedSource', 'of')
  of?: string;

  @Optional('testedSource', 'publisher')
  publisher?: string;
}

export class MeasuredPHBody {
  @Needed('measuredPH', 'value')
  value!: number;

  @Needed('measuredPH', 'meterCalibratedOn')
  meterCalibratedOn!: string;

  @Needed('measuredPH', 'measuredOn')
  measuredOn!: string;

  @Optional('measuredPH', 'of')
  of?: string;
}

export class FormulaBody {
  @Needed('document', 'format')
  format!: 'idle-kettle/formula';

  @Needed('document', 'version')
  version!: 1;

  @Needed('document', 'title')
  title!: string;

  @Needed('document', 'kind')
  kind!: Kind;

  @Needed('document', 'method')
  method!: Method;

  @Optional('document', 'decimal')
  decimal?: Decimal;

  @Optional('document', 'measures')
  measures?: Measures;

  @Needed('document', 'lines')
  @Type(() => FormulaLineBody)
  lines!: FormulaLineBody[];

  @Optional('document', 'juiceBy')
  juiceBy?: JuiceMethod;

  @Optional('document', 'sugarIn')
  sugarIn?: SugarIn;

  @Optional('document', 'mixture')
  mixture?: string;

  @Needed('document', 'finish')
  @Type(() => FinishBody)
  finish!: FinishBody;

  @Optional('document', 'stages')
  @Type(() => StageBody)
  stages?: StageBody[];

  @Optional('document', 'place')
  @Type(() => PlaceBody)
  place?: PlaceBody;

  @Needed('document', 'jars')
  @Type(() => JarBody)
  jars!: JarBody[];

  @Optional('document', 'processing')
  processing?: Processing;

  @Optional('document', 'preSterilised')
  preSterilised?: boolean;

  @Optional('document', 'processMinutes')
  processMinutes?: number;

  @Optional('document', 'testedSource')
  @Type(() => TestedSourceBody)
  testedSource?: TestedSourceBody;

  @Optional('document', 'measuredPH')
  @Type(() => MeasuredPHBody)
  measuredPH?: MeasuredPHBody;

  @Optional('document', 'statedYield')
  statedYield?: string;

  @Optional('document', 'steps')
  steps?: string[];

  @Optional('document', 'leftOut')
  leftOut?: string[];

  @Optional('document', 'notes')
  notes?: string;
}

/** Fails to compile when the wire has other fields than the document. */
type SameKeys<A, B> = [keyof A, keyof B] extends [keyof B, keyof A] ? true : never;
export const WIRE_IS_THE_DOCUMENT: readonly [
  SameKeys<FormulaBody, FormulaDocument>,
  SameKeys<FormulaLineBody, FormulaDocument['lines'][number]>,
  SameKeys<FinishBody, FormulaDocument['finish']>,
  SameKeys<StageBody, NonNullable<FormulaDocument['stages']>[number]>,
  SameKeys<JarBody, FormulaDocument['jars'][number]>,
] = [true, true, true, true, true];

/**
 * Keeps a document. `revision` is the one last seen, 0 for a new document, so that two devices
 * cannot overwrite each other unseen.
 */
export class SaveDocument {
  @PartOf(() => FormulaBody, 'write a formula document')
  document!: FormulaBody;

  @Count(0, 1_000_000_000, 'write the revision last seen, 0 for a new one')
  revision!: number;
}

/** What is said of a kept formula beside its document. What is not named stays as it is. */
export class MarkFormula {
  @IfPresent()
  @IsBoolean({ message: 'write true or false' })
  favourite?: boolean;

  @IfPresent()
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

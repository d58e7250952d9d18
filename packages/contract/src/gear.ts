import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNumber,
  IsUUID,
  MaxLength,
} from 'class-validator';
import {
  BURNERS,
  MEASURES,
  PROCESS_BANDS,
  PROFILED,
  type Burner,
  type Measures,
  type Profiled,
} from '@idle-kettle/core';
import { DATE_STYLES, type DateStyle } from './date-style.js';
import { Day, Moment } from './moments.js';
import { Name, Text, Within, IfPresent, PartOf, EachAnObject } from './rules.js';

/*
 * What stands in a kitchen, as its maker knows it. A figure that is not known is left out: the
 * generic one is used.
 */

/** The most entries of one kind of gear. A choice of ours. */
export const MOST_GEAR = 40;
/** More rows than all tables have together. */
const MOST_TABLE_CHECKS = 500;
const List =
  (of: () => new () => object, most = MOST_GEAR): PropertyDecorator =>
  (target, key) => {
    IsArray({ message: 'write a list' })(target, key);
    ArrayMaxSize(most, { message: `write at most ${most}` })(target, key);
    EachAnObject()(target, key);
    Type(of)(target, key);
  };

class Named {
  @IsUUID(undefined, { message: 'write an id of its own' })
  id!: string;

  @Name(60)
  name!: string;
}

/** A thermometer, checked in melting ice and in boiling water. */
export class ThermometerBody extends Named {
  /** What it shows in melting ice; 0 is right at any height. */
  @IfPresent()
  @Within(-10, 10, 'write what it shows in melting ice, -10 to 10 °C (14 to 50 °F)')
  ice_C?: number;

  /** What it shows in boiling water. */
  @IfPresent()
  @Within(75, 108, 'write what it shows in boiling water, 75 to 108 °C (167 to 226 °F)')
  boiling_C?: number;

  /** What boiling water was there that day, by pressure or altitude. */
  @IfPresent()
  @Within(75, 108, 'write 75 to 108 °C')
  expectedBoiling_C?: number;

  @IfPresent()
  @Moment('write when it was checked, as 2026-09-12T18:00:00Z')
  checkedAt?: string;
}

export const VESSEL_KINDS = ['pan', 'slow-cooker', 'oven-dish'] as const;
export type VesselKind = (typeof VESSEL_KINDS)[number];

/** What things are cooked in. */
export class VesselBody extends Named {
  @IsIn(VESSEL_KINDS, { message: `write one of ${VESSEL_KINDS.join(', ')}` })
  kind!: VesselKind;

  /** Litres to the brim. */
  @IfPresent()
  @Within(0.2, 200, 'write its size to the brim, 0.2 to 200 litres')
  capacity_l?: number;

  /** Water it drives off at its usual heat, lid off, kilograms an hour. */
  @IfPresent()
  @Within(0.01, 20, 'write the water it loses in an hour, 0.01 to 20 kg')
  evaporation_kgPerH?: number;
}

export class BurnerBody extends Named {
  @IsIn(BURNERS, { message: `write one of ${BURNERS.join(', ')}` })
  kind!: Burner;

  @IfPresent()
  @Within(0.2, 30, 'write its power, 0.2 to 30 kW')
  power_kW?: number;
}

export const CANNER_METHODS = ['boiling-water', 'steam'] as const;
export type CannerMethod = (typeof CANNER_METHODS)[number];

export class CannerLoadBody {
  @Text(20, 'write a jar size such as "half-pint"')
  size!: string;

  @Within(1, 60, 'write how many fit at once, 1 to 60')
  jars!: number;
}

const BAND_IDS = PROCESS_BANDS.map(({ id }) => id);
export type BandId = (typeof PROCESS_BANDS)[number]['id'];

/** Where a steam canner's own dial or vent shows full steam, for an altitude band. */
export class CannerMarkBody {
  @IsIn(BAND_IDS, { message: `write one of ${BAND_IDS.join(', ')}` })
  band!: BandId;

  @Text(60, 'write the mark as it stands on the canner')
  mark!: string;
}

export class CannerBody extends Named {
  @IsIn(CANNER_METHODS, { message: `write one of ${CANNER_METHODS.join(', ')}` })
  method!: CannerMethod;

  @List(() => CannerLoadBody)
  loads!: CannerLoadBody[];

  @List(() => CannerMarkBody)
  marks!: CannerMarkBody[];
}

/** A pectin product as its maker describes it. */
export class PectinBody {
  @IsIn(PROFILED, { message: `write one of ${PROFILED.join(', ')}` })
  ingredient!: Profiled;

  @IfPresent()
  @Within(5, 2000, 'write the weight of one box or pouch, 5 to 2000 g')
  packageMass_g?: number;

  @IfPresent()
  @Within(2, 25, 'write grams in a level tablespoon, 2 to 25')
  gramsPerTablespoon?: number;

  @IfPresent()
  @Within(1, 100, 'write the pectin in it, 1 to 100 %')
  pectinPercent?: number;

  @IfPresent()
  @Within(50, 300, 'write the grade, 50 to 300 °SAG; 150 is usual')
  grade?: number;

  @IfPresent()
  @Within(0.1, 10, 'write teaspoons, 0.1 to 10')
  calciumTeaspoons?: number;

  @IfPresent()
  @Within(20, 2000, 'write millilitres of water, 20 to 2000')
  calciumWater_ml?: number;
}

/** Jars of one size: how many there are, and what one holds if it was measured. */
export class JarStockBody {
  @Text(20, 'write a jar size such as "half-pint"')
  size!: string;

  @IfPresent()
  @Within(30, 2000, 'write what it holds to 6 mm (1/4 in) below the rim, 30 to 2000 ml')
  volume_ml?: number;

  @IfPresent()
  @Within(0, 5000, 'write how many there are, 0 to 5000')
  stock?: number;
}

/** What there is of one thing that is bought, and what it costs. */
export class SupplyBody {
  @Text(60, 'write the id of an ingredient, or "lid"')
  of!: string;

  /** Kilograms; lids by the piece. */
  @IfPresent()
  @Within(0, 5000, 'write how much there is, 0 to 5000')
  stock?: number;

  /** What was begun since is taken off it. */
  @IfPresent()
  @Moment('write when it was counted, as 2026-09-12T18:00:00Z')
  countedAt?: string;

  @IfPresent()
  @Within(0, 100_000, 'write a price, 0 to 100,000')
  price?: number;

  /** Kilograms, or pieces, that the price is for. */
  @IfPresent()
  @Within(0.001, 5000, 'write how much the price is for, 0.001 to 5000')
  per?: number;
}

/** The household's shopping list, beside what its batches need. */
export class ShoppingBody {
  /** Batches it is for; those that are planned unless said otherwise. */
  @IfPresent()
  @IsArray({ message: 'write ids of batches' })
  @ArrayMaxSize(MOST_GEAR, { message: `write at most ${MOST_GEAR}` })
  @IsUUID(undefined, { each: true, message: 'write ids of batches' })
  batches?: string[];

  /** Ticked off: ids of what is needed, or words of one's own. */
  @IsArray({ message: 'write what is ticked' })
  @ArrayMaxSize(200, { message: 'write at most 200' })
  @MaxLength(120, { each: true, message: 'write words of at most 120 letters' })
  ticked!: string[];

  /** What else is wanted. */
  @IsArray({ message: 'write words' })
  @ArrayMaxSize(100, { message: 'write at most 100' })
  @MaxLength(120, { each: true, message: 'write words of at most 120 letters' })
  own!: string[];
}

/** Whether forecasts use what past boils taught, and from when on boils count. */
export class LearningBody {
  @IsBoolean({ message: 'write true or false' })
  used!: boolean;

  @IfPresent()
  @Moment('write when to start again, as 2026-09-12T18:00:00Z')
  since?: string;
}

/** What this household takes words for that no table knows: "moonfruit" is its damsons. */
export class FoodNameBody {
  @Text(120, 'write the words as they stand in a recipe')
  words!: string;

  @Text(60, 'write the id of an ingredient, such as "damson"')
  ingredient!: string;
}

/** How this household writes: whose cups, spoons and pints, its dates, and what it calls things. */
export class WritingBody {
  @IfPresent()
  @IsIn(MEASURES, { message: `write one of ${MEASURES.join(', ')}` })
  measures?: Measures;

  @IfPresent()
  @IsIn(DATE_STYLES, { message: `write one of ${DATE_STYLES.join(', ')}` })
  dates?: DateStyle;

  @List(() => FoodNameBody)
  names!: FoodNameBody[];
}

/** A row of a table that somebody held against their own printed table and signed. */
export class TableCheckBody {
  @Text(60, 'write the id of a row')
  row!: string;

  /** The minutes of a row of the process tables, band by band, as older signatures have them. */
  @IfPresent()
  @IsArray({ message: 'write the minutes of the four bands' })
  @ArrayMinSize(4, { message: 'write the minutes of the four bands' })
  @ArrayMaxSize(4, { message: 'write the minutes of the four bands' })
  @IsInt({ each: true, message: 'write whole minutes' })
  minutes?: number[];

  /** The figures that were signed, in their order: if one of ours changes, the signature falls. */
  @IfPresent()
  @IsArray({ message: 'write the figures of the row' })
  @ArrayMinSize(1, { message: 'write the figures of the row' })
  @ArrayMaxSize(20, { message: 'write at most 20 figures' })
  @IsNumber({}, { each: true, message: 'write numbers' })
  figures?: number[];

  @Text(160, 'write the table it was checked against, such as its title and year')
  against!: string;

  @Day()
  on!: string;

  @Text(60, 'write who checked it')
  by!: string;
}

/** How many jars of one thing a household wants to have for a year. */
export class JarsWantedBody {
  /** Kind and fruit, as "jam damson". */
  @Text(120, 'write the kind and the fruit, as "jam damson"')
  of!: string;

  @Within(0, 1000, 'write how many jars a year, 0 to 1000')
  jars!: number;
}

/** Everything that stands in one kitchen. */
export class KitchenGear {
  @List(() => ThermometerBody)
  thermometers!: ThermometerBody[];

  /** The one in use. */
  @IfPresent()
  @IsUUID(undefined, { message: 'write the id of a thermometer' })
  thermometerId?: string;

  @List(() => VesselBody)
  vessels!: VesselBody[];

  /** The pan for a sugar boil unless said otherwise. */
  @IfPresent()
  @IsUUID(undefined, { message: 'write the id of a pan' })
  usualPanId?: string;

  @List(() => BurnerBody)
  burners!: BurnerBody[];

  @List(() => CannerBody)
  canners!: CannerBody[];

  @List(() => PectinBody)
  pectins!: PectinBody[];

  @List(() => JarStockBody)
  jars!: JarStockBody[];

  /** Sugar, pectin, lids and the like: what is there and what it costs. */
  @IfPresent()
  @List(() => SupplyBody)
  supplies?: SupplyBody[];

  /** How money is written: "€", "CHF". */
  @IfPresent()
  @Text(6, 'write a currency such as "€"')
  currency?: string;

  @IfPresent()
  @PartOf(() => ShoppingBody, 'write { "batches", "ticked", "own" }')
  shopping?: ShoppingBody;

  /** Used from the first boil on, unless said otherwise. */
  @IfPresent()
  @PartOf(() => LearningBody, 'write { "used", "since" }')
  learning?: LearningBody;

  /** US measures and no words of its own, unless said otherwise. */
  @IfPresent()
  @PartOf(() => WritingBody, 'write { "measures", "names" }')
  writing?: WritingBody;

  /** Rows of tables that were checked; the others are from memory. */
  @IfPresent()
  @List(() => TableCheckBody, MOST_TABLE_CHECKS)
  tableChecks?: TableCheckBody[];

  /** Jars a year, as stated; what is not stated is learned from what was used. */
  @IfPresent()
  @List(() => JarsWantedBody)
  jarsWanted?: JarsWantedBody[];
}

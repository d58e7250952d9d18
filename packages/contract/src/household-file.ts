import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  Equals,
  IsArray,
  IsBase64,
  IsBoolean,
  IsIn,
  IsInt,
  IsNumber,
  IsOptional,
  IsUUID,
  Matches,
  Max,
  MaxLength,
  Min,
  NotEquals,
} from 'class-validator';
import { KEPT_IN, type KeptIn } from '@idle-kettle/core';
import { EventBody } from './event.js';
import { SaveFrozenFruit } from './freezer.js';
import { FormulaBody } from './formula.js';
import { KitchenSettings } from './kitchen.js';
import { LARGEST_PHOTO_MB } from './photo.js';
import { SavePracticeRun, SavePracticeScenario } from './practice.js';
import { SavePreparedWeight } from './prepared.js';
import { Day, Moment } from './moments.js';
import { Count, Text, IfPresent, PartOf, EachAnObject } from './rules.js';
import { MOVE_REASONS, type MoveReason } from './shelf.js';
import { JarIds } from './jar-events.js';

/*
 * Everything of a household in one file, as it goes out and comes in. Instruments stay behind:
 * their tokens are secrets. What a person attested (a tested source, a measured pH) is of the one
 * who did, and is left out on the way in.
 */

const Id = (): PropertyDecorator => IsUUID(undefined, { message: 'write a UUID' });
const ListOf =
  (of: () => new () => object, most: number): PropertyDecorator =>
  (target, key) => {
    IsArray({ message: 'write a list' })(target, key);
    ArrayMaxSize(most, { message: `write at most ${most}` })(target, key);
    EachAnObject()(target, key);
    Type(of)(target, key);
  };

export class FiledKitchen extends KitchenSettings {
  @Id() id!: string;
  /** The one used last is the one everything is computed for. */
  @Moment() usedAt!: string;
  @Moment() updatedAt!: string;
}

export class FiledPreparedWeight extends SavePreparedWeight {
  @Id() id!: string;
}

export class FiledFrozenFruit extends SaveFrozenFruit {
  @Id() id!: string;
}

export class FiledPracticeRun extends SavePracticeRun {
  @Id() id!: string;
}

export class FiledPracticeScenario extends SavePracticeScenario {
  @Id() id!: string;
}

class FiledDocument {
  @PartOf(() => FormulaBody, 'write a formula document')
  document!: FormulaBody;

  @Count(1, 1_000_000, 'write the revision, 1 and up')
  revision!: number;
}

/** A batch whose log came before its formula has revision 0, and a document that keeps its place. */
class FiledDocumentOrPlace {
  @PartOf(() => FormulaBody, 'write a formula document')
  document!: FormulaBody;

  @Count(0, 1_000_000, 'write the revision, 0 and up')
  revision!: number;
}

export class FiledVersion extends FiledDocument {
  @Moment() savedAt!: string;
}

export class FiledFormula extends FiledDocument {
  @Id() id!: string;
  @IsBoolean({ message: 'write true or false' }) favourite!: boolean;
  @IsOptional() @Moment() archivedAt!: string | null;
  @Moment() createdAt!: string;
  @Moment() updatedAt!: string;
  @ListOf(() => FiledVersion, 10_000) versions!: FiledVersion[];
}

export class FiledBatch extends FiledDocumentOrPlace {
  @Id() id!: string;
  @IsOptional() @Id() formulaId!: string | null;
  @IsOptional() @Moment() removedAt!: string | null;
  @Moment() createdAt!: string;
  @Moment() updatedAt!: string;
  @ListOf(() => EventBody, 200_000) events!: EventBody[];
}

export class FiledLot {
  @Id() id!: string;
  @Id() batchId!: string;
  @Text(20, 'write a jar size') size!: string;

  @IsOptional()
  @IsNumber({}, { message: 'write how full the jar is, 0.05 to 0.99' })
  @Min(0.05, { message: 'write how full the jar is, 0.05 to 0.99' })
  @Max(0.99, { message: 'write how full the jar is, 0.05 to 0.99' })
  partFill!: number | null;

  @IsOptional() @JarIds() jars?: string[] | null;
  @Day() madeOn!: string;
  @IsOptional()
  @IsIn(KEPT_IN, { message: `write one of ${KEPT_IN.join(', ')}` })
  keptIn!: KeptIn | null;
  @Text(60, 'write the cupboard or shelf') place!: string;
  @IsOptional() @Moment() keptSince!: string | null;
  @IsOptional() @Id() cameFrom!: string | null;
  /** The list shows the one that was put there last first. */
  @Moment() createdAt!: string;
}

export class FiledPhoto {
  @Id() id!: string;
  @Id() batchId!: string;
  @Text(200, 'write what it shows') note!: string;
  @Moment() at!: string;
  /** The picture as base64. */
  @IsBase64({}, { message: 'write the picture as base64' })
  @MaxLength(LARGEST_PHOTO_MB * 1.4e6, { message: `a photo has at most ${LARGEST_PHOTO_MB} MB` })
  image!: string;
}

export class FiledMove {
  @Id() id!: string;
  @Id() lotId!: string;

  @IsInt({ message: 'write a whole number of jars' })
  @NotEquals(0, { message: 'write how many jars' })
  @Min(-1000, { message: 'write at most 1000 jars' })
  @Max(1000, { message: 'write at most 1000 jars' })
  change!: number;

  @IsIn(MOVE_REASONS, { message: `write one of ${MOVE_REASONS.join(', ')}` }) reason!: MoveReason;
  @Text(60, 'write a name') whom!: string;
  @Text(200, 'write what was wrong with it') note!: string;
  @Moment() at!: string;
}

export const HOUSEHOLD_FORMAT = 'idle-kettle/household';

/**
 * The file's frame; its parts are checked one by one, so that a long log does not hold up everybody
 * else.
 */
export class HouseholdFrame {
  @Equals(HOUSEHOLD_FORMAT, {
    message: `this is no file of a household; its format is "${HOUSEHOLD_FORMAT}"`,
  })
  format!: string;
  @Equals(1, { message: 'only version 1 is known' }) version!: number;
}

/** The parts of the file, in an order in which each finds what it points to. */
export const HOUSEHOLD_PARTS = {
  kitchens: FiledKitchen,
  preparedWeights: FiledPreparedWeight,
  formulas: FiledFormula,
  batches: FiledBatch,
  lots: FiledLot,
  moves: FiledMove,
  frozenFruit: FiledFrozenFruit,
  photos: FiledPhoto,
  practiceScenarios: FiledPracticeScenario,
  practiceRuns: FiledPracticeRun,
} as const;
export type HouseholdPart = keyof typeof HOUSEHOLD_PARTS;

export type HouseholdFile = HouseholdFrame & { readonly exportedAt: string } & {
  readonly [P in HouseholdPart]: readonly InstanceType<(typeof HOUSEHOLD_PARTS)[P]>[];
};

/** Which batches the book tells of; all of them without a year. */
export class BookOf {
  @IfPresent()
  @Type(() => Number)
  @Count(1900, 2999, 'write a year, as 2026')
  year?: number;

  /** Of an address that works once. */
  @IfPresent()
  @Text(60, 'write the token of the address')
  once?: string;
}

/** Downloads of a household, by their addresses. */
const DOWNLOAD = /^\/api\/household(\/(book\.pdf(\?year=\d{4})?|[a-z]{1,20}\.csv))?$/;

/** Which download an address is wanted for. */
export class DownloadOf {
  @Matches(DOWNLOAD, { message: 'write a download such as /api/household/shelf.csv' })
  path!: string;
}

/** Where it is, once. */
export interface DownloadLink {
  readonly href: string;
}

/** Rows of a file that have no place here, and why. */
export interface LeftOut {
  readonly part: 'events' | 'lots' | 'moves' | 'photos';
  readonly count: number;
  /**
   * `log-exists`: the batch has a log here, and nothing is added to that. `batch-deleted`: the batch
   * was deleted here; restore it first.
   */
  readonly reason: 'log-exists' | 'batch-deleted';
}

/** What came in. */
export interface HouseholdImport {
  /** New here, by part; `events` are those of batches. */
  readonly added: Readonly<Record<HouseholdPart | 'events', number>>;
  /** Was here already, and stayed as it is here. */
  readonly already: Readonly<Record<HouseholdPart | 'events', number>>;
  /** What was left out; none where everything came in or was here. */
  readonly leftOut: readonly LeftOut[];
  /** Attestations of another's that were left out. */
  readonly attestationsLeftOut: number;
}

/** The largest file taken, megabytes; larger households move by `./kettle backup`. */
export const LARGEST_HOUSEHOLD_MB = 256;

import { Type } from 'class-transformer';
import {
  IsIn,
  IsInt,
  IsNumber,
  IsOptional,
  IsString,
  IsUUID,
  Length,
  Max,
  Min,
  NotEquals,
} from 'class-validator';
import type { FormulaBody } from './formula.js';
import { KEPT_IN, type KeepingVerdict, type KeptIn, type JarsUsed } from '@idle-kettle/core';
import { Day, Moment } from './moments.js';
import { Count, Text, IfPresent } from './rules.js';
import { JarIds } from './jar-events.js';

/** Why jars left the shelf or came back to it. */
export const MOVE_REASONS = [
  'put',
  'eaten',
  'given',
  'discarded',
  'remade',
  'counted',
  'moved',
] as const;
export type MoveReason = (typeof MOVE_REASONS)[number];

/**
 * Puts jars of one size from a batch on the shelf. The id is made by the device; sending it again
 * changes nothing.
 */
export class PutOnShelf {
  @IsUUID(undefined, { message: 'write a UUID' })
  id!: string;

  @IsUUID(undefined, { message: 'write the id of the batch the jars came from' })
  batchId!: string;

  @IsString({ message: 'write a jar size' })
  @Length(1, 20, { message: 'write a jar size' })
  size!: string;

  @IsInt({ message: 'write a whole number of jars' })
  @Min(1, { message: 'write at least one jar' })
  @Max(1000, { message: 'write at most 1000 jars' })
  count!: number;

  /**
   * Which jars they are: one that another device has put away already is not put there twice. All of
   * them are new where it does not say.
   */
  @JarIds() jars?: string[];

  /** How full the jar is; absent for full ones. */
  @IsOptional()
  @IsNumber({}, { message: 'write how full the jar is, 0.05 to 0.99' })
  @Min(0.05, { message: 'write how full the jar is, 0.05 to 0.99' })
  @Max(0.99, { message: 'write how full the jar is, 0.05 to 0.99' })
  partFill?: number | null;

  @Day('write the day it was made, as 2026-09-12')
  madeOn!: string;

  /** Where it is kept, where that is not as its batch would have it. */
  @IsOptional()
  @IsIn(KEPT_IN, { message: `write one of ${KEPT_IN.join(', ')}` })
  keptIn?: KeptIn | null;

  @IfPresent()
  @Text(60, 'write the cupboard or shelf')
  place?: string;
}

/**
 * Jars of a lot opened, put in the cold or put elsewhere: they become a lot of their own, or go
 * back to the one they came from.
 */
export class TransferJars {
  @IsUUID(undefined, { message: 'write a UUID' })
  id!: string;

  /** The id of their arrival at the other lot. */
  @IsUUID(undefined, { message: 'write a UUID' })
  arrivalId!: string;

  /** The other lot; it is made where it is not there yet. */
  @IsUUID(undefined, { message: 'write the id of the lot they go to' })
  to!: string;

  @Count(1, 1000, 'write how many jars, 1 to 1000')
  count!: number;

  @IsOptional()
  @IsIn(KEPT_IN, { message: `write one of ${KEPT_IN.join(', ')}` })
  keptIn?: KeptIn | null;

  @Text(60, 'write the cupboard or shelf')
  place!: string;

  @Moment('write when it happened, as 2026-09-12T18:00:00.000Z')
  at!: string;
}

/** Jars taken from, or put back to, one lot. */
export class MoveJars {
  @IsUUID(undefined, { message: 'write a UUID' })
  id!: string;

  @IsInt({ message: 'write a whole number of jars' })
  @NotEquals(0, { message: 'write how many jars' })
  @Min(-1000, { message: 'write at most 1000 jars' })
  @Max(1000, { message: 'write at most 1000 jars' })
  change!: number;

  @IsIn(MOVE_REASONS, { message: `write one of ${MOVE_REASONS.join(', ')}` })
  reason!: MoveReason;

  /** So many were shown where they were counted: a count of other jars is refused. */
  @IfPresent()
  @Count(0, 100_000, 'write how many were shown, 0 and up')
  seen?: number;

  /** To whom they were given. */
  @IfPresent()
  @Text(60, 'write a name')
  whom?: string;

  /** Why they were thrown away. */
  @IfPresent()
  @Text(200, 'write what was wrong with it')
  note?: string;

  @Moment('write when it happened, as 2026-09-12T18:00:00.000Z')
  at!: string;
}

/** Jars by where they belong: on the shelf, in the cold as full jars, or begun. */
export const LOT_STATES = ['all', 'shelf', 'cold', 'opened'] as const;
export type LotState = (typeof LOT_STATES)[number];

/**
 * Which lots a list shows, the newest first; without any of it the latest ones, emptied ones too.
 */
export class ListLots {
  @IfPresent()
  @IsUUID(undefined, { message: 'write the id of the batch the jars came from' })
  batch?: string;

  /** In the name, the place or the size. */
  @IfPresent()
  @Text(80, 'write what to look for')
  search?: string;

  @IfPresent()
  @IsIn(LOT_STATES, { message: `write one of ${LOT_STATES.join(', ')}` })
  state?: LotState;

  @IfPresent()
  @Text(60, 'write the cupboard or shelf')
  place?: string;

  /** Only those with jars left. */
  @IfPresent()
  @IsIn(['yes', 'no'], { message: 'write yes or no' })
  left?: 'yes' | 'no';

  /** Where the last list ended. */
  @IfPresent()
  @IsUUID(undefined, { message: 'write the id of the last lot that was listed' })
  after?: string;

  @IfPresent()
  @Type(() => Number)
  @Count(1, 200, 'write how many to list, 1 to 200')
  limit?: number;
}

/** The day it is where the person stands. */
export class OnDay {
  @Day()
  today!: string;
}

/** How the jars of a lot keep, as made and as processed. */
export interface LotKeeping {
  readonly verdict: KeepingVerdict;
  /** What decides. */
  readonly reason: string;
  /** The last day they are at their best, as 2027-09-12; null where they are not kept. */
  readonly bestBefore: string | null;
}

/** Whether the lids of a lot hold. */
export interface LotSeals {
  /** `unknown` where nobody pressed them yet. */
  readonly state: 'none' | 'unknown' | 'due' | 'sealed';
  /** Jars of this size and batch that had not sealed, with which nothing was done yet. */
  readonly open: number;
}

export interface LotView {
  readonly id: string;
  readonly batchId: string;
  readonly title: string;
  /** Null where the server has not said yet. */
  readonly kind: string | null;
  readonly fruit: string | null;
  readonly size: string;
  readonly partFill: number | null;
  readonly madeOn: string;
  readonly keptIn: KeptIn | null;
  readonly place: string;
  /** When it was put where it is kept now, ISO 8601; null where it never moved. */
  readonly keptSince: string | null;
  /** The lot it was taken from. */
  readonly cameFrom: string | null;
  readonly seals: LotSeals;
  readonly keeping: LotKeeping;
  readonly count: number;
}

/** Jars whose verdict became stricter after they were put away. */
export interface StricterLot {
  /** The verdict they were put away with. */
  readonly was: KeepingVerdict;
  readonly lot: LotView;
  /** Jars of it that were given away, and to whom. */
  readonly given: readonly { readonly whom: string; readonly count: number; readonly at: string }[];
}

/** What is there in all, and what to eat before the rest. */
export interface ShelfOverview {
  readonly jars: number;
  /** Those of them that are not for the shelf. */
  readonly cold: number;
  readonly places: readonly string[];
  /** There were some at least once: emptied lots can be looked at. */
  readonly hadJars: boolean;
  /**
   * Opened, part jars, what stands in the cold for want of a seal, and what is soon past its best;
   * the most urgent first.
   */
  readonly eatFirst: readonly LotView[];
  /** What became stricter since it was put away, until somebody has seen it. */
  readonly stricter: readonly StricterLot[];
  /**
   * Batches of which something was told that is not worked out yet; how their jars keep is said
   * strictly until then.
   */
  readonly pending: number;
}

/** What the household got through of one kind of one fruit. */
export interface YearUseView extends JarsUsed {
  /** The latest batch of it, and its formula. */
  readonly batchId: string;
  readonly document: FormulaBody;
}

/** Jars that came or went, for the story of a lot. */
export interface MoveView {
  readonly id: string;
  readonly lotId: string;
  /** Of the batch the jars are from. */
  readonly title: string;
  readonly change: number;
  readonly reason: MoveReason;
  readonly whom: string;
  readonly note: string;
  readonly at: string;
}

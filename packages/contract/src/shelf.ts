import {
  IsIn,
  IsInt,
  IsISO8601,
  IsNumber,
  IsOptional,
  IsString,
  IsUUID,
  Length,
  Max,
  Min,
  NotEquals,
} from 'class-validator';
import type { KeepingVerdict } from '@idle-kettle/core';

/** Why jars left the shelf or came back to it. */
export const MOVE_REASONS = ['put', 'eaten', 'given', 'discarded', 'counted'] as const;
export type MoveReason = (typeof MOVE_REASONS)[number];

/** Puts jars of one size from a batch on the shelf. The id is made by the device; sending it again changes nothing. */
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

  /** How full the jar is; absent for full ones. */
  @IsOptional()
  @IsNumber({}, { message: 'write how full the jar is, 0.05 to 0.99' })
  @Min(0.05, { message: 'write how full the jar is, 0.05 to 0.99' })
  @Max(0.99, { message: 'write how full the jar is, 0.05 to 0.99' })
  partFill?: number | null;

  @IsISO8601({ strict: true }, { message: 'write the day it was made, as 2026-09-12' })
  madeOn!: string;
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

  @IsISO8601({ strict: true }, { message: 'write when it happened, as 2026-09-12T18:00:00.000Z' })
  at!: string;
}

/** How the jars of a lot keep, as made and as processed. */
export interface LotKeeping {
  readonly verdict: KeepingVerdict;
  /** What decides. */
  readonly reason: string;
  /** Whole months at their best from the day they were made; 0 where they are not kept. */
  readonly months: number;
}

export interface LotView {
  readonly id: string;
  readonly batchId: string;
  readonly title: string;
  readonly fruit: string | null;
  readonly size: string;
  readonly partFill: number | null;
  readonly madeOn: string;
  readonly keeping: LotKeeping;
  readonly count: number;
}

import type { CreationOptional, InferAttributes, InferCreationAttributes } from 'sequelize';
import { Column, DataType, Model, PrimaryKey, Table } from 'sequelize-typescript';
import type { BatchEvent } from '@idle-kettle/core';

/** A row of the append-only log; the database itself refuses to change or delete one. */
@Table({ tableName: 'batch_events', timestamps: false })
export class BatchEventRow extends Model<
  InferAttributes<BatchEventRow>,
  InferCreationAttributes<BatchEventRow>
> {
  @PrimaryKey
  @Column(DataType.UUID)
  declare id: string;

  @Column(DataType.UUID)
  declare householdId: string;

  @Column(DataType.UUID)
  declare batchId: string;

  /** Given by the database: the order of arrival. */
  @Column(DataType.BIGINT)
  declare seq: CreationOptional<string>;

  @Column(DataType.TEXT)
  declare type: string;

  @Column(DataType.DATE)
  declare happenedAt: Date;

  /** What the clock of the device showed, where it was wrong. */
  @Column(DataType.DATE)
  declare saidAt: CreationOptional<Date | null>;

  @Column(DataType.TEXT)
  declare device: string;

  @Column(DataType.JSONB)
  declare body: object;
}

export const storedEvent = (row: BatchEventRow): BatchEvent =>
  ({
    id: row.id,
    type: row.type,
    at: row.happenedAt.toISOString(),
    ...(row.saidAt && { saidAt: row.saidAt.toISOString() }),
    device: row.device,
    body: row.body,
  }) as BatchEvent;

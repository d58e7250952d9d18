import type { CreationOptional, InferAttributes, InferCreationAttributes } from 'sequelize';
import { Column, CreatedAt, DataType, Model, PrimaryKey, Table } from 'sequelize-typescript';
import type { KeptIn } from '@idle-kettle/core';

/** Jars of one size from one batch. How many are left is the sum of its moves. */
@Table({ tableName: 'shelf_lots', updatedAt: false })
export class ShelfLot extends Model<InferAttributes<ShelfLot>, InferCreationAttributes<ShelfLot>> {
  @PrimaryKey
  @Column(DataType.UUID)
  declare id: string;

  @Column(DataType.UUID)
  declare householdId: string;

  @Column(DataType.UUID)
  declare batchId: string;

  @Column(DataType.TEXT)
  declare size: string;

  @Column(DataType.DOUBLE)
  declare partFill: number | null;

  /** Which jars of the batch they were, where the device that put them there said. */
  @Column(DataType.JSONB)
  declare jars: CreationOptional<string[] | null>;

  @Column(DataType.DATEONLY)
  declare madeOn: string;

  @Column(DataType.TEXT)
  declare keptIn: KeptIn | null;

  @Column(DataType.TEXT)
  declare place: string;

  @Column(DataType.DATE)
  declare keptSince: Date | null;

  @Column(DataType.UUID)
  declare cameFrom: string | null;

  @CreatedAt
  declare createdAt: CreationOptional<Date>;
}

/** Jars that came or went. Append-only. */
@Table({ tableName: 'shelf_moves', timestamps: false })
export class ShelfMove extends Model<
  InferAttributes<ShelfMove>,
  InferCreationAttributes<ShelfMove>
> {
  @PrimaryKey
  @Column(DataType.UUID)
  declare id: string;

  @Column(DataType.UUID)
  declare householdId: string;

  @Column(DataType.UUID)
  declare lotId: string;

  @Column(DataType.INTEGER)
  declare change: number;

  @Column(DataType.TEXT)
  declare reason: string;

  @Column(DataType.TEXT)
  declare whom: string;

  @Column(DataType.TEXT)
  declare note: string;

  @Column(DataType.DATE)
  declare happenedAt: Date;
}

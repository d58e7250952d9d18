import type { CreationOptional, InferAttributes, InferCreationAttributes } from 'sequelize';
import {
  Column,
  CreatedAt,
  DataType,
  Model,
  PrimaryKey,
  Table,
  UpdatedAt,
} from 'sequelize-typescript';
import type { FormulaBody } from '@idle-kettle/contract';

@Table({ tableName: 'batches' })
export class Batch extends Model<InferAttributes<Batch>, InferCreationAttributes<Batch>> {
  @PrimaryKey
  @Column(DataType.UUID)
  declare id: string;

  @Column(DataType.UUID)
  declare householdId: string;

  @Column(DataType.UUID)
  declare formulaId: string | null;

  @Column(DataType.TEXT)
  declare title: string;

  @Column(DataType.JSONB)
  declare document: FormulaBody;

  @Column(DataType.INTEGER)
  declare revision: number;

  /** Taken off the bench before it was ever on the heat, or null. */
  @Column(DataType.DATE)
  declare removedAt: CreationOptional<Date | null>;

  @CreatedAt
  declare createdAt: CreationOptional<Date>;

  @UpdatedAt
  declare updatedAt: CreationOptional<Date>;
}

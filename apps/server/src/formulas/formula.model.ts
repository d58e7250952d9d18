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

@Table({ tableName: 'formulas' })
export class Formula extends Model<InferAttributes<Formula>, InferCreationAttributes<Formula>> {
  @PrimaryKey
  @Column(DataType.UUID)
  declare id: string;

  @Column(DataType.UUID)
  declare householdId: string;

  @Column(DataType.TEXT)
  declare title: string;

  @Column(DataType.JSONB)
  declare document: FormulaBody;

  @Column(DataType.INTEGER)
  declare revision: number;

  @Column(DataType.BOOLEAN)
  declare favourite: CreationOptional<boolean>;

  @Column(DataType.DATE)
  declare archivedAt: CreationOptional<Date | null>;

  @CreatedAt
  declare createdAt: CreationOptional<Date>;

  @UpdatedAt
  declare updatedAt: CreationOptional<Date>;
}

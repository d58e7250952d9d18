import type { CreationOptional, InferAttributes, InferCreationAttributes } from 'sequelize';
import { Column, DataType, Model, PrimaryKey, Table } from 'sequelize-typescript';
import type { FormulaBody } from '@idle-kettle/contract';

/** Every state a formula has been saved in. */
@Table({ tableName: 'formula_versions', timestamps: false })
export class FormulaVersionRow extends Model<
  InferAttributes<FormulaVersionRow>,
  InferCreationAttributes<FormulaVersionRow>
> {
  @PrimaryKey
  @Column(DataType.UUID)
  declare formulaId: string;

  @PrimaryKey
  @Column(DataType.INTEGER)
  declare revision: number;

  @Column(DataType.UUID)
  declare householdId: string;

  @Column(DataType.JSONB)
  declare document: FormulaBody;

  @Column(DataType.DATE)
  declare savedAt: CreationOptional<Date>;
}

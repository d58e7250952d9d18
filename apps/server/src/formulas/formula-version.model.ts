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
  @Column({ type: DataType.UUID, field: 'formula_id' })
  declare formulaId: string;

  @PrimaryKey
  @Column(DataType.INTEGER)
  declare revision: number;

  @Column({ type: DataType.UUID, field: 'household_id' })
  declare householdId: string;

  @Column(DataType.JSONB)
  declare document: FormulaBody;

  @Column({ type: DataType.DATE, field: 'saved_at' })
  declare savedAt: CreationOptional<Date>;
}

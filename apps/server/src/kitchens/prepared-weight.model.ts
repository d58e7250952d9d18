import type { InferAttributes, InferCreationAttributes } from 'sequelize';
import { Column, DataType, Model, PrimaryKey, Table } from 'sequelize-typescript';

@Table({ tableName: 'prepared_weights', timestamps: false })
export class PreparedWeightRow extends Model<
  InferAttributes<PreparedWeightRow>,
  InferCreationAttributes<PreparedWeightRow>
> {
  @PrimaryKey
  @Column(DataType.UUID)
  declare id: string;

  @Column(DataType.UUID)
  declare householdId: string;

  @Column(DataType.TEXT)
  declare ingredient: string;

  @Column(DataType.TEXT)
  declare variety: string | null;

  @Column({ type: DataType.DOUBLE, field: 'bought_kg' })
  declare bought_kg: number;

  @Column({ type: DataType.DOUBLE, field: 'prepared_kg' })
  declare prepared_kg: number;

  @Column(DataType.DATE)
  declare weighedAt: Date;
}

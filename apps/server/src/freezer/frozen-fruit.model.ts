import type { InferAttributes, InferCreationAttributes } from 'sequelize';
import { Column, DataType, Model, PrimaryKey, Table } from 'sequelize-typescript';

@Table({ tableName: 'frozen_fruit', timestamps: false })
export class FrozenFruit extends Model<
  InferAttributes<FrozenFruit>,
  InferCreationAttributes<FrozenFruit>
> {
  @PrimaryKey
  @Column(DataType.UUID)
  declare id: string;

  @Column(DataType.UUID)
  declare householdId: string;

  @Column(DataType.TEXT)
  declare ingredient: string;

  @Column({ type: DataType.DOUBLE, field: 'mass_kg' })
  declare mass_kg: number;

  @Column(DataType.TEXT)
  declare note: string;

  @Column(DataType.DATEONLY)
  declare frozenOn: string;
}

import type { CreationOptional, InferAttributes, InferCreationAttributes } from 'sequelize';
import { Column, CreatedAt, DataType, Model, PrimaryKey, Table, UpdatedAt } from 'sequelize-typescript';
import type { TemperatureUnit } from '@idle-kettle/contract';
import type { UnitSystem } from '@idle-kettle/core';

@Table({ tableName: 'kitchens' })
export class Kitchen extends Model<InferAttributes<Kitchen>, InferCreationAttributes<Kitchen>> {
  @PrimaryKey
  @Column(DataType.UUID)
  declare id: string;

  @Column({ type: DataType.UUID, field: 'household_id' })
  declare householdId: string;

  @Column(DataType.TEXT)
  declare name: string;

  @Column({ type: DataType.DOUBLE, field: 'altitude_m' })
  declare altitude_m: number | null;

  @Column({ type: DataType.DOUBLE, field: 'boiling_point_c' })
  declare boilingPoint_C: number | null;

  @Column({ type: DataType.DATE, field: 'boiling_point_measured_at' })
  declare boilingPointMeasuredAt: Date | null;

  @Column(DataType.TEXT)
  declare units: UnitSystem;

  @Column({ type: DataType.TEXT, field: 'temperature_unit' })
  declare temperatureUnit: TemperatureUnit;

  @CreatedAt
  declare createdAt: CreationOptional<Date>;

  @UpdatedAt
  declare updatedAt: CreationOptional<Date>;
}

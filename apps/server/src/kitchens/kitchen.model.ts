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
import type { KitchenGear, TemperatureUnit } from '@idle-kettle/contract';
import type { UnitSystem } from '@idle-kettle/core';

@Table({ tableName: 'kitchens' })
export class Kitchen extends Model<InferAttributes<Kitchen>, InferCreationAttributes<Kitchen>> {
  @PrimaryKey
  @Column(DataType.UUID)
  declare id: string;

  @Column(DataType.UUID)
  declare householdId: string;

  @Column(DataType.TEXT)
  declare name: string;

  @Column({ type: DataType.DOUBLE, field: 'altitude_m' })
  declare altitude_m: number | null;

  @Column({ type: DataType.DOUBLE, field: 'boiling_point_c' })
  declare boilingPoint_C: number | null;

  @Column(DataType.DATE)
  declare boilingPointMeasuredAt: Date | null;

  @Column(DataType.TEXT)
  declare units: UnitSystem;

  @Column(DataType.TEXT)
  declare temperatureUnit: TemperatureUnit;

  @Column({ type: DataType.DOUBLE, field: 'pressure_kpa' })
  declare pressure_kPa: number | null;

  @Column(DataType.DATE)
  declare pressureReadAt: Date | null;

  @Column(DataType.BOOLEAN)
  declare southern: CreationOptional<boolean>;

  @Column(DataType.JSONB)
  declare gear: CreationOptional<KitchenGear>;

  /** The kitchen used last is the one everything is computed for. */
  @Column(DataType.DATE)
  declare usedAt: CreationOptional<Date>;

  @CreatedAt
  declare createdAt: CreationOptional<Date>;

  @UpdatedAt
  declare updatedAt: CreationOptional<Date>;
}

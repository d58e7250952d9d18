import type { InferAttributes, InferCreationAttributes, CreationOptional } from 'sequelize';
import { Column, CreatedAt, DataType, Model, PrimaryKey, Table } from 'sequelize-typescript';

@Table({ tableName: 'households', updatedAt: false })
export class Household extends Model<
  InferAttributes<Household>,
  InferCreationAttributes<Household>
> {
  @PrimaryKey
  @Column(DataType.UUID)
  declare id: string;

  @Column(DataType.TEXT)
  declare name: string;

  @CreatedAt
  declare createdAt: CreationOptional<Date>;
}

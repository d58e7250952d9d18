import type { CreationOptional, InferAttributes, InferCreationAttributes } from 'sequelize';
import { Column, DataType, Model, PrimaryKey, Table } from 'sequelize-typescript';
import type { InstrumentKind } from '@idle-kettle/contract';

@Table({ tableName: 'instruments', updatedAt: false })
export class InstrumentRow extends Model<
  InferAttributes<InstrumentRow>,
  InferCreationAttributes<InstrumentRow>
> {
  @PrimaryKey
  @Column(DataType.UUID)
  declare id: string;

  @Column(DataType.UUID)
  declare householdId: string;

  @Column(DataType.TEXT)
  declare name: string;

  @Column(DataType.TEXT)
  declare kind: InstrumentKind;

  /** SHA-256 of its token: the token itself is shown once and not kept. */
  @Column(DataType.TEXT)
  declare tokenHash: string;

  declare createdAt: CreationOptional<Date>;
}

/** In which pot an instrument stood from when on; in none where the batch is null. */
@Table({ tableName: 'instrument_places', timestamps: false })
export class InstrumentPlace extends Model<
  InferAttributes<InstrumentPlace>,
  InferCreationAttributes<InstrumentPlace>
> {
  @PrimaryKey
  @Column(DataType.UUID)
  declare instrumentId: string;

  @PrimaryKey
  @Column(DataType.DATE)
  declare fromAt: Date;

  @Column(DataType.UUID)
  declare householdId: string;

  @Column(DataType.UUID)
  declare batchId: string | null;
}

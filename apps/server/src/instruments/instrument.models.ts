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

  @Column({ type: DataType.UUID, field: 'household_id' })
  declare householdId: string;

  @Column(DataType.TEXT)
  declare name: string;

  @Column(DataType.TEXT)
  declare kind: InstrumentKind;

  /** SHA-256 of its token: the token itself is shown once and not kept. */
  @Column({ type: DataType.TEXT, field: 'token_hash' })
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
  @Column({ type: DataType.UUID, field: 'instrument_id' })
  declare instrumentId: string;

  @PrimaryKey
  @Column({ type: DataType.DATE, field: 'from_at' })
  declare fromAt: Date;

  @Column({ type: DataType.UUID, field: 'household_id' })
  declare householdId: string;

  @Column({ type: DataType.UUID, field: 'batch_id' })
  declare batchId: string | null;
}

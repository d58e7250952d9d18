import type { InferAttributes, InferCreationAttributes } from 'sequelize';
import { Column, DataType, Model, PrimaryKey, Table } from 'sequelize-typescript';
import type { PracticeMode, PracticeScenario } from '@idle-kettle/core';

@Table({ tableName: 'practice_runs', timestamps: false })
export class PracticeRunRow extends Model<
  InferAttributes<PracticeRunRow>,
  InferCreationAttributes<PracticeRunRow>
> {
  @PrimaryKey
  @Column(DataType.UUID)
  declare id: string;

  @Column(DataType.UUID)
  declare householdId: string;

  @Column(DataType.TEXT)
  declare player: string;

  @Column(DataType.TEXT)
  declare scenario: string;

  @Column(DataType.INTEGER)
  declare seed: number;

  @Column(DataType.TEXT)
  declare mode: PracticeMode;

  @Column(DataType.INTEGER)
  declare score: number;

  @Column(DataType.JSONB)
  declare medals: string[];

  @Column(DataType.DATE)
  declare playedAt: Date;
}

@Table({ tableName: 'practice_scenarios', timestamps: false })
export class PracticeScenarioRow extends Model<
  InferAttributes<PracticeScenarioRow>,
  InferCreationAttributes<PracticeScenarioRow>
> {
  @PrimaryKey
  @Column(DataType.UUID)
  declare id: string;

  @Column(DataType.UUID)
  declare householdId: string;

  @Column(DataType.JSONB)
  declare document: PracticeScenario;
}

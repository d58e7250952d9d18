import { Module, type DynamicModule } from '@nestjs/common';
import { SequelizeModule } from '@nestjs/sequelize';
import { BatchModule } from './batches/batch.module.js';
import { ClockModule, type Clock } from './clock/clock.js';
import { connectionOptions } from './database/connect.js';
import { FormulaModule } from './formulas/formula.module.js';
import { HealthController } from './health/health.controller.js';
import { HouseholdFileModule } from './household-file/household-file.module.js';
import { HouseholdModule } from './households/household.module.js';
import { InstrumentModule } from './instruments/instrument.module.js';
import { KitchenModule } from './kitchens/kitchen.module.js';
import { LearningModule } from './learning/learning.module.js';
import { LiveModule } from './live/live.module.js';
import { SETTINGS, type Settings } from './settings.js';
import { FreezerModule } from './freezer/freezer.module.js';
import { PracticeModule } from './practice/practice.module.js';
import { PhotoModule } from './photos/photo.module.js';
import { ShelfModule } from './shelf/shelf.module.js';

@Module({})
export class AppModule {
  static with(settings: Settings, clock: Clock): DynamicModule {
    return {
      module: AppModule,
      imports: [
        SequelizeModule.forRoot({
          ...connectionOptions,
          uri: settings.databaseUrl,
          autoLoadModels: true,
          synchronize: false,
          retryAttempts: 10,
          retryDelay: 500,
        }),
        ClockModule.with(clock),
        // First, since its way is the one most walked.
        InstrumentModule,
        HouseholdModule,
        KitchenModule,
        FormulaModule,
        BatchModule,
        ShelfModule,
        FreezerModule,
        LearningModule,
        PhotoModule,
        PracticeModule,
        HouseholdFileModule.with(settings),
        LiveModule.with(settings.databaseUrl),
      ],
      controllers: [HealthController],
      providers: [{ provide: SETTINGS, useValue: settings }],
    };
  }
}

import { Module, type DynamicModule } from '@nestjs/common';
import { SequelizeModule } from '@nestjs/sequelize';
import { BatchModule } from './batches/batch.module.js';
import { connectionOptions } from './database/connect.js';
import { FormulaModule } from './formulas/formula.module.js';
import { HealthController } from './health/health.controller.js';
import { HouseholdModule } from './households/household.module.js';
import { KitchenModule } from './kitchens/kitchen.module.js';
import { LiveModule } from './live/live.module.js';
import type { Settings } from './settings.js';
import { ShelfModule } from './shelf/shelf.module.js';

@Module({})
export class AppModule {
  static with(settings: Settings): DynamicModule {
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
        HouseholdModule,
        KitchenModule,
        FormulaModule,
        BatchModule,
        ShelfModule,
        LiveModule.with(settings.databaseUrl),
      ],
      controllers: [HealthController],
    };
  }
}

import { Module } from '@nestjs/common';
import { SequelizeModule } from '@nestjs/sequelize';
import { KitchenModule } from '../kitchens/kitchen.module.js';
import { BatchController } from './batch.controller.js';
import { BatchEventRow } from './batch-event.model.js';
import { Batch } from './batch.model.js';
import { BatchService } from './batch.service.js';
import { EventLogService } from './event-log.service.js';
import { SummaryCacheService } from './summary-cache.service.js';

@Module({
  imports: [SequelizeModule.forFeature([Batch, BatchEventRow]), KitchenModule],
  controllers: [BatchController],
  providers: [BatchService, EventLogService, SummaryCacheService],
  exports: [BatchService, EventLogService, SummaryCacheService],
})
export class BatchModule {}

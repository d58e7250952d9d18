import { Module } from '@nestjs/common';
import { SequelizeModule } from '@nestjs/sequelize';
import { BatchController } from './batch.controller.js';
import { BatchEventRow } from './batch-event.model.js';
import { Batch } from './batch.model.js';
import { BatchService } from './batch.service.js';
import { EventLogService } from './event-log.service.js';

@Module({
  imports: [SequelizeModule.forFeature([Batch, BatchEventRow])],
  controllers: [BatchController],
  providers: [BatchService, EventLogService],
  exports: [BatchService, EventLogService],
})
export class BatchModule {}

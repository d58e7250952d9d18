import { Module } from '@nestjs/common';
import { SequelizeModule } from '@nestjs/sequelize';
import { BatchModule } from '../batches/batch.module.js';
import { InstrumentController, ReadingsController } from './instrument.controller.js';
import { InstrumentPlace, InstrumentRow } from './instrument.models.js';
import { InstrumentService } from './instrument.service.js';
import { IntakeService } from './intake.service.js';

@Module({
  imports: [SequelizeModule.forFeature([InstrumentRow, InstrumentPlace]), BatchModule],
  controllers: [InstrumentController, ReadingsController],
  providers: [InstrumentService, IntakeService],
})
export class InstrumentModule {}

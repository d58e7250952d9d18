import { Module } from '@nestjs/common';
import { SequelizeModule } from '@nestjs/sequelize';
import { PracticeController } from './practice.controller.js';
import { PracticeRunRow, PracticeScenarioRow } from './practice.models.js';
import { PracticeService } from './practice.service.js';

@Module({
  imports: [SequelizeModule.forFeature([PracticeRunRow, PracticeScenarioRow])],
  controllers: [PracticeController],
  providers: [PracticeService],
  exports: [PracticeService],
})
export class PracticeModule {}

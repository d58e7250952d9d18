import { Module } from '@nestjs/common';
import { SequelizeModule } from '@nestjs/sequelize';
import { BatchModule } from '../batches/batch.module.js';
import { FormulaController } from './formula.controller.js';
import { Formula } from './formula.model.js';
import { FormulaVersionRow } from './formula-version.model.js';
import { FormulaService } from './formula.service.js';

@Module({
  imports: [SequelizeModule.forFeature([Formula, FormulaVersionRow]), BatchModule],
  controllers: [FormulaController],
  providers: [FormulaService],
  exports: [FormulaService],
})
export class FormulaModule {}

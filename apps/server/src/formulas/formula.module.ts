import { Module } from '@nestjs/common';
import { SequelizeModule } from '@nestjs/sequelize';
import { FormulaController } from './formula.controller.js';
import { Formula } from './formula.model.js';
import { FormulaVersionRow } from './formula-version.model.js';
import { FormulaService } from './formula.service.js';

@Module({
  imports: [SequelizeModule.forFeature([Formula, FormulaVersionRow])],
  controllers: [FormulaController],
  providers: [FormulaService],
  exports: [FormulaService],
})
export class FormulaModule {}

import { Module } from '@nestjs/common';
import { SequelizeModule } from '@nestjs/sequelize';
import { FormulaController } from './formula.controller.js';
import { Formula } from './formula.model.js';
import { FormulaService } from './formula.service.js';

@Module({
  imports: [SequelizeModule.forFeature([Formula])],
  controllers: [FormulaController],
  providers: [FormulaService],
  exports: [FormulaService],
})
export class FormulaModule {}

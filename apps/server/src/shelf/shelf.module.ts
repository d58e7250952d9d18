import { Module } from '@nestjs/common';
import { SequelizeModule } from '@nestjs/sequelize';
import { BatchModule } from '../batches/batch.module.js';
import { ShelfController } from './shelf.controller.js';
import { ShelfLot, ShelfMove } from './shelf.models.js';
import { ShelfService } from './shelf.service.js';
import { YearService } from './year.service.js';

@Module({
  imports: [SequelizeModule.forFeature([ShelfLot, ShelfMove]), BatchModule],
  controllers: [ShelfController],
  providers: [ShelfService, YearService],
  exports: [ShelfService],
})
export class ShelfModule {}

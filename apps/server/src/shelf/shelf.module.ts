import { Module } from '@nestjs/common';
import { SequelizeModule } from '@nestjs/sequelize';
import { BatchModule } from '../batches/batch.module.js';
import { KitchenModule } from '../kitchens/kitchen.module.js';
import { ShelfController } from './shelf.controller.js';
import { ShelfLot, ShelfMove } from './shelf.models.js';
import { ShelfService } from './shelf.service.js';

@Module({
  imports: [SequelizeModule.forFeature([ShelfLot, ShelfMove]), BatchModule, KitchenModule],
  controllers: [ShelfController],
  providers: [ShelfService],
  exports: [ShelfService],
})
export class ShelfModule {}

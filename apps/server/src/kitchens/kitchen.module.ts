import { Module } from '@nestjs/common';
import { SequelizeModule } from '@nestjs/sequelize';
import { KitchenController } from './kitchen.controller.js';
import { Kitchen } from './kitchen.model.js';
import { KitchenService } from './kitchen.service.js';

@Module({
  imports: [SequelizeModule.forFeature([Kitchen])],
  controllers: [KitchenController],
  providers: [KitchenService],
  exports: [KitchenService],
})
export class KitchenModule {}

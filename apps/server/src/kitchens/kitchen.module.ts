import { Module } from '@nestjs/common';
import { SequelizeModule } from '@nestjs/sequelize';
import { KitchenController } from './kitchen.controller.js';
import { Kitchen } from './kitchen.model.js';
import { KitchenService } from './kitchen.service.js';
import { PreparedController } from './prepared.controller.js';
import { PreparedService } from './prepared.service.js';
import { PreparedWeightRow } from './prepared-weight.model.js';

@Module({
  imports: [SequelizeModule.forFeature([Kitchen, PreparedWeightRow])],
  controllers: [KitchenController, PreparedController],
  providers: [KitchenService, PreparedService],
  exports: [KitchenService],
})
export class KitchenModule {}

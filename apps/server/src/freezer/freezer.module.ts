import { Module } from '@nestjs/common';
import { SequelizeModule } from '@nestjs/sequelize';
import { FreezerController } from './freezer.controller.js';
import { FreezerService } from './freezer.service.js';
import { FrozenFruit } from './frozen-fruit.model.js';

@Module({
  imports: [SequelizeModule.forFeature([FrozenFruit])],
  controllers: [FreezerController],
  providers: [FreezerService],
  exports: [FreezerService],
})
export class FreezerModule {}

import { Module } from '@nestjs/common';
import { BatchModule } from '../batches/batch.module.js';
import { KitchenModule } from '../kitchens/kitchen.module.js';
import { LearningController } from './learning.controller.js';
import { BoilReader } from './boil-reader.js';
import { LearningService } from './learning.service.js';

@Module({
  imports: [BatchModule, KitchenModule],
  controllers: [LearningController],
  providers: [LearningService, BoilReader],
})
export class LearningModule {}

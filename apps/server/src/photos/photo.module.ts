import { Module } from '@nestjs/common';
import { BatchModule } from '../batches/batch.module.js';
import { PhotoController } from './photo.controller.js';
import { PhotoService } from './photo.service.js';

@Module({
  imports: [BatchModule],
  controllers: [PhotoController],
  providers: [PhotoService],
})
export class PhotoModule {}

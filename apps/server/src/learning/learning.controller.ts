import { Controller, Get } from '@nestjs/common';
import type { LessonsView } from '@idle-kettle/contract';
import { LearningService } from './learning.service.js';

@Controller('lessons')
export class LearningController {
  constructor(private readonly learning: LearningService) {}

  /** What the boils of the kitchen in use have taught. */
  @Get()
  lessons(): Promise<LessonsView> {
    return this.learning.lessons();
  }
}

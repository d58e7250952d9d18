import { Body, Controller, Delete, Get, HttpCode, Param, Put } from '@nestjs/common';
import {
  SavePracticeRun,
  SavePracticeScenario,
  type PracticeRunView,
  type PracticeScenarioView,
} from '@idle-kettle/contract';
import { idPipe } from '../http/validation.js';
import { PracticeService } from './practice.service.js';

@Controller('practice')
export class PracticeController {
  constructor(private readonly practice: PracticeService) {}

  @Get('runs')
  runs(): Promise<PracticeRunView[]> {
    return this.practice.listRuns();
  }

  @Put('runs/:id')
  saveRun(
    @Param('id', idPipe) id: string,
    @Body() body: SavePracticeRun,
  ): Promise<PracticeRunView> {
    return this.practice.saveRun(id, body);
  }

  @Delete('runs/:id')
  @HttpCode(204)
  removeRun(@Param('id', idPipe) id: string): Promise<void> {
    return this.practice.removeRun(id);
  }

  @Get('scenarios')
  scenarios(): Promise<PracticeScenarioView[]> {
    return this.practice.listScenarios();
  }

  @Put('scenarios/:id')
  saveScenario(
    @Param('id', idPipe) id: string,
    @Body() body: SavePracticeScenario,
  ): Promise<PracticeScenarioView> {
    return this.practice.saveScenario(id, body);
  }

  @Delete('scenarios/:id')
  @HttpCode(204)
  removeScenario(@Param('id', idPipe) id: string): Promise<void> {
    return this.practice.removeScenario(id);
  }
}

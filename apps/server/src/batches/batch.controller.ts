import {
  Body,
  Controller,
  Delete,
  Get,
  Header,
  HttpCode,
  Param,
  Post,
  Put,
  Query,
} from '@nestjs/common';
import {
  AppendEvents,
  ListBatches,
  SaveBatch,
  type AppendResult,
  type BatchView,
} from '@idle-kettle/contract';
import { DeviceTime } from '../clock/device-clock.js';
import { JSON_TEXT } from '../http/json-text.js';
import { ProblemException } from '../http/problem.filter.js';
import { idPipe } from '../http/validation.js';
import { BatchService } from './batch.service.js';
import { EventLogService } from './event-log.service.js';

const CURSOR = /^\d{1,19}$/;

@Controller('batches')
export class BatchController {
  constructor(
    private readonly batches: BatchService,
    private readonly log: EventLogService,
  ) {}

  @Get()
  @Header('Content-Type', JSON_TEXT)
  list(@Query() query: ListBatches): Promise<string> {
    return this.batches.list(query);
  }

  @Get(':id')
  get(@Param('id', idPipe) id: string): Promise<BatchView> {
    return this.batches.get(id);
  }

  @Put(':id')
  save(@Param('id', idPipe) id: string, @Body() body: SaveBatch): Promise<BatchView> {
    return this.batches.save(id, body);
  }

  @Delete(':id')
  @HttpCode(204)
  remove(@Param('id', idPipe) id: string): Promise<void> {
    return this.batches.remove(id);
  }

  /** It was a slip, or another device still had something for it. */
  @Post(':id/back')
  @HttpCode(200)
  bringBack(@Param('id', idPipe) id: string): Promise<BatchView> {
    return this.batches.bringBack(id);
  }

  @Get(':id/events')
  @Header('Content-Type', JSON_TEXT)
  events(@Param('id', idPipe) id: string, @Query('since') since?: string): Promise<string> {
    if (since !== undefined && !CURSOR.test(since))
      throw new ProblemException('not-understood', '"since" is not a cursor', {
        errors: [{ path: 'since', message: 'write the cursor of the page before' }],
      });
    return this.log.page(id, since);
  }

  @Post(':id/events')
  @HttpCode(200)
  append(
    @Param('id', idPipe) id: string,
    @Body() { events }: AppendEvents,
    @DeviceTime() deviceTime: number | undefined,
  ): Promise<AppendResult> {
    return this.log.append(id, events, deviceTime);
  }
}

import {
  Body,
  Controller,
  Delete,
  Get,
  HttpCode,
  Param,
  ParseIntPipe,
  Post,
  Put,
  Query,
} from '@nestjs/common';
import {
  AppendEvents,
  SaveBatch,
  type AppendResult,
  type BatchSummary,
  type BatchView,
  type EventPage,
} from '@idle-kettle/contract';
import { ProblemException } from '../http/problem.filter.js';
import { idPipe } from '../http/validation.js';
import { BatchService } from './batch.service.js';
import { EventLogService } from './event-log.service.js';

const seqPipe = new ParseIntPipe({
  optional: true,
  exceptionFactory: () =>
    new ProblemException(400, '"after" must be a whole number', {
      errors: [{ path: 'after', message: 'write the lastSeq of the page before' }],
    }),
});

@Controller('batches')
export class BatchController {
  constructor(
    private readonly batches: BatchService,
    private readonly log: EventLogService,
  ) {}

  @Get()
  list(): Promise<BatchSummary[]> {
    return this.batches.list();
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

  @Get(':id/events')
  events(@Param('id', idPipe) id: string, @Query('after', seqPipe) after?: number): Promise<EventPage> {
    return this.log.after(id, after ?? 0);
  }

  @Post(':id/events')
  @HttpCode(200)
  append(@Param('id', idPipe) id: string, @Body() { events }: AppendEvents): Promise<AppendResult> {
    return this.log.append(id, events);
  }
}

import { Body, Controller, Get, Header, HttpCode, Param, Post, Query } from '@nestjs/common';
import {
  ListLots,
  MoveJars,
  OnDay,
  PutOnShelf,
  TransferJars,
  type LotView,
  type MoveView,
  type YearUseView,
} from '@idle-kettle/contract';
import { JSON_TEXT } from '../http/json-text.js';
import { idPipe } from '../http/validation.js';
import { ShelfService } from './shelf.service.js';
import { YearService } from './year.service.js';

@Controller('shelf')
export class ShelfController {
  constructor(
    private readonly shelf: ShelfService,
    private readonly year: YearService,
  ) {}

  @Get()
  @Header('Content-Type', JSON_TEXT)
  list(@Query() query: ListLots): Promise<string> {
    return this.shelf.list(query);
  }

  /** What is there in all, and what to eat first. */
  @Get('overview')
  @Header('Content-Type', JSON_TEXT)
  overview(@Query() { today }: OnDay): Promise<string> {
    return this.shelf.overview(today);
  }

  @Post()
  @HttpCode(200)
  put(@Body() body: PutOnShelf): Promise<LotView> {
    return this.shelf.put(body);
  }

  @Post(':id/moves')
  @HttpCode(200)
  move(@Param('id', idPipe) id: string, @Body() body: MoveJars): Promise<LotView> {
    return this.shelf.move(id, body);
  }

  /** What the household gets through in a year. */
  @Get('year')
  uses(): Promise<YearUseView[]> {
    return this.year.uses();
  }

  /** Moves of jars, the latest first. */
  @Get('moves')
  moves(): Promise<MoveView[]> {
    return this.shelf.latestMoves();
  }

  /** Moves of one lot, the latest first. */
  @Get(':id/moves')
  movesOf(@Param('id', idPipe) id: string): Promise<MoveView[]> {
    return this.shelf.latestMoves(id);
  }

  /** The stricter verdict of a lot has been seen. */
  @Post(':id/seen')
  @HttpCode(204)
  seen(@Param('id', idPipe) id: string): Promise<void> {
    return this.shelf.seen(id);
  }

  @Post(':id/transfers')
  @HttpCode(200)
  transfer(@Param('id', idPipe) id: string, @Body() body: TransferJars): Promise<LotView> {
    return this.shelf.transfer(id, body);
  }
}

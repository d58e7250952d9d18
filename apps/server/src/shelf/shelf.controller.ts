import { Body, Controller, Get, HttpCode, Param, Post } from '@nestjs/common';
import { MoveJars, PutOnShelf, type LotView } from '@idle-kettle/contract';
import { idPipe } from '../http/validation.js';
import { ShelfService } from './shelf.service.js';

@Controller('shelf')
export class ShelfController {
  constructor(private readonly shelf: ShelfService) {}

  @Get()
  list(): Promise<LotView[]> {
    return this.shelf.list();
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
}

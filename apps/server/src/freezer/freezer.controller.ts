import { Body, Controller, Delete, Get, HttpCode, Param, Put } from '@nestjs/common';
import { SaveFrozenFruit, type FrozenFruitView } from '@idle-kettle/contract';
import { idPipe } from '../http/validation.js';
import { FreezerService } from './freezer.service.js';

@Controller('freezer')
export class FreezerController {
  constructor(private readonly freezer: FreezerService) {}

  @Get()
  list(): Promise<FrozenFruitView[]> {
    return this.freezer.list();
  }

  @Put(':id')
  save(@Param('id', idPipe) id: string, @Body() body: SaveFrozenFruit): Promise<FrozenFruitView> {
    return this.freezer.save(id, body);
  }

  @Delete(':id')
  @HttpCode(204)
  remove(@Param('id', idPipe) id: string): Promise<void> {
    return this.freezer.remove(id);
  }
}

import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put } from '@nestjs/common';
import { SaveKitchen, type KitchenView } from '@idle-kettle/contract';
import { idPipe } from '../http/validation.js';
import { KitchenService } from './kitchen.service.js';

@Controller('kitchens')
export class KitchenController {
  constructor(private readonly kitchens: KitchenService) {}

  @Get()
  list(): Promise<KitchenView[]> {
    return this.kitchens.list();
  }

  @Put(':id')
  save(@Param('id', idPipe) id: string, @Body() settings: SaveKitchen): Promise<KitchenView> {
    return this.kitchens.save(id, settings);
  }

  @Post(':id/use')
  @HttpCode(200)
  use(@Param('id', idPipe) id: string): Promise<KitchenView> {
    return this.kitchens.use(id);
  }

  @Delete(':id')
  @HttpCode(204)
  remove(@Param('id', idPipe) id: string): Promise<void> {
    return this.kitchens.remove(id);
  }
}

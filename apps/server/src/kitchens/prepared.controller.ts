import { Body, Controller, Delete, Get, HttpCode, Param, Put } from '@nestjs/common';
import { SavePreparedWeight, type PreparedWeightView } from '@idle-kettle/contract';
import { idPipe } from '../http/validation.js';
import { PreparedService } from './prepared.service.js';

@Controller('prepared-weights')
export class PreparedController {
  constructor(private readonly prepared: PreparedService) {}

  @Get()
  list(): Promise<PreparedWeightView[]> {
    return this.prepared.list();
  }

  @Put(':id')
  save(
    @Param('id', idPipe) id: string,
    @Body() body: SavePreparedWeight,
  ): Promise<PreparedWeightView> {
    return this.prepared.save(id, body);
  }

  @Delete(':id')
  @HttpCode(204)
  remove(@Param('id', idPipe) id: string): Promise<void> {
    return this.prepared.remove(id);
  }
}

import { Body, Controller, Delete, Get, HttpCode, Param, Put } from '@nestjs/common';
import { SaveDocument, type FormulaView } from '@idle-kettle/contract';
import { idPipe } from '../http/validation.js';
import { FormulaService } from './formula.service.js';

@Controller('formulas')
export class FormulaController {
  constructor(private readonly formulas: FormulaService) {}

  @Get()
  list(): Promise<FormulaView[]> {
    return this.formulas.list();
  }

  @Get(':id')
  get(@Param('id', idPipe) id: string): Promise<FormulaView> {
    return this.formulas.get(id);
  }

  @Put(':id')
  save(@Param('id', idPipe) id: string, @Body() body: SaveDocument): Promise<FormulaView> {
    return this.formulas.save(id, body);
  }

  @Delete(':id')
  @HttpCode(204)
  remove(@Param('id', idPipe) id: string): Promise<void> {
    return this.formulas.remove(id);
  }
}

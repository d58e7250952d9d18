import { Body, Controller, Delete, Get, HttpCode, Param, Patch, Post, Put } from '@nestjs/common';
import {
  MarkFormula,
  SaveDocument,
  type FormulaVersion,
  type FormulaView,
} from '@idle-kettle/contract';
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

  /** Lays in the starter set; what is there already stays as it is. */
  @Post('starters')
  @HttpCode(200)
  layInStarters(): Promise<FormulaView[]> {
    return this.formulas.layInStarters();
  }

  @Get(':id/versions')
  versions(@Param('id', idPipe) id: string): Promise<FormulaVersion[]> {
    return this.formulas.versions(id);
  }

  @Patch(':id')
  mark(@Param('id', idPipe) id: string, @Body() body: MarkFormula): Promise<FormulaView> {
    return this.formulas.mark(id, body);
  }

  @Delete(':id')
  @HttpCode(204)
  remove(@Param('id', idPipe) id: string): Promise<void> {
    return this.formulas.remove(id);
  }
}

import { Body, Controller, Get, Header, HttpCode, Param, Post, Res } from '@nestjs/common';
import type { Response } from 'express';
import type { BroughtIn } from '@idle-kettle/contract';
import { notFound } from '../http/problem.filter.js';
import { BringInService } from './bring-in.service.js';
import { SHEETS, SheetService, type Sheet } from './sheet.service.js';
import { TakeOutService } from './take-out.service.js';

const isSheet = (name: string): name is Sheet => (SHEETS as readonly string[]).includes(name);

@Controller('household')
export class HouseholdFileController {
  constructor(
    private readonly takeOut: TakeOutService,
    private readonly bringIn: BringInService,
    private readonly sheets: SheetService,
  ) {}

  /** Everything in one file, written as it is read. */
  @Get()
  async file(@Res() response: Response): Promise<void> {
    response.setHeader('Content-Type', 'application/json');
    response.setHeader('Content-Disposition', 'attachment; filename="household.json"');
    for await (const text of this.takeOut.file()) {
      if (!response.write(text)) await new Promise((resolve) => response.once('drain', resolve));
    }
    response.end();
  }

  /** Takes a file in: whole or not at all; what is here already stays as it is. */
  @Post()
  @HttpCode(200)
  take(@Body() file: unknown): Promise<BroughtIn> {
    return this.bringIn.take(file);
  }

  /** A table for a spreadsheet; a cell cannot become a formula there. */
  @Get(':sheet.csv')
  @Header('Content-Type', 'text/csv; charset=utf-8')
  async sheet(
    @Param('sheet') sheet: string,
    @Res({ passthrough: true }) response: Response,
  ): Promise<string> {
    if (!isSheet(sheet)) throw notFound('table');
    response.setHeader('Content-Disposition', `attachment; filename="${sheet}.csv"`);
    return this.sheets.csv(sheet);
  }
}

import {
  Body,
  Controller,
  Get,
  Header,
  HttpCode,
  Param,
  Post,
  Query,
  Res,
  StreamableFile,
} from '@nestjs/common';
import type { Response } from 'express';
import { BookOf, type HouseholdImport } from '@idle-kettle/contract';
import { notFound } from '../http/problem.filter.js';
import { BookService } from './book.service.js';
import { CalendarService } from './calendar.service.js';
import { ImportService } from './import.service.js';
import { SHEETS, SheetService, type Sheet } from './sheet.service.js';
import { ExportService } from './export.service.js';

const isSheet = (name: string): name is Sheet => (SHEETS as readonly string[]).includes(name);

@Controller('household')
export class HouseholdFileController {
  constructor(
    private readonly takeOut: ExportService,
    private readonly bringIn: ImportService,
    private readonly sheets: SheetService,
    private readonly books: BookService,
    private readonly calendars: CalendarService,
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
  take(@Body() file: unknown): Promise<HouseholdImport> {
    return this.bringIn.take(file);
  }

  /** The shelf and every batch as it went, to read and to print. */
  @Get('book.pdf')
  async book(@Query() { year }: BookOf): Promise<StreamableFile> {
    const pdf = await this.books.pdf(year);
    return new StreamableFile(pdf, {
      type: 'application/pdf',
      disposition: 'attachment; filename="book.pdf"',
    });
  }

  /** What there is to think of, for a calendar. */
  @Get('calendar.ics')
  @Header('Content-Type', 'text/calendar; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="calendar.ics"')
  calendar(): Promise<string> {
    return this.calendars.ics();
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

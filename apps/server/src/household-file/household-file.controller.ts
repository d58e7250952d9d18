import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import {
  Body,
  Controller,
  Get,
  Header,
  HttpCode,
  Logger,
  Param,
  Post,
  Query,
  Req,
  Res,
  StreamableFile,
  UseGuards,
  UseInterceptors,
} from '@nestjs/common';
import { ApiConsumes } from '@nestjs/swagger';
import type { Request, Response } from 'express';
import { BookOf, DownloadOf, type DownloadLink, type HouseholdImport } from '@idle-kettle/contract';
import { AtMost } from '../http/at-most.js';
import { notFound } from '../http/problem.filter.js';
import { BookService } from './book.service.js';
import { CalendarService } from './calendar.service.js';
import { ImportService } from './import.service.js';
import { SHEETS, SheetService, type Sheet } from './sheet.service.js';
import { DownloadGuard } from './download.guard.js';
import { DownloadLinksService } from './download-links.service.js';
import { ExportService } from './export.service.js';
import { receiveFile } from './receive-file.js';

const isSheet = (name: string): name is Sheet => (SHEETS as readonly string[]).includes(name);

/** A download that takes nothing in for so long is over, ms. */
const STALLED_MS = 60_000;
/** Each reads, or holds, a whole household. */
const AT_ONCE = 2;

async function* goOn(first: string, rest: AsyncGenerator<string>) {
  yield first;
  yield* rest;
}

@Controller('household')
@UseInterceptors(new AtMost(AT_ONCE))
export class HouseholdFileController {
  private readonly logger = new Logger('household-file');

  constructor(
    private readonly takeOut: ExportService,
    private readonly bringIn: ImportService,
    private readonly sheets: SheetService,
    private readonly books: BookService,
    private readonly calendars: CalendarService,
    private readonly links: DownloadLinksService,
  ) {}

  /** An address that opens a download once, for a browser that does not say where it comes from. */
  @Post('links')
  async link(@Body() { path }: DownloadOf): Promise<DownloadLink> {
    const token = await this.links.add(path);
    return { href: `${path}${path.includes('?') ? '&' : '?'}once=${token}` };
  }

  /** Everything in one file, written as it is read. */
  @Get()
  @UseGuards(DownloadGuard)
  async file(@Res() response: Response): Promise<void> {
    const pieces = this.takeOut.file();
    // What fails before the first piece is a problem like any other.
    const first = await pieces.next();
    response.setHeader('Content-Type', 'application/json');
    response.setHeader('Content-Disposition', 'attachment; filename="household.json"');
    // Somebody who takes nothing more in has gone away without saying so.
    response.setTimeout(STALLED_MS, () => response.destroy());
    try {
      // Ends the reading of the database when the one who asked goes away, and cuts the answer short
      // when the database does: half a file never looks whole.
      await pipeline(Readable.from(goOn(first.done ? '' : first.value, pieces)), response);
    } catch (error) {
      if (!response.headersSent) throw error;
      this.logger.warn(`a file was cut short: ${String(error)}`);
    } finally {
      // Also where the one who asked went away before the first piece.
      await pieces.return(undefined);
    }
  }

  /** Takes a file in: whole or not at all; what is here already stays as it is. */
  @Post()
  @HttpCode(200)
  @ApiConsumes('application/json')
  async take(@Req() request: Request): Promise<HouseholdImport> {
    return this.bringIn.take(await receiveFile(request));
  }

  /** The shelf and every batch as it went, to read and to print. */
  @Get('book.pdf')
  @UseGuards(DownloadGuard)
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
  @UseGuards(DownloadGuard)
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

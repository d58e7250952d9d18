import { Module, type DynamicModule } from '@nestjs/common';
import { SETTINGS, type Settings } from '../settings.js';
import { BatchModule } from '../batches/batch.module.js';
import { ShelfModule } from '../shelf/shelf.module.js';
import { KitchenModule } from '../kitchens/kitchen.module.js';
import { BookService } from './book.service.js';
import { ImportService } from './import.service.js';
import { CalendarService } from './calendar.service.js';
import { DownloadLinksService } from './download-links.service.js';
import { HouseholdFileController } from './household-file.controller.js';
import { SheetService } from './sheet.service.js';
import { ExportService } from './export.service.js';

/** Everything of a household, out and in again. */
@Module({})
export class HouseholdFileModule {
  static with(settings: Settings): DynamicModule {
    return {
      module: HouseholdFileModule,
      imports: [BatchModule, KitchenModule, ShelfModule],
      controllers: [HouseholdFileController],
      providers: [
        { provide: SETTINGS, useValue: settings },
        DownloadLinksService,
        ExportService,
        ImportService,
        SheetService,
        BookService,
        CalendarService,
      ],
    };
  }
}

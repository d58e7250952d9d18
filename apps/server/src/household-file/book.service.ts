import { createRequire } from 'node:module';
import { Injectable } from '@nestjs/common';
import { InjectConnection } from '@nestjs/sequelize';
import type pdfmake from 'pdfmake';
import { QueryTypes } from 'sequelize';
import { Sequelize } from 'sequelize-typescript';
import { outcomeOf } from '@idle-kettle/core';
import { USUAL_DATE_STYLE, type FormulaBody, type LotView } from '@idle-kettle/contract';
import { EventLogService } from '../batches/event-log.service.js';
import { Clock } from '../clock/clock.js';
import { HouseholdService } from '../households/household.service.js';
import { KitchenService } from '../kitchens/kitchen.service.js';
import { ShelfService } from '../shelf/shelf.service.js';
import { bookPages, type BookBatch } from './book-pages.js';

const BATCHES = `
  SELECT id, document, created_at FROM batches WHERE household_id = :householdId AND removed_at IS NULL
    AND (:year::int IS NULL OR extract(year FROM created_at) = :year) ORDER BY created_at, id`;
/** Logs that are read together. */
const AT_ONCE = 25;

const { resolve } = createRequire(import.meta.url);
const face = (family: string, file: string): string =>
  resolve(`@fontsource/${family}/files/${family}-${file}.woff`);
const one = (family: string, file: string) => ({
  normal: face(family, file),
  bold: face(family, file),
});

/**
 * The printer, fetched with the first book: most starts of the server see none. Nothing but the
 * faces is read, whatever a note says.
 */
async function printer(): Promise<typeof pdfmake> {
  const { default: made } = await import('pdfmake');
  made.setFonts({
    Text: one('atkinson-hyperlegible-next', 'latin-400-normal'),
    Others: one('atkinson-hyperlegible-next', 'latin-ext-400-normal'),
    Display: one('fraunces', 'latin-600-normal'),
  });
  made.setUrlAccessPolicy(() => false);
  made.setLocalAccessPolicy((path: string) => path.includes('@fontsource'));
  return made;
}

/** The household's book as a PDF. */
@Injectable()
export class BookService {
  constructor(
    @InjectConnection() private readonly sequelize: Sequelize,
    private readonly households: HouseholdService,
    private readonly kitchens: KitchenService,
    private readonly log: EventLogService,
    private readonly shelf: ShelfService,
    private readonly clock: Clock,
  ) {}

  /** @param year only the batches of one; all of them unless given */
  async pdf(year: number | undefined): Promise<Buffer> {
    const settings = await this.kitchens.settingsInUse();
    const place = await this.kitchens.inUse();
    const on = this.clock.now();
    const lots: LotView[] = [];
    for await (const lot of this.shelf.everyLot()) lots.push(lot);
    const rows = await this.sequelize.query<{
      id: string;
      document: FormulaBody;
      created_at: Date;
    }>(BATCHES, {
      replacements: { householdId: await this.households.current(), year: year ?? null },
      type: QueryTypes.SELECT,
    });
    const batches: BookBatch[] = [];
    for (let i = 0; i < rows.length; i += AT_ONCE) {
      const some = rows.slice(i, i + AT_ONCE);
      const boils = await this.log.boilsOf(some.map(({ id }) => id));
      for (const { id, document, created_at } of some) {
        const boil = boils.get(id);
        if (!boil) continue;
        const at = boil.endedAt ?? boil.startedAt;
        batches.push({
          document,
          on: at === undefined ? created_at : new Date(at),
          outcome: outcomeOf(document, boil, place, on.getTime()),
        });
      }
    }
    return (await printer())
      .createPdf(
        bookPages({
          on,
          units: settings.units,
          temperatureUnit: settings.temperatureUnit,
          dates: settings.gear?.writing?.dates ?? USUAL_DATE_STYLE,
          lots,
          batches,
        }),
      )
      .getBuffer();
  }
}

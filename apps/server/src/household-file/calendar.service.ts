import { Injectable } from '@nestjs/common';
import { findJar, MINUTE_MS, DAY_MS } from '@idle-kettle/core';
import type { BatchSummary } from '@idle-kettle/contract';
import { BatchService } from '../batches/batch.service.js';
import { ShelfService } from '../shelf/shelf.service.js';

/** An appointment has an end; pressing lids takes about so long, ms. */
const A_MOMENT_MS = 10 * MINUTE_MS;

/** What the household has to think of, as a calendar. */
@Injectable()
export class CalendarService {
  constructor(
    private readonly shelf: ShelfService,
    private readonly batches: BatchService,
  ) {}

  /**
   * Jars by the last day at their best, lids to be pressed, and batches that are planned.
   * @returns iCalendar, RFC 5545
   */
  async ics(): Promise<string> {
    const { default: ical } = await import('ical-generator');
    const calendar = ical({ name: 'Idle Kettle', prodId: '//idle-kettle//household//EN' });
    for await (const { id, title, count, size, place, keeping } of this.shelf.everyLot()) {
      if (keeping.bestBefore === null) continue;
      const jars = `${count} × ${findJar(size)?.name[count === 1 ? 0 : 1] ?? size}`;
      calendar.createEvent({
        id: `best-before-${id}@idle-kettle`,
        start: new Date(keeping.bestBefore),
        end: new Date(Date.parse(keeping.bestBefore) + DAY_MS),
        allDay: true,
        summary: `Best before today: ${title}, ${jars}`,
        ...(place !== '' && { location: place }),
      });
    }
    for (const { id, title, sealsDueAt, planned } of JSON.parse(
      await this.batches.list(),
    ) as BatchSummary[]) {
      if (sealsDueAt !== null)
        calendar.createEvent({
          id: `lids-${id}@idle-kettle`,
          start: new Date(sealsDueAt),
          end: new Date(Date.parse(sealsDueAt) + A_MOMENT_MS),
          summary: `Press the lids: ${title}`,
        });
      if (planned !== null)
        calendar.createEvent({
          id: `planned-${id}@idle-kettle`,
          start: new Date(planned.at),
          end: new Date(Date.parse(planned.at) + A_MOMENT_MS),
          summary: `${planned.by === 'ready' ? 'Jars on the counter' : 'Start'}: ${title}`,
        });
    }
    return calendar.toString();
  }
}

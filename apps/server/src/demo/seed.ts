import { randomUUID } from 'node:crypto';
import type { NestExpressApplication } from '@nestjs/platform-express';
import {
  assessKeeping,
  balance,
  preparePot,
  readFormula,
  simulateFormula,
  type BatchEvent,
  type EventBodies,
  type EventType,
  type FormulaDocument,
  type Instruments,
  type Simulation,
  MINUTE_MS,
} from '@idle-kettle/core';
import type { FormulaBody, LotView, PutOnShelf } from '@idle-kettle/contract';
import { BatchService } from '../batches/batch.service.js';
import { EventLogService } from '../batches/event-log.service.js';
import { FormulaService } from '../formulas/formula.service.js';
import { KitchenService } from '../kitchens/kitchen.service.js';
import { PhotoService } from '../photos/photo.service.js';
import { FreezerService } from '../freezer/freezer.service.js';
import { ShelfService } from '../shelf/shelf.service.js';
import { drawnJars } from './drawn-jars.js';
import {
  DEMO_BATCHES,
  DEMO_FREEZER,
  DEMO_GEAR,
  DEMO_KITCHEN,
  DEMO_STOVE,
  type DemoBatch,
} from './household.js';

const DAY_MIN = 24 * 60;

/** The household presses its lids the morning after, minutes from the end of the boil. */
const PRESSED_AFTER_MIN = 14 * 60;

const FAVOURITES = ['Damson jam', 'Redcurrant jelly'];

/**
 * The demo household reads its thermometer to a tenth of a degree, and not quite alike every time.
 */
const INSTRUMENTS: Instruments = {
  noise_K: 0.12,
  offset_K: 0.05,
  drift_KPerH: 0,
  scaleNoise_kg: 0.01,
  brixNoise_percent: 0.5,
};
/** A butter takes its hours, s. */
const LONGEST_S = 10 * 3600;
/**
 * It looks at a cold plate so long before the end, and the pot stands off the heat meanwhile, s.
 */
const [TESTED_BEFORE_S, TESTED_S] = [150, 90];
/** A gas flame wanders by so much. */
const FLICKER = 0.05;

function logOf(batch: DemoBatch, now: Date): BatchEvent[] {
  const { formula } = readFormula(batch.document, DEMO_KITCHEN);
  const ready = preparePot(formula);
  const pot = balance(formula);
  if (!ready || !pot) throw new Error('a demo formula has nothing in the pan');
  const start = now.getTime() - batch.minutesAgo * MINUTE_MS;
  const events: BatchEvent[] = [];
  const add = <T extends EventType>(type: T, minute: number, body: EventBodies[T]): void => {
    events.push({
      id: randomUUID(),
      type,
      at: new Date(start + minute * MINUTE_MS).toISOString(),
      device: 'kitchen tablet',
      body,
    } as BatchEvent);
  };
  const { softened, heat_W, minutesBetweenReadings } = batch;
  const simulated = (net_W: (time_s: number) => number): Simulation =>
    simulateFormula(ready, {
      net_W,
      fluctuation: FLICKER,
      instruments: INSTRUMENTS,
      seed: Math.round(batch.minutesAgo),
      readEvery_s: minutesBetweenReadings * 60,
      most_s: LONGEST_S,
    });
  // For the plate test the pot stands beside the flame.
  const test_s = simulated(() => heat_W).end_s - TESTED_BEFORE_S;
  const boil = simulated((time_s) => (time_s >= test_s && time_s < test_s + TESTED_S ? 0 : heat_W));
  add('light', 0, {
    gelTemperature_C: Math.round((pot.finish.temperature_C?.mid ?? 0) * 10) / 10,
    boilingPoint_C: DEMO_KITCHEN.boilingPoint_C,
    altitude_m: DEMO_KITCHEN.altitude_m,
    ...(batch.document.kind !== 'fruit-butter' && DEMO_STOVE),
  });
  add('sugar-in', softened, {});
  const end = batch.finished ? softened + boil.end_s / 60 : batch.minutesAgo - 0.5;
  for (const { time_s, temperature_C } of boil.readings) {
    const minute = softened + time_s / 60;
    if (minute <= end)
      add('reading', minute, { temperature_C: Math.round(temperature_C * 10) / 10 });
  }
  if (!batch.finished) {
    add('note', softened + 2.5, { text: 'Skins soft, sugar dissolved' });
    return events;
  }
  const test = softened + test_s / 60;
  add('off-heat', test, {});
  add('test', test + TESTED_S / 120, { way: 'plate', verdict: 'holds a line' });
  add('on-heat', test + TESTED_S / 60, {});
  add('done', end, {});
  add('jarred', end + 12, { jars: batch.finished.jars });
  const { process } = assessKeeping(formula, {}, pot);
  if (process) {
    add('process-begun', end + 15, { minutes: process.minutes });
    add('processed', end + 15 + process.minutes, {
      method: process.method,
      minutes: process.minutes,
      altitude_m: DEMO_KITCHEN.altitude_m,
    });
  }
  add('note', end + 60, { text: batch.finished.note });
  const { judged, shown } = batch.finished;
  if (judged) add('judged', end + 3 * DAY_MIN, judged);
  if (shown) {
    const { daysAfter, ...entry } = shown;
    const on = new Date(start + daysAfter * DAY_MIN * MINUTE_MS).toISOString().slice(0, 10);
    add('shown', end + daysAfter * DAY_MIN, { ...entry, on });
  }
  const { failed, jars } = batch.finished;
  if (failed && process)
    for (const { size } of jars) {
      add('seals', end + PRESSED_AFTER_MIN, { size, failed });
      if (failed.length > 0)
        add('unsealed', end + PRESSED_AFTER_MIN + 1, { size, jars: failed, kept: 'fridge' });
    }
  return events;
}

/**
 * Gives an empty household a kitchen, formulas, finished batches and one that is on the stove now.
 *
 * @returns false, changing nothing, when there is a batch already
 */
export async function seedDemo(app: NestExpressApplication, now: Date): Promise<boolean> {
  const [batches, log, shelf, photos] = [
    app.get(BatchService),
    app.get(EventLogService),
    app.get(ShelfService),
    app.get(PhotoService),
  ];
  if (await batches.hasAny()) return false;
  const kitchens = app.get(KitchenService);
  const [kitchen] = await kitchens.list();
  if (kitchen)
    await kitchens.save(kitchen.id, {
      ...DEMO_KITCHEN,
      gear: DEMO_GEAR,
      boilingPointMeasuredAt: new Date(now.getTime() - 40 * MINUTE_MS).toISOString(),
    });

  const body = (document: FormulaDocument): FormulaBody => document as FormulaBody;
  const formulas = app.get(FormulaService);
  const formulaIds = new Map(
    (await formulas.layInStarters()).map(({ id, document }) => [document.title, id]),
  );
  for (const title of FAVOURITES) {
    const id = formulaIds.get(title);
    if (id !== undefined) await formulas.mark(id, { favourite: true });
  }
  for (const batch of DEMO_BATCHES) {
    const id = randomUUID();
    await batches.save(id, {
      document: body(batch.document),
      revision: 0,
      formulaId: formulaIds.get(batch.document.title) ?? null,
    });
    await log.append(id, logOf(batch, now));
    if (batch.finished) await shelve(shelf, id, batch, batch.finished, now);
    for (const { note, colour, daysAfter } of batch.finished?.photos ?? []) {
      const photo = await photos.keep(
        id,
        randomUUID(),
        await drawnJars(colour),
        new Date(
          now.getTime() - batch.minutesAgo * MINUTE_MS + daysAfter * DAY_MIN * MINUTE_MS,
        ).toISOString(),
      );
      await photos.write(photo.id, note);
    }
  }
  const freezer = app.get(FreezerService);
  for (const { daysAgo, ...fruit } of DEMO_FREEZER) {
    const frozenOn = new Date(now.getTime() - daysAgo * 24 * 60 * MINUTE_MS)
      .toISOString()
      .slice(0, 10);
    await freezer.save(randomUUID(), { ...fruit, frozenOn });
  }
  return true;
}

/**
 * Its jars on the shelf: what has not sealed in the fridge, some eaten, given away or opened since.
 */
async function shelve(
  shelf: ShelfService,
  batchId: string,
  { minutesAgo }: DemoBatch,
  finished: NonNullable<DemoBatch['finished']>,
  now: Date,
): Promise<void> {
  const madeOn = new Date(now.getTime() - minutesAgo * MINUTE_MS).toISOString().slice(0, 10);
  const { jars, failed = [], eaten, givenTo, opened = false, place } = finished;
  const at = now.toISOString();
  const put = (size: string, count: number, more: Partial<PutOnShelf> = {}): Promise<LotView> =>
    shelf.put({ id: randomUUID(), batchId, size, count, madeOn, ...more });
  for (const [i, { size, full, part }] of jars.entries()) {
    const lot = await put(size, full - failed.length, { place });
    if (failed.length > 0) await put(size, failed.length, { keptIn: 'fridge' });
    if (part > 0) await put(size, 1, { partFill: part });
    if (i > 0) continue;
    if (eaten > 0)
      await shelf.move(lot.id, { id: randomUUID(), change: -eaten, reason: 'eaten', at });
    if (givenTo !== undefined)
      await shelf.move(lot.id, {
        id: randomUUID(),
        change: -2,
        reason: 'given',
        whom: givenTo,
        at,
      });
    if (opened)
      await shelf.transfer(lot.id, {
        id: randomUUID(),
        arrivalId: randomUUID(),
        to: randomUUID(),
        count: 1,
        keptIn: 'opened',
        place: '',
        at,
      });
  }
}

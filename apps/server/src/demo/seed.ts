import { randomUUID } from 'node:crypto';
import type { NestExpressApplication } from '@nestjs/platform-express';
import {
  assessKeeping,
  balance,
  readFormula,
  standardPressure_kPa,
  syrupBoilingPoint_C,
  type Balance,
  type BatchEvent,
  type EventBodies,
  type EventType,
  type FormulaDocument,
  type PotFormula,
} from '@idle-kettle/core';
import type { FormulaBody, LotView, PutOnShelf } from '@idle-kettle/contract';
import { BatchService } from '../batches/batch.service.js';
import { EventLogService } from '../batches/event-log.service.js';
import { FormulaService } from '../formulas/formula.service.js';
import { KitchenService } from '../kitchens/kitchen.service.js';
import { FreezerService } from '../freezer/freezer.service.js';
import { ShelfService } from '../shelf/shelf.service.js';
import { DEMO_BATCHES, DEMO_FREEZER, DEMO_GEAR, DEMO_KITCHEN, type DemoBatch } from './household.js';

const MINUTE_MS = 60_000;
const DAY_MIN = 24 * 60;
/** Sugar inverted by the middle of a boil; enough to draw a believable curve. */
const INVERT_SHARE = 0.35;

/** The household presses its lids the morning after, minutes from the end of the boil. */
const PRESSED_AFTER_MIN = 14 * 60;

const FAVOURITES = ['Damson jam', 'Redcurrant jelly'];

/** What the demo thermometer shows: the pot of the formula, losing water at the pan's rate, to a tenth of a degree. */
function temperatureAt(pot: Balance, pressure_kPa: number, lost_kg: number, offset_K: number): number {
  const left = pot.massIn_kg.mid - pot.insolubleSolids_kg.mid - lost_kg;
  const solids = Math.min(pot.solubleSolids_kg.mid / left, 0.85);
  return Math.round((syrupBoilingPoint_C(solids, INVERT_SHARE, pressure_kPa) + offset_K) * 10) / 10;
}

function logOf(batch: DemoBatch, now: Date): BatchEvent[] {
  const { formula } = readFormula(batch.document, DEMO_KITCHEN);
  const pot = outcome(formula);
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
  const boilingPoint_C = DEMO_KITCHEN.boilingPoint_C;
  const pressure_kPa = standardPressure_kPa(DEMO_KITCHEN.altitude_m);
  const boilAfter = 6;
  add('light', 0, { gelTemperature_C: Math.round(pot.finish.temperature_C.mid * 10) / 10, boilingPoint_C });
  const boilMinutes = (pot.waterToBoilOff_kg.mid / batch.evaporation_kgPerH) * 60;
  const end = batch.finished ? boilAfter + boilMinutes : batch.minutesAgo - 0.5;
  for (let minute = boilAfter; minute <= end; minute += batch.minutesBetweenReadings) {
    add('reading', minute, {
      temperature_C: temperatureAt(
        pot,
        pressure_kPa,
        ((minute - boilAfter) / 60) * batch.evaporation_kgPerH,
        0.05,
      ),
    });
  }
  if (!batch.finished) {
    add('note', 8.5, { text: 'Skins soft, sugar dissolved' });
    return events;
  }
  add('off-heat', end - 3, {});
  add('test', end - 2, { way: 'plate', verdict: 'holds a line' });
  add('on-heat', end - 1.5, {});
  add('done', end, {});
  add('jarred', end + 12, { jars: batch.finished.jars });
  const { process } = assessKeeping(formula, {}, pot);
  if (process)
    add('processed', end + 15 + process.minutes, {
      method: process.method,
      minutes: process.minutes,
      altitude_m: DEMO_KITCHEN.altitude_m,
    });
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
  const [batches, log, shelf] = [app.get(BatchService), app.get(EventLogService), app.get(ShelfService)];
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
  }
  const freezer = app.get(FreezerService);
  for (const { daysAgo, ...fruit } of DEMO_FREEZER) {
    const frozenOn = new Date(now.getTime() - daysAgo * 24 * 60 * MINUTE_MS).toISOString().slice(0, 10);
    await freezer.save(randomUUID(), { ...fruit, frozenOn });
  }
  return true;
}

/** Its jars on the shelf: what has not sealed in the fridge, some eaten, given away or opened since. */
async function shelve(shelf: ShelfService, batchId: string, { minutesAgo }: DemoBatch, finished: NonNullable<DemoBatch['finished']>, now: Date): Promise<void> {
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
    if (eaten > 0) await shelf.move(lot.id, { id: randomUUID(), change: -eaten, reason: 'eaten', at });
    if (givenTo !== undefined) await shelf.move(lot.id, { id: randomUUID(), change: -2, reason: 'given', whom: givenTo, at }); // prettier-ignore
    if (opened) await shelf.transfer(lot.id, { id: randomUUID(), arrivalId: randomUUID(), to: randomUUID(), count: 1, keptIn: 'opened', place: '', at }); // prettier-ignore
  }
} // prettier-ignore

function outcome(formula: PotFormula): Balance {
  const result = balance(formula);
  if (!result) throw new Error('a demo formula has nothing in the pot');
  return result;
}

import { subDays } from 'date-fns/subDays';
import { subMinutes } from 'date-fns/subMinutes';
import { randomUUID } from 'node:crypto';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { Sequelize } from 'sequelize-typescript';
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
import type { FormulaBody, LotView, MoveJars, PutOnShelf } from '@idle-kettle/contract';
import { BatchService } from '../batches/batch.service.js';
import { EventLogService } from '../batches/event-log.service.js';
import { FormulaService } from '../formulas/formula.service.js';
import { KitchenService } from '../kitchens/kitchen.service.js';
import { PhotoService } from '../photos/photo.service.js';
import { FreezerService } from '../freezer/freezer.service.js';
import { PracticeService } from '../practice/practice.service.js';
import { ShelfService } from '../shelf/shelf.service.js';
import { drawnJars } from './drawn-jars.js';
import {
  DEMO_BATCHES,
  DEMO_COUNTED_DAYS_AGO,
  DEMO_FREEZER,
  DEMO_PLANNED,
  DEMO_PRACTICE,
  DEMO_GEAR,
  DEMO_KITCHEN,
  DEMO_STOVE,
  type DemoBatch,
} from './household.js';
import { OWN_FORMULAS } from './past-batches.table.js';
import { pastBatches } from './past-to-demo.js';

const DAY_MIN = 24 * 60;

/** Jars go on the shelf list so long after the pan went on, minutes. */
const COOLED_AFTER_MIN = 6 * 60;
/** A jar is opened and tasted so long after, minutes. */
const SCORED_AFTER_MIN = 9 * DAY_MIN;

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

/** A curd whisked over hot water: so long from cool to its finish, s; read so often. */
const [CURD_S, CURD_READ_S] = [14 * 60, 90];
const [CURD_FROM_C, CURD_FINISH_C] = [38, 77];

/** What is logged of a cook. */
interface Cook {
  readonly end_s: number;
  readonly readings: readonly { readonly time_s: number; readonly temperature_C: number }[];
}

/** A boil read once more as it comes off the heat: that reading is what stops it. */
const readAtItsEnd = ({ end_s, readings, state }: Simulation): Cook => ({
  end_s,
  readings: [...readings, { time_s: end_s, temperature_C: state.temperature_C }],
});

/** The readings of a curd over water, slower as it comes near its finish. */
function overWater(finish_C: number): Cook {
  const times = Array.from(
    { length: Math.floor(CURD_S / CURD_READ_S) + 1 },
    (_, i) => i * CURD_READ_S,
  );
  return {
    end_s: CURD_S,
    readings: times.map((time_s) => ({
      time_s,
      temperature_C: finish_C - (finish_C - CURD_FROM_C) * (1 - time_s / CURD_S) ** 1.6,
    })),
  };
}

/** A full rolling boil with the sugar in, at 1,180 m, and how long it is timed and read before. */
const FULL_BOIL_C = 98.2;
const TIMED_MIN = 1;

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
  const isCurd = batch.document.kind === 'curd';
  const simulated = (net_W: (time_s: number) => number): Simulation =>
    simulateFormula(ready, {
      net_W,
      fluctuation: FLICKER,
      instruments: INSTRUMENTS,
      seed: Math.round(batch.minutesAgo),
      readEvery_s: minutesBetweenReadings * 60,
      most_s: LONGEST_S,
    });
  const isLongBoil = batch.document.method === 'long-boil';
  // For the plate test, shortly before its end, the pan stands off the heat; nothing else is tested.
  const test_s = isLongBoil ? simulated(() => heat_W).end_s - TESTED_BEFORE_S : Infinity;
  const isTimed = batch.document.finish.type === 'hard-boil';
  const boil: Cook = isCurd
    ? overWater(pot.finish.temperature_C?.mid ?? CURD_FINISH_C)
    : readAtItsEnd(
        simulated((time_s) => (time_s >= test_s && time_s < test_s + TESTED_S ? 0 : heat_W)),
      );
  add('light', 0, {
    gelTemperature_C: Math.round((pot.finish.temperature_C?.mid ?? 0) * 10) / 10,
    boilingPoint_C: DEMO_KITCHEN.boilingPoint_C,
    altitude_m: DEMO_KITCHEN.altitude_m,
    ...(batch.document.kind !== 'fruit-butter' && DEMO_STOVE),
  });
  add('sugar-in', softened, {});
  const cooked_min = boil.end_s / 60 + (isTimed ? TIMED_MIN : 0);
  const end = batch.finished ? softened + cooked_min : batch.minutesAgo - 0.5;
  for (const { time_s, temperature_C } of boil.readings) {
    const minute = softened + time_s / 60;
    if (minute <= end)
      add('reading', minute, { temperature_C: Math.round(temperature_C * 10) / 10 });
  }
  if (!batch.finished) {
    add('note', softened + 2.5, { text: 'Skins soft, sugar dissolved' });
    return events;
  }
  if (isTimed) {
    add('reading', softened + boil.end_s / 120, { temperature_C: FULL_BOIL_C });
    add('minute', end - TIMED_MIN, {});
  }
  if (isLongBoil) {
    const test = softened + test_s / 60;
    add('off-heat', test, {});
    add('test', test + TESTED_S / 120, { way: 'plate', verdict: 'holds a line' });
    add('on-heat', test + TESTED_S / 60, {});
  }
  add('done', end, {});
  add('jarred', end + 12, { jars: batch.finished.jars });
  const { process } = assessKeeping(formula, {}, pot);
  const { inCanner } = batch.finished;
  if (process && inCanner !== undefined) {
    add('process-begun', batch.minutesAgo - inCanner, { minutes: process.minutes });
    return events;
  }
  if (process) {
    add('process-begun', end + 15, { minutes: process.minutes });
    add('processed', end + 15 + process.minutes, {
      method: process.method,
      minutes: process.minutes,
      altitude_m: DEMO_KITCHEN.altitude_m,
    });
  }
  add('note', end + 60, { text: batch.finished.note });
  const { judged, shown, score } = batch.finished;
  if (score) add('scored', end + SCORED_AFTER_MIN, { set: score[0], taste: score[1] });
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

/** Any number that only this product locks with, and only here. */
const SEED_LOCK = 47_800_002;

/**
 * Gives an empty household a kitchen, formulas, finished batches and one that is on the stove now.
 * Of several servers that start at once one does, and the others wait for it.
 *
 * @returns false, changing nothing, when there is a batch already
 */
export async function seedDemo(app: NestExpressApplication, now: Date): Promise<boolean> {
  const sequelize = app.get(Sequelize);
  return sequelize.transaction(async (transaction) => {
    // Held by this transaction's connection until it ends, while what is stored goes by others.
    await sequelize.query('SET LOCAL statement_timeout = 0', { transaction });
    await sequelize.query(`SELECT pg_advisory_xact_lock(${SEED_LOCK})`, { transaction });
    return seed(app, now);
  });
}

async function seed(app: NestExpressApplication, now: Date): Promise<boolean> {
  const [batches, log, shelf, photos] = [
    app.get(BatchService),
    app.get(EventLogService),
    app.get(ShelfService),
    app.get(PhotoService),
  ];
  if (await batches.hasAny()) return false;
  const kitchens = app.get(KitchenService);
  const [kitchen] = await kitchens.list();
  const counted = subDays(now, DEMO_COUNTED_DAYS_AGO);
  if (kitchen)
    await kitchens.save(kitchen.id, {
      ...DEMO_KITCHEN,
      gear: {
        ...DEMO_GEAR,
        supplies: (DEMO_GEAR.supplies ?? []).map((supply) => ({
          ...supply,
          ...(supply.stock !== undefined && { countedAt: counted.toISOString() }),
        })),
      },
      boilingPointMeasuredAt: new Date(now.getTime() - 40 * MINUTE_MS).toISOString(),
    });

  const body = (document: FormulaDocument): FormulaBody => document as FormulaBody;
  const formulas = app.get(FormulaService);
  const starters = await formulas.layInStarters();
  const own = await Promise.all(
    OWN_FORMULAS.map((document) =>
      formulas.save(randomUUID(), { document: body(document), revision: 0 }),
    ),
  );
  const formulaIds = new Map([...starters, ...own].map(({ id, document }) => [document.title, id]));
  for (const title of FAVOURITES) {
    const id = formulaIds.get(title);
    if (id !== undefined) await formulas.mark(id, { favourite: true });
  }
  for (const batch of [...pastBatches(now), ...DEMO_BATCHES]) {
    const id = randomUUID();
    await batches.save(id, {
      document: body(batch.document),
      revision: 0,
      formulaId: formulaIds.get(batch.document.title) ?? null,
    });
    await log.append(id, logOf(batch, now));
    const { finished } = batch;
    if (!finished || finished.inCanner !== undefined) continue;
    await shelve(shelf, id, batch, finished, now);
    for (const { note, colour, daysAfter } of finished.photos ?? []) {
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
  for (const document of DEMO_PLANNED)
    await batches.save(randomUUID(), {
      document: body(document),
      revision: 0,
      formulaId: formulaIds.get(document.title) ?? null,
    });
  const freezer = app.get(FreezerService);
  for (const { daysAgo, ...fruit } of DEMO_FREEZER) {
    const frozenOn = new Date(now.getTime() - daysAgo * 24 * 60 * MINUTE_MS)
      .toISOString()
      .slice(0, 10);
    await freezer.save(randomUUID(), { ...fruit, frozenOn });
  }
  const practice = app.get(PracticeService);
  for (const { daysAgo, medals, ...run } of DEMO_PRACTICE) {
    const at = new Date(now.getTime() - daysAgo * 24 * 60 * MINUTE_MS).toISOString();
    await practice.saveRun(randomUUID(), { ...run, medals: [...medals], at });
  }
  return true;
}

/** The place of what is not for the shelf. */
const FRIDGE = 'Fridge';

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
  const {
    jars,
    failed = [],
    eaten,
    given = [],
    thrown,
    opened = false,
    isPartEaten = false,
    place,
  } = finished;
  const at = now.toISOString();
  const put = (size: string, count: number, more: Partial<PutOnShelf> = {}): Promise<LotView> =>
    shelf.put(
      { id: randomUUID(), batchId, size, count, madeOn, ...more },
      // What waits in the cold was put there lately; the others the day they were made.
      more.keptIn === undefined && more.partFill === undefined
        ? subMinutes(now, Math.max(minutesAgo - COOLED_AFTER_MIN, 0))
        : now,
    );
  for (const [i, { size, full, part }] of jars.entries()) {
    const lot = await put(size, full - failed.length, {
      place,
      ...(place === FRIDGE && { keptIn: 'fridge' }),
    });
    if (failed.length > 0) await put(size, failed.length, { keptIn: 'fridge' });
    if (part > 0) {
      const begun = await put(size, 1, { partFill: part });
      if (isPartEaten)
        await shelf.move(begun.id, { id: randomUUID(), change: -1, reason: 'eaten', at });
    }
    if (i > 0) continue;
    for (const move of movesOf(eaten, given, minutesAgo, now))
      await shelf.move(lot.id, { id: randomUUID(), ...move });
    const left = full - failed.length - eaten - given.reduce((sum, [, count]) => sum + count, 0);
    if (thrown !== undefined && left > 0)
      await shelf.move(lot.id, {
        id: randomUUID(),
        change: -left,
        reason: 'discarded',
        note: thrown,
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

type Move = Pick<MoveJars, 'change' | 'reason' | 'whom' | 'at'>;

/** Jars eaten one by one over the time since they were made, and the ones given away, in between. */
function movesOf(
  eaten: number,
  given: readonly (readonly [whom: string, count: number])[],
  minutesAgo: number,
  now: Date,
): readonly Move[] {
  const after = (share: number): string =>
    new Date(now.getTime() - minutesAgo * MINUTE_MS * (1 - share)).toISOString();
  return [
    ...Array.from({ length: eaten }, (_, i): Move => ({
      change: -1,
      reason: 'eaten',
      at: after((i + 1) / (eaten + 1)),
    })),
    ...given.map(([whom, count], i): Move => ({
      change: -count,
      reason: 'given',
      whom,
      at: after((i + 1) / (given.length + 2)),
    })),
  ];
}

import { add } from 'date-fns/add';
import { formatISO } from 'date-fns/formatISO';
import { parseISO } from 'date-fns/parseISO';
import {
  type Best,
  byResult,
  findJar,
  firstFruit,
  jarsThatAre,
  keptAsMade,
  keptIn,
  lastDay,
  madeBatch,
  outcomeOf,
  PART_JAR,
  sealsOf,
  withOpenLids,
  type Boil,
  type ForecastResult,
  type Kept,
  type KeptIn,
  type Kitchen,
  type Range,
  type Seals,
} from '@idle-kettle/core';
import type { BatchSummary, FormulaBody, LotView } from '@idle-kettle/contract';

/** A batch as it was laid out, in a list. */
export interface BatchRow {
  readonly id: string;
  readonly document: FormulaBody;
  readonly created_at: Date;
  readonly updated_at: Date;
}

/** A lot as it was put on the shelf. */
export interface LotRow {
  readonly id: string;
  readonly batch_id: string;
  readonly size: string;
  readonly part_fill: number | null;
  readonly made_on: string;
  readonly kept_in: KeptIn | null;
  readonly place: string;
  readonly kept_since: Date | null;
  readonly came_from: string | null;
  /** Jars that were put there, less those that went elsewhere; eaten ones still count. */
  readonly put: number;
}

/** What lists say of a lot; `lids` wait to be pressed from `lidsDueAt` on. */
export interface LotSummary {
  /**
   * What is said of it, but for how many are left and whether their lids are due: that changes by
   * itself.
   */
  readonly view: Omit<LotView, 'count' | 'seals'>;
  /** Lower case: what it can be found by. */
  readonly searchText: string;
  readonly lids: 'none' | 'waiting' | 'sealed';
  readonly lidsOpen: number;
  readonly lidsDueAt: string | null;
}

const isoOrNull = (at: number | undefined): string | null =>
  at === undefined ? null : new Date(at).toISOString();

/** A day so much later, by the calendar. */
const addTo = (day: string, best: Best): string =>
  formatISO(add(parseISO(day), best), { representation: 'date' });

/**
 * What lists say of a batch, without its whole log. The fruit that gives it its colour is the first one
 * in its pot.
 */
export function batchSummary(
  { id, document, created_at, updated_at }: BatchRow,
  boil: Boil,
  kitchen: Kitchen,
  onShelf: boolean,
  now: number,
): BatchSummary {
  const { yield_ml, boil: boiled } =
    boil.phase === 'done'
      ? outcomeOf(document, boil, kitchen, now)
      : { yield_ml: undefined, boil: undefined };
  const seals = sealsOf(boil, now);
  const [best] = byResult(boil.shows);
  return {
    id,
    title: document.title,
    kind: document.kind,
    fruit: firstFruit(document) ?? null,
    phase: boil.phase,
    startedAt: isoOrNull(boil.startedAt),
    endedAt: isoOrNull(boil.endedAt),
    lastReading: lastReadingOf(boil),
    gelTemperature_C: boil.gelTemperature_C ?? null,
    jarsFilled: boil.jarred.reduce((sum, jar) => sum + jar.full + jar.part, 0),
    onShelf,
    score: boil.score ?? null,
    best: best ? { show: best.show, class: best.class, result: best.result } : null,
    outcome: { yield_ml: forecastResult(yield_ml), boil_min: forecastResult(boiled) },
    planned:
      boil.wish && boil.phase === 'cold'
        ? { by: boil.wish.by, at: new Date(boil.wish.at).toISOString() }
        : null,
    sealsDueAt: seals.phase === 'cooling' || seals.phase === 'due' ? isoOrNull(seals.dueAt) : null,
    createdAt: created_at.toISOString(),
    updatedAt: updated_at.toISOString(),
  };
}

/** Where both are known. */
const forecastResult = (
  of: { planned: Range | undefined; actual: number | undefined } | undefined,
): ForecastResult | null =>
  of?.planned === undefined || of.actual === undefined || of.planned.mid <= 0
    ? null
    : { planned: of.planned, actual: of.actual };

export function lastReadingOf({ readings }: Boil): BatchSummary['lastReading'] {
  const last = readings.at(-1);
  return last ? { at: new Date(last.at).toISOString(), temperature_C: last.temperature_C } : null;
}

/** What a batch can be found by: its name and the notes of its log, in lower case. */
export const batchSearchText = (title: string, boil: Boil): string =>
  [
    title,
    ...boil.log.flatMap(({ event, undone }) =>
      event.type === 'note' && !undone ? [event.body.text] : [],
    ),
  ]
    .join('\n')
    .toLowerCase();

/**
 * How the jars of every lot of a batch keep and whether their lids hold, as made and as processed.
 */
export function lotSummaries(
  document: FormulaBody,
  boil: Boil,
  kitchen: Kitchen,
  lots: readonly LotRow[],
  now: number,
): LotSummary[] {
  const seals = sealsOf(boil, now);
  // Jars of one size made on one day keep alike, unless they were moved.
  const known = new Map<string, Kept>();
  const made = ({ part_fill, size, made_on: on }: LotRow): Kept => {
    if (part_fill !== null) return PART_JAR;
    const found = known.get(`${size} ${on}`);
    if (found) return found;
    // Those that were put in the cold at once need no load of the canner.
    const count = lots
      .filter((lot) => lot.size === size && lot.part_fill === null && lot.kept_in === null)
      .reduce((sum, lot) => sum + lot.put, 0);
    const options = { on, size, count };
    const { verdict, reasons, storage } = madeBatch(document, boil, kitchen, options).keeping;
    const kept = keptAsMade(verdict, reasons[0]?.text ?? '', storage.best);
    known.set(`${size} ${on}`, kept);
    return kept;
  };
  return lots.map((lot) => {
    const { lids, open } = lidsOf(lot, seals);
    const kept = withOpenLids(keptIn(made(lot), lot.kept_in), open);
    const moved = lot.kept_since ? formatISO(lot.kept_since, { representation: 'date' }) : null;
    return {
      view: {
        id: lot.id,
        batchId: lot.batch_id,
        title: document.title,
        kind: document.kind,
        fruit: firstFruit(document) ?? null,
        size: lot.size,
        partFill: lot.part_fill,
        madeOn: lot.made_on,
        keptIn: lot.kept_in,
        place: lot.place,
        keptSince: lot.kept_since?.toISOString() ?? null,
        cameFrom: lot.came_from,
        keeping: {
          verdict: kept.verdict,
          reason: kept.reason,
          bestBefore: lastDay(kept, lot.made_on, moved, addTo),
        },
      },
      searchText: [document.title, lot.place, ...(findJar(lot.size)?.name ?? [])]
        .join(' ')
        .toLowerCase(),
      lids,
      lidsOpen: open,
      lidsDueAt: isoOrNull(seals.dueAt),
    };
  });
}

/** The lids of the jars of one size that are where their batch would have them. */
function lidsOf(
  { part_fill, kept_in, size }: LotRow,
  seals: Seals,
): { lids: LotSummary['lids']; open: number } {
  if (part_fill !== null || kept_in !== null || seals.phase === 'none')
    return { lids: 'none', open: 0 };
  const open = jarsThatAre(seals, size, 'open').length;
  return {
    lids: jarsThatAre(seals, size, 'unknown', 'again').length > 0 ? 'waiting' : 'sealed',
    open,
  };
}

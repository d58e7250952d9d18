import type { BatchSummary } from '@idle-kettle/contract';
import { SHOW_RESULTS } from '@idle-kettle/core';

/** Jars of one fruit, a figure a year. */
export interface FruitJars {
  /** Id of the fruit; null for all that are not told apart, and for batches without fruit. */
  readonly fruit: string | null;
  readonly jars: readonly number[];
}
export interface JarsByYear {
  /** The oldest first. */
  readonly years: readonly number[];
  /** The most jars first, what is left last. */
  readonly fruits: readonly FruitJars[];
}

/** So many fruits are told apart; more colours would be twins. */
const FRUITS_SHOWN = 7;

const madeAt = ({ endedAt, createdAt }: BatchSummary): Date => new Date(endedAt ?? createdAt);

/** How many jars were made each year, of which fruit. */
export function jarsByYear(batches: readonly BatchSummary[]): JarsByYear {
  const filled = batches.filter(({ jarsFilled }) => jarsFilled > 0);
  const made = filled.map((batch) => madeAt(batch).getFullYear());
  if (made.length === 0) return { years: [], fruits: [] };
  const first = Math.min(...made);
  const years = Array.from({ length: Math.max(...made) - first + 1 }, (_, i) => first + i);
  const byFruit = new Map<string | null, number[]>();
  const add = (fruit: string | null, jars: readonly number[]): void => {
    const had = byFruit.get(fruit) ?? years.map(() => 0);
    byFruit.set(
      fruit,
      had.map((count, i) => count + (jars[i] ?? 0)),
    );
  };
  for (const batch of filled) {
    const year = madeAt(batch).getFullYear();
    add(
      batch.fruit,
      years.map((each) => (each === year ? batch.jarsFilled : 0)),
    );
  }
  const total = (jars: readonly number[]): number => jars.reduce((sum, count) => sum + count, 0);
  const ranked = [...byFruit]
    .filter(([fruit]) => fruit !== null)
    .sort((a, b) => total(b[1]) - total(a[1]));
  const shown = ranked.slice(0, FRUITS_SHOWN);
  for (const [fruit, jars] of ranked.slice(FRUITS_SHOWN)) {
    byFruit.delete(fruit);
    add(null, jars);
  }
  const others = byFruit.get(null);
  return {
    years,
    fruits: [...shown, ...(others ? [[null, others] as const] : [])].map(([fruit, jars]) => ({
      fruit,
      jars,
    })),
  };
}

/** How a batch set that was stopped at a temperature. */
export interface SetByStop {
  readonly batch: BatchSummary;
  /** Last reading less the setting point it was boiled to, K. */
  readonly above_K: number;
  /** As scored when a jar was opened: -2 runs, 0 just right, 2 stiff. */
  readonly set: number;
}

/** Kinds that have none. */
const NO_SETTING_POINT: ReadonlySet<string> = new Set(['fruit-butter', 'curd', 'syrup']);
/** Further from its setting point no boil was stopped by it: it went by another finish, K. */
const STOPPED_BY_IT_K = 6;

export const setByStop = (batches: readonly BatchSummary[]): SetByStop[] =>
  batches.flatMap((batch) => {
    const { kind, phase, score, lastReading, gelTemperature_C } = batch;
    if (
      phase !== 'done' ||
      NO_SETTING_POINT.has(kind) ||
      !score ||
      !lastReading ||
      gelTemperature_C === null
    )
      return [];
    const above_K = lastReading.temperature_C - gelTemperature_C;
    return Math.abs(above_K) > STOPPED_BY_IT_K ? [] : [{ batch, above_K, set: score.set }];
  });

/** Fewer batches than this say nothing of where to stop. */
const ENOUGH = 3;
/** Where the batches that set just right were stopped: from the lowest to the highest, K. */
export function justRightSpan(points: readonly SetByStop[]): readonly [number, number] | undefined {
  const right = points.filter(({ set }) => set === 0).map(({ above_K }) => above_K);
  return right.length < ENOUGH ? undefined : [Math.min(...right), Math.max(...right)];
}

/** Results stand from the best to a mere entry. */
const LEAST_PRIZE = SHOW_RESULTS.length - 1;
/** A batch as it was liked: taste, less how far the set was off, a prize over both. */
const liking = ({ score, best }: BatchSummary): number =>
  (score ? score.taste - Math.abs(score.set) : 0) +
  (best ? LEAST_PRIZE - SHOW_RESULTS.indexOf(best.result) : 0);

const SHOWN_BEST = 6;
/** The best of each kind of batch, by its name: the most liked first. */
export function bestBatches(batches: readonly BatchSummary[]): BatchSummary[] {
  const best = new Map<string, BatchSummary>();
  for (const batch of batches) {
    if (batch.score === null && batch.best === null) continue;
    const had = best.get(batch.title);
    if (!had || liking(batch) > liking(had)) best.set(batch.title, batch);
  }
  return [...best.values()].sort((a, b) => liking(b) - liking(a)).slice(0, SHOWN_BEST);
}

import type { CookingPlace, Errors, Lessons } from '@idle-kettle/core';

/** What one boil said of its kitchen. */
export interface BoilSaid {
  readonly batchId: string;
  readonly title: string;
  /** When it ended, ISO 8601. */
  readonly endedAt: string;
  /** How much too high the thermometer read, K; null where a long cook says nothing of it. */
  readonly offset_K: number | null;
  /** Into the pan, W; null likewise. */
  readonly heat_W: number | null;
  /**
   * What came to the jars beside what is computed, where the jars were counted; the thermometer's
   * error deleted.
   */
  readonly yieldShare: number | null;
  /** Over boiling water to the set that is liked, K, where a jar was opened and judged. */
  readonly rise_K: number | null;
  /** Water lost where a long cook was weighed, in a pan of ordinary size. */
  readonly losses: readonly (CookingPlace & { readonly loss_kgPerH: number })[];
}

/** What the boils of the kitchen in use have taught. */
export interface LessonsView {
  readonly kitchenId: string;
  readonly lessons: Lessons;
  /** The latest first. */
  readonly boils: readonly BoilSaid[];
  /**
   * By how much what was foretold came out wrong, without and with what earlier boils had taught.
   */
  readonly errors: Errors;
  /** Boils that are still to be looked at. */
  readonly pending: number;
}

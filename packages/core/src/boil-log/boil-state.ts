import type { PanAndBurner } from '../formula/index.js';
import type { BatchEvent, BoilDraft } from './boil-events.js';
import type { LoggedReading, RejectedReading } from './reading-filter.js';

export interface LogEntry {
  readonly event: BatchEvent;
  readonly at: number;
  readonly undone: boolean;
}

/** The same with nothing that can be changed. */
type Frozen<T> = {
  readonly [K in keyof T]: T[K] extends (infer E)[]
    ? readonly Readonly<E>[]
    : T[K] extends Map<infer A, infer B>
      ? ReadonlyMap<A, B>
      : T[K];
};

/** What of the draft {@link Boil} does not have as it is: what is worked out from it. */
type Working = 'allReadings' | 'light' | 'minuteAt' | 'processBegunAt' | 'processLost';

/**
 * A boil as its log has it: a pure function of its events. Most fields are those of
 * {@link BoilDraft}; moments in milliseconds since 1970.
 */
export interface Boil extends Frozen<Omit<BoilDraft, Working>> {
  /** The pan and the burner it cooks on, where the log says so. */
  readonly panAndBurner: PanAndBurner;
  /** Where to stop, and where water boils, as recorded when the pan went on the heat. */
  readonly gelTemperature_C: number | undefined;
  readonly boilingPoint_C: number | undefined;
  /** Altitude stated when the pan went on, m. */
  readonly altitude_m: number | undefined;
  readonly readings: readonly LoggedReading[];
  readonly rejectedReadings: readonly RejectedReading[];
  /** The last one-minute boil that was started. */
  readonly minute: { readonly startedAt: number; readonly endsAt: number } | undefined;
  /** The process that is being counted, and how often its boil was lost. */
  readonly process: {
    readonly begun: BoilDraft['processBegunAt'];
    readonly lost: number;
  };
  /** Everything that happened, oldest first, with what was undone marked. */
  readonly log: readonly LogEntry[];
}

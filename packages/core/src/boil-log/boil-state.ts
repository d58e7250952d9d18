import type { PanAndBurner } from '../formula/index.js';
import type { Vessel } from '../thermal/index.js';
import type { BatchEvent, EventBodies, JarsFilled, Pause, SomeJars, UnsealedPlace } from './event.js';
import type { LoggedReading, RejectedReading } from './reading-filter.js';

/** A weighing or a refractometer value, with its one number: kilograms or per cent. */
export interface LoggedValue {
  readonly id: string;
  readonly at: number;
  readonly value: number;
}

export interface LogEntry {
  readonly event: BatchEvent;
  readonly at: number;
  readonly undone: boolean;
}

export type BoilPhase = 'cold' | 'on-heat' | 'off-heat' | 'paused' | 'done';

/** Where a boil stands: a pure function of its events. */
export interface Boil {
  readonly phase: BoilPhase;
  /** Milliseconds since 1970, from the first `light`. */
  readonly startedAt: number | undefined;
  readonly endedAt: number | undefined;
  /** The pan and the burner it cooks on, where the log says so. */
  readonly panAndBurner: PanAndBurner;
  /** Where to stop, and where water boils, as recorded when the pan went on the heat. */
  readonly gelTemperature_C: number | undefined;
  readonly boilingPoint_C: number | undefined;
  readonly readings: readonly LoggedReading[];
  readonly rejectedReadings: readonly RejectedReading[];
  /** Kilograms in the pot. */
  readonly weighings: readonly LoggedValue[];
  /** Per cent soluble solids. */
  readonly brix: readonly LoggedValue[];
  readonly sugarInAt: number | undefined;
  readonly wish:
    | { readonly by: 'ready' | 'start'; readonly at: number; readonly with?: readonly string[] }
    | undefined;
  /** When steps of the plan were done, by their code: as ticked, or as the log tells of itself. */
  readonly stepsDone: ReadonlyMap<string, number>;
  /** When the flame was turned up or down. */
  readonly flameTurned: readonly { readonly at: number; readonly turned: 'up' | 'down' }[];
  /** What a butter cooked in, from when on; empty where nobody said. */
  readonly vessels: readonly { readonly at: number; readonly vessel: Vessel }[];
  /** When the base was last stirred. */
  readonly stirredAt: number | undefined;
  /** Spans in which the cook was put off; the last one is open (no `to`) while it is. */
  readonly pauses: readonly {
    readonly from: number;
    readonly to: number | undefined;
    readonly kept: Pause;
  }[];
  /** The simulated instruments that boil it, if any do, and how the batch's clock runs since. */
  readonly simulated:
    (EventBodies['simulated'] & { readonly id: string; readonly at: number }) | undefined;
  /** The last one-minute boil that was started. */
  readonly minute: { readonly startedAt: number; readonly endsAt: number } | undefined;
  readonly jarred: readonly JarsFilled[];
  /** The process that is being counted, and how often its boil was lost. */
  readonly process: {
    readonly begun: { readonly at: number; readonly minutes: number } | undefined;
    readonly lost: number;
  };
  /** The last process the jars went through, all of them together. */
  readonly processed: EventBodies['processed'] | undefined;
  /** When that was, milliseconds since 1970. */
  readonly processedAt: number | undefined;
  readonly lids: EventBodies['lids'] | undefined;
  /** Every check of the lids, in order: the numbers of the jars whose lids were not down. */
  readonly sealChecks: readonly {
    readonly at: number;
    readonly size: string;
    readonly failed: readonly number[];
  }[];
  /** The last score after a jar was opened. */
  readonly score: EventBodies['scored'] | undefined;
  /** The last sheet a jar was held against. */
  readonly judged: EventBodies['judged'] | undefined;
  /** Entries at shows, in the order they were written. */
  readonly shows: readonly (EventBodies['shown'] & { readonly id: string })[];
  /** What was done with jars that had not sealed, in order: processed again, or into the cold. */
  readonly rescued: readonly (SomeJars & {
    readonly at: number;
    readonly how: 'processed' | UnsealedPlace;
    readonly minutes?: number;
  })[];
  /** Spans on the heat; the last one is open (no `to`) while the pot is on. */
  readonly heat: readonly { readonly from: number; readonly to: number | undefined }[];
  /** Everything that happened, oldest first, with what was taken back marked. */
  readonly log: readonly LogEntry[];
}

import { filterReadings, type LoggedReading, type RejectedReading } from './reading-filter.js';
import type {
  BatchEvent,
  EventBodies,
  EventOf,
  JarsFilled,
  Pause,
  SomeJars,
  UnsealedPlace,
} from './event.js';
import type { Stove } from '../formula/index.js';
import type { Vessel } from '../thermal/index.js';

/** Any other observation at the pot, with its one value: kilograms or per cent. */
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
  /** Where to stop, and where water boils, as recorded when the pot went on. */
  /** What it was put on, where the log says so. */
  readonly stove: Stove;
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

const MINUTE_MS = 60_000;
/** Steps of a plan with which the sugar is in. */
const SUGARED: ReadonlySet<string> = new Set(['sugar', 'macerate']);

/**
 * Events in the order they happened, each once; ties are settled by id so that every device agrees.
 */
export function inOrder(events: readonly BatchEvent[]): BatchEvent[] {
  const once = new Map(events.map((event) => [event.id, event]));
  // A probe leaves thousands: each time is read once.
  const timed = [...once.values()].map((event) => ({ event, at: Date.parse(event.at) }));
  return timed
    .sort((a, b) => a.at - b.at || (a.event.id < b.event.id ? -1 : 1))
    .map(({ event }) => event);
}

/** Ids taken back. An undo can itself be taken back, which brings the event back. */
function undoneIds(ordered: readonly BatchEvent[]): Set<string> {
  const undone = new Set<string>();
  for (const event of ordered.toReversed()) {
    if (event.type === 'undo' && !undone.has(event.id)) undone.add(event.body.eventId);
  }
  return undone;
}

/**
 * The state of a boil from its events, in any order and with repeats.
 *
 * Deterministic: two devices that hold the same events see the same boil, whatever order they
 * arrived in.
 */
export function boilFrom(events: readonly BatchEvent[]): Boil {
  const ordered = inOrder(events);
  const undone = undoneIds(ordered);
  const log = ordered.map((event) => ({
    event,
    at: Date.parse(event.at),
    undone: undone.has(event.id),
  }));
  const observations: LoggedReading[] = [];
  const weighings: LoggedValue[] = [];
  const brix: LoggedValue[] = [];
  const flameTurned: Boil['flameTurned'][number][] = [];
  const pauses: { from: number; to: number | undefined; kept: Pause }[] = [];
  const vessels: Boil['vessels'][number][] = [];
  let stirredAt: number | undefined;
  let simulated: Boil['simulated'];
  let sugarInAt: number | undefined;
  let wish: Boil['wish'];
  const stepsDone = new Map<string, number>();
  const heat: { from: number; to: number | undefined }[] = [];
  let phase = 'cold' as BoilPhase;
  let light: EventOf<'light'> | undefined;
  let startedAt: number | undefined;
  let endedAt: number | undefined;
  let minuteAt: number | undefined;
  let jarred: readonly JarsFilled[] = [];
  let begun: Boil['process']['begun'];
  let lost = 0;
  let processed: EventBodies['processed'] | undefined;
  let processedAt: number | undefined;
  let lids: EventBodies['lids'] | undefined;
  let score: EventBodies['scored'] | undefined;
  let judged: EventBodies['judged'] | undefined;
  const shows: Boil['shows'][number][] = [];
  const sealChecks: Boil['sealChecks'][number][] = [];
  const rescued: Boil['rescued'][number][] = [];

  const lit = (at: number): void => {
    if (phase !== 'on-heat') heat.push({ from: at, to: undefined });
    const pause = pauses.at(-1);
    if (pause && pause.to === undefined) pause.to = at;
    phase = 'on-heat';
    endedAt = undefined;
  };
  const taken = (at: number, next: BoilPhase): void => {
    const last = heat.at(-1);
    if (last && last.to === undefined) last.to = at;
    phase = next;
  };
  for (const { event, at, undone: gone } of log) {
    if (gone) continue;
    switch (event.type) {
      case 'light':
        light ??= event;
        startedAt ??= at;
        // What comes before the heat is over, ticked or not.
        if (!stepsDone.has('lay-out')) stepsDone.set('lay-out', at);
        lit(at);
        break;
      case 'on-heat':
        startedAt ??= at;
        lit(at);
        break;
      case 'off-heat':
        if (phase === 'on-heat') taken(at, 'off-heat');
        break;
      case 'done':
        taken(at, 'done');
        for (const code of ['boil', 'test', 'cook']) stepsDone.set(code, at);
        endedAt = at;
        break;
      case 'reading': {
        const { temperature_C, instrument, heardAt } = event.body;
        observations.push({
          id: event.id,
          at,
          temperature_C,
          instrument,
          heardAt: heardAt === undefined ? undefined : Date.parse(heardAt),
        });
        break;
      }
      case 'weighed':
        weighings.push({ id: event.id, at, value: event.body.mass_kg });
        break;
      case 'brix':
        brix.push({ id: event.id, at, value: event.body.percent });
        break;
      case 'planned':
        wish = { ...event.body, at: Date.parse(event.body.at) };
        break;
      case 'step':
        stepsDone.set(event.body.code, at);
        if (SUGARED.has(event.body.code)) sugarInAt = at;
        break;
      case 'sugar-in':
        sugarInAt = at;
        stepsDone.set('sugar', at);
        break;
      case 'heat':
        flameTurned.push({ at, turned: event.body.turned });
        break;
      case 'minute':
        minuteAt = at;
        break;
      case 'vessel':
        vessels.push({ at, vessel: event.body.vessel });
        break;
      case 'stirred':
        stirredAt = at;
        break;
      case 'paused':
        taken(at, 'paused');
        pauses.push({ from: at, to: undefined, kept: event.body.kept });
        break;
      case 'simulated':
        simulated = { ...event.body, id: simulated?.id ?? event.id, at };
        break;
      case 'jarred':
        jarred = event.body.jars;
        stepsDone.set('fill', at);
        break;
      case 'process-begun':
        begun = { at, minutes: event.body.minutes };
        break;
      case 'process-lost':
        if (begun) lost += 1;
        begun = undefined;
        break;
      case 'processed':
        begun = undefined;
        if (event.body.again) {
          rescued.push({ ...event.body.again, at, how: 'processed', minutes: event.body.minutes });
        } else {
          processed = event.body;
          processedAt = at;
        }
        break;
      case 'lids':
        lids = event.body;
        break;
      case 'scored':
        score = event.body;
        break;
      case 'judged':
        judged = event.body;
        break;
      case 'shown':
        shows.push({ id: event.id, ...event.body });
        break;
      case 'seals':
        sealChecks.push({ at, ...event.body });
        break;
      case 'unsealed':
        rescued.push({ size: event.body.size, jars: event.body.jars, at, how: event.body.kept });
        break;
      case 'test':
      case 'addition':
      case 'omission':
      case 'note':
      case 'undo':
        break;
    }
  }
  const disturbed = log.flatMap(({ event, at, undone: gone }) =>
    !gone && ['addition', 'off-heat', 'paused', 'sugar-in'].includes(event.type) ? [at] : [],
  );
  const { readings, rejectedReadings } = filterReadings(observations, {
    startedAt,
    endedAt,
    disturbed,
    simulated: simulated !== undefined,
  });
  return {
    phase,
    startedAt,
    endedAt,
    stove: {
      ...(light?.body.pan !== undefined && { pan: light.body.pan }),
      ...(light?.body.ring !== undefined && { ring: light.body.ring }),
    },
    gelTemperature_C: light?.body.gelTemperature_C,
    boilingPoint_C: light?.body.boilingPoint_C,
    readings,
    rejectedReadings,
    weighings,
    brix,
    sugarInAt,
    wish,
    stepsDone,
    flameTurned,
    vessels,
    stirredAt,
    pauses,
    simulated,
    minute:
      minuteAt === undefined ? undefined : { startedAt: minuteAt, endsAt: minuteAt + MINUTE_MS },
    jarred,
    process: { begun, lost },
    processed,
    processedAt,
    lids,
    score,
    judged,
    shows,
    sealChecks,
    rescued,
    heat,
    log,
  };
}

/**
 * Milliseconds the pot has been on the heat up to `now` (milliseconds since 1970); time off the
 * heat is left out.
 */
export function timeOnHeat_ms(boil: Boil, now: number): number {
  return boil.heat.reduce(
    (sum, { from, to }) => sum + Math.max(Math.min(to ?? now, now) - from, 0),
    0,
  );
}

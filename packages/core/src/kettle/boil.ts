import type { BatchEvent, EventBodies, EventOf, JarsFilled } from './event.js';

export interface LoggedReading {
  readonly id: string;
  /** Milliseconds since 1970. */
  readonly at: number;
  readonly temperature_C: number;
}

/** Any other look at the pot, with its one value: kilograms or per cent. */
export interface LoggedValue {
  readonly id: string;
  readonly at: number;
  readonly value: number;
}

/** A reading that is kept but not used, and why. */
export interface SetApart extends LoggedReading {
  readonly reason: string;
}

export interface LogEntry {
  readonly event: BatchEvent;
  readonly at: number;
  readonly undone: boolean;
}

export type BoilPhase = 'cold' | 'on-heat' | 'off-heat' | 'done';

/** Where a boil stands: a pure function of its events. */
export interface Boil {
  readonly phase: BoilPhase;
  /** Milliseconds since 1970, from the first `light`. */
  readonly startedAt: number | undefined;
  readonly endedAt: number | undefined;
  /** Where to stop, and where water boils, as recorded when the pot went on. */
  readonly gelTemperature_C: number | undefined;
  readonly boilingPoint_C: number | undefined;
  readonly readings: readonly LoggedReading[];
  readonly setApart: readonly SetApart[];
  /** Kilograms in the pot. */
  readonly weighings: readonly LoggedValue[];
  /** Per cent soluble solids. */
  readonly brix: readonly LoggedValue[];
  readonly sugarInAt: number | undefined;
  readonly wish: { readonly by: 'ready' | 'start'; readonly at: number } | undefined;
  /** When steps of the plan were done, by their code: as ticked, or as the log tells of itself. */
  readonly stepsDone: ReadonlyMap<string, number>;
  /** When the flame was turned up or down. */
  readonly flameTurned: readonly number[];
  /** The last one-minute boil that was started. */
  readonly minute: { readonly startedAt: number; readonly endsAt: number } | undefined;
  readonly jarred: readonly JarsFilled[];
  /** The last process the jars went through. */
  readonly processed: EventBodies['processed'] | undefined;
  /** Spans on the heat; the last one is open (no `to`) while the pot is on. */
  readonly heat: readonly { readonly from: number; readonly to: number | undefined }[];
  /** Everything that happened, oldest first, with what was taken back marked. */
  readonly log: readonly LogEntry[];
}

const MINUTE_MS = 60_000;
/** A pot of spread is between freezing and toffee; anything else is a slip of the finger or of the unit. */
const BELIEVABLE_C = { least: 0, most: 130 } as const;

/** Events in the order they happened, each once; ties are settled by id so that every device agrees. */
export function inOrder(events: readonly BatchEvent[]): BatchEvent[] {
  const once = new Map(events.map((event) => [event.id, event]));
  return [...once.values()].sort((a, b) => Date.parse(a.at) - Date.parse(b.at) || (a.id < b.id ? -1 : 1));
}

/** Ids taken back. An undo can itself be taken back, which brings the event back. */
function undoneIds(ordered: readonly BatchEvent[]): Set<string> {
  const undone = new Set<string>();
  for (const event of ordered.toReversed()) {
    if (event.type === 'undo' && !undone.has(event.id)) undone.add(event.body.eventId);
  }
  return undone;
}

function whySetApart(temperature_C: number): string | undefined {
  if (temperature_C >= BELIEVABLE_C.least && temperature_C <= BELIEVABLE_C.most) return undefined;
  if (temperature_C > 130 && temperature_C <= 266)
    return `${temperature_C.toFixed(0)} °C is past toffee; was it °F (${(((temperature_C - 32) * 5) / 9).toFixed(1)} °C)?`;
  return `${temperature_C.toFixed(0)} °C is not a temperature a pot of fruit has`;
}

/**
 * The state of a boil from its events, in any order and with repeats.
 *
 * Deterministic: two devices that hold the same events see the same boil, whatever order they arrived in.
 */
export function boilFrom(events: readonly BatchEvent[]): Boil {
  const ordered = inOrder(events);
  const undone = undoneIds(ordered);
  const log = ordered.map((event) => ({ event, at: Date.parse(event.at), undone: undone.has(event.id) }));
  const readings: LoggedReading[] = [];
  const setApart: SetApart[] = [];
  const weighings: LoggedValue[] = [];
  const brix: LoggedValue[] = [];
  const flameTurned: number[] = [];
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
  let processed: EventBodies['processed'] | undefined;

  const lit = (at: number): void => {
    if (phase !== 'on-heat') heat.push({ from: at, to: undefined });
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
        const reading = { id: event.id, at, temperature_C: event.body.temperature_C };
        const reason = whySetApart(reading.temperature_C);
        if (reason === undefined) readings.push(reading);
        else setApart.push({ ...reading, reason });
        break;
      }
      case 'weighed':
        weighings.push({ id: event.id, at, value: event.body.mass_kg });
        break;
      case 'brix':
        brix.push({ id: event.id, at, value: event.body.percent });
        break;
      case 'planned':
        wish = { by: event.body.by, at: Date.parse(event.body.at) };
        break;
      case 'step':
        stepsDone.set(event.body.code, at);
        break;
      case 'sugar-in':
        sugarInAt = at;
        stepsDone.set('sugar', at);
        break;
      case 'heat':
        flameTurned.push(at);
        break;
      case 'minute':
        minuteAt = at;
        break;
      case 'jarred':
        jarred = event.body.jars;
        stepsDone.set('fill', at);
        break;
      case 'processed':
        processed = event.body;
        break;
      case 'test':
      case 'addition':
      case 'note':
      case 'undo':
        break;
    }
  }
  return {
    phase,
    startedAt,
    endedAt,
    gelTemperature_C: light?.body.gelTemperature_C,
    boilingPoint_C: light?.body.boilingPoint_C,
    readings,
    setApart,
    weighings,
    brix,
    sugarInAt,
    wish,
    stepsDone,
    flameTurned,
    minute: minuteAt === undefined ? undefined : { startedAt: minuteAt, endsAt: minuteAt + MINUTE_MS },
    jarred,
    processed,
    heat,
    log,
  };
}

/** Milliseconds the pot has been on the heat up to `now` (milliseconds since 1970); time off the heat is left out. */
export function timeOnHeat_ms(boil: Boil, now: number): number {
  return boil.heat.reduce((sum, { from, to }) => sum + Math.max(Math.min(to ?? now, now) - from, 0), 0);
}

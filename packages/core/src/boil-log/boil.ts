import { MINUTE_MS } from '../quantity/index.js';
import { emptyDraft, reduceEvent, type BatchEvent, type EventType } from './boil-events.js';
import type { Boil } from './boil-state.js';
import { filterReadings } from './reading-filter.js';

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

/** Types of event after which a pan is cooler at once, so that a fall is no fault of the probe. */
const COOLS_THE_PAN: ReadonlySet<EventType> = new Set([
  'addition',
  'off-heat',
  'paused',
  'sugar-in',
]);

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
  const draft = emptyDraft();
  for (const { event, at, undone: isUndone } of log) if (!isUndone) reduceEvent(draft, event, at);
  const cooledAt = log.flatMap(({ event, at, undone: isUndone }) =>
    !isUndone && COOLS_THE_PAN.has(event.type) ? [at] : [],
  );
  const { allReadings, light, minuteAt, processBegunAt, processLost, ...state } = draft;
  return {
    ...state,
    ...filterReadings(allReadings, {
      startedAt: draft.startedAt,
      endedAt: draft.endedAt,
      cooledAt,
      simulated: draft.simulated !== undefined,
    }),
    panAndBurner: {
      ...(light?.pan !== undefined && { pan: light.pan }),
      ...(light?.ring !== undefined && { ring: light.ring }),
    },
    gelTemperature_C: light?.gelTemperature_C,
    boilingPoint_C: light?.boilingPoint_C,
    altitude_m: light?.altitude_m ?? undefined,
    minute:
      minuteAt === undefined ? undefined : { startedAt: minuteAt, endsAt: minuteAt + MINUTE_MS },
    process: { begun: processBegunAt, lost: processLost },
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

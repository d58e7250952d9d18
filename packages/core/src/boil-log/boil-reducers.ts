import type { Boil } from './boil-state.js';
import type { BatchEvent, EventBodies, EventOf, EventType, Pause } from './event.js';
import type { LoggedReading } from './reading-filter.js';

/** What {@link Boil} has that is worked out from the draft when all events are in. */
type Derived =
  | 'readings'
  | 'rejectedReadings'
  | 'panAndBurner'
  | 'gelTemperature_C'
  | 'boilingPoint_C'
  | 'minute'
  | 'process'
  | 'log';

/** A span of time; it is open while `to` is undefined. Milliseconds since 1970. */
interface Span {
  from: number;
  to: number | undefined;
}

type Mutable<T> = { -readonly [K in keyof T]: T[K] };
type ListElement<T> = T extends readonly (infer E)[] ? E : never;
/** Lists and maps of a boil, as they grow. */
interface Growing {
  weighings: ListElement<Boil['weighings']>[];
  brix: ListElement<Boil['brix']>[];
  flameTurned: ListElement<Boil['flameTurned']>[];
  vessels: ListElement<Boil['vessels']>[];
  shows: ListElement<Boil['shows']>[];
  sealChecks: ListElement<Boil['sealChecks']>[];
  rescued: ListElement<Boil['rescued']>[];
  stepsDone: Map<string, number>;
  pauses: (Span & { kept: Pause })[];
  heat: Span[];
}

/** A boil while its events are gone through, oldest first. */
export interface BoilDraft extends Mutable<Omit<Boil, Derived | keyof Growing>>, Growing {
  /** Every reading, before those that cannot be of this pan are set apart. */
  allReadings: LoggedReading[];
  /** Body of the first `light`. */
  light: EventBodies['light'] | undefined;
  /** When the last timed boil was started. */
  minuteAt: number | undefined;
  /** The process that is being counted. */
  processBegunAt: Boil['process']['begun'];
  /** How often its boil was lost. */
  processLost: number;
}

/** A boil of which nothing has happened yet. */
export const emptyDraft = (): BoilDraft => ({
  phase: 'cold',
  startedAt: undefined,
  endedAt: undefined,
  allReadings: [],
  light: undefined,
  weighings: [],
  brix: [],
  sugarInAt: undefined,
  wish: undefined,
  stepsDone: new Map(),
  flameTurned: [],
  vessels: [],
  stirredAt: undefined,
  pauses: [],
  simulated: undefined,
  minuteAt: undefined,
  jarred: [],
  processBegunAt: undefined,
  processLost: 0,
  processed: undefined,
  processedAt: undefined,
  lids: undefined,
  sealChecks: [],
  score: undefined,
  judged: undefined,
  shows: [],
  rescued: [],
  heat: [],
});

/** Steps of a plan with which the sugar is in. */
const STEPS_WITH_SUGAR: ReadonlySet<string> = new Set(['sugar', 'macerate']);
/** Steps of a plan that are done when the cooking is. */
const STEPS_OF_COOKING = ['boil', 'test', 'cook'] as const;

function putOnHeat(boil: BoilDraft, at: number): void {
  boil.startedAt ??= at;
  if (boil.phase !== 'on-heat') boil.heat.push({ from: at, to: undefined });
  const pause = boil.pauses.at(-1);
  if (pause && pause.to === undefined) pause.to = at;
  boil.phase = 'on-heat';
  boil.endedAt = undefined;
}

function takeOffHeat(boil: BoilDraft, at: number, phase: Boil['phase']): void {
  const last = boil.heat.at(-1);
  if (last && last.to === undefined) last.to = at;
  boil.phase = phase;
}

/** Nothing of the state follows from it; it is in the log. */
const onlyLogged = (): void => undefined;

/**
 * What each type of event does to a boil. `at` is when it happened, milliseconds since 1970.
 * A type of event without a reducer does not compile.
 */
const REDUCERS: {
  readonly [T in EventType]: (boil: BoilDraft, event: EventOf<T>, at: number) => void;
} = {
  planned: (boil, { body }) => {
    boil.wish = { ...body, at: Date.parse(body.at) };
  },
  step: (boil, { body }, at) => {
    boil.stepsDone.set(body.code, at);
    if (STEPS_WITH_SUGAR.has(body.code)) boil.sugarInAt = at;
  },
  light: (boil, { body }, at) => {
    boil.light ??= body;
    // What is done before the heat is over, ticked or not.
    if (!boil.stepsDone.has('lay-out')) boil.stepsDone.set('lay-out', at);
    putOnHeat(boil, at);
  },
  'on-heat': (boil, _, at) => putOnHeat(boil, at),
  'off-heat': (boil, _, at) => {
    if (boil.phase === 'on-heat') takeOffHeat(boil, at, 'off-heat');
  },
  paused: (boil, { body }, at) => {
    takeOffHeat(boil, at, 'paused');
    boil.pauses.push({ from: at, to: undefined, kept: body.kept });
  },
  done: (boil, _, at) => {
    takeOffHeat(boil, at, 'done');
    for (const code of STEPS_OF_COOKING) boil.stepsDone.set(code, at);
    boil.endedAt = at;
  },
  reading: (boil, { id, body }, at) => {
    boil.allReadings.push({
      id,
      at,
      temperature_C: body.temperature_C,
      instrument: body.instrument,
      heardAt: body.heardAt === undefined ? undefined : Date.parse(body.heardAt),
    });
  },
  weighed: (boil, { id, body }, at) => {
    boil.weighings.push({ id, at, value: body.mass_kg });
  },
  brix: (boil, { id, body }, at) => {
    boil.brix.push({ id, at, value: body.percent });
  },
  'sugar-in': (boil, _, at) => {
    boil.sugarInAt = at;
    boil.stepsDone.set('sugar', at);
  },
  heat: (boil, { body }, at) => {
    boil.flameTurned.push({ at, turned: body.turned });
  },
  minute: (boil, _, at) => {
    boil.minuteAt = at;
  },
  vessel: (boil, { body }, at) => {
    boil.vessels.push({ at, vessel: body.vessel });
  },
  stirred: (boil, _, at) => {
    boil.stirredAt = at;
  },
  simulated: (boil, { id, body }, at) => {
    // The first id stays, so that a change of speed does not change what was simulated so far.
    boil.simulated = { ...body, id: boil.simulated?.id ?? id, at };
  },
  jarred: (boil, { body }, at) => {
    boil.jarred = body.jars;
    boil.stepsDone.set('fill', at);
  },
  'process-begun': (boil, { body }, at) => {
    boil.processBegunAt = { at, minutes: body.minutes };
  },
  'process-lost': (boil) => {
    if (boil.processBegunAt) boil.processLost += 1;
    boil.processBegunAt = undefined;
  },
  processed: (boil, { body }, at) => {
    boil.processBegunAt = undefined;
    if (body.again) {
      boil.rescued.push({ ...body.again, at, how: 'processed', minutes: body.minutes });
      return;
    }
    boil.processed = body;
    boil.processedAt = at;
  },
  lids: (boil, { body }) => {
    boil.lids = body;
  },
  seals: (boil, { body }, at) => {
    boil.sealChecks.push({ at, ...body });
  },
  unsealed: (boil, { body }, at) => {
    boil.rescued.push({ size: body.size, jars: body.jars, at, how: body.kept });
  },
  scored: (boil, { body }) => {
    boil.score = body;
  },
  judged: (boil, { body }) => {
    boil.judged = body;
  },
  shown: (boil, { id, body }) => {
    boil.shows.push({ id, ...body });
  },
  test: onlyLogged,
  addition: onlyLogged,
  omission: onlyLogged,
  note: onlyLogged,
  undo: onlyLogged,
};

/**
 * Takes one event into the draft, in place. Events must come in the order of {@link inOrder}, and
 * none that was undone.
 */
export function reduceEvent<T extends EventType>(
  boil: BoilDraft,
  event: EventOf<T> & BatchEvent,
  at: number,
): void {
  const reduce: (boil: BoilDraft, event: EventOf<T>, at: number) => void =
    REDUCERS[event.type as T];
  reduce(boil, event, at);
}

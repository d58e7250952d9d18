import type { CookingPlace, FormulaDocument, PanAndBurner } from '../formula/index.js';
import { MINUTE_MS } from '../quantity/index.js';
import { PLACE_OF_VESSEL, type Vessel } from './vessels.js';
import {
  jarsAfter,
  jarsFilled,
  type JarsCounted,
  type JarsFilled,
  type JarTally,
} from './jar-tally.js';
import type { LoggedReading } from './reading-filter.js';

/*
 * What can happen to a batch: what an event of each type carries, and what it does to the boil. A
 * new type is an entry in EventBodies and one in REDUCERS; what the wire takes of it and the words
 * it is shown with do not compile until they have it too.
 */

/** What the maker judged "done" by, besides the thermometer. */
export const TEST_WAYS = ['plate', 'sheet', 'finger'] as const;
export type TestWay = (typeof TEST_WAYS)[number];

/** From "runs off" to "stands": the verdicts of a set test. */
export const TEST_VERDICTS = [
  'runs',
  'slowly closes',
  'holds a line',
  'wrinkles',
  'stiff',
] as const;
export type TestVerdict = (typeof TEST_VERDICTS)[number];

/** How an instrument's value came in; what a hand typed has neither. */
export interface ByInstrument {
  /** Id of the instrument. */
  readonly instrument?: string;
  /** When the server heard of it, ISO 8601, by the server's clock. */
  readonly heardAt?: string;
}

/** How a paused cook is kept: cooled for some hours, or overnight in the fridge. */
export const PAUSES = ['cool', 'fridge'] as const;
export type Pause = (typeof PAUSES)[number];

/** How a simulated thermometer errs. */
export interface SimulatedErrors {
  readonly noise_K: number;
  readonly offset_K: number;
  /** It follows the pot with this time constant, s. */
  readonly lag_s: number;
  /** Share of the time in which it says nothing, 0 to 0.5. */
  readonly dropouts: number;
}

/** Where a jar goes that has not sealed and is not processed again. */
export const UNSEALED_PLACES = ['fridge', 'freezer', 'thrown-out'] as const;
export type UnsealedPlace = (typeof UNSEALED_PLACES)[number];

/** Some of the full jars of one size, by their numbers, 1 and up. */
export interface SomeJars {
  readonly size: string;
  readonly jars: readonly number[];
}

/** So many jars of one size. */
export interface JarCount {
  readonly size: string;
  readonly count: number;
}

/** One load of the canner, as the log has it. Moments in milliseconds since 1970. */
export interface ProcessRun {
  readonly method: 'boiling-water' | 'steam';
  /** As said when it was over. */
  readonly minutes: number;
  readonly altitude_m: number | null;
  readonly jars?: readonly JarCount[];
  /** When the full boil began: as the clock saw it, or as stated. */
  readonly begunAt: number;
  readonly endedAt: number;
  /** Nobody's clock counted it here. */
  readonly isStated: boolean;
}

/** What the sheet of a show has points for. Common practice, no source. */
export const JUDGED = ['headspace', 'jar', 'clarity', 'colour', 'set', 'flavour'] as const;
export type Judged = (typeof JUDGED)[number];
/** The most points for each. Common practice, no source. */
export const MOST_POINTS = 10;

/**
 * How a jar had set once it was opened, a word for each score from -2 to 2. Common practice, no
 * source.
 */
export const SET_WORDS = ['runs', 'soft', 'just right', 'firm', 'stiff'] as const;

/** What came of an entry at a show, the best first. */
export const SHOW_RESULTS = ['first', 'second', 'third', 'commended', 'entered'] as const;
export type ShowResult = (typeof SHOW_RESULTS)[number];

/** What an event of each type carries. */
export interface EventBodies {
  /**
   * When the jars should be ready, or the work begin, ISO 8601; a later wish replaces an earlier
   * one.
   */
  planned: {
    readonly by: 'ready' | 'start';
    readonly at: string;
    /**
     * Codes of optional steps that are taken up: fruit that stands in its sugar, peel that soaks.
     */
    readonly with?: readonly string[];
  };
  /** A step of the plan is done. */
  step: { readonly code: string };
  /**
   * The pot goes on the heat. The place as it was known then, so that a later change of kitchen
   * does not rewrite this boil.
   */
  light: PanAndBurner & {
    readonly gelTemperature_C: number;
    readonly boilingPoint_C: number;
    /** Stated altitude of the kitchen then, m; null where none was. Older logs do not say. */
    readonly altitude_m?: number | null;
  };
  /** The altitude this batch is made at was stated wrongly: a correction, m. */
  altitude: { readonly altitude_m: number };
  reading: { readonly temperature_C: number } & ByInstrument;
  /** The pot on the scale, less the empty pan. */
  weighed: { readonly mass_kg: number } & ByInstrument;
  /** A cooled drop in the refractometer. */
  brix: { readonly percent: number } & ByInstrument;
  /** The sugar that waits for soft skins, or for the full boil, is in. */
  'sugar-in': Readonly<Record<string, never>>;
  /** The flame was turned; how far is not known. */
  heat: { readonly turned: 'up' | 'down' };
  test: { readonly way: TestWay; readonly verdict: TestVerdict };
  /** Something went in; `planned` where it is a part of what the formula has, and no more. */
  addition: {
    readonly text: string;
    readonly planned?: boolean;
    /** The line of the formula that is in, where it is one. */
    readonly line?: number;
  };
  /** A line of the formula did not go in: its ingredient as written, and its place in `lines`. */
  omission: { readonly ingredient: string; readonly line?: number };
  note: { readonly text: string };
  /** The one hard minute begins. */
  minute: Readonly<Record<string, never>>;
  /** Where it cooks from now on, as older logs say it. */
  vessel: { readonly vessel: Vessel };
  /** Where it cooks from now on; the number of the formula's stage that begins, where it is one. */
  cooking: CookingPlace & { readonly stage?: number };
  /** How deep the contents are, as a share of how deep they were when they went on. */
  depth: { readonly left: number };
  /** The base was stirred. */
  stirred: Readonly<Record<string, never>>;
  /** The cook is put off: taken down and kept till it goes on again. */
  paused: { readonly kept: Pause };
  /**
   * Simulated instruments boil this batch, its clock running so many times as fast from this event
   * on. `realAt` is the moment by the device's own clock, ISO 8601.
   */
  simulated: { readonly speed: number; readonly realAt: string } & SimulatedErrors;
  'off-heat': Readonly<Record<string, never>>;
  'on-heat': Readonly<Record<string, never>>;
  done: Readonly<Record<string, never>>;
  /** The formula as it was when the first jar was filled: what is in the jars stays that. */
  'formula-filled': { readonly document: FormulaDocument };
  /** Jars that were filled, one by one; or how many there are in all, which replaces what was. */
  jarred: { readonly jars: readonly JarsCounted[] };
  /**
   * Asked once, where no reading tells: whether it reached the heat its kind must reach, and went
   * into the jars hot.
   */
  'heat-stated': { readonly reached: boolean };
  /** pH of a cooled, blended sample of this batch, with the meter set in two buffers that day. */
  'measured-ph': { readonly value: number; readonly twoBuffers: boolean };
  /**
   * The canner is at its full boil, or the steam at its mark: the time counts from here, so many
   * minutes by the table then.
   */
  'process-begun': { readonly minutes: number; readonly jars?: readonly JarCount[] };
  /** The boil stopped, or the steam fell: the time counts from zero again. */
  'process-lost': Readonly<Record<string, never>>;
  /**
   * The filled jars went through the canner; only the jars named, with new lids, where some had not
   * sealed. The altitude as it was stated then.
   */
  processed: {
    readonly method: 'boiling-water' | 'steam';
    readonly minutes: number;
    readonly altitude_m: number | null;
    readonly again?: SomeJars;
    /** The full jars of this load; all that were filled, where it does not say. */
    readonly jars?: readonly JarCount[];
    /** When its full boil began, ISO 8601, where no clock of ours counted it. */
    readonly startedAt?: string;
  };
  /** New flat lids laid out, and how many of them are left now that the jars are lidded. */
  lids: { readonly out: number; readonly left: number };
  /** The lids of the full jars of one size were pressed: these had not sealed. */
  seals: { readonly size: string; readonly failed: readonly number[] };
  /** Jars that had not sealed went into the cold instead, or were thrown away. */
  unsealed: SomeJars & { readonly kept: UnsealedPlace };
  /**
   * After a jar was opened: its set from -2 (runs) over 0 (just right) to 2 (stiff), its taste from
   * 1 to 5.
   */
  scored: { readonly set: number; readonly taste: number };
  /** A jar held against the sheet of a show: points from 0 to {@link MOST_POINTS} for each. */
  judged: Readonly<Record<Judged, number>>;
  /** Entered at a show, in which of its classes and on which day, and what came of it. */
  shown: {
    readonly show: string;
    readonly class: string;
    readonly on: string;
    readonly result: ShowResult;
  };
  undo: { readonly eventId: string };
}

export type EventType = keyof EventBodies;

/**
 * One thing that happened to a batch. Never changed once made: a slip is taken back by an `undo`
 * event.
 */
export type BatchEvent = {
  [T in EventType]: {
    /** Made by the device that saw it happen; the same id twice is the same event. */
    readonly id: string;
    readonly type: T;
    /** When it happened, ISO 8601; corrected where the clock of that device was wrong. */
    readonly at: string;
    /** What that clock showed, ISO 8601, where it was wrong. */
    readonly saidAt?: string;
    readonly device: string;
    readonly body: EventBodies[T];
  };
}[EventType];

export type EventOf<T extends EventType> = Extract<BatchEvent, { type: T }>;

/** A weighing or a refractometer value, with its one number: kilograms or per cent. */
export interface LoggedValue {
  readonly id: string;
  readonly at: number;
  readonly value: number;
}

/** Before the heat, on it, taken off for a test, put off for hours, finished. */
export type BoilPhase = 'cold' | 'on-heat' | 'off-heat' | 'paused' | 'done';

/** A span of time; it is open while `to` is undefined. */
interface Span {
  from: number;
  to: number | undefined;
}

/** A boil while its events are gone through, oldest first. Moments in milliseconds since 1970. */
export interface BoilDraft {
  phase: BoilPhase;
  /** From the first time on the heat. */
  startedAt: number | undefined;
  endedAt: number | undefined;
  /** Every reading, before those that cannot be of this pan are set apart. */
  allReadings: LoggedReading[];
  /** Body of the first `light`. */
  light: EventBodies['light'] | undefined;
  /** Kilograms in the pan. */
  weighings: LoggedValue[];
  /** Per cent soluble solids. */
  brix: LoggedValue[];
  sugarInAt: number | undefined;
  wish:
    | { readonly by: 'ready' | 'start'; readonly at: number; readonly with?: readonly string[] }
    | undefined;
  /** When steps of the plan were done, by their code: as ticked, or as the log tells of itself. */
  stepsDone: Map<string, number>;
  /** When the heat was turned up or down. */
  flameTurned: { readonly at: number; readonly turned: 'up' | 'down' }[];
  /** Where it cooked, from when on; empty where nobody said. */
  places: (EventBodies['cooking'] & { readonly at: number })[];
  /** Shares of the depth it went on with. */
  depths: LoggedValue[];
  /** When the base was last stirred. */
  stirredAt: number | undefined;
  /** Spans in which the cook was put off; the last one is open while it is. */
  pauses: (Span & { readonly kept: Pause })[];
  /** The simulated instruments that boil it, if any do, and how the batch's clock runs since. */
  simulated: (EventBodies['simulated'] & { readonly id: string; readonly at: number }) | undefined;
  /** When the last timed boil was started. */
  minuteAt: number | undefined;
  /** The jars as counted, each with its id. */
  jarTally: JarTally;
  jarred: readonly JarsFilled[];
  /** The process that is being counted. */
  processBegunAt:
    | { readonly at: number; readonly minutes: number; readonly jars?: readonly JarCount[] }
    | undefined;
  /** How often its boil was lost. */
  processLost: number;
  /** The last process the jars went through, all of them together, and when that was. */
  processed: EventBodies['processed'] | undefined;
  processedAt: number | undefined;
  /** Every load of the canner, in order. */
  processRuns: ProcessRun[];
  /** Altitudes stated for this batch after the pan went on, m, in order. */
  altitudes_m: number[];
  /** The first answer to whether it was hot enough, and when it was given. */
  heatStated: (EventBodies['heat-stated'] & { readonly at: number }) | undefined;
  /** Every pH that was measured of it. */
  measuredPHs: (EventBodies['measured-ph'] & { readonly at: number })[];
  lids: EventBodies['lids'] | undefined;
  /** Every check of the lids, in order: the numbers of the jars whose lids were not down. */
  sealChecks: (EventBodies['seals'] & { readonly at: number })[];
  /** The last score after a jar was opened. */
  score: EventBodies['scored'] | undefined;
  /** The last sheet a jar was held against. */
  judged: EventBodies['judged'] | undefined;
  /** Entries at shows, in the order they were written. */
  shows: (EventBodies['shown'] & { readonly id: string })[];
  /** What was done with jars that had not sealed, in order: processed again, or into the cold. */
  rescued: (SomeJars & {
    readonly at: number;
    readonly how: 'processed' | UnsealedPlace;
    readonly minutes?: number;
  })[];
  /** Spans on the heat; the last one is open while the pan is on. */
  heat: Span[];
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
  places: [],
  depths: [],
  stirredAt: undefined,
  pauses: [],
  simulated: undefined,
  minuteAt: undefined,
  jarTally: new Map(),
  jarred: [],
  processBegunAt: undefined,
  processLost: 0,
  processed: undefined,
  processedAt: undefined,
  processRuns: [],
  altitudes_m: [],
  heatStated: undefined,
  measuredPHs: [],
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
const STEPS_OF_COOKING: readonly string[] = ['boil', 'test', 'cook'];
/** The step of the plan that a stage of the formula is. @param stage 1 and up */
const stepOfStage = (stage: number): string => (stage === 1 ? 'cook' : `cook-${stage}`);

function putOnHeat(boil: BoilDraft, at: number): void {
  boil.startedAt ??= at;
  if (boil.phase !== 'on-heat') boil.heat.push({ from: at, to: undefined });
  const pause = boil.pauses.at(-1);
  if (pause && pause.to === undefined) pause.to = at;
  boil.phase = 'on-heat';
  boil.endedAt = undefined;
}

function takeOffHeat(boil: BoilDraft, at: number, phase: BoilPhase): void {
  const last = boil.heat.at(-1);
  if (last && last.to === undefined) last.to = at;
  boil.phase = phase;
}

/** A load that is over: by the clock that counted it, else by what was stated. */
function runOf(
  body: EventBodies['processed'],
  begun: BoilDraft['processBegunAt'],
  endedAt: number,
): ProcessRun {
  const { method, minutes, altitude_m, startedAt } = body;
  const jars = body.jars ?? begun?.jars;
  const stated = startedAt === undefined ? endedAt - minutes * MINUTE_MS : Date.parse(startedAt);
  return {
    method,
    minutes,
    altitude_m,
    ...(jars && { jars }),
    begunAt: begun ? begun.at : stated,
    endedAt,
    isStated: begun === undefined,
  };
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
    // A device that did not know of the first one: the pan does not go on the heat twice.
    if (boil.light) return;
    boil.light = body;
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
    const reached = boil.places.findLast(({ stage }) => stage !== undefined)?.stage ?? 1;
    boil.stepsDone.set(stepOfStage(reached), at);
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
    boil.places.push({ at, ...PLACE_OF_VESSEL[body.vessel] });
  },
  cooking: (boil, { body }, at) => {
    boil.places.push({ at, ...body });
    // A stage that begins ends those before it.
    for (let stage = 1; stage < (body.stage ?? 1); stage++)
      if (!boil.stepsDone.has(stepOfStage(stage))) boil.stepsDone.set(stepOfStage(stage), at);
  },
  depth: (boil, { id, body }, at) => {
    boil.depths.push({ id, at, value: body.left });
  },
  stirred: (boil, _, at) => {
    boil.stirredAt = at;
  },
  simulated: (boil, { id, body }, at) => {
    // The first id stays, so that a change of speed does not change what was simulated so far.
    boil.simulated = { ...body, id: boil.simulated?.id ?? id, at };
  },
  jarred: (boil, { id, body }, at) => {
    boil.jarTally = jarsAfter(boil.jarTally, id, body);
    boil.jarred = jarsFilled(boil.jarTally);
    boil.stepsDone.set('fill', at);
  },
  'process-begun': (boil, { body }, at) => {
    boil.processBegunAt = { at, ...body };
  },
  'process-lost': (boil) => {
    if (boil.processBegunAt) boil.processLost += 1;
    boil.processBegunAt = undefined;
  },
  processed: (boil, { body }, at) => {
    const begun = boil.processBegunAt;
    boil.processBegunAt = undefined;
    if (body.again) {
      boil.rescued.push({ ...body.again, at, how: 'processed', minutes: body.minutes });
      return;
    }
    boil.processed = body;
    boil.processedAt = at;
    boil.processRuns.push(runOf(body, begun, at));
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
  altitude: (boil, { body }) => {
    boil.altitudes_m.push(body.altitude_m);
  },
  'heat-stated': (boil, { body }, at) => {
    boil.heatStated ??= { ...body, at };
  },
  'measured-ph': (boil, { body }, at) => {
    boil.measuredPHs.push({ ...body, at });
  },
  'formula-filled': onlyLogged,
  test: onlyLogged,
  addition: onlyLogged,
  omission: onlyLogged,
  note: onlyLogged,
  undo: onlyLogged,
};

/** Every type of event there is. */
export const EVENT_TYPES = Object.keys(REDUCERS) as readonly EventType[];

/**
 * Takes one event into the draft, in place. Events must come in the order of {@link inOrder}, and
 * none that was undone.
 */
export function reduceEvent<T extends EventType>(
  boil: BoilDraft,
  event: EventOf<T> & BatchEvent,
  at: number,
): void {
  const reduce: (boil: BoilDraft, event: EventOf<T>, at: number) => void = REDUCERS[event.type];
  reduce(boil, event, at);
}

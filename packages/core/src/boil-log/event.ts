import type { PanAndBurner } from '../formula/index.js';
import type { Vessel } from '../thermal/index.js';

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

/** Full jars of one size, and how full its part jar is (0 for none). */
export interface JarsFilled {
  readonly size: string;
  readonly full: number;
  readonly part: number;
  /** What a full one holds, where it was weighed, g. */
  readonly net_g?: number;
}

/** Where a jar goes that has not sealed and is not processed again. */
export const UNSEALED_PLACES = ['fridge', 'freezer', 'thrown-out'] as const;
export type UnsealedPlace = (typeof UNSEALED_PLACES)[number];

/** Some of the full jars of one size, by their numbers, 1 and up. */
export interface SomeJars {
  readonly size: string;
  readonly jars: readonly number[];
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
  light: PanAndBurner & { readonly gelTemperature_C: number; readonly boilingPoint_C: number };
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
  addition: { readonly text: string };
  /** An ingredient of the formula did not go in. */
  omission: { readonly ingredient: string };
  note: { readonly text: string };
  /** The one hard minute begins. */
  minute: Readonly<Record<string, never>>;
  /** What a butter cooks in from now on, and how its lid lies. */
  vessel: { readonly vessel: Vessel };
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
  /** The jars as counted; a later count replaces an earlier one. */
  jarred: { readonly jars: readonly JarsFilled[] };
  /**
   * The canner is at its full boil, or the steam at its mark: the time counts from here, so many
   * minutes by the table then.
   */
  'process-begun': { readonly minutes: number };
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
  };
  /** New flat lids laid out, and how many of them are left now that the jars are lidded. */
  lids: { readonly out: number; readonly left: number };
  /** The lids of the full jars of one size were pressed: these had not sealed. */
  seals: { readonly size: string; readonly failed: readonly number[] };
  /** Jars that had not sealed went into the cold instead, or were thrown out. */
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

export const EVENT_TYPES = [
  'planned',
  'step',
  'light',
  'reading',
  'weighed',
  'brix',
  'sugar-in',
  'heat',
  'test',
  'addition',
  'omission',
  'note',
  'minute',
  'vessel',
  'stirred',
  'paused',
  'simulated',
  'off-heat',
  'on-heat',
  'done',
  'jarred',
  'process-begun',
  'process-lost',
  'processed',
  'lids',
  'seals',
  'unsealed',
  'scored',
  'judged',
  'shown',
  'undo',
] as const satisfies (keyof EventBodies)[];
export type EventType = (typeof EVENT_TYPES)[number];

/**
 * One thing that happened to a batch. Never changed once made: a slip is taken back by an `undo`
 * event.
 */
export type BatchEvent = {
  [T in EventType]: {
    /** Made by the device that saw it happen; the same id twice is the same event. */
    readonly id: string;
    readonly type: T;
    /** When it happened, ISO 8601, by the clock of that device. */
    readonly at: string;
    readonly device: string;
    readonly body: EventBodies[T];
  };
}[EventType];

export type EventOf<T extends EventType> = Extract<BatchEvent, { type: T }>;

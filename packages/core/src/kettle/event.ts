/** What the maker judged "done" by, besides the thermometer. */
export const TEST_WAYS = ['plate', 'sheet', 'finger'] as const;
export type TestWay = (typeof TEST_WAYS)[number];

/** From "runs off" to "stands": the verdicts of a set test. */
export const TEST_VERDICTS = ['runs', 'slowly closes', 'holds a line', 'wrinkles', 'stiff'] as const;
export type TestVerdict = (typeof TEST_VERDICTS)[number];

/** Full jars of one size, and how full its part jar is (0 for none). */
export interface JarsFilled {
  readonly size: string;
  readonly full: number;
  readonly part: number;
}

/** What an event of each type carries. */
export interface EventBodies {
  /** When the jars should be ready, or the work begin, ISO 8601; a later wish replaces an earlier one. */
  planned: { readonly by: 'ready' | 'start'; readonly at: string };
  /** A step of the plan is done. */
  step: { readonly code: string };
  /** The pot goes on the heat. The place as it was known then, so that a later change of kitchen does not rewrite this boil. */
  light: { readonly gelTemperature_C: number; readonly boilingPoint_C: number };
  reading: { readonly temperature_C: number };
  /** The pot on the scale, less the empty pan. */
  weighed: { readonly mass_kg: number };
  /** A cooled drop in the refractometer. */
  brix: { readonly percent: number };
  /** The sugar that waits for soft skins, or for the full boil, is in. */
  'sugar-in': Readonly<Record<string, never>>;
  /** The flame was turned; how far is not known. */
  heat: { readonly turned: 'up' | 'down' };
  test: { readonly way: TestWay; readonly verdict: TestVerdict };
  addition: { readonly text: string };
  note: { readonly text: string };
  /** The one hard minute begins. */
  minute: Readonly<Record<string, never>>;
  'off-heat': Readonly<Record<string, never>>;
  'on-heat': Readonly<Record<string, never>>;
  done: Readonly<Record<string, never>>;
  /** The jars as counted; a later count replaces an earlier one. */
  jarred: { readonly jars: readonly JarsFilled[] };
  /** The filled jars went through the canner. The altitude as it was stated then. */
  processed: {
    readonly method: 'boiling-water' | 'steam';
    readonly minutes: number;
    readonly altitude_m: number | null;
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
  'note',
  'minute',
  'off-heat',
  'on-heat',
  'done',
  'jarred',
  'processed',
  'undo',
] as const satisfies (keyof EventBodies)[];
export type EventType = (typeof EVENT_TYPES)[number];

/** One thing that happened to a batch. Never changed once made: a slip is taken back by an `undo` event. */
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

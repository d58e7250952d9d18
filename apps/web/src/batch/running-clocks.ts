import { useSyncExternalStore } from 'react';
import { batchNow, MINUTE_MS, processClock, type Advice, type Boil } from '@idle-kettle/core';

/** What a clock counts. */
export type ClockKind = 'minute' | 'processing' | 'rest' | 'lift' | 'lids' | 'stir' | 'timer';

/** One clock that runs, or whose time is up and that waits for somebody. */
export interface RunningClock {
  /** The same for the same clock, on every screen and after a reload: it sounds once. */
  readonly id: string;
  readonly kind: ClockKind;
  /** What it counts, or what is due: "processing, load 2", "lift the jars". */
  readonly words: string;
  /** Whose it is; a timer has its own name. */
  readonly title: string;
  /** Where one goes to see to it. */
  readonly to: string | undefined;
  /** What is left at a time by the household's clock, ms; 0 and less once its time is up. */
  readonly left_ms: (now: number) => number;
  /** It is told by the time of day, not counted down. */
  readonly at?: number;
  /** The clock whose end it began with: that one sounds, also where nobody saw it run out. */
  readonly follows?: Pick<RunningClock, 'id' | 'kind'>;
}

interface BatchOnTheStove {
  readonly id: string;
  readonly title: string;
}

/** What the clocks of a batch are told from. */
export interface StateOfBatch {
  readonly boil: Boil;
  readonly next: Advice | undefined;
  /**
   * Minutes of its process by the table as it is now; the process is never counted shorter, nor
   * shorter than when it was begun. As long as it is not known, no process is told.
   */
  readonly tableMinutes: number | undefined;
}

/** After this nobody is waited for any more, ms: the jars were lifted, only not logged. */
const LIFT_FOR_MS = 60 * MINUTE_MS;
const MINUTE_UP_FOR_MS = MINUTE_MS;

/**
 * The clocks of one batch: the timed minute, the process of its jars, the rest after it, and that it
 * wants stirring.
 * @param now by the household's clock
 */
export function clocksOf(
  batch: BatchOnTheStove,
  { boil, next, tableMinutes }: StateOfBatch,
  now: number,
): readonly RunningClock[] {
  return [
    ...minuteOf(batch, boil, now),
    ...processOf(batch, boil, tableMinutes, now),
    ...stirOf(batch, boil, next),
  ];
}

function minuteOf({ id, title }: BatchOnTheStove, boil: Boil, now: number): RunningClock[] {
  const { minute } = boil;
  if (!minute || boil.phase !== 'on-heat') return [];
  const left_ms = (at: number): number => minute.endsAt - batchNow(boil, at);
  if (left_ms(now) < -MINUTE_UP_FOR_MS) return [];
  return [
    {
      id: `${id} minute ${minute.endsAt}`,
      kind: 'minute',
      words: left_ms(now) > 0 ? '1-minute boil' : 'the minute is up: off the heat',
      title,
      to: `/batches/${id}/boil`,
      left_ms,
    },
  ];
}

function processOf(
  { id, title }: BatchOnTheStove,
  boil: Boil,
  tableMinutes: number | undefined,
  now: number,
): RunningClock[] {
  const { begun } = boil.process;
  if (!begun || tableMinutes === undefined) return [];
  const clockAt = (at: number) => processClock(boil, tableMinutes, batchNow(boil, at));
  const { phase, minutes } = clockAt(now);
  const load = boil.processRuns.length + 1;
  const of = begun.jars || load > 1 ? `, load ${load}` : '';
  const clock = { title, to: `/batches/${id}/jar` };
  if (phase === 'running')
    return [
      {
        ...clock,
        id: `${id} processing ${begun.at}`,
        kind: 'processing',
        words: `processing${of}`,
        left_ms: (at) => (clockAt(at).phase === 'running' ? clockAt(at).left_ms : 0),
      },
    ];
  if (phase === 'rest')
    return [
      {
        ...clock,
        id: `${id} rest ${begun.at}`,
        kind: 'rest',
        follows: { id: `${id} processing ${begun.at}`, kind: 'processing' },
        words: `heat off, rest${of}`,
        left_ms: (at) => (clockAt(at).phase === 'rest' ? clockAt(at).left_ms : 0),
      },
    ];
  const isLong = batchNow(boil, now) - begun.at > minutes * MINUTE_MS + LIFT_FOR_MS;
  return isLong
    ? []
    : [
        {
          ...clock,
          id: `${id} lift ${begun.at}`,
          kind: 'lift',
          follows: { id: `${id} rest ${begun.at}`, kind: 'rest' },
          words: `lift the jars${of}`,
          left_ms: () => 0,
        },
      ];
}

function stirOf(
  { id, title }: BatchOnTheStove,
  boil: Boil,
  next: Advice | undefined,
): RunningClock[] {
  if (next?.code !== 'stir') return [];
  const stirred = boil.log.findLast(({ event }) => event.type === 'stirred')?.at;
  return [
    {
      id: `${id} stir ${stirred ?? boil.startedAt ?? 0}`,
      kind: 'stir',
      words: 'stir the base',
      title,
      to: `/batches/${id}/boil`,
      left_ms: () => 0,
    },
  ];
}

/** Lids are told from so long before they are due, and for a day after, ms. */
const LIDS_AHEAD_MS = 24 * 60 * MINUTE_MS;
const LIDS_FOR_MS = 24 * 60 * MINUTE_MS;

/** The lids that are to be pressed, with the time of day from when on. */
export function lidsOf(
  { id, title, sealsDueAt }: BatchOnTheStove & { readonly sealsDueAt: string | null },
  now: number,
): readonly RunningClock[] {
  if (sealsDueAt === null) return [];
  const at = Date.parse(sealsDueAt);
  if (at - now > LIDS_AHEAD_MS || now - at > LIDS_FOR_MS) return [];
  return [
    {
      id: `${id} lids ${at}`,
      kind: 'lids',
      words: 'lids to check',
      title,
      to: `/batches/${id}/jar`,
      left_ms: (when) => at - when,
      at,
    },
  ];
}

/** What is counted of jars in the canner. */
export type ProcessClockKind = Extract<ClockKind, 'processing' | 'rest' | 'lift'>;
const isOfProcess = (
  clock: RunningClock,
): clock is RunningClock & { readonly kind: ProcessClockKind } =>
  clock.kind === 'processing' || clock.kind === 'rest' || clock.kind === 'lift';

/** The clock of a batch whose jars are in the canner; none where they are not. */
export const clockOfCanner = (clocks: readonly RunningClock[], batchId: string) =>
  clocks.filter(isOfProcess).find(({ to }) => to === `/batches/${batchId}/jar`);

const listeners = new Set<() => void>();
const clocksBySource = new Map<string, readonly RunningClock[]>();
let all: readonly RunningClock[] = [];

/** Says which clocks of one source run now; of none once it is gone. */
export function setRunningClocks(source: string, clocks: readonly RunningClock[]): void {
  if (clocks.length > 0) clocksBySource.set(source, clocks);
  else if (!clocksBySource.delete(source)) return;
  all = [...clocksBySource.values()].flat();
  listeners.forEach((tell) => tell());
}

const subscribe = (tell: () => void): (() => void) => {
  listeners.add(tell);
  return () => listeners.delete(tell);
};
const current = (): readonly RunningClock[] => all;

/** Every clock that runs in this household, wherever one is. */
export const useRunningClocks = (): readonly RunningClock[] =>
  useSyncExternalStore(subscribe, current);

/** The soonest first; what is told by the time of day after what is counted down. */
export const bySoonest =
  (now: number) =>
  (a: RunningClock, b: RunningClock): number =>
    Number(a.at !== undefined) - Number(b.at !== undefined) || a.left_ms(now) - b.left_ms(now);

/** A clock that was up longer ago than this when the page opens is shown, not sounded, ms. */
const TOO_LATE_MS = 10 * MINUTE_MS;

/** A clock whose time is up, as it is sounded. */
export type ClockEnd = Pick<RunningClock, 'id' | 'kind' | 'title' | 'to'>;

/**
 * The clocks whose time is up and that have not sounded yet.
 * @param sounded ids of those that have
 * @returns `up` are all that are new, `toSound` those of them that are not long over
 */
export function newlyUp(
  clocks: readonly RunningClock[],
  sounded: readonly string[],
  now: number,
): { readonly up: readonly ClockEnd[]; readonly toSound: readonly ClockEnd[] } {
  const isNew = ({ id }: Pick<RunningClock, 'id'>): boolean => !sounded.includes(id);
  const followed = clocks.flatMap(({ follows, title, to }) =>
    follows && isNew(follows) ? [{ ...follows, title, to }] : [],
  );
  const over = clocks.filter((each) => each.left_ms(now) <= 0 && isNew(each));
  const recent = over.filter(({ left_ms }) => left_ms(now) >= -TOO_LATE_MS);
  return { up: [...followed, ...over], toSound: [...followed, ...recent] };
}

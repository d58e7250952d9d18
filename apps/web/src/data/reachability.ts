import { useSyncExternalStore } from 'react';

/**
 * Why the server could not be used: it does not answer, something else answers in its place, its
 * database is away, or its disk is full.
 */
export type AwayReason = 'no-answer' | 'stranger' | 'database' | 'no-space';

/** How what is on the screen was come by. */
export interface Reachability {
  /** Undefined while the server answers. */
  readonly away: AwayReason | undefined;
  /** Of what is shown, the oldest is as the server told it then, milliseconds since 1970. */
  readonly since: number | undefined;
}

let state: Reachability = { away: undefined, since: undefined };
/** When the server last answered a question, by its own clock. */
let lastAnswer: number | undefined;
const listeners = new Set<() => void>();

function set(next: Reachability): void {
  if (next.away === state.away && next.since === state.since) return;
  state = next;
  listeners.forEach((tell) => tell());
}

const oldest = (a: number | undefined, b: number | undefined): number | undefined =>
  a === undefined || b === undefined ? (a ?? b) : Math.min(a, b);

/** The server answered. */
export function noteAnswer(serverTime: number): void {
  lastAnswer = serverTime;
  set({ away: undefined, since: undefined });
}

/** An earlier answer was shown in its stead. */
export const noteKeptAnswer = (away: AwayReason, since: number): void =>
  set({ away, since: oldest(state.since, since) });

/** There was no answer, and no earlier one: what is on the screen is from before. */
export const noteNoAnswer = (away: AwayReason): void =>
  set({ away, since: state.since ?? lastAnswer });

/** Another screen is opened: how old its data are shows as they come. */
export const forgetSince = (): void => set({ away: state.away, since: undefined });

/** Calls with every change, until the function that is returned is called. */
export const onReachability = (take: (state: Reachability) => void): (() => void) =>
  subscribe(() => take(state));

const subscribe = (tell: () => void): (() => void) => {
  listeners.add(tell);
  return () => listeners.delete(tell);
};
export const useReachability = (): Reachability => useSyncExternalStore(subscribe, () => state);

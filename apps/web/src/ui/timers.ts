import { browserStore } from '../data/browser-store.js';

/** One timer of this device, with the name it was given. */
export interface KitchenTimer {
  readonly id: string;
  readonly name: string;
  /** Milliseconds since 1970, by the household's clock. */
  readonly endsAt: number;
}

/** Nobody keeps more of them in mind. */
const MOST_TIMERS = 12;

const isTimer = (value: unknown): value is KitchenTimer =>
  typeof value === 'object' &&
  value !== null &&
  typeof (value as KitchenTimer).id === 'string' &&
  typeof (value as KitchenTimer).name === 'string' &&
  Number.isFinite((value as KitchenTimer).endsAt);

const timers = browserStore<readonly KitchenTimer[]>({
  key: 'kettle.timers',
  parse: (json) => (Array.isArray(json) ? json.filter(isTimer) : undefined),
  otherwise: () => [],
});

/** The timers of this device, the soonest first; they outlast a reload. */
export const useTimers = timers.use;
/** The same, once. */
export const timersNow = timers.get;

const bySoonest = (a: KitchenTimer, b: KitchenTimer): number => a.endsAt - b.endsAt;

export function startTimer(timer: KitchenTimer): void {
  timers.set([...timers.get(), timer].sort(bySoonest).slice(0, MOST_TIMERS));
}

export function removeTimer(id: string): void {
  timers.set(timers.get().filter((timer) => timer.id !== id));
}

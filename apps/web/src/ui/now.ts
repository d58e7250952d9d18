import { useSyncExternalStore } from 'react';
import { now } from '../data/clock.js';
import { HOUR_MS } from '@idle-kettle/core';

const listeners = new Set<() => void>();
let shown = now();
let ticking: ReturnType<typeof setInterval> | undefined;

const tick = (): void => {
  shown = now();
  listeners.forEach((tell) => tell());
};

function watch(tell: () => void): () => void {
  if (listeners.size === 0) {
    shown = now();
    ticking = setInterval(tick, 500);
  }
  listeners.add(tell);
  return () => {
    listeners.delete(tell);
    if (listeners.size === 0) clearInterval(ticking);
  };
}

const current = (): number => shown;

/** Milliseconds since 1970, a new value twice a second while anything on screen shows it. */
export const useNow = (): number => useSyncExternalStore(watch, current);

const thisHour = (): number => Math.floor(now() / HOUR_MS) * HOUR_MS;

/** The full hour, milliseconds since 1970; a new value once an hour. */
export const useHour = (): number => useSyncExternalStore(watch, thisHour);

/** "0:42", "17:20", "1:02:05". */
export function clock(ms: number): string {
  const seconds = Math.max(Math.floor(ms / 1000), 0);
  const two = (n: number): string => String(n).padStart(2, '0');
  const hours = Math.floor(seconds / 3600);
  return hours > 0
    ? `${hours}:${two(Math.floor(seconds / 60) % 60)}:${two(seconds % 60)}`
    : `${Math.floor(seconds / 60)}:${two(seconds % 60)}`;
}

import { useSyncExternalStore } from 'react';

export type Theme = 'day' | 'night';

const KEY = 'kettle.theme';
const listeners = new Set<() => void>();

function preferred(): Theme {
  const kept = localStorage.getItem(KEY);
  if (kept === 'day' || kept === 'night') return kept;
  return window.matchMedia('(prefers-color-scheme: dark)').matches ? 'night' : 'day';
}

function show(theme: Theme): void {
  document.documentElement.dataset.theme = theme;
}

/** Call once before the first paint. */
export const startTheme = (): void => show(preferred());

export function setTheme(theme: Theme): void {
  localStorage.setItem(KEY, theme);
  show(theme);
  listeners.forEach((tell) => tell());
}

function watch(tell: () => void): () => void {
  listeners.add(tell);
  return () => listeners.delete(tell);
}

const current = (): Theme => (document.documentElement.dataset.theme === 'night' ? 'night' : 'day');

export const useTheme = (): Theme => useSyncExternalStore(watch, current);

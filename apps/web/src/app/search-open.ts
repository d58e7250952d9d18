import { useSyncExternalStore } from 'react';

let isOpen = false;
const listeners = new Set<() => void>();

/** Opens or closes the search over everything, from wherever one is. */
export function openSearch(open: boolean): void {
  isOpen = open;
  listeners.forEach((tell) => tell());
}

const subscribe = (tell: () => void): (() => void) => {
  listeners.add(tell);
  return () => listeners.delete(tell);
};

export const useSearchOpen = (): boolean => useSyncExternalStore(subscribe, () => isOpen);

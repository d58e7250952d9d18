import { useCallback, useSyncExternalStore } from 'react';

/** Whether a media query holds, as "(min-width: 80rem)"; follows the window. */
export function useMedia(query: string): boolean {
  const subscribe = useCallback(
    (tell: () => void): (() => void) => {
      const list = window.matchMedia(query);
      list.addEventListener('change', tell);
      return () => list.removeEventListener('change', tell);
    },
    [query],
  );
  return useSyncExternalStore(subscribe, () => window.matchMedia(query).matches);
}

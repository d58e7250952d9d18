import { useEffect, useRef, type RefObject } from 'react';

const CONTROLS =
  'input:not(:disabled), select:not(:disabled), textarea:not(:disabled), button:not(:disabled):not([data-close]), [role="radio"][tabindex="0"]';

/**
 * What a tap opened comes into view with the focus on its first control; when it closes, the focus
 * goes back to what opened it.
 * @returns where to put what is opened
 */
export function useOpenedFocus<E extends HTMLElement>(): RefObject<E | null> {
  const opened = useRef<E>(null);
  useEffect(() => {
    const panel = opened.current;
    const opener = document.activeElement;
    if (!panel) return undefined;
    // A field that took the focus by itself keeps it.
    if (!panel.contains(opener))
      (panel.querySelector<HTMLElement>(CONTROLS) ?? panel).focus({ preventScroll: true });
    panel.scrollIntoView({ block: 'nearest' });
    return () => {
      if (opener instanceof HTMLElement && !panel.contains(opener))
        requestAnimationFrame(() => {
          if (document.activeElement === document.body && opener.isConnected) opener.focus();
        });
    };
  }, []);
  return opened;
}

import { useEffectEvent, useLayoutEffect } from 'react';

/** Single letters, when no field is being typed in; R goes to the reading. */
export function usePotKeys(acts: Readonly<Record<string, () => void>>): void {
  const onKey = useEffectEvent((event: KeyboardEvent): void => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    if (
      event.target instanceof Element &&
      event.target.matches('input, textarea, select') &&
      event.key !== 'Escape'
    )
      return;
    if (event.key === 'r') {
      event.preventDefault();
      window.document.querySelector<HTMLInputElement>('[data-key="r"]')?.focus();
      return;
    }
    const act = acts[event.key];
    if (!act) return;
    event.preventDefault();
    act();
  });
  // At the stove a key counts from the moment the screen is there.
  useLayoutEffect(() => {
    const listen = (event: KeyboardEvent): void => onKey(event);
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, []);
}

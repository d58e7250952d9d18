/** The places the focus was in last, from the control outwards. */
let lastPath: readonly HTMLElement[] = [];

const isGone = (element: HTMLElement): boolean =>
  !element.isConnected || element.matches(':disabled') || element.getClientRects().length === 0;

/**
 * Where the focus goes when the control that had it is gone: what held that control, if it is still
 * there, and what holds that if it is not.
 */
export function placeOfFocus(path: readonly HTMLElement[]): HTMLElement | undefined {
  const [control, ...around] = path;
  if (control === undefined || !isGone(control)) return undefined;
  return around.find((element) => !isGone(element) && element !== document.body);
}

function keepFocus(): void {
  if (document.activeElement !== document.body) return;
  const place = placeOfFocus(lastPath);
  if (!place) return;
  if (!place.hasAttribute('tabindex')) place.tabIndex = -1;
  place.focus({ preventScroll: true });
}

/**
 * Keeps the focus from falling to the page's body when the control that had it is removed, hidden or
 * disabled, as a button that logs something and is then gone: whoever works by keyboard or ear stays
 * where they were. Once, at the start of the app.
 */
export function guardFocus(): void {
  document.addEventListener('focusin', ({ target }) => {
    const path: HTMLElement[] = [];
    for (let each = target as Element | null; each; each = each.parentElement)
      if (each instanceof HTMLElement && each !== document.documentElement) path.push(each);
    lastPath = path;
  });
  // Whoever clicks beside everything means to leave.
  document.addEventListener('pointerdown', ({ target }) => {
    if (target instanceof Element && lastPath[0] && !lastPath[0].contains(target)) lastPath = [];
  });
  let isAsked = false;
  new MutationObserver(() => {
    if (isAsked || lastPath.length === 0 || document.activeElement !== document.body) return;
    isAsked = true;
    // After what opened or closed has set the focus itself.
    setTimeout(() => {
      isAsked = false;
      keepFocus();
    }, 50);
  }).observe(document.body, {
    subtree: true,
    childList: true,
    attributes: true,
    attributeFilter: ['disabled', 'hidden', 'class'],
  });
}

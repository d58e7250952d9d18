import { useEffectEvent, useLayoutEffect } from 'react';
import { browserStore } from '../data/browser-store.js';

/** Where a shortcut works: on every page, or only where its page registers what it does. */
type Where = 'everywhere' | 'balance' | 'boil' | 'jar' | 'practice';

/** One keyboard shortcut. */
interface Shortcut {
  readonly where: Where;
  /** With Alt, with Ctrl or Cmd, with Shift beside it, or alone. */
  readonly with: 'alt' | 'ctrl' | 'ctrl-shift' | 'none';
  /** The letter, or the name of the key. */
  readonly key: string;
  readonly words: string;
}

/**
 * Every keyboard shortcut of the product. One whose element is marked with {@link shortcutTarget}
 * goes to that element: a field is selected, a button pressed. What the others do is given to
 * {@link useShortcuts}. The `?` list is made from here.
 */
const SHORTCUTS = {
  search: { where: 'everywhere', with: 'ctrl', key: 'k', words: 'search, and go anywhere' },
  'search-key': { where: 'everywhere', with: 'none', key: '/', words: 'search, and go anywhere' },
  list: { where: 'everywhere', with: 'none', key: '?', words: 'show or hide this list' },
  'new-batch': { where: 'everywhere', with: 'alt', key: 'b', words: 'a new batch' },
  start: { where: 'everywhere', with: 'alt', key: 'c', words: 'start cooking' },
  line: { where: 'balance', with: 'alt', key: 'l', words: 'type a line' },
  kind: { where: 'balance', with: 'alt', key: 'k', words: 'kind of preserve' },
  method: { where: 'balance', with: 'alt', key: 'w', words: 'setting method' },
  finish: { where: 'balance', with: 'alt', key: 'g', words: 'stop when' },
  fit: { where: 'balance', with: 'alt', key: 'i', words: 'make it fit' },
  'jar-size': { where: 'balance', with: 'alt', key: 'j', words: 'jar size' },
  remedy: { where: 'everywhere', with: 'alt', key: 'r', words: 'do the first remedy' },
  save: { where: 'balance', with: 'alt', key: 's', words: 'save the formula' },
  compare: { where: 'balance', with: 'alt', key: 'x', words: 'save a snapshot to compare' },
  undo: { where: 'balance', with: 'alt', key: 'u', words: 'undo' },
  'undo-typed': { where: 'balance', with: 'ctrl', key: 'z', words: 'undo' },
  'redo-typed': { where: 'balance', with: 'ctrl', key: 'y', words: 'redo' },
  'redo-shift': { where: 'balance', with: 'ctrl-shift', key: 'z', words: 'redo' },
  reading: { where: 'boil', with: 'none', key: 'r', words: 'type a reading' },
  test: { where: 'boil', with: 'none', key: 't', words: 'test the set' },
  addition: { where: 'boil', with: 'none', key: 'a', words: 'add something' },
  note: { where: 'boil', with: 'none', key: 'n', words: 'write a note' },
  measure: { where: 'boil', with: 'none', key: 'w', words: 'weigh it' },
  heat: { where: 'boil', with: 'none', key: 'f', words: 'heat up or down' },
  stir: { where: 'practice', with: 'none', key: 's', words: 'stir' },
  minute: { where: 'practice', with: 'none', key: 'm', words: 'one minute on' },
  count: { where: 'jar', with: 'alt', key: 'j', words: 'count the jars' },
  process: { where: 'jar', with: 'alt', key: 'p', words: 'start processing' },
  close: { where: 'everywhere', with: 'none', key: 'Escape', words: 'close what is open' },
} as const satisfies Readonly<Record<string, Shortcut>>;
export type ShortcutId = keyof typeof SHORTCUTS;

const ALL = Object.entries<Shortcut>(SHORTCUTS) as readonly (readonly [ShortcutId, Shortcut])[];

/** Marks the element a shortcut goes to. */
export const shortcutTarget = (id: ShortcutId): { readonly 'data-shortcut': ShortcutId } => ({
  'data-shortcut': id,
});

/** The keys of a shortcut as they are shown. */
export function shortcutKeys({ with: held, key }: Shortcut): string {
  const shown = key.length === 1 ? key.toUpperCase() : key;
  const before = { alt: 'Alt ', ctrl: 'Ctrl ', 'ctrl-shift': 'Ctrl Shift ', none: '' }[held];
  return before + shown;
}

/** Every shortcut, page by page, for the list. */
export const shortcutsByPage = (): readonly (readonly [Where, readonly Shortcut[]])[] =>
  (['everywhere', 'balance', 'boil', 'jar', 'practice'] as const).map((where) => [
    where,
    ALL.filter(([, shortcut]) => shortcut.where === where).map(([, shortcut]) => shortcut),
  ]);

const singleKeys = browserStore<boolean>({
  key: 'kettle.single-keys',
  parse: (json) => (typeof json === 'boolean' ? json : undefined),
  otherwise: () => true,
});
/** Whether single letters do something in this browser; Escape always does. */
export const useSingleKeys = singleKeys.use;
export const setSingleKeys = singleKeys.set;

/** Where letters are written, or choose; a radio button or a box to tick takes none. */
const TAKES_LETTERS = 'input:not([type=radio], [type=checkbox]), textarea, select';

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof Element && target.closest(TAKES_LETTERS) !== null;

const heldWith = ({ altKey, ctrlKey, metaKey, shiftKey }: KeyboardEvent): Shortcut['with'] => {
  if (altKey) return 'alt';
  if (ctrlKey || metaKey) return shiftKey ? 'ctrl-shift' : 'ctrl';
  return 'none';
};

/** The shortcuts a key press may mean; single keys never while something is typed, but for Escape. */
function shortcutsOf(event: KeyboardEvent): ShortcutId[] {
  const held = heldWith(event);
  const typing = isTyping(event.target);
  const isSingle = held === 'none' && event.key !== 'Escape';
  if (isSingle && (typing || !singleKeys.get())) return [];
  // The palette opens from a field too.
  if (typing && (held === 'ctrl' || held === 'ctrl-shift') && event.key !== 'k') return [];
  // With Alt some keyboards write another letter: the key itself counts.
  const key = held === 'alt' ? event.code.replace(/^Key/, '').toLowerCase() : event.key;
  return ALL.filter(
    ([, shortcut]) =>
      shortcut.with === held && (shortcut.key === key || shortcut.key === key.toLowerCase()),
  ).map(([id]) => id);
}

/** Goes to the element a shortcut is marked on. @returns whether there is one */
function goTo(id: ShortcutId): boolean {
  const found = document.querySelector<HTMLElement>(`[data-shortcut="${id}"]:not(:disabled)`);
  if (!found) return false;
  found.focus();
  if (found instanceof HTMLInputElement) found.select();
  else if (!(found instanceof HTMLSelectElement)) found.click();
  return true;
}

type Actions = Readonly<Partial<Record<ShortcutId, (() => void) | undefined>>>;

/** What each mounted page does on its shortcuts, the latest first. */
const registered: { current: Actions }[] = [];

/**
 * Does something on shortcuts while the component is mounted. An action that is undefined leaves the
 * key alone.
 */
export function useShortcuts(actions: Actions): void {
  const latest = useEffectEvent((): Actions => actions);
  useLayoutEffect(() => {
    const entry = {
      get current() {
        return latest();
      },
    };
    registered.unshift(entry);
    return () => void registered.splice(registered.indexOf(entry), 1);
  }, []);
}

function perform(id: ShortcutId): boolean {
  const action = registered.map(({ current }) => current[id]).find((each) => each !== undefined);
  if (action) {
    action();
    return true;
  }
  return goTo(id);
}

/** Listens to the keyboard; once, in the shell. */
export function useShortcutListener(): void {
  // Before the first paint: a key pressed as soon as the screen is seen is not lost.
  useLayoutEffect(() => {
    const listen = (event: KeyboardEvent): void => {
      if (shortcutsOf(event).some(perform)) event.preventDefault();
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, []);
}

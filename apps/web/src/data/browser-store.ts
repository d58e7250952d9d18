import { useSyncExternalStore } from 'react';

/** How a value of this browser is kept. */
export interface BrowserStoreOptions<T> {
  /** Key in the browser's storage. */
  readonly key: string;
  /** What is there before anything was written, and where what was written cannot be read. */
  readonly otherwise: () => T;
  /** A value as it was written; undefined where it is none. */
  readonly parse: (json: unknown) => T | undefined;
  /** @default 'local': kept until it is removed; 'session': until the tab is closed */
  readonly lasts?: 'local' | 'session';
}

/** One value of this browser, which every component that shows it follows. */
export interface BrowserStore<T> {
  readonly get: () => T;
  readonly set: (value: T) => void;
  /** The value in a component. */
  readonly use: () => T;
}

/**
 * A small value kept in the browser's storage as JSON: a theme, a choice, a name. A browser that
 * withholds its storage, or whose storage is full, keeps it until the page is closed.
 */
export function browserStore<T>({
  key,
  otherwise,
  parse,
  lasts = 'local',
}: BrowserStoreOptions<T>): BrowserStore<T> {
  const listeners = new Set<() => void>();
  let known: { readonly value: T } | undefined;

  const storage = (): Storage | undefined => {
    try {
      return lasts === 'local' ? globalThis.localStorage : globalThis.sessionStorage;
    } catch {
      return undefined;
    }
  };
  const read = (): T => {
    try {
      const text = storage()?.getItem(key);
      return (text == null ? undefined : parse(jsonOrText(text))) ?? otherwise();
    } catch {
      return otherwise();
    }
  };
  const get = (): T => (known ??= { value: read() }).value;
  const set = (value: T): void => {
    known = { value };
    try {
      storage()?.setItem(key, JSON.stringify(value));
    } catch {
      // Full or withheld: it holds until the page is closed.
    }
    listeners.forEach((tell) => tell());
  };
  const subscribe = (tell: () => void): (() => void) => {
    listeners.add(tell);
    return () => listeners.delete(tell);
  };
  return { get, set, use: () => useSyncExternalStore(subscribe, get) };
}

/** What was written; words were once written as they are, without quotes. */
function jsonOrText(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return text;
  }
}

/** Reads one of a list of words. */
export const oneOf =
  <T extends string>(words: readonly T[]) =>
  (json: unknown): T | undefined =>
    words.find((word) => word === json);

/** Reads an object; its fields are taken on trust, since this browser wrote them. */
export const anObject = <T extends object>(json: unknown): T | undefined =>
  typeof json === 'object' && json !== null && !Array.isArray(json) ? (json as T) : undefined;

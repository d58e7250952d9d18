import type { Draft, OutboxItem } from './store.js';

/**
 * A log that is brought in has its file to begin again from; jotting down thousands would stop the
 * page.
 */
const MOST = 20;

/**
 * Where things are safe the moment they are written, until the browser's database has them: it
 * takes a while, and a page can be closed in between.
 */
class LocalJournal<T> {
  constructor(
    private readonly prefix: string,
    private readonly idOf: (thing: T) => string,
    /** Whether what is jotted down under an id is this very thing, and no later one. */
    private readonly isSame: (jotted: T, thing: T) => boolean,
  ) {}

  jot(things: readonly T[]): void {
    if (things.length > MOST || typeof localStorage === 'undefined') return;
    try {
      for (const thing of things)
        localStorage.setItem(this.prefix + this.idOf(thing), JSON.stringify(thing));
    } catch {
      // Full or forbidden: the database is on its way all the same.
    }
  }

  forget(things: readonly T[]): void {
    if (typeof localStorage === 'undefined') return;
    for (const thing of things) {
      const key = this.prefix + this.idOf(thing);
      if (this.read(key).some((jotted) => this.isSame(jotted, thing))) localStorage.removeItem(key);
    }
  }

  /** Removes what is jotted down of things that are no longer wanted, whichever version it is. */
  drop(things: readonly T[]): void {
    if (typeof localStorage === 'undefined') return;
    for (const thing of things) localStorage.removeItem(this.prefix + this.idOf(thing));
  }

  /** What an earlier page jotted down and could not put into the database: later than what is there. */
  all(): T[] {
    if (typeof localStorage === 'undefined') return [];
    return Object.keys(localStorage)
      .filter((key) => key.startsWith(this.prefix))
      .flatMap((key) => this.read(key));
  }

  private read(key: string): T[] {
    try {
      const text = localStorage.getItem(key);
      return text === null ? [] : [JSON.parse(text) as T];
    } catch {
      return [];
    }
  }
}

export const itemJournal = new LocalJournal<OutboxItem>(
  'kettle.jotted.',
  ({ id }) => id,
  // A time that was corrected meanwhile is a later version, which is not in the database yet.
  (jotted, item) => JSON.stringify(jotted) === JSON.stringify(item),
);

export const draftJournal = new LocalJournal<Draft>(
  'kettle.draft.',
  ({ batchId }) => batchId,
  (jotted, draft) => jotted.editedAt <= draft.editedAt,
);

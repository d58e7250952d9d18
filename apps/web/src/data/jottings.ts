import type { Parcel } from './store.js';

const PREFIX = 'kettle.jotted.';
/** A log that is brought in has its file to begin again from; jotting down thousands would stop the page. */
const MOST = 20;

/** Writes parcels where they are safe at once, until the browser's database has them. */
export function jot(parcels: readonly Parcel[]): void {
  if (parcels.length > MOST || typeof localStorage === 'undefined') return;
  try {
    for (const parcel of parcels) localStorage.setItem(PREFIX + parcel.id, JSON.stringify(parcel));
  } catch {
    // Full or forbidden: the database is on its way all the same.
  }
}

export function forgetJotted(parcels: readonly Parcel[]): void {
  if (typeof localStorage === 'undefined') return;
  for (const { id } of parcels) localStorage.removeItem(PREFIX + id);
}

/** What an earlier page jotted down and could not put into the database. */
export function jotted(): Parcel[] {
  if (typeof localStorage === 'undefined') return [];
  return Object.keys(localStorage)
    .filter((key) => key.startsWith(PREFIX))
    .flatMap((key) => {
      try {
        return [JSON.parse(localStorage.getItem(key) ?? '') as Parcel];
      } catch {
        return [];
      }
    });
}

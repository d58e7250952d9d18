/** Where every part of the page takes the time from: milliseconds since 1970. */
export const now = (): number => Date.now();

/** The same as a date, for what is shown and sent. */
export const today = (): Date => new Date(now());

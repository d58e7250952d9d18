/*
 * How a client knows that it was this product's server that answered. A login page, a proxy, or
 * another program at the same address answers too, with any status and any text; that is no answer.
 */

/** On every answer of the API: the server's clock, milliseconds since 1970. */
export const SERVER_TIME_HEADER = 'Idle-Kettle-Time';
/** On every request of the app: the clock of its device, milliseconds since 1970, uncorrected. */
export const DEVICE_TIME_HEADER = 'Idle-Kettle-Device-Time';

/** Clocks that differ by less are taken for the same, ms. A choice of ours: no step of a boil is as short. */
export const CLOCKS_AGREE_MS = 60_000;

/**
 * On an earlier answer that the app's own service worker hands out while the server is away: when
 * the server gave it, milliseconds since 1970, and why it is not asked.
 */
export const KEPT_ANSWER_HEADER = 'Idle-Kettle-Kept';
export const KEPT_BECAUSE_HEADER = 'Idle-Kettle-Kept-Because';

interface Headers {
  readonly get: (name: string) => string | null;
}

/** A moment in a header, milliseconds since 1970; undefined where there is none. */
export function timeIn(headers: Headers, name: string): number | undefined {
  const text = headers.get(name);
  return text !== null && /^\d{1,14}$/.test(text) ? Number(text) : undefined;
}

/** The time of the server in an answer; undefined where the answer is none of ours. */
export const serverTimeOf = (headers: Headers): number | undefined =>
  timeIn(headers, SERVER_TIME_HEADER);

/*
 * How a client knows that it was this product's server that answered. A login page, a proxy, or
 * another program at the same address answers too, with any status and any text; that is no answer.
 */

/** On every answer of the API: the server's clock, milliseconds since 1970. */
export const SERVER_TIME_HEADER = 'Idle-Kettle-Time';
/** On every request of the app: the clock of its device, milliseconds since 1970, uncorrected. */
export const DEVICE_TIME_HEADER = 'Idle-Kettle-Device-Time';

/** Clocks that differ by less are taken for the same, ms: answers travel, and tell no seconds. */
export const CLOCKS_AGREE_MS = 60_000;

/** The time of the server in an answer; undefined where the answer is none of ours. */
export function serverTimeOf(headers: {
  get: (name: string) => string | null;
}): number | undefined {
  const text = headers.get(SERVER_TIME_HEADER);
  return text !== null && /^\d{12,14}$/.test(text) ? Number(text) : undefined;
}

import { MINUTE_MS } from '@idle-kettle/core';

let told = false;

/** Whether the server tells of changes at the moment. */
export const setLive = (now: boolean): void => {
  told = now;
};

const TOLD_MS = MINUTE_MS;

/**
 * How long a list may stand before it is asked for again: long while the server tells of changes,
 * else as given.
 */
export const refetchEvery = (alone_ms: number) => (): number => (told ? TOLD_MS : alone_ms);

import { v4, v5 } from 'uuid';

/**
 * An id nobody else makes. The browser's own maker of ids is missing where the page comes over
 * plain http from another machine.
 */
export const newId = (): string => v4();

/** The id that two devices come to by themselves for the same things of the same thing. */
export const sharedId = (of: string, names: readonly string[]): string =>
  v5([...names].sort().join(' '), of);

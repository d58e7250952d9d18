import { v4 } from 'uuid';

/**
 * An id nobody else makes. The browser's own maker of ids is missing where the page comes over
 * plain http from another machine.
 */
export const newId = (): string => v4();

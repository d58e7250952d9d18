import { randomUUID } from 'node:crypto';
import type { BatchEvent, EventBodies, EventType } from '../boil-log/index.js';

/**
 * Makes events of a log that begins at a moment.
 *
 * @param start milliseconds since 1970
 * @param unit_ms what the times of its events are counted in, ms; seconds unless given
 */
export const logFrom =
  (start: number, unit_ms = 1000) =>
  <T extends EventType>(
    type: T,
    after: number,
    body: EventBodies[T],
    id: string = randomUUID(),
  ): BatchEvent =>
    ({
      id,
      type,
      at: new Date(start + after * unit_ms).toISOString(),
      device: 'stove',
      body,
    }) as BatchEvent;

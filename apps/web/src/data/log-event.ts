import type { BatchEvent, EventBodies, EventType } from '@idle-kettle/core';
import { outbox } from './outbox.js';

const DEVICE_KEY = 'kettle.device';

/** A name for this browser that stays the same, so that two devices can be told apart in the log. */
function deviceName(): string {
  const kept = localStorage.getItem(DEVICE_KEY);
  if (kept !== null) return kept;
  const made = `${window.matchMedia('(max-width: 640px)').matches ? 'phone' : 'bench'} ${crypto.randomUUID().slice(0, 4)}`;
  localStorage.setItem(DEVICE_KEY, made);
  return made;
}

/** Logs that something happened to a batch, now. @returns the event, for undo */
export function logEvent<T extends EventType>(batchId: string, type: T, body: EventBodies[T]): BatchEvent {
  const event = {
    id: crypto.randomUUID(),
    type,
    at: new Date().toISOString(),
    device: deviceName(),
    body,
  } as BatchEvent;
  void outbox.addEvent(batchId, event);
  return event;
}

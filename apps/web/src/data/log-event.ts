import {
  batchNow,
  boilFrom,
  type BatchEvent,
  type EventBodies,
  type EventType,
} from '@idle-kettle/core';
import type { EventPage } from '@idle-kettle/contract';
import { now } from './clock.js';
import { outbox } from './outbox.js';
import { keys, queryClient } from './queries.js';

const DEVICE_KEY = 'kettle.device';

/**
 * A name for this browser that stays the same, so that two devices can be told apart in the log.
 */
function deviceName(): string {
  const kept = localStorage.getItem(DEVICE_KEY);
  if (kept !== null) return kept;
  const made = `${window.matchMedia('(max-width: 640px)').matches ? 'phone' : 'bench'} ${crypto.randomUUID().slice(0, 4)}`;
  localStorage.setItem(DEVICE_KEY, made);
  return made;
}

/**
 * The clock of a batch as this device knows its log: the kitchen's own, unless simulated
 * instruments boil it faster.
 */
function timeOf(batchId: string): number {
  const stored = queryClient.getQueryData<EventPage>(keys.events(batchId))?.events ?? [];
  const waiting = outbox
    .snapshot()
    .parcels.flatMap((parcel) =>
      parcel.kind === 'event' && parcel.batchId === batchId ? [parcel.event] : [],
    );
  // What its clock depends on, and what may have been taken back of that.
  const told = [...stored, ...waiting].filter(
    ({ type }) => type === 'simulated' || type === 'undo',
  );
  return batchNow(boilFrom(told), now());
}

/** Logs that something happened to a batch, now. @returns the event, for undo */
export function logEvent<T extends EventType>(
  batchId: string,
  type: T,
  body: EventBodies[T],
): BatchEvent {
  const event = {
    id: crypto.randomUUID(),
    type,
    at: new Date(timeOf(batchId)).toISOString(),
    device: deviceName(),
    body,
  } as BatchEvent;
  void outbox.addEvent(batchId, event);
  return event;
}

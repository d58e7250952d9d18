import {
  batchNow,
  boilFrom,
  type BatchEvent,
  type EventBodies,
  type EventType,
} from '@idle-kettle/core';
import type { EventPage } from '@idle-kettle/contract';
import { browserStore } from './browser-store.js';
import { deviceTimeOf, now } from './clock.js';
import { stamped } from './device-time.js';
import { outbox } from './outbox.js';
import { keys, queryClient } from './queries.js';
import { newId } from './ids.js';

const deviceName = browserStore<string>({
  key: 'kettle.device',
  parse: (json) => (typeof json === 'string' ? json : undefined),
  otherwise: () => '',
});

/**
 * A name for this browser that stays the same, so that two devices can be told apart in the log.
 */
function ownDeviceName(): string {
  if (deviceName.get() === '') {
    const what = window.matchMedia('(max-width: 640px)').matches ? 'phone' : 'bench';
    deviceName.set(`${what} ${newId().slice(0, 4)}`);
  }
  return deviceName.get();
}

/**
 * The clock of a batch as this device knows its log: the kitchen's own, unless simulated
 * instruments boil it faster.
 */
function timeOf(batchId: string): number {
  const stored = queryClient.getQueryData<EventPage>(keys.events(batchId))?.events ?? [];
  const waiting = outbox
    .snapshot()
    .items.flatMap((item) =>
      item.kind === 'event' && item.batchId === batchId ? [item.event] : [],
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
  const deviceTime = deviceTimeOf(timeOf(batchId));
  const typed = {
    id: newId(),
    type,
    at: new Date(deviceTime.shown_ms).toISOString(),
    device: ownDeviceName(),
    body,
  } as BatchEvent;
  const event = stamped(typed, deviceTime);
  void outbox.addEvent(batchId, event, deviceTime);
  return event;
}

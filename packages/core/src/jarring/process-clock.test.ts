import { logFrom } from '../testing/log.js';
import { boilFrom, type BatchEvent } from '../boil-log/index.js';
import { processClock, type ProcessClock } from './process-clock.js';

const START = Date.parse('2026-10-03T18:00:00.000Z');
const event = logFrom(START, 60_000);
const at = (minutes: number, events: readonly BatchEvent[], table = 15): ProcessClock =>
  processClock(boilFrom(events), table, START + minutes * 60_000);

// The rule: time starts at a full rolling boil, from zero again if the boil stops, then 5 minutes'
// rest (USDA Complete Guide, from memory).
test('counts from the full boil, then the rest, then they are lifted', () => {
  const log = [event('process-begun', 10, { minutes: 15 })];
  expect(at(5, []).phase).toBe('waiting');
  expect(at(10, log)).toMatchObject({ phase: 'running', left_ms: 15 * 60_000 });
  expect(at(24.9, log).phase).toBe('running');
  expect(at(26, log)).toMatchObject({ phase: 'rest', left_ms: 4 * 60_000 });
  expect(at(30, log).phase).toBe('over');
});

test('a lost boil counts from zero again, and is remembered', () => {
  const log = [event('process-begun', 0, { minutes: 15 }), event('process-lost', 14, {})];
  expect(at(20, log)).toMatchObject({ phase: 'waiting', lost: 1 });
  const again = [...log, event('process-begun', 20, { minutes: 15 })];
  expect(at(30, again)).toMatchObject({ phase: 'running', left_ms: 5 * 60_000, lost: 1 });
});

test('an altitude changed in mid-process never makes it shorter', () => {
  const log = [event('process-begun', 0, { minutes: 15 })];
  expect(at(11, log, 10)).toMatchObject({ phase: 'running', minutes: 15 });
  expect(at(16, log, 20)).toMatchObject({ phase: 'running', minutes: 20, left_ms: 4 * 60_000 });
});

test('once it is recorded the next load begins anew', () => {
  const log = [
    event('process-begun', 0, { minutes: 15 }),
    event('processed', 21, { method: 'boiling-water', minutes: 15, altitude_m: 300 }),
  ];
  expect(at(22, log).phase).toBe('waiting');
});

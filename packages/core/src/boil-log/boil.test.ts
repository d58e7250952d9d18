import fc from 'fast-check';
import { boilFrom, inOrder, timeOnHeat_ms } from './boil.js';
import type { BatchEvent, EventBodies, EventType } from './boil-events.js';

const START = Date.parse('2026-09-12T18:00:00Z');
let made = 0;
const event = <T extends EventType>(
  type: T,
  minute: number,
  body: EventBodies[T],
  device = 'tablet',
): BatchEvent =>
  ({
    id: `e${String((made += 1)).padStart(4, '0')}`,
    type,
    at: new Date(START + minute * 60_000).toISOString(),
    device,
    body,
  }) as BatchEvent;

const light = event('light', 0, { gelTemperature_C: 100.5, boilingPoint_C: 96.06 });

test('a pan that is on the heat, or has been, is not put on it a second time', () => {
  const again = event('light', 4, { gelTemperature_C: 104.4, boilingPoint_C: 100 });
  const reading = event('reading', 2, { temperature_C: 97 });
  const done = event('done', 3, {});
  const once = boilFrom([light, reading]);
  expect({ ...boilFrom([light, reading, again]), log: [] }).toEqual({ ...once, log: [] });
  expect(boilFrom([light, reading, done, again])).toMatchObject({
    phase: 'done',
    gelTemperature_C: 100.5,
  });
  // Taken back, it never was.
  const undo = event('undo', 5, { eventId: light.id });
  expect(boilFrom([light, undo, again]).gelTemperature_C).toBe(104.4);
});

test('a boil from light to done', () => {
  const boil = boilFrom([
    light,
    event('reading', 6, { temperature_C: 97.1 }),
    event('off-heat', 10, {}),
    event('test', 11, { way: 'plate', verdict: 'slowly closes' }),
    event('on-heat', 14, {}),
    event('reading', 20, { temperature_C: 100.6 }),
    event('minute', 21, {}),
    event('done', 22, {}),
  ]);
  expect(boil.phase).toBe('done');
  expect(boil.gelTemperature_C).toBe(100.5);
  expect(boil.readings.map((r) => r.temperature_C)).toEqual([97.1, 100.6]);
  expect(timeOnHeat_ms(boil, START + 99 * 60_000)).toBe(18 * 60_000); // 22 minutes less 4 off the heat
  expect(boil.minute?.endsAt).toBe(START + 22 * 60_000);
  expect(boil.endedAt).toBe(START + 22 * 60_000);
});

test('the clock runs while the pan is on, and stands while it is off', () => {
  const boil = boilFrom([light, event('off-heat', 5, {})]);
  expect(timeOnHeat_ms(boil, START + 3 * 60_000)).toBe(3 * 60_000);
  expect(timeOnHeat_ms(boil, START + 50 * 60_000)).toBe(5 * 60_000);
});

test('undo takes an event back, and undoing the undo brings it back', () => {
  const reading = event('reading', 5, { temperature_C: 97 });
  const done = event('done', 6, {});
  const undo = event('undo', 7, { eventId: done.id });
  expect(boilFrom([light, reading, done]).phase).toBe('done');
  expect(boilFrom([light, reading, done, undo]).phase).toBe('on-heat');
  expect(
    boilFrom([light, reading, done, undo])
      .log.filter((entry) => entry.undone)
      .map((entry) => entry.event.id),
  ).toEqual([done.id]);
  expect(boilFrom([light, reading, done, undo, event('undo', 8, { eventId: undo.id })]).phase).toBe(
    'done',
  );
});

test('readings no pan can have are kept, set apart with the reason', () => {
  const boil = boilFrom([
    light,
    event('reading', 3, { temperature_C: 212.5 }),
    event('reading', 4, { temperature_C: -40 }),
    event('reading', 5, { temperature_C: 97 }),
  ]);
  expect(boil.readings).toHaveLength(1);
  expect(boil.rejectedReadings.map((r) => r.reason)).toEqual([
    expect.stringContaining('was it °F (100.3 °C)'),
    expect.stringContaining('not a temperature'),
  ]);
  expect(boil.log).toHaveLength(4);
});

test('a later count of jars replaces an earlier one', () => {
  const boil = boilFrom([
    event('jarred', 30, { jars: [{ size: 'pint', full: 3, part: 0 }] }),
    event('jarred', 31, { jars: [{ size: 'pint', full: 4, part: 0.5 }] }),
  ]);
  expect(boil.jarred).toEqual([{ size: 'pint', full: 4, part: 0.5 }]);
});

test('two devices, any order of arrival, any repeats: one boil', () => {
  const tablet = [
    light,
    ...[2, 5, 9, 14].map((m) => event('reading', m, { temperature_C: 96 + m / 5 }, 'tablet')),
  ];
  const phone = [
    event('note', 5, { text: 'catching' }, 'phone'),
    event('off-heat', 8, {}, 'phone'),
    event('on-heat', 9, {}, 'phone'),
    event('undo', 12, { eventId: tablet[2]?.id ?? '' }, 'phone'),
  ];
  const whole = boilFrom([...tablet, ...phone]);
  expect(whole.readings).toHaveLength(3);
  fc.assert(
    fc.property(
      fc.shuffledSubarray([...tablet, ...phone], { minLength: 9 }),
      fc.array(fc.constantFrom(...tablet, ...phone)),
      (events, repeats) => {
        expect(boilFrom([...repeats, ...events])).toEqual(whole);
      },
    ),
  );
});

test('events at the same instant are put in one order everywhere', () => {
  const a = event('note', 1, { text: 'a' });
  const b = event('note', 1, { text: 'b' });
  expect(inOrder([b, a])).toEqual(inOrder([a, b]));
});

test('nothing logged is a cold pan', () => {
  expect(boilFrom([])).toMatchObject({ phase: 'cold', readings: [], startedAt: undefined });
  expect(timeOnHeat_ms(boilFrom([]), START)).toBe(0);
});

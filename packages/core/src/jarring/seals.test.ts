import { logFrom } from '../testing/log.js';
import { boilFrom, type BatchEvent } from '../boil-log/index.js';
import { jarsThatAre, sealsOf, type Seals } from './seals.js';

const START = Date.parse('2026-10-03T18:00:00.000Z');
const HOUR = 3_600_000;
const event = logFrom(START, HOUR);
const JARS = event('jarred', 0, {
  jars: [
    { size: 'half-pint', full: 4, part: 0.5 },
    { size: '340-g', full: 2, part: 0 },
  ],
});
const ran = (hours: number, minutes = 15, jars?: readonly number[]): BatchEvent =>
  event('processed', hours, {
    method: 'boiling-water',
    minutes,
    altitude_m: 1180,
    ...(jars && { again: { size: 'half-pint', jars } }),
  });
const pressed = (hours: number, size: string, ...failed: number[]): BatchEvent =>
  event('seals', hours, { size, failed });
const seals = (hours: number, ...events: BatchEvent[]): Seals =>
  sealsOf(boilFrom([JARS, ...events]), START + hours * HOUR);
const states = (found: Seals): string[] =>
  found.sizes.map(({ size, jars }) => `${size}: ${jars.map(({ state }) => state).join(' ')}`);

test('nothing to press before a process; then the jars are left alone for twelve hours', () => {
  expect(seals(1).phase).toBe('none');
  expect(seals(3, ran(1)).phase).toBe('cooling');
  expect(seals(13, ran(1)).phase).toBe('due');
  expect(seals(13, ran(1)).dueAt).toBe(START + 13 * HOUR);
  expect(seals(13, ran(1)).reprocessUntil).toBe(START + 25 * HOUR);
});

test('each size by itself; a part jar has no seal to press', () => {
  const some = seals(14, ran(1), pressed(14, 'half-pint'));
  expect(some.phase).toBe('due');
  expect(states(some)).toEqual([
    'half-pint: sealed sealed sealed sealed',
    '340-g: unknown unknown',
  ]);
  expect(seals(14, ran(1), pressed(14, 'half-pint'), pressed(14, '340-g')).phase).toBe('settled');
});

test('pressed too early a lid is not sealed yet, but an open one is open', () => {
  const early = seals(3, ran(1), pressed(3, 'half-pint', 2));
  expect(states(early)[0]).toBe('half-pint: unknown open unknown unknown');
  expect(early).toMatchObject({ phase: 'due', tooEarly: true });
  const later = seals(
    14,
    ran(1),
    pressed(3, 'half-pint', 2),
    pressed(14, 'half-pint', 2),
    pressed(14, '340-g'),
  );
  expect(states(later)[0]).toBe('half-pint: sealed open sealed sealed');
  expect(later.tooEarly).toBe(false);
});

test('a cooled lid that was open is not sealed by pressing it once more; a slip is taken back', () => {
  const open = pressed(14, 'half-pint', 3);
  const twice = [ran(1), open, pressed(15, 'half-pint'), pressed(15, '340-g')];
  expect(states(seals(16, ...twice))[0]).toBe('half-pint: sealed sealed open sealed');
  expect(seals(16, ...twice, event('undo', 16, { eventId: open.id })).phase).toBe('settled');
  // Pressed while they were warm it may still have gone down.
  expect(
    seals(16, ran(1), pressed(3, 'half-pint', 3), pressed(15, 'half-pint'), pressed(15, '340-g'))
      .phase,
  ).toBe('settled');
});

test('processed again with a new lid: pressed again twelve hours later, by itself', () => {
  const failed = [ran(1), pressed(14, 'half-pint', 3), pressed(14, '340-g')];
  const again = seals(20, ...failed, ran(16, 15, [3]));
  expect(states(again)[0]).toBe('half-pint: sealed sealed again sealed');
  expect(again).toMatchObject({ phase: 'cooling', dueAt: START + 28 * HOUR });
  expect(seals(29, ...failed, ran(16, 15, [3])).phase).toBe('due');
  const good = seals(30, ...failed, ran(16, 15, [3]), pressed(30, 'half-pint'));
  expect(good.phase).toBe('settled');
  expect(jarsThatAre(good, 'half-pint', 'sealed')).toEqual([1, 2, 3, 4]);
  // It failed once more: it is open again.
  expect(states(seals(30, ...failed, ran(16, 15, [3]), pressed(30, 'half-pint', 3)))[0]).toContain(
    'open',
  );
});

test.each([
  ['too late: more than 24 hours after the first', ran(26, 15, [3])],
  ['shorter than the first', ran(16, 10, [3])],
])('a second process does not count: %s', (_, again) => {
  expect(states(seals(40, ran(1), pressed(14, 'half-pint', 3), again))[0]).toBe(
    'half-pint: sealed sealed open sealed',
  );
});

test('into the cold is settled, and the first process stays that of the batch', () => {
  const events = [
    ran(1),
    pressed(14, 'half-pint', 1, 4),
    pressed(14, '340-g'),
    event('unsealed', 15, { size: 'half-pint', jars: [1], kept: 'fridge' }),
    event('unsealed', 15, { size: 'half-pint', jars: [4], kept: 'thrown-out' }),
  ];
  const found = seals(16, ...events);
  expect(states(found)[0]).toBe('half-pint: fridge sealed sealed thrown-out');
  expect(found.phase).toBe('settled');
  expect(boilFrom([JARS, ...events, ran(17, 15, [2])]).processed).toEqual({
    method: 'boiling-water',
    minutes: 15,
    altitude_m: 1180,
  });
});

test('a slip is taken back, and a whole new process begins the count anew', () => {
  const check = pressed(14, 'half-pint', 2);
  expect(states(seals(15, ran(1), check, event('undo', 15, { eventId: check.id })))[0]).toBe(
    'half-pint: unknown unknown unknown unknown',
  );
  expect(states(seals(20, ran(1), check, ran(16)))[0]).toBe(
    'half-pint: unknown unknown unknown unknown',
  );
});

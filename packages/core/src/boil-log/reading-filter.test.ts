import { logFrom } from '../testing/log.js';
import { boilFrom } from './boil.js';
import type { Boil } from './boil-state.js';
import { probeTroubles } from '../instruments/index.js';
import type { BatchEvent } from './boil-events.js';

const START = Date.parse('2026-10-03T15:00:00.000Z');
const HOUR = 3600;
const iso = (seconds: number): string => new Date(START + seconds * 1000).toISOString();
const event = logFrom(START);
const LIGHT = event('light', 0, { gelTemperature_C: 100.5, boilingPoint_C: 96.1 });
const PROBE = '7d1f3c0a-1111-4000-8000-00000000000b';
const typed = (seconds: number, temperature_C: number): BatchEvent =>
  event('reading', seconds, { temperature_C });
const probed = (seconds: number, temperature_C: number, heard = seconds): BatchEvent =>
  event('reading', seconds, { temperature_C, instrument: PROBE, heardAt: iso(heard) });
const boilOf = (...events: BatchEvent[]): Boil => boilFrom([LIGHT, ...events]);
const reasons = (boil: Boil): string[] => boil.rejectedReadings.map(({ reason }) => reason);

describe('readings set apart: kept, not used, with the reason', () => {
  test.each([
    ['500', [typed(60, 500)], /500 °C is not a temperature a pan of fruit has/],
    ['-40', [typed(60, -40)], /-40 °C is not a temperature/],
    ['°F into a Celsius field', [typed(60, 214)], /past toffee; was it °F \(101\.1 °C\)/],
    [
      '101 on a Fahrenheit bench',
      [typed(60, 100.2), typed(90, (101 - 32) / 1.8)],
      /did you mean 101 °C\?/,
    ],
    ['tomorrow', [probed(60 + 26 * HOUR, 98, 60)], /stamped 26 h after it was sent: is the clock/],
    ['last week', [probed(-7 * 24 * HOUR, 98, 60)], /from 7 days before this pan went on/],
    [
      'long after it was done',
      [event('done', 60, {}), probed(60 + 3 * HOUR, 40)],
      /from 3 h after this pan was done/,
    ],
    [
      'a probe that slipped out',
      [probed(60, 98.2), probed(70, 61)],
      /fell from 98 to 61 °C in 10 s: is the tip out/,
    ],
  ])('%s', (_, events, wanted) => {
    const boil = boilOf(...events);
    expect(reasons(boil)).toEqual([expect.stringMatching(wanted)]);
    // Nothing is lost: the log has them all.
    expect(boil.log.filter(({ event: { type } }) => type === 'reading')).toHaveLength(
      events.filter(({ type }) => type === 'reading').length,
    );
  });

  test.each([
    ['sent late, from a probe that was out of reach', [probed(60, 97, 60 + 2 * HOUR)]],
    [
      'cold fruit into the pan',
      [probed(60, 98), event('addition', 65, { text: '1 kg damsons' }), probed(75, 70)],
    ],
    ['off the heat', [probed(60, 98), event('off-heat', 65, {}), probed(120, 88)]],
    ['a climb', [probed(60, 40), probed(90, 52)]],
    ['another pan of water beside it, read by hand', [typed(60, 98.2), typed(90, 84)]],
    ['back in the pan minutes later', [probed(60, 98.2), probed(400, 61)]],
  ])('believed: %s', (_, events) => expect(reasons(boilOf(...events))).toEqual([]));

  test('a simulated batch has a clock of its own', () => {
    const fast = event('simulated', 0, {
      speed: 60,
      realAt: iso(0),
      noise_K: 0,
      offset_K: 0,
      lag_s: 0,
      dropouts: 0,
    });
    expect(reasons(boilOf(fast, probed(1800, 97, 30)))).toEqual([]);
  });
});

describe('an instrument in trouble is called out', () => {
  const every10 = (from: number, to: number, value: (s: number) => number): BatchEvent[] =>
    Array.from({ length: (to - from) / 10 }, (_, i) => probed(from + i * 10, value(from + i * 10)));
  const climbing = (s: number): number => 97 + s / 600 + Math.sin(s) * 0.1;
  const at = (seconds: number): number => START + seconds * 1000;

  test('a good one is left alone', () =>
    expect(probeTroubles(boilOf(...every10(0, 300, climbing)), at(300))).toEqual([]));
  test('silent', () =>
    expect(probeTroubles(boilOf(...every10(0, 300, climbing)), at(420))).toMatchObject([
      { code: 'silent', text: expect.stringMatching(/for 130 s/) },
    ]));
  test('sticks: the very same figure for minutes; a coarse one may', () => {
    expect(
      probeTroubles(boilOf(...every10(0, 300, (s) => (s < 100 ? climbing(s) : 97.31))), at(300)),
    ).toMatchObject([{ code: 'sticks' }]);
    expect(probeTroubles(boilOf(...every10(0, 300, () => 97.5)), at(300))).toEqual([]);
  });
  test('out of the pan', () =>
    expect(
      probeTroubles(boilOf(...every10(0, 300, climbing), probed(305, 40)), at(306)),
    ).toMatchObject([{ code: 'out' }]));
  test('drifts from what is read by hand, twice', () => {
    const log = every10(0, 600, (s) => climbing(s) + s / 200);
    const hand = [typed(400, climbing(400)), typed(590, climbing(590))];
    expect(probeTroubles(boilOf(...log, ...hand), at(600))).toMatchObject([
      { code: 'drifts', text: expect.stringMatching(/2\.\d °C more/) },
    ]);
    expect(probeTroubles(boilOf(...log, ...hand.slice(1)), at(600))).toEqual([]);
  });
  test('off the heat nobody asks', () =>
    expect(
      probeTroubles(boilOf(...every10(0, 300, climbing), event('off-heat', 310, {})), at(900)),
    ).toEqual([]));
});

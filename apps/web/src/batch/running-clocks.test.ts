import { boilFrom, type Advice, type BatchEvent, type Boil } from '@idle-kettle/core';
import {
  bySoonest,
  clockOfCanner,
  clocksOf,
  lidsOf,
  newlyUp,
  type RunningClock,
  type StateOfBatch,
} from './running-clocks.js';

const START = Date.parse('2026-11-20T18:00:00.000Z');
const event = (type: string, minutes: number, body: object): BatchEvent =>
  ({
    id: `${type}-${minutes}`,
    type,
    at: new Date(START + minutes * 60_000).toISOString(),
    device: 'bench',
    body,
  }) as BatchEvent;
const at = (minutes: number): number => START + minutes * 60_000;
const BATCH = { id: 'b1', title: 'Damson jam' };
const state = (boil: Boil, next?: Advice, tableMinutes = 15): StateOfBatch => ({
  boil,
  next,
  tableMinutes,
});
const light = event('light', 0, { gelTemperature_C: 100.5, boilingPoint_C: 96.1 });
const jarred = [
  light,
  event('done', 30, {}),
  event('jarred', 32, { jars: [{ size: '340-g', full: 6, part: 0 }] }),
  event('process-begun', 40, { minutes: 15, jars: [{ size: '340-g', count: 4 }] }),
];

test('processing is counted from the clock, then the rest, then the jars wait to be lifted', () => {
  const boil = boilFrom(jarred);
  const [processing] = clocksOf(BATCH, state(boil), at(46));
  expect(processing).toMatchObject({
    kind: 'processing',
    words: 'processing, load 1',
    to: '/batches/b1/jar',
  });
  expect(processing?.left_ms(at(46))).toBe(9 * 60_000);
  // A page that slept shows what is left by the clock, not what it counted.
  expect(processing?.left_ms(at(56))).toBe(0);
  const inRest = clocksOf(BATCH, state(boil), at(56));
  const [rest] = inRest;
  expect(rest).toMatchObject({ kind: 'rest', words: 'heat off, rest, load 1' });
  expect(clockOfCanner(inRest, 'b1')).toBe(rest);
  expect(clockOfCanner(inRest, 'b2')).toBeUndefined();
  expect(rest?.left_ms(at(56))).toBe(4 * 60_000);
  expect(clocksOf(BATCH, state(boil), at(61))).toMatchObject([{ kind: 'lift' }]);
  expect(clocksOf(BATCH, state(boil), at(180))).toEqual([]);
});

test('it never runs shorter than the table says now', () => {
  const [processing] = clocksOf(BATCH, state(boilFrom(jarred), undefined, 20), at(46));
  expect(processing?.left_ms(at(46))).toBe(14 * 60_000);
});

test('no process is told to be over before the table is known', () => {
  const early: StateOfBatch = { ...state(boilFrom(jarred)), tableMinutes: undefined };
  expect(clocksOf(BATCH, early, at(56))).toEqual([]);
});

test('a boil that stopped, or a process that was recorded, has no clock any more', () => {
  expect(
    clocksOf(BATCH, state(boilFrom([...jarred, event('process-lost', 44, {})])), at(46)),
  ).toEqual([]);
  const recorded = event('processed', 60, { method: 'water', minutes: 15, altitude_m: 1180 });
  expect(clocksOf(BATCH, state(boilFrom([...jarred, recorded])), at(61))).toEqual([]);
});

test('the timed minute runs to its end and says what to do then', () => {
  const boil = boilFrom([light, event('minute', 10, {})]);
  const [minute] = clocksOf(BATCH, state(boil), at(10.5));
  expect(minute).toMatchObject({ kind: 'minute', words: '1-minute boil' });
  expect(minute?.left_ms(at(10.5))).toBe(30_000);
  expect(clocksOf(BATCH, state(boil), at(11.2))).toMatchObject([
    { words: 'the minute is up: off the heat' },
  ]);
  expect(clocksOf(BATCH, state(boil), at(13))).toEqual([]);
});

test('stirring that is due has one name until it was stirred', () => {
  const stir = { code: 'stir', text: 'Stir the base', why: '' } as const;
  const [first] = clocksOf(BATCH, state(boilFrom([light]), stir), at(6));
  const [later] = clocksOf(BATCH, state(boilFrom([light]), stir), at(7));
  expect(first?.id).toBe(later?.id);
  const [again] = clocksOf(BATCH, state(boilFrom([light, event('stirred', 7, {})]), stir), at(13));
  expect(again?.id).not.toBe(first?.id);
});

test('lids are told by the time of day, from the day before until a day after', () => {
  const lids = (hours: number) =>
    lidsOf({ ...BATCH, sealsDueAt: new Date(at(hours * 60)).toISOString() }, at(0));
  expect(lids(12)).toMatchObject([{ kind: 'lids', at: at(720) }]);
  expect(lids(30)).toEqual([]);
  expect(lids(-2)).toHaveLength(1);
  expect(lids(-30)).toEqual([]);
  expect(lidsOf({ ...BATCH, sealsDueAt: null }, at(0))).toEqual([]);
});

test('what is up comes first', () => {
  const boil = boilFrom(jarred);
  const clocks = [
    ...lidsOf({ ...BATCH, sealsDueAt: new Date(at(700)).toISOString() }, at(46)),
    ...clocksOf(BATCH, state(boil), at(46)),
  ];
  expect([...clocks].sort(bySoonest(at(46))).map(({ kind }) => kind)).toEqual([
    'processing',
    'lids',
  ]);
});

test('a clock sounds once when its time is up, and not where that was long ago', () => {
  const timer: RunningClock = {
    id: 'a',
    kind: 'timer',
    words: '',
    title: 'rest',
    to: undefined,
    left_ms: (now) => at(5) - now,
  };
  const ids = (sounded: string[], minutes: number): string[] =>
    newlyUp([timer], sounded, at(minutes)).toSound.map(({ id }) => id);
  expect(ids([], 4)).toEqual([]);
  expect(ids([], 5)).toEqual(['a']);
  expect(ids(['a'], 6)).toEqual([]);
  expect(ids([], 30)).toEqual([]);
});

test('the end of processing sounds though the page was asleep when it came', () => {
  const boil = boilFrom(jarred);
  const ends = (minutes: number, sounded: string[]): string[] =>
    newlyUp(clocksOf(BATCH, state(boil), at(minutes)), sounded, at(minutes)).toSound.map(
      ({ kind }) => kind,
    );
  expect(ends(50, [])).toEqual([]);
  // 15 minutes from 40: woken at 57, in the rest.
  expect(ends(57, [])).toEqual(['processing']);
  const [rest] = clocksOf(BATCH, state(boil), at(57));
  const heard = [rest?.follows?.id ?? ''];
  expect(ends(57, heard)).toEqual([]);
  expect(ends(61, heard)).toEqual(['rest', 'lift']);
});

import { documentOf, LIQUID } from '../testing/formula.js';
import { FIGS, LEMON_CURD } from '../testing/keeping.js';
import type { FormulaDocument } from '../formula/index.js';
import { boilFrom, type BatchEvent, type EventBodies } from '../boil-log/index.js';
import { keepingAdviceNow } from './advice-now.js';
import { madeBatch, type MadeOptions } from './made-batch.js';

/*
 * Ways round: each of these put jars on the shelf that must not be there, or kept from it what may
 * be. docs/safety.md, rules 3, 4 and 9.
 */
const UP = { altitude_m: 1180 };
const SEASIDE = { altitude_m: 5 };
const DAMSON = documentOf([
  ['2.4 kg', 'damson'],
  ['2.2 kg', 'white-sugar'],
  ['300 ml', 'water'],
]);
const APRICOT = documentOf([
  ['1.6 kg', 'apricot'],
  ['1.2 kg', 'white-sugar'],
]);
const WITH_LEMON: FormulaDocument = {
  ...APRICOT,
  lines: [...APRICOT.lines, { ingredient: 'lemon-juice-bottled', amount: '150 ml' }],
};

const START = Date.UTC(2026, 8, 12, 18);
/** An event so many minutes after the pan went on. */
const event = <T extends keyof EventBodies>(
  minutes: number,
  type: T,
  body: EventBodies[T],
  id = `${type} ${minutes}`,
): BatchEvent =>
  ({
    id,
    type,
    at: new Date(START + minutes * 60_000).toISOString(),
    device: 'bench',
    body,
  }) as BatchEvent;
const undo = (minutes: number, eventId: string) => event(minutes, 'undo', { eventId });
const add = (minutes: number, text: string, planned?: boolean) =>
  event(minutes, 'addition', { text, ...(planned !== undefined && { planned }) });

/** A boil that was read, and its jars: on at 0, done at 40, filled at 50. */
const cooked = (altitude_m: number | null = 1180, full = 7): BatchEvent[] => [
  event(0, 'light', { gelTemperature_C: 100.5, boilingPoint_C: 96.1, altitude_m }),
  event(38, 'reading', { temperature_C: 100.4 }),
  event(40, 'done', {}),
  event(50, 'jarred', { jars: [{ size: 'half-pint', full, part: 0 }] }),
];
/** Through the canner by the clock, from minute 70. */
const clocked = (minutes = 15, from = 70, altitude_m: number | null = 1180): BatchEvent[] => [
  event(from, 'process-begun', { minutes: 15 }),
  event(from + minutes, 'processed', { method: 'boiling-water', minutes, altitude_m }),
];
const DONE = [...cooked(), ...clocked()];
const HOUR = 60;
const DAY = 24 * HOUR;

const keep = (
  events: readonly BatchEvent[],
  document: FormulaDocument = DAMSON,
  kitchen: object = UP,
  options: MadeOptions = {},
) => madeBatch(document, boilFrom(events), kitchen, { on: '2026-09-12', ...options }).keeping;
const said = (...args: Parameters<typeof keep>): string => {
  const { verdict, reasons } = keep(...args);
  return `${verdict}: ${reasons[0]?.code ?? ''}`;
};
const codes = (...args: Parameters<typeof keep>) => keep(...args).reasons.map(({ code }) => code);

test('cooked, filled and processed by the clock: shelf', () =>
  expect(said(DONE)).toBe('shelf: acid-fruit'));

describe('a batch belongs to a place', () => {
  test('looking at another kitchen re-bases nothing', () => {
    expect(keep(cooked(), DAMSON, SEASIDE, { planned: true }).process?.minutes).toBe(15);
    expect(said([...cooked(), ...clocked(10)], DAMSON, SEASIDE)).toBe('fridge: process-short');
    expect(said(DONE, DAMSON, SEASIDE)).toBe('shelf: acid-fruit');
  });
  test('the process is judged by the higher of the batch\u2019s altitude and the canner\u2019s', () => {
    expect(said([...cooked(5), ...clocked(10, 70, 1180)], DAMSON, SEASIDE)).toBe(
      'fridge: process-short',
    );
    expect(said([...cooked(1180), ...clocked(10, 70, 5)], DAMSON, SEASIDE)).toBe(
      'fridge: process-short',
    );
  });
  test('before the first jar a correction counts as stated', () => {
    const right = event(20, 'altitude', { altitude_m: 5 });
    expect(said([...cooked(), right, ...clocked(10, 70, 5)], DAMSON)).toBe('shelf: acid-fruit');
  });
  test('after it the higher one counts', () => {
    const lower = event(60, 'altitude', { altitude_m: 5 });
    expect(said([...cooked(), lower, ...clocked(10, 70, 5)], DAMSON)).toBe('fridge: process-short');
    const higher = event(60, 'altitude', { altitude_m: 2500 });
    expect(said([...DONE, higher])).toBe('fridge: process-short');
  });
  test('a higher altitude that comes to light a day later: thrown away, or the fridge if sweet and acid', () => {
    const late = event(3 * DAY, 'altitude', { altitude_m: 2500 });
    expect(said([...DONE, late])).toBe('fridge: process-short');
    const spread = documentOf(
      [
        ['2 kg', 'raspberry'],
        ['300 g', 'white-sugar'],
      ],
      {
        finish: { type: 'soluble-solids', percent: 35 },
      },
    );
    expect(said([...DONE, late], spread)).toBe('stop: process-short');
  });
});

describe('after the first jar the past stays', () => {
  const bad = [...cooked(), ...clocked()];
  test('lemon logged afterwards changes nothing; before the first jar it counts', () => {
    expect(said(bad, APRICOT)).toBe('fridge: not-acid-enough');
    expect(said([...bad, add(51, '150 ml bottled lemon juice')], APRICOT)).toBe(
      'fridge: not-acid-enough',
    );
    expect(said([...bad, add(30, '150 ml bottled lemon juice')], APRICOT)).toMatch(/^shelf/);
    expect(codes([...bad, add(200, '150 ml bottled lemon juice')], APRICOT)).toContain(
      'stated-afterwards',
    );
  });
  test('a liqueur off the heat, before the first jar, is judged', () =>
    expect(said([...bad, add(45, '500 ml banana purée')], DAMSON)).toMatch(/^fridge/));
  test('honest bad news is welcome, also beside late lemon', () => {
    expect(said([...DONE, add(300, '1 kg cantaloupe')])).toBe('fridge: low-acid');
    expect(
      said([...DONE, add(300, '150 ml bottled lemon juice'), add(301, '1 kg cantaloupe')]),
    ).toBe('fridge: low-acid');
  });
  test('what went in is not taken back to make it kinder; a slip of minutes is', () => {
    const melon = add(30, '1 kg cantaloupe');
    expect(said([...DONE, melon, undo(300, melon.id)])).toBe('fridge: low-acid');
    expect(said([...DONE, melon, undo(33, melon.id)])).toBe('shelf: acid-fruit');
    const slip = add(300, '1 kg cantaloupe');
    expect(said([...DONE, slip, undo(302, slip.id)])).toBe('shelf: acid-fruit');
    const lemon = add(30, '150 ml bottled lemon juice');
    expect(said([...bad, lemon, undo(300, lemon.id)], APRICOT)).toBe('fridge: not-acid-enough');
  });
  test('the jars keep what was in the pan when the formula is edited afterwards', () => {
    const filledFrom = event(50, 'formula-filled', { document: APRICOT });
    expect(said([filledFrom, ...bad], WITH_LEMON)).toBe('fridge: not-acid-enough');
    const asWas = event(50, 'formula-filled', { document: WITH_LEMON });
    expect(said([asWas, ...bad], { ...APRICOT, kind: 'fruit-butter', method: 'no-gel' })).toMatch(
      /^shelf/,
    );
  });
  test('the count taken back and counted again later is no new beginning', () => {
    const none = event(200, 'jarred', { jars: [] });
    const again = event(202, 'jarred', { jars: [{ size: 'half-pint', full: 7, part: 0 }] });
    const lemon = add(201, '150 ml bottled lemon juice');
    expect(said([...cooked(), none, lemon, again, ...clocked(15, 210)], APRICOT)).toMatch(
      /^fridge/,
    );
  });
  test('an omission names its line, and one that misses is said', () => {
    const two: FormulaDocument = {
      ...WITH_LEMON,
      lines: [
        { ingredient: 'lemon-juice-bottled', amount: '5 ml' },
        ...APRICOT.lines,
        { ingredient: 'lemon-juice-bottled', amount: '150 ml' },
      ],
    };
    const left = (line: number) =>
      event(10, 'omission', { ingredient: 'lemon-juice-bottled', line });
    expect(said([...DONE, left(0)], two)).toMatch(/^shelf/);
    expect(said([...DONE, left(3)], two)).toBe('fridge: not-acid-enough');
    expect(said([...DONE, event(10, 'omission', { ingredient: 'honey' })])).toBe(
      'fridge: not-understood',
    );
  });
  test('a part of what was planned is not more', () => {
    const made = (planned: boolean) =>
      madeBatch(DAMSON, boilFrom([add(10, '1 kg white sugar', planned)]), UP).formula.lines.length;
    expect(made(true)).toBe(3);
    expect(made(false)).toBe(4);
  });
});

describe('the process is what the clock saw, or what is stated with its start', () => {
  test('fifteen minutes typed at three are three', () =>
    expect(
      said([
        ...cooked(),
        event(70, 'process-begun', { minutes: 15 }),
        event(73, 'processed', { method: 'boiling-water', minutes: 15, altitude_m: 1180 }),
      ]),
    ).toBe('fridge: process-short'));
  test('a lost boil starts from zero', () =>
    expect(
      said([
        ...cooked(),
        event(70, 'process-begun', { minutes: 15 }),
        event(80, 'process-lost', {}),
        event(82, 'process-begun', { minutes: 15 }),
        event(90, 'processed', { method: 'boiling-water', minutes: 15, altitude_m: 1180 }),
      ]),
    ).toBe('fridge: process-short'));
  test('stated with its start it counts, and says that nobody timed it', () => {
    const stated = (startedAt: number, at: number) =>
      event(at, 'processed', {
        method: 'boiling-water',
        minutes: 15,
        altitude_m: 1180,
        startedAt: new Date(START + startedAt * 60_000).toISOString(),
      });
    expect(said([...cooked(), stated(75, 5 * HOUR)])).toMatch(/^shelf/);
    expect(codes([...cooked(), stated(75, 5 * HOUR)])).toContain('stated-not-timed');
    expect(said([...cooked(), stated(75, 80)])).toBe('fridge: process-short');
  });
  test('begun six days later, or hours after filling, it is none', () => {
    expect(said([...cooked(), ...clocked(15, 6 * DAY)])).toBe('fridge: process-late');
    expect(said([...cooked(), ...clocked(15, 5 * HOUR)])).toBe('fridge: process-late');
    expect(said([...cooked(), ...clocked(15, 6 * DAY), ...clocked(15, 6 * DAY + 60)])).toBe(
      'fridge: process-late',
    );
  });
  test('after a short one, again in full within the day', () => {
    expect(said([...cooked(), ...clocked(10), ...clocked(15, 4 * HOUR)])).toMatch(/^shelf/);
    expect(said([...cooked(), ...clocked(10), ...clocked(15, 30 * HOUR)])).toBe(
      'fridge: process-late',
    );
  });
  test('load by load, every full jar in one', () => {
    const load = (from: number, count: number, minutes = 15): BatchEvent[] => [
      event(from, 'process-begun', { minutes: 15, jars: [{ size: 'half-pint', count }] }),
      event(from + minutes, 'processed', {
        method: 'boiling-water',
        minutes,
        altitude_m: 1180,
        jars: [{ size: 'half-pint', count }],
      }),
    ];
    expect(said([...cooked(1180, 10), ...load(70, 7), ...load(95, 3)])).toMatch(/^shelf/);
    expect(said([...cooked(1180, 10), ...load(70, 7)])).toBe('fridge: not-in-a-load');
    expect(said([...cooked(1180, 10), ...load(70, 7), ...load(95, 3, 10)])).toBe(
      'fridge: process-short',
    );
  });
  test('mixed sizes take the longest row', () => {
    const cranberry = documentOf(
      [
        ['1 kg', 'apple', 'puree'],
        ['80 g', 'white-sugar'],
        ['2 tbsp', 'lemon-juice-bottled'],
      ],
      {
        kind: 'fruit-butter',
        method: 'no-gel',
        finish: { type: 'consistency', percent: 30 },
        jars: [{ size: 'half-pint' }, { size: 'quart' }],
      },
    );
    expect(said([...cooked(), ...clocked(15)], cranberry)).toMatch(/^shelf/);
  });
  test('taken back days later: the jars stood as if processed', () => {
    const spread = documentOf(
      [
        ['2 kg', 'raspberry'],
        ['300 g', 'white-sugar'],
      ],
      {
        finish: { type: 'soluble-solids', percent: 35 },
      },
    );
    const events = [...cooked(), ...clocked()];
    expect(said(events, spread)).toMatch(/^shelf/);
    expect(said([...events, undo(90, 'processed 85')], spread)).toMatch(/^fridge/);
    expect(said([...events, undo(4 * DAY, 'processed 85')], spread)).toBe('stop: not-in-a-load');
  });
});

describe('the finish counts', () => {
  const unread = DONE.filter(({ type }) => type !== 'reading');
  test('nothing read: it is asked once, and refrigerated until then', () => {
    expect(said(unread)).toBe('fridge: heat-unknown');
    expect(said([...unread, event(55, 'heat-stated', { reached: true })])).toMatch(/^shelf/);
    expect(said([...unread, event(55, 'heat-stated', { reached: false })])).toBe(
      'fridge: heat-not-reached',
    );
    expect(
      said([
        ...unread,
        event(55, 'heat-stated', { reached: false }),
        event(90, 'heat-stated', { reached: true }),
      ]),
    ).toBe('fridge: heat-not-reached');
  });
  test('a pan that by its readings never boiled', () =>
    expect(said([...unread, event(39, 'reading', { temperature_C: 82 })])).toBe(
      'fridge: heat-not-reached',
    ));
  test('a hard boil that was seen and timed, on a probe that lags', () => {
    const quick = (temperature_C: number) =>
      said([...unread, event(37, 'minute', {}), event(39, 'reading', { temperature_C })]);
    expect(quick(93.5)).toMatch(/^shelf/);
    expect(quick(90)).toBe('fridge: heat-not-reached');
  });
  test('a curd under 170 F (76.6 C)', () => {
    const curd = documentOf(LEMON_CURD, {
      kind: 'curd',
      method: 'egg',
      finish: { type: 'curd' },
    });
    const at = (temperature_C: number) => [
      ...unread.filter(({ type }) => type !== 'process-begun' && type !== 'processed'),
      event(39, 'reading', { temperature_C }),
      event(70, 'process-begun', { minutes: 20 }),
      event(90, 'processed', { method: 'boiling-water', minutes: 20, altitude_m: 1180 }),
    ];
    expect(said(at(77), curd)).toMatch(/^shelf/);
    expect(said(at(72), curd)).toBe('fridge: heat-not-reached');
  });
  test('jars filled hours after the heat were not filled hot', () => {
    const late = [
      ...cooked().filter(({ type }) => type !== 'jarred'),
      event(5 * HOUR, 'jarred', { jars: [{ size: 'half-pint', full: 7, part: 0 }] }),
      ...clocked(15, 5 * HOUR + 20),
    ];
    expect(said(late)).toBe('fridge: heat-unknown');
    expect(said([...late, event(5 * HOUR - 5, 'reading', { temperature_C: 92 })])).toMatch(
      /^shelf/,
    );
  });
});

describe('a pH is an event of the batch', () => {
  const pH = (minutes: number, value: number, twoBuffers = true) =>
    event(minutes, 'measured-ph', { value, twoBuffers });
  const figs = documentOf(FIGS);
  test('at or after jarring, within 48 hours, with two buffers, 4.2 or less', () => {
    expect(said(DONE, figs)).toBe('fridge: low-acid');
    expect(said([...DONE, pH(5 * HOUR, 4.1)], figs)).toBe('shelf: measured-pH');
    expect(said([...DONE, pH(5 * HOUR, 4.25)], figs)).toBe('fridge: low-acid');
    expect(said([...DONE, pH(45, 4.1)], figs)).toBe('fridge: low-acid');
    expect(said([...DONE, pH(3 * DAY, 4.1)], figs)).toBe('fridge: low-acid');
    expect(said([...DONE, pH(5 * HOUR, 4.1, false)], figs)).toBe('fridge: low-acid');
  });
  test('of several the highest counts', () =>
    expect(said([...DONE, pH(5 * HOUR, 4.1), pH(6 * HOUR, 4.4)], figs)).toBe('fridge: low-acid'));
  test('anything more added afterwards voids it', () =>
    expect(said([...DONE, pH(5 * HOUR, 4.1), add(6 * HOUR, '1 tbsp vanilla')], figs)).toBe(
      'fridge: low-acid',
    ));
  test('a melon at 3.0 is a wrong meter', () => {
    const melon = documentOf([
      ['2 kg', 'cantaloupe'],
      ['1.4 kg', 'white-sugar'],
      ['60 ml', 'lemon-juice-bottled'],
    ]);
    expect(said([...DONE, pH(5 * HOUR, 3)], melon)).toBe('fridge: low-acid');
    expect(codes([...DONE, pH(5 * HOUR, 3)], melon)).toContain('measured-pH-void');
  });
  test('a high one is honest bad news for acid fruit', () =>
    expect(said([...DONE, pH(5 * HOUR, 4.6)])).toBe('fridge: not-acid-enough'));
  test('it still counts only with the whole process', () => {
    const pepper = documentOf(
      [
        ['200 g', 'sweet-pepper'],
        ['400 ml', 'cider-vinegar'],
        ['1.2 kg', 'white-sugar'],
        ['1 pouch', 'pectin-liquid'],
      ],
      {
        kind: 'savoury-jelly',
        ...LIQUID,
      },
    );
    expect(said([...DONE, pH(5 * HOUR, 3.6)], pepper)).toBe('shelf: measured-pH');
    expect(said([...cooked(), pH(5 * HOUR, 3.6)], pepper)).toBe('fridge: no-process');
  });
});

test('what can no longer be measured or made good is not advised', () => {
  const advice = (events: readonly BatchEvent[], minutes: number, document = DAMSON) =>
    keepingAdviceNow(keep(events, document), boilFrom(events), START + minutes * 60_000);
  const short = [...cooked(), ...clocked(10)];
  expect(advice(short, 10 * HOUR)).toBe('process-again');
  expect(advice(short, 30 * HOUR)).toBe('refrigerate');
  expect(advice(DONE, 30 * HOUR, documentOf(FIGS))).toBe('measure-ph');
  expect(advice(DONE, 60 * HOUR, documentOf(FIGS))).toBe('refrigerate');
  expect(advice(DONE, 60 * HOUR)).toBe('store');
});

import { documentOf, type Lines } from '../testing/formula.js';
import { FIGS, fingerprintOf, TESTED } from '../testing/keeping.js';
import type { FormulaDocument } from '../formula/index.js';
import { boilFrom, type BatchEvent, type EventBodies, type JarsFilled } from '../boil-log/index.js';
import { madeBatch, type MadeBatch, type MadeOptions } from './made-batch.js';

const DAMSON = documentOf([
  ['2.4 kg', 'damson'],
  ['2.2 kg', 'white-sugar'],
  ['300 ml', 'water'],
]);
const UP = { altitude_m: 1180 };
const TODAY = '2026-09-12';

let seconds = 0;
const event = <T extends keyof EventBodies>(
  type: T,
  body: EventBodies[T],
  id = `e${seconds}`,
): BatchEvent =>
  ({
    id,
    type,
    at: new Date(Date.UTC(2026, 8, 12, 18, 0, seconds++)).toISOString(),
    device: 'bench',
    body,
  }) as BatchEvent;
const added = (text: string): BatchEvent => event('addition', { text });
const filled = (...jars: JarsFilled[]): BatchEvent => event('jarred', { jars });
/** Nothing was read in these logs: the maker says that it boiled. */
const HOT = event('heat-stated', { reached: true });
const processed = (
  minutes: number,
  method: 'boiling-water' | 'steam' = 'boiling-water',
  altitude_m: number | null = 1180,
): BatchEvent => event('processed', { method, minutes, altitude_m });
const made = (
  events: readonly BatchEvent[],
  document: FormulaDocument = DAMSON,
  place: object = UP,
  options: MadeOptions = {},
): MadeBatch => madeBatch(document, boilFrom(events), place, { on: TODAY, ...options });
const said = ({ keeping }: MadeBatch): string =>
  `${keeping.verdict}: ${keeping.reasons[0]?.code ?? ''}`;

test('weighed while it stands off the heat, it shows what would fill; back on the heat the plan counts', () => {
  const lit = event('light', { gelTemperature_C: 100.5, boilingPoint_C: 96.1 });
  const off = event('off-heat', {});
  const weighed = event('weighed', { mass_kg: 4.2 });
  const standing = made([lit, off, weighed]);
  const planned = made([lit]);
  expect(standing.asWeighed?.finish.mass_kg.mid).toBeCloseTo(4.2, 3);
  expect(standing.asWeighed?.jars[0]?.count.mid).toBeGreaterThan(
    planned.balance?.jars[0]?.count.mid ?? Infinity,
  );
  // Where to stop, and the verdict, stay those of the formula.
  expect(standing.formula.finish).toEqual(planned.formula.finish);
  expect(standing.balance).toEqual(planned.balance);
  expect(made([lit, off, weighed, event('on-heat', {})]).asWeighed).toBeUndefined();
  expect(made([lit, weighed, event('off-heat', {})]).asWeighed).toBeUndefined();
  expect(made([lit, event('weighed', { mass_kg: 4.2 })]).asWeighed).toBeUndefined();
});

describe('what was added in the boil is in the batch', () => {
  test('each addition as a line, but not what was taken back', () => {
    const slip = added('1 kg melon');
    const { document, formula, balance } = made([
      added('2 tbsp bottled lemon juice'),
      slip,
      event('undo', { eventId: slip.id }),
    ]);
    expect(document.lines.slice(3)).toEqual([
      { amount: '2 tbsp', ingredient: 'lemon-juice-bottled' },
    ]);
    expect(formula.lines).toHaveLength(4);
    expect(balance?.massIn_kg.mid).toBeCloseTo(4.93, 2);
  });

  test('the formula as written is not touched', () => {
    const before = JSON.stringify(DAMSON);
    made([added('500 g quinces'), filled({ size: 'quart', full: 2, part: 0 })]);
    expect(JSON.stringify(DAMSON)).toBe(before);
  });

  test('nothing in the pan is no balance and no kind verdict', () => {
    const { balance, keeping } = made([], { ...DAMSON, lines: [] });
    expect(balance).toBeNull();
    expect(keeping.verdict).toBe('fridge');
  });
});

describe('an attestation belongs to one pan', () => {
  const attested = { ...documentOf(FIGS), testedSource: TESTED };
  const stamped = (document: FormulaDocument): FormulaDocument => ({
    ...document,
    testedSource: { ...TESTED, of: fingerprintOf(documentOf(FIGS)) },
  });
  const vanilla = added('1 tsp vanilla');
  const edited = (document: FormulaDocument): FormulaDocument => ({
    ...document,
    lines: document.lines.map((line, i) => (i === 0 ? { ...line, amount: '3 kg' } : line)),
  });
  test.each<[string, FormulaDocument, BatchEvent[], string]>([
    ['made as written', attested, [processed(15)], 'shelf: tested-source'],
    ['stamped, made as written', stamped(attested), [processed(15)], 'shelf: tested-source'],
    ['something went in', attested, [vanilla, processed(15)], 'fridge: low-acid'],
    [
      'stamped, and something went in',
      stamped(attested),
      [vanilla, processed(15)],
      'fridge: low-acid',
    ],
    [
      'stamped, and something not understood went in',
      stamped(attested),
      [added('a bit of this'), processed(15)],
      'fridge: low-acid',
    ],
    ['edited', edited(stamped(attested)), [processed(15)], 'fridge: low-acid'],
  ])('%s', (_, document, events, verdict) => expect(said(made(events, document))).toBe(verdict));
});

describe('jars keep by what is in them and by the process they went through', () => {
  test('15 minutes at 1,180 m: shelf', () => {
    const { keeping } = made([processed(15)]);
    expect(keeping).toMatchObject({ verdict: 'shelf', process: { minutes: 15 } });
  });
  test.each<[string, BatchEvent[], object, string]>([
    ['no process in the log', [], UP, 'fridge: no-process'],
    [
      'a process taken back',
      [
        event('processed', { method: 'boiling-water', minutes: 15, altitude_m: 1180 }, 'p'),
        event('undo', { eventId: 'p' }),
      ],
      UP,
      'fridge: no-process',
    ],
    ['five minutes short', [processed(10)], UP, 'fridge: process-short'],
    [
      'long enough for sea level only',
      [processed(10, 'boiling-water', 2500)],
      { altitude_m: 0 },
      'fridge: process-short',
    ],
    [
      'no altitude was stated',
      [processed(15, 'boiling-water', null)],
      UP,
      'fridge: altitude-needed',
    ],
    ['melon went in', [added('1 kg cantaloupe'), processed(15)], UP, 'fridge: low-acid'],
    ['spoons of butter went in', [added('3 tbsp butter'), processed(15)], UP, 'fridge: fat'],
    [
      'something not understood went in',
      [added('a good glug of grandmother'), processed(15)],
      UP,
      'fridge: not-understood',
    ],
  ])('%s', (_, events, place, verdict) => {
    const batch = made(events, DAMSON, place);
    expect(said(batch)).toBe(verdict);
    expect(batch.keeping.process).toBeNull();
  });

  test('steam in the log counts where steam may be used', () => {
    expect(said(made([processed(15, 'steam')]))).toMatch(/^shelf/);
    const curd: Lines = [
      ['1 cup', 'lemon-juice-bottled'],
      ['2 1/2 cups', 'caster-sugar'],
      ['3/4 cup', 'butter'],
      ['7 each', 'egg-yolk'],
      ['4 each', 'egg'],
    ];
    const document = documentOf(curd, { kind: 'curd', method: 'egg', finish: { type: 'curd' } });
    expect(said(made([processed(20)], document))).toMatch(/^shelf/);
    expect(said(made([processed(20, 'steam')], document))).toBe('fridge: no-steam');
  });
  test('a line that is not understood gives no shelf', () =>
    expect(
      said(
        made([processed(15)], {
          ...DAMSON,
          lines: [...DAMSON.lines, { amount: '3 handfuls', ingredient: 'gloop' }],
        }),
      ),
    ).toBe('fridge: not-understood'));
  test('the place a formula was written for is not the place it is made at', () =>
    expect(said(made([processed(10)], { ...DAMSON, place: { altitude: '0 m' } }))).toBe(
      'fridge: process-short',
    ));
  test('hot fill without a process says what the custom is', () =>
    expect(said(made([], { ...DAMSON, processing: 'hot-fill' }))).toBe('fridge: hot-fill'));
  test('before the jars are put away the process is still to come', () => {
    expect(made([], DAMSON, UP, { planned: true }).keeping).toMatchObject({
      verdict: 'shelf',
      process: { minutes: 15 },
    });
    expect(said(made([], { ...DAMSON, processing: 'none' }, UP, { planned: true }))).toBe(
      'fridge: no-process',
    );
    expect(said(made([processed(10)], DAMSON, UP, { planned: true }))).toBe(
      'fridge: process-short',
    );
    expect(said(made([], { ...DAMSON, processMinutes: 10 }, UP, { planned: true }))).toBe(
      'stop: short-process',
    );
  });
});

describe('the jars that were filled decide, not those that were planned', () => {
  const quarts = filled(
    { size: 'half-pint', full: 4, part: 0 },
    { size: 'quart', full: 2, part: 0 },
  );

  test('a jar without a row has no shelf process', () => {
    expect(said(made([quarts, processed(15)]))).toBe('fridge: no-row');
    expect(said(made([filled({ size: 'quart', full: 0, part: 0.5 }), processed(15)]))).toBe(
      'fridge: no-row',
    );
    expect(said(made([filled({ size: 'quart', full: 0, part: 0 }), processed(15)]))).toMatch(
      /^shelf/,
    );
  });
  test('each size by itself', () => {
    expect(said(made([quarts, HOT, processed(15)], DAMSON, UP, { size: 'half-pint' }))).toMatch(
      /^shelf/,
    );
    expect(said(made([quarts, processed(15)], DAMSON, UP, { size: 'quart' }))).toBe(
      'fridge: no-row',
    );
    // Put on the shelf without having been counted.
    expect(said(made([processed(15)], DAMSON, UP, { size: 'quart' }))).toBe('fridge: no-row');
  });
  test('another jar than the tested formula’s is a change of it', () => {
    const attested = {
      ...documentOf(FIGS),
      testedSource: {
        ...TESTED,
        of: fingerprintOf(documentOf(FIGS)),
      },
    };
    expect(
      said(made([filled({ size: 'half-pint', full: 6, part: 0 }), HOT, processed(15)], attested)),
    ).toBe('shelf: tested-source');
    expect(said(made([filled({ size: 'pint', full: 3, part: 0 }), processed(15)], attested))).toBe(
      'fridge: low-acid',
    );
  });
});

describe('where it was made', () => {
  const lit = event('light', { gelTemperature_C: 100.4, boilingPoint_C: 95.2 });
  test('a boil keeps the boiling point it was lit with', () => {
    expect(made([lit]).balance?.finish.boilingPointOfWater_C.mid).toBeCloseTo(95.2, 6);
    expect(made([]).balance?.finish.boilingPointOfWater_C.mid).toBeCloseTo(96.05, 1);
  });
  test('one that agrees with the kitchen leaves the kitchen its narrower doubt', () => {
    const agreed = event('light', { gelTemperature_C: 100.5, boilingPoint_C: 96.1 });
    const measured = { ...UP, boilingPoint_C: 96.12 };
    expect(made([agreed], DAMSON, measured).formula.place.boilingPoint_C).toBe(96.12);
  });
});

describe('what was left out, and where it was really stopped', () => {
  const APRICOT = documentOf([
    ['1.6 kg', 'apricot'],
    ['600 g', 'tart-apple', 'chopped'],
    ['1.45 kg', 'white-sugar'],
    ['120 ml', 'lemon-juice-bottled'],
  ]);
  const LIGHT = event('light', { gelTemperature_C: 100.5, boilingPoint_C: 96.05 });
  test('a forgotten lemon turns shelf into fridge, at once; taken back it is shelf again', () => {
    expect(made([], APRICOT, UP, { planned: true }).keeping.verdict).toBe('shelf');
    const forgotten = event('omission', { ingredient: 'lemon-juice-bottled' });
    const without = made([forgotten], APRICOT, UP, { planned: true });
    expect(without.keeping.verdict).toBe('fridge');
    expect(without.document.lines).toHaveLength(3);
    expect(
      made([forgotten, event('undo', { eventId: forgotten.id })], APRICOT, UP, { planned: true })
        .keeping.verdict,
    ).toBe('shelf');
  });
  test('stopped early it is thinner and fills more jars; as planned nothing changes', () => {
    const meant = made([LIGHT]);
    const stop = (temperature_C: number): MadeBatch =>
      made([LIGHT, event('reading', { temperature_C }), event('done', {})]);
    expect(stop(100.4).document.finish).toEqual(DAMSON.finish);
    const early = stop(98.8);
    expect(early.balance?.finish.solubleSolidsPercent.mid).toBeLessThan(
      (meant.balance?.finish.solubleSolidsPercent.mid ?? 0) - 4,
    );
    expect(early.balance?.jars[0]?.count.mid).toBeGreaterThan(
      meant.balance?.jars[0]?.count.mid ?? 99,
    );
    expect(early.balance?.set.firmness.mid).toBeLessThan(meant.balance?.set.firmness.mid ?? 0);
  });
  test('the weight is believed before the thermometer, and a observation long before the end is none', () => {
    const heavy = made([
      LIGHT,
      event('weighed', { mass_kg: 4.3 }),
      event('reading', { temperature_C: 100.5 }),
      event('done', {}),
    ]);
    expect(heavy.document.finish).toEqual({ type: 'weight', mass: '4.300 kg' });
    const long = [LIGHT, event('reading', { temperature_C: 97 })];
    const late = { ...event('done', {}), at: new Date(Date.UTC(2026, 8, 12, 19)).toISOString() };
    expect(made([...long, late]).document.finish).toEqual(DAMSON.finish);
  });
  test('boiled further than planned the verdict is no kinder for it', () => {
    const thin = documentOf(
      [
        ['2.4 kg', 'damson'],
        ['900 g', 'white-sugar'],
        ['300 ml', 'water'],
      ],
      { finish: { type: 'soluble-solids', percent: 48 } },
    );
    const planned = made([LIGHT], thin, UP, { planned: true });
    const further = made([LIGHT, event('brix', { percent: 64 }), event('done', {})], thin, UP, {
      planned: true,
    });
    expect(further.balance?.finish.solubleSolidsPercent.mid).toBeCloseTo(64, 0);
    const { verdict, process, storage } = planned.keeping;
    expect(further.keeping).toMatchObject({ verdict, process, storage });
  });
  test('an attested formula that was stopped elsewhere is attested no more', () => {
    const tested = documentOf(FIGS, { testedSource: TESTED });
    const stopped = made(
      [LIGHT, event('reading', { temperature_C: 98 }), event('done', {})],
      tested,
      UP,
      { planned: true },
    );
    expect(made([LIGHT], tested, UP, { planned: true }).keeping.verdict).toBe('shelf');
    expect(stopped.keeping.verdict).not.toBe('shelf');
  });
});

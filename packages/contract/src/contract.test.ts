import 'reflect-metadata';
import { plainToInstance } from 'class-transformer';
import { validateSync } from 'class-validator';
import fc from 'fast-check';
import { EVENT_TYPES, emptyFormula, readFormula } from '@idle-kettle/core';
import {
  AppendEvents,
  flattenErrors,
  FormulaBody,
  KitchenSettings,
  MoveJars,
  plainReadings,
  PutOnShelf,
  SaveBatch,
  SendReadings,
} from './index.js';

const ID = '3f0f3c0a-6d0e-4c5b-9a53-2f4f0f0a1b2c';

/** Problems as "path: message", as the server's pipe finds them. */
function said(shape: new () => object, value: object): string[] {
  const errors = validateSync(plainToInstance(shape, value), {
    whitelist: true,
    forbidNonWhitelisted: true,
  });
  return flattenErrors(errors).map(({ path, message }) => `${path}: ${message}`);
}

const event = (type: string, body: object, change: object = {}): object => ({
  events: [{ id: ID, type, at: '2026-09-12T18:00:00.000Z', device: 'bench', body, ...change }],
});

describe('events', () => {
  /** What each type carries, where it carries anything. */
  const GOOD: Readonly<Record<string, object>> = {
    light: { gelTemperature_C: 100.5, boilingPoint_C: 96.1, altitude_m: 1180 },
    altitude: { altitude_m: 1180 },
    'formula-filled': {
      document: {
        format: 'idle-kettle/formula',
        version: 1,
        title: 'Damson jam',
        kind: 'jam',
        method: 'long-boil',
        lines: [{ ingredient: 'damson', amount: '1 kg' }],
        finish: { type: 'gel-temperature' },
        jars: [{ size: '340-g' }],
      },
    },
    'heat-stated': { reached: true },
    'measured-ph': { value: 4.05, twoBuffers: true },
    reading: { temperature_C: 97.2 },
    planned: { by: 'ready', at: '2026-09-12T21:00:00.000Z' },
    step: { code: 'lay-out' },
    weighed: { mass_kg: 3.8 },
    brix: { percent: 64.5 },
    heat: { turned: 'down' },
    test: { way: 'plate', verdict: 'wrinkles' },
    addition: { text: '1 tbsp lemon juice' },
    note: { text: 'catching' },
    omission: { ingredient: 'lemon-juice-bottled' },
    'process-begun': { minutes: 15 },
    vessel: { vessel: 'slow-cooker-lid-ajar' },
    cooking: { where: 'slow-cooker', lid: 'ajar', heat: 'low', stage: 2 },
    depth: { left: 0.67 },
    paused: { kept: 'fridge' },
    simulated: {
      speed: 30,
      realAt: '2026-09-12T18:00:00.000Z',
      noise_K: 0.2,
      offset_K: 0,
      lag_s: 8,
      dropouts: 0,
    },
    jarred: { jars: [{ size: '340-g', full: 6, part: 0.5 }] },
    processed: {
      method: 'boiling-water',
      minutes: 15,
      altitude_m: 1180,
      jars: [{ size: '340-g', count: 7 }],
      startedAt: '2026-09-12T18:00:00.000Z',
    },
    lids: { out: 12, left: 4 },
    seals: { size: '340-g', failed: [2, 5] },
    scored: { set: 0, taste: 4 },
    judged: { headspace: 9, jar: 10, clarity: 7, colour: 8, set: 9, flavour: 8 },
    shown: { show: 'Valley fair', class: 'Jellies', on: '2026-09-19', result: 'second' },
    unsealed: { size: '340-g', jars: [2], kept: 'fridge' },
    undo: { eventId: ID },
  };

  test.each(EVENT_TYPES)('%s is taken with its own body', (type) => {
    expect(said(AppendEvents, event(type, GOOD[type] ?? {}))).toEqual([]);
  });

  test.each(EVENT_TYPES)('%s takes nothing that it does not know', (type) => {
    const [problem] = said(AppendEvents, event(type, { ...GOOD[type], unheardOf: 1 }));
    expect(problem).toContain('unheardOf');
  });

  test.each([
    ['light', { gelTemperature_C: 10, boilingPoint_C: 96 }, /gelTemperature_C/],
    ['reading', {}, /temperature_C: write a temperature/],
    ['reading', { temperature_C: NaN }, /temperature_C/],
    ['reading', { temperature_C: 5000 }, /-100 to 1000/],
    ['test', { way: 'tongue', verdict: 'stiff' }, /way: write one of plate, sheet, finger/],
    ['note', { text: '' }, /text: write 1 to 2000 letters/],
    ['addition', { text: 'x'.repeat(2001) }, /text/],
    [
      'jarred',
      { jars: [{ size: '340-g', full: -1, part: 0 }] },
      /jars\[0\]\.full: write 0 or more/,
    ],
    [
      'jarred',
      { jars: [{ size: '340-g', full: 1.5, part: 1 }] },
      /jars\[0\]\.full: .*jars\[0\]\.part/,
    ],
    [
      'processed',
      { method: 'oven', minutes: 15, altitude_m: null },
      /method: write boiling-water or steam/,
    ],
    ['processed', { method: 'steam', minutes: 0, altitude_m: null }, /minutes: write at least one/],
    ['undo', { eventId: 'the last one' }, /eventId: write the id/],
    ['done', [], /write what happened as an object/],
  ])('%s with %j is refused', (type, body, message) =>
    expect(said(AppendEvents, event(type, body)).join('; ')).toMatch(message),
  );

  test.each([
    [{ id: 'seven' }, /events\[0\]\.id: write a UUID/],
    [{ type: 'boom' }, /events\[0\]\.type/],
    [{ at: '12/9/26' }, /events\[0\]\.at/],
    [{ at: '2026-13-45T00:00:00Z' }, /events\[0\]\.at/],
    [{ device: '' }, /events\[0\]\.device/],
    [{ secret: 1 }, /events\[0\]\.secret: is not known here/],
  ])('an envelope with %j is refused', (change, message) =>
    expect(said(AppendEvents, event('note', { text: 'x' }, change)).join('; ')).toMatch(message),
  );

  test('between one and 500 at once', () => {
    expect(said(AppendEvents, { events: [] })).toEqual(['events: write at least one event']);
    const many = Array.from(
      { length: 501 },
      () => (event('done', {}) as { events: object[] }).events[0],
    );
    expect(said(AppendEvents, { events: many })).toEqual([
      'events: write at most 500 events at once',
    ]);
  });
});

test('an empty formula of core is a good body, and a batch may name the formula it came from', () => {
  expect(said(FormulaBody, emptyFormula('New batch'))).toEqual([]);
  expect(
    said(SaveBatch, { document: emptyFormula('New batch'), revision: 0, formulaId: ID }),
  ).toEqual([]);
  expect(
    said(SaveBatch, { document: emptyFormula('New batch'), revision: 0, formulaId: 'mine' }),
  ).toEqual(['formulaId: write the id of the formula it was made from']);
});

test('every field of the open document is taken, and what cannot be is named', () => {
  const whole = {
    ...emptyFormula('Damson jam'),
    lines: [
      {
        ingredient: 'damson',
        form: 'pitted',
        ripeness: 'under-ripe',
        amount: '2 lb',
        alsoStated: '4 cups',
        overrides: {
          solubleSolidsPercent: 14,
          pH: 3.1,
          titratableAcidityPercent: 1.6,
          pectinPercent: 0.8,
        },
      },
      {
        name: 'garden shrub',
        amount: '20 ml',
        composition: {
          solubleSolidsPercent: 30,
          insolubleSolidsPercent: 0,
          pH: 3,
          titratableAcidityPercent: 2,
          acid: 'malic',
          pectinPercent: 0,
          densityKgPerM3: 1100,
        },
      },
    ],
    finish: { type: 'curd', temperature: '77 C' },
    processing: 'steam',
    preSterilised: true,
    processMinutes: 10,
    statedYield: '6 half-pint',
    steps: ['Simmer until soft'],
    notes: 'from the old tree',
    testedSource: { publisher: 'an extension service', year: 2015, unchanged: true },
    measuredPH: { value: 3.4, meterCalibratedOn: '2026-09-12', measuredOn: '2026-09-12' },
  };
  expect(said(FormulaBody, whole)).toEqual([]);
  expect(
    said(FormulaBody, {
      ...whole,
      processing: 'oven',
      processMinutes: -5,
      measuredPH: { ...whole.measuredPH, value: 40, measuredOn: 'yesterday' },
      testedSource: { ...whole.testedSource, year: 12, unchanged: 'yes' },
      steps: [3],
      lines: [{ amount: '1 kg', ripeness: 'mouldy', overrides: { pH: -1 } }],
    }).map((line) => line.split(':')[0]),
  ).toEqual(
    expect.arrayContaining([
      'processing',
      'processMinutes',
      'measuredPH.value',
      'measuredPH.measuredOn',
      'testedSource.year',
      'testedSource.unchanged',
      'steps',
      'lines[0].ripeness',
      'lines[0].overrides.pH',
    ]),
  );
});

test.each<[string, object, string]>([
  [
    'a number',
    { lines: [{ amount: 3 }] },
    'lines[0].amount: write the amount as text with its unit, such as "1.2 kg"',
  ],
  [
    'a novel',
    { lines: [{ amount: '1 kg', ingredient: 'x'.repeat(10_001) }] },
    'lines[0].ingredient: write the ingredient as text, of at most 10000 letters',
  ],
  [
    'a per cent over 100',
    { lines: [{ amount: '1 kg', overrides: { solubleSolidsPercent: 101 } }] },
    'lines[0].overrides.solubleSolidsPercent: write a per cent from 0 to 100',
  ],
  [
    'a pH in words',
    { lines: [{ amount: '1 kg', overrides: { pH: 'sour' } }] },
    'lines[0].overrides.pH: write a pH from 1.5 to 9',
  ],
  ['a process of a day', { processMinutes: 1440 }, 'processMinutes: write minutes, from 0 to 240'],
  [
    'a day in words',
    { measuredPH: { value: 3, meterCalibratedOn: 'today', measuredOn: '2026-09-12' } },
    'measuredPH.meterCalibratedOn: write a day such as "2026-11-23"',
  ],
])('%s: one message, which says what to write', (_, change, message) =>
  expect(said(FormulaBody, { ...emptyFormula('x'), ...change })).toContain(message),
);

test('what the document may not hold is kept all the same: its problem stands at its line', () => {
  const typed = {
    ...emptyFormula(''),
    lines: Array.from({ length: 201 }, () => ({ amount: '1 kg', ingredient: 'x'.repeat(121) })),
  };
  expect(said(FormulaBody, typed)).toEqual([]);
  expect(readFormula(typed).problems.map(({ path }) => path)).toEqual(
    expect.arrayContaining(['lines', 'lines[0].ingredient']),
  );
});

test('a list where an object is to be is refused', () => {
  expect(said(AppendEvents, { events: [[]] }).join()).toContain('write each as an object');
  expect(said(SaveBatch, { revision: 0 })).toEqual(['document: write a formula document']);
  expect(said(SaveBatch, { revision: 0, document: [] })).toEqual([
    'document: write a formula document',
  ]);
});

test('null is not the same as left out', () => {
  const move = { id: ID, change: 1, reason: 'eaten', at: '2026-09-12T18:00:00Z' };
  expect(said(MoveJars, move)).toEqual([]);
  expect(said(MoveJars, { ...move, whom: null })).toEqual(['whom: write a name']);
});

test('text is bounded wherever a person types', () => {
  const long = 'x'.repeat(11_000);
  const body = { ...emptyFormula(long), notes: long, lines: [{ amount: long, ingredient: long }] };
  expect(said(FormulaBody, body).map((line) => line.split(':')[0])).toEqual(
    expect.arrayContaining(['title', 'notes', 'lines[0].amount', 'lines[0].ingredient']),
  );
});

const kitchen = {
  name: 'Hollow Lane',
  altitude_m: 1180,
  boilingPoint_C: 96.1,
  boilingPointMeasuredAt: '2026-09-12T18:00:00Z',
  units: 'metric',
  temperatureUnit: 'C',
};

test.each([
  [{}, []],
  [{ altitude_m: null, boilingPoint_C: null, boilingPointMeasuredAt: null }, []],
  [{ altitude_m: -430 }, []],
  [{ altitude_m: 5501 }, ['altitude_m']],
  [{ altitude_m: '1180' }, ['altitude_m']],
  [{ boilingPoint_C: 60 }, ['boilingPoint_C']],
  [{ boilingPointMeasuredAt: 'today' }, ['boilingPointMeasuredAt']],
])('a kitchen with %j has problems at %j', (change, fields) =>
  expect(
    said(KitchenSettings, { ...kitchen, ...change }).map((line) => line.split(':')[0]),
  ).toEqual(fields),
);

test('jars come by whole numbers, with a day', () => {
  const put = { id: ID, batchId: ID, size: '340-g', count: 6, madeOn: '2026-09-12' };
  expect(said(PutOnShelf, put)).toEqual([]);
  expect(said(PutOnShelf, { ...put, partFill: 1 }).join()).toMatch(/partFill: write how full/);
  expect(said(PutOnShelf, { ...put, count: 1.5 }).join()).toMatch(/count: write a whole number/);
  expect(
    said(MoveJars, { id: ID, change: 0, reason: 'eaten', at: '2026-09-12T18:00:00Z' }),
  ).toEqual(['change: write how many jars']);
  expect(
    said(MoveJars, { id: ID, change: -1, reason: 'vanished', at: '2026-09-12T18:00:00Z' }).join(),
  ).toMatch(/reason: write one of put, eaten/);
});

test('what is taken as plain readings is right by the rules too', () => {
  const at = fc.oneof(
    {
      weight: 4,
      arbitrary: fc
        .date({ noInvalidDate: true, min: new Date('1990-01-01'), max: new Date('2090-01-01') })
        .map((date) => date.toISOString()),
    },
    {
      weight: 1,
      arbitrary: fc.constantFrom(
        'noon',
        '2026-02-30T10:00:00Z',
        '2026-09-12',
        '2026-09-12T18:00:00Z',
      ),
    },
  );
  const value = fc.oneof(
    fc.record({ temperature_C: fc.double({ min: -200, max: 1200 }) }),
    fc.record({ mass_kg: fc.double({ min: 0, max: 300 }) }),
    fc.record({ percent: fc.double({ min: -5, max: 110 }) }),
    fc.record({ temperature_C: fc.string() }),
    fc.record({ temperature_C: fc.constant(97), mass_kg: fc.constant(3) }),
  );
  const any = fc.tuple(at, value).map(([when, what]) => ({ at: when, ...what }));
  let plain = 0;
  fc.assert(
    fc.property(fc.array(any, { maxLength: 3 }), (readings) => {
      if (plainReadings({ readings }) === undefined) return;
      plain += 1;
      const errors = validateSync(plainToInstance(SendReadings, { readings }), {
        whitelist: true,
        forbidNonWhitelisted: true,
      });
      expect(errors).toEqual([]);
    }),
    { numRuns: 2000 },
  );
  expect(plain).toBeGreaterThan(20);
  expect(plainReadings({ readings: [], more: 1 })).toBeUndefined();
  expect(plainReadings(null)).toBeUndefined();
});

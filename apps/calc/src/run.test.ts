import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Ajv2020 } from 'ajv/dist/2020.js';
import { KINDS, METHODS, type Kind, type Method } from '@idle-kettle/core';
import { run, type Outcome } from './run.js';
import { VERBS } from './verbs.js';

const files: Record<string, string> = {
  'damson.json': JSON.stringify({
    format: 'idle-kettle/formula',
    version: 1,
    title: 'Damson jam',
    kind: 'jam',
    method: 'long-boil',
    finish: { type: 'gel-temperature' },
    place: { altitude: '1180 m' },
    lines: [
      { ingredient: 'damson', form: 'pitted', amount: '2.4 kg' },
      { ingredient: 'white-sugar', amount: '2.2 kg' },
    ],
    jars: [{ size: '454-g' }],
  }),
  'bad.json': JSON.stringify({
    kind: 'jam',
    method: 'long-boil',
    lines: [
      { ingredient: 'damson', amount: '2 cupz' },
      { ingredient: 'unobtainium', amount: '1 kg' },
    ],
    finish: { type: 'gel-temperature' },
  }),
  'butter.json': JSON.stringify({
    kind: 'fruit-butter',
    method: 'no-gel',
    finish: { type: 'consistency' },
    lines: [{ ingredient: 'quince', form: 'puree', amount: '2 kg' }],
    jars: [{ size: 'half-pint' }],
  }),
  'broken.json': '{"kind": "jam"',
};

const calc = (...argv: string[]): Outcome =>
  run(argv, (name) => {
    const text = files[name];
    if (text === undefined) throw new Error('ENOENT');
    return text;
  });
const json = (outcome: Outcome): Record<string, never> =>
  JSON.parse(outcome.out) as Record<string, never>;

const EXAMPLES = join(__dirname, '../../../docs/examples');
const examples = readdirSync(EXAMPLES).map(
  (name) => [name, readFileSync(join(EXAMPLES, name), 'utf8')] as const,
);
const onExample = (verb: string, name: string, ...more: string[]): Outcome =>
  run(
    [verb, name, ...more],
    (asked) => examples.find(([each]) => each === asked)?.[1] ?? '',
    '2026-11-24',
  );

/** Every estimate of an answer: an object of exactly low, mid and high. */
function* estimates(
  value: unknown,
  path = '',
): Generator<[string, { low: number; mid: number; high: number }]> {
  if (typeof value !== 'object' || value === null) return;
  if ('low' in value && 'mid' in value && 'high' in value) yield [path, value as never];
  else for (const [key, inner] of Object.entries(value)) yield* estimates(inner, `${path}.${key}`);
}

/** The keys of the contract, with what each holds. */
const RANGE = {
  low: expect.any(Number) as number,
  mid: expect.any(Number) as number,
  high: expect.any(Number) as number,
};
const CONTRACT = {
  massIn_kg: RANGE,
  solubleSolids_kg: RANGE,
  insolubleSolids_kg: RANGE,
  waterToBoilOff_kg: RANGE,
  pH: RANGE,
  titratableAcidityPercent: RANGE,
  finish: {
    temperature_C: RANGE,
    boilingPointOfWater_C: RANGE,
    solubleSolidsPercent: RANGE,
    mass_kg: RANGE,
    volume_ml: RANGE,
  },
  set: {
    model: expect.stringMatching(/^(high-methoxyl|low-methoxyl|consistency|egg|none)$/) as string,
    firmness: RANGE,
    verdict: expect.stringMatching(/^(none|soft|good|firm|stiff)$/) as string,
    reasons: expect.any(Array) as never,
  },
  readyJars: expect.any(Number) as number,
  partJar: expect.any(Number) as number,
  yieldBracket: { least: expect.any(Number) as number, most: expect.any(Number) as number },
  keeping: {
    verdict: expect.stringMatching(/^(shelf|fridge|freezer|stop)$/) as string,
    reasons: expect.any(Array) as never,
  },
  warnings: expect.any(Array) as never,
  suggestions: expect.any(Array) as never,
};

describe('the examples', () => {
  test('hold every kind and every method, and each fits the schema', () => {
    const documents = examples.map(
      ([, text]) => JSON.parse(text) as { kind: Kind; method: Method },
    );
    expect(new Set(documents.map(({ kind }) => kind))).toEqual(new Set(KINDS));
    expect(new Set(documents.map(({ method }) => method))).toEqual(new Set(METHODS));
    const fits = new Ajv2020({ strict: false, formats: { date: true } }).compile(
      json(calc('schema')),
    );
    for (const document of documents) expect([fits(document), fits.errors]).toEqual([true, null]);
  });

  test.each(examples)('%s: every key of the contract, every estimate in order', (name) => {
    const outcome = onExample('balance', name);
    expect(outcome).toMatchObject({ code: 0, err: '' });
    const answer = json(outcome);
    expect(answer).toMatchObject(CONTRACT);
    for (const jar of answer.jars as unknown as object[])
      expect(jar).toMatchObject({
        size: expect.any(String) as string,
        count: RANGE,
        fillMass_g: RANGE,
      });
    const found = [...estimates(answer)];
    expect(found.length).toBeGreaterThan(12);
    for (const [path, { low, mid, high }] of found)
      expect([path, low >= 0 && low <= mid && mid <= high]).toEqual([path, true]);
    for (const { code, text, source } of (
      answer as unknown as { keeping: { reasons: Record<string, string>[] } }
    ).keeping.reasons)
      expect([code, text, source].every((each) => typeof each === 'string' && each !== '')).toBe(
        true,
      );
    const { keeping, process } = answer as unknown as {
      keeping: { verdict: string };
      process: { minutes: number; row: string; source: string } | null;
    };
    if (keeping.verdict === 'shelf')
      expect(process).toMatchObject({
        minutes: expect.any(Number) as number,
        startWhen: expect.any(String) as string,
        headspace_mm: expect.any(Number) as number,
      });
    else expect(process).toBeNull();
  });

  test.each(examples)(
    '%s: scaled to half, to jars and to a pot, and each is a document again',
    (name) => {
      const before = json(onExample('balance', name)) as unknown as { massIn_kg: { mid: number } };
      const half = onExample('scale', name, '--by', '0.5');
      expect(half.code).toBe(0);
      const after = json(run(['balance', '-'], () => half.out)) as unknown as {
        massIn_kg: { mid: number };
      };
      expect(after.massIn_kg.mid / before.massIn_kg.mid).toBeCloseTo(0.5, 1);
      const toJars = onExample('scale', name, '--jars', '3 half-pint');
      const filled = json(run(['balance', '-'], () => toJars.out)) as unknown as {
        jars: { count: { mid: number } }[];
      };
      expect(filled.jars[0]?.count.mid).toBeGreaterThan(2.7);
      expect(filled.jars[0]?.count.mid).toBeLessThan(3.3);
      expect(onExample('scale', name, '--pot', '6 l')).toMatchObject({ code: 0 });
    },
  );
});

test('without an altitude there is no process, a warning, and the longest band is shown as the safe one', () => {
  const outcome = run(['balance', '-'], () =>
    JSON.stringify({ ...JSON.parse(files['damson.json'] ?? ''), place: {} }),
  );
  expect(json(outcome)).toMatchObject({
    process: null,
    safestProcess: { minutes: 20, preSterilise: false },
    finish: { temperature_C: null },
    warnings: expect.arrayContaining([
      expect.objectContaining({ code: 'altitude-needed' }),
    ]) as never,
  });
});

test('scale says what it was asked and refuses what it cannot do', () => {
  const grown = calc('scale', 'damson.json', '--line', '0', '--to', '3.1 kg');
  expect(json(grown)).toMatchObject({ lines: [{ amount: '3.1 kg' }, { amount: '2.84 kg' }] });
  expect(calc('scale', 'damson.json')).toMatchObject({ code: 2, out: '' });
  expect(calc('scale', 'damson.json', '--jars', 'a few').err).toMatch(/--jars/);
  expect(calc('scale', 'damson.json', '--line', '9', '--to', '1 kg').err).toMatch(/line/);
  expect(onExample('scale', 'apricot-powder-jam.json', '--by', '3').err).toMatch(/batch/);
});

test('convert says an amount in another measure, with its doubt', () => {
  expect(json(calc('convert', '8 cups blueberry whole', '--to', 'g'))).toMatchObject({
    ingredient: 'blueberry',
    value: { mid: expect.closeTo(1184, 0) as number },
  });
  expect(json(calc('convert', '1 kg damson', '--to', 'lb'))).toMatchObject({
    value: { mid: expect.closeTo(2.205, 2) as number },
  });
  expect(calc('convert', '8 cups moonberry', '--to', 'g')).toMatchObject({ code: 2, out: '' });
  expect(calc('convert', '8 cups blueberry', '--to', 'degrees').err).toMatch(/degrees/);
});

/** USDA Complete Guide to Home Canning, Guide 7, from memory: per 4 cups of spread. */
test('rescue gives the published remakes for the spread there is', () => {
  const answer = json(calc('rescue', 'damson.json')) as unknown as {
    spread_ml: number;
    ways: {
      way: string;
      cupsAtOnce: number;
      batches: number;
      lines: { ingredient: string; amount: string }[];
    }[];
  };
  expect(answer.ways.map(({ way }) => way)).toEqual(
    expect.arrayContaining(['powdered', 'liquid', 'none']),
  );
  for (const { cupsAtOnce, batches } of answer.ways) {
    expect(cupsAtOnce).toBeLessThanOrEqual(6);
    // Measured in half cups.
    expect(Math.abs(cupsAtOnce * batches - answer.spread_ml / 236.588)).toBeLessThan(
      batches / 4 + 1e-6,
    );
  }
});

test('simulate is a boil as CSV: the same seed the same boil, hotter and lighter to the end', () => {
  const boil = calc('simulate', 'damson.json', '--seed', '7');
  expect(calc('simulate', 'damson.json', '--seed', '7').out).toBe(boil.out);
  expect(calc('simulate', 'damson.json', '--seed', '8').out).not.toBe(boil.out);
  const [head, ...rows] = boil.out.trim().split('\n');
  expect(head).toBe('minute,temperature_C,mass_kg,solubleSolidsPercent');
  const numbers = rows.map((row) => row.split(',').map(Number));
  expect(numbers.flat().every(Number.isFinite)).toBe(true);
  expect(numbers.at(-1)?.[1]).toBeGreaterThan(99);
  expect(numbers.at(-1)?.[2]).toBeLessThan(numbers[0]?.[2] ?? 0);
  expect(calc('simulate', 'damson.json', '--seed', 'lots').err).toMatch(/--seed/);
});

test.each([
  [['simulate', 'damson.json', '--watts', '5'], /--watts: "5": write a number from 200 to 6000/],
  [['simulate', 'damson.json', '--every', 'often'], /--every: "often": write a number/],
  [['simulate'], /needs one FILE/],
  [['rescue', 'butter.json'], /a fruit-butter has no gel to remake/],
  [['rescue', 'bad.json'], /lines\[0\]\.amount/],
  [['convert', '8 cups blueberry'], /needs an amount and --to/],
  [['convert', 'blueberries', '--to', 'g'], /does not begin with a number/],
  [['convert', '2 kg blueberry', '--to', 'box'], /how much is in one box of blueberries/],
  [['scale', 'damson.json', '--by', '0'], /--by/],
  [['scale', 'damson.json', '--pot', '8 kg'], /--pot: "8 kg": write the size of the pot/],
  [['scale', 'damson.json', '--line', '0'], /--line: needs --to/],
  [['scale', 'damson.json', '--by', '2', '--pot', '8 l'], /needs one of/],
  [['balance', 'damson.json', '--on', 'today'], /--on: "today" is not a day/],
])('%j: exit 2, nothing on standard output, and what would be right', (argv, message) => {
  const outcome = calc(...argv);
  expect(outcome).toMatchObject({ code: 2, out: '' });
  expect(outcome.err).toMatch(message);
});

test('convert both ways comes back to where it began', () => {
  const value = (outcome: Outcome): number =>
    (json(outcome) as unknown as { value: { mid: number } }).value.mid;
  for (const [amount, to, back] of [
    ['3 cups blackcurrant crushed', 'g', 'cup'],
    ['2 tbsp lemon-juice-bottled', 'ml', 'tbsp'],
    ['5 lb plum', 'kg', 'lb'],
  ] as const) {
    const [count = '', , ...name] = amount.split(' ');
    const there = value(calc('convert', amount, '--to', to));
    expect(value(calc('convert', `${there} ${to} ${name.join(' ')}`, '--to', back))).toBeCloseTo(
      Number(count),
      3,
    );
  }
});

test('docs/formula.schema.json is what the types say', () => {
  const printed = readFileSync(join(EXAMPLES, '../formula.schema.json'), 'utf8');
  expect(JSON.parse(printed)).toEqual(json(calc('schema')));
});

test('the schema refuses what readFormula refuses', () => {
  const fits = new Ajv2020({ strict: false, formats: { date: true } }).compile(
    json(calc('schema')),
  );
  const good = JSON.parse(files['damson.json'] ?? '') as object;
  expect(fits(good)).toBe(true);
  for (const change of [
    { kind: 'jamm' },
    { method: 'egg' },
    { lines: [] },
    { jars: [{ size: 'bucket' }] },
    { finish: { type: 'soluble-solids', percent: 99 } },
    { processing: 'oven' },
    { lines: [{ amount: '2 kg' }] },
  ])
    expect([change, fits({ ...good, ...change })]).toEqual([change, false]);
});

test('a document that cannot be computed: exit 2, nothing on standard output, one line a problem with its path', () => {
  const outcome = calc('balance', 'bad.json');
  expect(outcome).toMatchObject({ code: 2, out: '' });
  expect(outcome.err.split('\n')).toEqual([
    'lines[0].amount: "2 cupz": unknown unit "cupz"; did you mean "cups"?',
    expect.stringMatching(/^lines\[1\]\.ingredient: unknown ingredient "unobtainium"/) as string,
  ]);
});

test('gel by altitude, pressure and boiling point', () => {
  expect(json(calc('gel', '--altitude', '5280 ft'))).toMatchObject({
    processBand: '3001-6000-ft',
    boilingPoint_C: expect.closeTo(94.6, 1) as number,
  });
  expect(json(calc('gel', '--boiling-point=201.5 F'))).toMatchObject({
    gelTemperature_C: expect.closeTo(98.61, 2) as number,
    processBand: null,
  });
  expect(json(calc('gel', '--pressure', '842 hPa', '--altitude', '310 m'))).toMatchObject({
    pressure_kPa: 84.2,
    processBand: '1001-3000-ft',
  });
});

test.each([
  [['gel'], /needs --altitude/],
  [['gel', '--altitude', '12,000 m'], /--altitude: 12000 m .* not a height/],
  [['gel', '--altitude'], /needs a value/],
  [['gel', '--height', '3'], /unknown option; known are --altitude/],
  [['balance'], /needs one FILE/],
  [['balance', 'none.json'], /none\.json: cannot be read/],
  [['balance', 'broken.json'], /broken\.json: not JSON/],
  [['dance'], /there is no "dance"/],
])('%j is refused with help', (argv, message) => {
  const outcome = calc(...argv);
  expect(outcome).toMatchObject({ code: 2, out: '' });
  expect(outcome.err).toMatch(message);
});

test('each verb has --help', () => {
  for (const verb of Object.keys(VERBS))
    expect(calc(verb, '--help')).toMatchObject({
      code: 0,
      out: expect.stringContaining(`./kettle calc ${verb}`) as string,
    });
});

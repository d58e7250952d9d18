import { run, type Outcome } from './run.js';

const files: Record<string, string> = {
  'damson.json': JSON.stringify({
    format: 'idle-kettle/formula', version: 1, title: 'Damson jam', kind: 'jam', method: 'long-boil', finish: { type: 'gel-temperature' }, place: { altitude: '1180 m' },
    lines: [{ ingredient: 'damson', form: 'pitted', amount: '2.4 kg' }, { ingredient: 'white-sugar', amount: '2.2 kg' }], jars: [{ size: '454-g' }],
  }),
  'bad.json': JSON.stringify({ kind: 'jam', method: 'long-boil', lines: [{ ingredient: 'damson', amount: '2 cupz' }, { ingredient: 'unobtainium', amount: '1 kg' }], finish: { type: 'gel-temperature' } }),
  'broken.json': '{"kind": "jam"',
}; // prettier-ignore

const calc = (...argv: string[]): Outcome =>
  run(argv, (name) => {
    const text = files[name];
    if (text === undefined) throw new Error('ENOENT');
    return text;
  });
const json = (outcome: Outcome): Record<string, never> => JSON.parse(outcome.out) as Record<string, never>;

test('balance prints every key of the contract that is computed, and no invented one', () => {
  const outcome = calc('balance', 'damson.json');
  expect(outcome).toMatchObject({ code: 0, err: '' });
  expect(json(outcome)).toMatchObject({
    massIn_kg: { mid: 4.6 },
    finish: {
      temperature_C: { mid: expect.closeTo(100.5, 0) as number },
      solubleSolidsPercent: { low: expect.any(Number) as number },
    },
    waterToBoilOff_kg: { high: expect.any(Number) as number },
    jars: [
      {
        size: '454-g',
        count: { mid: expect.any(Number) as number },
        fillMass_g: { mid: expect.any(Number) as number },
      },
    ],
    readyJars: expect.any(Number) as number,
    yieldBracket: { least: expect.any(Number) as number, most: expect.any(Number) as number },
  });
  // The science of these comes later: absent, never faked.
  for (const key of ['pH', 'set', 'keeping', 'process']) expect(json(outcome)).not.toHaveProperty(key);
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
  [['gel'], /needs --altitude/], [['gel', '--altitude', '12,000 m'], /--altitude: 12000 m .* not a height/], [['gel', '--altitude'], /needs a value/],
  [['gel', '--height', '3'], /unknown option; known are --altitude/], [['balance'], /needs one FILE/], [['balance', 'none.json'], /none\.json: cannot be read/],
  [['balance', 'broken.json'], /broken\.json: not JSON/], [['dance'], /there is no "dance"/],
])('%j is refused with help', (argv, message) => {
  const outcome = calc(...argv);
  expect(outcome).toMatchObject({ code: 2, out: '' });
  expect(outcome.err).toMatch(message);
}); // prettier-ignore

test('each verb has --help', () => {
  for (const verb of ['balance', 'gel'])
    expect(calc(verb, '--help')).toMatchObject({
      code: 0,
      out: expect.stringContaining(`./kettle calc ${verb}`) as string,
    });
});

import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { bestRun, readScenario, scenarioOfBatch, SCENARIOS } from './index.js';
import { cookedBatch } from '../testing/cooked-batch.js';
import { documentOf } from '../testing/formula.js';

const written = (change: object): unknown => ({
  ...(JSON.parse(JSON.stringify(SCENARIOS[0])) as object),
  ...change,
});
const pathsOf = (value: unknown): readonly string[] => {
  const reading = readScenario(value);
  return reading.ok ? [] : reading.problems.map(({ path }) => path);
};

test.each([
  ['no object', 'jam', ['']],
  ['another format', written({ format: 'idle-kettle/formula' }), ['format']],
  ['a name with spaces', written({ id: 'My Pan' }), ['id']],
  ['no title', written({ title: undefined }), ['title']],
  ['a level there is not', written({ level: 'easy' }), ['level']],
  ['a pan without a size', written({ pan: { diameter_m: 0.3 } }), ['pan.volume_l']],
  ['a burner of a power station', written({ burner_W: 1e9 }), ['burner_W']],
  ['a field that is not known', written({ seed: 3 }), ['seed']],
  ['fruit without a number', written({ fruit: { pectin: 'little' } }), ['fruit.pectin']],
  [
    'a happening that is not known',
    written({ happenings: [{ type: 'earthquake' }] }),
    ['happenings[0].type'],
  ],
  [
    'half of a happening',
    written({ happenings: [{ type: 'power-cut', minutes: 5 }] }),
    ['happenings[0].belowFinish_K'],
  ],
  ['nothing in the pan', written({ formula: { lines: [] } }), ['formula.lines']],
  [
    'something unknown within reach',
    written({ within: [{ ingredient: 'unobtainium', amount: '1 kg' }] }),
    ['within[0].ingredient'],
  ],
])('%s is named with its path', (_, value, paths) => {
  expect(pathsOf(value)).toEqual(paths);
});

test('what is wrong says what would be right', () => {
  const reading = readScenario(written({ cardMinutes: 'ten' }));
  expect(reading).toEqual({
    ok: false,
    problems: [{ path: 'cardMinutes', message: '"ten": write a number from 1 to 3000 min' }],
  });
});

test('the document that describes the format is an example of it, and names every field', () => {
  const text = readFileSync(join(__dirname, '../../../../docs/practice-scenario.md'), 'utf8');
  const [, json = ''] = /```json\n([\s\S]*?)```/.exec(text) ?? [];
  const written: unknown = JSON.parse(json);
  expect(readScenario(written)).toEqual({ ok: true, scenario: written });
  const missing = readScenario({ unheardOf: 1 });
  const known = missing.ok
    ? ''
    : (missing.problems.find(({ path }) => path === 'unheardOf')?.message ?? '');
  const fields = known.replace(/^.* there are /, '').split(', ');
  expect(fields.length).toBeGreaterThan(12);
  for (const field of fields) expect(text).toContain(`\`${field}\``);
});

test('a batch of one’s own is a pan: read as any other, and it can be cooked well', () => {
  const kitchen = { altitude_m: 640 };
  const document = documentOf([
    ['1.2 kg', 'blackcurrant'],
    ['600 ml', 'water'],
    ['1.3 kg', 'white-sugar'],
  ]);
  const { boil } = cookedBatch({ document, kitchen, seed: 4 });
  const scenario = scenarioOfBatch({
    id: '0b6f1e0a-4a0e-4c46-9a4b-0b8f4a7d6f11',
    document: { ...document, title: 'Blackcurrant jam, August' },
    boil,
    kitchen,
  });
  expect(readScenario(JSON.parse(JSON.stringify(scenario)))).toMatchObject({ ok: true });
  // It was cooked at 1500 W: its log tells so, within what a fit knows.
  expect(scenario).toMatchObject({ altitude_m: 640 });
  expect(Math.abs((scenario?.burner_W ?? 0) / 1500 - 1)).toBeLessThan(0.25);
  const took_min = ((boil.endedAt ?? 0) - (boil.startedAt ?? 0)) / 60_000;
  expect(scenario?.cardMinutes).toBeCloseTo(took_min, 6);
  expect(scenario && bestRun(scenario, 3).result.score).toBeGreaterThan(85);
});

test('a batch that was never on the heat is no pan to practise with', () => {
  const document = documentOf([['1 kg', 'damson']]);
  const { boil } = cookedBatch({ document, kitchen: { altitude_m: 0 }, seed: 1 });
  expect(
    scenarioOfBatch({
      id: 'a',
      document,
      boil: { ...boil, startedAt: undefined },
      kitchen: { altitude_m: 0 },
    }),
  ).toBeUndefined();
});

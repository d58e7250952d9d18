import { documentOf } from '../testing/formula.js';
import type { DocumentStage } from './document.js';
import { readFormula } from './read.js';
import { stageEndFrom } from './stages.js';
import { stagesFromText } from './stages-text.js';

// Common practice, no source: how cooks write it.
test.each<[string, DocumentStage[]]>([
  [
    '10 hours on low, covered; blend; 2 hours uncovered',
    [
      { lid: 'on', heat: 'low', time: '10 hours' },
      { lid: 'off', work: 'blend', time: '2 hours' },
    ],
  ],
  [
    'Cook in the slow cooker overnight on low. Uncover, turn to high and cook 2-3 hours or until it mounds on a spoon.',
    [
      { where: 'slow-cooker', heat: 'low', time: 'overnight' },
      { lid: 'off', heat: 'high', time: '2-3 hours', until: 'done' },
    ],
  ],
  [
    'Simmer until soft. Push through a sieve. Bake in a low oven, uncovered, for about 3 hours, until thick',
    [
      { heat: 'simmer', until: 'soft' },
      {
        where: 'oven',
        lid: 'off',
        heat: 'low',
        work: 'sieve',
        time: 'about 3 hours',
        until: 'done',
      },
    ],
  ],
  [
    'half an hour at a simmer with the lid ajar, then boil hard 15 min',
    [
      { lid: 'ajar', heat: 'simmer', time: 'half an hour' },
      { heat: 'fast', time: '15 min' },
    ],
  ],
  [
    'Simmer 1 1/2 hours until reduced by half',
    [{ heat: 'simmer', time: '1 1/2 hours', until: 'reduced by half' }],
  ],
  ['Ladle into hot jars and process 10 minutes in a boiling-water canner', []],
  ['Let it stand overnight. Wash the fruit.', []],
])('"%s"', (text, stages) => {
  expect(stagesFromText(text)).toEqual(stages);
});

test.each([
  ['2.1 kg', { type: 'mass', mass_kg: 2.1 }],
  ['it is down by a third', { type: 'share', left: 2 / 3 }],
  ['reduced to a third', { type: 'share', left: 1 / 3 }],
  ['two thirds gone', { type: 'share', left: 1 / 3 }],
  ['halved', { type: 'share', left: 0.5 }],
  ['it mounds', { type: 'finish' }],
  ['to the gel point', { type: 'finish' }],
  ['blue', undefined],
])('until %s', (text, end) => {
  const read = stageEndFrom(text);
  if (end === undefined || read === undefined) {
    expect(read).toEqual(end);
    return;
  }
  expect(read.type).toBe(end.type);
  const figures = (of: object): number[] =>
    Object.values(of).filter((value) => typeof value === 'number');
  figures(end).forEach((figure, i) => expect(figures(read)[i]).toBeCloseTo(figure, 9));
});

test('"7 pints" is a volume', () => {
  expect(stageEndFrom('7 pints')).toMatchObject({ type: 'volume' });
  const end = stageEndFrom('7 pints');
  // NIST Handbook 44: a US pint is 473.176 ml.
  expect(end?.type === 'volume' && end.volume_ml).toBeCloseTo(7 * 473.176, 0);
});

describe('in a document', () => {
  const read = (stages: unknown) =>
    readFormula({
      ...documentOf([['3 kg', 'apple']], {
        kind: 'fruit-butter',
        method: 'no-gel',
        finish: { type: 'consistency' },
      }),
      stages,
    });

  test('what a stage leaves unsaid is as before, or as is usual there', () => {
    const { formula, problems } = read([
      { where: 'slow-cooker', time: '10 h' },
      { heat: 'high', time: '1 h' },
      { where: 'burner', until: 'done' },
    ]);
    expect(problems).toEqual([]);
    expect(formula.stages.map(({ where, lid, heat }) => [where, lid, heat])).toEqual([
      ['slow-cooker', 'on', 'low'],
      ['slow-cooker', 'on', 'high'],
      ['burner', 'off', 'simmer'],
    ]);
  });

  test.each([
    [[{ where: 'slow-coker', time: '10 h' }], 'stages[0].where', /did you mean "slow-cooker"/],
    [[{ time: 'ten bananas' }], 'stages[0].time', /"10 h"/],
    [[{ until: 'blue' }], 'stages[0].until', /down by a third/],
    [[{ lid: 'on' }, { time: '1 h' }], 'stages[0]', /"time" or "until"/],
    [[{ time: '1 h', loss: 'a lot' }], 'stages[0].loss', /150 g\/h/],
    ['slowly', 'stages', /list of stages/],
  ])('%j', (stages, path, message) => {
    const [problem] = read(stages).problems;
    expect(problem?.path).toBe(path);
    expect(problem?.message).toMatch(message);
  });

  test('a document without stages keeps its fingerprint', () => {
    expect(read(undefined).formula.stages).toEqual([]);
  });
});

import { documentOf } from '../testing/formula.js';
import { differences } from './difference.js';

const before = documentOf([
  ['2.4 kg', 'damson'],
  ['300 ml', 'water'],
  ['2.2 kg', 'white-sugar'],
]);

test('nothing changed is nothing said', () =>
  expect(differences(before, structuredClone(before))).toEqual([]));

test('amounts, what came in and what went out are told by their names', () => {
  const after = documentOf([
    ['2.4 kg', 'damson'],
    ['2 kg', 'white-sugar'],
    ['30 ml', 'lemon-juice-bottled'],
  ]);
  expect(differences(before, after)).toEqual([
    'white sugar 2 kg, before 2.2 kg',
    'in: 30 ml lemon juice, bottled',
    'out: 300 ml water',
  ]);
});

test('the same fruit twice is matched by its amount first', () => {
  const twice = documentOf([
    ['1 kg', 'plum'],
    ['500 g', 'plum'],
  ]);
  expect(
    differences(
      twice,
      documentOf([
        ['500 g', 'plum'],
        ['1.2 kg', 'plum'],
      ]),
    ),
  ).toEqual(['plums, pitted 1.2 kg, before 1 kg']);
});

test('kind, way, finish, jars, process, title and notes are each a sentence', () => {
  const after = {
    ...before,
    title: 'Soft damson jam',
    finish: { type: 'gel-temperature', rise: '7 F' },
    jars: [{ size: 'pint', count: 3 }],
    processing: 'steam',
    preSterilised: true,
    notes: 'less firm',
  } as const;
  expect(differences(before, { ...after, jars: [...after.jars] })).toEqual([
    'called “Soft damson jam”, before “test”',
    'finished by gel-temperature 7 F, before gel-temperature',
    'in 3 × pints, before half-pints',
    'then steam, before boiling-water',
    'jars sterilised first',
    'the notes',
  ]);
});

test('the order alone is told', () => {
  expect(differences(before, { ...before, lines: before.lines.toReversed() })).toEqual([
    'lines in another order',
  ]);
});

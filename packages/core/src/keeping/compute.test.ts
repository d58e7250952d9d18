import { balance } from '../balance/index.js';
import { readFormula } from '../formula/index.js';
import { documentOf } from '../testing/formula.js';
import { assessKeeping } from './assess.js';
import { computeFormula } from './compute.js';

const UP = { altitude_m: 1180 };
const DAMSON = documentOf([
  ['2.4 kg', 'damson'],
  ['2.2 kg', 'white-sugar'],
]);

test('what is computed together is what is computed apart', () => {
  const { formula, problems, balance: made, keeping } = computeFormula(DAMSON, UP);
  expect(problems).toEqual([]);
  expect(made).toEqual(balance(readFormula(DAMSON, UP).formula));
  expect(keeping).toEqual(assessKeeping(formula, { notUnderstood: [] }));
  expect(keeping.verdict).toBe('shelf');
});

test.each([
  [
    'an ingredient',
    { lines: [...DAMSON.lines, { amount: '1 kg', ingredient: 'moonberry' }] },
    '“1 kg moonberry”',
  ],
  [
    'an amount',
    { lines: [...DAMSON.lines, { amount: 'lots', ingredient: 'plum' }] },
    '“lots plums”',
  ],
  ['a finish', { finish: { type: 'weight', mass: 'a lot' } }, 'finish'],
])('%s that is not understood: the rest is computed, but no shelf', (_, change, named) => {
  const {
    problems,
    balance: made,
    keeping,
  } = computeFormula({ ...DAMSON, ...change } as typeof DAMSON, UP);
  expect(problems).toHaveLength(1);
  expect(made?.massIn_kg.mid).toBeCloseTo(4.6, 6);
  expect(keeping).toMatchObject({ verdict: 'fridge', process: null });
  expect(`${keeping.reasons[0]?.text ?? ''} ${problems[0]?.path ?? ''}`).toContain(named);
});

test('nothing in the pan: no balance, no shelf, no exception', () => {
  const { balance: made, keeping } = computeFormula({ ...DAMSON, lines: [] }, UP);
  expect(made).toBeNull();
  expect(keeping.verdict).toBe('fridge');
});

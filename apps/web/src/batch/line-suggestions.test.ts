import { emptyFormula, readFormula, type FormulaDocument } from '@idle-kettle/core';
import { missingOf, typedLine } from './line-suggestions.js';

const KITCHEN = { altitude_m: 1180 };
const EMPTY = emptyFormula('Test', '340-g');
const typed = (text: string) => typedLine(text, EMPTY, KITCHEN);
const pan = (change: Partial<FormulaDocument>) =>
  missingOf(readFormula({ ...EMPTY, ...change }, KITCHEN).formula);

test('a line is read before it is added', () => {
  expect(typed('2.4 kg damsons, pitted').read).toMatchObject({
    ingredient: { id: 'damson' },
    form: 'pitted',
  });
  expect(typed('2.4 kg damsons, pitted').read?.mass_kg.mid).toBeCloseTo(2.4, 6);
  expect(typed('2 tbsp bottled lemon juice').read?.ingredient.id).toBe('lemon-juice-bottled');
  expect(typed('2.4 kg').read).toBeUndefined();
  expect(typed('').completions).toEqual([]);
});

test.each([
  ['2.4 kg dam', '2.4 kg damsons'],
  ['1½ cups blackc', '1½ cups blackcurrants'],
  ['quin', 'quinces'],
])('what is typed, “%s”, is completed to “%s”', (text, completion) =>
  expect(typed(text).completions[0]).toBe(completion),
);

test('a name that is whole, or a single letter, is offered nothing', () => {
  expect(typed('2.4 kg damsons').completions).toEqual([]);
  expect(typed('2.4 kg d').completions).toEqual([]);
});

test('what a pan still wants goes by its kind and method', () => {
  expect(pan({})).toEqual(['fruit', 'sugar']);
  const lines = [{ amount: '1 kg', ingredient: 'damson' }];
  expect(pan({ lines })).toEqual(['sugar']);
  expect(pan({ lines, method: 'powdered-pectin' })).toEqual(['sugar', 'powdered pectin']);
  const both = [...lines, { amount: '900 g', ingredient: 'white-sugar' }];
  expect(pan({ lines: both })).toEqual([]);
  expect(pan({ lines: both, kind: 'curd', method: 'egg' })).toEqual(['eggs']);
  expect(
    pan({ lines: [...lines, { amount: '900 g', ingredient: 'jam-sugar' }], method: 'jam-sugar' }),
  ).toEqual([]);
});

import { addLine, changeLine, moveLine, nameOfLine, removeLine, withName } from './line-edit.js';
import { emptyFormula } from '@idle-kettle/core';
import type { FormulaBody } from '@idle-kettle/contract';

const empty = emptyFormula('Test') as FormulaBody;

test('a line is added, changed and taken out without touching the others or the document before it', () => {
  const one = addLine('2.4 kg damsons, pitted')(empty);
  const two = addLine('2 kg sugar')(one);
  const changed = changeLine(1, (line) => ({ ...line, amount: '1.8 kg' }))(two);
  expect(changed.lines.map((line) => line.amount)).toEqual(['2.4 kg', '1.8 kg']);
  expect(removeLine(0)(changed).lines).toEqual([{ amount: '1.8 kg', ingredient: 'white-sugar' }]);
  expect(two.lines[1]?.amount).toBe('2 kg');
  expect(empty.lines).toEqual([]);
});

test('the field shows the trade’s name, and typing it back gives the same line', () => {
  for (const typed of [
    'damsons, pitted',
    'crushed blackberries',
    'white sugar',
    'redcurrant juice',
    'lemon juice, bottled',
  ]) {
    const line = withName({ amount: '1 kg', ingredient: '' }, typed);
    expect(withName({ amount: '1 kg', ingredient: '' }, nameOfLine(line))).toEqual(line);
  }
});

test('a name not understood is kept as typed, and a measured value stays with its line', () => {
  const line = withName(
    { amount: '1 kg', ingredient: 'damson', overrides: { solubleSolidsPercent: 18 } },
    'dimsoms',
  );
  expect(line).toEqual({
    amount: '1 kg',
    ingredient: 'dimsoms',
    overrides: { solubleSolidsPercent: 18 },
  });
  expect(nameOfLine(line)).toBe('dimsoms');
  expect(nameOfLine({ amount: '1 kg', name: 'Sea buckthorn' })).toBe('Sea buckthorn');
});

test('a line goes up and down, and stays at the ends', () => {
  const three = ['1 kg damsons', '900 g sugar', '200 ml water'].reduce(
    (document, text) => addLine(text)(document),
    empty,
  );
  const names = (document: FormulaBody): string =>
    document.lines.map((line) => line.ingredient).join(' ');
  expect(names(moveLine(2, 1)(three))).toBe('damson water white-sugar');
  expect(names(moveLine(0, 1)(three))).toBe('white-sugar damson water');
  expect(names(moveLine(0, 2)(three))).toBe('white-sugar water damson');
  expect(moveLine(0, -1)(three)).toBe(three);
  expect(moveLine(2, 3)(three)).toBe(three);
});

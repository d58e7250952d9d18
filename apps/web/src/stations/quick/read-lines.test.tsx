/** @jest-environment jsdom */
import { fireEvent, render, screen } from '@testing-library/react';
import { computeFormula, importFormula, type Corrections } from '@idle-kettle/core';
import { formatsOf } from '../../ui/preferences.js';
import { ReadLines } from './read-lines.js';

const TEXT = 'Odd jam\n1 kg damsons\n1 kg sugar\n200 g moonfruit\nBoil to a set.';

function show(
  corrections: Corrections = new Map(),
  foodNames = [{ words: 'moonfruit', ingredient: 'sloe' }],
) {
  const imported = importFormula(TEXT, { corrections });
  if (!imported.ok) throw new Error(imported.message);
  const { formula } = computeFormula(imported.document, {});
  const onCorrect = jest.fn();
  render(
    <ReadLines
      lines={imported.lines}
      pot={new Map(formula.lines.map((line) => [line.index, line]))}
      corrections={corrections}
      foodNames={foodNames}
      onCorrect={onCorrect}
      formats={formatsOf({ units: 'metric', temperatureUnit: 'C' })}
    />,
  );
  return onCorrect;
}

test('every line is there with its own words and what it was taken for', () => {
  show();
  const lines = screen.getAllByRole('listitem').map((line) => line.textContent);
  expect(lines).toHaveLength(5);
  expect(lines[0]).toContain('Odd jam → title');
  expect(lines[1]).toContain('1 kg damsons → 1.00 kg damsons');
  expect(lines[4]).toContain('→ step');
  expect(screen.getByRole('status').textContent).toContain('1 line needs an answer');
});

test('a line that is not understood is picked, as before, written anew, or said to be no food', () => {
  const onCorrect = show();
  fireEvent.click(screen.getByRole('button', { name: 'As before: sloes' }));
  expect(onCorrect).toHaveBeenLastCalledWith(3, { type: 'picked', ingredient: 'sloe' });
  fireEvent.change(screen.getByRole('textbox'), { target: { value: '200 g sloes' } });
  fireEvent.click(screen.getByRole('button', { name: 'Read again' }));
  expect(onCorrect).toHaveBeenLastCalledWith(3, { type: 'rewritten', text: '200 g sloes' });
  fireEvent.click(screen.getByRole('button', { name: 'No food' }));
  expect(onCorrect).toHaveBeenLastCalledWith(3, { type: 'no-food' });
});

test('a correction can be undone', () => {
  const onCorrect = show(new Map([[3, { type: 'no-food' }]]));
  expect(screen.queryByRole('status')).toBeNull();
  fireEvent.click(screen.getByRole('button', { name: 'No food. Undo' }));
  expect(onCorrect).toHaveBeenLastCalledWith(3, undefined);
});

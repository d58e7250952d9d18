/** @jest-environment jsdom */
import { act, renderHook } from '@testing-library/react';
import * as React from 'react';
import type { FormulaBody } from '@idle-kettle/contract';
import { emptyFormula } from '@idle-kettle/core';

const damson = emptyFormula('Damson jam') as FormulaBody;

/** The module as a freshly loaded page has it. */
const freshPage = () => {
  jest.resetModules();
  // The library that shows it stays the same one.
  jest.doMock('react', () => React);
  return jest.requireActual<typeof import('./use-history.js')>('./use-history.js');
};

test('a reload keeps what can be undone of the open batch, and of no other', () => {
  const { useHistory } = freshPage();
  const { result } = renderHook(() => useHistory('one'));
  act(() => result.current[1]({ past: [damson], future: [], label: 'amount', at: 1 }));
  // The page is closed before the moment is over in which it would have been written.
  act(() => void window.dispatchEvent(new Event('pagehide')));

  const again = freshPage();
  expect(renderHook(() => again.useHistory('one')).result.current[0].past).toEqual([damson]);
  expect(renderHook(() => again.useHistory('two')).result.current[0].past).toEqual([]);
});

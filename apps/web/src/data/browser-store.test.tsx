/** @jest-environment jsdom */
import { act, render, screen } from '@testing-library/react';
import { anObject, browserStore, oneOf } from './browser-store.js';

const COLOURS = ['plum', 'quince'] as const;
const make = (key: string) =>
  browserStore({ key, parse: oneOf(COLOURS), otherwise: () => 'plum' as const });

beforeEach(() => localStorage.clear());

test('what is set is there for the next page, and what was never set is the usual one', () => {
  expect(make('a').get()).toBe('plum');
  make('a').set('quince');
  expect(make('a').get()).toBe('quince');
});

test.each([
  ['a word of another time', '"mulberry"'],
  ['half a text', '{"pla'],
  ['nothing that is one of them', '7'],
])('%s is read as the usual one', (_, text) => {
  localStorage.setItem('a', text);
  expect(make('a').get()).toBe('plum');
});

test('a word that was once written without quotes is read', () => {
  localStorage.setItem('a', 'quince');
  expect(make('a').get()).toBe('quince');
});

test('every component that shows it follows', () => {
  const store = make('b');
  const Shown = () => <p>{store.use()}</p>;
  render(
    <>
      <Shown />
      <Shown />
    </>,
  );
  act(() => store.set('quince'));
  expect(screen.getAllByText('quince')).toHaveLength(2);
});

test('a browser that withholds its storage keeps it until the page is closed', () => {
  const full = jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
  const store = browserStore<{ n?: number }>({ key: 'c', parse: anObject, otherwise: () => ({}) });
  store.set({ n: 1 });
  expect(store.get()).toEqual({ n: 1 });
  full.mockRestore();
});

/** @jest-environment jsdom */
import { screen } from '@testing-library/react';
import { show } from '../testing/with-preferences.js';
import { Shortcuts } from './shortcuts.js';

const newBatch = jest.fn();
jest.mock('../batch/new-batch.js', () => ({ useNewBatch: () => newBatch }));

test('a question mark shows every key, page by page; Escape hides them', async () => {
  const { user } = show(<Shortcuts />);
  expect(screen.queryByRole('region', { name: 'Keys' })).toBeNull();
  await user.keyboard('?');
  for (const page of ['Everywhere', 'Balance', 'Boil'])
    expect(screen.getByRole('heading', { name: page })).toBeTruthy();
  expect(screen.getByText('Alt L').nextSibling?.textContent).toBe('type a line');
  await user.keyboard('{Escape}');
  expect(screen.queryByRole('region', { name: 'Keys' })).toBeNull();
});

test('Alt and B begin a new batch from anywhere', async () => {
  const { user } = show(<Shortcuts />);
  await user.keyboard('{Alt>}b{/Alt}');
  expect(newBatch).toHaveBeenCalledTimes(1);
});

/** @jest-environment jsdom */
import { screen } from '@testing-library/react';
import { show } from '../../testing/with-preferences.js';
import { TestRow } from './entry-row.js';

test('a set test is one tap on what was seen; the way it was tested stays chosen', async () => {
  const onTest = jest.fn();
  const { user } = show(<TestRow onTest={onTest} />);
  await user.click(screen.getByRole('button', { name: 'runs' }));
  expect(onTest).toHaveBeenLastCalledWith('plate', 'runs');
  await user.click(screen.getByRole('radio', { name: 'Off the spoon' }));
  await user.click(screen.getByRole('button', { name: 'wrinkles' }));
  expect(onTest).toHaveBeenLastCalledWith('sheet', 'wrinkles');
  // One group of real radio buttons: arrow keys go through them.
  const [plate, spoon] = ['Cold plate', 'Off the spoon'].map((name) =>
    screen.getByRole<HTMLInputElement>('radio', { name }),
  );
  expect(plate?.checked).toBe(false);
  expect(plate?.name).toBe(spoon?.name);
});

/** @jest-environment jsdom */
import { screen } from '@testing-library/react';
import { show, US } from '../../testing/with-preferences.js';
import { ReadingEntry } from './reading-entry.js';

const GEL_C = 100.5;
const entry = (onReading: (temperature_C: number) => void) => (
  <ReadingEntry near_C={96.1} gel_C={GEL_C} onReading={onReading} />
);

test('one tap logs the value that is shown, around the last reading', async () => {
  const onReading = jest.fn();
  const { user } = show(entry(onReading));
  await user.click(screen.getByRole('button', { name: 'Reading 96.5 degrees' }));
  expect(onReading).toHaveBeenCalledWith(96.5);
});

test('the row goes up to the finish, which is marked by a word too', async () => {
  const { user } = show(entry(jest.fn()));
  await user.click(screen.getByRole('button', { name: 'Higher values' }));
  await user.click(screen.getByRole('button', { name: 'Higher values' }));
  expect(screen.getByRole('button', { name: 'Reading 100.5 degrees, at the finish' })).toBeTruthy();
});

test.each([
  ['97,4', {}, 97.4],
  ['207 F', {}, 97.22],
  ['207', US, 97.22],
  ['97 C', US, 97],
])('typed, “%s” is read', async (text, preferences, temperature_C) => {
  const onReading = jest.fn();
  const { user } = show(entry(onReading), preferences);
  await user.type(screen.getByRole('textbox'), `${text}{Enter}`);
  const [[logged]] = onReading.mock.calls as [[number]];
  expect(logged).toBeCloseTo(temperature_C, 2);
});

test('what is no temperature is said, and stays to be mended', async () => {
  const onReading = jest.fn();
  const { user } = show(entry(onReading));
  await user.type(screen.getByRole('textbox'), 'hot{Enter}');
  expect(screen.getByRole('alert').textContent).toMatch(/temperature/);
  expect(screen.getByRole<HTMLInputElement>('textbox').value).toBe('hot');
  expect(onReading).not.toHaveBeenCalled();
});

/** @jest-environment jsdom */
import { fireEvent, screen } from '@testing-library/react';
import { show, US } from '../testing/with-preferences.js';
import { MeasureInput, TextInput } from './measure-input.js';

const mass = (onChange: (value: number | undefined) => void, value?: number) => (
  <MeasureInput
    label="weighs"
    of="kilograms"
    value={value}
    least={0.01}
    most={20}
    onChange={onChange}
  />
);
const field = () => screen.getByLabelText<HTMLInputElement>(/weighs/);

test.each([
  ['1.9', {}, 1.9],
  ['1,9 kg', {}, 1.9],
  ['900 g', {}, 0.9],
  ['4 lb', US, 1.8144],
  ['4 lb 8 oz', US, 2.0412],
])('“%s” is read when the field is left', async (text, preferences, kilograms) => {
  const onChange = jest.fn();
  const { user } = show(mass(onChange), preferences);
  await user.type(field(), text);
  expect(onChange).not.toHaveBeenCalled();
  await user.tab();
  expect(onChange).toHaveBeenCalledWith(kilograms);
});

test('what cannot be read stays as it was typed, with what would be right', async () => {
  const onChange = jest.fn();
  const { user } = show(mass(onChange));
  await user.type(field(), '2 cups{Enter}');
  expect(screen.getByRole('alert').textContent).toMatch(/write "1\.9 kg" or "4 lb"/);
  expect(field().value).toBe('2 cups');
  expect(field().getAttribute('aria-invalid')).toBe('true');
  await user.clear(field());
  await user.type(field(), '2 kg{Enter}');
  expect(screen.queryByRole('alert')).toBeNull();
  expect(onChange).toHaveBeenLastCalledWith(2);
});

test('beyond its limits it says which they are, in the person’s units', async () => {
  const onChange = jest.fn();
  const { user } = show(mass(onChange), US);
  await user.type(field(), '99 lb{Enter}');
  expect(screen.getByRole('alert').textContent).toMatch(/write .*oz to 44 lb/);
  expect(onChange).not.toHaveBeenCalled();
});

test('emptied, the value is gone; left as it was, nothing changes', async () => {
  const onChange = jest.fn();
  const { user } = show(mass(onChange, 2.5));
  expect(field().value).toBe('2.5 kg');
  fireEvent.focus(field());
  await user.tab();
  expect(onChange).not.toHaveBeenCalled();
  await user.clear(field());
  await user.tab();
  expect(onChange).toHaveBeenCalledWith(undefined);
});

test('a name that is emptied goes back to what it was', async () => {
  const onChange = jest.fn();
  const { user } = show(<TextInput label="name" value="Copper pan" onChange={onChange} />);
  const input = screen.getByLabelText<HTMLInputElement>('name');
  await user.clear(input);
  await user.tab();
  expect(input.value).toBe('Copper pan');
  await user.type(input, ' large{Enter}');
  expect(onChange).toHaveBeenCalledWith('Copper pan large');
});

/** @jest-environment jsdom */
import { fireEvent, render, screen } from '@testing-library/react';
import { useNoDoubleTouch } from './double-touch.js';

function Stove({ onTouch }: { readonly onTouch: (what: string) => void }) {
  return (
    <div onClickCapture={useNoDoubleTouch()}>
      <button onClick={() => onTouch('stirred')}>Stirred</button>
      <button onClick={() => onTouch('finish')}>Finish cooking</button>
      <button data-repeat onClick={() => onTouch('higher')}>
        higher
      </button>
    </div>
  );
}

/** A touch of a button at a place, at a time by the browser's clock. */
function touch(name: string, at: number, clientX: number, detail = 1): void {
  const event = new MouseEvent('click', { bubbles: true, cancelable: true, detail, clientX });
  Object.defineProperty(event, 'timeStamp', { value: at });
  fireEvent(screen.getByRole('button', { name }), event);
}

test('a second touch of the same spot within 0.6 s is no touch, whatever is there by then', () => {
  const onTouch = jest.fn();
  render(<Stove onTouch={onTouch} />);
  touch('Stirred', 1000, 100);
  touch('Finish cooking', 1400, 110);
  expect(onTouch.mock.calls).toEqual([['stirred']]);
  touch('Finish cooking', 2100, 110);
  expect(onTouch).toHaveBeenLastCalledWith('finish');
});

test('another spot, a key, and what is meant to be tapped often are heard at once', () => {
  const onTouch = jest.fn();
  render(<Stove onTouch={onTouch} />);
  touch('Stirred', 1000, 100);
  touch('Finish cooking', 1100, 300);
  touch('Stirred', 1150, 300, 0);
  for (const at of [1200, 1300, 1400]) touch('higher', at, 300);
  expect(onTouch.mock.calls.flat()).toEqual([
    'stirred',
    'finish',
    'stirred',
    'higher',
    'higher',
    'higher',
  ]);
});

/** @jest-environment jsdom */
import { act, renderHook } from '@testing-library/react';
import { useDrawnParts } from './use-drawn-parts.js';

test('one more part every frame, until all are drawn', () => {
  const frames: FrameRequestCallback[] = [];
  jest
    .spyOn(window, 'requestAnimationFrame')
    .mockImplementation((callback) => frames.push(callback));
  const drawn = renderHook(() => useDrawnParts(3));
  const counts = [drawn.result.current];
  while (frames.length > 0 && counts.length < 9) {
    act(() => frames.shift()?.(0));
    counts.push(drawn.result.current);
  }
  expect(counts).toEqual([1, 2, 3]);
});

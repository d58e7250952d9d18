import { useRef, type MouseEvent } from 'react';

/** A second touch of the same spot sooner than this was not meant, ms. */
const SECOND_TOUCH_MS = 600;
/** As far apart as two touches of one wet finger may land, px. */
const SAME_SPOT_PX = 40;

interface Touch {
  readonly at: number;
  readonly x: number;
  readonly y: number;
}

/**
 * Lets a second touch of the same spot pass unheard: under a wet finger that touches twice there may
 * be another button by then.
 * @returns what listens to clicks on their way down
 */
export function useNoDoubleTouch(): (event: MouseEvent) => void {
  const last = useRef<Touch>(undefined);
  return (event) => {
    // Keys press buttons without a place.
    if (event.detail === 0) return;
    // What is meant to be tapped again and again says so.
    if (event.target instanceof Element && event.target.closest('[data-repeat]')) return;
    const touch = { at: event.timeStamp, x: event.clientX, y: event.clientY };
    const before = last.current;
    const isSecond =
      before !== undefined &&
      touch.at - before.at < SECOND_TOUCH_MS &&
      Math.hypot(touch.x - before.x, touch.y - before.y) < SAME_SPOT_PX;
    if (isSecond) {
      event.preventDefault();
      event.stopPropagation();
      return;
    }
    last.current = touch;
  };
}

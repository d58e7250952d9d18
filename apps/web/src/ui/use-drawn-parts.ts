import { useEffect, useState } from 'react';

/**
 * How many parts of a long page to draw by now, from 1 to `count`: one more every frame, so that a
 * slow device answers a tap between them. Parts come in the order they stand in, so that none moves
 * another.
 */
export function useDrawnParts(count: number): number {
  const [drawn, setDrawn] = useState(1);
  useEffect(() => {
    if (drawn >= count) return undefined;
    const frame = requestAnimationFrame(() => setDrawn(drawn + 1));
    return () => cancelAnimationFrame(frame);
  }, [drawn, count]);
  return drawn;
}

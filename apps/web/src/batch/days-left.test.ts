import type { LotView } from '@idle-kettle/contract';
import { daysLeft } from './days-left.js';

test('days are counted by the calendar', () => {
  const today = new Date('2026-11-25T12:00:00.000Z');
  const left = (bestBefore: string | null): number =>
    daysLeft({ keeping: { verdict: 'shelf', reason: '', bestBefore } } as LotView, today);
  expect([left('2026-11-26'), left('2026-11-25'), left('2026-11-24')]).toEqual([1, 0, -1]);
  expect(left(null)).toBe(Infinity);
});

import { TriangleAlert } from 'lucide-react';
import type { Clash } from '@idle-kettle/core';
import { clockOf } from './clock-of.js';

/**
 * Where this batch and another want the same cook or the same canner, and one tap that moves this
 * one clear.
 */
export function Clashes({
  clashes,
  now,
  onMove,
}: {
  readonly clashes: readonly Clash[];
  readonly now: number;
  readonly onMove: () => void;
}) {
  const [first] = clashes;
  if (!first) return null;
  const { step, with: other } = first;
  return (
    <div
      role="status"
      aria-label="Clash"
      className="mt-3 flex flex-wrap items-center justify-between gap-3 rounded-[12px] border-2 border-secondary px-4 py-2 print:hidden"
    >
      <p className="flex min-w-0 flex-1 items-start gap-2">
        <TriangleAlert aria-hidden="true" className="mt-0.5 size-5 shrink-0 text-watch" />
        <span>
          <strong>{other.what}</strong> wants {other.of === 'cook' ? 'you' : 'the canner'} from{' '}
          {clockOf(other.from, now)} to {clockOf(other.to, now)}; here it is “{step.text}” at{' '}
          {clockOf(step.start, now)}.
        </span>
      </p>
      <button type="button" className="btn btn-primary" onClick={onMove}>
        Reschedule
      </button>
    </div>
  );
}

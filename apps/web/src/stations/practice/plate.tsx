import { memo } from 'react';
import type { Deed, TestVerdict } from '@idle-kettle/core';
import { shortcutTarget } from '../../ui/shortcuts.js';
import { PLATE_WORDS } from './words.js';

interface PlateProps {
  readonly onPlate_s: number | undefined;
  readonly shows: TestVerdict;
  readonly last: TestVerdict | undefined;
  readonly canTake: boolean;
  readonly onAct: (deed: Deed) => void;
}

/** How wide the spoonful has run on the plate, px, by what it shows. */
const RUNS_PX: Readonly<Record<TestVerdict, number>> = {
  runs: 34,
  'slowly closes': 29,
  'holds a line': 25,
  wrinkles: 21,
  stiff: 17,
};
/** It is cold enough to tell after so long, s. Common practice. */
const TELLS_AFTER_S = 90;

/** A spoonful on the cold plate: watched as it cools, then pushed. */
export const Plate = memo(function Plate({ onPlate_s, shows, last, canTake, onAct }: PlateProps) {
  const isOn = onPlate_s !== undefined;
  const isCold = isOn && onPlate_s >= TELLS_AFTER_S;
  return (
    <section aria-label="Cold plate" className="flex items-center gap-4">
      <svg aria-hidden="true" viewBox="0 0 100 64" className="w-24 shrink-0">
        <ellipse
          cx="50"
          cy="36"
          rx="48"
          ry="25"
          fill="var(--color-base-100)"
          stroke="var(--line)"
          strokeWidth="3"
        />
        <ellipse cx="50" cy="36" rx="34" ry="16" fill="none" stroke="var(--line)" strokeWidth="2" />
        {isOn && (
          <>
            <ellipse
              cx="50"
              cy="35"
              rx={RUNS_PX[shows]}
              ry={RUNS_PX[shows] * 0.42}
              fill="var(--fruit)"
            />
            {(shows === 'wrinkles' || shows === 'stiff') && (
              <path
                d="M38 33q6 -5 12 0t12 0M40 38q5 -4 10 0t10 0"
                fill="none"
                stroke="var(--color-base-100)"
                strokeWidth="1.6"
              />
            )}
          </>
        )}
      </svg>
      <div className="min-w-0">
        {isOn ? (
          <>
            <p role="status">
              {isCold ? 'Cold enough to tell.' : 'Still warm: it looks thinner than it is.'}
            </p>
            <button
              type="button"
              className="btn mt-1"
              onClick={() => onAct({ type: 'push' })}
              {...shortcutTarget('test')}
            >
              Push it
            </button>
          </>
        ) : (
          <>
            <p role="status">
              {last === undefined ? 'Nothing on it yet.' : `${PLATE_WORDS[last]}.`}
            </p>
            <button
              type="button"
              className="btn mt-1"
              disabled={!canTake}
              onClick={() => onAct({ type: 'plate' })}
              {...shortcutTarget('test')}
            >
              Put a spoonful on the plate
            </button>
          </>
        )}
      </div>
    </section>
  );
});

import { Maximize2 } from 'lucide-react';
import type { ReactNode } from 'react';

interface TimeLeftProps {
  readonly head: string;
  readonly large: string;
  readonly isMinute: boolean;
  readonly left: string | undefined;
  readonly onHeat: string;
  readonly isStale: boolean;
  readonly onBig: () => void;
  /** More about the time on the heat. */
  readonly children?: ReactNode;
}

/** The time left by the forecast, or the time on the heat; and the way into the big view. */
export function TimeLeft({
  head,
  large,
  isMinute,
  left,
  onHeat,
  isStale,
  onBig,
  children,
}: TimeLeftProps) {
  return (
    <div className="col-span-2">
      <div className="flex items-start justify-between gap-2">
        <p className="text-soft">{head}</p>
        <button
          type="button"
          className="btn btn-ghost -mt-2 -mr-3 px-3"
          onClick={onBig}
          aria-label="Big view"
        >
          <Maximize2 aria-hidden="true" className="size-5" /> Big view
        </button>
      </div>
      {left === undefined ? (
        <p
          role="timer"
          aria-label={isMinute ? 'timed minute' : 'on the heat'}
          className={`display text-[52px] leading-none sm:text-[60px] ${isMinute ? 'text-watch' : ''}`}
        >
          {large}
        </p>
      ) : (
        <>
          <p
            aria-label={`Time left: ${left}`}
            className={`display text-[44px] leading-none sm:text-[50px] ${isStale ? 'text-soft' : ''}`}
          >
            {left}
          </p>
          <p className="mt-1 text-soft">
            {isStale && <strong className="text-watch">Old reading: take one now · </strong>}
            <span role="timer" aria-label="on the heat">
              {onHeat}
            </span>{' '}
            {!isStale && 'on the heat'}
            {children}
          </p>
        </>
      )}
    </div>
  );
}

import { X } from 'lucide-react';
import { useMemo, type ReactNode } from 'react';
import { Link, useLocation } from 'react-router';
import { clock, useNow } from '../ui/now.js';
import { removeTimer, useTimers, type KitchenTimer } from '../ui/timers.js';
import { bySoonest, useRunningClocks, type RunningClock } from './running-clocks.js';
import * as dates from '../ui/dates.js';

const asClock = ({ id, name, endsAt }: KitchenTimer): RunningClock => ({
  id,
  kind: 'timer',
  words: '',
  title: name,
  to: undefined,
  left_ms: (now) => endsAt - now,
});

/** Every clock that runs, of all batches and of the timers of this device, the soonest first. */
export function useClocks(): readonly RunningClock[] {
  const running = useRunningClocks();
  const timers = useTimers();
  return useMemo(() => [...running, ...timers.map(asClock)], [running, timers]);
}

/** The clocks that run, in one slim bar. There is none while nothing runs. */
export function ClockBar({ children }: { readonly children?: ReactNode }) {
  const all = useClocks();
  const { pathname } = useLocation();
  const now = useNow();
  // At the stove of a batch its own advice says when to stir.
  const clocks = all.filter(({ kind, to }) => kind !== 'stir' || to !== pathname);
  if (clocks.length === 0) return null;
  return (
    <section
      aria-label="Clocks"
      className="flex min-h-[44px] items-center gap-x-2 bg-neutral text-neutral-content md:rounded-[12px] print:hidden"
    >
      <ul className="flex min-w-0 flex-1 items-center overflow-x-auto px-2 [scrollbar-width:none]">
        {[...clocks].sort(bySoonest(now)).map((each) => (
          <li
            key={each.id}
            className="flex shrink-0 items-center not-first:border-l not-first:border-current/30"
          >
            <OneClock running={each} now={now} />
          </li>
        ))}
      </ul>
      {children}
    </section>
  );
}

/** How a clock is told: what is left, "now", or a time of day. */
export function leftWords({ left_ms, at, kind }: RunningClock, now: number): string {
  const left = left_ms(now);
  if (left <= 0) return kind === 'timer' ? 'time is up' : 'now';
  return at === undefined ? clock(left + 999) : dates.time(at);
}

function OneClock({ running, now }: { readonly running: RunningClock; readonly now: number }) {
  const { id, to, title, words, kind } = running;
  const isUp = running.left_ms(now) <= 0;
  const shown = (
    <>
      <strong className={`text-lg ${isUp ? 'rounded bg-warning px-1.5 text-warning-content' : ''}`}>
        {leftWords(running, now)}
      </strong>
      <span className="max-w-[60vw] truncate">
        {[words, title].filter((part) => part !== '').join(', ')}
      </span>
    </>
  );
  const look = 'flex min-h-[44px] items-center gap-2 px-2.5 whitespace-nowrap';
  if (to !== undefined)
    return (
      <Link to={to} className={`${look} hover:underline`}>
        {shown}
      </Link>
    );
  return (
    <span className={look}>
      <span role="timer" aria-label={title} className="flex items-center gap-2">
        {shown}
      </span>
      {kind === 'timer' && (
        <button
          type="button"
          className="btn btn-ghost btn-square size-11 text-inherit"
          aria-label={`Delete the timer ${title}`}
          onClick={() => removeTimer(id)}
        >
          <X aria-hidden="true" className="size-5" />
        </button>
      )}
    </span>
  );
}

import { Timer, X } from 'lucide-react';
import { useEffect } from 'react';
import { ring, say, useCall } from '../ui/attention.js';
import { clock, useNow } from '../ui/now.js';
import { removeTimer, ringDue, useTimers } from '../ui/timers.js';

/** A timer whose time is over rings so often. */
const RINGS = 3;

/** The timers of this device, on every screen; they ring wherever one is. */
export function TimerRow() {
  const timers = useTimers();
  const now = useNow();
  const call = useCall();
  useEffect(() => {
    const names = ringDue(now);
    if (names.length === 0 || call === 'silent') return;
    ring(RINGS);
    if (call === 'spoken') say(`${names.join(', ')}: time is up`);
  }, [now, call]);
  if (timers.length === 0) return null;
  return (
    <section
      aria-label="Timers"
      className="sticky top-0 z-20 flex flex-wrap gap-2 bg-base-300 px-3 py-2 print:hidden"
    >
      {timers.map(({ id, name, endsAt }) => {
        const left = endsAt - now;
        return (
          <span
            key={id}
            role="timer"
            aria-label={name}
            className={`flex min-h-[44px] items-center gap-2 rounded-full border px-3 text-lg ${left <= 0 ? 'border-warning bg-base-100 font-bold text-watch' : 'border-line bg-base-100'}`}
          >
            <Timer aria-hidden="true" className="size-5" />
            {name} <strong>{left <= 0 ? 'time is up' : clock(left + 999)}</strong>
            <button
              type="button"
              className="btn btn-ghost btn-square size-11"
              aria-label={`Delete the timer ${name}`}
              onClick={() => removeTimer(id)}
            >
              <X aria-hidden="true" className="size-5" />
            </button>
          </span>
        );
      })}
    </section>
  );
}

import { CloudOff } from 'lucide-react';
import { useOutbox } from '../data/queries.js';
import { outbox } from '../data/outbox.js';

const counted = (n: number, one: string, many: string): string => `${n} ${n === 1 ? one : many}`;

/** Says so when the server is away, and what is kept here meanwhile. Silent when all is well. */
export function SyncPill() {
  const { state, away, items, drafts } = useOutbox();
  if (state !== 'away') return null;
  const waiting = [
    items.length > 0 && counted(items.length, 'entry', 'entries'),
    drafts.size > 0 && counted(drafts.size, 'formula', 'formulas'),
  ]
    .filter(Boolean)
    .join(' and ');
  return (
    <div
      role="status"
      className="sticky top-0 z-20 flex flex-wrap items-center justify-center gap-x-3 gap-y-1 border-b border-line px-4 py-2"
      style={{ background: 'var(--notice)' }}
    >
      <CloudOff aria-hidden="true" className="size-5 text-watch" />
      <span>
        <strong>{away === 'database' ? 'The database is away.' : 'The server is away.'}</strong>{' '}
        {waiting} kept on this device; sent when it is back.
      </span>
      <button type="button" className="btn btn-sm min-h-[36px]" onClick={outbox.hurry}>
        Try now
      </button>
    </div>
  );
}

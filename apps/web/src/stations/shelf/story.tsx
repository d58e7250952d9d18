import { useQuery } from '@tanstack/react-query';
import type { MoveView } from '@idle-kettle/contract';
import { request } from '../../data/api.js';
import { keys } from '../../data/queries.js';
import { MOVE_WORDS } from '../../ui/move-words.js';
import * as dates from '../../ui/dates.js';

/** Latest changes: to whom, and why. */
export function Story() {
  const moves = useQuery({
    queryKey: [...keys.shelf, 'moves'],
    queryFn: () => request<MoveView[]>('GET', '/shelf/moves'),
  });
  // What only changes place leaves one lot and comes to another: told once.
  const shown =
    moves.data?.filter(({ reason, change }) => !(reason === 'moved' && change > 0)) ?? [];
  if (shown.length === 0) return null;
  return (
    <details className="panel mt-4 p-4">
      <summary className="min-h-[44px] cursor-pointer text-lg">Latest changes</summary>
      <ul>
        {shown.map(({ id, title, change, reason, whom, note, at }) => (
          <li key={id} className="flex gap-3 border-b border-line py-2 last:border-b-0">
            <span className="w-28 shrink-0 text-soft">{dates.day(at)}</span>
            <span className="w-10 shrink-0 text-right font-bold">
              {change > 0 ? '+' : '−'}
              {Math.abs(change)}
            </span>
            <span>
              {title}, {MOVE_WORDS[reason]}
              {whom !== '' && ` to ${whom}`}
              {note !== '' && `: ${note}`}
            </span>
          </li>
        ))}
      </ul>
    </details>
  );
}

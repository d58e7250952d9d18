import { addMonths, format, parseISO } from 'date-fns';
import { toast } from 'sonner';
import type { LotView, MoveReason } from '@idle-kettle/contract';
import { useTheme } from '../../app/theme.js';
import { outbox } from '../../data/outbox.js';
import { fruitStyle } from '../../ui/fruit-colour.js';
import { JarPicture, jarName, partWords } from '../../ui/jar-picture.js';
import { sentence } from '../../ui/sentence.js';

function move(lot: LotView, change: number, reason: MoveReason): void {
  void outbox.addMove(lot.id, { id: crypto.randomUUID(), change, reason, at: new Date().toISOString() });
}

const WORDS = { eaten: 'opened', given: 'given away', discarded: 'thrown out' } as const;

function take(lot: LotView, reason: keyof typeof WORDS): void {
  move(lot, -1, reason);
  toast(`One ${lot.title} ${WORDS[reason]}`, {
    action: { label: 'Put it back', onClick: () => move(lot, 1, 'counted') },
    duration: 8000,
  });
}

/** Where the jars belong and until when, and why where it is not the shelf. */
function Kept({ lot: { keeping, madeOn } }: { readonly lot: LotView }) {
  const { verdict, reason, months } = keeping;
  const until = format(addMonths(parseISO(madeOn), months), 'MMM yyyy');
  if (verdict === 'shelf')
    return <p className="text-sm text-good">Shelf: cool, dark, dry. Best before {until}</p>;
  if (verdict === 'stop') return <p className="text-sm text-bad">Do not keep: {sentence(reason)}</p>;
  return <p className="text-sm text-watch">Fridge, within weeks, or freeze: {sentence(reason)}</p>;
}

/** Jars by lot: what it is, how many, when made, and one tap to take one. */
export function Lots({ lots }: { readonly lots: readonly LotView[] }) {
  const theme = useTheme();
  return (
    <ul className="panel px-4">
      {lots.map((lot) => (
        <li
          key={lot.id}
          style={fruitStyle(lot.fruit, theme)}
          className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-line py-3 last:border-b-0"
        >
          <JarPicture size={lot.size} fill={lot.partFill ?? 1} scale={62} />
          <div className="min-w-[11rem] flex-1">
            <p className="display text-lg leading-tight">{lot.title}</p>
            <p className="text-sm text-soft">
              {jarName(lot.size, 1)}
              {lot.partFill !== null && `, ${partWords(lot.partFill)}`} · made{' '}
              {format(parseISO(lot.madeOn), 'd MMM yyyy')}
            </p>
            <Kept lot={lot} />
          </div>
          <p className="display w-14 text-right text-[30px]" aria-label={`${lot.count} left`}>
            {lot.count}
          </p>
          <div className="flex gap-1.5">
            <button
              type="button"
              className="btn"
              disabled={lot.count === 0}
              onClick={() => take(lot, 'eaten')}
              aria-label={`Open one jar of ${lot.title}`}
            >
              Open one
            </button>
            <button
              type="button"
              className="btn btn-ghost"
              disabled={lot.count === 0}
              onClick={() => take(lot, 'given')}
              aria-label={`Give one jar of ${lot.title} away`}
            >
              Give
            </button>
            <button
              type="button"
              className="btn btn-ghost"
              disabled={lot.count === 0}
              onClick={() => take(lot, 'discarded')}
              aria-label={`Throw one jar of ${lot.title} out`}
            >
              Throw out
            </button>
          </div>
        </li>
      ))}
    </ul>
  );
}

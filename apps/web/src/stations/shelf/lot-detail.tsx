import { useState } from 'react';
import { Link } from 'react-router';
import type { LotView, MoveView } from '@idle-kettle/contract';
import { putBack, take, transfer } from '../../batch/jar-moves.js';
import { isBegun } from '../../batch/lot-state.js';
import { useMakeAgain } from '../../batch/new-batch.js';
import { useBatchQuery } from '../../data/queries.js';
import { useMovesOf } from '../../data/shelf.js';
import { CloseButton } from '../../ui/close-button.js';
import { fruitStyle } from '../../ui/fruit-colour.js';
import { jarName, partWords } from '../../ui/jar-picture.js';
import { MOVE_WORDS } from '../../ui/move-words.js';
import { useTheme } from '../../ui/theme.js';
import { useOpenedFocus } from '../../ui/use-opened-focus.js';
import { Kept, SealWords } from './kept.js';
import { LotMore } from './lot-more.js';
import { historyOf } from './move-history.js';
import * as dates from '../../ui/dates.js';

/** One lot: what it is, what can be done with it, what happened to it, and where it came from. */
export function LotDetail({
  lot,
  onClose,
}: {
  readonly lot: LotView;
  readonly onClose: () => void;
}) {
  const theme = useTheme();
  const panel = useOpenedFocus<HTMLElement>();
  const [open, setOpen] = useState<'give' | 'more'>();
  const begun = isBegun(lot);
  const isEmpty = lot.count === 0;
  const toggle = (which: 'give' | 'more'): void =>
    setOpen((was) => (was === which ? undefined : which));
  return (
    <aside
      ref={panel}
      tabIndex={-1}
      aria-label={lot.title}
      style={fruitStyle(lot.fruit, theme)}
      className="relative p-4 outline-none"
      onKeyDown={({ key }) => key === 'Escape' && onClose()}
    >
      <CloseButton onClose={onClose} />
      <p className="pr-12 text-soft">{lot.title}</p>
      <h2 className="text-[28px]">
        {lot.count} {lot.count === 1 ? 'jar' : 'jars'}
      </h2>
      <p className="pb-2 text-soft">
        {jarName(lot.size, 1)}
        {lot.partFill !== null && `, ${partWords(lot.partFill)}`}, made {dates.day(lot.madeOn)}
        {lot.place !== '' && `, ${lot.place}`}
      </p>
      <div className="border-y border-line py-2">
        <Kept lot={lot} />
        <SealWords lot={lot} />
      </div>
      <div className="grid grid-cols-2 gap-2 py-3">
        <button
          type="button"
          className="btn btn-primary"
          disabled={isEmpty}
          onClick={() => (begun ? take(lot, 1, 'eaten') : transfer(lot, 1, 'opened', ''))}
        >
          {begun ? 'Finished' : 'Open one'}
        </button>
        <button
          type="button"
          className="btn"
          aria-expanded={open === 'give'}
          disabled={isEmpty}
          onClick={() => toggle('give')}
        >
          Give…
        </button>
        <button
          type="button"
          className="btn"
          aria-expanded={open === 'more'}
          disabled={isEmpty}
          onClick={() => toggle('more')}
        >
          Move, more…
        </button>
        <Link to={`/batches/${lot.batchId}/labels`} className="btn">
          Print labels
        </Link>
      </div>
      {open === 'give' && <Give lot={lot} onDone={() => setOpen(undefined)} />}
      {open === 'more' && <LotMore lot={lot} onDone={() => setOpen(undefined)} />}
      <History lot={lot} />
      <Links lot={lot} />
    </aside>
  );
}

/** How many, and to whom where one likes to say. */
function Give({ lot, onDone }: { readonly lot: LotView; readonly onDone: () => void }) {
  const [count, setCount] = useState('1');
  const [whom, setWhom] = useState('');
  const many = Number(count);
  const isRight = /^\d{1,4}$/.test(count) && many >= 1 && many <= lot.count;
  return (
    <form
      aria-label="Give"
      className="mb-3 flex flex-wrap items-end gap-2 rounded-[12px] border border-line p-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (!isRight) return;
        take(lot, many, 'given', { whom: whom.trim() });
        onDone();
      }}
    >
      <label className="flex flex-col gap-1 text-sm text-soft">
        how many of {lot.count}
        <input
          inputMode="numeric"
          className="input w-20 text-base-content"
          aria-invalid={!isRight}
          value={count}
          maxLength={4}
          onChange={(event) => setCount(event.target.value)}
        />
      </label>
      <label className="flex min-w-[8rem] flex-1 flex-col gap-1 text-sm text-soft">
        to whom, if you like
        <input
          className="input w-full text-base-content"
          value={whom}
          maxLength={60}
          onChange={(event) => setWhom(event.target.value)}
        />
      </label>
      <button type="submit" className="btn btn-secondary" disabled={!isRight}>
        Give {isRight ? many : ''}
      </button>
    </form>
  );
}

const HISTORY_SHOWN = 6;

function moveWords({ change, reason, whom, note }: MoveView): string {
  const count = Math.abs(change);
  const what = reason === 'put' && change > 0 ? 'put on the shelf' : MOVE_WORDS[reason];
  return `${count} ${what}${whom === '' ? '' : ` to ${whom}`}${note === '' ? '' : `: ${note}`}`;
}

/** What happened to the jars of a lot; a slip can be undone whenever it is seen. */
function History({ lot }: { readonly lot: LotView }) {
  const history = historyOf(useMovesOf(lot.id));
  const [isWhole, setWhole] = useState(false);
  if (history.length === 0) return null;
  const shown = isWhole ? history : history.slice(0, HISTORY_SHOWN);
  return (
    <section aria-label="What happened to them" className="border-t border-line py-2">
      <h3 className="text-sm text-soft">What happened to them</h3>
      <ul>
        {shown.map(({ move, isUndone, canUndo }) => (
          <li key={move.id} className="flex min-h-[44px] items-center gap-2">
            <span
              className={`min-w-0 flex-1 leading-tight ${isUndone ? 'text-soft line-through' : ''}`}
            >
              {dates.day(move.at)}, {moveWords(move)}
            </span>
            {canUndo && (
              <button
                type="button"
                className="btn btn-ghost px-2 underline"
                aria-label={`Undo: ${moveWords(move)}`}
                onClick={() => putBack(lot, move)}
              >
                Undo
              </button>
            )}
          </li>
        ))}
      </ul>
      {history.length > shown.length && (
        <button type="button" className="btn btn-ghost" onClick={() => setWhole(true)}>
          Show all {history.length}
        </button>
      )}
    </section>
  );
}

/** The batch, its formula, and the same again. */
function Links({ lot }: { readonly lot: LotView }) {
  const again = useMakeAgain();
  const batch = useBatchQuery(lot.batchId, true).data;
  const link = 'flex min-h-[44px] items-center underline';
  return (
    <div className="border-t border-line pt-1">
      <Link to={`/logbook/${lot.batchId}`} className={link}>
        The batch and how it went
      </Link>
      <Link to={`/rescue/${lot.batchId}`} className={link}>
        Something is wrong with it
      </Link>
      {batch?.formulaId != null && (
        <Link to={`/formulas/${batch.formulaId}`} className={link}>
          Its formula
        </Link>
      )}
      <button
        type="button"
        className="btn mt-1"
        disabled={!batch}
        onClick={() => void again(lot.batchId)}
      >
        Make again
      </button>
    </div>
  );
}

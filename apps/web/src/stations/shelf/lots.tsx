import { useState } from 'react';
import type { LotView } from '@idle-kettle/contract';
import { useTheme } from '../../ui/theme.js';
import { fruitStyle } from '../../ui/fruit-colour.js';
import { JarPicture, jarName, partWords } from '../../ui/jar-picture.js';
import { recount, take, transfer } from '../../batch/jar-moves.js';
import { drawnFill, isBegun } from '../../batch/lot-state.js';
import { Kept, SealWords } from './kept.js';
import { LotMore } from './lot-more.js';
import * as dates from '../../ui/dates.js';

interface LotsProps {
  readonly lots: readonly LotView[];
  /** What stands there is being counted. */
  readonly counting?: boolean;
}

/** Jars by lot: what it is, how many, when made, where it stands, and one tap to take one. */
export function Lots({ lots, counting = false }: LotsProps) {
  return (
    <ul className="panel px-4">
      {lots.map((lot) => (
        <Lot key={lot.id} lot={lot} counting={counting} />
      ))}
    </ul>
  );
}

function Lot({ lot, counting }: { readonly lot: LotView; readonly counting: boolean }) {
  const theme = useTheme();
  const [more, setMore] = useState(false);
  const begun = isBegun(lot);
  const place =
    lot.keptIn === 'opened'
      ? 'opened'
      : [lot.keptIn ?? '', lot.place].filter((part) => part !== '').join(', ');
  return (
    <li style={fruitStyle(lot.fruit, theme)} className="border-b border-line py-3 last:border-b-0">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <JarPicture size={lot.size} fill={drawnFill(lot)} scale={62} />
        <div className="min-w-[11rem] flex-1">
          <p className="display text-lg leading-tight">{lot.title}</p>
          <p className="text-sm text-soft">
            {jarName(lot.size, 1)}
            {lot.partFill !== null && `, ${partWords(lot.partFill)}`} · made {dates.day(lot.madeOn)}
            {place !== '' && ` · ${place}`}
            {lot.keptSince !== null &&
              lot.keptIn !== null &&
              ` since ${dates.dayAndMonth(lot.keptSince)}`}
          </p>
          <Kept lot={lot} />
          <SealWords lot={lot} />
        </div>
        {counting ? (
          <Count lot={lot} />
        ) : (
          <>
            <p className="display w-14 text-right text-[30px]" aria-label={`${lot.count} left`}>
              {lot.count}
            </p>
            <div className="flex gap-1.5">
              <button
                type="button"
                className="btn w-[104px]"
                disabled={lot.count === 0}
                onClick={() => (begun ? take(lot, 1, 'eaten') : transfer(lot, 1, 'opened', ''))}
                aria-label={
                  begun ? `A jar of ${lot.title} is finished` : `Open one jar of ${lot.title}`
                }
              >
                {begun ? 'Finished' : 'Open one'}
              </button>
              <button
                type="button"
                className="btn btn-ghost"
                disabled={lot.count === 0}
                onClick={() => take(lot, 1, 'given')}
                aria-label={`Give one jar of ${lot.title} away`}
              >
                Give
              </button>
              <button
                type="button"
                className="btn btn-ghost"
                aria-expanded={more}
                disabled={lot.count === 0}
                onClick={() => setMore(!more)}
                aria-label={`More for ${lot.title}`}
              >
                More
              </button>
            </div>
          </>
        )}
      </div>
      {more && lot.count > 0 && !counting && <LotMore lot={lot} onDone={() => setMore(false)} />}
    </li>
  );
}

/** How many stand there, as counted. */
function Count({ lot }: { readonly lot: LotView }) {
  const [text, setText] = useState(String(lot.count));
  const [seen, setSeen] = useState(false);
  const good = /^\d{1,4}$/.test(text);
  return (
    <form
      className="flex items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (!good) return;
        recount(lot, Number(text));
        setSeen(true);
      }}
    >
      <input
        inputMode="numeric"
        aria-label={`${lot.title}, ${jarName(lot.size, 2)}: how many are there`}
        aria-invalid={!good}
        className={`input w-20 text-center text-xl ${good ? '' : 'input-error'}`}
        value={text}
        onChange={(event) => {
          setText(event.target.value);
          setSeen(false);
        }}
      />
      <button
        type="submit"
        className={`btn ${seen ? 'btn-neutral' : 'btn-secondary'}`}
        disabled={!good}
      >
        {seen ? 'Counted' : 'Confirm count'}
      </button>
    </form>
  );
}

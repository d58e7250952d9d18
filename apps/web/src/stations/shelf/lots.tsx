import { format, parseISO } from 'date-fns';
import { useState } from 'react';
import { Link } from 'react-router';
import type { LotView } from '@idle-kettle/contract';
import { useTheme } from '../../ui/theme.js';
import { today } from '../../data/clock.js';
import { fruitStyle } from '../../ui/fruit-colour.js';
import { JarPicture, jarName, partWords } from '../../ui/jar-picture.js';
import { sentence } from '../../ui/sentence.js';
import { daysLeft } from './days-left.js';
import { recount, take, transfer } from './jar-moves.js';
import { LotMore } from './lot-more.js';

const day = (iso: string): string => format(parseISO(iso), 'd MMM yyyy');

/** Where the jars belong and until when, and why where it is not the shelf. */
function Kept({ lot }: { readonly lot: LotView }) {
  const { verdict, reason, bestBefore } = lot.keeping;
  if (verdict === 'stop')
    return <p className="text-sm text-bad">Throw away, do not taste: {sentence(reason)}</p>;
  const past = daysLeft(lot, today()) < 0;
  const until =
    bestBefore === null
      ? ''
      : ` ${past ? 'Its best was over on' : 'Best before'} ${day(bestBefore)}.`;
  if (verdict === 'shelf')
    return (
      <p className={`text-sm ${past ? 'text-watch' : 'text-good'}`}>
        Shelf: cool, dark, dry.{until}
      </p>
    );
  if (verdict === 'freezer') return <p className="text-sm text-good">Frozen.{until}</p>;
  return (
    <p className="text-sm text-watch">
      Fridge, or freeze: {sentence(reason)}
      {until}
    </p>
  );
}

function SealWords({ lot: { seals, batchId } }: { readonly lot: LotView }) {
  if (seals.open === 0 && (seals.state === 'none' || seals.state === 'sealed')) return null;
  const cooling =
    seals.state === 'due' ? 'Their lids are to be pressed' : 'Cooling: lids to be pressed tomorrow';
  return (
    <p className="text-sm">
      <Link to={`/batches/${batchId}/jar`} className="underline">
        {seals.open > 0 ? 'Not all have sealed: see to it' : cooling}
      </Link>
    </p>
  );
}

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
  const begun = lot.keptIn === 'opened' || lot.partFill !== null;
  const place =
    lot.keptIn === 'opened'
      ? 'opened'
      : [lot.keptIn ?? '', lot.place].filter((part) => part !== '').join(', ');
  return (
    <li style={fruitStyle(lot.fruit, theme)} className="border-b border-line py-3 last:border-b-0">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <JarPicture
          size={lot.size}
          fill={lot.partFill ?? (lot.keptIn === 'opened' ? 0.6 : 1)}
          scale={62}
        />
        <div className="min-w-[11rem] flex-1">
          <p className="display text-lg leading-tight">{lot.title}</p>
          <p className="text-sm text-soft">
            {jarName(lot.size, 1)}
            {lot.partFill !== null && `, ${partWords(lot.partFill)}`} · made {day(lot.madeOn)}
            {place !== '' && ` · ${place}`}
            {lot.keptSince !== null &&
              lot.keptIn !== null &&
              ` since ${format(parseISO(lot.keptSince), 'd MMM')}`}
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

import { useState } from 'react';
import { Link } from 'react-router';
import {
  laterSugar,
  linesDue,
  type BatchEvent,
  type EventBodies,
  type EventType,
} from '@idle-kettle/core';
import { useBatch } from '../../batch/batch-context.js';
import { useIsLongCook } from '../../batch/cooking-place.js';
import { useLogIn } from '../../batch/lines-due.js';

/** What a tap opens to be filled in. */
export type Opened = 'test' | 'addition' | 'measure' | 'flame' | 'note' | 'pause';

interface BoilActionsProps {
  readonly onLog: <T extends EventType>(
    batchId: string,
    type: T,
    body: EventBodies[T],
  ) => BatchEvent;
  readonly onOpen: (which: Opened) => void;
}

/** What can be done at the pot as it stands: on the heat or off it, put off, or done. */
export function BoilActions({ onLog, onOpen }: BoilActionsProps) {
  const { id, boil, formula } = useBatch();
  const isLongCook = useIsLongCook();
  const isCurd = formula.kind === 'curd';
  const logIn = useLogIn();
  const [asks, setAsks] = useState(false);
  // What belongs into the pan before the timed minute.
  const missing = linesDue(formula, boil, 'before-sugar', 'skins-soft', 'full-boil', 'after-sugar');
  const back = (primary: boolean) => (
    <Wide name="Back on the heat" primary={primary} onClick={() => onLog(id, 'on-heat', {})} />
  );
  const note = <Wide name="Note" onClick={() => onOpen('note')} />;
  if (boil.phase === 'done')
    return (
      <div className="flex flex-wrap gap-2">
        <Link to="../jar" className="btn btn-primary h-[68px] flex-1 text-xl">
          To the jars
        </Link>
        {back(false)}
        <Wide name="I added…" onClick={() => onOpen('addition')} />
        {note}
      </div>
    );
  if (boil.phase === 'paused')
    return (
      <div className="flex flex-wrap gap-2">
        {back(true)}
        <Wide name="I added…" onClick={() => onOpen('addition')} />
        {note}
      </div>
    );
  const off = boil.phase === 'off-heat';
  return (
    <>
      {asks && missing.length > 0 && (
        <section
          aria-label="Not in yet"
          className="flex flex-wrap items-center gap-3 rounded-[14px] border-2 border-warning px-5 py-3"
        >
          <p className="text-lg">
            The minute begins with everything in. The log does not have{' '}
            <strong>{missing.map(({ label }) => label).join(', ')}</strong> yet.
          </p>
          <button
            type="button"
            className="btn btn-primary h-14 text-lg"
            onClick={() => {
              logIn(
                missing.some(({ ingredient }) => ingredient.category === 'sweetener'),
                missing.map(({ index }) => index),
              );
              onLog(id, 'minute', {});
              setAsks(false);
            }}
          >
            It is in: start
          </button>
          <button
            type="button"
            className="btn h-14 text-lg"
            onClick={() => {
              onLog(id, 'minute', {});
              setAsks(false);
            }}
          >
            Start anyway
          </button>
          <button type="button" className="btn btn-ghost h-14" onClick={() => setAsks(false)}>
            Not yet
          </button>
        </section>
      )}
      <div className="grid grid-cols-3 gap-2 sm:gap-3 lg:grid-cols-6">
        <Act name={isLongCook ? 'Thickness' : 'Set test'} hint="T" onClick={() => onOpen('test')} />
        <Act name="I added…" hint="A" onClick={() => onOpen('addition')} />
        <Act name="Weight, Brix" hint="W" onClick={() => onOpen('measure')} />
        <Act name="Heat changed" hint="F" onClick={() => onOpen('flame')} />
        <Act
          name={off ? 'Back on' : 'Off the heat'}
          hint={off ? 'starts the clock' : 'stops the clock'}
          onClick={() => onLog(id, off ? 'on-heat' : 'off-heat', {})}
        />
        <Act
          name="Finish cooking"
          hint="to the jars"
          primary
          onClick={() => onLog(id, 'done', {})}
        />
      </div>
      <div className="grid grid-cols-2 gap-2 sm:flex">
        {boil.sugarInAt === undefined && laterSugar(formula).length > 0 && (
          <Low name="The sugar is in" onClick={() => onLog(id, 'sugar-in', {})} />
        )}
        {!isLongCook && !isCurd && (
          <Low
            name="Start 1-minute boil"
            onClick={() => (missing.length > 0 ? setAsks(true) : onLog(id, 'minute', {}))}
          />
        )}
        <Low name="Stirred" onClick={() => onLog(id, 'stirred', {})} />
        <Low name="Pause…" onClick={() => onOpen('pause')} />
        <Low name="Note" onClick={() => onOpen('note')} />
      </div>
    </>
  );
}

interface KeyProps {
  readonly name: string;
  readonly primary?: boolean;
  readonly onClick: () => void;
}

/** One of the six at the bottom, for a thumb or a knuckle. */
const Act = ({ name, hint, primary = false, onClick }: KeyProps & { readonly hint: string }) => (
  <button
    type="button"
    className={`btn h-[84px] flex-col gap-0.5 px-1 text-[17px] sm:h-[92px] sm:text-[19px] ${primary ? 'btn-primary' : ''}`}
    onClick={onClick}
  >
    {name}
    <span className={`text-[13px] font-normal ${primary ? '' : 'text-soft'}`}>{hint}</span>
  </button>
);

const Low = ({ name, onClick }: KeyProps) => (
  <button type="button" className="btn h-14 flex-1 px-2 text-[17px] sm:text-lg" onClick={onClick}>
    {name}
  </button>
);

const Wide = ({ name, primary = false, onClick }: KeyProps) => (
  <button
    type="button"
    className={`btn h-[68px] ${primary ? 'btn-primary flex-1 text-xl' : 'text-lg'}`}
    onClick={onClick}
  >
    {name}
  </button>
);

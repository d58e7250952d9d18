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
import { askToNotify } from '../../ui/notify.js';
import type { StoveAction } from './advised-action.js';

/** What a tap opens to be filled in. */
export type Opened = 'reading' | 'test' | 'addition' | 'measure' | 'flame' | 'note' | 'pause';

interface BoilActionsProps {
  readonly onLog: <T extends EventType>(
    batchId: string,
    type: T,
    body: EventBodies[T],
  ) => BatchEvent;
  readonly onOpen: (which: Opened) => void;
  /** What is advised: its button is filled. */
  readonly advised: StoveAction | undefined;
  /** Six targets and no more, for the big view. */
  readonly isBig?: boolean;
}

/** What can be done with the pan as it is: on the heat or off it, paused, or done. */
export function BoilActions({ onLog, onOpen, advised, isBig = false }: BoilActionsProps) {
  const { id, boil, formula } = useBatch();
  const isLongCook = useIsLongCook();
  const isCurd = formula.kind === 'curd';
  const logIn = useLogIn();
  const [asks, setAsks] = useState(false);
  // What belongs into the pan before the timed minute.
  const missing = linesDue(formula, boil, 'before-sugar', 'skins-soft', 'full-boil', 'after-sugar');
  const back = (isFilled: boolean) => (
    <Wide name="Back on the heat" isFilled={isFilled} onClick={() => onLog(id, 'on-heat', {})} />
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
  const hasMinute = !isLongCook && !isCurd;
  const startMinute = (): void => {
    askToNotify();
    if (missing.length > 0) setAsks(true);
    else onLog(id, 'minute', {});
  };
  const test = (
    <Act
      key="test"
      name={isLongCook ? 'Thickness' : 'Set test'}
      hint="T"
      isFilled={advised === 'test'}
      onClick={() => onOpen('test')}
    />
  );
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
      <div
        className={`grid grid-cols-3 gap-2 sm:gap-3 lg:grid-cols-6 ${isBig ? 'flex-1 auto-rows-fr' : ''}`}
      >
        {isBig && <Act name="Reading" hint="R" onClick={() => onOpen('reading')} />}
        {isBig && advised === 'minute' ? (
          <Act name="Start 1-minute boil" isFilled onClick={startMinute} />
        ) : (
          test
        )}
        <Act name="I added…" hint="A" onClick={() => onOpen('addition')} />
        {!isBig && <Act name="Weight, Brix" hint="W" onClick={() => onOpen('measure')} />}
        <Act name="Heat changed" hint="F" onClick={() => onOpen('flame')} />
        <Act
          name={off ? 'Back on the heat' : 'Off the heat'}
          isFilled={advised === (off ? 'on-heat' : 'off-heat')}
          onClick={() => onLog(id, off ? 'on-heat' : 'off-heat', {})}
        />
        <Act
          name="Finish cooking"
          isFilled={advised === 'finish'}
          isApart
          onClick={() => onLog(id, 'done', {})}
        />
      </div>
      {!isBig && (
        <div className="grid grid-cols-2 gap-2 sm:flex">
          <Low name="Stirred" onClick={() => onLog(id, 'stirred', {})} />
          {boil.sugarInAt === undefined && laterSugar(formula).length > 0 && (
            <Low name="The sugar is in" onClick={() => onLog(id, 'sugar-in', {})} />
          )}
          {hasMinute && (
            <Low name="Start 1-minute boil" isFilled={advised === 'minute'} onClick={startMinute} />
          )}
          <Low name="Pause…" onClick={() => onOpen('pause')} />
          <Low name="Note" onClick={() => onOpen('note')} />
        </div>
      )}
    </>
  );
}

interface KeyProps {
  readonly name: string;
  readonly isFilled?: boolean;
  readonly onClick: () => void;
}

/** A key that does the same, where there is a keyboard. */
interface ActProps extends KeyProps {
  readonly hint?: string;
  /** It ends the cook: marked so that no other is taken for it. */
  readonly isApart?: boolean;
}

/** One of the six at the bottom, for a thumb or a knuckle. */
function Act({ name, hint, isFilled = false, isApart = false, onClick }: ActProps) {
  const look = isApart ? 'border-2 border-primary! text-primary' : '';
  return (
    <button
      type="button"
      className={`btn h-full min-h-[64px]! flex-col gap-0.5 px-1 text-[17px] leading-tight sm:min-h-[76px]! sm:text-[19px] in-data-big:min-h-[96px]! in-data-big:sm:text-[24px] ${isFilled ? 'btn-primary' : look}`}
      onClick={onClick}
    >
      {name}
      {hint !== undefined && (
        <kbd
          aria-hidden="true"
          className={`hidden keyboard:sm:inline font-sans text-[13px] font-normal ${isFilled ? '' : 'text-soft'}`}
        >
          {hint}
        </kbd>
      )}
    </button>
  );
}

const Low = ({ name, isFilled = false, onClick }: KeyProps) => (
  <button
    type="button"
    className={`btn h-12 flex-1 px-2 text-[17px] ${isFilled ? 'btn-primary' : ''}`}
    onClick={onClick}
  >
    {name}
  </button>
);

const Wide = ({ name, isFilled = false, onClick }: KeyProps) => (
  <button
    type="button"
    className={`btn h-[68px] ${isFilled ? 'btn-primary flex-1 text-xl' : 'text-lg'}`}
    onClick={onClick}
  >
    {name}
  </button>
);
